import { settleStart, startOf } from "../started";
import { formTold, type Told } from "../told";
import type { MadeStep } from "../bench";
import type { Reading } from "../reading";
import { moreBunches, tiedInAgain } from "./bunches";
import { colourIn, isColour } from "../../materials";
import { stuffOf } from "../named";
import { roleOfWord, PARTS } from "../lexicon/parts";
import { kindOfTold, scan } from "../scan";
import { shareEach, hairOnTheBack, shareLength, woundNext } from "../shareOut";
import { supply } from "../supply";
import { NUMBER_WORD, readNumber } from "../text/number";

const again =
  /^\W*(?:(?:and|then|now|tie\s+in|add|put)\s+)*(?:(?:exactly\s+)?(?:the\s+)?same\s+(?:thing\s+)?(?:again|(?=(?:below|under(?:neath)?|beneath)\b))|(?:another|an?\s+(?:second|third|fourth)|(?:the\s+)?(?:second|third|fourth|next))\s+(?:(?:bunch|clump|one|pair|lot|piece|strand)\s*,?\s*)?(?:of\s+)?(?:(?:exactly\s+)?the\s+same|like\s+(?:it|that|the\s+(?:first|last)(?:\s+one)?)))\b/;
/** “The same again, 1 cm in front of it”, “another bunch of the same below”: once more what was tied in last. */
function sameAgain(r: Reading, told: Told, text: string): void {
  const words = again.exec(text.slice(told.at, told.end))?.[0];
  const last = r.bench.made.findLast((m) => m.step.do === "lay" && m.step.shown !== undefined)?.step;
  const component = r.bench.component(last?.component);
  const exact = r.bench.materialOf(component);
  if (words === undefined || told.description || last?.do !== "lay" || !component || !exact) return;
  const begin = told.at + words.length;
  const [more, ...others] = scan(text, begin, told.end, {}, r.scanContext, "lay");
  if (others.length > 0) return;
  tiedInAgain(told, { component, exact, last, begin, tells: more, amount: last.amount });
  // “The same again in olive”
  const colour = told.rest.find((x) => isColour(text.slice(x.at, x.end).trim()));
  if (!colour) return;
  const stuff = `${text.slice(colour.at, colour.end).trim()} ${stuffOf(exact.name)}`;
  told.description = { ...colour, text: stuff, means: { form: exact.form } };
  told.rest = told.rest.filter((x) => x !== colour);
}

/** “White sighter on top, 4 mm of poly”: the colour of a part is that of its stuff. */
function inItsColour(_: Reading, told: Told, text: string): void {
  const { description, role, part } = told;
  const at = told.rest.find((x) => isColour(text.slice(x.at, x.end).trim()));
  if (!at || role === undefined || part === undefined || !description || description.exact || description.isReference)
    return;
  if (!text.slice(at.end).trimStart().startsWith(part) || colourIn(description.text)) return;
  told.description = { ...description, text: `${text.slice(at.at, at.end).trim()} ${description.text.trim()}` };
  told.rest = told.rest.filter((x) => x !== at);
  told.understood.push(at);
}

/** “Over that six strands of herl”: on top of what was tied in last. */
function liesOver(told: Told, text: string): void {
  const lead = text.slice(told.at, told.description?.at ?? told.at);
  if (told.verb !== undefined || told.role !== undefined || !overThat.test(lead)) return;
  const form = formTold(told);
  if (form !== "herl" && form !== "flash" && form !== "hair" && form !== "feather fibre") return;
  Object.assign(told, { kind: "lay", role: form === "herl" ? "topping" : form === "flash" ? "flash" : "wing" });
  told.said.attitude ??= "over";
}

/** “Another 30 strands, chartreuse”: of what was tied in last, in the colour that is said. */
function anotherOfIt(r: Reading, told: Told, text: string): void {
  // A bunch is of what grows in bunches, and not of the flash that was tied in over the one before.
  const isHair = /\bhairs\s+of\b/.test(text.slice(told.at, told.end));
  const isLike = (m: MadeStep): boolean => {
    const form = r.bench.formOf(r.bench.component(m.step.component));
    return isHair ? form === "hair" : !isBunch || form !== "flash";
  };
  const isBunch =
    told.said.thickLike !== undefined || told.loose.some((l) => /bunch|clump|bundle|pinch|tuft|wisp/.test(l.words));
  const last = r.bench.made.findLast((m) => m.step.do === "lay" && m.step.shown !== undefined && isLike(m));
  const component = r.bench.component(last?.step.component);
  const material = r.bench.materialOf(component);
  const isMore =
    /^\W*(?:[\w-]+\s+){0,4}?(?:another|(?:an?\s+|the\s+)?(?:second|third|fourth|next|last|final)|\d+\s+more|(?:the\s+)?same\s+again)\b/.test(
      text.slice(told.at, told.end),
    );
  if (last?.step.do === "lay") countedInColour(r, told, text, last.step);
  if (told.kind !== "lay" || told.description || told.role || !material || !component) return;
  const isRepeated = told.verb === "repeat";
  const at = told.rest.find((r) => isColour(text.slice(r.at, r.end).trim()));
  // “Then 40 hairs of blue”: nothing is only blue.
  const isOfColour = at !== undefined && /\bof\s+$/.test(text.slice(0, at.at));
  if (!(told.said.amount && (isMore || isOfColour)) && !isBunch && !isRepeated) return;
  if (!at && !isMore) return;
  told.rest = told.rest.filter((r) => r !== at);
  if (at) told.understood.push(at);
  const stuff = stuffOf(material.name);
  Object.assign(told, {
    role: component.role,
    verb: told.verb ?? "tie in",
    description: at
      ? { ...at, text: `${text.slice(at.at, at.end).trim()} ${stuff}`, means: { form: material.form } }
      : { at: told.at, end: told.at, text: material.name, exact: material },
  });
}

const inColour = new RegExp(
  `\\b(?:another|a\\s+further)\\s+(\\d+|${NUMBER_WORD})\\s+of\\s+(?:the\\s+)?([a-z]+)\\b`,
  "u",
);
/** “Put another 60 of white on the bottom”: so many more of what was laid last. */
function countedInColour(r: Reading, told: Told, text: string, last: Extract<MadeStep["step"], { do: "lay" }>): void {
  const m = inColour.exec(text.slice(told.at, told.end));
  const n = readNumber(m?.[1] ?? "");
  const isBare = told.description === undefined && told.role === undefined && told.said.amount === undefined;
  if (!m || n === undefined || !isColour(m[2] ?? "") || !isBare) return;
  const { amount } = last;
  const like = "fibres" in amount ? { fibres: n } : "strands" in amount ? { ...amount, strands: n } : undefined;
  const again = like && scan(text, told.at, told.end, {}, r.scanContext, "lay")[0];
  if (!again) return;
  const colour = told.at + m.index + m[0].length - (m[2] ?? "").length;
  const number = { at: told.at + m.index + m[0].indexOf(m[1] ?? ""), end: colour };
  Object.assign(told, {
    kind: "lay",
    verb: "tie in",
    // As long as the bunch before, where nothing is said of it.
    said: { ...(isLengthSaid(again.said) ? {} : { shown: last.shown }), ...again.said, amount: like },
    understood: [...again.understood, number],
    kept: again.kept,
    rest: [
      ...again.rest.filter(
        (x) =>
          (x.end <= number.at || x.at >= colour + (m[2] ?? "").length) &&
          !/^(?:put|add|lay|place|tie|lash|bind|in|on|down)$/.test(text.slice(x.at, x.end)),
      ),
      { at: colour, end: colour + (m[2] ?? "").length },
    ],
  });
}

const isLengthSaid = ({ shown, like, sameLength }: Told["said"]): boolean =>
  shown !== undefined || like !== undefined || sameLength !== undefined;

/** “Thorax: same as abdomen”: of what another part was told of. */
function sameAsPart(r: Reading, told: Told, text: string): void {
  const same = told.role && !told.description && sameAs.exec(text.slice(told.at, told.end));
  const role = same ? roleOfWord(same[1] ?? "") : undefined;
  const component = role && role !== told.role ? r.bench.ofRole(role) : undefined;
  const exact = component && r.bench.materialOf(component);
  if (!exact) return;
  told.description = { at: told.at, end: told.end, text: exact.name, exact };
  delete told.said.size;
  told.kind = kindOfTold(told.verb, told.role, exact.form, text.slice(told.at, told.end));
}

/** “4 turns of tinsel, then 3 of floss in front”: in front of the first, and not behind the eye. */
function inFrontOfFirst(_: Reading, told: Told, text: string): void {
  const isTag = told.role === "tag" || told.role === "butt";
  if (!isTag || !told.isInherited || !/\bin\s+front\W*$/.test(text.slice(told.at, told.end))) return;
  told.said.there = { part: "it", end: "front" };
}

/** A word of a material means one that the recipe has named; where it has none, the word is not understood. */
function settleReference(r: Reading, told: Told): void {
  const { description } = told;
  if (!description?.isReference || r.bench.resolve(description).material) return;
  const { at, end } = description;
  // “rib with four turns of copper”, where the fly has none yet: of what a rib is.
  const isNew = !r.bench.waits((w) => w.role === "rib");
  if (isNew && told.role === "rib" && /^(?:copper|gold|silver|brass)$/.test(description.text)) {
    told.description = { at, end, text: `${description.text} wire`, means: { form: "wire" } };
    return;
  }
  told.description = undefined;
  told.understood = told.understood.filter((s) => s.end !== end);
  told.rest.push({ at, end });
}

/** The kind again, now that what the lines before did is known. */
function relook(r: Reading, told: Told, text: string): void {
  const { description } = told;
  if (description ? !description.isReference : told.role === undefined) return;
  const form = description ? r.bench.resolve(description).material?.form : r.bench.formOf(r.bench.ofRole(told.role));
  const kind = kindOfTold(told.verb, told.role, form, text.slice(told.at, told.end));
  if (kind === told.kind || form === undefined) return;
  const again = scan(
    text,
    told.at,
    told.end,
    { role: told.role, part: told.part },
    { ...r.scanContext, formOf: () => form },
  )[0];
  if (again && again.rest.length <= told.rest.length)
    Object.assign(told, {
      ...again,
      verb: told.verb ?? again.verb,
      description: description ?? again.description,
      at: told.at,
      end: told.end,
    });
}

const overThat =
  /^\W*(?:and\s+|then\s+)*(?:over|on\s+top\s+of|above)\s+(?:that|it|them|this|these|the\s+(?:wing|lot|whole))\b/;

const sameAs = new RegExp(
  `^\\W*(?:(?:the\\s+)?same(?:\\s+(?:dubbing|fur|material|stuff|mix|herl))?\\s+as|as(?:\\s+for)?|like)\\s+(?:the\\s+|in\\s+the\\s+)?(${PARTS})(?![\\p{L}])`,
  "u",
);

/** What is said in one place of a line of all its clauses. */
export const sharings: readonly ((text: string, all: Told[]) => void)[] = [
  shareEach,
  (_, all) => hairOnTheBack(all),
  shareLength,
  (_, all) => woundNext(all),
];

/** What a clause means now that the bench is as the lines before it left it. */
export const retellings: readonly ((r: Reading, told: Told, text: string) => void)[] = [
  (r, told) => settleStart(told.said, startOf(r.bench)),
  (_, told, text) => liesOver(told, text),
  sameAgain,
  moreBunches,
  inItsColour,
  sameAsPart,
  inFrontOfFirst,
  (_, told, text) => supply(told, text),
  settleReference,
  relook,
  anotherOfIt,
];

import { isColour, type MaterialForm } from "../materials";
import { amountOf } from "./clauses/lay";
import { formSaid, descriptionAt, type Description } from "./description";
import { impliedBy, isAfterStart, shapeOf, upperOf } from "./named";
import { match, opt, seq, words } from "./parse";
import { count as countRead, type Count } from "./text/count";
import type { Next, ScanContext, Told } from "./told";

const beforeNoun = match(
  "\\s*(?:(?:of|single|whole|stiff|long|matched|good|small|large|short|fine|more|another|extra)\\s+)*(?:the\\s+)?",
);
const fromWhat = /\bfrom\s+(?:the\s+)?(?:[a-z]+\s+of\s+)?$/;
/** “six pheasant tail fibres”, “two brown hackles”: a number before what it counts. */
export function countedAt(told: Told, text: string, at: number, context: ScanContext): Next | undefined {
  const n = countRead(text, at);
  // “three fibres from a tippet”: the article counts nothing where something is counted.
  // Nor does it in “one feather from the shoulder of a starling”.
  const isArticle = n !== undefined && /^an?$/.test(text.slice(at, n.end).trim());
  if (isArticle && (told.said.amount || fromWhat.test(text.slice(Math.max(0, at - 40), at)))) return undefined;
  // “10 mm dumbbell”, “5 lb mono”: the figure is a size.
  if (!n || /^\s*(?:mm|cm|in|inch|thou|thousandths?|lbs?|pounds?|kg|denier|den|x)\b/.test(text.slice(n.end)))
    return undefined;
  let place = n.end;
  const between = beforeNoun(text, place);
  if (between) place = between.end;
  if (/\s/.test(text[place] ?? "")) place++;
  // “a stiff brown hackle”, where the cabinet has a stiff one: that is what it is called.
  const stiff = /\bstiff\s+$/.exec(text.slice(n.end, place));
  if (stiff && isInCabinet(descriptionAt(text, n.end + stiff.index, context.index), context))
    place = n.end + stiff.index;
  // “one of fine silver wire”: so fine is the wire, which is no matter of how many.
  const gauge = /\b(?:extra\s+)?fine\s+$/.exec(text.slice(n.end, place));
  if (gauge && isSpun(descriptionAt(text, n.end + gauge.index, context.index))) place = n.end + gauge.index;
  // “one grizzle and one brown”: another of the same kind.
  const isFurther = /(?:,|\b(?:and|plus))\s+$/.test(text.slice(Math.max(0, at - 6), at)) && told.kind === "wind";
  const implied = told.role && (!told.description || isFurther) ? impliedBy[told.role] : undefined;
  // “Hackle: one ginger”: of what a hackle is.
  const found =
    descriptionAt(text, place, context.index) ??
    (told.description ? undefined : upperOf(text, place, context.index, implied)) ??
    (implied && descriptionAt(text, place, context.index, false, implied));
  if (!found || formSaid(found) === "hook") return undefined;
  if (isAfterStart(told, found)) return "another";
  const noun = found.text.toLowerCase().trim();
  // “olive marabou, one full plume”: how many of it, not another feather.
  if (told.description && !found.exact && onlyCounts.test(withoutColours(noun)) && told.said.amount === undefined) {
    if (!putCount(told, n.value, noun, told.description)) return undefined;
    told.understood.push({ at, end: found.end });
    return { told, end: found.end };
  }
  // “black foam, a strip 5 mm wide”: one strip of what was named.
  const shaped = told.description && n.value.n === 1 ? shapeOf(told.description, found) : undefined;
  if (shaped) {
    told.description = shaped;
    told.understood.push({ at, end: found.end });
    return { told, end: found.end };
  }
  if (told.description && !sameDescription(told.description, found)) return "another";
  const bunches = told.kind === "lay" ? bunchesAt(text, found.end) : undefined;
  if (bunches && Number.isInteger(n.value.n)) told.said.bunches = n.value.n;
  else if (!putCount(told, n.value, noun, found)) return undefined;
  told.description ??= found;
  const end = bunches?.end ?? found.end;
  told.understood.push({ at, end });
  return { told, end };
}
const isInCabinet = (d: Description | undefined, { index }: ScanContext): boolean =>
  d !== undefined && (d.exact !== undefined || index.find(d.text, new Set(), formSaid(d)).length > 0);
const isSpun = (d: Description | undefined): boolean => {
  const form = formSaid(d);
  return form === "wire" || form === "tinsel" || form === "weight wire" || form === "floss";
};
/** “two mallard flank bunches”: so many bunches, not so many fibres. */
const bunchesAt = match("\\s+(?:bunches|clumps|bundles|tufts)");
const onlyCounts =
  /^(?:(?:full|whole|single|good|long|short|stiff|matched|complete|entire|large|small)\s+)*(?:feathers?|plumes?|puffs?|fibres?|fibers?|strands?|herls?|quills?|barbs?|slips?|tips?)$/;
/** “two natural grey plumes”, of what was named before: the colours say nothing of how many. */
const withoutColours = (noun: string): string =>
  noun
    .split(/\s+/)
    .filter((w, i, all) => i === all.length - 1 || !(isColour(w) || w === "natural"))
    .join(" ");
export const sameDescription = (a: Description, b: Description): boolean => a.at === b.at;
export const nounOfCount: [RegExp, "fibres" | "strands" | "feathers" | "slips" | "pieces"][] = [
  [/(?:fibres?|fibers?|fibs|barbs?|barbules?|biots?|hairs|bristles?)$/, "fibres"],
  [/(?:herls?|strands?|lengths?)$/, "strands"],
  [/(?:slips?|sections?|segments?)$/, "slips"],
  [/(?:feathers?|plumes?|hackles?|tips?|puffs?)$/, "feathers"],
];
/** No fly has so many of anything that is wound. */
const MOST_OF_ANY = 50;
/** “Bucktail hairs white”: the colour behind it says nothing of what is counted. */
function beforeColour(noun: string): string {
  const all = noun.split(/[\s,]+/);
  const last = all.findLastIndex((w) => !isColour(w) && w !== "natural");
  return last < 1 ? noun : all.slice(0, last + 1).join(" ");
}
/** Sets what a number counts, by the noun that follows it; false where it counts nothing that can be taken. */
function putCount(told: Told, c: Count, named: string, found: Description): boolean {
  const form = formSaid(found);
  const noun = beforeColour(named);
  const by = nounOfCount.find(([pattern]) => pattern.test(noun))?.[1] ?? found.means?.counted ?? countedOf(form);
  if (told.kind === "seat") {
    if (!Number.isInteger(c.n)) return false;
    if (c.n > 1 && form === "bead") told.said.count = c.n;
    return true;
  }
  if (told.kind === "wind") {
    // “210 thread”: what is not counted by pieces has a number for a name.
    if (by === undefined && c.n > MOST_OF_ANY) return false;
    const n = c.spread ? Math.round(c.n) : c.n;
    // “Rib 4 fine gold wire”: no rib is of so many; “hackle 2 claret hen” may be feathers or turns: that is asked.
    if (
      told.role === "rib" &&
      (form === "wire" || form === "tinsel") &&
      n > 1 &&
      !/(?:strands?|lengths?)$/.test(noun)
    ) {
      if (told.said.rule?.turns !== undefined) return false;
      told.said.rule = { ...told.said.rule, turns: n };
      return true;
    }
    if (form === "hackle" && n > 1 && told.verb === undefined && !/(?:s|feather|hackle)$/.test(noun)) return false;
    if (by !== "feathers" && !Number.isInteger(n)) return false;
    // Strands wound together; one feather is what is wound anyway.
    if (by === "feathers" && c.n !== 1) told.said.count = c.n;
    else if ((by === "strands" || by === "fibres") && n > 1) told.said.rope = n;
    return true;
  }
  if (told.kind === "lay" && by === "feathers" && /tips?$/.test(noun)) {
    told.said.amount = { feathers: c.n, part: "tip" };
    return true;
  }
  if (told.kind !== "lay" || by === undefined) return c.n === 1;
  return amountOf(told.said, c, by);
}
const countedOf = (form: MaterialForm | undefined): "fibres" | "strands" | "feathers" | "pieces" | undefined => {
  switch (form) {
    case "herl":
    case "flash":
    case "rubber":
    case "wire":
    case "tinsel":
    case "yarn":
    case "floss":
    case "chenille":
    case "stretch body":
      return "strands";
    case "hackle":
      return "feathers";
    case "feather fibre":
      return "fibres";
    case "extended body":
    case "made part":
      return "pieces";
    default:
      return undefined;
  }
};
const countOfThem = seq(countRead, opt(words("of\\s+(?:them|these|those|it)|or\\s+so")));
const endsHere = /^\s*(?:[,;.)]|-\s|$)/;
/** “a few stiff fibres from a dun hackle, say seven”: the number that is another to each tier, told behind it. */
function looseSettled(told: Told, c: Count, behind: string): boolean {
  const open = told.loose.findLast((l) => /\b(?:few|couple|several)\b/.test(l.words));
  const noun = open?.noun || (told.description?.text.toLowerCase().trim() ?? "");
  const by = nounOfCount.find(([pattern]) => pattern.test(noun))?.[1] ?? countedOf(formSaid(told.description));
  if (!open || !by || told.kind !== "lay" || !endsHere.test(behind) || !amountOf(told.said, c, by)) return false;
  told.loose = told.loose.filter((l) => l !== open);
  told.understood.push({ at: open.at, end: open.end });
  return true;
}
/** “hackle fibres, 9 of them”: a number that counts what was named before. */
export function bareCount(told: Told, text: string, at: number): Next | undefined {
  const n = countOfThem(text, at);
  // “Tail: same fibres, 4”
  const isOfSame = told.refers === "the same" && told.kind === "lay" && told.said.amount === undefined;
  if (n && isOfSame && endsHere.test(text.slice(n.end)) && amountOf(told.said, n.value[0], "fibres")) {
    told.understood.push({ at, end: n.end });
    return { told, end: n.end };
  }
  if ((told.kind !== "lay" && told.kind !== "wind") || !told.description) return undefined;
  if (told.kind === "wind" && !/^\s*,/.test(text.slice(n?.end ?? at))) return undefined;
  // “Grizzly, size 14”: the size of hook that it is for.
  if (/\b(?:size|sz)\s+$/.test(text.slice(0, at))) return undefined;
  const settled = n && looseSettled(told, n.value[0], text.slice(n.end));
  if (settled) {
    told.understood.push({ at, end: n.end });
    return { told, end: n.end };
  }
  const { amount } = told.said;
  // “golden crest feather, 1” says once more how many.
  const isAgain = n && amount && "feathers" in amount && amount.feathers === n.value[0].n;
  if (amount !== undefined && !isAgain) return undefined;
  if (!n || !endsHere.test(text.slice(n.end))) return undefined;
  const [{ n: many }] = n.value;
  // “Tail: moose, 5”: hairs of a tail are few and counted.
  const isTailOfHair = told.role === "tail" && many > 1 && formSaid(told.description) === "hair";
  const counts = (of: Description): boolean =>
    isTailOfHair
      ? amountOf(told.said, n.value[0], "fibres")
      : putCount(told, n.value[0], of.text.toLowerCase().trim(), of);
  if (!isAgain && !counts(told.description)) return undefined;
  told.understood.push({ at, end: n.end });
  return { told, end: n.end };
}

import { oneOf, map, words, skipBlanks as skip } from "../parse";
import type { Told, ScanContext, Next } from "../told";
import { type Step, type Here, article } from "./here";
import { formSaid, descriptionAt, type Description } from "../description";
import {
  upperOf,
  impliedBy,
  isHackleRole,
  bothHackles,
  asDubbing,
  asHair,
  dubbedOf,
  colourOfPiece,
  coloursDubbed,
  colourOfBunch,
  flashOf,
  labelOf,
  colourOfThread,
  colourAndNumber,
  isAfterStart,
  roleOfItsOwn,
} from "../named";
import { understand, type Mention, lead } from "./mention";
import { besides, isAcross } from "./besides";
import { bareGauge, isTurnsAlone, ofInch, bareEyes } from "../bareFigures";
import { partRead } from "./parts";
import { isStuffOfEyes, ownFibres } from "./kind";
import { amountOf } from "../clauses/lay";
import type { MaterialForm } from "../../materials";
import type { Role } from "../../recipe";
import { usualRole } from "../usualRole";

const pronoun = oneOf<Told["refers"]>(
  map(
    words(
      "(?:the\\s+)?(?:(?<=[:]\\s*(?:the\\s+)?)tail\\s+(?:fibres?|butts?)(?=\\s+(?:wound|wrapped|carried|brought|taken|twisted))|rest|remainder|remaining\\s+(?:fibres?|ends?|butts?)|butts?(?:\\s+ends?)?|tag\\s+ends?)(?:\\s+of\\s+(?:the\\s+|these\\s+|it|them)?(?:same\\s+)?(?:tail\\s+)?(?:fibres?|herls?|feathers?|plumes?|marabou|bunch|hair|foam|bundle|tail|dubbing|fur)?)?",
    ),
    () => "the rest" as const,
  ),
  map(
    words(
      "(?:the\\s+|these\\s+|those\\s+)?same\\s+(?:[\\w-]+\\s+){0,2}(?:fibres?|fibers?|strands?|barbs|herls)(?=\\s+(?:are\\s+)?(?:wound|wrapped|carried|brought|taken|twisted)\\b)|(?:the\\s+|these\\s+|those\\s+)?same(?:\\s+(?:tail\\s+)?(?:fibres?|bundle|feather|bunch|material|stuff))",
    ),
    () => "the same" as const,
  ),
  // “pull the hackle tip down and tie it off”: of the hackle that was wound.
  map(
    words(
      "(?<=\\b(?:pull|hold|secure|trim|cut|clip|bring|take|tie\\s+(?:down|off))\\s+)the\\s+hackle\\s+(?:tip|stem|stalk|point)",
    ),
    () => "it" as const,
  ),
  map(
    words(
      "it|them|they|both|these|those|(?<=\\b(?:turns?|wraps?)\\s+of\\s+)(?:that|this)|(?:that|this)(?=\\s+(?:to|up|forwards?|back|over|around|round|down|all|in)\\b)",
    ),
    () => "it" as const,
  ),
);

export const nounFirst: Step = (here) =>
  here.canBeNoun || isSizedNoun(here.text, here.at) ? description(here, here.canBeNoun) : undefined;

const sizedNoun =
  /(?:\d+(?:[.,]\d+)?\s*(?:mm|lbs?|den(?:ier)?)\b|\d+\/0\b|0?\.\d{2,3}\b"?|0?\.\d\b(?=\s+(?:[a-z-]+\s+){0,2}(?:lead|wire|mono|tinsel)\b)|\d[.,]\d(?=\s+(?:[a-z-]+\s+){0,3}(?:bead|cone|tungsten)))/y;

/** “2 mm rubber leg”, “2.8 mm bead”: the figure belongs to the noun. */
function isSizedNoun(text: string, at: number): boolean {
  sizedNoun.lastIndex = at;
  return sizedNoun.exec(text) !== null;
}

/** “Start at the bend, two rubber legs …”: what is tied in there is told by itself. */
export const isMoreThanVerb = (text: string, verb: { at: number; end: number }, { index }: ScanContext): boolean =>
  (descriptionAt(text, verb.at, index, true)?.end ?? 0) > verb.end;

const windsOverIt = /^,\s*(?:[\p{L}-]+\s+){1,3}over\s+(?:it|them|that|the\s+(?:body|lot))\b/u;

export function description({ told, text, at, context }: Here, atHead: boolean): Next | undefined {
  const refers = told.description ? undefined : pronoun(text, at);
  if (refers) {
    told.refers ??= refers.value;
    told.understood.push({ at, end: refers.end });
    return { told, end: refers.end };
  }
  const start = article(text, at);
  const begin = start ? skip(text, start.end) : at;
  const upper = told.description ? undefined : upperOf(text, begin, context.index);
  if (upper) {
    told.description = upper;
    return understand({ told, text, at, begin, found: upper, atHead });
  }
  const found = describedAt(told, text, at, begin, context, atHead);
  // “the centre of the hook”: the hook is where it lies, never what it is tied of.
  if (!found || formSaid(found) === "hook") return undefined;
  // “Hackle: barbs a gape long, hen”: they are no stuff of their own.
  if (!told.description && isHackleRole(told.role) && ownFibres.test(found.text)) return undefined;
  const mention = { told, text, at, begin, found, atHead };
  if (isOfAnother(mention)) return "another";
  if (isTakenOver(mention) || isTiedWith(mention) || isWoundOver(mention)) return understand(mention);
  if (told.description) return besides.some((is) => is(mention)) ? understand(mention) : "another";
  return takeStuff(mention, start !== undefined || atHead);
}

const turnsBefore = /\b(?:turns?|wraps?)\s+(?:each\s+)?(?:of\s+)?$|\b(?:[2-9]|two|three|four|five|six)\s+of\s+$/;
const ofFeathers = /^(?:grizzl[ye]|badger|furnace|cree)\b(?!\s+(?:hackle|saddle|cock|hen|cape|feather)s?\b)/;
const commaBefore = /,\s*$/;
/** A description at a place, or words that make one where the clause says of what kind it is. */
function describedAt(
  told: Told,
  text: string,
  at: number,
  begin: number,
  { index }: ScanContext,
  atHead: boolean,
): Description | undefined {
  const { role, verb, part = "", kind } = told;
  const isFirst = told.description === undefined;
  const isOr = /\bor\s+$/.test(text.slice(Math.max(0, at - 6), at));
  // “Hackle: 3 turns pale ginger”: of what a hackle is.
  const isOfTurns = isFirst && isHackleRole(role) && turnsBefore.test(text.slice(Math.max(0, begin - 16), begin));
  // “5 turns of grizzly round the post”: a colour that only a feather has.
  const isOfIt = /\bof\s+$/.test(text.slice(Math.max(0, begin - 4), begin));
  const isFeather =
    isFirst && isOfIt && (role === undefined || isHackleRole(role)) && ofFeathers.test(text.slice(begin));
  const implied = isFeather
    ? impliedBy.hackle
    : (atHead || isOr || isOfTurns) && role
      ? impliedBy[role]
      : verb === "start"
        ? "thread"
        : undefined;
  const isThreadHead = atHead && /^(?:(?:tying|working)\s+)?(?:thread|silk)$/.test(part);
  const stuff = descriptionAt(text, begin, index, atHead, implied);
  return (
    (isFirst && isHackleRole(role) && (atHead || isOfTurns || commaBefore.test(text.slice(0, begin)))
      ? bothHackles(text, begin)
      : undefined) ??
    (verb === "dub" && isFirst ? coloursDubbed(text, begin) : undefined) ??
    asDubbing(asHair(stuff, role, text.slice(Math.max(0, begin - 16), begin), text.slice(stuff?.end ?? begin)), verb) ??
    (atHead ? dubbedOf(text, begin) : undefined) ??
    (kind === "lay" && isFirst ? (colourOfPiece(text, begin) ?? colourOfBunch(text, begin)) : undefined) ??
    (role === "flash" && isFirst ? flashOf(text, begin) : undefined) ??
    (isThreadHead ? labelOf(text, begin) : undefined) ??
    (verb === "change" && isFirst ? colourOfThread(text, begin) : undefined) ??
    (role === undefined && verb === undefined ? colourAndNumber(text, begin) : undefined) ??
    (role === "weight" && isFirst ? bareGauge(text, begin, told.part) : undefined) ??
    (isTurnsAlone(told) && ofInch(text, begin) ? bareGauge(text, begin, undefined) : undefined) ??
    (atHead && part === "eyes" ? bareEyes(text, begin) : undefined)
  );
}

/** Whether what is mentioned begins another thing. */
function isOfAnother({ told, text, at, begin, found, atHead }: Mention): boolean {
  if (isAfterStart(told, found)) return true;
  if (told.description) return false;
  // “Put the bead on, then the lead”, “Bead, then 12 turns of lead”: no bead is wound.
  if ((told.verb === "seat" || (told.role === "bead" && !told.isInherited)) && formSaid(found) === "weight wire")
    return true;
  // “pearl rib, black floss body”: what is followed by a part of its own is not the rib's.
  const isOfNextPart =
    !atHead &&
    !told.isInherited &&
    told.role !== undefined &&
    /,\s*$/.test(text.slice(0, at)) &&
    partRead(text, skip(text, found.end)) !== undefined;
  // “Wrap to the thorax, wire over it five turns”: the wire goes over what is wrapped.
  // “Tie in the hackle by its tip and the yarn”: of what no hackle is made, that is told by itself.
  // “Wind to 60% and varnish”: that is done to what was wound.
  const isCoat = told.verb === "wind" && formSaid(found) === "liquid" && /\band\s+$/.test(text.slice(0, at));
  const isTiedToo = told.verb === "tie in" && isNamedApart(told, found) && /\band\s+$/.test(text.slice(0, at));
  return isOfNextPart || isTiedToo || isCoat || (told.verb === "wind" && windsOverIt.test(text.slice(begin - 2)));
}
/** Whether a clause that names its part comes to what another part is made of. */
const isNamedApart = (told: Told, found: Description): boolean => {
  const form = formSaid(found);
  const role = form && usualRole(form);
  return told.role !== undefined && !told.isInherited && role !== undefined && role !== told.role;
};

/** “Fold the fibres over the herl”: what it is folded over. */
const isTakenOver = (m: Mention): boolean => m.told.verb === "take over" && /\bover\s+(?:the\s+)?$/.test(lead(m, 12));

/** “Wind the hackle in five turns over the chenille”: where it goes. */
function isWoundOver(m: Mention): boolean {
  const { told, found, atHead } = m;
  if (atHead || told.description || told.kind !== "wind" || !isNamedApart(told, found) || !isAcross(m)) return false;
  told.said.over = found.text.trim();
  return true;
}

/** What is tied down with thread and never made of it. */
const laid = new Set<Role>(["weight", "eyes", "wing case", "legs", "tail", "wing"]);
/** “secured at the bend with the red thread”: whatever is tied is tied with thread. */
const isTiedWith = (m: Mention): boolean =>
  (m.told.description !== undefined || (m.told.role !== undefined && laid.has(m.told.role))) &&
  (m.told.kind === "lay" || m.told.kind === "wind") &&
  formSaid(m.found) === "thread" &&
  /\b(?:with|by|using)\s+(?:the\s+|your\s+)?$/.test(lead(m, 12));

/** The first material of a clause is what it is of, and may say for which part. */
function takeStuff(mention: Mention, isOne: boolean): Next {
  const { told, text, atHead } = mention;
  const isOfEyes = atHead && isStuffOfEyes(told, mention.found);
  const found = isOfEyes ? { ...mention.found, exact: undefined, means: { form: "eyes" as const } } : mention.found;
  const m = { ...mention, found };
  const form = formSaid(m.found);
  // “Give the quill a coat of resin”: what it is put on comes first.
  if (told.verb === "finish" && form !== "liquid" && coatBehind.test(text.slice(found.end))) {
    told.onto = found;
    return understand(m);
  }
  if (told.kind === "whip" && form === "liquid") return "another";
  // “Eight wraps of lead wire, pushed into the bead”: the bead only says where.
  if (form === "weight wire" && (told.role === undefined || told.part === "underbody")) told.role = "weight";
  // “2 mm of chartreuse bucktail”, “2 mm olive bucktail”: of hair that is how thick the bunch is.
  const thick =
    form === "hair" && told.kind === "lay" && !told.said.amount ? /^(\d+(?:[.,]\d+)?)\s*mm\s+/.exec(found.text) : null;
  if (thick) told.said.amount = { clump: { mm: Number((thick[1] ?? "").replace(",", ".")) } };
  told.description = thick ? { ...found, text: found.text.slice(thick[0].length) } : found;
  if (told.kind === "lay") {
    // “a golden crest feather” is one.
    const noun = (found.text.split(",")[0] ?? "").toLowerCase().trim();
    const isFeather = isOne && /\b(?:feather|plume|hackle|tip|crest|flat)$/.test(noun);
    if (isFeather && told.said.amount === undefined && !/\bfibres?\b/.test(text.slice(found.end, found.end + 10)))
      amountOf(told.said, { n: 1 }, "feathers");
    if (told.role === undefined && found.means?.role)
      Object.assign(told, { role: found.means.role, part: found.means.part });
  }
  settleRole(told, found, form, atHead);
  return understand(m);
}

const coatBehind =
  /^\s*(?:an?|one|two|three|\d)\s+(?:(?:thin|light|good|heavy|final|clear|single|more)\s+)*(?:coats?|layers?|drops?|lick)\b/;

/** The part again, by what it is of: a line about the tail that goes on with flash has come to another part. */
function settleRole(told: Told, found: Description, form: MaterialForm | undefined, atHead: boolean): void {
  const own = roleOfItsOwn[form ?? "hook"];
  // “Weight: bead-chain eyes”: what weighs is a part of its own.
  if (form === "eyes" && told.role === "weight") Object.assign(told, { role: "eyes", part: "eyes" });
  // Glue in a line about the eyes is what holds them, and no coat of the head.
  const isHolding = form === "liquid" && told.role === "eyes" && /glue|adhesive|cyano/.test(found.text);
  if (!atHead && own && !isHolding && told.role !== undefined && told.role !== own && told.isInherited)
    Object.assign(told, { role: own, part: undefined });
  // “thread red 140, 50 mm of chenille tied in”: what is no thread is no part of it.
  if (told.isInherited && told.role === "thread" && form !== undefined && form !== "thread")
    Object.assign(told, { role: undefined, part: undefined, isInherited: false });
}

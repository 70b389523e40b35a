import { deepCopy } from "../copy";
import { formSaid } from "../description";
import { type Told, type ScanContext, looseLeft } from "../told";
import { type Head, listedAt } from "./heads";
import type { MaterialForm } from "../../materials";
import { putRule, type Kind } from "../said";
import { madeReadyAt } from "../madeReady";
import { leadOf, verbBehindPlace, verbLead } from "./lead";
import { hasContent, isBegun, isPast } from "./here";
import type { VerbId } from "../verbs";
import { isMoreThanVerb } from "./stuff";
import { coatsAhead } from "./another";
import { skipBlanks as skip } from "../parse";
import { endOfSentence, stopsHere, joins } from "./bounds";
import { settleKind } from "./kind";
import { step } from "./step";
import { A_COUNT } from "../text/number";

export const fresh = (at: number): Told => ({
  at,
  end: at,
  kind: "act",
  said: {},
  alternates: [],
  understood: [],
  kept: [],
  loose: [],
  rest: [],
});

/** A clause that is to be read: where it stands, and what is known of it. */
interface ClauseAt {
  text: string;
  from: number;
  to: number;
  head: Head;
  context: ScanContext;
  /** It is the first of its line, behind the name of its part. */
  atHead: boolean;
  /** It is read again, as one of this kind. */
  given?: Kind;
}
interface VerbSpan {
  id: VerbId;
  at: number;
  end: number;
}

/** One clause from a place on: what is told up to where another thing begins. */
export function scanOne(
  text: string,
  from: number,
  to: number,
  head: Head,
  context: ScanContext,
  atHead: boolean,
  given?: Kind,
): Told {
  const clause = { text, from, to, head, context, atHead, given };
  // “Comb out the underfur”, “cut the fur from the strip”: whatever its verb, nothing is tied in.
  const ready = given === undefined ? madeReadyAt(text, leadOf(text, from, to)) : undefined;
  if (ready) {
    const told = fresh(from);
    told.kept.push({ at: leadOf(text, from, to), end: ready.end });
    return close(told, ready.end);
  }
  const behind = given === undefined && !atHead ? verbBehindPlace(text, from, to) : undefined;
  const lead = behind ?? (given === undefined ? verbAhead(clause) : undefined);
  const told = begun(clause, lead);
  const begin = lead && !behind ? lead.end : from;
  if (given === undefined) settleKind(told, text, begin, to, context);
  else told.kind = given;
  return readOn(clause, told, begin, behind);
}

/** The verb that a clause begins with; “Eyes: melted mono” says what they are made of, and not what is done. */
function verbAhead({ text, from, to, atHead, context }: ClauseAt): VerbSpan | undefined {
  const verb = verbLead(text, from, to);
  const isNoun = verb?.id === "act" && (atHead || isPast.test(text.slice(verb.at, verb.end)));
  return isNoun && isMoreThanVerb(text, verb, context) ? undefined : verb;
}

/** What is told before a word behind the verb is read: the verb, and the part that the line is about. */
function begun({ text, from, to, head, atHead, given }: ClauseAt, lead: VerbSpan | undefined): Told {
  const told: Told = {
    ...fresh(from),
    role: head.role,
    part: head.part,
    isInherited: !atHead && head.role !== undefined,
  };
  if (lead) {
    told.verb = lead.id;
    told.understood.push({ at: lead.at, end: lead.end });
  } else if (given === undefined) {
    const isCoat = (!atHead || head.role === "head") && coatsAhead(text, skip(text, from));
    told.verb = isCoat ? "finish" : head.verb;
  }
  const own = text.slice(from, endOfSentence(text, from, to));
  // “Shellback: clear strip, 6 turns of mono to rib it”: the mono is no part of the back.
  const isRibOfCover =
    told.isInherited &&
    (toRibAhead.test(own) ||
      (told.role === "wing case" && turnsOfWire.test(own)) ||
      (told.role === "body" && theWireOver.test(own)));
  // What is ribbed is not what it is ribbed with.
  const isRibbing =
    lead?.id === "wind" && /\b(?:rib|segment|reinforce|strengthen|overwind)/.test(text.slice(lead.at, lead.end));
  if (isRibOfCover || (isRibbing && (told.role === undefined || told.isInherited)))
    Object.assign(told, { role: "rib", part: "rib", isInherited: false });
  // “Palmer the body with a brown hackle”
  const isPalmered = lead?.id === "wind" && /^palmer\b/.test(text.slice(lead.at, lead.end));
  const isBodyBefore = told.isInherited && (told.role === "body" || told.role === "thorax");
  if (isPalmered && (/\bwith$/.test(text.slice(lead.at, lead.end)) || isBodyBefore))
    Object.assign(told, { role: "hackle", part: "palmer", isInherited: false });
  return told;
}

/** Reads on, word by word, to where the clause ends. */
function readOn(clause: ClauseAt, begun: Told, begin: number, behind: VerbSpan | undefined): Told {
  const { text, to, context, atHead, given } = clause;
  const isGiven = given !== undefined;
  let told = begun;
  let place = begin;
  /** The last place at which another clause may begin, with what was told up to it. */
  let boundary: { told: Told; at: number } | undefined;
  let canBeNoun = atHead;
  while (place < to) {
    // The verb that stands behind its place is read already.
    if (behind && place >= behind.at && place < behind.end) {
      place = behind.end;
      continue;
    }
    const stop = stopsHere(text, place);
    if (stop === "sentence" && isBegun(told)) return close(told, place + 1);
    if (stop === "clause") {
      if (!isGiven && hasContent(told) && /[;,]/.test(text[place] ?? "") && listedAt(text, place + 1, atHead))
        return close(told, place + 1);
      // What stands behind a colon is the material, whatever it is called.
      if (text[place] === ":" && told.description === undefined) canBeNoun = true;
      boundary = { told: copyOf(told), at: place + 1 };
    }
    if (stop || /\s|["/]/.test(text[place] ?? "")) {
      place++;
      continue;
    }
    const next = step({ told, text, at: place, to, context, canBeNoun: canBeNoun && !isGiven, isGiven });
    canBeNoun = false;
    if (next === "verb") return close(told, place);
    if (next === "another") {
      const isBehindStuff = boundary && boundary.at > (told.description?.end ?? 0);
      return boundary && isBehindStuff ? close(boundary.told, boundary.at) : close(told, place);
    }
    if (joins(text, place) && next.end > place) boundary = { told: copyOf(told), at: next.end };
    told = next.told;
    place = next.end;
  }
  return close(told, to);
}

export const copyOf = (t: Told): Told => ({
  ...t,
  said: deepCopy(t.said),
  alternates: [...t.alternates],
  understood: [...t.understood],
  kept: [...t.kept],
  loose: [...t.loose],
  rest: t.rest.map((r) => ({ ...r })),
});

/** “teal feathers, one each side”: of whole feathers so many are feathers, and a pair has two sides. */
function withFeathers({ kind, said: spoken, description }: Told): Told["said"] {
  const noun = (description?.text.split(",")[0] ?? "").toLowerCase().trim();
  const form = formSaid(description);
  // “Turkey tail slip, 4 mm”: of slips that is how wide they are.
  const isCounted = form !== "quill" || spoken.count !== undefined;
  const isCut = /\b(?:slips?|sections?)$/.test(noun) || (form === "feather fibre" && /\bstrips?$/.test(noun));
  const isSlip = kind === "lay" && isCut && !spoken.amount && isCounted;
  const said = isSlip ? { ...spoken, isSlips: true } : spoken;
  // “three pairs of brown rubber”: strands come in no pairs of feathers.
  if (kind === "lay" && (form === "rubber" || form === "flash") && said.amount && "feathers" in said.amount)
    return { ...said, amount: { strands: said.amount.feathers, folded: false } };
  // “biots, a pair”, “a pair of guard hairs”: two fibres, no feathers.
  if (kind === "lay" && (/biots?$/.test(noun) || form === "hair") && said.amount && "feathers" in said.amount)
    return { ...said, amount: { fibres: said.amount.feathers } };
  // “two strips of goose biot”: each is one of its fibres.
  if (kind === "lay" && /biots?$/.test(noun) && said.isSlips && said.count !== undefined && !said.amount)
    return { ...said, amount: { fibres: said.count }, count: undefined, isSlips: undefined };
  // “a goose biot each side”: of what is named as one, one.
  // “One mallard flank each side”, “two teal flanks”: feathers, of which one is called so.
  const { amount } = said;
  const few = amount && "fibres" in amount && typeof amount.fibres === "number" ? amount.fibres : 0;
  const areFlanks =
    (few === 1 && said.perSide && /(?:flank|covert|breast)$/.test(noun)) ||
    (few > 0 && /(?:flanks|coverts)$/.test(noun));
  if (kind === "lay" && areFlanks) return { ...said, amount: { feathers: few } };
  const one =
    said.perSide && !said.amount && said.count === undefined ? oneOf.find(([of]) => of.test(noun)) : undefined;
  if (kind === "lay" && one) return { ...said, amount: one[1] };
  if (
    kind !== "lay" ||
    said.amount ||
    !said.count ||
    !said.round ||
    !/(?:feathers?|plumes?|hackles?|nails?|flanks?|coverts?)$/.test(noun)
  )
    return said;
  return { ...said, amount: { feathers: said.count, ...(said.count % 2 === 0 && { paired: true }) }, count: undefined };
}

const oneOf: readonly [RegExp, NonNullable<Told["said"]["amount"]>][] = [
  [/\b(?:biot|fib(?:re|er)|barb|hair)$/, { fibres: 1 }],
  [/\b(?:strand|herl)$/, { strands: 1, folded: false }],
  [/\b(?:feather|plume|nail|flank|covert|breast)$/, { feathers: 1 }],
];

/** “Throat: 6 fibres at the throat”: its own place is none. */
function withoutOwnPlace({ role, said }: Told): void {
  const { there } = said;
  if (role === "throat" && there && "part" in there && there.part === "throat") delete said.there;
}

/** What is counted by the piece, and wound together. */
const inPieces = new Set<MaterialForm | undefined>(["herl", "feather fibre"]);
/** “In open turns, 5 of them”, “peacock herl, 3 of them”: turns of it, or so many that are wound together. */
function countOfThem(said: Told["said"], form: MaterialForm | undefined): void {
  const { ofThem } = said;
  if (!ofThem) return;
  delete said.ofThem;
  if (inPieces.has(form)) said.rope ??= ofThem.n;
  else {
    putRule(said, { turns: ofThem.n });
    if (ofThem.spread) said.spread = ofThem.spread;
  }
}

const close = (told: Told, end: number): Told => {
  withoutOwnPlace(told);
  const said = withFeathers(told);
  const { means } = told.description ?? {};
  // “a 3 mm strip of scud back”: what has but one use is for that.
  const use =
    told.role === undefined && told.kind === "lay" && means?.role ? { role: means.role, part: means.part } : undefined;
  const form = told.description?.exact?.form ?? means?.form;
  countOfThem(said, form);
  // “Rib of gold wire, and primrose floss for the body”: of floss that is the part, and no second use of it.
  const isForBody = told.isInherited && said.isBodyToo && form !== undefined && form !== "thread";
  const body = isForBody ? { role: "body" as const, part: "body", isInherited: false } : undefined;
  if (isForBody) delete said.isBodyToo;
  // “Bead on hook, thread behind it”: of thread there is no bead.
  const isOther = (told.role === "bead" && form === "thread") || (told.role === "thread" && form === "bead");
  const other = isOther ? { role: undefined, part: undefined } : undefined;
  // “…, 6 turns and held with fine wire”: what holds a hackle is no hackle.
  const holds =
    told.isInherited && (told.role === "hackle" || told.role === "collar") && form === "wire"
      ? { role: "rib" as const, part: "rib" }
      : undefined;
  return { ...told, ...use, ...other, ...holds, ...body, end, said, loose: looseLeft(told.loose, told.said) };
};

/** “Back of pearl plastic, six wraps of fine wire over it”: what is wound in a cover's line is its rib. */
const turnsOfWire = new RegExp(
  `^\\W*(?:and\\s+|with\\s+)?${A_COUNT}\\s+(?:(?:open|even|spaced|spiral)\\s+)*(?:turns|wraps)\\s+of\\s+(?:[\\w.-]+\\s+){0,3}(?:wire|oval|tinsel|mono)\\b`,
);

/** “Body: herl. Then the wire counter-wound in 4 turns”: what goes over a body is its rib. */
const theWireOver =
  /^\W*(?:(?:and|then|with|finally)\s+)*(?:the\s+)?(?:[\p{L}]+\s+){0,2}?(?:wire|oval)\s+(?:is\s+)?(?:(?:then\s+)?(?:counter-?\s?wound|reversed|crossed|wound\s+the\s+other\s+way)|(?:wound\s+)?over\s+(?:it|that|them))\b/u;

const toRibAhead = /\bto\s+rib\b/;

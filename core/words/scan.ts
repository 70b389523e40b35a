import { isColour, isSpooled, type MaterialForm } from "../materials";
import type { Role } from "../recipe";
import { beginningAt, hackleClauses, boundInClauses, clausesOf, kindOf } from "./clauses";
import { amountOf } from "./clauses/lay";
import { reasonAt } from "./lexicon/reasons";
import { FILLER, isStop, MANNER } from "./lexicon/stops";
import { after } from "./lexicon/nouns";
import { PARTS_WITHIN as PARTS, roleOfWord } from "./lexicon/parts";
import { CabinetIndex } from "./cabinet";
import { bareCount, countedAt, sameDescription } from "./counted";
import { looseAt } from "./loose";
import {
  asHair,
  colourAndNumber,
  colourOfBunch,
  colourOfPiece,
  dubbedOf,
  flashOf,
  impliedBy,
  isAfterStart,
  isShadedColour,
  bothHackles,
  isHackleRole,
  colourOfThread,
  labelOf,
  roleOfItsOwn,
  shapeOf,
  slipOf,
  upperOf,
} from "./named";
import { descriptionAt, inShares, type Description } from "./description";
import { bareEyes, bareGauge, eyeSize, isTurnsAlone, ofInch } from "./bareFigures";
import { preparing, preparingFur, strippedSide } from "./madeReady";
import { anyOf, map, match, oneOf, seq, skipBlanks as skip, words, type Reader } from "./parse";
import type { Clause, Kind, Said } from "./said";
import { count as countRead } from "./text/count";
import { NUMBER_WORD } from "./text/number";
import { lengthReaching, LONGER, SHORTER } from "./text/length";
import { placeBeside, placeReached } from "./text/place";
import { sharesInFigures } from "./text/shares";
import { looseLeft, type Next, type ScanContext, type Told } from "./told";
import { participleAt, verbAt, verbGoingOnAt, type VerbId } from "./verbs";

const article = match("(?:the|a|an|some|this|that|your|any)\\s+");
const filler = words(FILLER);
const manner = words(MANNER);
/** Of what is wound: how long its barbs are, in words that measure nothing. */
const loosely = words("taper(?:ed|ing)|(?:(?:long|short|soft|stiff|webby)\\s*(?:,|and)?\\s*)+(?=[,.;]|$)");
const bracketed = /\[[^\]]*\]/y;
const blank = /[\s,;:.()"!?/]+/y;
const pronoun = oneOf<Told["refers"]>(
  map(
    words(
      "(?:the\\s+)?(?:(?<=[:]\\s*(?:the\\s+)?)tail\\s+(?:fibres?|butts?)(?=\\s+(?:wound|wrapped|carried|brought|taken|twisted))|rest|remainder|remaining\\s+(?:fibres?|ends?|butts?)|butts?(?:\\s+ends?)?|tag\\s+ends?)(?:\\s+of\\s+(?:the\\s+|these\\s+|it|them)?(?:same\\s+)?(?:tail\\s+)?(?:fibres?|herls?|feathers?|plumes?|marabou|bunch|hair|foam|bundle|tail)?)?",
    ),
    () => "the rest" as const,
  ),
  map(
    words(
      "(?:the\\s+|these\\s+|those\\s+)?same\\s+(?:[\\w-]+\\s+){0,2}(?:fibres?|fibers?|strands?|barbs|herls)(?=\\s+(?:are\\s+)?(?:wound|wrapped|carried|brought|taken|twisted)\\b)|(?:the\\s+|these\\s+|those\\s+)?same(?:\\s+(?:tail\\s+)?(?:fibres?|bundle|feather|bunch|material|stuff))",
    ),
    () => "the same" as const,
  ),
  map(
    words(
      "it|them|they|both|these|those|(?<=\\b(?:turns?|wraps?)\\s+of\\s+)(?:that|this)|(?:that|this)(?=\\s+(?:to|up|forwards?|back|over|around|round|down|all|in)\\b)",
    ),
    () => "it" as const,
  ),
);
/** “twice as thick as the body” compares, and makes no body. */
const asPart: Reader<string> = (text, at) =>
  /\bas\s+\w+\s+$|\bsame\s+\w+\s+$/.test(text.slice(Math.max(0, at - 20), at)) ? undefined : asPartRead(text, at);
const asPartRead: Reader<string> = map(
  seq(
    words(
      "(?:for|as|to\\s+(?:form|make|build|represent|suggest|give|be)|forms?|makes?|making|forming)(?:\\s+(?:a|an|the|its))?(?:\\s+(?:small|neat|short|long|tidy|slim|full|sparse|the))?",
    ),
    match(`(${PARTS}|(?<=\\b(?:for|as)\\s+(?:the|a)\\s+)back(?=\\s*(?:[,.;]|$|and\\b)))`),
  ),
  ([, [w]]) => w ?? "",
);
const partRead = match(`(?:the\\s+|a\\s+|an\\s+|its\\s+)?(${PARTS})(?!\\s*(?:fibres|wire))`);

const kindOfVerb: Partial<Record<VerbId, Kind>> = {
  seat: "seat",
  start: "wind",
  move: "wind",
  change: "thread",
  wind: "wind",
  dub: "dress",
  "take over": "lay",
  carry: "wind",
  hold: "lay",
  prepare: "act",
  whip: "whip",
  finish: "glue",
  glue: "glue",
  act: "act",
  "no finish": "act",
  excess: "act",
};

/** Which clauses belong to what is told; the form is that of its material, where one is named. */
export function kindOfTold(
  verb: VerbId | undefined,
  role: Role | undefined,
  form: MaterialForm | undefined,
  text: string,
): Kind {
  if (verb === "hold" && (form === "wire" || form === "tinsel")) return "wind";
  if (verb === "wind" && (form === "dubbing" || form === "blend")) return "dress";
  if (verb === "tie in") return form === "bead" || form === "eyes" ? "seat" : form === "liquid" ? "glue" : "lay";
  if (verb !== undefined && verb in kindOfVerb) return kindOfVerb[verb] as Kind;
  return kindOf(text, role, form);
}

const fresh = (at: number): Told => ({
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

/** Where a clause of the line may end: a sentence always ends there. */
const stopsHere = (text: string, at: number): "sentence" | "clause" | undefined => {
  const c = text[at];
  // “0.025 in. lead”: the stop of a unit ends no sentence.
  if (c === "." && /\d\s*(?:in|den)$/.test(text.slice(Math.max(0, at - 12), at)) && /^\.\s+[a-z]/.test(text.slice(at)))
    return undefined;
  if (c === "." || c === "!" || c === "?") return /\s/.test(text[at + 1] ?? " ") ? "sentence" : undefined;
  if (c === ";" || c === "," || c === "(" || c === ")" || c === ":") return "clause";
  if (c === "-" && /\s/.test(text[at - 1] ?? "") && /\s/.test(text[at + 1] ?? "")) return "clause";
  return undefined;
};
const joins = words("\\+|and|then|with|plus|over|under|beside|but|before|after|while");

const isMoreOf = (told: Told, before: Told | undefined): boolean =>
  before?.kind === "lay" &&
  told.verb === undefined &&
  told.refers === "it" &&
  told.description === undefined &&
  told.role === undefined;

/** What a line, or a part of it, begins with. */
interface Head {
  role?: Role;
  part?: string;
  /** Told before for this, too. */
  verb?: VerbId;
}

/** What is told between two places of a line, one thing after another. */
export function scan(text: string, from: number, to: number, head: Head, context: ScanContext, given?: Kind): Told[] {
  const all: Told[] = [];
  let at = from;
  let isFirst = true;
  let ends = to;
  while (at < to) {
    if (at > ends) [head, ends] = [{}, to];
    const own = given === undefined && at > from ? listedAt(text, at, head.role !== undefined) : undefined;
    if (own) {
      all.push(scanOne(text, own.begin, to, own, context, true));
      isFirst = false;
      at = all[all.length - 1]?.end ?? to;
      head = own;
      // “For the tail, …” is about the tail as far as its sentence goes.
      ends = own.isSentence ? endOfSentence(text, own.begin, to) : to;
      continue;
    }
    const ribbed = given === undefined ? ribbedWith(text, skip(text, at)) : undefined;
    const told = ribbed
      ? scanOne(text, ribbed.end, to, { role: "rib", part: "rib" }, context, true)
      : scanOne(
          text,
          at,
          to,
          isFirst ? head : inherited(head, all[all.length - 1], text, at),
          context,
          isFirst && head.role !== undefined,
          given,
        );
    isFirst = false;
    const before = all[all.length - 1];
    // “Tie in ten fibres. They should be as long as the shank”: said of what was laid.
    if (isMoreOf(told, before)) told.said = scanOne(text, at, told.end, {}, context, false, "lay").said;
    // “Twist the rest of the fibres and wind them forward”: they are the rest.
    if (told.refers === "it" && before?.refers === "the rest") told.refers = "the rest";
    if (told.end <= at) break;
    at = told.end;
    const isEmpty =
      told.understood.length + told.rest.length + told.loose.length + told.kept.length === 0 && told.verb === undefined;
    if (!isEmpty) all.push(told);
  }
  return all;
}

const sentenceOfPart = new RegExp(`^\\s*(?:[\\p{L}-]+\\s+){0,2}(${PARTS})\\s*(?:[.;]|$)`, "u");
/**
 * A line that began with a part goes on about it, until it names another; “tie in the wire and a hackle” ties both in.
 */
function inherited(head: Head, last: Told | undefined, text: string, at: number): Head {
  // “Cheeks: jungle cock. Black head.”: a sentence of its own is about the part that it names.
  const own = /[.;]\s*$/.test(text.slice(0, at)) ? sentenceOfPart.exec(text.slice(at))?.[1] : undefined;
  if (last && own !== undefined) return { role: roleOfWord(own), part: own };
  const verb =
    last?.verb === "tie in" && last.description && /(?:\band|\bplus|&)(?:\s+then)?\s*$/.test(text.slice(last.at, at))
      ? last.verb
      : undefined;
  return { ...(head.role === undefined || last === undefined ? {} : { role: head.role, part: head.part }), verb };
}

function scanOne(
  text: string,
  from: number,
  to: number,
  head: Head,
  context: ScanContext,
  atHead: boolean,
  given?: Kind,
): Told {
  let told = fresh(from);
  let place = from;
  let boundary: { told: Told; at: number } | undefined;
  // “Comb out the underfur”, “cut the fur from the strip”: whatever its verb, nothing is tied in.
  const ready = given === undefined ? preparingFur(text, leadOf(text, from, to)) : undefined;
  if (ready) {
    told.kept.push({ at: leadOf(text, from, to), end: ready.end });
    return close(told, ready.end);
  }
  const behind = given === undefined && !atHead ? verbBehindPlace(text, from, to) : undefined;
  const verb = behind ?? (given === undefined ? verbLead(text, from, to) : undefined);
  // “Eyes: melted mono”: what it is made of, and not what is done.
  const isNoun = verb?.id === "act" && (atHead || isPast.test(text.slice(verb.at, verb.end)));
  const lead = isNoun && isMoreThanVerb(text, verb, context) ? undefined : verb;
  if (lead) {
    told.verb = lead.id;
    told.understood.push({ at: lead.at, end: lead.end });
    if (!behind) place = lead.end;
  } else if (given === undefined && (!atHead || head.role === "head") && coatsAhead(text, skip(text, from)))
    told.verb = "finish";
  else if (given === undefined) told.verb = head.verb;
  told.role = head.role;
  told.part = head.part;
  told.isInherited = !atHead && head.role !== undefined;
  // “Shellback: clear strip, 6 turns of mono to rib it”: the mono is no part of the back.
  const ownWords = text.slice(from, endOfSentence(text, from, to));
  if (told.isInherited && (toRibAhead.test(ownWords) || (told.role === "wing case" && turnsOfWire.test(ownWords))))
    Object.assign(told, { role: "rib", part: "rib", isInherited: false });
  // What is ribbed is not what it is ribbed with.
  if (
    lead?.id === "wind" &&
    (told.role === undefined || told.isInherited) &&
    /\brib/.test(text.slice(lead.at, lead.end))
  )
    Object.assign(told, { role: "rib", part: "rib", isInherited: false });
  if (given === undefined) settleKind(told, text, place, to, context);
  else told.kind = given;
  let canBeNoun = atHead;
  while (place < to) {
    if (behind && place >= behind.at && place < behind.end) {
      place = behind.end;
      continue;
    }
    const stop = stopsHere(text, place);
    if (stop === "sentence") {
      if (hasContent(told) || told.kept.length > 0) return close(told, place + 1);
      place++;
      continue;
    }
    if (
      stop === "clause" &&
      (text[place] === ";" || text[place] === ",") &&
      given === undefined &&
      hasContent(told) &&
      listedAt(text, place + 1, atHead)
    )
      return close(told, place + 1);
    if (stop === "clause") {
      // What stands behind a colon is the material, whatever it is called.
      if (text[place] === ":" && told.description === undefined) canBeNoun = true;
      boundary = { told: copyOf(told), at: place + 1 };
      place++;
      continue;
    }
    if (/\s|["/]/.test(text[place] ?? "")) {
      place++;
      continue;
    }
    const next = step(told, text, place, to, context, canBeNoun && given === undefined, given !== undefined);
    canBeNoun = false;
    if (next === "verb") return close(told, place);
    if (next === "another") {
      if (boundary && boundary.at > (told.description?.end ?? 0)) return close(boundary.told, boundary.at);
      return close(told, place);
    }
    if (joins(text, place) && next.end > place) boundary = { told: copyOf(told), at: next.end };
    told = next.told;
    place = next.end;
  }
  return close(told, to);
}

/** What was said is plain data: copied by hand, as that is done at every comma and a general clone takes its time. */
function deepCopy<T>(value: T): T {
  if (Array.isArray(value)) return value.map((v: unknown) => deepCopy(v)) as T;
  if (value === null || typeof value !== "object") return value;
  const copy: Record<string, unknown> = {};
  for (const [key, v] of Object.entries(value)) copy[key] = deepCopy(v);
  return copy as T;
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
function withFeathers({ kind, said, description }: Told): Told["said"] {
  const noun = (description?.text.split(",")[0] ?? "").toLowerCase().trim();
  const form = description?.exact?.form ?? description?.means?.form;
  // “three pairs of brown rubber”: strands come in no pairs of feathers.
  if (kind === "lay" && (form === "rubber" || form === "flash") && said.amount && "feathers" in said.amount)
    return { ...said, amount: { strands: said.amount.feathers, folded: false } };
  // “biots, a pair”: two fibres, no feathers.
  if (kind === "lay" && /biots?$/.test(noun) && said.amount && "feathers" in said.amount)
    return { ...said, amount: { fibres: said.amount.feathers } };
  if (
    kind !== "lay" ||
    said.amount ||
    !said.count ||
    !said.round ||
    !/(?:feathers?|plumes?|hackles?|nails?)$/.test(noun)
  )
    return said;
  return { ...said, amount: { feathers: said.count, ...(said.count % 2 === 0 && { paired: true }) }, count: undefined };
}

const close = (told: Told, end: number): Told => {
  const said = withFeathers(told);
  const { means } = told.description ?? {};
  // “a 3 mm strip of scud back”: what has but one use is for that.
  const use =
    told.role === undefined && told.kind === "lay" && means?.role ? { role: means.role, part: means.part } : undefined;
  const form = told.description?.exact?.form ?? means?.form;
  // “Bead on hook, thread behind it”: of thread there is no bead.
  const other = told.role === "bead" && form === "thread" ? { role: undefined, part: undefined } : undefined;
  return { ...told, ...use, ...other, end, said, loose: looseLeft(told.loose, told.said) };
};
const hasContent = (t: Told): boolean =>
  t.verb !== undefined || t.understood.length > 0 || t.rest.length > 0 || t.loose.length > 0;

/** Where a clause begins, behind words that only lead to it. */
function leadOf(text: string, from: number, to: number): number {
  let at = skip(text, from);
  for (let n = 0; n < 8 && at < to; n++) {
    const lead = leadIn(text, at);
    if (!lead) return at;
    at = skip(text, lead.end);
  }
  return at;
}

/** A verb at the head of a clause, after words that only lead to it. */
function verbLead(text: string, from: number, to: number): { id: VerbId; at: number; end: number } | undefined {
  let at = from;
  for (let n = 0; n < 8 && at < to; n++) {
    blank.lastIndex = at;
    if (blank.exec(text)) at = blank.lastIndex;
    const verb = actionAt(text, at);
    if (verb) return { id: verb.id, at, end: verb.end };
    const skip = leadIn(text, at);
    if (!skip) return undefined;
    at = skip.end;
  }
  return undefined;
}
const placeAhead = seq(
  words(
    "(?:just\\s+|right\\s+|now\\s+|then\\s+|and\\s+)*(?:at|near|by|on|in|over|behind|above|opposite|from|starting\\s+(?:at|from))(?=\\s)",
  ),
  placeReached,
);
const onSides = words(`on\\s+(?:each|either|both|the\\s+(?:near|far))\\s+sides?(?:\\s+of\\s+the\\s+(?:${PARTS}))?`);
/** “At the bend tie in a bunch”: the place first, and then what is done there. */
function verbBehindPlace(text: string, from: number, to: number): { id: VerbId; at: number; end: number } | undefined {
  const at = skip(text, from);
  const where = placeAhead(text, at) ?? placeBeside(text, at) ?? onSides(text, at);
  if (!where) return undefined;
  const next = skip(text, where.end + (text[where.end] === "," ? 1 : 0));
  const verb = next < to ? verbAt(text, next) : undefined;
  return verb && { id: verb.id, at: next, end: verb.end };
}
const leadIn = words(
  anyOf(
    "i\\s+tie\\s+(?:this|these|mine|it|(?:my|our|the)\\s+(?:[a-z]+\\s+){0,2}(?:fly|flies))(?:\\s+(?:one|fly))?(?:\\s+on)?(?=\\s)",
    "(?:start|begin)(?:\\s+off)?\\s+(?:with|by)(?=\\s)",
    "(?:still\\s+)?(?:with|using)\\s+(?:the\\s+)?(?:same\\s+)?(?:tying\\s+)?(?:thread|silk)(?=,?\\s+(?:dub|tie|bind|catch|wind|wrap|form|build|secure)\\b)",
    "(?:got|going\\s+to|gonna|want\\s+to)(?=\\s)",
    "and",
    "then",
    "now",
    "next",
    "finally",
    "lastly",
    "first",
    "to\\s+finish",
    "after\\s+that",
    "also",
    "so",
    "just",
    "carefully",
    "neatly",
    "i",
    "you",
    "we",
    "let's",
    "please",
    "again",
    "here",
    "once\\s+(?:it\\s+is\\s+)?(?:dry|cured)",
  ),
);

function settleKind(told: Told, text: string, at: number, to: number, context: ScanContext): void {
  const isPlain = told.role === undefined && told.verb === undefined;
  const found =
    (isPlain ? colourAndNumber(text, skip(text, at)) : undefined) ?? lookAhead(text, at, to, context.index, told.role);
  const form0 = found?.exact?.form ?? found?.means?.form;
  // “Head: 8 turns, one coat of lacquer”: the coat is another thing than the head.
  const ahead =
    form0 === "liquid" &&
    told.verb === undefined &&
    told.role !== "finish" &&
    /\d|\b(?:turns?|wraps?|thread|silk|whip)\b/.test(text.slice(at, found?.at ?? at))
      ? undefined
      : found;
  const sentence = text.slice(at, endOfPart(text, at, endOfSentence(text, at, to)));
  // “Collar: two fibres each side as feelers, and a turn of partridge”: the first is another part than the line.
  const other = told.role && forRole.exec(sentence.split(/[,;]/)[0] ?? "")?.[1];
  const role =
    (other === undefined ? undefined : roleOfWord(other)) ?? told.role ?? roleAhead(sentence) ?? ahead?.means?.role;
  const form = ahead
    ? (ahead.exact?.form ?? context.formOf(undefined, ahead) ?? ahead.means?.form)
    : role === "eyes" &&
        (/^(?:bead|chain|dumb|bar-?bell)/.test(told.part ?? "") || eyeSize(text, skip(text, at)) !== undefined)
      ? "eyes"
      : context.formOf(role, undefined);
  told.kind = kindOfTold(told.verb, role, form, sentence);
}
const forRole = new RegExp(
  `\\b(?:for|(?<!(?:direction|way|colour|color|place|length|long|wide|thick|same|tall|high|much|far)\\s)as|to\\s+(?:form|make|represent))\\s+(?:a|an|the)?\\s*(${PARTS})(?![\\p{L}])`,
  "u",
);
/** “… for the wing”: the part that a clause comes to at its end. */
const roleAhead = (sentence: string): Role | undefined =>
  roleOfWord(forRole.exec(sentence)?.[1] ?? bareRole.exec(sentence)?.[1] ?? partOf.exec(sentence)?.[1] ?? "");
/** “I like a tail of red wool”. */
const partOf =
  /^\W*(?:[\p{L}']+\s+){0,3}?an?\s+(?:[\p{L}-]+\s+)?(tail|tag|wing|throat|beard|collar|hackle|rib|body|butt|thorax)\s+of\s/u;
/** “ten fibres, tail, as long as the body”: the part alone, between commas. */
const bareRole = new RegExp(`,\\s*(?:the\\s+)?(${PARTS})\\s*(?:,|$)`, "u");
function endOfSentence(text: string, at: number, to: number): number {
  for (let i = at; i < to; i++) if (stopsHere(text, i) === "sentence") return i;
  return to;
}

/** “tail: six tippets; body: four turns of floss”: what is told of a part ends where a list goes on with the next. */
function endOfPart(text: string, at: number, to: number): number {
  for (let i = text.indexOf(";", at); i >= 0 && i < to; i = text.indexOf(";", i + 1))
    if (listedAt(text, i + 1, true)) return i;
  return to;
}

const nextClause = /,\s+(?:and\s+|then\s+)*|\s(?:and|then)\s+/g;
/** Up to where another thing is done: what is told there is no matter of this verb. */
function endOfClause(text: string, from: number, to: number): number {
  for (const m of text.slice(from, to).matchAll(nextClause)) {
    const at = from + m.index + m[0].length;
    if (verbGoingOnAt(text, at) && !manner(text, at)) return from + m.index;
  }
  return to;
}

/** The first description of a material before the sentence ends. */
function lookAhead(
  text: string,
  from: number,
  to: number,
  index: CabinetIndex,
  role: Role | undefined,
): Description | undefined {
  const end = Math.min(endOfClause(text, from, endOfSentence(text, from, to)), from + 240);
  const word = /[\p{L}\p{N}.#]+/uy;
  const atHead = role !== undefined;
  let first = true;
  for (let at = from; at < end;) {
    word.lastIndex = at;
    const m = word.exec(text);
    if (!m) {
      at++;
      continue;
    }
    if ((at > from || !atHead) && placeWords(text, at)) {
      at = placeWords(text, at)?.end ?? at + m[0].length;
      continue;
    }
    const implied = atHead && first && role ? impliedBy[role] : undefined;
    const found = asHair(descriptionAt(text, at, index, atHead && first, implied), role);
    // “Hackle: one grizzle and one brown, fibres 1.5 x gape”: its fibres are no material of their own.
    const isOwnFibres = found && (role === "hackle" || role === "collar") && ownFibres.test(found.text);
    if (found && !isOwnFibres) return found;
    first = false;
    at += m[0].length;
  }
  return undefined;
}
const ownFibres = /^\s*(?:the\s+)?(?:fibres?|fibers?|barbs?)\s*$/;
/** A part by which a place is said is no material: “behind the bead”, “half the tail”. */
const placeWords = words(
  `(?:into|inside|behind|in\\s+front\\s+of|ahead\\s+of|before|over|past|beyond|up\\s+to|down\\s+to|to|at|around|round|between|under|through|as\\s+long\\s+as|half|twice|with\\s+the\\s+same\\s+length\\s+as|against)\\s+(?:the\\s+|its\\s+)?(?:${PARTS})(?!\\s+(?:fibres?|wire|feather|dubbing|hair))`,
);

/** Reads one thing at a place into what is told. */
function step(
  told: Told,
  text: string,
  at: number,
  to: number,
  context: ScanContext,
  canBeNoun: boolean,
  isGiven: boolean,
): Next {
  const take = (end: number, more: (t: Told) => void): Next => {
    more(told);
    return { told, end: Math.min(end, to) };
  };
  bracketed.lastIndex = at;
  if (text[at] === "[" && bracketed.exec(text)) {
    const end = bracketed.lastIndex;
    return take(end, (t) => t.kept.push({ at, end }));
  }
  const named =
    !isGiven && (canBeNoun || isSizedNoun(text, at)) ? description(told, text, at, context, canBeNoun) : undefined;
  if (named) return named;
  if (!isGiven && told.kind !== "glue" && (hasContent(told) || told.kept.length > 0) && coatsAhead(text, at))
    return "verb";
  const loose = looseAt(told, text, at);
  if (loose) return { told, end: loose };
  const prepared =
    (hasContent(told) ? preparing(text, at) : undefined) ?? strippedSide(text, at) ?? preparingFur(text, at);
  if (prepared) return take(prepared.end, (t) => t.kept.push({ at, end: prepared.end }));
  const reason = isGiven ? undefined : reasonAt(text, at, to, (t, place) => verbAt(t, place) !== undefined);
  if (reason !== undefined) return take(reason, (t) => t.kept.push({ at, end: reason }));
  const ends =
    !isGiven && (hasContent(told) || told.kept.length > 0) && isAtClause(text, at) ? verbAt(text, at) : undefined;
  if (ends?.id === "whip" || ends?.id === "no finish") return "verb";
  // “counter-wrap the wire” is another winding, not said of this one.
  if (ends?.id === "wind" && /^(?:counter|reverse)-?\s?(?:wind|wrap|rib|palmer)/.test(text.slice(at))) return "verb";
  if (!isGiven && countsAnother(told, text, at, context)) return "another";
  if (!isGiven && isAfterDone(told, text, at, context)) return "another";
  // “a bunch of red the same thickness, then six strands of herl”: the second is another thing.
  if (!isGiven && told.said.thickLike !== undefined && thenMore.test(text.slice(0, at)) && countRead(text, at))
    return "another";
  if (!isGiven && hasContent(told) && ribbedWith(text, at)) return "verb";
  // “12 turns of lead, with a second layer of six turns over it”
  if (!isGiven && told.said.rule?.turns !== undefined && secondLayer(text, at)) return "another";
  // “Quill, varnished, five turns”: the turns are not the varnish's.
  if (!isGiven && told.kind === "glue" && isAtClause(text, at) && turnsOnly(text, at)) return "another";
  const ribs = isGiven || !told.description ? undefined : toRib(text, at);
  if (ribs) return take(ribs.end, (t) => Object.assign(t, { role: "rib", part: "rib", isInherited: false }));
  const thick = isGiven ? undefined : thicknessOf(told, text, at);
  if (thick) return thick;
  if (!isGiven) thicknessFirst(told, text, at);
  const strands = isGiven ? undefined : strandsBehind(told, text, at);
  if (strands) return strands;
  const said = sayingAt(told, text, at, context);
  if (said) return said;
  if (isGiven) return leftover(told, text, at, to);
  const stands = told.description ? barbsStand(text, at) : undefined;
  if (stands) return take(stands.end, (t) => t.kept.push({ at, end: stands.end }));
  const counted = countedAt(told, text, at, context) ?? bareCount(told, text, at);
  if (counted) return counted;
  const verb = told.understood.length + told.rest.length + told.kept.length > 0 ? actionAt(text, at) : undefined;
  if (verb && isAtClause(text, at) && !(verb.id === "act" && isPast.test(text.slice(at, verb.end)))) return "verb";
  const without = withoutPart(text, at);
  if (without) return take(without.end, (t) => t.kept.push({ at, end: without.end }));
  const named2 = namedAt(told, text, at, context);
  if (named2) return named2;
  return leftover(told, text, at, to);
}

/** “one turn only, legs sticking out sideways”: how the barbs of what was named stand, and no other part. */
const barbsStand = words(
  "(?:with\\s+)?(?:the\\s+|its\\s+)?(?:legs|fibres|fibers|barbs)\\s+(?:sticking|standing|pointing)\\s+(?:out\\s+)?(?:sideways|to\\s+(?:the|each|both)\\s+sides?|out(?:wards?)?)",
);

/** A verb as it is told, also in the midst of another: “winding it forward”. */
function actionAt(text: string, at: number): { id: VerbId; end: number } | undefined {
  const [verb, how] = [verbAt(text, at), manner(text, at)];
  // “cut to a point at the tail end” says how it is shaped.
  if (verb) return how && how.end > verb.end ? undefined : verb;
  return how ? undefined : verbGoingOnAt(text, at);
}

const thenMore = /[,;]\s*(?:and\s+)?then\s+$/;
const secondLayer = words(
  `(?:with\\s+|then\\s+|and\\s+)?an?(?:other)?\\s*(?:second\\s+)?layer\\s+of(?=\\s+(?:\\w+\\s+)?turns?)|(?:then|and)(?:\\s+another)?(?=\\s+(?:\\d+|${NUMBER_WORD})\\s+(?:more\\s+)?(?:(?:turns|wraps)\\s+)?(?:on\\s+top|over\\s+(?:it|them|that|the\\s+first))\\b)`,
);
const turnsOnly = seq(countRead, words("(?:\\w+\\s+)?turns?(?=\\s*(?:[,.;]|$))"));
/** “Back of pearl plastic, six wraps of fine wire over it”: what is wound in a cover's line is its rib. */
const turnsOfWire = new RegExp(
  `^\\W*(?:and\\s+|with\\s+)?(?:\\d+|${NUMBER_WORD})\\s+(?:(?:open|even|spaced|spiral)\\s+)*(?:turns|wraps)\\s+of\\s+(?:[\\w.-]+\\s+){0,3}(?:wire|oval|tinsel|mono)\\b`,
);
const toRibAhead = /\bto\s+rib\b/;
const someOf = seq(
  countRead,
  words(
    "(?:single\\s+)?(?:(?:strands?|lengths?|pieces?|fibres?|fibers?|herls?|slips?)\\s+)?(?:of|from)(?:\\s+(?:the|an?))?",
  ),
);
/** “marabou, with two strands of red flash”: the strands are the flash's. */
function countsAnother(told: Told, text: string, at: number, context: ScanContext): boolean {
  // “20 strands pearl and 10 of silver”: nobody knows yet what the first are of, but they are counted.
  const isTold = told.description !== undefined || (told.said.amount !== undefined && told.rest.length > 0);
  if (!isTold && told.said.rule?.turns !== undefined && told.rest.length > 0) return turnsOfAnother(text, at, context);
  if (!isTold || told.kind !== "lay") return false;
  const counted = someOf(text, at);
  const implied = told.role && impliedBy[told.role];
  const found = counted && descriptionAt(text, skip(text, counted.end), context.index, false, implied);
  return found !== undefined && !(told.description && sameDescription(told.description, found));
}
const turnsOfGauge = seq(countRead, words("(?:turns?|wraps?)(?:\\s+of)?"), match("0?\\.\\d{2,3}"));
/** “Turn over, 6 peacock herls …”, “a 3 mm bead, 6 turns .015 behind it”: of what was done it is no part. */
function isAfterDone(told: Told, text: string, at: number, { index }: ScanContext): boolean {
  if (!/,\s*(?:and\s+|then\s+)*$/.test(text.slice(0, at))) return false;
  if (told.kind === "seat") return told.description !== undefined && turnsOfGauge(text, at) !== undefined;
  const counted = told.kind === "act" && told.verb === "act" && !told.description ? countRead(text, at) : undefined;
  return counted !== undefined && descriptionAt(text, skip(text, counted.end), index) !== undefined;
}
const turnsOf = seq(countRead, words("(?:turns?\\s+|wraps?\\s+)?of(?:\\s+(?:the|an?))?"));
/** “longish ginger, 3 turns, then 2 of guinea fowl”: the turns before are not the guinea fowl's. */
function turnsOfAnother(text: string, at: number, { index }: ScanContext): boolean {
  const counted = turnsOf(text, at);
  return counted !== undefined && descriptionAt(text, skip(text, counted.end), index) !== undefined;
}
const timesRead = match("x\\s?(\\d{1,2})(?=\\s*(?:[,.;]|$))");
/** “peacock herl x3”: so many strands, right behind what they are of; turns stand behind what is done. */
function strandsBehind(told: Told, text: string, at: number): Next | undefined {
  const { description } = told;
  const form = description?.exact?.form ?? description?.means?.form;
  if (told.kind !== "wind" || form !== "herl" || !/^\s*$/.test(text.slice(description?.end ?? 0, at))) return undefined;
  const found = timesRead(text, at);
  if (!found) return undefined;
  told.said.rope = Number(found.value[0]);
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
}
const colonHead = new RegExp(`^\\s*(?:${PARTS})\\s*:\\s`, "u");
const signedHead = new RegExp(`^\\s*(${PARTS}|lead)\\s*(?:[:=]|\\s-\\s)\\s*`, "u");
const forHead = new RegExp(`^\\s*(?:for|as)\\s+(?:the|a|an|its|your|my)\\s+(${PARTS})\\s*,\\s*`, "u");
const bareHead = new RegExp(`^\\s*(${PARTS})\\s+(?=[\\p{L}\\d#.])`, "u");
const shareAlone = /^\s*(?:the\s+)?(?:rear|back|front)\s+(?:half|third|two\s+thirds)(?:\s+of\s+(?:the\s+)?body)?\s*:\s/;
const isDoneWith =
  /^\s*[\p{L}-]+\s+(?:it|the|with|over|in|through|them|this|these|forwards?|back|up|to|by|and|using|from|so|as|evenly|open|counter|five|six|four|seven|\d)\b/u;
/** “tail: 6 fibres; body: fur”: behind a semicolon or a stop, a list goes on with its next part. */
function listedAt(
  text: string,
  at: number,
  inList: boolean,
): (Head & { begin: number; isSentence: boolean }) | undefined {
  const before = text.slice(0, at).trimEnd();
  const rest = text.slice(at);
  // “scud 12, bead: 2.4 mm tungsten, thread: olive”: with a colon a part is one behind a comma as well.
  if (!/[;.]$/.test(before) && !(before.endsWith(",") && colonHead.test(rest))) return undefined;
  if (shareAlone.test(rest)) return { role: "body", part: "body", begin: at, isSentence: false };
  const m =
    signedHead.exec(rest) ?? forHead.exec(rest) ?? (inList || before.endsWith(";") ? bareHead.exec(rest) : null);
  const part = m?.[1]?.replace(/\s+/g, " ");
  const role = part === undefined ? undefined : roleOfWord(part);
  if (!m || part === undefined || role === undefined || role === "hook") return undefined;
  const isSentence = /^\s*(?:for|as)\s/.test(rest);
  const verb = isSentence ? undefined : verbAt(rest.trimStart(), 0);
  // “rib fine oval gold” names the rib; “rib it with gold” does it.
  if (verb && (verb.end > part.length || isDoneWith.test(rest))) return undefined;
  return { role, part, begin: at + m[0].length, isSentence };
}

/** “dubbing, ribbed with fine gold wire”: the rib is another part, told in the same breath. */
const ribbedWith = words(
  "(?:(?:and|both)\\s+)?(?:(?:ribbed|segmented|banded)\\s+with|with\\s+a\\s+rib\\s+of|ribbed(?=\\s+(?!by\\b|over\\b|through\\b|in\\b|up\\b|to\\b|from\\b|as\\b|the\\b|it\\b|and\\b)[\\p{L}\\d]))",
);

/** A verb begins another thing only where a clause begins. */
function isAtClause(text: string, at: number): boolean {
  const before = text.slice(Math.max(0, at - 24), at);
  return /(?:^|[,;.:(]|\b(?:and|then|now|next|finally|but|also|before|i|you|we|to\s+finish))\s*$/.test(before);
}

const sizedNoun =
  /(?:\d+(?:[.,]\d+)?\s*(?:mm|lbs?|den(?:ier)?)\b|\d+\/0\b|0?\.\d{2,3}\b"?|0?\.\d\b(?=\s+(?:[a-z-]+\s+){0,2}(?:lead|wire|mono|tinsel)\b)|\d[.,]\d(?=\s+(?:[a-z-]+\s+){0,3}(?:bead|cone|tungsten)))/y;
/** “2 mm rubber leg”, “2.8 mm bead”: the figure belongs to the noun. */
function isSizedNoun(text: string, at: number): boolean {
  sizedNoun.lastIndex = at;
  return sizedNoun.exec(text) !== null;
}

/** “wetted”, “trimmed”: said of what is described; it is no verb of its own. */
const isPast = /^\w+ed\b/;

/** A part or a material; “the bead chain eyes” is more than the bead that it begins with. */
function namedAt(told: Told, text: string, at: number, context: ScanContext): Next | undefined {
  const part = plainPart(text, at) ?? asPart(text, at);
  const begin = article(text, at);
  const phrase = descriptionAt(text, begin ? skip(text, begin.end) : at, context.index);
  // “Weight: 6 turns lead wire”: the wire is what it is of.
  const isItsStuff =
    (told.role === "weight" && phrase?.means?.form === "weight wire") ||
    (phrase?.means?.form === "eyes" && /^(?:dumb|bar-?bell|chain)/.test(phrase.text.trim().toLowerCase()));
  if (part && phrase && (phrase.end > part.end || isItsStuff) && told.description === undefined)
    return description(told, text, at, context, false);
  // “a slotted bead, thread olive 70”: the thread is another thing than the bead.
  if (part && told.description && !told.isInherited && told.role === undefined && isThreadAhead(text, part))
    return "another";
  const same = sameSource(text, at) ? referenceAt(told, text, at) : undefined;
  return same ?? partAt(told, text, at) ?? description(told, text, at, context, false) ?? referenceAt(told, text, at);
}

const fromAnimals = new Set(
  "copper goose duck mallard teal peacock ostrich partridge grouse starling hare rabbit mole muskrat beaver seal squirrel fox deer elk calf goat badger turkey pheasant heron swan crow mink otter opossum wool cotton nylon poly".split(
    " ",
  ),
);
const theWord = match(
  "(?:(?:the|that|this)\\s+(?:same\\s+)?|(?<=\\b(?:turns?|wraps?|strands?|lengths?)\\s+of\\s+))([a-z]{3,})",
);
const goesOn =
  /^\s*(?:$|[,;.:)]|(?:forward|back|over|to|in|with|up|down|off|and|on|round|around|through|from|behind|at|along|for|so|until|then|by|as|under|\d+)\b)/;
const sameSource = match(
  "the\\s+same\\s+(tail|wing|flank|neck|cape|saddle|hide|patch)(?=\\s*(?:[,.;]|$)|\\s+(?:for|as|tied|in)\\b)",
);
/** “the copper”, “the goose”: a word of a material that the recipe has named before; the bench knows which. */
function referenceAt(told: Told, text: string, at: number): Next | undefined {
  const source = told.description || !/\b(?:of|from)\s+$/.test(text.slice(0, at)) ? undefined : sameSource(text, at);
  if (source) {
    // “a slip of the same tail”: of the feather from which something was taken before.
    told.description = { at, end: source.end, text: source.value[0] ?? "", isReference: true };
    told.understood.push({ at, end: source.end });
    return { told, end: source.end };
  }
  const found = told.description ? undefined : theWord(text, at);
  const word = found?.value[0] ?? "";
  if (!found || !(isColour(word) || fromAnimals.has(word)) || !goesOn.test(text.slice(found.end))) return undefined;
  const begin = found.end - word.length;
  if (isStop(text, begin)) return undefined;
  told.description = { at: begin, end: found.end, text: text.slice(begin, found.end), isReference: true };
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
}

const isThreadAhead = (text: string, part: { end: number } & ({ value: string } | { word: string })): boolean =>
  /^(?:thread|silk)$/.test("word" in part ? part.word : part.value) && /^\s+[\p{L}\d]/u.test(text.slice(part.end));

const hackleTiedIn: readonly Clause[] = [...hackleClauses, ...clausesOf.lay];

/** Herl that is as long as something lies there; it does not wait to be wound. */
const hasLength = /^[^.;]*\b(?:as\s+long\s+as|(?:longer|shorter)\s+than|same\s+length|level\s+with)\b/;
const correction = words(
  "(?:\\.\\.\\.\\s*)?(?:no(?!\\s+(?:longer|more|less|shorter|wider|further|bigger|thicker|fuller)\\b)|nope|sorry|oops|erm?|wait|scratch\\s+that|i\\s+mean)(?:\\s*[,:-])?\\s+(?:sorry\\s*,?\\s+|no\\s*,?\\s+)?(?:(?:make\\s+that|make\\s+it|make|that's|that\\s+is|it's|i\\s+mean|let's\\s+say|say)\\s+(?:it\\s+)?)*",
);
/** So many letters before a correction what was not understood belongs to what is taken back. */
const BEGUN_BEFORE = 12;
/** “A shank and a third, no, make that half a shank”: what is said later holds, and both stay as they were typed. */
function correct(told: Told, text: string, at: number, begin: number, clauses: readonly Clause[]): Next | undefined {
  for (const c of beginningAt(clauses, text, begin)) {
    const again: Said = {};
    const end = c.take(again, text, begin);
    const isSame = Object.keys(again).some((k) => k in told.said);
    if (end === undefined || !isSame) continue;
    Object.assign(told.said, again);
    // What was begun before the correction is taken back with it, and stays to be seen.
    const isBegun = (r: { end: number }): boolean => r.end >= at - BEGUN_BEFORE;
    told.kept.push(...told.rest.filter(isBegun), { at, end: begin });
    told.understood.push({ at: begin, end });
    told.rest = told.rest.filter((r) => !isBegun(r));
    return { told, end };
  }
  return otherNumber(told, text, at, begin) ?? otherStuff(told, text, begin);
}

/** “Three fibres – no, make it four”: so many instead. */
function otherNumber(told: Told, text: string, at: number, begin: number): Next | undefined {
  const n = countRead(text, begin);
  const { amount } = told.said;
  if (!n || !amount || !/^\s*(?:[,.;]|-\s|$)/.test(text.slice(n.end))) return undefined;
  if ("fibres" in amount) told.said.amount = { ...amount, fibres: n.value.n };
  else if ("strands" in amount) told.said.amount = { ...amount, strands: n.value.n };
  else if ("feathers" in amount) told.said.amount = { ...amount, feathers: n.value.n };
  else return undefined;
  if (n.value.spread) told.said.spread = n.value.spread;
  else delete told.said.spread;
  told.kept.push({ at, end: begin });
  told.understood.push({ at: begin, end: n.end });
  return { told, end: n.end };
}

/** “1/0 brown wire... no, fine brown wire”, within one clause: what it is of, and how much, is told anew. */
function otherStuff(told: Told, text: string, begin: number): Next | undefined {
  const { description } = told;
  const place = skip(text, countRead(text, begin)?.end ?? begin);
  const before = text.slice(description?.end ?? told.at, begin).replace(/(?:(?:no|nope|sorry|oops)\W*)+$/, "");
  if (!/[?.!…]\s*$|\.\.\s*$/.test(before)) return undefined;
  const other = descriptionAt(text, place, noCabinet);
  if (!other) return undefined;
  if (!description) {
    // “White tungsten … no, sorry, a glass bead”: of the first nobody knew what it is of.
    if (told.verb !== undefined || told.understood.length > 0 || told.rest.length === 0) return undefined;
    told.rest = [];
    told.kept.push({ at: told.at, end: begin });
    told.kind = kindOfTold(undefined, told.role, other.means?.form, text.slice(begin));
    return { told, end: begin };
  }
  const from = Math.min(description.at, ...told.understood.map((u) => u.at));
  const { amount: _amount, count: _count, rope: _rope, ...said } = told.said;
  Object.assign(told, { description: undefined, said, understood: [], loose: [], rest: [] });
  told.kept.push({ at: from, end: begin });
  return { told, end: begin };
}

function sayingAt(told: Told, text: string, at: number, context: ScanContext): Next | undefined {
  const form = told.description?.exact?.form ?? told.description?.means?.form;
  // A hackle that is tied in for no part will be wound.
  const isHackle = told.verb === "tie in" && told.kind === "lay" && told.role === undefined && form === "hackle";
  const clauses: readonly Clause[] = isHackle
    ? hackleTiedIn
    : told.kind === "lay" && context.waits(told.role, form) && !(form === "herl" && hasLength.test(text.slice(told.at)))
      ? boundInClauses
      : clausesOf[told.kind];
  const corrected = correction(text, at);
  if (corrected) return correct(told, text, at, corrected.end, clauses);
  for (const c of beginningAt(clauses, text, at)) {
    const end = c.take(told.said, text, at);
    if (end !== undefined && end > at) {
      told.understood.push({ at, end });
      return { told, end };
    }
  }
  const done = participleAt(text, at);
  // Hair that is spun flares all round the hook; nothing is dubbed of it.
  if (done?.value === "dub" && form === "hair") {
    told.said.stance ??= "full round";
    told.understood.push({ at, end: done.end });
    return { told, end: done.end };
  }
  if (done) {
    if (told.verb === undefined && done.value !== "tie in") told.verb = done.value;
    if (/palmered|spiral/.test(text.slice(at, done.end))) told.said.palmered = true;
    told.understood.push({ at, end: done.end });
    return { told, end: done.end };
  }
  return undefined;
}

/** “Start at the bend, two rubber legs …”: what is tied in there is told by itself. */
const isMoreThanVerb = (text: string, verb: { at: number; end: number }, { index }: ScanContext): boolean =>
  (descriptionAt(text, verb.at, index, true)?.end ?? 0) > verb.end;
const windsOverIt = /^,\s*(?:[\p{L}-]+\s+){1,3}over\s+(?:it|them|that|the\s+(?:body|lot))\b/u;
/** “no underbody”: a part that is not there on purpose. */
const withoutPart = words(`(?:no|without(?:\\s+(?:a|any))?)\\s+(?:${PARTS}|underbody|glue|cement)`);
/** Coats and drops are another thing than what they go on. */
const coatsAhead = words(
  "(?:with\\s+|in\\s+)?(?:(?:\\d|an?|one|two|three|four|single)\\s+)?(?:(?:thin|good|small|tiny|light|heavy|clear|little|single|final|wet)\\s+)*(?:needle(?:ful)?(?=\\s+of\\s)|touch(?:es)?(?=\\s+of\\s+(?:\\w+\\s+)?(?:cement|varnish|lacquer|glue|resin))|coats?|cts?|drops?|dabs?)(?:\\s+(?:of|clear|varnish|lacquer|resin|cement|glue|head)\\b|(?=\\s*(?:[,.;]|$)|\\s+(?:on|over|to|under|at|behind|each)\\b))",
);

function partAt(told: Told, text: string, at: number): Next | undefined {
  const as = asPart(text, at);
  const found = as ? { word: as.value, end: as.end } : plainPart(text, at);
  if (!found) return undefined;
  if (!as && endsAnother(told, text, at, found.end)) return "another";
  const role = roleOfWord(found.word);
  if (role === undefined) return undefined;
  // “picked out underneath for legs”: they are what the body gives.
  if (as && role === "legs" && told.role !== undefined && pickedOut.test(text.slice(told.at, at))) {
    told.understood.push({ at, end: found.end });
    return { told, end: found.end };
  }
  // “six fibres for wing case and legs”: for both.
  if (!as && told.role !== undefined && told.role !== role && forBoth.test(text.slice(Math.max(0, at - 40), at))) {
    told.understood.push({ at, end: found.end });
    return { told, end: found.end };
  }
  // A part that is named besides the one that the line is about only says where or for what.
  const isBeside =
    ((told.role === "rib" || told.said.palmered) && (role === "body" || role === "thorax")) ||
    // “Stick eyes on and give the whole head two coats”
    (told.kind === "seat" && told.description !== undefined && role === "head");
  if (!as && isBeside) {
    told.understood.push({ at, end: found.end });
    return { told, end: found.end };
  }
  if (!as && (told.verb === "finish" || told.verb === "glue") && told.role !== undefined && told.role !== role) {
    told.alsoOn = [...(told.alsoOn ?? []), role];
    told.understood.push({ at, end: found.end });
    return { told, end: found.end };
  }
  // “…, then over the eyes and down behind them”: a place, where the line has its material.
  if (!as && told.role === undefined && told.description && besidePart.test(text.slice(Math.max(0, at - 24), at))) {
    told.understood.push({ at, end: found.end });
    return { told, end: found.end };
  }
  if (!as && told.role !== undefined && told.role !== role) return undefined;
  // “olive hare as abdomen”: dubbed as that was, not that.
  if (as && told.kind === "dress" && told.role !== undefined && told.role !== role && /^as\b/.test(text.slice(at))) {
    told.understood.push({ at, end: found.end });
    return { told, end: found.end };
  }
  if (told.role === undefined || as) {
    told.role = role;
    told.part = found.word;
  }
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
}
const pickedOut = /\b(?:picked|teased|brushed|combed|pulled)\s+out\b[^,;.]*$/;
const besidePart = /\b(?:over|behind|round|around|under|between|past|in\s+front\s+of|through)\s+(?:the\s+)?$/;
const forBoth = new RegExp(`\\b(?:for|as)\\s+(?:the\\s+|an?\\s+)?(?:${PARTS})\\s+and\\s+(?:the\\s+)?$`, "u");
/** “black thread, pearl rib, floss body”: a part at the end of words of its own, behind a comma, is another. */
function endsAnother(told: Told, text: string, at: number, end: number): boolean {
  if (!told.description || told.role !== undefined || !/^\s*(?:[,;.]|$)/.test(text.slice(end))) return false;
  const own = /,\s*([\p{L}\s-]+)$/u.exec(text.slice(told.description.end, at));
  return own !== null && told.rest.some((r) => r.at >= at - (own[1]?.length ?? 0));
}
function plainPart(text: string, at: number): { word: string; end: number } | undefined {
  const m = partRead(text, at);
  return m && { word: m.value[0] ?? "", end: m.end };
}

function description(told: Told, text: string, at: number, context: ScanContext, atHead: boolean): Next | undefined {
  const refers = pronoun(text, at);
  if (refers && !told.description) {
    told.refers ??= refers.value;
    told.understood.push({ at, end: refers.end });
    return { told, end: refers.end };
  }
  const start = article(text, at);
  const begin = start ? skip(text, start.end) : at;
  const isOr = /\bor\s+$/.test(text.slice(Math.max(0, at - 6), at));
  const upper = told.description ? undefined : upperOf(text, begin, context.index);
  if (upper) {
    told.description = upper;
    told.understood.push({ at, end: upper.end });
    return { told, end: upper.end };
  }
  const implied = (atHead || isOr) && told.role ? impliedBy[told.role] : told.verb === "start" ? "thread" : undefined;
  const both = atHead && !told.description && isHackleRole(told.role) ? bothHackles(text, begin) : undefined;
  const found =
    both ??
    asHair(descriptionAt(text, begin, context.index, atHead, implied), told.role) ??
    (atHead ? dubbedOf(text, begin) : undefined) ??
    (told.kind === "lay" && !told.description ? colourOfPiece(text, begin) : undefined) ??
    (told.kind === "lay" && !told.description ? colourOfBunch(text, begin) : undefined) ??
    (told.role === "flash" && !told.description ? flashOf(text, begin) : undefined) ??
    (atHead && /^(?:(?:tying|working)\s+)?(?:thread|silk)$/.test(told.part ?? "") ? labelOf(text, begin) : undefined) ??
    (told.verb === "change" && !told.description ? colourOfThread(text, begin) : undefined) ??
    (told.role === undefined && told.verb === undefined ? colourAndNumber(text, begin) : undefined) ??
    (told.role === "weight" && !told.description ? bareGauge(text, begin, told.part) : undefined) ??
    (isTurnsAlone(told) && ofInch(text, begin) ? bareGauge(text, begin, undefined) : undefined) ??
    (atHead && told.part === "eyes" ? bareEyes(text, begin) : undefined);
  // “the centre of the hook”: the hook is where it lies, never what it is tied of.
  if (!found || (found.exact?.form ?? found.means?.form) === "hook") return undefined;
  if (isAfterStart(told, found)) return "another";
  // “pearl rib, black floss body”: what is followed by a part of its own is not the rib's.
  if (
    !told.description &&
    !atHead &&
    !told.isInherited &&
    told.role !== undefined &&
    /,\s*$/.test(text.slice(0, at)) &&
    partRead(text, skip(text, found.end))
  )
    return "another";
  // “Wrap to the thorax, wire over it five turns”: the wire goes over what is wrapped.
  if (!told.description && told.verb === "wind" && windsOverIt.test(text.slice(begin - 2))) return "another";
  // “Fold the fibres over the herl”: what it is folded over.
  if (told.verb === "take over" && /\bover\s+(?:the\s+)?$/.test(text.slice(Math.max(0, begin - 12), begin))) {
    told.understood.push({ at, end: found.end });
    return { told, end: found.end };
  }
  // “secured at the bend with the red thread”: whatever is tied is tied with thread.
  if (
    told.description &&
    (told.kind === "lay" || told.kind === "wind") &&
    (found.exact?.form ?? found.means?.form) === "thread" &&
    /\b(?:with|by|using)\s+(?:the\s+|your\s+)?$/.test(text.slice(Math.max(0, begin - 12), begin))
  ) {
    told.understood.push({ at, end: found.end });
    return { told, end: found.end };
  }
  if (told.description) {
    if (/\bor\s*$/.test(text.slice(Math.max(0, at - 5), at)) || /\bor\s+$/.test(text.slice(told.description.end, at))) {
      told.alternates.push(found);
      told.understood.push({ at, end: found.end });
      return { told, end: found.end };
    }
    // “level with the white poly”: as long as what is tied of it.
    if (/\b(?:longer|shorter)\s+than\s+(?:the\s+)?$/.test(text.slice(Math.max(0, begin - 40), begin)))
      told.said.likeTimes ??= /shorter\s+than\s+(?:the\s+)?$/.test(text.slice(Math.max(0, begin - 40), begin))
        ? SHORTER
        : LONGER;
    if (
      /(?:(?:to|reach(?:es|ing)?)\s+(?:the\s+)?(?:ends?|tips?)\s+of(?=\s+(?:the\s+)?$)|(?:level|even|flush)\s+with|as\s+long\s+as|same\s+length\s+as|(?:longer|shorter)\s+than|match(?:ing)?)\s+(?:the\s+)?(?:(?:end|tips?|rear|back)\s+of\s+(?:the\s+)?)?$/.test(
        text.slice(Math.max(0, begin - 40), begin),
      )
    ) {
      told.said.like = found.text;
      told.understood.push({ at, end: found.end });
      return { told, end: found.end };
    }
    // “over the tinsel”, “through the hackles”: where it goes, once it is told of what it is.
    if (told.kind === "wind" && acrossIt.test(text.slice(Math.max(0, begin - 14), begin)) && isOneWord(found.text)) {
      told.said.over = found.text.trim();
      told.understood.push({ at, end: found.end });
      return { told, end: found.end };
    }
    // “between the yarn pieces” says where; “snipe covert, feather stroked and tied in by the tip” names nothing new.
    const isBare = /^(?:feathers?|fibres?|barbs?|hackles?)$/.test(found.text.trim());
    if (
      /\b(?:between|among)\s+(?:the\s+)?$/.test(text.slice(Math.max(0, begin - 14), begin)) ||
      (isBare && /,\s*(?:the\s+)?$/.test(text.slice(0, begin)))
    ) {
      told.understood.push({ at, end: found.end });
      return { told, end: found.end };
    }
    // “black foam, a strip 5 mm wide and 2 mm thick”: in which shape it is taken.
    const shaped = /,\s*(?:an?\s+)?$/.test(text.slice(told.description.end, begin))
      ? shapeOf(told.description, found)
      : undefined;
    if (shaped) {
      told.description = shaped;
      told.understood.push({ at, end: found.end });
      return { told, end: found.end };
    }
    const slip = /,\s*(?:an?\s+)?$/.test(text.slice(told.description.end, begin))
      ? slipOf(told.description, found)
      : undefined;
    if (slip !== undefined && told.kind === "lay" && !told.said.amount) {
      told.said.amount = { slipWidth: { mm: slip } };
      told.understood.push({ at, end: found.end });
      return { told, end: found.end };
    }
    // “topping (golden crest feather)”, “Rabbit strip: white zonker” say the same once more.
    const isLabel =
      text[told.description.end] === ":" && /^\W*(?:body\s+)?$/.test(text.slice(told.at, told.description.at));
    if (isLabel || /^\s*\(\s*$/.test(text.slice(told.description.end, at))) {
      told.description = found;
      told.understood.push({ at, end: found.end });
      return { told, end: found.end };
    }
    return "another";
  }
  const form = found.exact?.form ?? found.means?.form;
  // “2 mm of chartreuse bucktail”, “2 mm olive bucktail”: of hair that is how thick the bunch is.
  const thick =
    form === "hair" && told.kind === "lay" && !told.said.amount ? /^(\d+(?:[.,]\d+)?)\s*mm\s+/.exec(found.text) : null;
  if (thick) told.said.amount = { clump: { mm: Number((thick[1] ?? "").replace(",", ".")) } };
  if (told.kind === "whip" && form === "liquid") return "another";
  // “Eight wraps of lead wire, pushed into the bead”: the bead only says where.
  if (form === "weight wire" && (told.role === undefined || told.part === "underbody")) told.role = "weight";
  told.description = thick ? { ...found, text: found.text.slice(thick[0].length) } : found;
  // “a golden crest feather” is one.
  if (
    told.kind === "lay" &&
    told.said.amount === undefined &&
    /\b(?:feather|plume|hackle|tip|crest)$/.test((found.text.split(",")[0] ?? "").toLowerCase().trim()) &&
    (start || atHead) &&
    !/\bfibres?\b/.test(text.slice(found.end, found.end + 10))
  )
    amountOf(told.said, { n: 1 }, "feathers");
  if (told.role === undefined && told.kind === "lay" && found.means?.role)
    Object.assign(told, { role: found.means.role, part: found.means.part });
  const own = roleOfItsOwn[form ?? "hook"];
  // A line about the tail that goes on with flash, or one about a bead that goes on with wire, has come to another
  // part.
  // Glue in a line about the eyes is what holds them, and no coat of the head.
  // “Weight: bead-chain eyes”: what weighs is a part of its own.
  if (form === "eyes" && told.role === "weight") Object.assign(told, { role: "eyes", part: "eyes" });
  const isHolding = form === "liquid" && told.role === "eyes" && /glue|adhesive|cyano/.test(found.text);
  if (!atHead && own && !isHolding && told.role !== undefined && told.role !== own && told.isInherited) {
    told.role = own;
    told.part = undefined;
  }
  // “thread red 140, 50 mm of chenille tied in”: what is no thread is no part of it.
  if (told.isInherited && told.role === "thread" && form !== undefined && form !== "thread")
    Object.assign(told, { role: undefined, part: undefined, isInherited: false });
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
}
const colourWords = /(?:[\p{L}-]+\s+){0,3}[\p{L}-]+(?=\s*(?:[,;.]|$))/uy;
/** “rubber legs each side, barred olive”: colours that stand apart belong to what was named. */
function colours(told: Told, text: string, at: number): Next | undefined {
  const { description } = told;
  colourWords.lastIndex = at;
  const m = colourWords.exec(text);
  if (!description || !m || !/(?:[,(]|\s-)\s*$/.test(text.slice(0, at))) return undefined;
  const words = m[0].split(/\s+/);
  // “two hackles, brown and grizzle”: one of each.
  const both = /^(\p{L}+)\s+and\s+(\p{L}+)$/u.exec(m[0]);
  if (
    both &&
    isShadedColour(both[1] ?? "") &&
    isShadedColour(both[2] ?? "") &&
    /^(?:two\s+)?hackles$/.test(description.text.trim())
  ) {
    const { exact: _one, ...plain } = description;
    told.description = { ...plain, text: `${m[0]} hackles`, means: description.means ?? { form: "hackle" } };
    told.understood.push({ at, end: colourWords.lastIndex });
    return { told, end: colourWords.lastIndex };
  }
  if (!words.every((w) => isColour(w) || after.has(w))) return undefined;
  const isGauge =
    words.length === 1 && /^(?:fine|medium|small|large|narrow|wide|micro|heavy|thin|thick|dyed)$/.test(m[0]);
  if (
    !words.some((w) => isColour(w)) &&
    !(isGauge && isSpooled(description.exact?.form ?? description.means?.form ?? "hook"))
  )
    return undefined;
  if (words.every((w) => description.text.toLowerCase().includes(w))) return undefined;
  const form = description.exact?.form ?? description.means?.form;
  if (form === undefined) return undefined;
  const { exact: _exact, ...plain } = description;
  told.description = { ...plain, text: `${description.text.trim()}, ${m[0]}`, means: description.means ?? { form } };
  told.understood.push({ at, end: colourWords.lastIndex });
  return { told, end: colourWords.lastIndex };
}

/** “8/0 tan, bonded”: the last word on a thread’s label belongs to its name. */
function labelled(told: Told, text: string, at: number, typed: string): Next | undefined {
  const end = at + typed.replace(/[.:!?]+$/, "").length;
  const { description } = told;
  if (!description || description.exact || !/^[a-z][a-z-]+$/.test(text.slice(at, end))) return undefined;
  if (!/^\s*,?\s*$/.test(text.slice(description.end, at)) || !/^\s*(?:[,;.]|$)/.test(text.slice(end))) return undefined;
  told.description = { ...description, end, text: `${description.text}, ${text.slice(at, end)}` };
  told.understood.push({ at, end });
  return { told, end };
}

/** Nothing that is tied in is so wide, nor so short where it reaches somewhere as well. */
const WIDEST = 8;
/** “Paired slips, 2.5 mm, to the end of the tail”: of two figures the small one is how much it is. */
function thicknessFirst(told: Told, text: string, at: number): void {
  const { shown, amount } = told.said;
  if (told.kind !== "lay" || amount || !shown || !("mm" in shown) || shown.mm > WIDEST) return;
  const form = told.description?.exact?.form ?? told.description?.means?.form;
  const is = form === undefined ? undefined : byThickness[form]?.(shown.mm);
  if (!is || !lengthReaching(text, at)) return;
  told.said.amount = is;
  delete told.said.shown;
}
const byThickness: Partial<Record<MaterialForm, (mm: number) => Told["said"]["amount"]>> = {
  hair: (mm) => ({ clump: { mm } }),
  quill: (mm) => ({ slipWidth: { mm } }),
  "feather fibre": (mm) => ({ spanMm: mm }),
};

/** “6 turns of clear mono to rib it”: what a strand in another part's line is for. */
const toRib = words("to\\s+rib(?:\\s+(?:it|over\\s+it|the\\s+\\w+))?");
const thickRead = match("(\\d+(?:[.,]\\d+)?\\s*mm\\s+thick)");
/** “a strip of foam as wide as the gape, 2 mm thick”: so thick is the sheet. */
function thicknessOf(told: Told, text: string, at: number): Next | undefined {
  const { description } = told;
  const thick = description && thickRead(text, at);
  if (!thick || (description.exact?.form ?? description.means?.form) !== "stretch body") return undefined;
  const { exact: _exact, ...plain } = description;
  told.description = {
    ...plain,
    text: `${description.text.trim()} ${thick.value[0] ?? ""}`,
    means: description.means ?? { form: "stretch body" },
  };
  told.understood.push({ at, end: thick.end });
  return { told, end: thick.end };
}

const acrossIt = /\b(?:over|through|across|round|around)\s+(?:the|both|all)\s+$/;
const isOneWord = (words: string): boolean => !/\s/.test(words.trim());
const likeColour = /\b(?:(?:longer|shorter)\s+than|as\s+long\s+as|same\s+length\s+as|level\s+with)\s+the\s+$/;
const noCabinet = new CabinetIndex([]);
const word = /[^\s,;()]+/y;
function leftover(told: Told, text: string, at: number, to: number): Next {
  const how = manner(text, at) ?? (told.kind === "wind" ? loosely(text, at) : undefined);
  if (how) {
    told.kept.push({ at, end: how.end });
    return { told, end: how.end };
  }
  if (told.description && /^or\s/.test(text.slice(at, at + 3)) && descriptionAt(text, skip(text, at + 2), noCabinet))
    return { told, end: at + 2 };
  const other =
    /^or\s/.test(text.slice(at, at + 3)) && told.description && told.role && impliedBy[told.role]
      ? descriptionAt(text, skip(text, at + 2), noCabinet, false, impliedBy[told.role])
      : undefined;
  if (other) {
    told.alternates.push(other);
    told.understood.push({ at, end: other.end });
    return { told, end: other.end };
  }
  const nothing = filler(text, at);
  if (nothing) return { told, end: nothing.end };
  word.lastIndex = at;
  const m = word.exec(text);
  const seen = colours(told, text, at);
  if (seen) return seen;
  const label = m && told.role === "thread" && told.verb === undefined ? labelled(told, text, at, m[0]) : undefined;
  if (label) return label;
  // “slightly longer than the white”: than what is tied of that colour.
  const like = told.kind === "lay" ? likeColour.exec(text.slice(Math.max(0, at - 40), at))?.[0] : undefined;
  if (like !== undefined && m && isColour(m[0])) {
    told.said.like = m[0];
    if (/longer/.test(like)) told.said.likeTimes ??= LONGER;
    if (/shorter/.test(like)) told.said.likeTimes ??= SHORTER;
    told.understood.push({ at, end: at + m[0].length });
    return { told, end: at + m[0].length };
  }
  // “black and purple dubbing, 60/40”: how much of each.
  const shares = told.kind === "dress" && told.description ? sharesInFigures(text, at) : undefined;
  const mixed = shares && told.description && inShares(told.description, shares.value);
  if (shares && mixed) {
    told.description = mixed;
    told.understood.push({ at, end: shares.end });
    return { told, end: shares.end };
  }
  // “…” and dashes say nothing.
  if (m && /^[.…-]+$/.test(m[0])) return { told, end: at + m[0].length };
  const end = Math.min(to, m ? at + m[0].replace(/[.:!?]+$/, "").length || at + 1 : at + 1);
  const stop = Math.max(end, at + 1);
  const last = told.rest[told.rest.length - 1];
  if (last && /^\s*$/.test(text.slice(last.end, at))) last.end = stop;
  else told.rest.push({ at, end: stop });
  return { told, end: stop };
}

import { type Told, type ScanContext, looseLeft } from "../told";
import { type Head, listedAt } from "./heads";
import type { Kind } from "../said";
import { preparingFur } from "../madeReady";
import { leadOf, verbBehindPlace, verbLead } from "./lead";
import { isPast, hasContent } from "./here";
import { isMoreThanVerb } from "./stuff";
import { coatsAhead } from "./another";
import { skipBlanks as skip } from "../parse";
import { endOfSentence, stopsHere, joins } from "./bounds";
import { settleKind } from "./kind";
import { step } from "./step";
import { NUMBER_WORD } from "../text/number";

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

export function scanOne(
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
    const isGiven = given !== undefined;
    const next = step({ told, text, at: place, to, context, canBeNoun: canBeNoun && !isGiven, isGiven });
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

/** “Back of pearl plastic, six wraps of fine wire over it”: what is wound in a cover's line is its rib. */
const turnsOfWire = new RegExp(
  `^\\W*(?:and\\s+|with\\s+)?(?:\\d+|${NUMBER_WORD})\\s+(?:(?:open|even|spaced|spiral)\\s+)*(?:turns|wraps)\\s+of\\s+(?:[\\w.-]+\\s+){0,3}(?:wire|oval|tinsel|mono)\\b`,
);

const toRibAhead = /\bto\s+rib\b/;

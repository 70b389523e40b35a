import { map, oneOf, words, type Reader } from "../parse";
import { act, excess, hitch, prepare } from "./act";
import { carry } from "./carry";
import { dub } from "./dub";
import { finish, glue, noFinish } from "./finish";
import { hold } from "./hold";
import type { VerbId } from "./ids";
import { leave } from "./leave";
import { repeat } from "./repeat";
import { seat } from "./seat";
import { stand } from "./stand";
import { takeOverVerb } from "./takeOver";
import { change, move, start } from "./thread";
import { tieInVerb } from "./tieIn";
import type { Verb } from "./verb";
import { whip } from "./whip";
import { windVerb } from "./wind";

export type { VerbId } from "./ids";
export { waitsToBeWound } from "./tieIn";
export { ribsOverAll } from "./wind";

/** All verbs in the order in which they are tried: the more exact ones first. */
const verbs: readonly Verb[] = [
  noFinish,
  prepare,
  whip,
  hitch,
  seat,
  change,
  start,
  move,
  carry,
  stand,
  repeat,
  takeOverVerb,
  hold,
  leave,
  excess,
  dub,
  glue,
  finish,
  windVerb,
  tieInVerb,
  act,
];
const byId = new Map(verbs.map((v) => [v.id, v]));
export const verbOf = (id: VerbId): Verb | undefined => byId.get(id);

/** The verb that stands at a place, if one does. */
export function verbAt(text: string, at: number): { id: VerbId; end: number } | undefined {
  for (const { id, reads } of verbs) {
    const found = reads(text, at);
    if (found) return { id, end: found.end };
  }
  return undefined;
}

/** “-ing” words that are nouns, places or lengths, or say how something is done. */
const isNoVerb =
  /^(?:dubbing|wing|string|spring|ring|ribbing|tailing|weighting|leaving|touching|overlapping|starting|beginning|reaching|covering|making|forming|giving|keeping|being|having|using|finishing|pointing|building)\b/;
const runsTo = /^running\s+(?:back|forwards?|along|to|as\s+far)\b/;
const ing = /[a-z]{2,}ing(?=\s)/y;
/** “Bringing the wire forward”: read as “bring”, in as many letters. */
export function verbGoingOnAt(text: string, at: number): { id: VerbId; end: number } | undefined {
  ing.lastIndex = at;
  const word = ing.exec(text)?.[0];
  if (word === undefined || isNoVerb.test(word)) return undefined;
  // “Flash on each side, running back to the tail”: so long it is.
  if (runsTo.test(text.slice(at, at + 40))) return undefined;
  const stem = word.slice(0, -3);
  const bases = [stem, `${stem}e`, ...(/(.)\1$/.test(stem) ? [stem.slice(0, -1)] : [])];
  for (const base of bases) {
    const asTold = text.slice(0, at) + base.padEnd(word.length) + text.slice(at + word.length);
    const found = verbAt(asTold, at);
    // “trimming” ends where its letters do, not where those of “trim” would.
    if (found) return { id: found.id, end: Math.max(found.end, at + word.length) };
  }
  return undefined;
}

/** Verbs told of what is described: “wound to the bend”, “palmered back”, “tied in at the front”. */
export const participleAt: Reader<VerbId> = oneOf<VerbId>(
  map(
    words(
      "(?:and\\s+)?(?:then\\s+)?(?:wound|wrapped|palmered|spiral(?:l)?ed)(?:\\s+(?:on|up|over(?!\\s+(?:the\\s+)?(?:(?:whole|front|rear)\\s+)?(?:body|abdomen|thorax|tinsel|floss|half|lot|shank))|round(?!\\s+(?:the|its)\\s+(?:post|base|wing|root|bend)\\b)))?",
    ),
    () => "wind" as const,
  ),
  map(
    words(
      "(?:touch[- ])?dubbed(?:\\s+on(?:to)?\\s+(?:an?\\s+|the\\s+)?(?:well\\s+)?(?:waxed\\s+)?(?:thread|silk)|\\s+(?:on|with))?|spun(?:\\s+on)?(?!\\s+(?:flat|clockwise|anti|counter|round|and\\s+packed|deer)|\\s*,?\\s*packed)",
    ),
    () => "dub" as const,
  ),
  map(
    words(
      "(?:then\\s+)?(?:pulled|folded|drawn|laid|stretched|brought|taken)\\s+(?:forward|back|over(?!\\s+the\\s+(?:tying\\s+)?(?:thread|silk)\\b))(?:\\s+over\\s+the\\s+(?:body|back|thorax|top))?(?=\\s|[.,;]|$)",
    ),
    () => "take over" as const,
  ),
  map(
    words(
      "tied\\s+(?:in|on(?!\\s+(?:top|the\\s+(?:top|under|near|far))\\b)|down)|caught\\s+in|bound\\s+(?:in|down)|mounted|lashed|set\\s+in",
    ),
    () => "tie in" as const,
  ),
);

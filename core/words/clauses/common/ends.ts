import { type Clause, clause, type Said } from "../../said";
import { beginning, map, seq, words, opt, oneOf, unless, match } from "../../parse";
import { begins, ends, shareOfShank } from "./zone";
import { absolute, isBareShare, placeReached, stuffReached, wayBackToEye, wayToBend } from "../../text/place";
import { number, readNumber } from "../../text/number";
import type { Place } from "../../../hooks";

/** Only one end is said. */
export const begin: Clause = clause(
  "from the eye",
  map(seq(begins, placeReached), ([, p]) => p),
  (s, p) => {
    if (s.begin !== undefined) return false;
    s.begin = p;
  },
);

/** “up to the front third”: as far as where it begins, seen from where the tying comes. */
export const endOfShare: Clause = clause(
  "up to the front third",
  map(seq(ends, shareOfShank), ([, z]) => z),
  (s, { from, to }) => {
    if (s.end !== undefined || s.from !== undefined) return false;
    s.end = "landmark" in from && from.landmark === "eye" ? to : from;
  },
);

const notOnTo = words("(?!(?:(?:back|down|rearwards?|forwards?|up|on|right)\\s+)+to\\s)[^\\s]+");
/** “From the front third down to the tail”: it begins where that share meets the others, whichever way it goes. */
export const beginOfShare: Clause = clause(
  "from the front third down to the tail",
  map(unless(seq(begins, shareOfShank), notOnTo), ([, z]) => z),
  (s, { from, to }) => {
    if (s.begin !== undefined || s.from !== undefined) return false;
    s.begin = "landmark" in from && from.landmark === "eye" ? to : from;
  },
);

/** “wound forward to two thirds of the shank”: so much of it is covered, counted from the bend. */
export const endForward: Clause = clause(
  "forward to two thirds of the shank",
  seq(
    words(
      "(?:(?<=\\b(?:wound|wrapped|dubbed|tapering|tapered)(?:\\s+[a-z]+){0,2}\\s+)(?:up\\s+)?|(?<=\\b(?:wind|wrap|work|bring|taper|dub|build)\\s+(?:it|them|the\\s+\\w+)\\s+)up\\s+|forwards?\\s+(?:up\\s+)?|(?:up|along)\\s+the\\s+(?:hook\\s+)?(?:shank|hook)\\s+)(?:to|as\\s+far\\s+as|until|over)|forwards?(?=\\s+(?:about\\s+|the\\s+)?(?:two|three|\\d)[^.;,]{0,12}\\sof\\s+(?:the\\s+)?(?:hook\\s+)?shank\\b)",
    ),
    opt(words("about|roughly|the")),
    oneOf(
      map(
        seq(number, words("of\\s+(?:the\\s+)?(?:hook\\s+)?(?:shank|hook)(?!\\s+(?:behind|back|from|lengths?))")),
        ([n]) => n,
      ),
      unless(number, words("mm|cm|in\\b|of|eyes?|turns?|gapes?|shanks?|behind|back|from")),
    ),
    opt(words("mark")),
  ),
  (s, [, , share]) => {
    if (s.end !== undefined || s.from !== undefined || !(share > 0.5 && share < 1)) return false;
    s.end = { fraction: Number((1 - share).toPrecision(12)) };
    s.way = "forward";
  },
);

/** “Wound two thirds up”, of what is dubbed: there it ends, and it begins at the bend. */
export const endUp: Clause = clause(
  "wound two thirds up",
  match(
    "(?<=\\b(?:wound|wrapped|dubbed|wind|wrap|dub)\\s+(?:(?:it|on|about)\\s+)?)(half(?:-?way)?|(?:one|a)\\s+third|two\\s+thirds|three\\s+quarters|a\\s+quarter|\\d/\\d)\\s+(?:of\\s+the\\s+way\\s+)?up(?!\\s+(?:to|from)\\b)(?:\\s+the\\s+(?:hook\\s+)?(?:shank|hook))?",
  ),
  (s, [words = ""]) => {
    const share = /^half/.test(words) ? 0.5 : readNumber(words);
    if (s.end !== undefined || s.from !== undefined || share === undefined || !(share < 1)) return false;
    Object.assign(s, { end: { fraction: Number((1 - share).toPrecision(12)) }, way: "forward" } satisfies Said);
  },
);

/** “Dub two thirds of the way back to the eye”: it ends there. */
export const wayBack: Clause = clause("two thirds of the way back to the eye", wayBackToEye, (s, end) => {
  if (s.end !== undefined || s.from !== undefined) return false;
  Object.assign(s, { end, way: "forward" } satisfies Said);
});

/** “Wound half way to the bend”: it ends there, and began in front of it. */
export const wayDown: Clause = clause("half way to the bend", wayToBend, (s, end) => {
  if (s.end !== undefined || s.from !== undefined) return false;
  Object.assign(s, { end, way: "back" } satisfies Said);
});

/** “wound two thirds of the way”: so much of the shank is covered, counted from the bend. */
export const endOfWay: Clause = clause(
  "two thirds of the way forward",
  seq(
    opt(words("(?:(?:up|forwards?)\\s+)?to|over|for|about")),
    unless(number, words("mm|cm|in\\b|eyes?|turns?")),
    words(
      "of\\s+the\\s+way(?:\\s+(?:forwards?|up|along(?=\\s*(?:[,.;]|$))))?(?:\\s+(?:forwards?\\s+|up\\s+)?to\\s+the\\s+(?:hook\\s+)?(?:eye|bead|cone|head)|(?!\\s+(?:along|back|behind|down|from|to|up|round|around|into|in|over)))",
    ),
  ),
  (s, [, share]) => {
    if (s.end !== undefined || s.from !== undefined || !(share > 0 && share < 1)) return false;
    s.end = { fraction: Number((1 - share).toPrecision(12)) };
    s.way = "forward";
  },
);

const BARE =
  "(?:bare|free|clear|empty|uncovered|open)(?:\\s+(?:at|for|behind)\\s+(?:the\\s+|a\\s+)?\\w+)?|for\\s+(?:the|a)\\s+(?:thorax|head|hackle|wing|collar|legs)|behind\\s+the\\s+(?:hook\\s+)?eye|(?:in|at\\s+the)\\s+front";
const MOST_BARE = 0.75;
/** How much of an end of the shank: a share of it, or so long. */
type Bare = number | { mm: number } | { eyeLengths: number };
/** An end of the shank, and how much of it. */
const bareEnd = seq(
  opt(match("(?:the\\s+)?(front|last|rear|back)")),
  opt(words("the|about")),
  oneOf<Bare>(
    map(seq(number, words("(?:hook\\s+)?eyes?(?:[\\s-]+(?:lengths?|widths?|diameters?))?")), ([eyeLengths]): Bare => ({
      eyeLengths,
    })),
    map(match("(third|quarter|half)"), ([share = ""]) => readNumber(share)),
    map(absolute, (mm): Bare => ({ mm })),
    number,
  ),
);
/** “leaving the front quarter of the shank bare”: what is wound ends before it, or begins in front of it. */
export const leavingBare: Clause = clause(
  "leaving the front quarter bare",
  seq(
    words("(?:and\\s+|so\\s+as\\s+)?(?:to\\s+)?leav(?:e|es|ing)(?:\\s+about)?|(?<=\\b(?:leave|keep)\\s+)the"),
    bareEnd,
    opt(
      map(
        seq(words("and"), match("(?:the\\s+)?(front|last|rear|back)"), bareEnd),
        ([, side, [, , share]]) => [side, undefined, share] as const,
      ),
    ),
    opt(words("of\\s+(?:the\\s+)?(?:hook\\s+)?(?:shank|hook|body)")),
    opt(words(BARE)),
  ),
  (s, [, first, second, , bare]) => {
    // “leaving a third of it” leaves nothing free of the shank.
    if (!bare && !first[0]) return false;
    if (s.from !== undefined || (second && isRear(first[0]) === isRear(second[0]))) return false;
    for (const [side, , share] of second ? [first, second] : [first])
      if (!leaveBare(s, isRear(side), share, side !== undefined)) return false;
  },
);
/** “leaving 3 mm at the front and 3 mm at the back”. */
const AT_END = words("(?:bare\\s+|free\\s+|clear\\s+)?(?:at|in)(?:\\s+the)?");
const atAnEnd = seq(absolute, AT_END, match("(front|eye|back|rear|bend)"));
export const leavingAtEnds: Clause = clause(
  "leaving 3 mm at the front",
  seq(words("leav(?:e|es|ing)(?:\\s+about)?"), atAnEnd, opt(map(seq(words("and"), atAnEnd), ([, end]) => end))),
  (s, [, first, second]) => {
    if (s.from !== undefined) return false;
    for (const [mm, , [end]] of second ? [first, second] : [first])
      if (end === "back" || end === "rear" || end === "bend") s.begin = { landmark: "bend", plus: { mm: -mm } };
      else s.end = { landmark: "eye", plus: { mm } };
  },
);
const isRear = (side: (string | undefined)[] | undefined): boolean => side?.[0] === "rear" || side?.[0] === "back";
function leaveBare(s: Said, isAtRear: boolean, share: Bare, isSided: boolean): boolean {
  if (typeof share !== "number" && "eyeLengths" in share) {
    if (!isSided || isAtRear) return false;
    s.end = share;
    return true;
  }
  if (typeof share !== "number") {
    // “leaving 2 mm free”, of no end that is named, is told by the clauses of each kind.
    if (!isSided) return false;
    if (isAtRear) s.begin = { landmark: "bend", plus: { mm: -share.mm } };
    else s.end = { landmark: "eye", plus: { mm: share.mm } };
    return true;
  }
  if (!(share > 0 && share < MOST_BARE)) return false;
  if (isAtRear) s.begin = { fraction: Number((1 - share).toPrecision(12)) };
  else s.end = { fraction: share };
  return true;
}

/** Room for what comes later is where it usually is. */
export const leavingRoom: Clause = clause(
  "leaving room for the head",
  words(
    "(?:and\\s+)?leav(?:e|es|ing)\\s+(?:some\\s+|enough\\s+|a\\s+little\\s+|plenty\\s+of\\s+)?(?:room|space)(?:\\s+(?:for|behind|at|in\\s+front\\s+of)\\s+(?:a\\s+|the\\s+)?\\w+)?",
  ),
  () => undefined,
);

const endTo = map(seq(ends, oneOf(placeReached, stuffReached)), ([, p]) => p);
const goesBack = /^\W*(?:back|down|rearward)/;
const leadsThere = /^.*?\b(?:to|as|until|till|at|by|stopping|ending|finishing|stops?|ends?)\s+(?:about\s+|at\s+)?/su;
/** A place, and whether it is a share of the shank that is counted from either end. */
const endOrShare = beginning(endTo.firsts, (text, at) => {
  const found = endTo(text, at);
  const words = text.slice(at, found?.end);
  const isShare = !!found && !goesBack.test(words) && isBareShare(found.value, words.replace(leadsThere, ""));
  return found && { ...found, value: [found.value, isShare] as const };
});
export const end: Clause = clause("up to the bead", endOrShare, (s, [p, isShare]) => {
  if (s.end !== undefined) return false;
  s.end = p;
  if (isShare) s.endShare = true;
});

/** “to the eyes, cross between them and go on to the front”: it is wound on, beyond where it was to end. */
const onToFront: Clause = clause(
  "and on to the eye",
  seq(
    words(
      "(?:(?:go(?:es|ing)?|carry(?:ing)?|continue|continuing|keep(?:ing)?)\\s+(?:going\\s+)?)?(?:right\\s+)?on(?:\\s+(?:up|forwards?))?\\s+to",
    ),
    oneOf(
      map(words("the\\s+(?:front|head|(?:hook\\s+)?eye)(?!s|\\s+of)"), (): Place => ({ eyeLengths: 1 })),
      placeReached,
    ),
  ),
  (s, [, p]) => {
    if (s.end === undefined) return false;
    s.end = p;
  },
);

/** Where it ends; the longer forms first. */
export const endAhead: Clause = {
  example: end.example,
  take: (said, text, place) =>
    onToFront.take(said, text, place) ?? endForward.take(said, text, place) ?? end.take(said, text, place),
};

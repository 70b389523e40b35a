import type { HookSize, Place } from "../../hooks";
import { areaOf } from "../../materials";
import { holds, type SizeSpan } from "../../recipe";
import { anyOf, map, match, memo, oneOf, opt, seq, unless, words, type Reader } from "../parse";
import { clause, put, putWay, type Clause, type Said } from "../said";
import { count, times } from "../text/count";
import { number } from "../text/number";
import { bareFraction, place, placeBeside, placeReached, shareFrom, thirdBack, whereItIs } from "../text/place";

const the = opt(words("the|a|an|its"));
const begins = words(
  "(?:starting|beginning|begun|started|start|begin|running|run|worked|working)\\s+(?:from|at)|from|(?:starting|started|beginning|begun|begin|start)(?=\\s+(?:just|\\d|a|an|one|two|half|behind|in\\s+front|over|above|right))|(?:starting|started|beginning|begun)\\s+(?:level\\s+with|opposite)",
);
const ends = words(
  "(?:(?:forward|forwards|back|backwards|up|down|on|along|over|right|all\\s+the\\s+way|rearward|rearwards)\\s+)*(?:up\\s+to|down\\s+to|as\\s+far\\s+(?:back\\s+)?as|to|until|till|stopping|ending|finishing|stops?|finish(?:es)?|ends?)(?:\\s+(?:just\\s+)?(?:at|by|a\\s+spot|the\\s+spot|a\\s+point|a\\s+place|a\\s+position|the\\s+start(?!\\s+of)|meet))*",
);

const shareOfShank: Reader<{ from: Place; to: Place }> = map(
  // “forward three quarters of the way” goes there.
  unless(
    seq(
      the,
      match("(rear|back|hind|front|fore|forward|first|last|middle|mid|centre|center)"),
      oneOf(
        map(match("(\\d+)\\s*(?:%|per\\s?cent)"), ([p]) => Number(p) / 100),
        map(match("(third|quarter)"), ([w]) => (w === "third" ? 1 / 3 : 1 / 4)),
        number,
      ),
      opt(words("of")),
      opt(match("(?:the\\s+)?(?:hook\\s+)?(shank|hook|body)")),
    ),
    words("(?:the\\s+)?way"),
  ),
  ([, [end], share, , of]) => {
    if (share > 1) return undefined;
    if (end === "middle" || end === "mid" || end === "centre" || end === "center")
      return {
        from: { fraction: Number(((1 - share) / 2).toPrecision(12)) },
        to: { fraction: Number(((1 + share) / 2).toPrecision(12)) },
      };
    // What is wound has its first third at the bend, where it begins; the shank has its own behind the eye.
    const isOfShank = of !== undefined && of[0] !== "body";
    const isFront = isOfShank ? end === "first" : end === "last";
    return end === "front" || end === "fore" || end === "forward" || isFront
      ? { from: { landmark: "eye" }, to: { fraction: share } }
      : { from: { fraction: Number((1 - share).toPrecision(12)) }, to: { landmark: "bend" } };
  },
);
/** “the rear yellow floss, the front black floss”: each has its half. */
const itsHalf: Reader<{ from: Place; to: Place }> = map(
  match(
    "(?<!\\bin\\s+)(?:the\\s+)?(rear|back|front)(?:\\s+(?:part|section|portion|one))?(?=\\s+(?:of\\s+)?(?!of\\b|end\\b|the\\b|(?:feather|hackle|covert|saddle|fibre)s?\\b|hair\\b|fur\\b|half\\b|third\\b|quarter\\b|two\\b|and\\b|by\\b|to\\b|with\\b|over\\b|forwards?\\b|up\\b|down\\b|along\\b|again\\b|at\\b|from\\b|in\\b|on\\b|until\\b|till\\b|just\\b|through\\b|for\\b)[a-z])",
  ),
  ([end]) =>
    end === "front"
      ? { from: { eyeLengths: 1.5 }, to: { fraction: 0.5 } }
      : { from: { fraction: 0.5 }, to: { landmark: "bend" } },
);
/** “two thirds of the shank”, of what is wound or dubbed: so much of it from the bend forward. */
const shareTaken: Reader<{ from: Place; to: Place }> = map(
  seq(
    opt(words("over|along|for|covering|taking\\s+up|occupying|about|roughly|the")),
    number,
    words(
      "of\\s+the\\s+body(?=\\s*(?:[,.;]|$))|of\\s+(?:the\\s+)?(?:(?:hook\\s+)?shank|hook(?!\\s+(?:shank|point|eye|bend|gape|length)))(?!\\s*(?:lengths?|full|thick|long|wide|behind|back|from|in))|shank(?=\\s*(?:[,.;]|$))",
    ),
  ),
  ([, share]) =>
    share > 0.15 && share < 1
      ? { from: { fraction: Number((1 - share).toPrecision(12)) }, to: { landmark: "bend" } }
      : undefined,
);
const wholeShank: Reader<{ from: Place; to: Place }> = map(
  words(
    "(?:along|over|down|up)?\\s*(?:the\\s+)?(?:whole|entire|full|complete)\\s+(?:length\\s+of\\s+(?:the\\s+)?)?(?:hook\\s+)?shank(?:\\s+length)?|all\\s+along\\s+the\\s+(?:hook\\s+)?shank|the\\s+(?:full\\s+)?length\\s+of\\s+the\\s+(?:hook\\s+)?shank",
  ),
  () => ({ from: { eyeLengths: 0.5 }, to: { landmark: "bend" } }),
);
const overPart: Reader<{ from: Place; to: Place }> = map(
  match(
    "(?:all\\s+)?(?:along|over|through)\\s+(?:the\\s+)?(?:whole\\s+|entire\\s+|length\\s+of\\s+the\\s+)?(body|abdomen|thorax)",
  ),
  ([w]) => {
    const part = w === "thorax" ? "thorax" : "body";
    return { from: { part, end: "front" }, to: { part, end: "rear" } };
  },
);

const intoBend: Reader<Place> = map(
  words("(?:well\\s+|right\\s+|down\\s+|just\\s+|slightly\\s+)*(?:into|round|around)\\s+the\\s+(?:bend|curve)"),
  () => ({ landmark: "intoBend" }),
);
/** Between a part and the eye is in front of that part. */
const facing = (p: Place, other: Place): Place =>
  "part" in p &&
  p.plus === undefined &&
  !("part" in other) &&
  ("eyeLengths" in other || ("landmark" in other && other.landmark === "eye"))
    ? { ...p, end: "front" }
    : p;

/** From one place to another, in the direction in which it was said. */
export const zoneRead: Reader<{ from: Place; to: Place }> = memo(
  oneOf<{ from: Place; to: Place }>(
    // “from the bend to two thirds”: so much of the shank is covered.
    map(
      seq(
        begins,
        the,
        words("(?:hook\\s+)?bend"),
        ends,
        oneOf(
          bareFraction,
          map(unless(number, words("mm|cm|in\\b|of|eyes?|shank|gape|\\d|turns?")), (n) => ({ fraction: n })),
        ),
      ),
      ([, , , , p]) =>
        "fraction" in p && p.fraction > 0.5 && p.fraction < 1
          ? { from: { landmark: "bend" as const }, to: { fraction: Number((1 - p.fraction).toPrecision(12)) } }
          : undefined,
    ),
    map(seq(begins, placeReached, ends, placeReached), ([, from, , to]) => ({ from, to })),
    map(seq(opt(words("round|around|over")), place, ends, placeReached), ([, from, , to]) => ({ from, to })),
    map(seq(words("round|around|over"), placeReached, ends, placeReached), ([, from, , to]) => ({ from, to })),
    map(seq(opt(begins), placeReached, intoBend), ([, from, to]) => ({ from, to })),
    map(seq(words("between"), placeReached, words("and"), placeReached), ([, a, , b]) => ({
      from: facing(a, b),
      to: facing(b, a),
    })),
    map(seq(opt(words("on|over|along|for|across|in")), shareOfShank), ([, z]) => z),
    wholeShank,
    overPart,
    itsHalf,
  ),
);

/** How much of the shank a body takes, where no places are said. */
export const shareOfIt: Clause = clause("two thirds of the shank", shareTaken, (s, z) => {
  if (s.from !== undefined || s.begin !== undefined || s.end !== undefined || s.there !== undefined) return false;
  Object.assign(s, z);
});

/** “rest black floss”: what an earlier body leaves. */
export const theRest: Clause = clause(
  "the rest of the body",
  words(
    "(?:the\\s+)?(?:rest|remainder|remaining\\s+(?:half|third|two\\s+thirds|part))(?:\\s+of\\s+(?:the\\s+)?(?:body|shank))?(?:\\s+(?:in|is|of))?(?=\\s+(?!of\\b|the\\b|and\\b|it\\b|is\\b|are\\b|forwards?\\b|back|up\\b|down\\b|to\\b|over\\b|for\\b|as\\b|on\\b|in\\b|at\\b|together\\b)[a-z])",
  ),
  put({ rest: true }),
);

export const zone: Clause = clause(
  "from mid-shank to the bend",
  unless(zoneRead, words("full|wide|long|thick")),
  (s, z) => {
    if (s.from !== undefined) return false;
    Object.assign(s, z);
  },
);
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
/** “wound forward to two thirds of the shank”: so much of it is covered, counted from the bend. */
export const endForward: Clause = clause(
  "forward to two thirds of the shank",
  seq(
    words(
      "(?:(?<=\\b(?:wound|wrapped|dubbed|tapering|tapered)(?:\\s+[a-z]+){0,2}\\s+)(?:up\\s+)?|(?<=\\b(?:wind|wrap|work|bring|taper|dub|build)\\s+(?:it|them|the\\s+\\w+)\\s+)up\\s+|forwards?\\s+(?:up\\s+)?|(?:up|along)\\s+the\\s+(?:hook\\s+)?(?:shank|hook)\\s+)(?:to|as\\s+far\\s+as|until|over)",
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
/** “wound two thirds of the way”: so much of the shank is covered, counted from the bend. */
export const endOfWay: Clause = clause(
  "two thirds of the way forward",
  seq(
    opt(words("(?:(?:up|forwards?)\\s+)?to|over|for|about")),
    unless(number, words("mm|cm|in\\b|eyes?|turns?")),
    words(
      "of\\s+the\\s+way(?:\\s+(?:forwards?|up))?(?:\\s+(?:forwards?\\s+|up\\s+)?to\\s+the\\s+(?:hook\\s+)?(?:eye|bead|cone|head)|(?!\\s+(?:along|back|down|from|to|up|round|around|into|in|over)))",
    ),
  ),
  (s, [, share]) => {
    if (s.end !== undefined || s.from !== undefined || !(share > 0 && share < 1)) return false;
    s.end = { fraction: Number((1 - share).toPrecision(12)) };
    s.way = "forward";
  },
);
/** “leaving the front quarter of the shank bare”: what is wound ends before it, or begins in front of it. */
export const leavingBare: Clause = clause(
  "leaving the front quarter bare",
  seq(
    words("(?:and\\s+|so\\s+as\\s+)?(?:to\\s+)?leav(?:e|es|ing)(?:\\s+about)?"),
    opt(match("(?:the\\s+)?(front|last|rear|back)")),
    opt(words("the|about")),
    oneOf(
      map(match("(third|quarter|half)"), ([w]) => (w === "half" ? 1 / 2 : w === "third" ? 1 / 3 : 1 / 4)),
      number,
    ),
    opt(words("of\\s+(?:the\\s+)?(?:hook\\s+)?(?:shank|hook|body)")),
    words(
      "(?:bare|free|clear|empty|uncovered|open)(?:\\s+(?:at|for|behind)\\s+(?:the\\s+|a\\s+)?\\w+)?|for\\s+(?:the|a)\\s+(?:thorax|head|hackle|wing|collar|legs)|behind\\s+the\\s+(?:hook\\s+)?eye|(?:in|at\\s+the)\\s+front",
    ),
  ),
  (s, [, side, , share]) => {
    if (s.from !== undefined || !(share > 0 && share < 0.75)) return false;
    const isRear = side?.[0] === "rear" || side?.[0] === "back";
    if (isRear) s.begin = { fraction: Number((1 - share).toPrecision(12)) };
    else s.end = { fraction: share };
  },
);
/** Room for what comes later is where it usually is. */
export const leavingRoom: Clause = clause(
  "leaving room for the head",
  words(
    "(?:and\\s+)?leav(?:e|es|ing)\\s+(?:some\\s+|enough\\s+|a\\s+little\\s+|plenty\\s+of\\s+)?(?:room|space)(?:\\s+(?:for|behind|at|in\\s+front\\s+of)\\s+(?:a\\s+|the\\s+)?\\w+)?",
  ),
  () => undefined,
);
export const end: Clause = clause(
  "up to the bead",
  map(seq(ends, placeReached), ([, p]) => p),
  (s, p) => {
    if (s.end !== undefined) return false;
    s.end = p;
  },
);
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
const besides = map(
  seq(
    words(
      "(?:right\\s+|just\\s+|close\\s+)?(?:at|near|by|on|in|(?:up\\s+)?against(?=\\s+(?:the\\s+)?(?:wing\\s+)?(?:post|bead|eyes?|wing)\\b)|(?:back\\s+|forward\\s+)?over|above|around|beside|round)",
    ),
    oneOf(place, placeReached),
  ),
  ([, p]) => p,
);
const setThere = (s: Said, p: Place): boolean | void => {
  if (s.there !== undefined) return false;
  s.there = p;
};
export const at: Clause = clause("at the bend", oneOf(intoBend, whereItIs, besides, place), setThere);
/** Where a figure alone is a length, a place says “at”, “behind” or “in front of”. */
export const atSaid: Clause = clause(
  "at the bend",
  oneOf(intoBend, whereItIs, besides, placeBeside, shareFrom, thirdBack),
  setThere,
);

const hold = oneOf(...holds.map((h) => map(words(h.replace(" ", "\\s+")), () => h)));
const howMany = map(
  seq(
    opt(words("with|by|using|,")),
    count,
    // “8 crosswise wraps”, “6 more tight wraps”: how they are laid is told by the words that stay.
    opt(
      words(
        "(?:(?!of\\b|and\\b|with\\b|turns?\\b|the\\b)[\\w-]+\\s+){0,2}?(?=(?:thread\\s+)?wraps?\\b|thread\\s+bands?\\b|turns?\\s+of\\b)",
      ),
    ),
    words(
      "(?:thread\\s+)?wraps?(?!\\s+of\\s+(?!(?:the\\s+)?(?:(?:tying|working)\\s+)?(?:thread|silk)\\b))|(?:soft|pinch|loose)\\s+loops?|thread\\s+bands?|turns?\\s+of\\s+(?:the\\s+)?(?:tying\\s+)?(?:thread|silk)",
    ),
  ),
  ([, c]) => c,
);
export const tiedIn: Clause = clause(
  "tied in at the bend with 5 wraps",
  seq(
    words("tied\\s+(?:in|on|down)|caught\\s+in|bound\\s+in|set\\s+in|set(?=\\s+(?:at|near)\\s)|fixed"),
    opt(words("just|right")),
    opt(words("at|on|near")),
    // “tied in at the front third”: where that ends.
    oneOf(
      place,
      map(shareOfShank, ({ from, to }) => ("landmark" in from && from.landmark === "eye" ? to : from)),
      placeReached,
    ),
    // When, and no second place: “tied in at the bend before the body and folded over it”.
    opt(words("before\\s+the\\s+(?:body|abdomen|dubbing)(?=\\s*(?:[,.;]|$|and\\b))")),
    opt(map(seq(words("as"), opt(words("a")), hold, opt(words("hold"))), ([, , h]) => h)),
    opt(howMany),
  ),
  (s, [, , , where, , held, n]) => {
    if (n && !(Number.isInteger(n.n) && n.n >= 1)) return false;
    s.tieIn = { at: where, ...(n && { wraps: n.n }), ...(held && { hold: held }) };
  },
);
export const wraps: Clause = clause("5 wraps", howMany, (s, c) => {
  const n = c.spread ? Math.round(c.n) : c.n;
  if (!Number.isInteger(n) || n < 1) return false;
  s.wraps = n;
});
const held: Clause = clause(
  "as a loose hold",
  map(seq(words("as"), opt(words("a")), hold, opt(words("hold"))), ([, , h]) => h),
  (s, h) => void (s.tieIn = { ...s.tieIn, hold: h }),
);

const SIZE = "(\\d+(?:\\/0)?)";
/** “14s”, “12s and smaller”, “8 or larger”. */
export const sizesRead: Reader<Partial<SizeSpan>> = oneOf<Partial<SizeSpan>>(
  map(match(`(?:(?:size|no\\.?|#)\\s*)?${SIZE}'?s?\\s*(?:and|or|&)\\s*(smaller|down|under|below|finer)`), ([s]) => ({
    from: s,
  })),
  map(match(`(?:(?:size|no\\.?|#)\\s*)?${SIZE}'?s?\\s*(?:and|or|&)\\s*(larger|bigger|up|over|above)`), ([s]) => ({
    to: s,
  })),
  map(match(`(?:(?:sizes?|no\\.?|#)\\s*)?${SIZE}'?s?\\s*(?:-|to|and)\\s*${SIZE}'?s?`), ([a, b]) => ({
    from: a,
    to: b,
  })),
  map(match(`(?:(?:size|no\\.?|#)\\s*)?${SIZE}'?s?`), ([s]) => ({ from: s, to: s })),
);
const onThem = map(seq(words("on|in|for"), opt(words("a|the")), sizesRead), ([, , sizes]) => sizes);
/** “4 on 14s”: a count that holds for some sizes. */
export const onSizes: Clause = clause(
  "4 on 14s and smaller",
  map(seq(number, opt(words("turns?|fibres?|strands?|wraps?|of\\s+them")), onThem), ([n, , sizes]) => ({ n, sizes })),
  (s, { n, sizes }) => void (s.onSizes = [...(s.onSizes ?? []), { sizes, count: n }]),
);

/** It is there only where somebody wants it. */
const optional: Clause = clause(
  "may be left out",
  words(
    anyOf(
      "(?:which\\s+|it\\s+|this\\s+)?(?:may|can|might)\\s+be\\s+(?:left\\s+out|omitted|skipped)",
      "optional(?:ly)?",
      "(?:skip|leave\\s+out|omit)\\s+(?:it|them)?\\s*(?:out\\s+)?if\\s+you\\s+have\\s+(?:none|no\\s+\\w+)",
      "if\\s+you\\s+have\\s+(?:it|one|some|any|them)",
      "if\\s+(?:you\\s+)?(?:like|want(?:ed)?|wish|desired|to\\s+hand|available)",
      "or\\s+(?:leave|left)\\s+(?:it\\s+)?out",
      "or\\s+without",
    ),
  ),
  put1({ optional: true }),
);
function put1(more: Said) {
  return (s: Said): void => void Object.assign(s, more);
}
/** An order that is free: “before or after the collar”. */
const freeOrder: Clause = clause(
  "before or after the collar",
  seq(words("(?:either\\s+)?(?:before|ahead\\s+of)\\s+or\\s+after"), the, match("([a-z]+(?:\\s+case)?)")),
  (s, [, , [part]]) => void (s.orBefore = part),
);

const taken = "(?:(?:taken|cut|picked|plucked)\\s+)?from\\s+the\\s+";
const skin = "(?:skin|cape|saddle|hide|pelt|patch|mask)";
/**
 * Where on the skin it is taken from: any words before “of the skin”, and what can only be a part of a wing or a tail
 * in the drawer. “From the tail” alone is a place on the fly.
 */
export const fromArea: Clause = clause(
  "from the edge of the skin",
  oneOf(
    match(`${taken}((?:[a-z]+\\s+){0,2}[a-z]+)\\s+of\\s+the\\s+${skin}\\b`),
    match(
      `${taken}((?:upper|lower|outer|inner)\\s+wing|sides?\\s+of\\s+the\\s+tail)(?!\\s+(?:to|up|back|forwards?)\\b)`,
    ),
  ),
  (s, [area = ""]) => void (s.area = areaOf(area)),
);

/** How far something is stretched while it is wound or laid. */
export const stretched: Clause = clause(
  "stretched 2 times",
  seq(
    words("(?:well\\s+)?stretch(?:ed|ing)?"),
    opt(words("it|to|by|out|back")),
    oneOf(
      map(times, (c) => c.n),
      map(words("double|twice(?:\\s+its\\s+length)?"), () => 2),
      number,
    ),
    opt(words("times|x|its\\s+(?:own\\s+)?length|of\\s+its\\s+length")),
  ),
  (s, [, , stretch]) => {
    if (!(stretch >= 1)) return false;
    s.stretch = stretch;
  },
);

/** How firmly it is secured, where a school rather than a number was said. */
const securing: Clause = clause(
  "held by as few wraps as will do",
  oneOf(
    map(
      words(
        "(?:held|secured|tied\\s+down|bound)\\s+(?:by|with)\\s+(?:as\\s+few|only\\s+as\\s+many|the\\s+fewest)\\s+(?:wraps|turns)(?:\\s+(?:as|that)\\s+(?:will\\s+)?(?:do|hold|needed))?|(?:as\\s+few|the\\s+fewest)\\s+(?:wraps|turns)\\s+(?:as|that)\\s+(?:will\\s+)?(?:do|hold)",
      ),
      () => "few",
    ),
    map(words("secured\\s+(?:by|with)\\s+(?:several|many|plenty\\s+of|extra)\\s+(?:wraps|turns)"), () => "several"),
  ),
  (s, school) => putWay(s, "securing", school),
);

/** Said of any kind of step, after what is its own. */
export const everywhere: Clause[] = [tiedIn, onSizes, securing, wraps, held, optional, freeOrder, endOfShare];
/** Two clauses in the place of one. */
function firstOf(a: Clause, b: Clause): Clause {
  return { example: b.example, take: (said, text, at) => a.take(said, text, at) ?? b.take(said, text, at) };
}
export const where: Clause[] = [zone, begin, firstOf(onToFront, firstOf(endForward, end)), at];

/** A span of sizes with both ends, within those of the pattern. */
export const spanOf = (sizes: Partial<SizeSpan>, all: SizeSpan): { from: HookSize; to: HookSize } => ({
  from: sizes.from ?? all.from,
  to: sizes.to ?? all.to,
});

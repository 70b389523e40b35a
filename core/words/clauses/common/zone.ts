import { beginning, opt, words, type Reader, map, unless, seq, match, oneOf, memo } from "../../parse";
import type { Place } from "../../../hooks";
import { number, readNumber } from "../../text/number";
import {
  absolute,
  bareFraction,
  fromOtherEnd,
  isBareShare,
  percent,
  placeReached,
  place,
  stuffReached,
} from "../../text/place";
import { type Clause, clause, put } from "../../said";

export const the = opt(words("the|a|an|its"));

export const begins = words(
  "(?:starting|beginning|begun|started|start|begin|running|run|worked|working)\\s+(?:from|at)|from|(?:starting|started|beginning|begun|begin|start)(?=\\s+(?:just|\\d|a|an|one|two|half|behind|in\\s+front|over|above|right))|(?:starting|started|beginning|begun)\\s+(?:level\\s+with|opposite)",
);

export const ends = words(
  "(?:(?:forward|forwards|back|backwards|up|down|on|along|over|right|all\\s+the\\s+way|rearward|rearwards)\\s+)*(?:up\\s+to|down\\s+to|as\\s+far\\s+(?:back\\s+)?as|to|(?:until|till)\\s+(?:you|we)\\s+(?:reach|get\\s+to|come\\s+to|meet|hit|are\\s+at)|until|till|stopping|ending|finishing|stops?|finish(?:es)?|ends?)(?:\\s+(?:just\\s+)?(?:(?:about|roughly)(?=\\s+(?:an?|one|two|half|\\d))|at|by|a\\s+spot|the\\s+spot|a\\s+point|a\\s+place|a\\s+position|the\\s+start(?!\\s+of)|meet))*",
);

export const shareOfShank: Reader<{ from: Place; to: Place }> = map(
  // “forward three quarters of the way” goes there.
  unless(
    seq(
      the,
      match("(rear|back|hind|front|fore|(?<=\\bthe\\s+)forward|first|last|middle|mid|centre|center)"),
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
    if (share > 1 || (share === 1 && of === undefined)) return undefined;
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
    "(?<!\\bin\\s+)(?:the\\s+)?(rear|back|front)(?:\\s+(?:part|section|portion|one))?(?=\\s+(?:of\\s+)?(?!of\\b|end\\b|the\\b|(?:feather|hackle|covert|saddle|fibre)s?\\b|[a-z]+ed\\b|hair\\b|fur\\b|half\\b|third\\b|quarter\\b|two\\b|and\\b|by\\b|to\\b|with\\b|over\\b|forwards?\\b|up\\b|down\\b|along\\b|again\\b|at\\b|from\\b|in\\b|on\\b|until\\b|till\\b|just\\b|through\\b|for\\b|towards?\\b|into\\b|past\\b|behind\\b|before\\b|under\\b|as\\b|then\\b|between\\b|a?round\\b|each\\b|every\\b|once\\b|twice\\b|it\\b|them\\b)[a-z])",
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
    oneOf(percent, number),
    words(
      "(?:of\\s+)?the\\s+body(?=\\s*(?:[,.;]|$))|of\\s+(?:the\\s+)?(?:(?:hook\\s+)?shank|hook(?!\\s+(?:shank|point|eye|bend|gape|length)))(?!\\s*(?:lengths?|full|thick|long|wide|behind|back|from|in))|shank(?=\\s*(?:[,.;]|$))",
    ),
  ),
  ([, share]) =>
    share > 0.15 && share < 1
      ? { from: { fraction: Number((1 - share).toPrecision(12)) }, to: { landmark: "bend" } }
      : undefined,
);

/** “over the front 3 mm”. */
const endInMm: Reader<{ from: Place; to: Place }> = map(
  seq(
    opt(words("on|over|along|for|across|in")),
    the,
    match("(rear|(?<!\\b(?:wind|wrap|run|go|come|work|move|thread|silk|it|further)\\s+)back|front|last|first)"),
    absolute,
    opt(words("of\\s+(?:the\\s+)?(?:hook(?:\\s+shank)?|shank)")),
  ),
  // What is wound comes to its last mm at the eye.
  ([, , [end], mm]) =>
    end === "front" || end === "last"
      ? { from: { landmark: "eye" }, to: { landmark: "eye", plus: { mm } } }
      : { from: { landmark: "bend", plus: { mm: -mm } }, to: { landmark: "bend" } },
);

/** “3 strands of herl, two thirds”: so much of the shank, from the bend. */
const bareShare: Reader<{ from: Place; to: Place }> = map(
  match("(?:(?:over|for|covering|taking\\s+up)\\s+)?(two\\s+thirds|three\\s+quarters|2\\/3|3\\/4)(?=\\s*(?:[,.;]|$))"),
  ([share = ""]) => ({
    from: { fraction: Number((1 - (readNumber(share) ?? 0)).toPrecision(12)) },
    to: { landmark: "bend" },
  }),
);

const wholeShank: Reader<{ from: Place; to: Place }> = map(
  words(
    "(?<!\\bthread\\s+)covering\\s+(?:the\\s+)?(?:hook\\s+)?shank(?=\\s*(?:[,.;]|$))|(?:along|over|down|up)?\\s*(?:the\\s+)?(?:whole|entire|full|complete)\\s+(?:length\\s+of\\s+(?:the\\s+)?)?(?:hook\\s+)?shank(?:\\s+length)?|all\\s+along\\s+the\\s+(?:hook\\s+)?shank|the\\s+(?:full\\s+)?length\\s+of\\s+the\\s+(?:hook\\s+)?shank",
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

export const intoBend: Reader<Place> = map(
  words("(?:well\\s+|right\\s+|down\\s+|just\\s+|slightly\\s+)*(?:into|round|around)\\s+the\\s+(?:bend|curve)"),
  () => ({ landmark: "intoBend" }),
);

/** Between a part and the eye is in front of that part. */
const facing = (p: Place, other: Place): Place => {
  if (!("part" in p) || p.plus !== undefined) return p;
  const isToEye = "part" in other ? isFarther(p.part, other.part) : isOfEye(other);
  return isToEye ? { ...p, end: "front" } : p;
};
const isOfEye = (p: Place): boolean => "eyeLengths" in p || ("landmark" in p && p.landmark === "eye");
/** Parts as they follow each other along the shank, from the bend to the eye. */
const order = ["tail", "tag", "butt", "body", "thorax", "wing", "hackle", "collar", "head"];
const isFarther = (rear: string, front: string): boolean =>
  order.includes(rear) && order.indexOf(rear) < order.indexOf(front);

const fromTo = map(seq(begins, placeReached, ends, oneOf(placeReached, stuffReached)), ([, from, , to]) => ({
  from,
  to,
}));
const behind = (place: Place): boolean =>
  "landmark" in place && place.landmark !== "eye" && place.landmark !== "betweenBends";
const target = /^.*?\s(?:to|until|till|as\s+far\s+as|over)\s/su;
/** “From the bend up to 70 % of the shank”: so much of it is covered. */
const fromBehind: Reader<{ from: Place; to: Place }> = beginning(fromTo.firsts, (text, at) => {
  const found = fromTo(text, at);
  if (!found || !behind(found.value.from)) return found;
  const { from, to } = found.value;
  const words = text.slice(at, found.end).replace(target, "");
  return isBareShare(to, words) ? { ...found, value: { from, to: fromOtherEnd(to) } } : found;
});

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
    fromBehind,
    // “wind it round the bend to the eye”: so far round it begins.
    map(seq(intoBend, ends, placeReached), ([from, , to]) => ({ from, to })),
    map(seq(opt(words("round|around|over")), place, ends, placeReached), ([, from, , to]) => ({ from, to })),
    map(seq(words("round|around|over"), placeReached, ends, placeReached), ([, from, , to]) => ({ from, to })),
    map(seq(opt(begins), placeReached, intoBend), ([, from, to]) => ({ from, to })),
    map(seq(words("between"), placeReached, words("and"), placeReached), ([, a, , b]) => ({
      from: facing(a, b),
      to: facing(b, a),
    })),
    map(seq(opt(words("on|over|along|for|across|in")), shareOfShank), ([, z]) => z),
    endInMm,
    wholeShank,
    overPart,
    itsHalf,
  ),
);

/** How much of the shank a body takes, where no places are said. */
export const shareOfIt: Clause = clause("two thirds of the shank", oneOf(shareTaken, bareShare), (s, z) => {
  if (s.from !== undefined || s.begin !== undefined || s.end !== undefined || s.there !== undefined) return false;
  Object.assign(s, z);
});

/** “rest black floss”: what an earlier body leaves. */
export const theRest: Clause = clause(
  "the rest of the body",
  words(
    "from\\s+there(?:\\s+on(?:wards?)?)?(?=\\s+(?:in\\s+)?(?!to\\b|back|up\\b|down\\b|forwards?\\b|the\\b|it\\b|you\\b|we\\b|wind|dub|wrap)[a-z])|(?:the\\s+)?(?:rest|remainder|remaining\\s+(?:half|third|two\\s+thirds|part))(?:\\s+of\\s+(?:the\\s+)?(?:body|shank))?(?:\\s+(?:in|is|of))?(?=\\s+(?!of\\b|the\\b|and\\b|it\\b|is\\b|are\\b|forwards?\\b|back|up\\b|down\\b|to\\b|over\\b|for\\b|as\\b|on\\b|in\\b|at\\b|together\\b)[a-z])",
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

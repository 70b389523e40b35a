import type { Place } from "../../hooks";
import type { AddedLength, LengthRule, Measure, PlainLength, Reach } from "../../recipe";
import { either, firstsOf } from "../firsts";
import { anyOf, beginning, map, match, memo, oneOf, opt, seq, unless, whole, words, type Reader } from "../parse";
import { number, readNumber } from "./number";
import { absolute, placeReached } from "./place";

const the = memo(opt(words("the|a|an|its")));

const measureWords: [string, Measure][] = [
  ["(?:hook[- ]?)?shanks?", "shank"],
  ["(?:hook[- ]?)?(?:gapes?|gaps?)", "gape"],
  ["(?:hook[- ]?)?eyes?", "eye"],
  ["(?:whole\\s+|entire\\s+|full\\s+|complete\\s+)?hooks?(?!\\s+(?:point|barb|bend))", "hook"],
  ["bod(?:y|ies)(?!\\s+hackles?)|abdomen", "body"],
  ["tails?|shuck", "tail"],
  ["wings?|post", "wing"],
  ["thorax", "thorax"],
  ["(?:body\\s+)?(?:hackle|collar)s?(?:\\s+(?:fibres?|fibers?|barbs?))?", "hackle"],
  ["throat|beard|belly", "throat"],
  ["legs?", "legs"],
  ["flash", "flash"],
  ["underwing", "underwing"],
];
const LENGTHS =
  "(?:'s)?(?:[- ]?(?:lengths?|widths?|heights?))?(?:\\s+of\\s+the\\s+hook)?(?:\\s+is\\s+(?:wide|long|deep|tall|high))?";
const measure: Reader<Measure> = memo(
  oneOf(
    ...measureWords.map(([w, m]) =>
      map(words(`(?:(?:length|width|depth|size|height)\\s+of\\s+(?:(?:the|an?)\\s+)?)?(?:${w})${LENGTHS}`), () => m),
    ),
  ),
);
const measureItself = map(seq(the, measure), ([, m]) => m);

/** “2.5x the hook”: the sign right behind its figure. */
const gluedX: Reader<true> = beginning(firstsOf("x"), (text, at) =>
  text[at] === "x" && /\d/.test(text[at - 1] ?? "") && !/[\p{L}\p{N}]/u.test(text[at + 1] ?? "")
    ? { value: true, end: at + 1 }
    : undefined,
);
const factor: Reader<number> = oneOf(
  map(words("twice|double"), () => 2),
  map(words("three\\s+times"), () => 3),
  map(words("an?\\s+(?:full|whole|entire)"), () => 1),
  map(match("(third|quarter)(?=\\s+of\\s+the)"), ([share]) => (share === "third" ? 1 / 3 : 1 / 4)),
  map(
    unless(
      map(seq(number, opt(oneOf(gluedX, words("times|x|\\*"))), opt(words("of"))), ([n]) => n),
      words("mm|cm|in\\b|inch"),
    ),
    (n) => n,
  ),
);
const hedges = opt(
  words(
    anyOf(
      "about",
      "around",
      "roughly",
      "maybe",
      "perhaps",
      "approximately",
      "approx\\.?",
      "abt\\.?",
      "some",
      "nearly",
      "almost",
      "fully",
      "barely",
      "at\\s+least",
      "a\\s+good",
      "not\\s+quite",
      "just\\s+(?:under|over)",
      "a\\s+(?:bit|little|touch)\\s+(?:under|over)",
      "slightly\\s+(?:under|over)",
    ),
  ),
);
const between = oneOf(words("to|or|and"), words("-"));

const ofHook = new Set<Measure>(["shank", "gape", "eye", "hook"]);
/** “two hackles” are two feathers; “twice the hackle”, “half the tail”, “2 gapes” are lengths. */
const andHalf = map(seq(number, the, measure, match("and\\s+an?\\s+(half|quarter)")), ([n, , of, [more]]) => ({
  of,
  times: n + (more === "half" ? 0.5 : 0.25),
}));
const factorOf = seq(factor, the, measure);
const timesMeasure: Reader<PlainLength> = beginning(either([andHalf.firsts, factorOf.firsts]), (text, at) => {
  const more = andHalf(text, at);
  if (more) return more;
  const found = factorOf(text, at);
  if (!found) return undefined;
  const [times, , of] = found.value;
  const isCount =
    !ofHook.has(of) &&
    Number.isInteger(times) &&
    !/twice|double|times|\bx\b|[*]|lengths?|\bthe\b|\bits\b/.test(text.slice(at, found.end));
  return isCount ? undefined : { value: { of, times }, end: found.end };
});
/** “x 1.5”, “times one and a half”. */
const timesOver = oneOf(
  map(match("(?:x|times|by)\\s*(\\d+(?:[.,]\\d+)?)"), ([n = ""]) => Number(n.replace(",", "."))),
  map(seq(words("x|times|by"), number), ([, n]) => n),
  map(match("(?:/|divided\\s+by)\\s*([2-9])(?!\\s*\\p{L})"), ([n = ""]) => 1 / Number(n)),
);
type OfMeasure = Extract<PlainLength, { of: Measure }>;
const isOf = (rule: PlainLength): rule is OfMeasure => "of" in rule;
const ofMeasureAlone: Reader<PlainLength> = memo(
  oneOf<PlainLength>(
    map(
      seq(match("(\\d{1,3})\\s*(?:%|per\\s?cent)(?:\\s+of)?"), the, measure, opt(words("lengths?"))),
      ([[n = ""], , of]) => (Number(n) > 0 ? { of, times: Number(n) / 100 } : undefined),
    ),
    // “the length of the body and a half”, “the hook plus half again”
    map(
      seq(the, measure, match("-?(?:and|plus)[-\\s]+(?:an?[-\\s]+)?(half|quarter)(?:\\s+(?:again|as\\s+much))?")),
      ([, of, [more]]) => ({
        of,
        times: more === "half" ? 1.5 : 1.25,
      }),
    ),
    map(
      seq(the, measure, match("(?:and|but)\\s+a\\s+(?:bit|little)(?:\\s+(more|longer|less|shorter))?")),
      ([, of, [way = "more"]]) => ({ of, times: way === "more" || way === "longer" ? LONGER : SHORTER }),
    ),
    map(seq(words("half\\s+(?:as\\s+long\\s+again|again\\s+as\\s+long)\\s+as"), the, measure), ([, , of]) => ({
      of,
      times: 1.5,
    })),
    // “a quarter longer than the hook”, “a third shorter than the tail”
    map(
      seq(match("(?:an?\\s+|one\\s+)?(half|third|quarter|fifth)\\s+(longer|shorter)\\s+than"), the, measure),
      ([[share = "", way], , of]) => ({
        of,
        times: 1 + (way === "longer" ? 1 : -1) * (readNumber(share) ?? 0),
      }),
    ),
    // “equal to the gape x 1.5”
    map(
      seq(opt(words("equal\\s+to|=|as\\s+long\\s+as|(?:the\\s+)?length\\s+of")), the, measure, timesOver),
      ([, , of, times]) => ({ of, times }),
    ),
    timesMeasure,
    map(seq(factor, words("as\\s+(?:long|tall|wide)\\s+as"), the, measure), ([times, , , of]) => ({ of, times })),
    map(
      seq(
        match(
          "((?:a\\s+)?(?:bit|little|touch|hair|fraction|shade)|slightly|just|somewhat)\\s+(longer|shorter|more|less)\\s+than",
        ),
        the,
        measure,
      ),
      ([[, way], , of]) => ({ of, times: way === "longer" || way === "more" ? LONGER : SHORTER }),
    ),
    map(
      seq(
        words(
          "(?:(?:as\\s+)?(?:long|tall|wide|high)\\s+as|(?:not|no)\\s+longer\\s+than|not\\s+exceeding|equal\\s+to|(?:the\\s+)?same\\s+(?:length|height)?\\s*as|match(?:ing|es)?|same\\s+as)",
        ),
        opt(factor),
        the,
        measure,
        opt(words("is\\s+(?:long|wide|tall)")),
        opt(match("and\\s+an?\\s+(half|quarter)(?=\\s*(?:[,.;)]|$|again\\b|and\\b|with\\b))(?:\\s+again)?")),
      ),
      ([, times = 1, , of, , half]) => ({
        of,
        times: times + (half === undefined ? 0 : (readNumber(half[0] ?? "") ?? 0)),
      }),
    ),
  ),
);
const itself: Reader<OfMeasure> = map(seq(the, measure), ([, of]) => ({ of, times: 1 }));
const inMm: Reader<PlainLength> = map(absolute, (mm) => ({ mm }));
const added: Reader<AddedLength> = map(oneOf<PlainLength>(timesMeasure, inMm, itself), (rule) =>
  isOf(rule) ? { of: rule.of, times: rule.times } : "mm" in rule ? rule : undefined,
);
const less = (plus: AddedLength): AddedLength =>
  "mm" in plus ? { mm: -plus.mm } : { of: plus.of, times: -plus.times };
/** “As long as the shank plus a gape”, “the hook less 3 mm”. */
const sum: Reader<PlainLength> = map(
  seq(
    oneOf<PlainLength>(ofMeasureAlone, itself),
    map(match("(plus|and\\s+another|less|minus)"), ([how]) => how ?? ""),
    added,
  ),
  ([rule, how, more]) =>
    isOf(rule) ? { ...rule, plus: how === "less" || how === "minus" ? less(more) : more } : undefined,
);
/** “As long as the body and tail together”. */
const together: Reader<PlainLength> = map(
  seq(
    oneOf<PlainLength>(ofMeasureAlone, itself),
    words("and|plus|&"),
    the,
    measure,
    words("together|combined|taken\\s+together|put\\s+together"),
  ),
  ([rule, , , of]) => (isOf(rule) && rule.times === 1 ? { ...rule, plus: { of, times: 1 } } : undefined),
);
/** “A gape longer than the shank”, “half an inch shorter than the tail”. */
const thanIt = map(match("(longer|shorter)\\s+than"), ([how]) => how ?? "");
const byMore = (of: Measure, how: string, more: AddedLength): PlainLength => ({
  of,
  times: 1,
  plus: how === "shorter" ? less(more) : more,
});
const longerBy: Reader<PlainLength> = oneOf<PlainLength>(
  map(seq(added, thanIt, the, measure), ([more, how, , of]) => byMore(of, how, more)),
  // “Longer than the wing by 5 mm”
  map(seq(thanIt, the, measure, words("by"), hedges, added), ([how, , of, , , more]) => byMore(of, how, more)),
);
const ofMeasure: Reader<PlainLength> = memo(oneOf<PlainLength>(together, sum, longerBy, ofMeasureAlone));

/** What “a bit longer than” allows; shown with the length. */
export const LONGER = 1.1;
export const SHORTER = 0.9;

const reachWords: [string, Reach][] = [
  [
    "middle\\s+of\\s+the\\s+(?:tail|shuck)|mid-?\\s?tail|half-?\\s?way\\s+(?:down|along)\\s+the\\s+tail|half\\s+the\\s+tail",
    "mid-tail",
  ],
  ["(?:tips?|ends?|point)\\s+of\\s+(?:the\\s+)?tails?|tail(?:'s)?\\s+(?:tips?|ends?)|tails?(?!'s)", "tail"],
  [
    "(?:tips?|ends?|point)\\s+of\\s+(?:the\\s+)?(?:wings?|post)|wing\\s+(?:tips?|ends?)|wings?(?!\\s+(?:position|spot|place))",
    "wing",
  ],
  ["(?<!\\ban?\\s+)(?:hook(?:'s)?\\s+)?points?(?:\\s+of\\s+the\\s+hook)?(?!\\s+where\\b)", "point"],
  ["barb", "barb"],
  ["(?:(?:start|top|beginning)\\s+of\\s+the\\s+)?bend", "bend"],
];
const OUTER_BEND: PlainLength = { to: { landmark: "bend", plus: { of: "gape", times: 0.5 } } };
const reached: Reader<PlainLength> = oneOf<PlainLength>(
  map(
    seq(
      the,
      words(
        "(?:(?:back|outside|outer\\s+edge|end|rear|far\\s+side)\\s+of\\s+(?:the\\s+)?)(?:hook\\s+)?bends?|bends?\\s+of\\s+the\\s+points|end\\s+of\\s+the\\s+hook",
      ),
    ),
    () => OUTER_BEND,
  ),
  // Where a part that points back ends, the end of the body is its rear.
  map(
    seq(the, words("(?:(?:rear\\s+|back\\s+)?end|rear|back)\\s+of\\s+(?:the\\s+)?(?:body|abdomen)")),
    (): PlainLength => ({
      to: { part: "body", end: "rear" },
    }),
  ),
  ...reachWords.map(([w, reach]) => map(seq(the, words(w)), (): PlainLength => ({ reach }))),
  map(placeReached, (to): PlainLength => ({ to })),
);
/** A mm past, or short of, where nobody says how much. */
export const JUST_MM = 1;
const past = (rule: PlainLength, mm: number): PlainLength | undefined =>
  ("reach" in rule || "to" in rule) && rule.share === undefined ? { ...rule, pastMm: mm } : undefined;
const beyond = words("past|beyond|clear\\s+of|(?<=tips?\\s+(?:just\\s+)?)(?:pass(?:es)?|clears?)");
const shortOf = words("short\\s+of|shy\\s+of");
/** Only after a word that reaches: “extending 2 mm behind the bend”. */
const behind = words("behind|over");
const before = words("before|in\\s+front\\s+of");
const slightly = words("just|slightly|a\\s+(?:bit|little|touch|hair)");
const REACHING = anyOf(
  "(?:with\\s+)?(?:the\\s+|its\\s+)?(?:point\\s+of\\s+(?:the\\s+|each\\s+)?(?:wings?|slips?)(?=\\s+(?:to|at|level|just))|(?:tips?|feet|toes)(?:\\s+of\\s+(?:the\\s+|each\\s+)?(?:slips?|hair|fibres)(?=\\s+(?:to|at|level|just))|(?!\\s+(?:of|(?:an?|one|two)\\s+(?:third|quarter)s?\\s+(?:of\\s+(?:the\\s+)?way\\s+)?back)\\b)))(?:\\s+(?:to|at|reaching|level\\s+with|just\\s+reaching|ending\\s+at|going\\s+to))?",
  "(?:just\\s+)?(?:reaching|reach(?:es)?|meet(?:s|ing)?|extending|extends?|stretching|running|going|lying|com(?:e|es|ing)|ending|ends?(?!\\s+of)|finishing|stopping|coming)(?:\\s+(?:back|out|down|up|forward|just|right|about|barely))*(?:\\s+(?:to|as\\s+far\\s+as|at|level\\s+with|until))?",
  "as\\s+far\\s+(?:back\\s+)?as",
  "(?:to\\s+the\\s+)?level\\s+of",
  "(?:level|flush|even|in\\s+line)\\s+with",
  "tips?\\s+to\\s+tips?\\s+with",
  "(?:so\\s+(?:that\\s+)?)?(?:the\\s+|its\\s+|their\\s+)?(?:tips?|ends?)\\s+(?:just\\s+)?(?:reach(?:es)?|touch(?:es)?|meets?|come\\s+to)",
  "(?:right\\s+|down\\s+|back\\s+|up\\s+|out\\s+|forward\\s+)?(?:to|till|until)(?:\\s+(?:level\\s+with|meet|touch))?",
  "up\\s+to",
);
const reaching = memo(words(`(?:${REACHING})(?:\\s+(?:${REACHING})){0,2}`));
/** “past the bend by the width of the gape”: further by a measure of the hook. */
const pastBy: Reader<PlainLength> = map(
  seq(
    opt(reaching),
    words("past|beyond|behind"),
    reached,
    words("by"),
    hedges,
    oneOf<PlainLength>(ofMeasure, inMm, measureLengthOf()),
  ),
  ([, , r, , , by]) => {
    if ("mm" in by) return past(r, by.mm);
    const bend: Place = { landmark: "bend" };
    const place = "to" in r ? r.to : "reach" in r && r.reach === "bend" ? bend : undefined;
    if (!place || place.plus !== undefined || !("of" in by)) return undefined;
    return by.of === "gape" || by.of === "eye" || by.of === "shank"
      ? { to: { ...place, plus: { of: by.of, times: by.times } } }
      : undefined;
  },
);
function measureLengthOf(): Reader<PlainLength> {
  return map(seq(the, measure), ([, of]) => ({ of, times: 1 }));
}
/** “extending a shank length past the bend”. */
const measurePast: Reader<PlainLength> = map(
  seq(
    reaching,
    oneOf<PlainLength>(timesMeasure, measureLengthOf()),
    words("past|beyond|behind"),
    the,
    words("(?:hook\\s+)?bends?(?:\\s+of\\s+the\\s+hook)?"),
  ),
  ([, by]): PlainLength | undefined => {
    if (!("of" in by)) return undefined;
    // What is tied in at the bend reaches so far behind it as it is long.
    if (by.of === "hook") return by;
    return by.of === "gape" || by.of === "eye" || by.of === "shank"
      ? { to: { landmark: "bend", plus: { of: by.of, times: by.times } } }
      : undefined;
  },
);
/** “One and a half shanks beyond the bend”: nothing is tied in so far behind. */
const shanksBeyond: Reader<PlainLength> = map(
  seq(timesMeasure, words("past|beyond"), the, words("(?:hook\\s+)?bend")),
  ([by]) =>
    "of" in by && by.of === "shank" && by.times >= 0.5
      ? { to: { landmark: "bend", plus: { of: "shank", times: by.times } } }
      : undefined,
);
/** “Extending one third beyond the bend”: of the shank. */
const sharePast: Reader<PlainLength> = map(
  seq(reaching, hedges, number, words("past|beyond"), the, words("(?:hook\\s+)?bend")),
  ([, , share]) =>
    share > 0 && share < 1 ? { to: { landmark: "bend", plus: { of: "shank", times: share } } } : undefined,
);
/** “Reaching half way down the body”. */
const halfWayDown: Reader<PlainLength> = map(
  seq(opt(reaching), words("half-?\\s?way\\s+(?:down|along|up|back\\s+along|over)"), the, match("(body|abdomen|tail)")),
  ([, , , [of]]): PlainLength => (of === "tail" ? { reach: "mid-tail" } : { of: "body", times: 0.5 }),
);
const strands = oneOf<Measure>(
  map(words("flash"), () => "flash"),
  map(words("underwing"), () => "underwing"),
  map(words("throat|beard"), () => "throat"),
  map(words("legs?"), () => "legs"),
);
/** “Level with the flash”, “to the end of the flash”: as long as that, and not to where it is tied in. */
const levelWith: Reader<PlainLength> = map(
  seq(
    words(
      "(?:(?:with\\s+)?(?:the\\s+|its\\s+)?tips?\\s+)?(?:(?:level|even|flush|in\\s+line)\\s+with(?:\\s+(?:the\\s+)?(?:tips?|ends?)\\s+of)?|(?:to|reaching|as\\s+far\\s+as)\\s+(?:the\\s+)?(?:tips?|ends?)\\s+of)",
    ),
    the,
    strands,
    opt(words("tips?|ends?")),
  ),
  ([, , of]) => ({ of, times: 1 }),
);
/** “Half way to the point”, “two thirds of the way to the bend”, from where it is tied in. */
const partWay: Reader<PlainLength> = map(
  seq(
    opt(reaching),
    oneOf<number>(
      map(words("half-?\\s?way"), () => 0.5),
      map(seq(number, words("(?:of\\s+)?the\\s+way")), ([share]) => share),
    ),
    words("(?:back\\s+|down\\s+|up\\s+)?(?:to|towards?)"),
    reached,
  ),
  ([, share, , r]): PlainLength | undefined => {
    if (!(share > 0 && share < 1)) return undefined;
    return "reach" in r ? { reach: r.reach, share } : "to" in r ? { to: r.to, share } : undefined;
  },
);
const asFarAs: Reader<PlainLength> = oneOf<PlainLength>(
  partWay,
  levelWith,
  pastBy,
  halfWayDown,
  measurePast,
  sharePast,
  shanksBeyond,
  map(seq(opt(reaching), absolute, beyond, reached), ([, mm, , r]) => past(r, mm)),
  map(seq(opt(reaching), absolute, shortOf, reached), ([, mm, , r]) => past(r, -mm)),
  map(seq(reaching, absolute, behind, reached), ([, mm, , r]) => past(r, mm)),
  map(seq(reaching, absolute, before, reached), ([, mm, , r]) => past(r, -mm)),
  map(seq(reaching, slightly, behind, reached), ([, , , r]) => past(r, JUST_MM)),
  map(seq(opt(reaching), slightly, beyond, reached), ([, , , r]) => past(r, JUST_MM)),
  map(seq(opt(reaching), slightly, shortOf, reached), ([, , , r]) => past(r, -JUST_MM)),
  map(seq(opt(reaching), words("past|beyond"), reached), ([, , r]) => past(r, JUST_MM)),
  // “not past the bend”
  map(
    seq(
      words("(?:but\\s+)?(?:not|no)\\s+(?:(?:further|farther|longer)\\s+)?(?:past|beyond|than\\s+(?:just\\s+)?to)"),
      reached,
    ),
    ([, r]) => r,
  ),
  map(seq(opt(reaching), words("short\\s+of|shy\\s+of"), reached), ([, , r]) => past(r, -JUST_MM)),
  // “to the bend or slightly beyond”: either will do.
  map(
    seq(
      reaching,
      reached,
      words(
        "(?:or|and)\\s+(?:just\\s+|slightly\\s+|a\\s+(?:bit|little|touch|hair|fraction)\\s+)?(?:beyond|past|over|longer|further)(?:\\s+(?:it|that))?",
      ),
    ),
    ([, r]) => past(r, JUST_MM / 2),
  ),
  // “to the bend plus half a gape”
  map(seq(reaching, reached, words("plus|and\\s+another"), added), ([, r, , more]) => further(r, more)),
  map(seq(reaching, reached), ([, r]) => r),
);
/** So much further than a place of the hook. */
function further(r: PlainLength, more: AddedLength): PlainLength | undefined {
  if ("mm" in more) return past(r, more.mm);
  const { of, times } = more;
  const place: Place | undefined =
    "to" in r
      ? r.to
      : "reach" in r && (r.reach === "bend" || r.reach === "point" || r.reach === "barb")
        ? { landmark: r.reach }
        : undefined;
  if (!place || place.plus !== undefined || !(of === "gape" || of === "eye" || of === "shank")) return undefined;
  return { to: { ...place, plus: { of, times } } };
}
const pointToBarb: Reader<LengthRule> = map(
  seq(opt(reaching), words("(?:half-?\\s?way\\s+)?between"), reached, words("and"), reached),
  ([, , a, , b]): LengthRule => ({ between: [a, b] }),
);

const withFigure = (rule: PlainLength, n: number): PlainLength | undefined =>
  "of" in rule ? { of: rule.of, times: n } : "mm" in rule ? { mm: (rule.mm / 1) * n } : undefined;

const mmRange: Reader<LengthRule> = map(
  seq(
    opt(words("between")),
    number,
    between,
    number,
    match('(mms?|millimet(?:re|er)s?|cms?|centimet(?:re|er)s?|in\\b|inch(?:es)?|")'),
  ),
  ([, a, , b, [unit]]) => {
    const per = /^m/.test(unit ?? "") ? 1 : /^c/.test(unit ?? "") ? 10 : 25.4;
    return { between: [{ mm: a * per }, { mm: b * per }] } as LengthRule;
  },
);

/** “½ to ¾ of the shank”, “3–4 mm”: the first number borrows the measure of the second. */
const ranged: Reader<LengthRule> = oneOf<LengthRule>(
  map(seq(opt(words("between")), ofMeasure, between, ofMeasure), ([, a, , b]) => ({ between: [a, b] })),
  map(seq(opt(words("between")), inMm, between, inMm), ([, a, , b]) => ({ between: [a, b] })),
  // “5-6 hackle fibres” are so many, and no length.
  map(seq(opt(words("between")), number, between, factor, the, measure), ([, a, , b, , of]): LengthRule | undefined =>
    !ofHook.has(of) && Number.isInteger(a) && Number.isInteger(b)
      ? undefined
      : {
          between: [
            { of, times: a },
            { of, times: b },
          ],
        },
  ),
  mmRange,
);

/** “the hackle length”: a measure that says itself to be one. */
const measureLength: Reader<PlainLength> = map(seq(the, measure), ([, of]) => ({ of, times: 1 }));
const lengthWord = /[- ]?lengths?\s*$/;
const measured: Reader<PlainLength> = beginning(measureLength.firsts, (text, at) => {
  const found = measureLength(text, at);
  return found && lengthWord.test(text.slice(at, found.end)) ? found : undefined;
});

/** “Just over a shank long”, “nearly as long as the body”: what else would only soften the length. */
const notQuite: Reader<PlainLength> = oneOf<PlainLength>(
  map(
    seq(
      match(
        "(?:just|slightly|(?:a\\s+)?(?:bit|little|touch|hair|shade))\\s+(over|more\\s+than|under|less\\s+than|short\\s+of|shy\\s+of|past(?=\\s+an?\\s+(?:hook|shank|body)[-\\s]length))(?=\\s+(?:an?|one|the)\\s)",
      ),
      opt(words("one")),
      the,
      measure,
      opt(words("long|in\\s+length|lengths?")),
    ),
    ([[way = ""], , , of]) => ({ of, times: /over|more|past/.test(way) ? LONGER : SHORTER }),
  ),
  map(
    seq(
      words(
        "(?:nearly|almost|not\\s+quite)\\s+(?:(?:as\\s+)?long\\s+as|the\\s+(?:same\\s+)?length\\s+(?:of|as)|equal\\s+to)",
      ),
      the,
      measure,
    ),
    ([, , of]) => ({ of, times: SHORTER }),
  ),
);

/** A length that says itself to be one: with a figure and a measure, or words that reach. */
export const length: Reader<LengthRule> = memo(
  oneOf<LengthRule>(
    notQuite,
    map(seq(hedges, oneOf<LengthRule>(ranged, pointToBarb, ofMeasure, asFarAs, inMm, measured)), ([, rule]) => rule),
  ),
);
/** What a length ends at, without a word that reaches: “the bend”, behind “no longer than”. */
export const lengthTo: Reader<LengthRule> = reached;

/** A length that ends somewhere: “to the point”, “2 mm past the barb”. */
export const lengthReaching: Reader<LengthRule> = memo(
  map(seq(hedges, oneOf<LengthRule>(pointToBarb, asFarAs)), ([, rule]) => rule),
);
/** The same, where the name of a measure alone will do: “shank length”, “the gape”. */
export const lengthNamed: Reader<LengthRule> = memo(
  oneOf<LengthRule>(
    length,
    map(seq(hedges, measureItself), ([, of]): LengthRule => ({ of, times: 1 })),
  ),
);

const oneEnd = oneOf(ofMeasure, inMm, measured);

/** Two lengths, from one end to the other; the first may borrow the measure of the second. */
export const lengthPair: Reader<[LengthRule, LengthRule]> = memo(
  oneOf<[LengthRule, LengthRule]>(
    map(
      seq(
        oneEnd,
        opt(words("in\\s+front|at\\s+the\\s+(?:front|rear|bend|eye)")),
        oneOf(words("to|down\\s+to|up\\s+to"), words("-")),
        oneEnd,
      ),
      ([a, , , b]) => [a, b],
    ),
    map(seq(number, oneOf(words("to|down\\s+to|up\\s+to"), words("-")), oneEnd), ([n, , b]) => {
      const a = withFigureOf(b, n);
      return a && [a, b];
    }),
  ),
);
/** In “1.2 to 1.7 mm” the number stands for the mm of the second. */
const withFigureOf = (rule: PlainLength, n: number): PlainLength | undefined =>
  "of" in rule ? withFigure(rule, n) : "mm" in rule ? { mm: n } : undefined;

/** @returns the rule, or undefined when the text is no length. Inches become mm. */
export const readLength = (text: string): LengthRule | undefined => {
  const t = text.trim().toLowerCase().replace(/^=\s*/, "");
  const reach = /^to\s+mid-tail$/.test(t) ? ({ reach: "mid-tail" } as const) : undefined;
  return reach ?? whole(lengthNamed, t);
};

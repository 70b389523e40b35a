import {
  sectors,
  stances,
  type Attitude,
  type FeatherPart,
  type LengthRule,
  type Sector,
  type Stance,
} from "../../recipe";
import { anyOf, map, match, oneOf, opt, seq, unless, words } from "../parse";
import { clause, put, putWay, wholeOf, type Clause, type Said, isThickness } from "../said";
import { count, times, type Count } from "../text/count";
import { length, lengthNamed, lengthReaching, LONGER, SHORTER } from "../text/length";
import { number, readNumber } from "../text/number";
import { absolute, placeReached } from "../text/place";
import { atSaid, everywhere, onSizes, where, stretched } from "./common";
import { face } from "./wind";

const THICK = opt(
  words(
    "thick(?:\\s+when\\s+wet)?|in\\s+diameter|across|in\\s+thickness|(?:when|once)\\s+(?:squeezed|compressed)|squeezed|compressed",
  ),
);
/** A matchstick is a measure that can be laid beside the clump; a pinch is not. */
const MATCHSTICK_MM = 2;
const PENCIL_MM = 7;
const folded = opt(
  words(
    anyOf(
      "folded\\s+(?:in\\s+)?half\\s+(?:over|round|around)\\s+the\\s+thread",
      "folded\\s+over\\s+the\\s+(?:tying\\s+)?thread",
      "folded(?:\\s+(?:double|over|a?round\\s+the\\s+thread|in\\s+half|to\\s+double))?",
      "doubled(?:\\s+(?:over|a?round\\s+the\\s+thread))?",
      ",?\\s*(?:folded|doubled)\\s*(?:to\\s+)?(?:double|over(?:\\s+the\\s+(?:tying\\s+)?thread)?|a?round\\s+the\\s+thread|in\\s+half)?",
    ),
  ),
);
const perSide = opt(words("(?:on\\s+)?(?:a|each|per|either|every)\\s+side|to\\s+(?:a|each)\\s+side"));

type Noun = "fibres" | "strands" | "feathers" | "pieces" | "slips";

/** Sets an amount of so many of a kind; false where the number is none of them. */
export function amountOf(
  said: Said,
  c: Count,
  noun: Noun,
  extra: { folded?: boolean; perSide?: boolean } = {},
): boolean {
  const times = extra.perSide ? 2 : 1;
  if (extra.perSide) said.round = { near: 1, far: 1 };
  if (noun === "feathers") {
    if (!(c.n > 0)) return false;
    const part = said.amount && "feathers" in said.amount ? said.amount.part : undefined;
    said.amount = { feathers: times * c.n, ...(part && { part }) };
    return true;
  }
  const w = wholeOf(c);
  if (!w || c.atMost) return false;
  if (noun === "slips") {
    // So many slips are one beside the other, left and right; their width is said apart.
    said.count = times * w.n;
    return true;
  }
  const n = times * w.n;
  if (w.spread) said.spread = [times * w.spread[0], times * w.spread[1]];
  said.amount =
    noun === "strands"
      ? { strands: n, folded: extra.folded ?? false }
      : noun === "pieces"
        ? { pieces: n }
        : { fibres: n };
  return true;
}

/** The number of an amount, whatever it is a number of. */
const numberOf = (a: Said["amount"]): number | undefined =>
  a && ("fibres" in a ? a.fibres : "strands" in a ? a.strands : "feathers" in a ? a.feathers : undefined);

const byNumber: Clause[] = [
  // “6 fibres, 3 a side”: these are the six, not six more.
  clause(
    "3 a side",
    seq(
      count,
      words(
        "(?:(?:curv|fac|splay|flar|point|sweep|bend|lean)\\w+\\s+(?:(?:out|in|back|up|down|away)(?:wards?)?\\s+)?)?(?:(?:on|down|along|to)\\s+)?(?:a|each|per|either|every)\\s+(?:side|flank)",
      ),
    ),
    (s, [c]) => {
      if (numberOf(s.amount) !== 2 * c.n) return false;
      s.round = { near: 1, far: 1 };
      delete s.perSide;
    },
  ),
  clause(
    "a slip from each side",
    words("(?:an?|one)\\s+(?:slip|strip|section|segment)\\s+from\\s+(?:each|either)\\s+(?:side|wing|feather)"),
    () => undefined,
  ),
  clause(
    "matched slips of",
    seq(
      opt(count),
      words(
        "(?:an?\\s+|one\\s+)?(?:pair\\s+of\\s+)?(?:matched|matching|paired)?\\s*(?:slips?|strips?|tufts?|sections?|segments?)\\s+(?:of|from)",
      ),
    ),
    (s, [c]) => {
      if (c && !Number.isInteger(c.n)) return false;
      s.isSlips = true;
      if (c) s.count = c.n;
    },
  ),
  clause(
    "2 pencil thick bundles",
    seq(
      count,
      match("(pencil|match(?:stick)?)[-\\s](?:sized?|thick(?:ness)?)\\s+(?:bunches|clumps|bundles)(?:\\s+of)?"),
    ),
    (s, [c, [thick]]) => {
      if (!Number.isInteger(c.n) || c.n < 2 || c.n > 12) return false;
      s.bunches = c.n;
      s.amount = { clump: { mm: thick === "pencil" ? PENCIL_MM : MATCHSTICK_MM } };
    },
  ),
  clause(
    "2 clumps of 4 mm",
    seq(count, words("(?:bunches|clumps|bundles|stacks)\\s+of"), absolute, THICK),
    (s, [c, , mm]) => {
      if (!Number.isInteger(c.n) || c.n < 2 || c.n > 12) return false;
      s.bunches = c.n;
      s.amount = { clump: { mm } };
    },
  ),
  clause(
    "2 clumps of",
    seq(
      count,
      words(
        "(?:(?:small|good|more|further|extra|even|equal|separate|sparse|matched|neat|tiny|large|slim)\\s+){0,2}(?:bunches|clumps|bundles|tufts|stacks)(?:\\s+of)?(?:,?\\s*each)?(?!\\s+side)",
      ),
    ),
    (s, [c]) => {
      if (!Number.isInteger(c.n) || c.n < 2 || c.n > 12) return false;
      s.bunches = c.n;
    },
  ),
  clause(
    "a piece of yarn",
    words("(?:an?\\s+|one\\s+)?(?:small|short|little|single)?\\s*(?:piece|length|bit)\\s+of(?!\\s+(?:\\d|the\\b))"),
    (s) => {
      if (s.count !== undefined || s.amount !== undefined) return false;
      s.count = 1;
    },
  ),
  clause(
    "stack it",
    words("(?:and\\s+)?(?:stack|even(?:\\s+up)?|level|align)\\s+(?:it|them|the\\s+(?:hair|tips|fibres))"),
    (s) => putWay(s, "tips", "stacked"),
  ),
  clause(
    "measure it",
    words("(?:and\\s+)?(?:measured?|size)(?:\\s+(?:it|them))?(?:\\s+(?:so\\s+that|against|to\\s+be|until|so))?"),
    () => undefined,
  ),
  clause("fibres x6", match("x\\s?(\\d{1,2})"), (s, [n]) => {
    const c = { n: Number(n) };
    return amountOf(s, c, "fibres");
  }),
  clause(
    "3 mm of fibres",
    seq(
      absolute,
      words(
        "of\\s+(?:fibres?|fibers?|stem|barbs?|the\\s+(?:stem|feather))|(?:wide\\s+)?(?:section|span|stretch|worth)\\s+of\\s+(?:fibres?|stem)|span\\s+of\\s+stem",
      ),
    ),
    (s, [spanMm]) => {
      if (!(spanMm > 0)) return false;
      s.amount = { spanMm };
    },
  ),
  clause(
    "a roll of 12 mm",
    seq(
      words("(?:an?\\s+)?(?:rolled\\s+)?(?:roll|fold|strip|section|segment)\\s+(?:of|from)"),
      absolute,
      opt(words("of\\s+(?:stem|fibres?|feather)|wide|of\\s+it")),
    ),
    (s, [, spanMm]) => {
      if (s.amount !== undefined || !(spanMm > 0)) return false;
      s.amount = { spanMm };
    },
  ),
  clause(
    "3 fibres each",
    seq(count, words("(?:fibres?|fibers?|barbs?|strands?|herls?)\\s+each(?!\\s+(?:side|end))")),
    (s, [c]) => {
      s.isOfEach = s.count === undefined;
      return amountOf(s, { n: c.n * (s.count ?? 1) }, "fibres");
    },
  ),
  clause(
    "6 to 8 fibres",
    seq(
      count,
      words(
        "(?:good\\s+|long\\s+|single\\s+|whole\\s+)?(?:fibres?|fibers?|barbs?|barbules?|herls?(?=\\s*(?:,|$))|hairs?)",
      ),
      perSide,
    ),
    (s, [c, , side]) => amountOf(s, c, "fibres", { perSide: side !== undefined }),
  ),
  clause("a double strand", words("(?:an?\\s+)?(?:double|doubled)\\s+strands?(?:\\s*,?\\s*folded)?"), (s) => {
    s.amount = { strands: 2, folded: true };
  }),
  clause(
    "2 strands folded",
    seq(count, words("(?:single\\s+)?(?:strands?|herls?|lengths?|ends|threads)"), folded, perSide),
    (s, [c, , f, side]) => amountOf(s, c, "strands", { folded: f !== undefined, perSide: side !== undefined }),
  ),
  clause(
    "folded",
    words(
      "folded\\s+(?:in\\s+)?half\\s+(?:over|round|around)\\s+the\\s+thread|folded\\s+over\\s+the\\s+(?:tying\\s+)?thread|folded\\s+(?:to\\s+)?(?:double|over|in\\s+half|a?round\\s+the\\s+thread)|folded|doubled(?:\\s+over)?",
    ),
    (s) => {
      if (!s.amount || !("strands" in s.amount)) return false;
      s.amount = { ...s.amount, folded: true };
    },
  ),
  clause("doubled", words("doubled(?:\\s+over)?(?=\\s*(?:[,.;]|$))"), (s) => {
    if (s.amount !== undefined) return false;
    s.folded = true;
  }),
];

/** “reaching halfway down the hackles”: so much of what is tied of them. */
const partOfStuff: Clause = clause(
  "halfway down the hackles",
  seq(
    opt(
      words(
        "(?:(?:reach(?:ing|es)?|extend(?:ing|s)?|going)\\s*)?(?:down\\s+)?(?:to|as\\s+far\\s+as)|reach(?:ing|es)?|extend(?:ing|s)?|going",
      ),
    ),
    match(
      "(half-?\\s?way|(?:a\\s+|one\\s+)?third\\s+of\\s+the\\s+way|two\\s+thirds\\s+of\\s+the\\s+way)\\s+(?:down|along|over|back\\s+over)",
    ),
    match("(?:the\\s+|its\\s+)(?!(?:hook|shank|bend|body|tail|wing)\\b)([\\p{L}-]+)(?=\\s*(?:[,.;]|$))"),
  ),
  (s, [, [share = ""], [like]]) => {
    if (s.shown !== undefined || s.like !== undefined) return false;
    s.like = like;
    s.likeTimes = share.startsWith("half") ? 0.5 : share.startsWith("two") ? 2 / 3 : 1 / 3;
  },
);

/** So many matchsticks or pencils side by side: as much hair as all of them have. */
const sideBySide = (like: string | undefined, n: number): Said["amount"] => ({
  clump: { mm: Number(((like === "pencil" ? PENCIL_MM : MATCHSTICK_MM) * Math.sqrt(n)).toPrecision(2)) },
});
const bySize: Clause[] = [
  clause(
    "half a matchstick thick",
    words("(?:the\\s+)?(?:thickness\\s+of\\s+)?half\\s+an?\\s+match(?:stick)?(?:\\s+thick|'s\\s+thickness)?"),
    put({ amount: { clump: { mm: MATCHSTICK_MM / 2 } } }),
  ),
  clause(
    "clump as thick as a matchstick",
    words(
      "(?:an?\\s+)?(?:clump|bunch|bundle)?\\s*(?:(?:about|roughly|around|some|maybe|say)\\s+)?(?:as\\s+thick\\s+as\\s+a\\s+match(?:stick)?|(?:of\\s+)?match(?:stick)?(?:'s)?[- ](?:sized?|thick(?:ness)?|worth)(?:\\s+(?:clump|bunch|bundle))?|the\\s+(?:thickness|size)\\s+of\\s+a\\s+match(?:stick)?|(?:a|one|1)\\s+matchstick(?=\\s*(?:[,.;]|$)))",
    ),
    put({ amount: { clump: { mm: MATCHSTICK_MM } } }),
  ),
  clause(
    "a matchstick and a half",
    match("(?:about\\s+)?(?:a|one|1)?\\s*(matchstick|pencil)\\s+and\\s+a\\s+half(?:\\s+thick)?"),
    (s, [like]) => void (s.amount = sideBySide(like, 1.5)),
  ),
  clause(
    "clump as thick as two matchsticks",
    seq(
      opt(words("an?")),
      opt(words("clump|bunch|bundle")),
      opt(words("about|of")),
      words("as\\s+thick\\s+as|the\\s+(?:thickness|size)\\s+of"),
      number,
      match("(match(?:stick)?|pencil)e?s"),
    ),
    (s, [, , , , n, [like]]) => {
      if (!(n >= 2 && n <= 6)) return false;
      s.amount = sideBySide(like, n);
    },
  ),
  clause(
    "clump as thick as a pencil lead",
    words(
      "(?:an?\\s+)?(?:clump|bunch|bundle)?\\s*(?:about\\s+)?(?:as\\s+thick\\s+as|the\\s+(?:thickness|size)\\s+of)\\s+an?\\s+(?:pencil\\s+lead|toothpick|cocktail\\s+stick)|(?:of\\s+)?(?:pencil[- ]lead|toothpick)(?:'s)?[- ](?:sized?|thick(?:ness)?)(?:\\s+(?:clump|bunch|bundle))?",
    ),
    put({ amount: { clump: { mm: MATCHSTICK_MM } } }),
  ),
  clause(
    "clump as thick as a pencil",
    words(
      "(?:the\\s+)?thickness\\s+of\\s+a\\s+pencil(?!\\s+lead)|(?:an?\\s+)?(?:clump|bunch|bundle)?\\s*(?:about\\s+)?(?:as\\s+thick\\s+as\\s+a\\s+pencil|(?:of\\s+)?pencil[- ](?:sized?|thick(?:ness)?)(?:\\s+(?:clump|bunch|bundle))?|the\\s+(?:thickness|size)\\s+of\\s+a\\s+pencil)",
    ),
    put({ amount: { clump: { mm: PENCIL_MM } } }),
  ),
  clause(
    "clump of 1.5 mm",
    seq(
      opt(words("a|an|each\\s+an?")),
      words("(?:\\w+\\s+)??(?:clump|bunch|bundle)"),
      // Behind a comma only a figure is its thickness: “small bunch, gape length” is a length.
      oneOf(
        map(seq(opt(words("of|about")), length), ([, l]) => l),
        map(seq(words(","), absolute), ([, mm]) => ({ mm })),
      ),
      THICK,
    ),
    (s, [, , clump]) => void (s.amount = { clump }),
  ),
  clause(
    "2 mm thick",
    seq(
      opt(words("about|roughly|some|,")),
      absolute,
      words(
        "(?:thick|across|in\\s+diameter|in\\s+thickness)(?:\\s+(?:when\\s+(?:it\\s+is\\s+)?)?(?:squeezed|compressed|pinched))?|when\\s+(?:it\\s+is\\s+)?(?:squeezed|compressed|pinched)",
      ),
    ),
    (s, [, mm]) => {
      if (s.amount !== undefined) return false;
      s.amount = { clump: { mm } };
    },
  ),
  clause("2 mm of hair", seq(absolute, words("of(?!\\s+(?:fibres?|fibers?|stem|barbs?|it|the)\\b)")), (s, [mm]) => {
    if (s.amount !== undefined || s.ofMm !== undefined || mm > 8) return false;
    s.ofMm = mm;
  }),
  clause(
    "1.5 mm thick clump",
    seq(absolute, words("(?:thick\\s+)?(?:clump|bunch|bundle)")),
    (s, [mm]) => void (s.amount = { clump: { mm } }),
  ),
  clause(
    "slips 2 mm wide",
    seq(
      opt(words("a\\s+pair\\s+of|pair\\s+of|two|one\\s+pair\\s+of")),
      opt(words("matched|matching|paired")),
      words("slips?"),
      opt(words("of|each|about|,|are")),
      length,
      opt(words("wide|in\\s+width|each")),
    ),
    (s, [, , , , slipWidth]) => {
      s.amount = { slipWidth };
    },
  ),
  clause(
    "same length and thickness",
    words(
      "(?:of\\s+)?(?:the\\s+)?same\\s+(?:(?:thickness|size|amount)\\s+and\\s+length|length\\s+and\\s+(?:thickness|size|amount))(?!\\s+as\\b)",
    ),
    (s) => {
      if (s.amount !== undefined || s.shown !== undefined) return false;
      Object.assign(s, { thickLike: 1, sameLength: 1 });
    },
  ),
  clause(
    "half as thick",
    oneOf(
      map(
        words(
          "(?:of\\s+)?(?:the\\s+)?same\\s+(?:thickness|size|amount|again)(?!\\s+as\\b)|as\\s+much\\s+again|(?:just\\s+)?as\\s+thick(?:\\s+again)?(?!\\s+as\\b)|equally\\s+thick",
        ),
        () => 1,
      ),
      map(
        words(
          "half\\s+(?:as\\s+thick|the\\s+(?:thickness|amount|size))(?!\\s+(?:as|of)\\b)|half\\s+as\\s+much(?!\\s+as\\b)",
        ),
        () => 0.5,
      ),
      map(
        words(
          "(?:twice|double)\\s+(?:as\\s+thick|the\\s+(?:thickness|amount|size))(?!\\s+(?:as|of)\\b)|twice\\s+as\\s+much(?!\\s+as\\b)",
        ),
        () => 2,
      ),
    ),
    (s, times) => {
      if (s.amount !== undefined || s.thickLike !== undefined) return false;
      s.thickLike = times;
    },
  ),
  clause(
    "as wide as the gape",
    seq(
      words("(?:each\\s+)?(?:as\\s+wide\\s+as|the\\s+width\\s+of)"),
      opt(words("the")),
      match("(?:hook\\s+)?(gape|gap|eye)(?:\\s+is\\s+wide)?"),
    ),
    (s, [, , [m]]) => {
      if (s.amount && !("slipWidth" in s.amount)) return false;
      s.amount = { slipWidth: { of: m === "eye" ? "eye" : "gape", times: 1 } };
    },
  ),
  clause(
    "2 mm wide",
    seq(opt(words("each")), lengthNamed, words("wide(?:\\s+(?:strip|slips?))?|in\\s+width")),
    (s, [, slipWidth]) => {
      if (s.amount && !("slipWidth" in s.amount)) return false;
      s.amount = { slipWidth };
    },
  ),
  clause(
    "doubled",
    oneOf(
      map(words("doubled|double|stacked|in\\s+pairs|two\\s+(?:on\\s+)?(?:a|each|per)\\s+side"), () => 2),
      map(seq(number, words("(?:slips?\\s+)?(?:on\\s+)?(?:a|each|per)\\s+side")), ([n]) => n),
    ),
    (s, layers) => {
      if (!s.amount || !("slipWidth" in s.amount) || !Number.isInteger(layers) || layers < 1 || layers > 20)
        return false;
      s.amount = { slipWidth: s.amount.slipWidth, ...(layers > 1 && { layers }) };
    },
  ),
  clause(
    "patch of 12 mm²",
    seq(opt(words("a")), words("patch\\s+of"), number, match("mm(?:²|2|\\^2)")),
    (s, [, , patchMm2]) => {
      if (!(patchMm2 > 0)) return false;
      s.amount = { patchMm2 };
    },
  ),
];

const partOf = (s: Said, part: FeatherPart, feathers?: number): void => {
  const n = feathers ?? (s.amount && "feathers" in s.amount ? s.amount.feathers : 1);
  s.amount = { feathers: n, part };
};
const byFeather: Clause[] = [
  clause("a whole feather", words("(?:the\\s+|an?\\s+|one\\s+)?whole\\s+(?:feather|plume)(?!\\s+fib)"), (s) => {
    if (s.amount !== undefined && !("feathers" in s.amount)) return false;
    s.amount ??= { feathers: 1 };
  }),
  clause(
    "pair of slips",
    words(
      "(?:an?\\s+|one\\s+)?(?:matched\\s+|matching\\s+)?pair\\s+of(?=(?:\\s+(?!of\\b|and\\b|with\\b)[\\w'-]+){0,4}\\s+(?:slips?|sections?|segments?|quills?)\\b)",
    ),
    () => undefined,
  ),
  clause("a pair", words("(?:an?\\s+|one\\s+)?(?:matched\\s+|matching\\s+)?pair(?=\\s*(?:[,.;]|$))"), (s) => {
    if (s.amount !== undefined && !("feathers" in s.amount)) return false;
    s.amount = { feathers: 2, paired: true };
  }),
  clause(
    "1 pair of feathers",
    seq(count, opt(words("matched|matching")), words("pairs?|prs?\\.?"), opt(words("of\\s+feathers"))),
    (s, [c]) => {
      if (!Number.isInteger(c.n) || c.n < 1) return false;
      // “three pairs, one pair behind each pad”: how they are shared is no other amount.
      if (s.amount && "feathers" in s.amount && s.amount.paired && s.amount.feathers > 2 * c.n) return false;
      s.amount = { feathers: 2 * c.n, paired: true };
    },
  ),
  clause(
    "the tip of one plume",
    seq(
      words("(?:the\\s+|just\\s+the\\s+)?(?:tips?|ends?)\\s+of"),
      number,
      opt(words("single|whole|large|small")),
      words("(?:feathers?|plumes?|hackles?)"),
    ),
    (s, [, n]) => partOf(s, "tip", n),
  ),
  clause(
    "tips only",
    words(
      "(?:just\\s+the\\s+|only\\s+the\\s+|the\\s+)?(?:tips?|(?<=hackle\\s+)points)(?:\\s+only)?(?=\\s*(?:[,.;]|$|(?:each|either|per)\\s+side\\b))",
    ),
    (s) => {
      if (s.amount && !("feathers" in s.amount)) return false;
      partOf(s, "tip");
    },
  ),
  clause("2 tips", seq(number, opt(words("feather|hackle")), words("tips?|points?(?=\\s*(?:[,.;]|$))")), (s, [n]) =>
    Number.isInteger(n) ? partOf(s, "tip", n) : false,
  ),
  clause(
    "one flank",
    seq(
      oneOf(
        number,
        map(match("(one)"), () => 1),
      ),
      words("flanks?(?!\\s+(?:feather|fibre))"),
    ),
    (s, [n]) => partOf(s, "one flank", n),
  ),
  clause(
    "centre out",
    words(
      "(?:with\\s+)?(?:the\\s+)?cent(?:re|er)s?\\s+(?:(?:cut\\s+|taken\\s+)?out|removed|cut)|(?:the\\s+)?cent(?:re|er)\\s+(?:cut|taken)\\s+out",
    ),
    (s) => partOf(s, "centre out"),
  ),
  clause(
    "half a feather",
    seq(
      count,
      opt(words("(?:of\\s+)?an?")),
      words("(?:whole\\s+|entire\\s+)?(?:feathers?|plumes?)(?!\\s+fibres?)"),
      perSide,
    ),
    (s, [c, , , side]) => amountOf(s, c, "feathers", { perSide: side !== undefined }),
  ),
  clause("1 piece", seq(count, words("pieces?(?!\\s+of\\s+\\d)")), (s, [c]) => amountOf(s, c, "pieces")),
];

const tail = opt(words("tips?|tail|wing|throat|legs|topping|flash"));
const shown = (s: Said, rule: LengthRule): boolean | void => {
  if (s.shown !== undefined) {
    // “2 mm, three times the shank”: first how thick, then how long.
    if (s.amount !== undefined || s.thick !== undefined || !isThickness(s.shown)) return false;
    s.thick = s.shown;
  }
  s.shown = rule;
};
/** A measure alone counts only where it is one of the hook, or says that it is a length. */
const lengthBare = oneOf(
  length,
  map(match("(?:the\\s+)?(?:hook\\s+)?(shank|gape|gap)(?:'s)?(?:[- ](?:lengths?|heights?))?"), ([m]): LengthRule => ({
    of: m === "gap" ? "gape" : (m as "shank"),
    times: 1,
  })),
);
/** So far past the bend, wherever it is tied in. */
function pastBend(l: LengthRule): LengthRule {
  if ("mm" in l) return { reach: "bend", pastMm: l.mm };
  const isOfHook = "of" in l && (l.of === "gape" || l.of === "eye" || l.of === "shank");
  return isOfHook ? { to: { landmark: "bend", plus: { of: l.of as "gape", times: l.times } } } : l;
}
const howLong: Clause[] = [
  clause(
    "leaving 20 mm past the bend",
    seq(
      words("(?:and\\s+)?leav(?:e|ing)"),
      lengthNamed,
      words(
        "(?:hanging\\s+|sticking\\s+out\\s+)?(?:(?:past|beyond|behind|over)\\s+the\\s+bend|as\\s+(?:a|the)\\s+tail|for\\s+(?:a|the)\\s+tail)(?:\\s+(?:as|for)\\s+(?:a|the)\\s+tail)?",
      ),
    ),
    (s, [, l]) => {
      // “2 inches of strip, leaving a shank past the bend”: the first was the piece.
      if (s.shown && "mm" in s.shown) s.pieceMm ??= s.shown.mm;
      s.shown = l;
    },
  ),
  clause(
    "leaving a tail of 20 mm",
    map(
      seq(
        words("(?:and\\s+)?leav(?:e|ing)\\s+(?:an?\\s+|the\\s+)?tail(?:\\s+(?:of|about|as\\s+long\\s+as))*"),
        lengthNamed,
        opt(words("long|behind|past\\s+the\\s+bend")),
      ),
      ([, l]) => l,
    ),
    (s, l) => shown(s, l),
  ),
  clause(
    "cut 2 mm long",
    seq(words("(?:and\\s+)?(?:trimmed|cut|clipped|shortened)"), length, words("long")),
    (s, [, l]) => shown(s, l),
  ),
  clause(
    "trimmed to 2 mm",
    seq(
      words("(?:and\\s+)?(?:trimmed|cut|clipped|shortened)\\s+(?:back\\s+|down\\s+)?to"),
      length,
      opt(words("long|on\\s+each\\s+side|each\\s+side|each|either\\s+side")),
    ),
    (s, [, l]) => shown(s, l),
  ),
  clause(
    "= half the shank",
    seq(
      tail,
      words(
        "=|to(?=\\s+the\\s+(?:height|length|width|depth)\\s+of)|as\\s+(?:long|tall|high)\\s+as|(?:the\\s+)?height(?:\\s+of)?(?=\\s+(?:the|a|one|half|\\d))|(?:in\\s+)?lengths?(?:\\s+(?:of|is|=|:|about))?|:",
      ),
      oneOf(
        lengthReaching,
        map(seq(opt(words("about|to")), lengthNamed), ([, l]) => l),
      ),
    ),
    (s, [, , l]) => shown(s, l),
  ),
  clause(
    "a tail of it a shank long",
    seq(
      words("(?:with\\s+|and\\s+)?(?:the\\s+|an?\\s+)?tail\\s+of\\s+(?:it|that|them)"),
      opt(words("is|being|about")),
      lengthNamed,
      opt(words("long")),
    ),
    (s, [, , l]) => shown(s, l),
  ),
  clause(
    "so 5 mm is left as a tail",
    seq(
      opt(words("so(?:\\s+that)?")),
      lengthNamed,
      words(
        "(?:is|are)\\s+(?:left|showing|sticking\\s+out|free)(?:\\s+(?:as|for)\\s+(?:a|the)\\s+tail|\\s+behind)?|(?:hangs?|sticks?|stands?|pokes?|shows?|trails?)\\s+(?:off|out|back|behind|over)(?:\\s+(?:the\\s+)?(?:back|behind|end|bend))?",
      ),
    ),
    (s, [, l]) => {
      if (s.shown && "mm" in s.shown) {
        s.pieceMm ??= s.shown.mm;
        s.shown = l;
        return true;
      }
      return shown(s, l);
    },
  ),
  clause(
    "sticking out 12 mm",
    seq(
      words(
        "(?:so\\s+(?:that\\s+)?)?(?:the\\s+|their\\s+|its\\s+)?(?:tips?|ends?)?\\s*(?:sticking|sticks?|poking|pokes?|standing|stands?|hanging|hangs?|show|shows)\\s+(?:out|past|beyond)|(?:sticking|poking|standing|hanging)\\s+out|(?:so\\s+(?:that\\s+)?)?(?:the\\s+|its\\s+)?(?:tips?\\s+)?extend(?:s|ing)?|projecting|showing",
      ),
      opt(words("by|about|for")),
      lengthNamed,
      opt(match("(past\\s+the\\s+(?:hook\\s+)?bend)|back(?:wards?)?|behind|to\\s+the\\s+rear")),
    ),
    (s, [, , l, past]) => shown(s, past?.[0] === undefined ? l : pastBend(l)),
  ),
  clause(
    "12 mm long",
    seq(
      lengthNamed,
      words(
        "(?:lengths?\\s+(?=long))?(?:or\\s+so\\s+)?(?:long|tall|high|showing|visible|free|sticking\\s+out(?:\\s+behind)?|in\\s+length|each\\s+end|to\\s+each\\s+end|behind\\s+the\\s+bend|beyond\\s+the\\s+(?:bend|tie-?in))(?:\\s+(?:behind|beyond|over|past)\\s+the\\s+(?:bend|hook|tie-?in))?",
      ),
    ),
    (s, [l]) => shown(s, l),
  ),
  clause("to the point", lengthReaching, (s, l) => {
    // A place that a length reaches and one where it is tied in may be said in the same words: reached are tips.
    if ("to" in l && s.shown !== undefined) return false;
    return shown(s, l);
  }),
  clause(
    "the shank length",
    seq(
      opt(
        words(
          "each(?:\\s+(?:leg|wing|tail|side|strand|end|tip|one))?|legs?|wings?|tails?(?=\\s+(?:half|twice|\\d|one|two|a\\b|the\\s+(?:shank|gape|hook)))",
        ),
      ),
      unless(lengthBare, words("from|at|behind|in|ahead|before|short|past")),
      opt(words("long|tall|to\\s+(?:each|either)\\s+(?:end|side)|each\\s+(?:end|side)")),
    ),
    (s, [, l]) => shown(s, l),
  ),
  clause(
    "the same length",
    words(
      "(?:of\\s+)?(?:the\\s+)?same\\s+length(?!\\s+as)|(?:the\\s+same\\s+length|as\\s+long)\\s+as\\s+(?:it|them)|level\\s+with\\s+(?:it|them)",
    ),
    put({ sameLength: 1 }),
  ),
  clause(
    "twice as long",
    match("(twice|half|(?:one\\s+and\\s+a\\s+half|two|three|\\d(?:\\.\\d)?)\\s+times)\\s+as\\s+long(?!\\s+as)"),
    (s, [w = ""]) => {
      const times = readNumber(w.replace(/\s+times$/, "")) ?? 2;
      s.sameLength = times;
    },
  ),
  clause(
    "half its length",
    match("(half|twice|two\\s+thirds|three\\s+quarters)\\s+(?:of\\s+)?(?:its|that|their)\\s+length"),
    (s, [w = ""]) => void (s.sameLength = w === "twice" ? 2 : (readNumber(w) ?? 1)),
  ),
  clause(
    "an inch longer than the tail",
    seq(
      absolute,
      match("(longer|shorter)\\s+than"),
      match("(?:the\\s+|its\\s+)?(tail|wing)s?(?:\\s+tips?)?(?!\\s+\\p{L})"),
    ),
    (s, [mm, [way], [reach]]) =>
      shown(s, { reach: reach === "tail" ? "tail" : "wing", pastMm: way === "longer" ? mm : -mm }),
  ),
  clause(
    "an inch longer than the hair",
    seq(absolute, match("(longer|shorter)\\s+than"), match("(?:the\\s+|its\\s+)?([\\p{L}-]+)(?=\\s*(?:[,.;]|$))")),
    (s, [mm, [way], [like]]) => {
      if (s.shown !== undefined) return false;
      s.like = like;
      s.likePlusMm = way === "longer" ? mm : -mm;
    },
  ),
  clause(
    "just past its tips",
    seq(
      opt(words("reach(?:ing|es)?|extend(?:ing|s)?|going|ending")),
      match(
        "((?:just|slightly|a\\s+(?:little|bit|touch))\\s+)?(past|beyond|to|level\\s+with|short\\s+of)\\s+(?:its|their)\\s+(?:tips?|ends?)",
      ),
    ),
    (s, [, [, how]]) => {
      const over = s.there ?? s.tieIn?.at;
      if (s.shown !== undefined || !over || !("part" in over) || (over.part !== "wing" && over.part !== "tail"))
        return false;
      // “over the wing, just past its tips”: it lies over it, and is tied in where its own part is.
      s.shown = {
        reach: over.part,
        ...(how === "past" || how === "beyond" ? { pastMm: 1 } : how?.startsWith("short") ? { pastMm: -1 } : {}),
      };
      delete s.there;
    },
  ),
  clause(
    "a bit shorter than it",
    match(
      "(?:(?:a\\s+)?(?:little|bit|touch|shade|hair|fraction)|slightly|just|somewhat)?\\s*(shorter|longer)(?:\\s+than\\s+(?:it|them|that)|(?=\\s*(?:[,.;]|$)))",
    ),
    (s, [way]) => void (s.sameLength = way === "longer" ? LONGER : SHORTER),
  ),
  clause(
    "a little longer than the hair",
    words(
      "(?:(?:a\\s+)?(?:little|bit|touch|shade|hair|fraction)|slightly|just|somewhat)?\\s*(?:longer|shorter)\\s+than(?=\\s+(?:the\\s+)?[a-z])(?!\\s+(?:it|them|that)\\b)",
    ),
    () => undefined,
  ),
];

const SECTOR = `(?:${sectors.join("|")})`;
const OF_PART = "of\\s+(?:(?:the\\s+)?(?:tail|wing|body|thorax|hook|shank|post|eyes|head)|it|them)";
const A_BALL =
  "(?:an?\\s+|the\\s+)?((?:small\\s+|tiny\\s+|little\\s+)*(?:ball|bump|knob)\\s+of\\s+(?:\\w+\\s+)?(?:dubbing|thread|fur))";
const heldApart = (s: Said, [by = ""]: readonly (string | undefined)[]): void => {
  s.stance = "V";
  s.setBy = setBy(by);
};
const sides: Clause[] = [
  clause(
    "split by a ball of dubbing",
    match(
      `(?:split|divided|separated|splayed|spread)\\s+(?:in(?:to)?\\s+(?:two|halves|a\\s+v)\\s+|(?:\\d|two|three)\\s+and\\s+(?:\\d|two|three)\\s+)?(?:by|with|over|round|around|against)\\s+${A_BALL}`,
    ),
    heldApart,
  ),
  clause(
    "on either side of a ball of dubbing",
    match(`(?:(?:tied|set|mounted|one)\\s+)?(?:in\\s+)?(?:on\\s+)?(?:either|each|both)\\s+sides?\\s+of\\s+${A_BALL}`),
    heldApart,
  ),
  clause(
    "base wrapped 6 times",
    seq(
      words("(?:the\\s+|its\\s+)?(?:base|root|foot|post)\\s+(?:is\\s+)?(?:wrapped|bound|whipped|wound)(?:\\s+up)?"),
      times,
      opt(words("up|up\\s+and\\s+down|round|around")),
    ),
    (s, [, c]) => {
      s.wraps = Math.max(1, Math.round(c.n));
      s.setBy ??= "wraps at the root";
    },
  ),
  clause(
    "8 wraps up the base",
    seq(
      count,
      words(
        "(?:thread\\s+)?(?:wraps|turns)\\s+(?:up|round|around|up\\s+and\\s+down)\\s+(?:the|its)\\s+(?:base|post|root|foot)",
      ),
    ),
    (s, [c]) => {
      s.wraps = Math.max(1, Math.round(c.n));
      s.setBy ??= "wraps at the root";
    },
  ),
  clause(
    "wrapped 8 times round its base",
    seq(
      words("(?:and\\s+)?(?:wrapped|bound|whipped|wound|posted|lashed)(?:\\s+up)?"),
      times,
      words("(?:a?round|up|about|at)\\s+(?:the|its)\\s+(?:base|root|foot|bottom)"),
    ),
    (s, [, c]) => {
      s.wraps = Math.max(1, Math.round(c.n));
      s.setBy ??= "wraps at the root";
    },
  ),
  clause(
    "shared 1 near and 1 far",
    match(`shared\\s+(\\d+\\s+${SECTOR}(?:\\s*(?:,|and)\\s*\\d+\\s+${SECTOR})*)`),
    (s, [parts]) => {
      const named = [...(parts ?? "").matchAll(new RegExp(`(\\d+)\\s+(${SECTOR})`, "g"))];
      s.round = Object.fromEntries(named.map((m) => [m[2] as Sector, Number(m[1])]));
      return Object.values(s.round).every((n) => n > 0);
    },
  ),
  clause(
    "sides",
    words("(?:on|along|at|down)?\\s*(?:the\\s+|both\\s+)?sides(?=\\s*(?:[,.;]|$))"),
    put({ round: { near: 1, far: 1 } }),
  ),
  clause(
    "top and bottom",
    words(
      "(?:one\\s+)?on\\s+top,?\\s+and\\s+one\\s+(?:under(?:neath)?|below|beneath)(?:\\s+the\\s+(?:shank|hook))?|one\\s+(?:on\\s+top|over|above)(?:\\s*,|\\s+and)?\\s+(?:the\\s+other|one)\\s+(?:under(?:neath)?|below|beneath)(?:\\s+the\\s+(?:shank|hook))?|(?:on\\s+(?:the\\s+)?)?top\\s+and\\s+(?:bottom|below|underneath)",
    ),
    (s) => {
      s.round = { top: 1, underside: 1 };
      s.bunches ??= 2;
    },
  ),
  clause(
    "one on each side",
    seq(
      number,
      words("(?:on\\s+)?(?:each|either|a|per)\\s+side|(?:to|for)\\s+(?:each|either|a)\\s+side|a\\s+side"),
      opt(words(OF_PART)),
    ),
    (s, [n]) => {
      if (!Number.isInteger(n) || n < 1) return false;
      s.round = { near: 1, far: 1 };
      s.count = 2 * n;
      // “On either side, 2 per side”: that is said once.
      delete s.perSide;
    },
  ),
  clause(
    "on the near side",
    match(
      `(?:on|along|at)\\s+(?:the\\s+)?(${SECTOR}|far|near|bottom)(?:\\s+side)?(?:\\s+of\\s+the\\s+(?:shank|hook))?|(underneath|below(?=\\s*(?:[,.;]|$))|below\\s+the\\s+shank|under\\s+the\\s+(?:shank|hook)|beneath(?:\\s+the\\s+(?:shank|hook))?)|(on\\s+top(?:\\s+of\\s+the\\s+(?:shank|hook))?)`,
    ),
    (s, [a, under, top]) => {
      const sector = under !== undefined || a === "bottom" ? "underside" : top !== undefined ? "top" : (a as Sector);
      // Where it is tied in along the shank says nothing of a bundle that is not split.
      s.round = { [sector]: 1 };
    },
  ),
  clause(
    "splayed to either side",
    seq(
      words(
        "(?:splayed|splaying|flared|spread|curving|sticking)\\s+(?:out\\s+)?(?:to\\s+|on\\s+)?(?:each|either|both)\\s+sides?|splaying(?:\\s+out(?:wards)?)?",
      ),
      opt(words(OF_PART)),
    ),
    put({ stance: "splayed", round: { near: 1, far: 1 } }),
  ),
  clause(
    "fibres under",
    words("(?<=\\b(?:fibres?|fibers?|barbs?|strands?|legs?)\\s+)under(?=\\s*(?:[,.;]|$))"),
    put({ round: { underside: 1 } }),
  ),
  clause(
    "half to each side",
    words(
      "half\\s+(?:of\\s+(?:it|them)\\s+)?(?:to\\s+|on\\s+)?(?:a|each|either)\\s+side|(?:split|divided|shared)\\s+(?:evenly\\s+|equally\\s+)?(?:to|on|between|over)\\s+(?:both|each|the\\s+two)\\s+sides?|both\\s+sides(?!\\s+of)",
    ),
    put({ round: { near: 1, far: 1 } }),
  ),
  clause(
    "on each side",
    oneOf(
      map(seq(words("(?:on|down|to|along)?\\s*(?:each|either)\\s+side"), words(OF_PART)), () => true as const),
      words("(?:on|down|to)?\\s*(?:each|either|a|per)\\s+side(?!\\s+of)"),
    ),
    put({ round: { near: 1, far: 1 }, perSide: true }),
  ),
  clause(
    "as a tent set by wraps at the root",
    seq(
      match(
        "(?:(?:as|in|like)\\s+an?\\s+(v|u|tent|roof)(?:[- ]shape)?|(?:lying|laid|low\\s+and)\\s+(flat)(?:\\s+over\\s+the\\s+(?:back|body))?|(flat)\\s+over\\s+the\\s+(?:back|body)|(splayed(?:\\s+(?:in|into|as)\\s+a\\s+fan)?|split|divided|forked|separated|spread(?:\\s+(?:wide|well))?)(?:\\s+in(?:to)?\\s+(?:two|half|halves|equal\\s+halves)(?:\\s+(?:halves|bunches|parts|pairs))?)?|(full\\s+round|all\\s+(?:the\\s+way\\s+)?round|fully\\s+round)|((?:set\\s+)?tent(?:ed|-?\\s?(?:wise|style|fashion)|-?\\s?shaped|-?\\s?like)?|roof(?:ed|-?\\s?(?:like|wise|shaped|style)))(?:\\s+over\\s+the\\s+body)?|(spent)|v-?shaped)",
      ),
      opt(
        map(
          match(
            "(?:set|fixed|held|kept|split|separated)?\\s*(?:by|with)\\s+((?:[\\w-]+\\s+){0,4}?(?:wraps|turns|root|glue|thread)(?:\\s+at\\s+the\\s+root|\\s+underneath|\\s+between(?:\\s+(?:them|the\\s+\\w+))?)?)",
          ),
          ([by]) => by,
        ),
      ),
    ),
    (s, [[a, b, c, d, e, tent, spent], by]) => {
      const stance = stanceOf(a ?? b ?? c ?? d ?? e ?? (tent ? "tent" : spent ? "flat" : "v"));
      if (!stance) return false;
      s.stance = stance;
      if (spent) s.attitude = "sides";
      if (by) s.setBy = setBy(by);
    },
  ),
  clause(
    "figure-of-eight wraps",
    seq(
      opt(count),
      words(
        "(?:turns?\\s+(?:of\\s+)?)?(?:with\\s+)?(?:a\\s+)?figures?[- ]of[- ](?:eight|8)(?:s|\\s+(?:wraps?|turns?|lashing))?|figure[- ]?8(?:\\s+(?:wraps?|turns?))?",
      ),
    ),
    (s, [c]) => {
      if (c) s.wraps = Math.max(1, Math.round(c.n));
      s.setBy ??= "figure-of-eight wraps";
    },
  ),
  clause(
    "to both sides",
    words(
      "to\\s+both\\s+sides|out\\s+to\\s+the\\s+sides|sideways|(?:laid\\s+|tied\\s+|lying\\s+)?(?:straight\\s+)?across\\s+the\\s+(?:top\\s+of\\s+the\\s+)?(?:shank|hook|eye)|tied\\s+(?:in\\s+)?(?:across|crosswise)(?=\\s*(?:[,.;]|$|behind\\b|at\\b|and\\b))",
    ),
    put({ attitude: "sides" }),
  ),
  clause(
    "over the back",
    words("(?:lying\\s+|laid\\s+)?over\\s+the\\s+(?:back|body|top)|on\\s+its\\s+back"),
    put({ attitude: "over" }),
  ),
  clause(
    "pointing back",
    match(
      "(?:pointing|facing|leaning|sloping|slanting|sticking|swept|curving|curved|standing|tips?|butts?|hanging|extending|tilted)\\s+(?:straight\\s+|well\\s+|slightly\\s+|out\\s+)?(back|backwards?|rearwards?|behind|forward|forwards|down|downwards?|up|upwards?)(?:\\s+over\\s+the\\s+(?:bend|eye|tail))?|(?:tips?\\s+|standing\\s+|set\\s+|mounted\\s+|held\\s+)?(upright|erect|cocked)",
    ),
    (s, [way, upright]) => {
      s.attitude = upright !== undefined ? "up" : attitudeOf(way ?? "");
    },
  ),
  face,
];
const attitudeOf = (w: string): Attitude =>
  w.startsWith("forward") ? "forward" : w.startsWith("down") ? "down" : w.startsWith("up") ? "up" : "back";
const stanceOf = (w: string): Stance | undefined =>
  w === "roof"
    ? "tent"
    : w.startsWith("splayed")
      ? "splayed"
      : /^(?:split|divided|forked|separated|spread)/.test(w)
        ? "V"
        : w.startsWith("all") || w.startsWith("fully")
          ? "full round"
          : stances.find((x) => x.toLowerCase() === w.replace(/\s+/g, " "));
const setBy = (by: string): string => by.trim().replace(/\s+/g, " ");

const howTied: Clause[] = [
  clause(
    "secured with 3 turns",
    seq(
      words("(?:with|by|using)"),
      count,
      words("(?:(?:tight|firm|good|more|thread)\\s+)*turns?(?:\\s+of\\s+(?:the\\s+)?(?:thread|silk))?"),
    ),
    (s, [, c]) => {
      const n = wholeOf(c)?.n;
      if (n === undefined || s.wraps !== undefined) return false;
      s.wraps = n;
    },
  ),
  clause(
    "four firm turns",
    seq(count, words("(?:firm|tight|good|hard)\\s+(?:turns|wraps)(?:\\s+of\\s+(?:the\\s+)?(?:thread|silk))?")),
    (s, [c]) => {
      const n = wholeOf(c)?.n;
      if (n === undefined || s.wraps !== undefined) return false;
      s.wraps = n;
    },
  ),
  clause(
    "pulled over the thorax",
    words(
      "(?:pulled|folded|drawn|brought|laid)\\s+(?:flat\\s+)?over\\s+(?:the\\s+)?(?:whole\\s+)?(?:thorax|body|abdomen|legs)",
    ),
    (s) => void (s.attitude ??= "over"),
  ),
  clause(
    "butts bound down to the weight",
    seq(
      words(
        "(?:and\\s+)?(?:wrap|bind|tie|lash|wind)(?:ped|s)?\\s+(?:down\\s+(?:over\\s+)?)?(?:the\\s+)?(?:butts?|ends?|butt\\s+ends)(?:\\s+down)?\\s+(?:up\\s+to|back\\s+to|forward\\s+to|to|as\\s+far\\s+as)",
      ),
      placeReached,
      opt(words("so\\s+(?:that\\s+)?the\\s+body\\s+(?:stays|is|lies|will\\s+be)\\s+(?:level|even|smooth)")),
    ),
    (s, [, p]) => {
      if (s.begin !== undefined || s.from !== undefined) return false;
      Object.assign(s, { from: p, to: { landmark: "bend" } });
    },
  ),
  clause(
    "bound in",
    words("counted\\s+when\\s+wound|bound\\s+in(?!\\s+(?:at|along|on))"),
    put({ countedWhenWound: true }),
  ),
  clause("by the stalk", match("by\\s+(?:the|its|their)\\s+(stalk|quill\\s+end|bare\\s+stem)s?"), (s) =>
    putWay(s, "hackle tied in", "butt"),
  ),
  clause(
    "left hanging",
    words(
      "(?:left|let|leave|most\\s+of\\s+it|butts?|ends?|tag)\\s+(?:them\\s+|it\\s+)?hang(?:ing)?(?:\\s+(?:back|behind|loose|out|off\\s+the\\s+back))*|hanging\\s+(?:back|off)",
    ),
    put({ hanging: true }),
  ),
  clause(
    "2 times as much taken",
    seq(opt(words("take")), number, words("times\\s+as\\s+much(?:\\s+taken)?")),
    (s, [, overTake]) => {
      if (!(overTake >= 1)) return false;
      s.overTake = overTake;
    },
  ),
  clause(
    "butts trimmed by 12 mm",
    seq(words("butts?\\s+(?:trimmed|cut)"), opt(words("by|back\\s+by")), absolute),
    (s, [, , trimMm]) => void (s.trimMm = trimMm),
  ),
  clause(
    "4 mm free",
    seq(
      words("leav(?:e|ing)|with|and"),
      lengthNamed,
      opt(words("of\\s+it")),
      words(
        "(?:hanging\\s+|sticking\\s+)?(?:free|in\\s+front|out\\s+(?:of\\s+)?(?:the\\s+)?front|over\\s+the\\s+eye|past\\s+the\\s+eye|behind|beyond|loose|over)(?:\\s+(?:behind|in\\s+front))?(?:\\s+for\\s+(?:a|the)\\s+\\w+)?",
      ),
    ),
    (s, [, free]) => void (s.free = free),
  ),
  clause(
    "leaving a bubble 2 mm high",
    seq(
      words("leav(?:e|ing)\\s+an?\\s+(?:[a-z]+\\s+)?(?:bubble|hump|bump|loop|bow|arch)(?:\\s+of)?"),
      lengthNamed,
      opt(words("high|tall")),
    ),
    (s, [, free]) => void (s.free = free),
  ),
  clause(
    "4 mm left free",
    seq(lengthNamed, words("(?:left\\s+|hanging\\s+)free(?:\\s+(?:behind|in\\s+front|beyond\\s+it))?")),
    (s, [free]) => void (s.free = free),
  ),
  clause(
    "tips levelled by hand",
    words(
      "(?:tips?\\s+)?(?:evened|levelled|leveled|aligned)(?:\\s+tips?)?(?:\\s+up)?\\s+(?:by\\s+hand|in\\s+the\\s+(?:hand|fingers))",
    ),
    (s) => putWay(s, "tips", "by hand"),
  ),
  clause(
    "tips left natural",
    words(
      "(?:natural|staggered|uneven)\\s+tips|tips\\s+(?:left\\s+)?(?:natural|uneven|staggered)|not\\s+stacked|unstacked",
    ),
    (s) => putWay(s, "tips", "natural"),
  ),
  clause(
    "torn off square",
    words(
      "(?:torn|stripped|pulled)\\s+(?:off\\s+)?(?:square(?:ly)?|at\\s+right\\s+angles)(?:\\s+(?:off|from)(?:\\s+the\\s+stem)?)?|(?:torn|pulled)\\s+(?:off|from)(?:\\s+the)?\\s+stem",
    ),
    (s) => putWay(s, "fibre ends", "torn"),
  ),
  clause("cut from the stem", words("cut\\s+(?:off|from)(?:\\s+the)?\\s+(?:stem|feather)"), (s) =>
    putWay(s, "fibre ends", "cut"),
  ),
  clause("measured by eye", words("(?:measured\\s+|judged\\s+)?by\\s+eye"), (s) => putWay(s, "fibre dose", "eye")),
  clause("counted out", words("counted(?:\\s+out|\\s+off)?(?!\\s+when)"), (s) => putWay(s, "fibre dose", "count")),
  clause(
    "tips stacked",
    words(
      "(?:tips?\\s+)?(?:stacked|evened|levelled|leveled|aligned)(?:\\s+tips?)?|tips\\s+(?:even|level|together|aligned)(?!\\s+with)",
    ),
    (s) => putWay(s, "tips", "stacked"),
  ),
  clause(
    "over its whole length",
    words(
      "over\\s+(?:its|the)\\s+(?:whole|full|entire)\\s+length(?:\\s+of\\s+the\\s+loop)?|along\\s+(?:all\\s+of\\s+)?the\\s+loop",
    ),
    () => undefined,
  ),
  clause(
    "in the same place",
    words("(?:in|at)\\s+(?:exactly\\s+)?the\\s+same\\s+(?:place|spot|point)"),
    () => undefined,
  ),
  stretched,
  clause(
    "wraps round the root",
    words("(?:round|around)\\s+(?:its|the|their)\\s+(?:base|root|foot)"),
    (s) => void (s.setBy ??= "wraps at the root"),
  ),
  clause(
    "where it is held",
    words("where\\s+(?:it|the\\s+\\w+)\\s+(?:is|was)\\s+(?:held|tied\\s+down|bound\\s+down|secured)"),
    () => undefined,
  ),
  clause(
    "by the tips",
    match(
      "(?:tied\\s+(?:in|on)\\s+)?by\\s+(?:(?:the|its|their)\\s+|(?=(?:tip|butt)s?\\b))(tips?|butts?|ends?|stems?|(?:thin|narrow|pointed|tapered|cut|wide|fine)\\s+ends?|point)",
    ),
    () => undefined,
  ),
  clause(
    "along the shank",
    words(
      "(?:and\\s+)?(?:bound\\s+(?:down\\s+)?|bind\\s+(?:it\\s+)?(?:down\\s+)?|laid\\s+)?(?:in\\s+)?(?:all\\s+)?along\\s+(?:the\\s+)?(?:top\\s+of\\s+the\\s+|side\\s+of\\s+the\\s+|whole\\s+|full\\s+length\\s+of\\s+the\\s+)?(?:hook\\s+)?(?:shank|body)",
    ),
    (s) => {
      if (s.from !== undefined) return false;
      s.laid = { from: { fraction: 0.3 }, to: { landmark: "bend" } };
    },
  ),
];

/** A direction alone, of what is pulled or laid over. */
const wayAlone = clause(
  "back",
  match("(forwards?|back(?:wards)?(?!\\s+to\\s+back)|rearwards)(?=\\s*(?:[,.;]|$|(?:and|so|over|to|until|then)\\b))"),
  (s, [w]) => {
    if (s.way !== undefined) return false;
    s.way = w?.startsWith("f") ? "forward" : "back";
  },
);
const itsPiece: Clause[] = [
  clause("60 mm long", seq(absolute, words("long")), (s, [mm]) => {
    if (s.pieceMm !== undefined) return false;
    s.pieceMm = mm;
  }),
  clause(
    "a 60 mm length of it",
    seq(opt(words("an?")), absolute, words("(?:long\\s+)?(?:lengths?|pieces?)(?:\\s+of)?")),
    (s, [, mm]) => {
      if (s.pieceMm !== undefined) return false;
      s.pieceMm = mm;
    },
  ),
  clause(
    "60 mm of it",
    seq(
      unless(
        absolute,
        words(
          anyOf(
            "apart",
            "thick",
            "wide",
            "long",
            "(?:is\\s+|are\\s+)?(?:left\\s+)?hang(?:s|ing)?",
            "stick(?:s|ing)?",
            "show(?:s|ing)?",
            "behind",
            "in\\s+front",
            "past",
            "short\\s+of",
            "back\\s+from",
            "from",
            "before",
            "ahead",
            "noodle",
            "tall",
            "free",
          ),
        ),
      ),
      opt(words("of|lengths?\\s+of|pieces?\\s+of")),
    ),
    (s, [mm]) => {
      if (s.pieceMm !== undefined || mm < 15) return false;
      s.pieceMm = mm;
    },
  ),
];

/** Lengths that say themselves to be one are tried before places, the bare ones after them. */
const FIRST = howLong.findIndex((c) => c.example === "to the point") + 1;

/** “tail, the length of the shank”: of what is laid that is how long it is, not where. */
const lengthOfShank: Clause = clause(
  "the length of the shank",
  words("(?:the\\s+)?(?:full\\s+)?length\\s+of\\s+the\\s+(?:hook\\s+)?shank"),
  (s) => shown(s, { of: "shank", times: 1 }),
);

/** What can be said of a part that is laid, in the order in which it is tried: the longer forms first. */
export const layClauses: Clause[] = [
  clause(
    "tied in by the middle",
    words(
      "tied\\s+(?:(?:in|on|down)\\s+)?(?:at|by|in)\\s+(?:the|their|its)\\s+(?:middle|centre|center)(?!\\s+of)|by\\s+(?:the|their|its)\\s+middle",
    ),
    put({ byMiddle: true }),
  ),
  tiedFirst(),
  onSizes,
  partOfStuff,
  clause(
    "leave the rest hanging",
    words(
      "(?:and\\s+)?leav(?:e|ing)\\s+(?:the\\s+(?:rest|remainder)\\s+(?:of\\s+(?:it|the\\s+\\w+)\\s+)?|it\\s+|them\\s+|the\\s+\\w+\\s+)hanging(?:\\s+(?:back|behind|off\\s+the\\s+bend))?",
    ),
    put({ hanging: true }),
  ),
  ...byNumber,
  ...bySize,
  ...byFeather,
  ...sides,
  ...howTied,
  lengthOfShank,
  where[0] as Clause,
  ...howLong.slice(0, FIRST),
  atSaid,
  ...howLong.slice(FIRST),
  where[1] as Clause,
  where[2] as Clause,
  ...everywhere,
  wayAlone,
  clause(
    "tips to the end",
    words("(?:the\\s+)?tips?(?=\\s+(?:just\\s+)?(?:to|level|even|as\\s+long)\\b)"),
    () => undefined,
  ),
];
function tiedFirst(): Clause {
  return everywhere[0] as Clause;
}
/** Of what is only bound in to be wound: a length is that of the piece. */
export const boundInClauses: Clause[] = [
  ...itsPiece,
  howLong[0] as Clause,
  ...layClauses.filter((c) => !howLong.includes(c)),
];

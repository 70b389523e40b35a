import { type Clause, clause, put } from "../../said";
import { words, match, seq, opt, oneOf, map } from "../../parse";
import { MATCHSTICK_MM, sideBySide, PENCIL_MM, THICK } from "./thick";
import { number, readNumber } from "../../text/number";
import { length, lengthNamed } from "../../text/length";
import { absolute } from "../../text/place";
import { arePairs, inSlips } from "../../slips";

/** No clump of a fly is thicker than so many mm: it is the hair that is so long. */
const THICKEST_CLUMP = 15;
/** “A small bunch, 10 mm”: behind a comma, and without “thick”, that is its length as well. */
const THICKEST_ALONE = 5;

/** So many mm of a feather's stem are taken at most. */
const MOST_OF_STEM_MM = 25;

export const bySize: Clause[] = [
  clause(
    "half a matchstick thick",
    oneOf(
      match("(?:1\\/2|½)\\s*(?:an?\\s+)?(match(?:stick)?|pencil)(?!\\s+lead)(?:\\s+thick)?"),
      match(
        "(?:an?\\s+(?:clump|bunch|bundle)\\s+)?(?:about\\s+)?(?:the\\s+)?(?:thickness\\s+of\\s+)?half\\s+an?\\s+(match(?:stick)?|pencil)(?!\\s+lead)(?:\\s+thick|'s\\s+(?:thickness|width))?",
      ),
      match(
        "(?:an?\\s+(?:clump|bunch|bundle)\\s+)?(?:about\\s+)?half\\s+(?:as\\s+thick\\s+as|the\\s+(?:thickness|size)\\s+of)\\s+an?\\s+(match(?:stick)?|pencil)(?!\\s+lead)",
      ),
    ),
    (s, [like]) => void (s.amount = { clump: { mm: (like === "pencil" ? PENCIL_MM : MATCHSTICK_MM) / 2 } }),
  ),
  clause(
    "clump as thick as a matchstick",
    words(
      "(?:an?\\s+)?(?:clump|bunch|bundle)?\\s*(?:(?:about|roughly|around|some|maybe|say)\\s+)?(?:as\\s+thick\\s+as\\s+a\\s+(?:wooden\\s+|kitchen\\s+)?match(?:stick)?|(?:of\\s+)?match(?:stick)?(?:'s)?[- ](?:sized?|thick(?:ness)?|worth)(?:\\s+(?:clump|bunch|bundle))?|the\\s+(?:thickness|size)\\s+of\\s+a\\s+(?:wooden\\s+|kitchen\\s+)?match(?:stick)?|(?:(?:a|one|1)\\s+)?matchstick(?=\\s*(?:[,.;]|$)))",
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
      words("as\\s+thick\\s+as|(?:the\\s+)?(?:thickness|size)\\s+of"),
      number,
      match("(match(?:stick)?|pencil)e?s"),
    ),
    (s, [, , , , n, [like]]) => {
      if (!(n >= 2 && n <= 6)) return false;
      s.amount = sideBySide(like, n);
    },
  ),
  clause(
    "two matchsticks thick",
    seq(number, match("(match(?:stick)?|pencil)e?s"), words("thick")),
    (s, [n, [like]]) => {
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
      words("(?:[a-z]\\w*\\s+)??(?:clump|bunch|bundle)"),
      // Behind a comma only a figure is its thickness: “small bunch, gape length” is a length.
      oneOf(
        map(seq(opt(words("of|about")), length), ([, l]) => l),
        map(seq(words(","), absolute), ([, mm]) => (mm > THICKEST_ALONE ? undefined : { mm })),
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
    if (s.amount !== undefined || s.ofMm !== undefined || mm > MOST_OF_STEM_MM) return false;
    s.ofMm = mm;
  }),
  clause("1.5 mm thick clump", seq(absolute, words("(?:thick\\s+)?(?:clump|bunch|bundle)")), (s, [mm]) => {
    // “A 60 mm bunch of bucktail” is so long.
    if (mm > THICKEST_CLUMP) s.shown ??= { mm };
    else s.amount = { clump: { mm } };
  }),
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
  // “Slips of teal, width half the gape”
  clause(
    "of a width of 3 mm",
    seq(words("(?:(?:in|of\\s+an?|its|their)\\s+)?width(?:\\s+(?:of|is|about))?(?=\\s)"), length),
    (s, [, slipWidth]) => {
      if (s.amount !== undefined) return false;
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
    "same amount as the belly",
    seq(
      words("(?:of\\s+)?(?:the\\s+)?same\\s+(?:amount|number|quantity)\\s+as\\s+(?:(?:in|for|on)\\s+)?(?:the\\s+)?"),
      match("(belly|throat|beard|tail|wing|underwing|legs|back)"),
    ),
    (s, [, [part]]) => {
      if (s.amount !== undefined || s.thickLike !== undefined) return false;
      s.amountOf = part;
    },
  ),
  clause(
    "half as much as the white",
    seq(
      match(
        "(half|twice|double|a\\s+third|a\\s+quarter|two\\s+thirds|(?:just\\s+)?(?=as\\s))\\s*as\\s+(much|many|thick)\\s+as\\s+(?:(?:of|in|for)\\s+)?(?:the\\s+)?",
      ),
      match("([a-z]{3,}(?:\\s+(?:bucktail|hair|flash|marabou|bunch|fibres|squirrel|fur))?)(?=\\s*(?:[,.;]|$|and\\b))"),
    ),
    (s, [[share = "", by], [of = ""]]) => {
      const times = /twice|double/.test(share) ? 2 : (readNumber(share) ?? 1);
      if (s.amount !== undefined || s.thickLike !== undefined || s.muchLike !== undefined) return false;
      // “As thick as a matchstick” is no part of the fly.
      if (/^(?:matchsticks?|pencils?|that|them|first|last|needle|string|finger|shank|body|hook)$/.test(of))
        return false;
      s.muchLike = { of, times, by: by === "thick" ? "thickness" : "amount" };
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
          "half\\s+(?:as\\s+thick|the\\s+(?:thickness|amount|size))(?!\\s+(?:as|of|again)\\b)|half\\s+as\\s+much(?!\\s+(?:as|again)\\b)",
        ),
        () => 0.5,
      ),
      map(
        words(
          "half\\s+(?:as\\s+(?:much|thick)\\s+again|again\\s+as\\s+(?:much|thick))|(?:one\\s+and\\s+a\\s+half|1\\.5|1½)\\s+times\\s+as\\s+(?:much|thick)(?!\\s+as\\b)",
        ),
        () => 1.5,
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
    "as wide as half the gape",
    seq(words("(?:each\\s+)?(?:(?:about|roughly|nearly)\\s+)?(?:as\\s+wide\\s+as|the\\s+width\\s+of)"), lengthNamed),
    (s, [, slipWidth]) => {
      if (s.amount && !("slipWidth" in s.amount) && !arePairs(s.amount)) return false;
      s.amount = inSlips(s.amount, slipWidth);
    },
  ),
  clause(
    "2 mm wide",
    seq(
      opt(words("each|(?:cut|trimmed)(?:\\s+(?:to|about))*")),
      lengthNamed,
      words("wide(?:\\s+(?:strip|slips?))?|in\\s+width"),
    ),
    (s, [, slipWidth]) => {
      // “A rabbit strip, 6 mm wide and 12 cm long”: one strand of that width.
      const isStrip = s.amount && "strands" in s.amount && s.amount.strands === 1 && !s.amount.folded;
      if (isStrip && s.stripMm === undefined && "mm" in slipWidth) {
        s.stripMm = slipWidth.mm;
        return;
      }
      if (s.amount && !("slipWidth" in s.amount) && !arePairs(s.amount)) return false;
      s.amount = inSlips(s.amount, slipWidth);
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

import { type Clause, clause, type Said } from "../../said";
import { seq, opt, words, match, oneOf, map } from "../../parse";
import type { FeatherPart } from "../../../recipe";
import { count } from "../../text/count";
import { number } from "../../text/number";
import { perSide, amountOf } from "./amount";

/** “reaching halfway down the hackles”: so much of what is tied of them. */
export const partOfStuff: Clause = clause(
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

const partOf = (s: Said, part: FeatherPart, feathers?: number): void => {
  const n = feathers ?? (s.amount && "feathers" in s.amount ? s.amount.feathers : 1);
  s.amount = { feathers: n, part };
};

export const byFeather: Clause[] = [
  clause(
    "a whole feather",
    words("(?:the\\s+|an?\\s+|one\\s+)?(?:whole|full|entire|complete)\\s+(?:feather|plume)(?!\\s+fib)"),
    (s) => {
      if (s.amount !== undefined && !("feathers" in s.amount)) return false;
      s.amount ??= { feathers: 1 };
    },
  ),
  clause(
    "pair of slips",
    words(
      "(?:an?\\s+|one\\s+)?(?:matched\\s+|matching\\s+)?pair\\s+of(?=(?:\\s+(?!of\\b|and\\b|with\\b)[\\w'-]+){0,4}\\s+(?:slips?|sections?|segments?|quills?)\\b)",
    ),
    () => undefined,
  ),
  clause(
    "pair of feathers",
    words("(?:(?:matched|matching)\\s+)?pair\\s+of(?=(?:\\s+(?!of\\b|and\\b|with\\b)[\\w'-]+){1,4})"),
    (s) => {
      if (s.amount !== undefined) return false;
      s.amount = { feathers: 2, paired: true };
    },
  ),
  clause("a pair", words("(?:an?\\s+|one\\s+)?(?:matched\\s+|matching\\s+)?pair(?=\\s*(?:[,.;]|$))"), (s) => {
    // “6 fibres in each, one pair”: so many on either side.
    if (s.amount && "fibres" in s.amount && typeof s.amount.fibres === "number") {
      s.amount = { fibres: 2 * s.amount.fibres };
      s.round = { near: 1, far: 1 };
      return;
    }
    // “Slips, 3 mm wide, a pair”: one from either side, each so wide.
    if (s.amount && "slipWidth" in s.amount) return;
    if (s.amount !== undefined && !("feathers" in s.amount)) return false;
    s.amount = { feathers: 2, paired: true };
  }),
  clause("in pairs", words("(?:matched\\s+)?in(?:to)?\\s+(?:matched\\s+|matching\\s+)?pairs"), (s) => {
    if (!s.amount || !("feathers" in s.amount) || s.amount.feathers % 2 !== 0) return false;
    s.amount = { ...s.amount, paired: true };
  }),
  clause(
    "1 pair of feathers",
    seq(count, opt(words("matched|matching")), words("pairs?|prs?\\.?"), opt(words("of\\s+feathers"))),
    (s, [c]) => {
      if (!Number.isInteger(c.n) || c.n < 1) return false;
      if (c.n === 1 && s.amount && "slipWidth" in s.amount) return;
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
    "the tips of a plume",
    words("(?:the\\s+)?tips?\\s+of\\s+(?=(?:an?|one|the)\\s+(?:[a-z-]+\\s+){0,3}(?:feather|plume|hackle)\\b)"),
    (s) => partOf(s, "tip"),
  ),
  clause(
    "tips only",
    match(
      "(?:just\\s+the\\s+|only\\s+the\\s+|the\\s+)?(tips?|(?<=hackle\\s+)points)(?:\\s+only)?(?=\\s*(?:[,.;]|$|(?:tied|set|mounted|spent|back\\s+to\\s+back)\\b|(?:each|either|per)\\s+side\\b|(?:as|for)\\s+(?:the\\s+|an?\\s+)?(?:wings?|tails?|spinner|spent)\\b))",
    ),
    (s, [tips = ""]) => {
      if (s.amount && !("feathers" in s.amount)) return false;
      if (tips.endsWith("s") && (s.amount?.feathers ?? 1) === 1 && s.count === undefined) s.isSeveral = true;
      partOf(s, "tip");
    },
  ),
  clause(
    "2 tips",
    seq(number, opt(words("feather|hackle")), words("tips?|(?<!\\bto\\s+an?\\s+)points?(?=\\s*(?:[,.;]|$))")),
    (s, [n]) => (Number.isInteger(n) ? partOf(s, "tip", n) : false),
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

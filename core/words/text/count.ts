import { map, match, memo, oneOf, opt, seq, words, type Reader } from "../parse";
import { number } from "./number";

/** A number of things as people say it: exact, as a range, hedged, or with an upper end alone. */
export interface Count {
  n: number;
  /** Fewest and most that will do; its middle is `n`. */
  spread?: [number, number];
  /** “at most”, “no more than”: an upper end. */
  atMost?: boolean;
}

/** How far a hedged count may be off: “about 8” is 6 to 10. */
const HEDGE = 0.25;

const hedge = words("about|around|roughly|approximately|approx\\.?|abt\\.?|some|maybe|perhaps|circa|~|say");
const upTo = words(
  "at\\s+most|at\\s+the\\s+most|up\\s+to|no\\s+more\\s+than|not\\s+more\\s+than|max(?:imum)?\\.?(?:\\s+of)?",
);
const orSo = words("or\\s+so|-?ish|more\\s+or\\s+less");
const between = oneOf(words("to|or"), words("-"));

const spreadOf = (low: number, high: number): Count | undefined =>
  low > 0 && high >= low ? { n: (low + high) / 2, spread: [low, high] } : undefined;

/** “about 8”: 6 to 10, whole where the number is. */
function hedged(n: number): Count {
  const [low, high] = [n * (1 - HEDGE), n * (1 + HEDGE)];
  return Number.isInteger(n)
    ? { n, spread: [Math.max(1, Math.floor(low)), Math.ceil(high)] }
    : { n, spread: [low, high] };
}

const range = map(seq(opt(hedge), number, between, number), ([, a, , b]) => spreadOf(a, b));
const between2 = map(seq(words("between"), number, words("and"), number), ([, a, , b]) => spreadOf(a, b));
const most = map(seq(upTo, number), ([, n]) => ({ n, atMost: true }));
const mostBehind = map(seq(number, words("at\\s+(?:the\\s+)?most|max(?:imum)?|tops")), ([n]) => ({ n, atMost: true }));
/** “at least six”: so many, and somewhat more. */
const andMore = (n: number): Count | undefined => spreadOf(n, hedged(n).spread?.[1] ?? n);
const fewest = map(
  seq(words("at\\s+(?:the\\s+)?least|no\\s+(?:fewer|less)\\s+than|min(?:imum)?\\.?(?:\\s+of)?"), number),
  ([, n]) => andMore(n),
);
const fewestBehind = map(seq(number, words("or\\s+more|min(?:imum)?|at\\s+(?:the\\s+)?least")), ([n]) => andMore(n));
const about = map(seq(hedge, number), ([, n]) => hedged(n));
const soMany = map(seq(number, orSo), ([n]) => hedged(n));
const once = map(match("(once|twice|thrice)"), ([w]) => ({ n: w === "once" ? 1 : w === "twice" ? 2 : 3 }));

export const count: Reader<Count> = memo(
  oneOf<Count>(
    between2,
    range,
    most,
    mostBehind,
    fewest,
    fewestBehind,
    about,
    soMany,
    map(number, (n) => ({ n })),
  ),
);
/** “once”, “twice”, “3 times”. */
export const times: Reader<Count> = memo(
  oneOf<Count>(
    once,
    map(
      match("x\\s?([2-5])(?=\\s*(?:[,.;)]|$|(?:wound|twisted|spun|twined|wrapped|tied|together|by|and)\\b))"),
      ([n]) => ({
        n: Number(n),
      }),
    ),
    map(seq(number, words("times")), ([n]) => ({ n })),
  ),
);

import { type Reader, oneOf, map, match, seq, words, opt } from "../../parse";
import type { SizeSpan } from "../../../recipe";
import { type Clause, clause } from "../../said";
import { number } from "../../text/number";
import type { HookSize } from "../../../hooks";

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

/** A span of sizes with both ends, within those of the pattern. */
export const spanOf = (sizes: Partial<SizeSpan>, all: SizeSpan): { from: HookSize; to: HookSize } => ({
  from: sizes.from ?? all.from,
  to: sizes.to ?? all.to,
});

import { type Reader, map, match, seq, words, opt } from "../../parse";
import type { SizeSpan } from "../../../recipe";
import { type Clause, clause } from "../../said";
import { number } from "../../text/number";
import { isHookSize, sizeNumber, type HookSize } from "../../../hooks";

/** A hook size, and no measure or count: “3 on 16s” counts three. */
const SIZE =
  "#?\\d{1,2}(?:\\/0)?(?:'?s)?(?![\\w./]|\\s*(?:mm|cm|in(?:ch)?\\b|den|turns?|wraps?|strands?|fibres?)|\\s+(?:on|for|in)\\s)";
/** “14s”, “12s and smaller”, “8 or larger”, “10, 12 and 14”. */
export const SIZES = `${SIZE}(?:\\s*(?:,|and|or|&|-|to)\\s*${SIZE})*(?:\\s*(?:and|or|&)\\s*(?:smaller|down|under|below|finer|larger|bigger|up|over|above))?`;

/** The span that words for sizes mean; one end is open in “12s and smaller”. None where one of them is no size. */
export function spanIn(said: string): Partial<SizeSpan> | undefined {
  const sizes: HookSize[] = said.match(/\d{1,2}(?:\/0)?/g) ?? [];
  if (!sizes.every(isHookSize)) return undefined;
  const [large, ...more] = sizes.sort((a, b) => sizeNumber(a) - sizeNumber(b));
  if (large === undefined) return undefined;
  const small = more.at(-1) ?? large;
  if (/smaller|down|under|below|finer/.test(said)) return { from: large };
  return /larger|bigger|\bup\b|over|above/.test(said) ? { to: small } : { from: large, to: small };
}
export const sizesRead: Reader<Partial<SizeSpan>> = map(match(`(?:(?:sizes?|no\\.?)\\s*)?(${SIZES})`), ([said = ""]) =>
  spanIn(said),
);

const onThem = map(seq(words("on|in|for"), opt(words("a|the")), sizesRead), ([, , sizes]) => sizes);

/** “4 on 14s”: a count that holds for some sizes. */
export const onSizes: Clause = clause(
  "4 on 14s and smaller",
  map(seq(number, opt(match("(turns?|fibres?|strands?|wraps?|of\\s+them)")), onThem), ([n, noun, sizes]) => ({
    n,
    noun: noun?.[0],
    sizes,
  })),
  (s, { n, noun, sizes }) => {
    // “Half the shank (a third on 14s)”: of such a share there is a length and no count.
    if (n < 1 && noun === undefined && s.shown && "of" in s.shown)
      return void (s.onLengths = [...(s.onLengths ?? []), { sizes, rule: { of: s.shown.of, times: n } }]);
    if (n < 1 && !/^(?:turn|wrap)/.test(noun ?? "")) return false;
    s.onSizes = [...(s.onSizes ?? []), { sizes, count: n, ...(noun !== undefined && { noun }) }];
  },
);
/** “6 fibres of cock on 12s, 5 on 14s”: what was counted is that of the first. */
export const onFirstSizes: Clause = clause(
  "on 12s, 5 on 14s",
  map(
    seq(onThem, words(",(?=\\s*(?:and\\s+|but\\s+)?[\\p{L}\\d.]+\\s+(?:on|for)\\s+(?:the\\s+|an?\\s+)?#?\\d)")),
    ([sizes]) => sizes,
  ),
  (s, sizes) => {
    const { amount, rule } = s;
    const count = amount && ("fibres" in amount ? amount.fibres : "strands" in amount ? amount.strands : undefined);
    const n = rule?.turns ?? count;
    if (typeof n !== "number" || s.onSizes) return false;
    s.onSizes = [{ sizes, count: s.isOfBothSides ? n / 2 : n }];
  },
);

/** A span of sizes with both ends, within those of the pattern. */
export const spanOf = (sizes: Partial<SizeSpan>, all: SizeSpan): { from: HookSize; to: HookSize } => ({
  from: sizes.from ?? all.from,
  to: sizes.to ?? all.to,
});

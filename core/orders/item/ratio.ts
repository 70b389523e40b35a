import type { Stretch } from "../stretch";

/** “3:2:1”, “in the ratio 2:1”, “2:1 split”: two numbers alone could be a time or a size and how many. */
const RATIO =
  /(?<![\d:.])(?:(?:in\s+(?:the\s+|a\s+)?|im\s+)?(?:ratio|proportions?|verhältnis)\s+(?:of\s+|von\s+)?(\d\s?:\s?\d)|(\d:\d)(?=\s+(?:split|ratio|mix)(?!\p{L}))|(?:in\s+(?:the\s+)?(?:ratio|proportions?)\s+(?:of\s+)?)?(\d(?:\s?:\s?\d){2,5}))(?:\s+(?:split|ratio|mix))?(?![\d:])/iu;

/** How a quantity goes with several sizes or colours, in their order. */
export type Ratio = readonly number[];

/** Takes a ratio from what is left of a statement; a part of nothing is none. */
export function takeRatio(stretch: Stretch): Ratio | undefined {
  const words = stretch
    .find(RATIO)
    ?.groups.slice(1)
    .find((group) => group !== undefined);
  const ratio = words?.match(/\d/g)?.map(Number);
  if (!ratio || ratio.includes(0)) return undefined;
  stretch.take(RATIO);
  return ratio;
}

/** So many flies in that ratio, each a whole number; undefined where they cannot be shared so. */
export function inRatio(flies: number, ratio: Ratio): number[] | undefined {
  const whole = ratio.reduce((a, b) => a + b, 0);
  const shares = ratio.map((part) => (flies * part) / whole);
  return shares.every(Number.isInteger) ? shares : undefined;
}

import type { Stretch } from "../stretch";

/** “3:2:1”, “in the ratio 2:1”, “2:1 split”: two numbers alone could be a time or a size and how many. */
const RATIO =
  /(?<![\d:.])(?:(?:in\s+(?:the\s+|a\s+)?|im\s+)?(?:ratio|proportions?|verhältnis)\s+(?:of\s+|von\s+)?(?<words>\d\s?:\s?\d)|(?<split>\d:\d)(?=\s+(?:split|ratio|mix)(?!\p{L}))|(?:in\s+(?:the\s+)?(?:ratio|proportions?)\s+(?:of\s+)?)?(?<several>\d(?:\s?:\s?\d){2,5}))(?:\s+(?:split|ratio|mix))?(?![\d:])/iu;

/** How a quantity goes with several sizes or colours, in their order. */
export interface Ratio {
  at: [number, number];
  parts: readonly number[];
}

/** Takes a ratio from what is left of a statement; a part of nothing is none. */
export function takeRatio(stretch: Stretch): Ratio | undefined {
  const said = stretch.find(RATIO);
  const words = said?.groups.find((g) => g !== undefined && /:/.test(g));
  const parts = (words ?? said?.words ?? "").match(/\d/g)?.map(Number) ?? [];
  if (!said || parts.length < 2 || parts.includes(0)) return undefined;
  stretch.take(RATIO);
  return { at: said.at, parts };
}

/** So many flies in that ratio, each a whole number; undefined where they cannot be shared so. */
export function inRatio(flies: number, { parts }: Ratio): number[] | undefined {
  const whole = parts.reduce((a, b) => a + b, 0);
  const shares = parts.map((p) => (flies * p) / whole);
  return shares.every(Number.isInteger) ? shares : undefined;
}

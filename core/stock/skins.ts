import { guard } from "../units";
import { isMiddleWithin } from "./feathers";

/** What skins of a kind gave when they were sorted: feathers fit to tie with, by class; lengths in mm. */
export interface SortedClass {
  fromMm: number;
  toMm: number;
  count: number;
}

/** Feathers that are short of an interval of lengths, mm, ends included. */
export interface ShortOfClass {
  barbMm: readonly [number, number];
  feathers: number;
}

export interface FeathersToBuy {
  /** Feathers in all, of skins like those that were sorted, so that every interval is met. */
  feathers: number;
  /** The stretch of lengths that decides: it is poorest against what is asked of it. */
  scarce?: readonly [number, number];
}

/**
 * How many feathers to buy so that the right ones are among them: a skin has few of the small, and buying by the
 * total leaves them short. Where every interval is met, each stretch of lengths holds what is asked within it, and the
 * other way round (Hall's condition; for intervals on a line only stretches from one interval's shorter end to
 * another's longer end matter).
 *
 * @param sorted classes of skins sorted before; none, or none of a wanted length: nothing is known, and the plain sum
 *   is given back
 * @param short by interval; whole feathers, ≥ 0
 * @returns whole feathers, at least the plain sum
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 * @example feathersToBuy([{ fromMm: 5, toMm: 6, count: 10 }, { fromMm: 6, toMm: 8, count: 90 }],
 *   [{ barbMm: [5, 6], feathers: 20 }]) // 200 feathers, a tenth of them of 5 to 6 mm
 *
 * Source: P. Hall 1935; F. Glover 1967 for intervals.
 */
export function feathersToBuy(sorted: readonly SortedClass[], short: readonly ShortOfClass[]): FeathersToBuy {
  for (const c of sorted) guard("the feathers of a class", c.count, { least: 0, most: 10_000_000, whole: true });
  for (const s of short) guard("the feathers short", s.feathers, { least: 0, most: 10_000_000, whole: true });
  const open = short.filter((s) => s.feathers > 0);
  const plain = open.reduce((sum, s) => sum + s.feathers, 0);
  const all = sorted.reduce((sum, c) => sum + c.count, 0);
  let most: FeathersToBuy = { feathers: plain };
  if (all === 0) return most;
  for (const from of new Set(open.map((s) => s.barbMm[0])))
    for (const to of new Set(open.map((s) => s.barbMm[1]))) {
      const asked = open
        .filter((s) => s.barbMm[0] >= from && s.barbMm[1] <= to)
        .reduce((sum, s) => sum + s.feathers, 0);
      const there = sorted
        .filter((c) => isMiddleWithin([c.fromMm, c.toMm], [from, to]))
        .reduce((sum, c) => sum + c.count, 0);
      if (asked === 0 || there === 0) continue;
      const feathers = Math.ceil((asked * all) / there - 1e-9);
      if (feathers > most.feathers) most = { feathers, scarce: [from, to] };
    }
  return most;
}

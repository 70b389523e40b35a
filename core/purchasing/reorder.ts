import { normalQuantile } from "../numeric";
import { guard } from "../units";

export interface UseKnown {
  /** Mean use a week, in base units, ≥ 0. */
  perWeek: number;
  /** Standard deviation of a week's use. */
  weekDeviation: number;
}

export interface LeadKnown {
  /** Mean days from ordering to having it. */
  days: number;
  /** Standard deviation of those days. */
  deviation: number;
}

export interface ReorderPoint {
  /** Order when what is there and on its way falls to this, in base units; not rounded. */
  point: number;
  /** Used, on average, until it comes. */
  cycle: number;
  /** Kept above that so that the level holds. */
  safety: number;
}

/**
 * When to order: use over the lead time, and so much above it that stock lasts until delivery with the chance `level`.
 * Lead L weeks with σ_L, use d a week with σ_d: point = d·L + z·√(L·σ_d² + d²·σ_L²).
 *
 * @param level service level, 0 < level < 1
 * @throws DomainError FIGURE_OUT_OF_BOUNDS, PROBABILITY_INVALID
 * @example reorderPoint({ perWeek: 70, weekDeviation: 20 }, { days: 14, deviation: 3.5 }, 0.9) // point 197, safety 57
 *
 * Source: demand over a random lead time, both independent and near normal (G. Hadley, T. M. Whitin 1963).
 */
export function reorderPoint(use: UseKnown, lead: LeadKnown, level: number): ReorderPoint {
  guard("the use a week", use.perWeek, { least: 0, most: 1e15 });
  guard("the spread of a week's use", use.weekDeviation, { least: 0, most: 1e15 });
  guard("the days until it is here", lead.days, { least: 0, most: 3650 });
  guard("the spread of those days", lead.deviation, { least: 0, most: 3650 });
  const weeks = lead.days / 7;
  const cycle = use.perWeek * weeks;
  const variance = weeks * use.weekDeviation ** 2 + (use.perWeek * (lead.deviation / 7)) ** 2;
  const safety = Math.max(0, normalQuantile(level) * Math.sqrt(variance));
  return { point: cycle + safety, cycle, safety };
}

/**
 * What is known of a week's use from what each of the past weeks took, quiet weeks as 0.
 * @param weeks use per week; without any nothing is used
 * @returns mean and sample deviation; of a single week the deviation is taken as its use
 */
export function useOfWeeks(weeks: readonly number[]): UseKnown {
  for (const w of weeks) guard("a week's use", w, { least: 0, most: 1e15 });
  const n = weeks.length;
  if (n === 0) return { perWeek: 0, weekDeviation: 0 };
  const mean = weeks.reduce((sum, w) => sum + w, 0) / n;
  if (n === 1) return { perWeek: mean, weekDeviation: mean };
  const squares = weeks.reduce((sum, w) => sum + (w - mean) ** 2, 0);
  return { perWeek: mean, weekDeviation: Math.sqrt(squares / (n - 1)) };
}

/**
 * How late deliveries have been, in days each; early ones are negative. Two of ten a few days late, until there is a
 * log.
 */
const LATENESS_PRIOR = [0, 0, 0, 0, 0, 0, 0, 0, 5, 5];

/** Days by which a supplier's deliveries may be late, each as probable as the others: the prior and their own log. */
export const latenessKnown = (lateDays: readonly number[]): number[] =>
  [...LATENESS_PRIOR, ...lateDays].map((d) => Math.max(0, d));

/**
 * Lead time of a supplier from what they say and how late their deliveries were: prior of ten deliveries, two of them
 * five days late, and the room's own log beside it.
 * @param saidDays what the supplier says; ≥ 0
 * @param lateDays days late of each past delivery; negative is early
 */
export function leadOf(saidDays: number, lateDays: readonly number[]): LeadKnown {
  guard("the days until it is here", saidDays, { least: 0, most: 3650 });
  for (const l of lateDays) guard("a delivery's lateness", l, { least: -3650, most: 3650 });
  const known = [...LATENESS_PRIOR, ...lateDays];
  const m = known.reduce((sum, l) => sum + l, 0) / known.length;
  const s = known.reduce((sum, l) => sum + l * l, 0) / known.length;
  return { days: Math.max(0, saidDays + m), deviation: Math.sqrt(Math.max(0, s - m * m)) };
}

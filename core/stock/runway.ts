import { guard } from "../units";

/** Something that will be taken out, or come in, on a day. */
export interface StockEvent {
  /** ISO day. */
  day: string;
  /** In base units, ≥ 0. */
  quantity: number;
}

export interface RunwayProblem {
  /** ISO day; what is due before it counts as of today. */
  today: string;
  /** In drawers now, reserved or not. */
  there: number;
  needs: readonly StockEvent[];
  arrivals: readonly StockEvent[];
  /**
   * Days from ordering to having it, of the source that would be asked; without one nothing can be said of ordering.
   */
  leadDays?: number;
}

export interface Runway {
  /** Level at the end of each day on which something changes, today first; negative where it has run out. */
  levels: { day: string; level: number }[];
  /** The first day whose needs are not met, or none. */
  runsOut?: string;
  /** So much is missing at the worst. */
  missing: number;
  /** By when to order so that it is there on the day it runs out; it may have passed. */
  orderBy?: string;
}

/**
 * One material against time: what is there, less what the coming work takes, plus what is on its way.
 *
 * @param p quantities ≥ 0 in one unit; days as ISO days. On one day arrivals come before needs: the post comes in the
 *   morning
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 */
export function runwayOf(p: RunwayProblem): Runway {
  guard("what is there", p.there, { least: 0, most: 1e15 });
  guard("the days until it is here", p.leadDays, { least: 0, most: 3650, whole: true });
  const changes = new Map<string, number>();
  const add = (day: string, quantity: number): void => {
    guard("what is needed or comes", Math.abs(quantity), { least: 0, most: 1e15 });
    const on = day < p.today ? p.today : day;
    changes.set(on, (changes.get(on) ?? 0) + quantity);
  };
  for (const a of p.arrivals) add(a.day, a.quantity);
  for (const n of p.needs) add(n.day, -n.quantity);
  add(p.today, 0);
  let level = p.there;
  const levels = [...changes.entries()]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([day, change]) => ({ day, level: (level += change) }));
  const runsOut = levels.find((l) => l.level < 0)?.day;
  const lowest = levels.reduce((least, l) => Math.min(least, l.level), 0);
  return {
    levels,
    missing: Math.max(0, -lowest),
    ...(runsOut !== undefined && { runsOut }),
    ...(runsOut !== undefined && p.leadDays !== undefined && { orderBy: dayBefore(runsOut, p.leadDays) }),
  };
}

const DAY_MS = 86_400_000;

/** An ISO day so many days earlier; days of the calendar, so reckoned in UTC. */
const dayBefore = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) - days * DAY_MS).toISOString().slice(0, 10);

import { guard } from "../units";

/** Months in which something is to be had, 1 to 12, ends included; it may go over the turn of the year. */
export interface Season {
  from: number;
  to: number;
}

const MONTH = { least: 1, most: 12, whole: true } as const;

/** Whether it is to be had in a month, 1 to 12. */
export function isInSeason({ from, to }: Season, month: number): boolean {
  for (const m of [from, to, month]) guard("a month", m, MONTH);
  return from <= to ? month >= from && month <= to : month >= from || month <= to;
}

const two = (n: number): string => String(n).padStart(2, "0");
/** The last day of a month, by the calendar. */
const lastDay = (year: number, month: number): string =>
  `${year}-${two(month)}-${two(new Date(Date.UTC(year, month, 0)).getUTCDate())}`;

/**
 * The time in which something cannot be had, after the season that is on.
 *
 * @param today ISO day
 * @returns the last day of the season and the first of the next; undefined where it is not on now, or has no end
 * @example gapAfter({ from: 9, to: 12 }, "2026-11-26") // { until: "2026-12-31", again: "2027-09-01" }
 */
export function gapAfter(season: Season, today: string): { until: string; again: string } | undefined {
  const [year = 0, month = 0] = today.split("-").map(Number);
  const { from, to } = season;
  const isAllYear = (to % 12) + 1 === from;
  if (isAllYear || !isInSeason(season, month)) return undefined;
  const endsIn = month <= to ? year : year + 1;
  const begins = from > to ? endsIn : endsIn + 1;
  return { until: lastDay(endsIn, to), again: `${begins}-${two(from)}-01` };
}

import { addYears, format, parseISO } from "date-fns";

/** Days of the room's calendar by their names, as they stand for the coming year. */
interface Season {
  name: string;
  date: string;
}

/**
 * The day for which an order comes up again: that of its season, where the calendar has one after the day it was for,
 * else the same day of a later year; as many years on as it was passed over.
 *
 * @param due ISO date of the order as it was last written
 * @param season its name, where the day was said by it
 * @param passed how often it was passed over since, 0 or more
 * @returns ISO date; of 29 February in a common year the 28th
 */
export function nextStanding(due: string, season: string | null, passed: number, seasons: readonly Season[]): string {
  const named = seasons.find((s) => s.name === season && s.date > due)?.date;
  const first = named ?? format(addYears(parseISO(due), 1), "yyyy-MM-dd");
  return passed === 0 ? first : format(addYears(parseISO(first), passed), "yyyy-MM-dd");
}

import { addDays, addWeeks, format, isValid, parse } from "date-fns";

const withYear = ["yyyy-MM-dd", "d MMM yyyy", "d MMMM yyyy", "MMM d yyyy", "MMMM d yyyy", "d.M.yyyy", "d/M/yyyy"];
const withoutYear = ["d MMM", "d MMMM", "MMM d", "MMMM d", "d.M."];

export const isoDate = (date: Date): string => format(date, "yyyy-MM-dd");
/** Noon, so that no time zone moves the day. */
const noon = (iso: string): Date => parse(`${iso} 12:00`, "yyyy-MM-dd HH:mm", new Date(0));

/**
 * A day as people write it: "12 Mar", "12 March 2027", "2027-03-12", "12.3.2027", "in 3 weeks". Without a year, the
 * next such day.
 * @param today ISO date
 * @returns ISO date, or undefined when it is not a day
 */
export function readDate(text: string, today: string): string | undefined {
  const clean = text
    .trim()
    .replace(/^(by|due|before|for|on)\s+/i, "")
    .replace(/(\d)(st|nd|rd|th)\b/i, "$1")
    .replace(/\s+/g, " ");
  const from = noon(today);
  const ahead = /^in (\d{1,2}) (day|week)s?$/i.exec(clean);
  if (ahead) {
    const n = Number(ahead[1]);
    return isoDate(ahead[2]?.toLowerCase() === "week" ? addWeeks(from, n) : addDays(from, n));
  }
  for (const pattern of withYear) {
    const date = parse(clean, pattern, from);
    if (isValid(date) && date.getFullYear() >= 2000) return isoDate(date);
  }
  for (const pattern of withoutYear) {
    const date = parse(clean, pattern, from);
    if (!isValid(date)) continue;
    if (isoDate(date) < today) date.setFullYear(date.getFullYear() + 1);
    return isoDate(date);
  }
  return undefined;
}

import { TZDate } from "@date-fns/tz";
import { addDays } from "date-fns";
import { DAY_MINUTES, type Day } from "@kasten/core/schedule";

export const HORIZON_DAYS = 110;
const MINUTE = 60_000;

/** The plan's days: minute 0 is the start of today in the shop's time zone. */
export interface Frame {
  origin: Date;
  now: number;
  days: Day[];
  minuteOf: (isoDay: string) => number;
  /** The end of a day: what is ready on the day promised is in time. */
  endOf: (isoDay: string) => number;
  dates: string[];
  dayOf: (minute: number) => string;
  /** The minute of an instant, and the instant of a minute. */
  minuteAt: (at: Date) => number;
  instantOf: (minute: number) => Date;
}

const iso = (d: Date): string =>
  `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, "0")}-${String(d.getDate()).padStart(2, "0")}`;

/** @param from whose day is the first; `now` may be later, where a plan is some minutes old */
export function frameOf(timeZone: string, from: Date, now: Date = from): Frame {
  const local = new TZDate(from.getTime(), timeZone);
  const midnight = new TZDate(local.getFullYear(), local.getMonth(), local.getDate(), timeZone);
  const starts = Array.from({ length: HORIZON_DAYS + 1 }, (_, i) => addDays(midnight, i));
  const minute = (d: Date) => Math.round((d.getTime() - midnight.getTime()) / MINUTE);
  const byIso = new Map(starts.map((d) => [iso(d), minute(d)]));
  const isPast = (day: string) => day < iso(midnight);
  const minuteOf = (day: string) => byIso.get(day) ?? (isPast(day) ? 0 : (HORIZON_DAYS + 30) * DAY_MINUTES);
  const dayAfter = (day: string) => iso(addDays(new TZDate(`${day}T00:00:00`, timeZone), 1));
  return {
    origin: new Date(midnight.getTime()),
    now: minute(now),
    days: starts.map((d) => ({ minute: minute(d), weekday: d.getDay() === 0 ? 7 : d.getDay() })),
    minuteOf,
    endOf: (day) => (isPast(day) ? 0 : (byIso.get(dayAfter(day)) ?? minuteOf(day) + DAY_MINUTES)),
    dates: starts.map(iso),
    minuteAt: minute,
    instantOf: (m) => new Date(midnight.getTime() + m * MINUTE),
    dayOf: (m) =>
      iso(
        starts[
          Math.min(
            starts.length - 1,
            starts.findLastIndex((d) => minute(d) <= m),
          )
        ] ?? midnight,
      ),
  };
}

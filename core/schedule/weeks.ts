import { workedIn } from "./calendar";

/** A week of the plan: what hours there are in it, and what takes them. Minutes of work, rests inside. */
export interface PlannedWeek {
  /** Its name, as the days that lie in it give it. */
  week: string;
  there: number;
  taken: number;
  /** Of the work that is due in it, what is done before it. */
  ahead: number;
  /** What is due in it, whenever it is done. */
  due: number;
  /** Names of the seasons in which it lies: nobody wants to be tying then. */
  seasons: string[];
  isQuiet: boolean;
}

/** Days of the plan in their order, each with the week in which it lies. */
export interface DayOfWeek {
  minute: number;
  date: string;
  week: string;
}

/** A week in which less than this of the hours is taken is quiet. */
const QUIET = 0.6;
/** So many days from its date a season lasts. */
const SEASON_DAYS = 42;
const DAY_MS = 86_400_000;

/**
 * The plan week by week: where it is quiet, and could take what comes up later; and what is tied while a season runs.
 *
 * @param days the last one only ends the plan: its hours are not counted
 * @param windows of each person, sorted and disjoint
 * @param work with who does it, and the day on which its batch is due
 * @param seasons their names and first days; a season lasts six weeks
 * @returns weeks in the order of the days; a week without hours is never quiet
 */
export function weeksOf(
  days: readonly DayOfWeek[],
  windows: ReadonlyMap<string, readonly (readonly [number, number])[]>,
  work: readonly { person: string; setupStart: number; end: number; due: string }[],
  seasons: readonly { name: string; date: string }[],
): PlannedWeek[] {
  const counted = days.slice(0, -1);
  const names = [...new Set(counted.map((d) => d.week))];
  const weeks = names.map((week) => ({ week, there: 0, taken: 0, ahead: 0, due: 0, seasons: [] as string[] }));
  const indexOf = new Map(names.map((week, i) => [week, i]));
  const dueIn = new Map(counted.map((d) => [d.date, indexOf.get(d.week) ?? 0]));
  counted.forEach((d, i) => {
    const index = indexOf.get(d.week) ?? 0;
    const now = weeks[index];
    const end = days[i + 1]?.minute ?? d.minute;
    if (!now) return;
    for (const own of windows.values()) now.there += minutesIn(own, d.minute, end);
    for (const w of work) {
      if (w.end <= d.minute || w.setupStart >= end) continue;
      const minutes = minutesIn(windows.get(w.person) ?? [], Math.max(d.minute, w.setupStart), Math.min(end, w.end));
      now.taken += minutes;
      const due = dueIn.get(w.due);
      const wanted = weeks[due ?? weeks.length];
      if (due === undefined || !wanted) continue;
      wanted.due += minutes;
      if (index < due) wanted.ahead += minutes;
    }
    for (const s of seasons) if (runs(s, d.date) && !now.seasons.includes(s.name)) now.seasons.push(s.name);
  });
  return weeks.map((w) => ({ ...w, isQuiet: w.there > 0 && w.taken < QUIET * w.there && w.seasons.length === 0 }));
}

const minutesIn = (windows: readonly (readonly [number, number])[], from: number, to: number): number =>
  workedIn(windows, from, to).reduce((sum, [a, b]) => sum + b - a, 0);

const runs = ({ date }: { date: string }, day: string): boolean => {
  const days = (Date.parse(day) - Date.parse(date)) / DAY_MS;
  return days >= 0 && days < SEASON_DAYS;
};

import { scaleLinear } from "d3-scale";
import { DAY_MINUTES, workedIn } from "@kasten/core/schedule";
import type { Plan } from "@kasten/contract/schedule";
import { day } from "../parts/format";

export interface ShownDays {
  from: number;
  count: number;
}
const MARGIN_MINUTES = 15;
const QUARTER = 15;
/** When nobody's hours are known yet. */
const USUAL_HOURS = [480, 1080] as const;

/** The day of the plan in which a minute lies. */
export const dayAt = (plan: Plan, minute: number) =>
  plan.days.findLast((d) => d.minute <= minute) ?? { minute: 0, date: "" };

/** A minute of the plan as day and clock. */
export function timeOf(plan: Plan, minute: number): string {
  const d = dayAt(plan, minute);
  const of = minute - d.minute;
  const two = (n: number) => String(Math.floor(n)).padStart(2, "0");
  return d.date ? `${day(d.date)}, ${two(of / 60)}:${two(of % 60)}` : "";
}

/**
 * Where the minutes of the shown days lie between 0 and `width`. Of each day only the part of the clock is drawn in
 * which anybody works: nights are left out, so that hours can be told apart.
 */
export function planScale(plan: Plan, { from, count }: ShownDays, width: number) {
  const days = plan.days.slice(from, from + count);
  const start = days[0]?.minute ?? 0;
  const end = plan.days[from + count]?.minute ?? (days.at(-1)?.minute ?? 0) + DAY_MINUTES;
  const clocks = plan.people.flatMap((p) => p.windows.map((w) => w.map((m) => m - dayAt(plan, m).minute)));
  const opens = Math.min(...clocks.map(([a = 0]) => a));
  const closes = Math.max(...clocks.map(([, b = 0]) => b));
  const inDay = scaleLinear()
    .domain(clocks.length > 0 ? [opens - MARGIN_MINUTES, closes + MARGIN_MINUTES] : [...USUAL_HOURS])
    .range([0, width / count])
    .clamp(true);
  function x(minute: number): number {
    const index = days.findLastIndex((d) => d.minute <= minute);
    if (index < 0) return 0;
    if (minute >= end) return width;
    return (index * width) / count + inDay(minute - (days[index]?.minute ?? 0));
  }
  const shown = (a: number, b: number): boolean => b > start && a < end;
  /** The parts of an operation that lie within its person's hours: pauses are left out. */
  const worked = (windows: [number, number][], a: number, b: number): [number, number][] =>
    workedIn(windows, a, b).filter(([s, e]) => shown(s, e));
  /** The minute that is drawn at a place, to the quarter of an hour. */
  function minuteAt(px: number): number {
    const index = Math.min(count - 1, Math.max(0, Math.floor((px * count) / width)));
    const inside = inDay.invert(px - (index * width) / count);
    return (days[index]?.minute ?? start) + Math.round(inside / QUARTER) * QUARTER;
  }
  const wide = ([a, b]: [number, number]): number => Math.max(1, x(b) - x(a) - 0.4);
  return { days, x, shown, worked, wide, minuteAt };
}
export type PlanScale = ReturnType<typeof planScale>;

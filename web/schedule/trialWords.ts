import { lateDays, type Change } from "@kasten/core/schedule";
import type { Plan } from "@kasten/contract/schedule";
import { ofHundred } from "../parts/format";
import { timeOf } from "./planTime";
import type { Trial } from "./plan.worker";

/** Odds that change by less are the same. */
const WORTH_NAMING = 0.02;
const days = (n: number): string => `${n} ${n === 1 ? "day" : "days"}`;

type Job = Trial["difference"]["jobs"][number];
const daysLate = (over: Job["after"]): number => lateDays(over?.lateBy ?? 0);

/** What a change of the plan does to the other batches, in sentences; the worst first. */
export function costWords(plan: Plan, { difference, odds }: Trial): string[] {
  const nameOf = (id: string): string => {
    const b = plan.batches.find((x) => x.id === id);
    return b ? `batch ${b.number}` : "a batch";
  };
  const words: string[] = [];
  const late = (j: Job) => daysLate(j.after) - daysLate(j.before);
  for (const j of difference.jobs.filter((x) => x.before && !x.after))
    words.push(`There is no place for ${nameOf(j.job)} any more.`);
  for (const j of difference.jobs.filter((x) => x.before && x.after && late(x) > 0))
    words.push(
      daysLate(j.before) === 0
        ? `Late by ${days(daysLate(j.after))} with it: ${nameOf(j.job)}.`
        : `Later by another ${days(late(j))}: ${nameOf(j.job)}.`,
    );
  for (const j of difference.jobs.filter((x) => x.before && x.after && late(x) < 0))
    words.push(
      daysLate(j.after) === 0
        ? `On time with it: ${nameOf(j.job)}.`
        : `Late by ${days(-late(j))} less: ${nameOf(j.job)}.`,
    );
  for (const [id, o] of Object.entries(odds))
    if (Math.abs(o.after - o.before) > WORTH_NAMING)
      words.push(
        `Ready on its day in ${ofHundred(o.after)} instead of ${ofHundred(o.before)} of 100 cases: ${nameOf(id)}.`,
      );
  const { setupMinutes } = difference;
  if (setupMinutes !== 0)
    words.push(`${Math.abs(setupMinutes)} ${setupMinutes > 0 ? "more" : "fewer"} minutes of change-over.`);
  return words.length > 0 ? words : ["Nothing else becomes late, and no odds change by more than two in a hundred."];
}

const nameIn = (plan: Plan, person: string): string => plan.people.find((p) => p.id === person)?.name ?? "Somebody";

/** A change as somebody would say it. */
export function changeWords(plan: Plan, change: Change): string {
  switch (change.do) {
    case "give":
      return `${nameIn(plan, change.person)} ties it.`;
    case "split":
      return `${change.shares.map((s) => nameIn(plan, s.person)).join(" and ")} tie it at the same time.`;
    case "move":
      return `${nameIn(plan, change.person)} ties it from ${timeOf(plan, change.start)} on.`;
    case "work":
      return `${nameIn(plan, change.person)} works ${timeOf(plan, change.from)} to ${timeOf(plan, change.to).slice(-5)} as well.`;
    case "away":
      return `${nameIn(plan, change.person)} is away from ${timeOf(plan, change.from)} to ${timeOf(plan, change.to)}.`;
    case "places":
      return `The ${change.station} station has ${change.places} places.`;
    case "rack":
      return `The drying rack holds ${change.places} flies.`;
    case "deliver":
      return `Its materials are there on ${timeOf(plan, change.at).slice(0, -7)}.`;
  }
}

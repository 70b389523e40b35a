import { lotKey } from "@kasten/core/stock";
import { quantity } from "@kasten/core/units";
import type { Knowledge, PlanningPerson, Rehearsal, ScheduleProblem, ScheduleResult } from "@kasten/core/schedule";
import { onPaper, shareLots, takeFor } from "../batches";
import type { StockedLot } from "../ledger";
import { asksOf, classDemands, comingAfter, standingOf } from "../needs";
import type { Planning } from "./build";

/**
 * What promises are made against, as data: the plan with its problem and how uncertain everything in it is, and what
 * the drawers still hold once the open batches have taken theirs. Made with each plan, and kept beside it.
 */
export interface Basis {
  problem: ScheduleProblem;
  plan: ScheduleResult;
  knowledge: Knowledge;
  /** How probable it was that each batch is ready on its day. */
  odds: Record<string, number>;
  numbers: Record<string, number>;
  planners: PlanningPerson[];
  lots: [material: string, lots: StockedLot[]][];
  /** What is on its way and claimed by nobody yet. */
  coming: [material: string, arrivals: { day: string; quantity: number }[]][];
}

export const basisOf = (
  planning: Planning,
  plan: ScheduleResult,
  knowledge: Knowledge,
  rehearsal: Rehearsal,
): Basis => ({
  problem: planning.problem,
  plan,
  knowledge,
  odds: Object.fromEntries(rehearsal.jobs.map((j) => [j.job, j.onTime])),
  numbers: Object.fromEntries(planning.room.batches.map((c) => [c.batch.id, c.batch.number])),
  planners: planning.planners.map((p) => ({ ...p, windows: [] })),
  lots: [...leftAfter(planning)],
  coming: comingAfter(planning.room),
});

/** What the drawers still hold once the open batches have taken theirs; of classes what sharing leaves. */
function leftAfter({ room }: Planning): Map<string, StockedLot[]> {
  const lots = onPaper(room.lots);
  const classed = classDemands(room);
  for (const c of room.batches)
    for (const r of asksOf(room, c))
      if (!classed.has(r.material)) takeFor(r, standingOf(room, c.batch.id, r).missing, c.batch.mixLots, lots);
  for (const [material, demands] of classed) {
    const left = new Map(shareLots(demands, room.lots.get(material) ?? []).left.map((l) => [l.class, l.feathers]));
    for (const l of lots.get(material) ?? []) l.free = quantity(left.get(lotKey(l)) ?? l.free, "count");
  }
  return lots;
}

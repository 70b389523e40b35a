import type { Requirement } from "@kasten/core/needs";
import { allocate, eligibleLots, type Allocation, type LotDemand } from "@kasten/core/stock";
import { less, quantity, sumOf, type Quantity } from "@kasten/core/units";
import type { StockedLot } from "../ledger";

type Lots = Map<string, StockedLot[]>;

const demandOf = (r: Requirement, q: Quantity, mixLots: boolean): LotDemand => ({
  quantity: q,
  side: r.side,
  barb: r.barb,
  mixLots,
});

/** Lots for what is still missing of a requirement. */
export const allocateFor = (r: Requirement, missing: Quantity, mixLots: boolean, lots: Lots): Allocation =>
  allocate(demandOf(r, missing, mixLots), lots.get(r.material) ?? []);

/** Lots for what is missing, taken off what is free: on paper, so that what comes after finds the rest. */
export function takeFor(r: Requirement, missing: Quantity, mixLots: boolean, lots: Lots): Allocation {
  const plan = allocateFor(r, missing, mixLots, lots);
  for (const t of plan.take)
    for (const l of lots.get(r.material) ?? [])
      if (l.lot === t.lot && l.place === t.place) l.free = less(l.free, t.quantity);
  return plan;
}

/** A copy of what lies in the drawers, to take from on paper. */
export const onPaper = (lots: Lots): Lots =>
  new Map([...lots].map(([code, list]) => [code, list.map((l) => ({ ...l }))]));

/** Free stock that could serve a requirement: right side, right class. */
export const freeFor = (r: Requirement, lots: Lots): Quantity =>
  sumOf(eligibleLots(demandOf(r, quantity(1, r.unit), true), lots.get(r.material) ?? []).map((l) => l.free));

import { isFromArea } from "@kasten/core/materials";
import type { Requirement } from "@kasten/core/needs";
import {
  allocate,
  eligibleLots,
  isLongEnough,
  LONGEST_FIBRE_MM,
  lotKey,
  shareFeathers,
  type Allocation,
  type FeatherClass,
  type FeatherDemand,
  type FeatherShare,
  type LotDemand,
} from "@kasten/core/stock";
import { less, quantity, quantityOf, sumOf, type Quantity } from "@kasten/core/units";
import type { StockedLot } from "../ledger";

type Lots = Map<string, StockedLot[]>;

export const demandOf = (r: Requirement, q: Quantity, mixLots: boolean): LotDemand => ({
  quantity: q,
  side: r.side,
  barb: r.barb,
  fibreMm: r.fibreMm,
  area: r.area,
  mixLots,
  ...(r.unit === "um" && { piece: quantityOf(r.cutTo ?? r.perFly, "um") }),
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

/**
 * Whether lots of a material are told apart by their classes for a requirement: always for a wound hackle, for fibres
 * where some of them have been sorted.
 */
export const asksForClass = (r: Pick<Requirement, "barb" | "fibreMm">, lots: readonly StockedLot[]): boolean =>
  r.barb !== undefined || (r.fibreMm !== undefined && lots.some((l) => l.barb));

/** The lengths that a requirement accepts, mm; undefined where every class will do. */
export const acceptedMm = (r: Pick<Requirement, "barb" | "fibreMm">): [number, number] | undefined =>
  r.barb ?? (r.fibreMm === undefined ? undefined : [r.fibreMm, LONGEST_FIBRE_MM]);

/** What a batch still wants of a material of which it asks for classes. */
export interface ClassDemand {
  id: string;
  requirement: Requirement;
  missing: Quantity;
  mixLots: boolean;
  due: string;
  /** Among those of one day: the lower goes first. */
  rank: number;
}

/**
 * Lots as classes: one lot in one drawer is one class, of which so many feathers can be taken. One that nobody has
 * sorted is as long as was measured on it, or long enough for fibres until somebody measures.
 */
export const classesOfLots = (lots: StockedLot[]): FeatherClass[] =>
  lots.map((l) => ({
    id: lotKey(l),
    fromMm: l.barb?.[0] ?? l.fibreMm ?? LONGEST_FIBRE_MM,
    toMm: l.barb?.[1] ?? l.fibreMm ?? LONGEST_FIBRE_MM,
    count: l.free,
    ...(l.side && { side: l.side }),
  }));

/**
 * Shares the lots of one material out among batches that each accept some of its classes: a true maximum in order of
 * the days they are due, whichever lots that takes.
 */
export function shareLots(demands: ClassDemand[], lots: StockedLot[]): FeatherShare {
  const asked = demands.map((d, order): FeatherDemand => ({
    id: d.id,
    due: d.due,
    rank: d.rank,
    order,
    feathers: d.missing,
    barbMm: acceptedMm(d.requirement),
    ...(d.requirement.side && { side: d.requirement.side }),
    only: new Set(lotsFor(d, lots).map(lotKey)),
  }));
  return shareFeathers(classesOfLots(lots), asked);
}

/** Which lots a batch may be given: those of one dye lot, unless they may be mixed. Unsorted ones have no class. */
function lotsFor(d: ClassDemand, lots: StockedLot[]): StockedLot[] {
  const { area, barb, fibreMm } = d.requirement;
  const sorted = lots.filter((l) => isFromArea(l.area, area) && (barb ? l.barb : isLongEnough(l, fibreMm)));
  if (d.mixLots || !sorted.some((l) => l.dyeLot !== "")) return sorted;
  const { take } = allocate(demandOf(d.requirement, d.missing, false), sorted);
  const first = sorted.find((l) => l.lot === take[0]?.lot);
  return sorted.filter((l) => l.dyeLot === (first?.dyeLot ?? ""));
}

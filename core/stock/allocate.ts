import { isFromArea, type Side } from "../materials";
import { cutList } from "./cutList";
import { isMiddleWithin } from "./feathers";
import { less, lesser, sumOf, type Quantity } from "../units";

/** A lot in a drawer, as allocation sees it. Quantities in base units; barb class in mm. */
export interface LotInDrawer {
  lot: string;
  place: number;
  /** Not reserved by anybody. */
  free: Quantity;
  /** Empty for what is not dyed. */
  dyeLot: string;
  side?: Side;
  barb?: [number, number];
  /** Sortable; the older goes first. */
  receivedAt: string;
  remnant: boolean;
  /** Begun already: used up before another is opened. */
  opened?: boolean;
  /** It lies on a bobbin, ready to be tied with: taken before anything else is opened. */
  loaded?: boolean;
  /** Longest fibre measured on this lot, mm; absent where nobody has measured. */
  fibreMm?: number;
  /** Where on the skin it comes from; absent of a whole skin, or where nobody has looked. */
  area?: string;
  /** Hooks that were stripped: taken when the new ones are gone. */
  used?: boolean;
}

/** One lot in one drawer. */
export const lotKey = (l: Pick<LotInDrawer, "lot" | "place">): string => `${l.lot}|${l.place}`;

export interface LotDemand {
  quantity: Quantity;
  side?: Side;
  /** Wanted barb length in mm, ends included. */
  barb?: [number, number];
  /** Fibres must be at least so long, mm; a lot of which nobody knows may do. */
  fibreMm?: number;
  /** Where on the skin it is to come from. */
  area?: string;
  /** Somebody has said that dye lots may be mixed within the batch. */
  mixLots: boolean;
  /** What one fly takes in one length, in base units: a remnant gives whole lengths of it, or none. */
  piece?: Quantity;
}

export interface Allocation {
  take: { lot: string; place: number; quantity: Quantity }[];
  short: Quantity;
  /** There would be enough, but only by mixing dye lots. */
  needsMixing: boolean;
}

/** Longer than any fibre: where only the shorter end of what is wanted is known. */
export const LONGEST_FIBRE_MM = 1000;

/**
 * A class is accepted when its middle lies in the wanted interval, ends included. For a wound hackle a lot without a
 * class is not sorted yet and will not do; for fibres it will, unless somebody has measured that they are too short.
 */
const accepts = (demand: LotDemand, lot: LotInDrawer): boolean => {
  if (demand.side && lot.side !== demand.side) return false;
  if (!isFromArea(lot.area, demand.area)) return false;
  if (demand.barb && !(lot.barb && isMiddleWithin(lot.barb, demand.barb))) return false;
  return isLongEnough(lot, demand.fibreMm);
};

/** Whether the fibres of a lot reach so far, by its class or by what was measured on it; unknown is taken to do. */
export function isLongEnough(lot: Pick<LotInDrawer, "barb" | "fibreMm">, wantedMm: number | undefined): boolean {
  if (wantedMm === undefined) return true;
  if (lot.barb) return isMiddleWithin(lot.barb, [wantedMm, LONGEST_FIBRE_MM]);
  return lot.fibreMm === undefined || lot.fibreMm + SLACK_MM >= wantedMm;
}
const SLACK_MM = 1e-9;

const sum = (lots: LotInDrawer[]): Quantity => sumOf(lots.map((l) => l.free));

/** What a lot gives of what it has free: of a remnant whole lengths, of all else everything. */
const gives = ({ piece }: LotDemand, l: LotInDrawer): Quantity =>
  l.remnant && piece !== undefined && piece > 0 ? less(l.free, (l.free % piece) as Quantity) : l.free;

/** Lots that can serve a demand at all, with what they give of it: right side, right area, right class, long enough. */
export const eligibleLots = (demand: LotDemand, lots: LotInDrawer[]): LotInDrawer[] =>
  lots
    .filter((l) => accepts(demand, l))
    .map((l) => ({ ...l, free: gives(demand, l) }))
    .filter((l) => l.free > 0);

/** Remnants in the order in which cutting them wastes least: those that the cut list uses first, then the rest. */
function byCutList(demand: LotDemand, lots: LotInDrawer[]): Map<string, number> {
  const { piece } = demand;
  const remnants = lots.filter((l) => l.remnant && accepts(demand, l)).slice(0, MOST_REMNANTS);
  if (piece === undefined || piece <= 0 || remnants.length < 2) return new Map();
  const lengthMm = piece / UM;
  const count = Math.min(MOST_LENGTHS, Math.ceil(demand.quantity / piece));
  const stock = remnants.filter((l) => l.free > 0).map((l) => ({ id: lotKey(l), lengthMm: l.free / UM }));
  const { cuts } = cutList(stock, [{ lengthMm, count }], { keepMm: lengthMm });
  return new Map(cuts.map((c, i) => [c.stock, i]));
}

const UM = 1000;
const MOST_REMNANTS = 200;
const MOST_LENGTHS = 2000;

/**
 * Which lots to take a demand from: remnants first, then what is opened, then the oldest lot that covers it, then
 * several lots, oldest first. Dyed lots are not mixed unless somebody has said so: then the one that covers, or the
 * largest as far as it goes. Where an area of the skin is asked for, lots known to be of it go before all others.
 *
 * @returns quantities that add up to the demand less `short`
 */
export function allocate(demand: LotDemand, lots: LotInDrawer[]): Allocation {
  const cut = byCutList(demand, lots);
  const turn = (l: LotInDrawer): number => cut.get(lotKey(l)) ?? cut.size;
  const isKnown = (l: LotInDrawer): boolean => demand.area !== undefined && l.area !== undefined;
  const eligible = eligibleLots(demand, lots).sort(
    (a, b) =>
      Number(isKnown(b)) - Number(isKnown(a)) ||
      Number(b.remnant) - Number(a.remnant) ||
      Number(a.used ?? false) - Number(b.used ?? false) ||
      turn(a) - turn(b) ||
      Number(b.loaded ?? false) - Number(a.loaded ?? false) ||
      Number(b.opened ?? false) - Number(a.opened ?? false) ||
      (a.barb?.[0] ?? 0) - (b.barb?.[0] ?? 0) ||
      a.receivedAt.localeCompare(b.receivedAt) ||
      a.lot.localeCompare(b.lot),
  );
  const dyed = eligible.some((l) => l.dyeLot !== "");
  const groups = dyed && !demand.mixLots ? byDyeLot(eligible) : [eligible];
  const covering =
    groups.find((g) => sum(g) >= demand.quantity) ??
    groups.reduce<LotInDrawer[]>((best, g) => (sum(g) > sum(best) ? g : best), []);
  const single = covering.find((l) => l.free >= demand.quantity);
  const take: Allocation["take"] = [];
  let open = demand.quantity;
  const [first] = covering;
  const goesFirst = first && (first.remnant || first.opened || first.loaded || isKnown(first));
  for (const l of single && !goesFirst ? [single] : covering) {
    const quantity = lesser(open, l.free);
    if (quantity > 0) take.push({ lot: l.lot, place: l.place, quantity });
    open = less(open, quantity);
  }
  return { take, short: open, needsMixing: open > 0 && sum(eligible) >= demand.quantity };
}

/** Lots of the same dye lot together, the oldest group first. */
function byDyeLot(lots: LotInDrawer[]): LotInDrawer[][] {
  const groups = new Map<string, LotInDrawer[]>();
  for (const l of lots) groups.set(l.dyeLot, [...(groups.get(l.dyeLot) ?? []), l]);
  return [...groups.values()];
}

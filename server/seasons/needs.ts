import { dozensText } from "@kasten/core/orders";
import { MillCharges, partRequirement, type Requirement } from "@kasten/core/needs";
import { groupBy } from "@kasten/core/numeric";
import { less, nothing, quantity, sumOf, type Quantity } from "@kasten/core/units";
import type { Need, SeasonNeed } from "@kasten/contract/materials";
import type { Standing } from "@kasten/contract/orders";
import { format, parseISO, subDays } from "date-fns";
import { computeBatch, freeFor, imaginedBatch, type Learned } from "../batches";
import type { StockedLot } from "../ledger";
import { proposalFor, type Arrival, type Source } from "../purchasing";
import type { World } from "../world";

/** What one line of a standing order will ask of a material. */
export interface Ask {
  order: Pick<Standing, "order" | "number" | "next" | "aheadDays">;
  requirement: Requirement;
}

interface Unknown {
  id: string;
  number: number;
  line: string;
  why: string;
}

/**
 * What the lines of standing orders will ask for, reckoned as batches of the newest version of their patterns.
 * @returns also the lines that cannot be reckoned, with why
 */
export function asksOf(world: World, learned: Learned, standing: Standing[]): { asks: Ask[]; unknown: Unknown[] } {
  const asks: Ask[] = [];
  const unknown: Unknown[] = [];
  for (const order of standing)
    for (const line of order.lines) {
      const found = requirementsOf(world, learned, line);
      if (typeof found !== "string") asks.push(...found.map((requirement) => ({ order, requirement })));
      else {
        const words = `${dozensText(line.flies)} ${line.patternName} ${line.size}`;
        unknown.push({ id: order.order, number: order.number, line: words, why: found });
      }
    }
  return { asks, unknown };
}

function requirementsOf(world: World, learned: Learned, line: Standing["lines"][number]): Requirement[] | string {
  const pattern = world.patterns.get(line.pattern);
  if (!pattern || pattern.missing.length > 0) return "The pattern is not complete enough to be reckoned.";
  const batch = imaginedBatch(line, line.flies, pattern.version, line.id);
  const { requirements, fault } = computeBatch(world, learned, batch);
  return fault ?? requirements;
}

interface Room {
  world: World;
  today: string;
  lots: Map<string, StockedLot[]>;
  arrivals: Map<string, Arrival[]>;
  sources: Map<string, Source[]>;
  /** What the open batches need. */
  open: Need[];
}

/** One row for what the drawer tells apart: material, side, area, and the barb that is wanted. */
const keyOf = ({ material, side, area, barb }: Requirement): string =>
  [material, side ?? "", area ?? "", barb?.join("-") ?? ""].join("|");

/** Parts of the blends of which what is left does not do, asked for by the orders that lack them. */
function partsOf(asks: Ask[], room: Room): Ask[] {
  const charges = new MillCharges(room.world.materials);
  const blends = asks.filter((a) => room.world.materials.get(a.requirement.material)?.blend);
  return [...groupBy(blends, (a) => keyOf(a.requirement)).values()].flatMap((own) => {
    let left = own[0] ? leftFor(own[0].requirement, room) : nothing;
    return byDay(own).flatMap(({ order, requirement }) => {
      const parts = charges.partsFor(requirement.material, less(requirement.issue, left));
      left = less(left, requirement.issue);
      return parts.map((p) => ({ order, requirement: partRequirement(requirement, p) }));
    });
  });
}

const byDay = (asks: Ask[]): Ask[] => [...asks].sort((a, b) => a.order.next.localeCompare(b.order.next));

/** Summed by what the drawer tells apart, against what the open batches leave; what is short first, by its day. */
export function sumOfAsks(asks: Ask[], room: Room): SeasonNeed[] {
  return [...groupBy([...asks, ...partsOf(asks, room)], (a) => keyOf(a.requirement)).values()]
    .flatMap((own) => needOf(byDay(own), room) ?? [])
    .sort(
      (a, b) =>
        Number(b.short > 0) - Number(a.short > 0) ||
        (a.orderBy ?? a.firstFor).localeCompare(b.orderBy ?? b.firstFor) ||
        a.material.localeCompare(b.material),
    );
}

function needOf(own: Ask[], room: Room): SeasonNeed | undefined {
  const [first] = own;
  if (!first) return undefined;
  const { requirement: r } = first;
  const free = leftFor(r, room);
  const lacks = firstToLack(own, free);
  const need = sumOf(own.map((a) => a.requirement.issue));
  const short = less(need, free);
  const material = room.world.materials.get(r.material);
  const isMilled = material?.blend !== undefined;
  const proposal = isMilled ? null : proposalFor(short, room.sources.get(r.material), room.today);
  const comesUp = lacks && format(subDays(parseISO(lacks.next), lacks.aheadDays), "yyyy-MM-dd");
  return {
    material: r.material,
    materialName: r.materialName,
    colour: material?.colour ?? null,
    unit: r.unit,
    side: r.side ?? null,
    area: r.area ?? null,
    barb: r.barb ?? null,
    need,
    free,
    short,
    firstFor: first.order.next,
    orderBy: comesUp && proposal ? format(subDays(parseISO(comesUp), proposal.leadDays), "yyyy-MM-dd") : null,
    proposal,
    milled: isMilled,
    orders: [...groupBy(own, (a) => a.order.order).values()].flatMap(ordersOf),
  };
}

const ordersOf = (own: Ask[]): SeasonNeed["orders"] =>
  own.slice(0, 1).map(({ order: { order: id, number, next } }) => ({
    id,
    number,
    next,
    need: sumOf(own.map((a) => a.requirement.issue)),
  }));

/** In drawers and free, or on its way, less what the open batches still take of it. */
function leftFor(r: Requirement, { lots, arrivals, open }: Room): Quantity {
  const coming = sumOf((arrivals.get(r.material) ?? []).map((a) => a.quantity));
  const taken = open
    .filter((n) => n.material === r.material && (n.side ?? undefined) === r.side)
    .reduce((sum, n) => sum + Math.max(0, n.need - n.reserved), 0);
  return less(sumOf([freeFor(r, lots), coming]), quantity(taken, r.unit));
}

/** The first order, by its day, for which what is left does not do; undefined where it does for all. */
function firstToLack(own: Ask[], free: Quantity): Ask["order"] | undefined {
  let left: Quantity = free;
  for (const { order, requirement } of own) {
    if (requirement.issue > left) return order;
    left = less(left, requirement.issue);
  }
  return undefined;
}

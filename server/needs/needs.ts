import { groupBy } from "@kasten/core/numeric";
import { isFromArea } from "@kasten/core/materials";
import { MillCharges, partRequirement, type Requirement } from "@kasten/core/needs";
import { less, nothing, quantity, sumOf, type Quantity } from "@kasten/core/units";
import type { Need } from "@kasten/contract/materials";
import {
  acceptedMm,
  asksForClass,
  computeBatch,
  onPaper,
  openBatches,
  readLearned,
  shareLots,
  takeFor,
  type ClassDemand,
  type ComputedBatch,
  type Learned,
} from "../batches";
import type { Db } from "../database/rows";
import { lotsInDrawers, pulledRows, reservedRows, type StockedLot } from "../ledger";
import { arrivalsByMaterial, proposalFor, sourcesByMaterial, type Arrival, type Source } from "../purchasing";
import { todayIn } from "../settings";
import { readWorld, type World } from "../world";
import { Coming } from "./coming";

/** Everything that the open batches draw on, read with a fixed number of queries. */
export interface Room {
  world: World;
  learned: Learned;
  today: string;
  batches: ComputedBatch[];
  lots: Map<string, StockedLot[]>;
  sources: Map<string, Source[]>;
  /** What each batch has put by, and what lies in its kit, by "batch|key". */
  reserved: Map<string, Quantity>;
  pulled: Map<string, Quantity>;
  /** What is ordered and on its way, by material. */
  arrivals: Map<string, Arrival[]>;
  /** What the blends that a batch waits for take of their parts, by batch. */
  milled: Map<string, Requirement[]>;
}

const byBatchAndKey = (list: { batch: string; key: string; quantity: Quantity }[]): Map<string, Quantity> =>
  new Map(
    [...groupBy(list, (r) => `${r.batch}|${r.key}`)].map(([key, rows]) => [key, sumOf(rows.map((r) => r.quantity))]),
  );

export async function readRoom(db: Db): Promise<Room> {
  const world = await readWorld(db);
  const learned = await readLearned(db);
  const open = await openBatches(db);
  const batches = open
    .map((b) => computeBatch(world, learned, b))
    .sort((a, b) => a.batch.due.localeCompare(b.batch.due) || a.batch.number - b.batch.number);
  const room: Room = {
    world,
    learned,
    today: todayIn(world.settings.timeZone),
    batches,
    lots: await lotsInDrawers(db),
    sources: await sourcesByMaterial(db),
    reserved: byBatchAndKey(await reservedRows(db)),
    pulled: byBatchAndKey(await pulledRows(db)),
    arrivals: await arrivalsByMaterial(db),
    milled: new Map(),
  };
  return { ...room, milled: millParts(room) };
}

/** Parts of the blends that no drawer holds enough of, asked for by the batches that wait for them. */
function millParts(room: Room): Map<string, Requirement[]> {
  const free = onPaper(room.lots);
  const charges = new MillCharges(room.world.materials);
  const parts = new Map<string, Requirement[]>();
  for (const { batch, requirements } of room.batches)
    for (const r of requirements) {
      if (!room.world.materials.get(r.material)?.blend) continue;
      const { short } = takeFor(r, standingOf(room, batch.id, r).missing, batch.mixLots, free);
      const own = charges.partsFor(r.material, short).map((p) => partRequirement(r, p));
      if (own.length > 0) parts.set(batch.id, [...(parts.get(batch.id) ?? []), ...own]);
    }
  return parts;
}

/** All that a batch asks for: for its flies, and for the blends in them. */
export const asksOf = (room: Room, { batch, requirements }: ComputedBatch): Requirement[] => [
  ...requirements,
  ...(room.milled.get(batch.id) ?? []),
];

/** What the coming work needs of a material, and the dozens for which the drawers hold enough. */
export interface Cover {
  needed: number;
  coversDozens: number;
}

/** Dozens of the coming work, earliest due first, for which the drawers hold enough of each material. */
export function coverOf(room: Room): Map<string, Cover> {
  const cover = new Map<string, Cover & { left: Quantity; open: boolean }>();
  for (const own of room.batches)
    for (const r of asksOf(room, own)) {
      const { batch } = own;
      const { needed } = standingOf(room, batch.id, r);
      const stock = sumOf((room.lots.get(r.material) ?? []).map((l) => l.quantity));
      const c = cover.get(r.material) ?? { needed: 0, coversDozens: 0, left: stock, open: true };
      cover.set(r.material, c);
      c.needed += needed;
      if (!c.open || needed === nothing) continue;
      c.coversDozens += (batch.owed / 12) * Math.min(1, c.left / needed);
      c.open = c.left >= needed;
      c.left = less(c.left, needed);
    }
  return new Map([...cover].map(([code, { needed, coversDozens }]) => [code, { needed, coversDozens }]));
}

/** How far a batch is with one of its requirements. */
export interface Standing {
  /** In its kit already: no longer needed from a drawer. */
  pulled: Quantity;
  reserved: Quantity;
  /** Still to come from the drawers: what is in the kit has come. */
  needed: Quantity;
  /** Of that, not even reserved. */
  missing: Quantity;
}

export function standingOf(room: Room, batch: string, r: Requirement): Standing {
  const reserved = room.reserved.get(`${batch}|${r.key}`) ?? nothing;
  const pulled = room.pulled.get(`${batch}|${r.key}`) ?? nothing;
  const needed = less(r.issue, pulled);
  return { pulled, reserved, needed, missing: less(needed, reserved) };
}

/** Shortages of one batch, as they stand when earlier batches take first. */
export interface Shortage {
  batch: string;
  material: string;
  short: number;
  arrives: string | null;
}

/**
 * Goes through the batches by due date and takes, on paper, what each still needs from what is free.
 * A blend that can be milled from its parts is not short; it is prepared.
 */
export function shareOut(room: Room): { needs: Need[]; shortages: Shortage[] } {
  const free = onPaper(room.lots);
  const classed = shareClasses(room);
  const coming = new Map([...room.arrivals].map(([material, list]) => [material, new Coming(list)]));
  const needs = new Map<string, Need>();
  const shortages: Shortage[] = [];
  for (const c of room.batches)
    for (const r of asksOf(room, c)) {
      const { batch } = c;
      const { reserved, needed, missing } = standingOf(room, batch.id, r);
      const short = classed.get(`${batch.id}|${r.key}`) ?? takeFor(r, missing, batch.mixLots, free).short;
      const need = needOf(needs, room, r);
      need.need += needed;
      need.reserved += reserved;
      need.short += short;
      const accepted = acceptedMm(r);
      if (short > nothing && accepted && asksForClass(r, room.lots.get(r.material) ?? [])) {
        const [fromMm, toMm] = accepted;
        need.classes.push({ fromMm, toMm, short });
      }
      const pattern = `${batch.patternName} ${batch.size}`;
      if (needed > nothing && ++need.batchCount <= MOST_BATCHES_SHOWN)
        need.batches.push({ id: batch.id, number: batch.number, pattern, issue: needed, reserved, due: batch.due });
      if (short === nothing) continue;
      const claimed = coming.get(r.material)?.claim(short) ?? { short, day: undefined };
      need.coming += short - claimed.short;
      need.toOrder += claimed.short;
      if (claimed.day !== undefined && claimed.day > (need.comesOn ?? "")) need.comesOn = claimed.day;
      shortages.push(shortageOf(room, batch.id, r.material, short, claimed));
    }
  for (const need of needs.values())
    need.proposal = need.milled ? null : proposalFor(need.toOrder, room.sources.get(need.material), room.today);
  return { needs: [...needs.values()].filter((n) => n.batches.length > 0).sort(shortFirst), shortages };
}

/**
 * What is short of materials that are asked for by class, by "batch|key": shared out over all batches at once, so that
 * a batch that could take larger feathers leaves the small ones to one that cannot.
 */
function shareClasses(room: Room): Map<string, Quantity> {
  const short = new Map<string, Quantity>();
  for (const [material, demands] of classDemands(room))
    for (const d of shareLots(demands, room.lots.get(material) ?? []).demands)
      short.set(d.id, quantity(d.short, "count"));
  return short;
}

/** All that open batches still want of each material of which at least one asks for a class. */
export function classDemands(room: Room): Map<string, ClassDemand[]> {
  const all = room.batches.flatMap((c, rank) =>
    asksOf(room, c).map((r): [string, ClassDemand] => [
      r.material,
      {
        id: `${c.batch.id}|${r.key}`,
        requirement: r,
        missing: standingOf(room, c.batch.id, r).missing,
        mixLots: c.batch.mixLots,
        due: c.batch.due,
        rank,
      },
    ]),
  );
  const byMaterial = groupBy(all, ([material]) => material);
  return new Map(
    [...byMaterial]
      .map(([material, list]) => [material, list.map(([, d]) => d)] as const)
      .filter(([material, list]) => {
        const lots = room.lots.get(material) ?? [];
        return list.some((d) => asksForClass(d.requirement, lots)) && list.every((d) => d.requirement.unit === "count");
      }),
  );
}

/** What is on its way and no open batch waits for. */
export function comingAfter(room: Room): [string, { day: string; quantity: number }[]][] {
  const coming = new Map([...room.arrivals].map(([material, list]) => [material, new Coming(list)]));
  const free = onPaper(room.lots);
  const classed = shareClasses(room);
  for (const c of room.batches)
    for (const r of asksOf(room, c)) {
      const { batch } = c;
      const { missing } = standingOf(room, batch.id, r);
      const short = classed.get(`${batch.id}|${r.key}`) ?? takeFor(r, missing, batch.mixLots, free).short;
      if (short > nothing) coming.get(r.material)?.claim(short);
    }
  return [...coming].map(([material, left]) => [material, left.rest()]);
}

/** A material that every batch needs names the first of them only. */
const MOST_BATCHES_SHOWN = 12;

const shortFirst = (a: Need, b: Need): number =>
  Number(b.short > 0) - Number(a.short > 0) || a.drawer.localeCompare(b.drawer) || a.material.localeCompare(b.material);

/**
 * What is short for a batch, and the day on which it would be there: that of the purchase orders that cover it, or the
 * quickest supplier's where something is still to be ordered.
 */
function shortageOf(
  room: Room,
  batch: string,
  material: string,
  short: Quantity,
  claimed: { short: number; day: string | undefined },
): Shortage {
  if (room.world.materials.get(material)?.blend !== undefined) return { batch, material, short, arrives: room.today };
  const comes = claimed.day !== undefined && claimed.day < room.today ? room.today : claimed.day;
  if (claimed.short === 0) return { batch, material, short, arrives: comes ?? null };
  const ordered = proposalFor(claimed.short, room.sources.get(material), room.today)?.arrives;
  return {
    batch,
    material,
    short,
    arrives: ordered === undefined ? null : ordered > (comes ?? "") ? ordered : (comes ?? null),
  };
}

function needOf(needs: Map<string, Need>, room: Room, r: Requirement): Need {
  const side = r.side ?? null;
  const area = r.area ?? null;
  const key = `${r.material}|${side ?? ""}|${area ?? ""}`;
  const known = needs.get(key);
  if (known) return known;
  const lots = (room.lots.get(r.material) ?? []).filter(
    (l) => (!side || l.side === side) && isFromArea(l.area, r.area),
  );
  const material = room.world.materials.get(r.material);
  const fresh: Need = {
    material: r.material,
    materialName: r.materialName,
    colour: material?.colour ?? null,
    unit: r.unit,
    side,
    area,
    drawer: lots[0]?.drawer ?? "",
    need: 0,
    inDrawers: sumOf(lots.map((l) => l.quantity)),
    reserved: 0,
    short: 0,
    classes: [],
    coming: 0,
    comesOn: null,
    toOrder: 0,
    batches: [],
    batchCount: 0,
    milled: material?.blend !== undefined,
    proposal: null,
  };
  needs.set(key, fresh);
  return fresh;
}

import type { Need } from "@kasten/contract/materials";
import { allocate } from "@kasten/core/materials";
import type { EntityManager } from "typeorm";
import { computeBatch, openBatches, readLearned, type ComputedBatch } from "../batches";
import { readWorld, todayIn, type World } from "../patterns";
import { lotsInDrawers, pulledRows, reservedRows, type StockedLot } from "./lots";
import { proposalFor, sourcesByMaterial } from "./proposals";

/** Everything that the open batches draw on, read with a fixed number of queries. */
export interface Room {
  world: World;
  today: string;
  batches: ComputedBatch[];
  lots: Map<string, StockedLot[]>;
  sources: Awaited<ReturnType<typeof sourcesByMaterial>>;
  /** Reserved and pulled, by "batch|key". */
  held: Map<string, number>;
}

export async function readRoom(db: EntityManager): Promise<Room> {
  const world = await readWorld(db);
  const learned = await readLearned(db);
  const open = await openBatches(db);
  const held = new Map<string, number>();
  for (const r of [...(await reservedRows(db)), ...(await pulledRows(db))])
    held.set(`${r.batch}|${r.key}`, (held.get(`${r.batch}|${r.key}`) ?? 0) + r.quantity);
  const batches = open
    .map((b) => computeBatch(world, learned, b))
    .sort((a, b) => a.batch.due.localeCompare(b.batch.due) || a.batch.number - b.batch.number);
  return {
    world,
    today: todayIn(world.settings.timeZone),
    batches,
    lots: await lotsInDrawers(db),
    sources: await sourcesByMaterial(db),
    held,
  };
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
  const free = new Map([...room.lots].map(([code, lots]) => [code, lots.map((l) => ({ ...l }))]));
  const needs = new Map<string, Need>();
  const shortages: Shortage[] = [];
  for (const { batch, requirements } of room.batches)
    for (const r of requirements) {
      const held = room.held.get(`${batch.id}|${r.key}`) ?? 0;
      const missing = Math.max(0, r.issue - held);
      const lots = free.get(r.material) ?? [];
      const plan = allocate({ quantity: missing, side: r.side, barb: r.barb, mixLots: batch.mixLots }, lots);
      for (const t of plan.take) for (const l of lots) if (l.lot === t.lot && l.place === t.place) l.free -= t.quantity;
      const need = needOf(needs, room, r.material, r.materialName, r.unit, r.side ?? null);
      need.need += r.issue;
      need.reserved += held;
      need.short += plan.short;
      need.batches.push({
        id: batch.id,
        number: batch.number,
        pattern: `${batch.patternName} ${batch.size}`,
        issue: r.issue,
        reserved: held,
        due: batch.due,
      });
      if (plan.short > 0) {
        const isBlend = room.world.materials.get(r.material)?.blend !== undefined;
        shortages.push({
          batch: batch.id,
          material: r.material,
          short: plan.short,
          arrives: isBlend
            ? room.today
            : (proposalFor(plan.short, room.sources.get(r.material), room.today)?.arrives ?? null),
        });
      }
    }
  for (const need of needs.values())
    need.proposal = need.milled ? null : proposalFor(need.short, room.sources.get(need.material), room.today);
  return {
    needs: [...needs.values()].sort(
      (a, b) =>
        Number(b.short > 0) - Number(a.short > 0) ||
        a.drawer.localeCompare(b.drawer) ||
        a.material.localeCompare(b.material),
    ),
    shortages,
  };
}

function needOf(
  needs: Map<string, Need>,
  room: Room,
  code: string,
  name: string,
  unit: Need["unit"],
  side: string | null,
): Need {
  const key = `${code}|${side ?? ""}`;
  const known = needs.get(key);
  if (known) return known;
  const lots = (room.lots.get(code) ?? []).filter((l) => !side || l.side === side);
  const fresh: Need = {
    material: code,
    materialName: name,
    colour: room.world.materials.get(code)?.colour ?? null,
    unit,
    side,
    drawer: lots[0]?.drawer ?? "",
    need: 0,
    inDrawers: lots.reduce((sum, l) => sum + l.quantity, 0),
    reserved: 0,
    short: 0,
    batches: [],
    milled: room.world.materials.get(code)?.blend !== undefined,
    proposal: null,
  };
  needs.set(key, fresh);
  return fresh;
}

import { nearHooks } from "@kasten/core/hooks";
import { hookCode } from "@kasten/core/needs";
import { hookOf, type Recipe } from "@kasten/core/recipe";
import { less, nothing, sumOf, type Quantity } from "@kasten/core/units";
import type { Requirement } from "@kasten/core/needs";
import type { Batch } from "@kasten/contract/batches";
import type { Db } from "../database/rows";
import { notFound } from "../http/problems";
import { lockLots, lotsInDrawers, pulledOf, reservedRows, type ReservedRow, type StockedLot } from "../ledger";
import { arrivalsByMaterial, sourcesByMaterial, type Arrival, type Source } from "../purchasing";
import { todayIn } from "../settings";
import { readWorld, type World } from "../world";
import { computeBatch, type ComputedBatch } from "./compute";
import { readLearned, type Learned } from "./knowledge";
import { batchById } from "./queries";

/** Everything about one batch that its page, its pull sheet and its gate need. */
export interface BatchRoom {
  world: World;
  today: string;
  computed: ComputedBatch;
  learned: Learned;
  lots: Map<string, StockedLot[]>;
  reserved: ReservedRow[];
  pulled: Map<string, Quantity>;
  sources: Map<string, Source[]>;
  /** What is ordered and on its way, by material. */
  arrivals: Map<string, Arrival[]>;
}

/** @param locks whether lots are booked next: then those that it could take are locked first, in one order */
export async function readBatchRoom(db: Db, id: string, { locks = false } = {}): Promise<BatchRoom> {
  const open = await batchById(db, id);
  if (!open) throw notFound("batch");
  const world = await readWorld(db);
  const learned = await readLearned(db);
  const computed = computeBatch(world, learned, open);
  const materials = materialsConcerned(world, computed);
  if (locks) await lockLots(db, lotIds(await lotsInDrawers(db, materials)));
  return {
    world,
    today: todayIn(world.settings.timeZone),
    computed,
    learned,
    lots: await lotsInDrawers(db, materials),
    reserved: await reservedRows(db, id),
    pulled: new Map((await pulledOf(db, id)).map((p) => [p.key, p.quantity])),
    sources: await sourcesByMaterial(db),
    arrivals: await arrivalsByMaterial(db),
  };
}

const lotIds = (lots: Map<string, StockedLot[]>): string[] => [...lots.values()].flat().map((l) => l.lot);

/** What it needs, what may take its place, what its blends are mixed of, and the hooks that are near its own. */
function materialsConcerned(world: World, { requirements, recipe, batch, kitOffers }: ComputedBatch): string[] {
  const codes = requirements.flatMap((r) => [r.material, ...r.alternates]);
  const parts = codes.flatMap((code) => Object.keys(world.materials.get(code)?.blend?.parts ?? {}));
  return [...codes, ...parts, ...kitOffers, ...hooksNear(world, recipe, batch).map((h) => hookCode(h.id, batch.size))];
}

/** Hooks of other models that come near enough to the batch's own. */
export function hooksNear({ hooks }: World, recipe: Recipe, batch: Pick<Batch, "size" | "form" | "use">) {
  const model = hooks.get(hookOf(recipe, batch));
  if (!model) return [];
  return nearHooks(model, batch.size, hooks.values(), recipe.shankTolerance ?? 0).filter((h) => h.fits);
}

export const reservedFor = (room: BatchRoom, key: string): Quantity =>
  sumOf(room.reserved.filter((r) => r.key === key).map((r) => r.quantity));

/** Still to be reserved of a requirement: what is neither reserved nor in the kit. */
export const missingOf = (room: BatchRoom, r: Requirement): Quantity =>
  less(r.issue, reservedFor(room, r.key), room.pulled.get(r.key) ?? nothing);

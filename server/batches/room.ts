import { less, nothing, sumOf, type Quantity } from "@kasten/core/units";
import type { Requirement } from "@kasten/core/needs";
import type { Db } from "../database/rows";
import { notFound } from "../http/problems";
import { lotsInDrawers, pulledRows, reservedRows, type ReservedRow, type StockedLot } from "../ledger";
import { sourcesByMaterial, type Source } from "../purchasing";
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
}

export async function readBatchRoom(db: Db, id: string): Promise<BatchRoom> {
  const open = await batchById(db, id);
  if (!open) throw notFound("batch");
  const world = await readWorld(db);
  const learned = await readLearned(db);
  return {
    world,
    today: todayIn(world.settings.timeZone),
    computed: computeBatch(world, learned, open),
    learned,
    lots: await lotsInDrawers(db),
    reserved: await reservedRows(db, id),
    pulled: new Map((await pulledRows(db, id)).map((p) => [p.key, p.quantity])),
    sources: await sourcesByMaterial(db),
  };
}

export const reservedFor = (room: BatchRoom, key: string): Quantity =>
  sumOf(room.reserved.filter((r) => r.key === key).map((r) => r.quantity));

/** Still to be reserved of a requirement: what is neither reserved nor in the kit. */
export const missingOf = (room: BatchRoom, r: Requirement): Quantity =>
  less(r.issue, reservedFor(room, r.key), room.pulled.get(r.key) ?? nothing);

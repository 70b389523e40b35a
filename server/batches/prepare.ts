import { gatherPrep, type PrepKind, type PrepPace } from "@kasten/core/batches";
import type { Requirement } from "@kasten/core/needs";
import { nothing, sumOf, type Quantity } from "@kasten/core/units";
import type { PrepHow } from "@kasten/contract/preparing";
import { insert, insertNew, update, type Db } from "../database/rows";
import { conflict, notFound } from "../http/problems";
import { lockLots, lotsInDrawers } from "../ledger";
import { logEvent } from "../log";
import { allocateFor, onPaper, takeFor } from "./allocation";
import { batchPrepEntity, prepRunEntity } from "./entities";
import { lockFlyOf, lockedOfFly } from "./lock";
import { millBlend } from "./mill";
import { missingOf, readBatchRoom, type BatchRoom } from "./room";

type Who = { id: string };

/** One kind of preparation, done for some batches at once. */
export interface Together {
  kind: PrepKind;
  material: string;
  batches: string[];
  minutes?: number;
  out?: number;
  /** Of a blend: put what is left of earlier charges into this one. */
  leftovers?: boolean;
  how?: PrepHow;
  note?: string;
}

/** Logs it for each of the batches, with its minutes; a blend is milled in one charge for all of them. */
export async function prepare(db: Db, person: Who, work: Together): Promise<string> {
  const rooms = await lockedRooms(db, work.batches);
  const tasks = rooms.map((room) => {
    const own = room.computed.prep.find((t) => t.kind === work.kind && t.material === work.material);
    if (!own) throw notFound(`preparation of batch ${room.computed.batch.number}`);
    return { ...own, batch: room.computed.batch.id };
  });
  const [group] = gatherPrep(tasks, paceOf(rooms));
  if (!group) throw notFound("preparation");
  const { minutes = null, how = {}, note = "" } = work;
  const { title, kind, minutes: reckoned } = group;
  const run = await insert(db, prepRunEntity, { kind, title, personId: person.id, minutes, reckoned, how, note });
  for (const t of tasks) {
    const key = { batchId: t.batch, kind, component: t.component };
    if (!(await insertNew(db, batchPrepEntity, { ...key, personId: person.id, runId: run.id })))
      throw conflict("Somebody has logged that for one of the batches already. Look at the list again.");
  }
  if (kind === "mill blend") await mill(db, person, rooms, { ...work, run: run.id });
  for (const t of tasks) {
    const { number } = rooms.find((r) => r.computed.batch.id === t.batch)?.computed.batch ?? { number: 0 };
    const others = tasks.length > 1 ? `, with ${tasks.length - 1} other batches` : "";
    await logEvent(db, person, "batch", t.batch, "prepared", `${t.title}, for batch ${number}${others}`);
  }
  return run.id;
}

const paceOf =
  (rooms: BatchRoom[]): PrepPace =>
  (kind) =>
    rooms[0]?.learned.prepPace(kind) ?? 1;

/** The batches, locked in one order, in states in which there is something to prepare. */
async function lockedRooms(db: Db, ids: string[]): Promise<BatchRoom[]> {
  const sorted = [...ids].sort();
  await lockFlyOf(db, sorted);
  const rooms: BatchRoom[] = [];
  for (const id of sorted) {
    await lockedOfFly(db, id, ["planned", "released", "pulled", "tying"]);
    rooms.push(await readBatchRoom(db, id));
  }
  return rooms;
}

/** What must be milled for a batch: all of it as soon as no lot serves it whole, for lots are not mixed. */
function toMill(room: BatchRoom, r: Requirement, paper: ReturnType<typeof onPaper>): Quantity {
  const { mixLots } = room.computed.batch;
  const missing = missingOf(room, r);
  if (!mixLots && allocateFor(r, missing, mixLots, paper).short > nothing) return missing;
  return takeFor(r, missing, mixLots, paper).short;
}

/** One charge for what all of them miss of a blend, one batch after another. */
async function mill(
  db: Db,
  person: Who,
  rooms: BatchRoom[],
  { material, out, leftovers, how = {}, run }: Together & { run: string },
): Promise<void> {
  const [first] = rooms;
  const blend = first?.world.materials.get(material);
  if (!first || !blend?.blend) throw notFound("blend");
  const codes = [material, ...Object.keys(blend.blend.parts)];
  await lockLots(
    db,
    [...(await lotsInDrawers(db, codes)).values()].flat().map((l) => l.lot),
  );
  const lots = await lotsInDrawers(db, codes);
  const paper = onPaper(lots);
  const short = rooms.flatMap((room) =>
    room.computed.requirements.filter((r) => r.material === material).map((r) => toMill(room, r, paper)),
  );
  if (sumOf(short) === nothing) return;
  const lost = await millBlend(db, person, {
    blend,
    short: sumOf(short),
    lots,
    materials: first.world.materials,
    ...(rooms.length === 1 && { batch: first.computed.batch.id }),
    run,
    ...(leftovers && { leftovers: (paper.get(material) ?? []).filter((l) => l.free > nothing) }),
    ...(out !== undefined && { out }),
  });
  if (lost > nothing) await update(db, prepRunEntity, { id: run }, { how: { ...how, lostMg: lost / 1000 } });
}

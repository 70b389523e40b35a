import { dozensText } from "@kasten/core/orders";
import { nothing, quantity } from "@kasten/core/units";
import type { finishBatch, Tally } from "@kasten/contract/bench";
import type { BodyOf } from "@kasten/contract/http";
import {
  batchById,
  batchEntity,
  changeBatch,
  learn,
  lockFlyOf,
  makeUp,
  minutesComputed,
  owedOf,
  readBatchRoom,
  tallyEntity,
  tiedOf,
  tiedMostBy,
  wayOf,
  type OpenBatch,
} from "../batches";
import { insertNew, locked, type Db } from "../database/rows";
import { conflict, notFound, refused } from "../http/problems";
import { stale } from "../http/versions";
import { bench, bins, insertFlyLot, lockLotsOfBatch, move, putBy, scrap } from "../ledger";
import { logEvent } from "../log";
import { closeKit } from "./kit";

type Who = { id: string };

/** One tally; sent twice it counts once. Returns why it cannot count, if so. */
export async function keepTally(db: Db, person: Who, t: Tally): Promise<string | undefined> {
  const batch = await locked(db, batchEntity, { id: t.batch });
  if (!batch) return "That batch is not there.";
  const tallies = db.getRepository(tallyEntity);
  if (await tallies.existsBy({ id: t.id })) return undefined;
  if (batch.state !== "pulled" && batch.state !== "tying")
    return batch.state === "finished"
      ? `Batch ${batch.number} is finished already.`
      : `The kit of batch ${batch.number} has not been pulled.`;
  if (t.kind === "undo" && !(await canBeUndone(db, t))) return "There is nothing to take back.";
  const now = new Date();
  const kept = await insertNew(db, tallyEntity, {
    id: t.id,
    batchId: t.batch,
    personId: person.id,
    at: plausible(new Date(t.at), batch.createdAt, now),
    kind: t.kind,
    reason: t.kind === "reject" ? (t.reason ?? "other") : null,
    loss: t.loss ?? null,
    undoes: t.kind === "undo" ? (t.undoes ?? null) : null,
  });
  if (kept && batch.state === "pulled") {
    await changeBatch(db, t.batch, { state: "tying" });
    await logEvent(db, person, "batch", t.batch, "begun", `Began tying batch ${batch.number}`);
  }
  return undefined;
}

/** A device's clock may be wrong; its tallies count all the same: none was made before its batch, or after now. */
const plausible = (at: Date, first: Date, last: Date): Date =>
  new Date(Math.min(Math.max(at.getTime(), first.getTime()), last.getTime()));

async function canBeUndone(db: Db, { undoes, batch }: Tally): Promise<boolean> {
  const tally = undoes === undefined ? null : await db.getRepository(tallyEntity).findOneBy({ id: undoes });
  return tally !== null && tally.batchId === batch && tally.kind !== "undo";
}

type Finish = BodyOf<typeof finishBatch>;

/** The batch, locked, as it may be finished: in the version that the person saw, with something tallied. */
async function lockedForFinish(db: Db, id: string, body: Finish): Promise<OpenBatch & { kitId: number }> {
  await lockFlyOf(db, [id]);
  await locked(db, batchEntity, { id });
  const open = await batchById(db, id);
  if (!open) throw notFound("batch");
  if (open.state === "finished") throw conflict(`Batch ${open.number} is finished already.`);
  if (open.version !== body.version) throw stale(open.version, open, body, ["state"]);
  const { kitId } = open;
  if (open.state !== "tying" || kitId === null) throw conflict(`Batch ${open.number} has not been tied yet.`);
  if (open.good + open.rejected === 0) throw refused("Nothing has been tallied. Tally the flies first.");
  return { ...open, kitId };
}

export async function finish(db: Db, person: Who, id: string, body: Finish): Promise<void> {
  const open = await lockedForFinish(db, id, body);
  const room = await readBatchRoom(db, id);
  await lockLotsOfBatch(db, id);
  const tied = await tiedOf(db, open);
  const taught = await closeKit(db, person, room, open, tied, body.uses);
  await learn(db, open, taught);
  const [good, thrown] = [quantity(open.good, "count"), quantity(tied.wholeFly, "count")];
  const [from, binPlace, scrapPlace] = [await bench(db), await bins(db), await scrap(db)];
  const lot = await insertFlyLot(db, `B${open.number}`, open, id);
  if (good > nothing) await move(db, person, { lot, quantity: good, from, to: binPlace, reason: "tied", batch: id });
  if (thrown > nothing)
    await move(db, person, { lot, quantity: thrown, from, to: scrapPlace, reason: "rejected", batch: id });
  const timed = {
    minutes: body.minutes ?? null,
    minutesComputed: minutesComputed(room.computed),
    way: wayOf(room.computed),
    tiedBy: await tiedMostBy(db, id),
  };
  await changeBatch(db, id, { state: "finished", finishedAt: new Date(), ...timed });
  await honourClaims(db, lot, binPlace, open);
  await makeUp(db, [open]);
  await tell(db, person, open);
}

async function tell(db: Db, person: Who, open: OpenBatch): Promise<void> {
  const { id, number, good, rejected, patternName, size } = open;
  const owed = dozensText(owedOf(open));
  const told = `Finished batch ${number}: ${dozensText(good)} good, ${rejected} rejected, for ${owed} owed`;
  await logEvent(db, person, "batch", id, "finished", told);
  for (const order of new Set(open.claims.map((c) => c.orderId)))
    await logEvent(db, person, "order", order, "ready", `Flies of batch ${number} are ready: ${patternName} ${size}`);
}

/** Good flies are put by for the lines that the batch was made for, earliest due first. */
async function honourClaims(
  db: Db,
  lotId: string,
  placeId: number,
  batch: { good: number; claims: { line: string; flies: number }[] },
): Promise<void> {
  let left = batch.good;
  for (const c of batch.claims) {
    const flies = Math.min(left, c.flies);
    if (flies > 0) await putBy(db, { lotId, placeId, quantity: quantity(flies, "count"), orderLineId: c.line });
    left -= flies;
  }
}

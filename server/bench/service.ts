import type { Requirement } from "@kasten/core/needs";
import { quantityWords } from "@kasten/core/materials";
import { dozensText } from "@kasten/core/orders";
import { basePerCore, less, lesser, nothing, quantity, quantityOf, sumOf, type Quantity } from "@kasten/core/units";
import type { finishBatch, Tally } from "@kasten/contract/bench";
import type { BodyOf } from "@kasten/contract/http";
import {
  batchById,
  batchEntity,
  batchUseEntity,
  changeBatch,
  learn,
  lockFlyOf,
  makeUp,
  minutesComputed,
  owedOf,
  readBatchRoom,
  tallyEntity,
  tiedMostBy,
  wayOf,
  type BatchRoom,
  type OpenBatch,
  type TaughtUse,
} from "../batches";
import { insert, insertNew, locked, type Db } from "../database/rows";
import { conflict, notFound, refused } from "../http/problems";
import { stale } from "../http/versions";
import { bench, bins, insertFlyLot, kitLots, lockLotsOfBatch, move, putBy, scrap } from "../ledger";
import { logEvent } from "../log";

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
  const uses = await closeKit(db, person, room, open, body.uses);
  await learn(db, open, uses);
  const [good, rejected] = [quantity(open.good, "count"), quantity(open.rejected, "count")];
  const [from, binPlace, scrapPlace] = [await bench(db), await bins(db), await scrap(db)];
  const lot = await insertFlyLot(db, `B${open.number}`, open, id);
  if (good > nothing) await move(db, person, { lot, quantity: good, from, to: binPlace, reason: "tied", batch: id });
  if (rejected > nothing)
    await move(db, person, { lot, quantity: rejected, from, to: scrapPlace, reason: "rejected", batch: id });
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

/**
 * Used leaves the kit for the flies, spoiled goes to scrap, the rest back to the drawer it came from. It must add up.
 */
async function closeKit(
  db: Db,
  person: Who,
  room: BatchRoom,
  open: OpenBatch & { kitId: number },
  uses: Finish["uses"],
): Promise<TaughtUse[]> {
  const taught: TaughtUse[] = [];
  const tied = open.good + open.rejected;
  const lots = await kitLots(db, open.id, open.kitId);
  for (const r of room.computed.requirements) {
    const own = lots.filter((l) => l.key === r.key);
    const taken = sumOf(own.map((l) => l.quantity));
    const { used, scrapped } = usedOf(r, taken, tied, uses);
    await emptyKit(db, person, open, r.key, own, used, scrapped);
    if (taken === nothing) continue;
    const computed = r.teaches ? quantity(Math.max(1, r.perFly * tied * basePerCore[r.unit]), r.unit) : null;
    if (r.unit !== "count") taught.push({ component: r.component, used, computed });
    await insert(db, batchUseEntity, {
      batchId: open.id,
      key: r.key,
      component: r.component,
      materialCode: r.material,
      flies: tied,
      computed,
      taken,
      used,
      scrapped,
      returned: less(taken, used, scrapped),
    });
  }
  return taught;
}

/** What was used and spoiled: as was said, else as computed. No more than was in the kit. */
function usedOf(r: Requirement, taken: Quantity, tied: number, uses: Finish["uses"]) {
  const said = uses.find((u) => u.key === r.key);
  const used = said ? quantity(said.used, r.unit) : lesser(taken, quantityOf(r.perFly * tied, r.unit));
  const scrapped = said ? quantity(said.scrapped, r.unit) : nothing;
  if (used + scrapped > taken)
    throw refused(
      `${quantityWords(used + scrapped, r.unit)} of ${r.materialName} is more than the ${quantityWords(taken, r.unit)} in the kit. Correct what was used, or pull what was taken beside it.`,
    );
  return { used, scrapped };
}

async function emptyKit(
  db: Db,
  person: Who,
  { id: batch, kitId: from }: { id: string; kitId: number },
  key: string,
  lots: { lot: string; quantity: Quantity; drawer: number }[],
  used: Quantity,
  scrapped: Quantity,
): Promise<void> {
  const [benchPlace, scrapPlace] = [await bench(db), await scrap(db)];
  let [openUse, openScrap] = [used, scrapped];
  for (const l of lots) {
    const forUse = lesser(openUse, l.quantity);
    const forScrap = lesser(openScrap, less(l.quantity, forUse));
    const parts = [
      { quantity: forUse, to: benchPlace, reason: "tied on flies" },
      { quantity: forScrap, to: scrapPlace, reason: "spoiled" },
      { quantity: less(l.quantity, forUse, forScrap), to: l.drawer, reason: "returned" },
    ];
    for (const p of parts) if (p.quantity > nothing) await move(db, person, { lot: l.lot, from, batch, key, ...p });
    openUse = less(openUse, forUse);
    openScrap = less(openScrap, forScrap);
  }
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

import { addDays, format } from "date-fns";
import { normalSize } from "@kasten/core/hooks";
import { basePerCore, nothing, quantity } from "@kasten/core/units";
import { z } from "zod";
import {
  batchUseEntity,
  changeBatch,
  computeBatch,
  insertBatch,
  learn,
  minutesComputed,
  readLearned,
  wayOf,
  writeClaims,
  batchById,
  type ComputedBatch,
  type OpenBatch,
  type TaughtUse,
} from "../batches";
import { insert, insertAll, type Db } from "../database/rows";
import { notFound, Problem } from "../http/problems";
import { bench, bins, insertFlyLot, move, placeId, scrap, type FlyKind } from "../ledger";
import { logEvent } from "../log";
import { orderEntity, orderLineEntity } from "../orders";
import { personByLogin } from "../team";
import { readWorld } from "../world";
import { number, readCsv } from "./csv";
import { insertTallies } from "./tallies";

const count = z.coerce.number().int().min(0).max(6000);
const historyRow = z.object({
  pattern: z.string(),
  size: z.string(),
  variant: z.string(),
  form: z.string(),
  customer: z.string(),
  owed: count,
  good: count,
  rejected: count,
  reason: z.string().default("other"),
  person: z.string(),
  days_ago: number,
  minutes: number,
  use_ratio: number,
});
type HistoryRow = z.infer<typeof historyRow>;

/** Batches that were finished before: their flies, what they used, and the orders that they filled. */
export async function importHistory(db: Db, text: string, now: Date): Promise<void> {
  for (const h of readCsv("history.csv", text, historyRow)) await importFinished(db, h, addDays(now, -h.days_ago));
}

async function importFinished(db: Db, h: HistoryRow, at: Date): Promise<void> {
  const person = await personByLogin(db, h.person);
  if (!person)
    throw new Problem("import-refused", "Nothing was imported", `history.csv: nobody signs in as ${h.person}.`);
  const fly: FlyKind = { pattern: h.pattern, variant: h.variant, form: h.form, size: normalSize(h.size) };
  const { order, line } = await importSentOrder(db, h, fly, person.id, at);
  const batch = await insertBatch(db, fly, {});
  await writeClaims(db, batch, [{ line: line.id, flies: h.owed }]);
  const starts = h.good + h.rejected;
  const dates = { createdAt: addDays(at, -5), finishedAt: at };
  await changeBatch(db, batch, { state: "finished", starts, minutes: h.minutes, tiedBy: person.id, ...dates });
  const { good, rejected, reason } = h;
  await insertTallies(db, { batchId: batch, personId: person.id, at }, { good, rejected, reason, loss: "whole fly" });
  const made = await batchById(db, batch);
  if (!made) throw notFound("batch");
  const computed = computeBatch(await readWorld(db), await readLearned(db), made);
  await changeBatch(db, batch, { minutesComputed: minutesComputed(computed), way: wayOf(computed) });
  await learn(db, { pattern: h.pattern, good: h.good, rejected: h.rejected }, await importUses(db, computed, h));
  const told = `Finished batch ${made.number}: ${h.good} good, ${h.rejected} rejected`;
  await importFlies(db, person, made, fly, h, line.id, at);
  await logEvent(db, person, "batch", batch, "finished", told, at);
  await logEvent(db, person, "order", order.id, "sent", `Sent order ${order.number}`, addDays(at, 3));
}

async function importSentOrder(db: Db, h: HistoryRow, fly: FlyKind, createdBy: string, at: Date) {
  const order = await insert(db, orderEntity, {
    customerId: h.customer,
    due: format(addDays(at, 7), "yyyy-MM-dd"),
    createdBy,
    createdAt: addDays(at, -30),
    closedAt: addDays(at, 3),
  });
  const { pattern: patternId, variant, form, size } = fly;
  const row = { orderId: order.id, position: 0, patternId, variant, form, size, flies: h.owed };
  return { order, line: await insert(db, orderLineEntity, row) };
}

/** Good flies into the bins and from there to the customer, rejected ones to scrap. */
async function importFlies(
  db: Db,
  person: { id: string },
  { id: batch, number: n }: OpenBatch,
  fly: FlyKind,
  h: HistoryRow,
  line: string,
  at: Date,
): Promise<void> {
  const lot = await insertFlyLot(db, `B${n}`, fly, batch, at);
  const [from, binPlace, scrapPlace] = [await bench(db), await bins(db), await scrap(db)];
  const [good, rejected] = [quantity(h.good, "count"), quantity(h.rejected, "count")];
  await move(db, person, { lot, quantity: good, from, to: binPlace, reason: "tied", batch, at });
  if (rejected > nothing)
    await move(db, person, { lot, quantity: rejected, from, to: scrapPlace, reason: "rejected", batch, at });
  const to = await placeId(db, "customer", `CU-${h.customer}`, h.customer);
  const sent = quantity(Math.min(h.owed, h.good), "count");
  await move(db, person, { lot, quantity: sent, from: binPlace, to, reason: "boxed", line, at: addDays(at, 3) });
}

/** What a finished batch used: what is measured by the file's ratio, what is counted as computed. */
async function importUses(db: Db, { batch, requirements }: ComputedBatch, h: HistoryRow): Promise<TaughtUse[]> {
  const { id: batchId } = batch;
  const flies = h.good + h.rejected;
  const uses = requirements.map((r) => {
    const computed = quantity(Math.max(1, r.perFly * flies * basePerCore[r.unit]), r.unit);
    const used = r.unit === "count" ? computed : quantity(computed * h.use_ratio, r.unit);
    const { key, component, material: materialCode, teaches } = r;
    const amounts = { computed: teaches ? computed : null, taken: used, used, scrapped: nothing, returned: nothing };
    return { batchId, key, component, materialCode, flies, ...amounts };
  });
  await insertAll(db, batchUseEntity, uses);
  const measured = new Set(requirements.filter((r) => r.unit !== "count").map((r) => r.key));
  return uses
    .filter((u) => measured.has(u.key))
    .map(({ materialCode: material, ...u }) => ({ ...u, material, isMeasured: true }));
}

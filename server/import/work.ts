import { isWhole, readOrder } from "@kasten/core/orders";
import { normalSize } from "@kasten/core/hooks";
import { addDays, format } from "date-fns";
import { z } from "zod";
import type { EntityManager } from "typeorm";
import { row } from "../database/source";
import { computeBatch, insertBatch, readLearned, writeClaims, type OpenBatch } from "../batches";
import { Problem } from "../http/problems";
import { logEvent } from "../http/log";
import { saveOrder } from "../orders";
import { readCustomers, readWorld, todayIn } from "../patterns";
import { basePerCore } from "@kasten/core/materials";
import { bench, bins, insertFlyLot, move, placeId, scrap } from "../stock";
import { readCsv } from "./csv";

const number = z.coerce.number().finite();
const orderRow = z.object({
  text: z.string(),
  due_in_days: number,
  due_reason: z.string().optional(),
  written_days_ago: number,
  note: z.string().default(""),
});
const day = (now: Date, days: number): string => format(addDays(now, days), "yyyy-MM-dd");

/** Orders as they were typed, read by the same reader as on the screen. */
export async function importOrders(db: EntityManager, person: { id: string }, text: string, now: Date): Promise<void> {
  const world = await readWorld(db);
  const catalogue = {
    today: todayIn(world.settings.timeZone, now),
    customers: await readCustomers(db),
    seasons: world.settings.seasons,
    numberWords: {},
    patterns: [...world.patterns.values()].map((p) => ({
      id: p.id,
      name: p.name,
      sizes: p.recipe.sizes,
      variants: p.recipe.variants,
      forms: p.recipe.forms,
    })),
  };
  for (const o of readCsv("orders.csv", text, orderRow)) {
    const typed = `${o.text}, ${day(now, o.due_in_days)}`;
    const read = readOrder(typed, catalogue);
    if (!isWhole(read))
      throw new Problem(
        422,
        "import-refused",
        "Nothing was imported",
        `orders.csv: “${o.text}”: ${[...read.doubts, ...read.lines.flatMap((l) => l.doubts)].map((d) => d.sentence).join(" ")}`,
      );
    const lines = read.lines.map((l) => ({
      pattern: l.pattern ?? "",
      variant: l.variant ?? "",
      form: l.form ?? "",
      size: l.size ?? "",
      flies: l.flies ?? 0,
      policy: l.policy,
    }));
    await saveOrder(
      db,
      person,
      {
        text: typed,
        customer: read.customer ?? "",
        due: read.due ?? "",
        dueReason: o.due_reason,
        note: o.note,
        lines,
        acceptsConflicts: false,
      },
      addDays(now, -o.written_days_ago),
    );
  }
}

const historyRow = z.object({
  pattern: z.string(),
  size: z.string(),
  variant: z.string(),
  form: z.string(),
  customer: z.string(),
  owed: number,
  good: number,
  rejected: number,
  reason: z.string().default("other"),
  person: z.string(),
  days_ago: number,
  minutes: number,
  use_ratio: number,
});
type HistoryRow = z.infer<typeof historyRow>;

/** Batches that were finished before: their flies, what they used, and the orders that they filled. */
export async function importHistory(db: EntityManager, text: string, now: Date): Promise<void> {
  for (const h of readCsv("history.csv", text, historyRow)) await importFinished(db, h, addDays(now, -h.days_ago));
}

async function importFinished(db: EntityManager, h: HistoryRow, at: Date): Promise<void> {
  const person = await row<{ id: string }>(db, "SELECT id FROM person WHERE login = $1", [h.person]);
  if (!person)
    throw new Problem(422, "import-refused", "Nothing was imported", `history.csv: nobody signs in as ${h.person}.`);
  const sku = { pattern: h.pattern, variant: h.variant, form: h.form, size: normalSize(h.size) };
  const order = await row<{ id: string; number: number }>(
    db,
    "INSERT INTO customer_order (customer_id, due, created_by, created_at, closed_at) VALUES ($1, $2, $3, $4, $5) RETURNING id, number",
    [h.customer, format(addDays(at, 7), "yyyy-MM-dd"), person.id, addDays(at, -30), addDays(at, 3)],
  );
  const line = await row<{ id: string }>(
    db,
    "INSERT INTO order_line (order_id, position, pattern_id, variant, form, size, flies) VALUES ($1, 0, $2, $3, $4, $5, $6) RETURNING id",
    [order?.id, sku.pattern, sku.variant, sku.form, sku.size, h.owed],
  );
  const batch = await insertBatch(db, sku);
  await writeClaims(db, batch, [{ line: line?.id ?? "", flies: h.owed }]);
  await db.query(
    "UPDATE batch SET state = 'finished', starts = $2, minutes = $3, created_at = $4, finished_at = $5 WHERE id = $1",
    [batch, h.good + h.rejected, h.minutes, addDays(at, -5), at],
  );
  await db.query(
    "INSERT INTO tally (id, batch_id, person_id, at, kind) SELECT gen_random_uuid(), $1, $2, $3, 'good' FROM generate_series(1, $4)",
    [batch, person.id, at, h.good],
  );
  await db.query(
    "INSERT INTO tally (id, batch_id, person_id, at, kind, reason, loss) SELECT gen_random_uuid(), $1, $2, $3, 'reject', $5, 'whole fly' FROM generate_series(1, $4)",
    [batch, person.id, at, h.rejected, h.reason],
  );
  await importUses(db, batch, sku, h);
  const number = (await row<{ number: number }>(db, "SELECT number FROM batch WHERE id = $1", [batch]))?.number ?? 0;
  const lot = await insertFlyLot(db, `B${number}`, sku, batch, at);
  const [benchPlace, binPlace, scrapPlace] = [await bench(db), await bins(db), await scrap(db)];
  await move(db, person, { lot, quantity: h.good, from: benchPlace, to: binPlace, reason: "tied", batch, at });
  if (h.rejected > 0)
    await move(db, person, {
      lot,
      quantity: h.rejected,
      from: benchPlace,
      to: scrapPlace,
      reason: "rejected",
      batch,
      at,
    });
  const customer = await placeId(db, "customer", `CU-${h.customer}`, h.customer);
  await move(db, person, {
    lot,
    quantity: Math.min(h.owed, h.good),
    from: binPlace,
    to: customer,
    reason: "boxed",
    line: line?.id,
    at: addDays(at, 3),
  });
  await logEvent(
    db,
    person,
    "batch",
    batch,
    "finished",
    `Finished batch ${number}: ${h.good} good, ${h.rejected} rejected`,
    at,
  );
  await logEvent(db, person, "order", order?.id ?? "", "sent", `Sent order ${order?.number ?? 0}`, addDays(at, 3));
}

/** What a finished batch used: what is measured by the file's ratio, what is counted as computed. */
async function importUses(
  db: EntityManager,
  batch: string,
  sku: { pattern: string; variant: string; form: string; size: string },
  h: HistoryRow,
): Promise<void> {
  const world = await readWorld(db);
  const flies = h.good + h.rejected;
  const open: OpenBatch = {
    id: batch,
    number: 0,
    ...sku,
    patternName: "",
    patternVersion: 1,
    state: "finished",
    held: false,
    mode: "fly by fly",
    buy: [],
    methods: {},
    leave: [],
    use: {},
    mixLots: false,
    storedStarts: flies,
    kitId: null,
    version: 1,
    good: h.good,
    rejected: h.rejected,
    claims: [],
  };
  for (const r of computeBatch(world, await readLearned(db), open).requirements) {
    const computed = Math.max(1, Math.round(r.perFly * flies * basePerCore[r.unit]));
    const used = r.unit === "count" ? computed : Math.round(computed * h.use_ratio);
    await db.query(
      "INSERT INTO batch_use (batch_id, key, component, material_code, flies, computed, taken, used, scrapped, returned) VALUES ($1, $2, $3, $4, $5, $6, $7, $7, 0, 0)",
      [batch, r.key, r.component, r.material, flies, r.teaches ? computed : null, used],
    );
  }
}

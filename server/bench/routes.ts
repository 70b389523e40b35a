import { basePerCore, quantityWords } from "@kasten/core/materials";
import { dozensText } from "@kasten/core/orders";
import { finishBatch, sendTallies, type Tally } from "@kasten/contract/bench";
import type { BodyOf } from "@kasten/contract/http";
import type { EntityManager } from "typeorm";
import { makeUp, owedOf, readBatchRoom, batchById, type BatchRoom } from "../batches";
import { row, rows } from "../database/source";
import type { Register } from "../http/handle";
import { logEvent } from "../http/log";
import { conflict, notFound, refused } from "../http/problems";
import { stale } from "../http/versions";
import { bench, bins, insertFlyLot, move, scrap } from "../stock";

type Who = { id: string };

/** One tally; sent twice it counts once. Returns why it cannot count, if so. */
async function keepTally(db: EntityManager, person: Who, t: Tally): Promise<string | undefined> {
  const batch = await row<{ state: string; number: number }>(
    db,
    "SELECT state, number FROM batch WHERE id = $1 FOR UPDATE",
    [t.batch],
  );
  if (!batch) return "That batch is not there.";
  const known = await row(db, "SELECT 1 FROM tally WHERE id = $1", [t.id]);
  if (known) return undefined;
  if (!["pulled", "tying"].includes(batch.state))
    return batch.state === "finished"
      ? `Batch ${batch.number} is finished already.`
      : `The kit of batch ${batch.number} has not been pulled.`;
  if (
    t.kind === "undo" &&
    !(await row(db, "SELECT 1 FROM tally WHERE id = $1 AND batch_id = $2 AND kind <> 'undo'", [t.undoes, t.batch]))
  )
    return "There is nothing to take back.";
  const kept = await row(
    db,
    "INSERT INTO tally (id, batch_id, person_id, at, kind, reason, loss, undoes) VALUES ($1, $2, $3, $4, $5, $6, $7, $8) ON CONFLICT DO NOTHING RETURNING id",
    [
      t.id,
      t.batch,
      person.id,
      t.at,
      t.kind,
      t.kind === "reject" ? (t.reason ?? "other") : null,
      t.loss ?? null,
      t.undoes ?? null,
    ],
  );
  if (kept && batch.state === "pulled") {
    await db.query("UPDATE batch SET state = 'tying', version = version + 1 WHERE id = $1", [t.batch]);
    await logEvent(db, person, "batch", t.batch, "begun", `Began tying batch ${batch.number}`);
  }
  return undefined;
}

/** Pages that show a count hear of it; a tally itself is not an entry in the log. */
const tellCounts = (db: EntityManager, batch: string) =>
  db.query(
    "SELECT pg_notify('kasten', json_build_object('id', 0, 'subject', 'batch', 'subjectId', $1::text, 'kind', 'tallied')::text)",
    [batch],
  );

async function finish(db: EntityManager, person: Who, id: string, body: BodyOf<typeof finishBatch>): Promise<void> {
  await db.query("SELECT 1 FROM batch WHERE id = $1 FOR UPDATE", [id]);
  const open = await batchById(db, id);
  if (!open || open.state === "finished")
    throw open ? conflict(`Batch ${open.number} is finished already.`) : notFound("batch");
  if (open.version !== body.version) throw stale(open.version, open, body, ["state"]);
  if (open.state !== "tying" || open.kitId === null) throw conflict(`Batch ${open.number} has not been tied yet.`);
  const room = await readBatchRoom(db, id);
  const tied = open.good + open.rejected;
  if (tied === 0) throw refused("Nothing has been tallied. Tally the flies first.");
  await closeKit(db, person, room, open.kitId, tied, body.uses);
  const [benchPlace, binPlace, scrapPlace] = [await bench(db), await bins(db), await scrap(db)];
  const lot = await insertFlyLot(db, `B${open.number}`, open, id);
  if (open.good > 0)
    await move(db, person, { lot, quantity: open.good, from: benchPlace, to: binPlace, reason: "tied", batch: id });
  if (open.rejected > 0)
    await move(db, person, {
      lot,
      quantity: open.rejected,
      from: benchPlace,
      to: scrapPlace,
      reason: "rejected",
      batch: id,
    });
  await db.query(
    "UPDATE batch SET state = 'finished', finished_at = now(), minutes = $2, version = version + 1 WHERE id = $1",
    [id, body.minutes ?? null],
  );
  await honourClaims(db, lot, binPlace, open);
  await makeUp(db);
  await logEvent(
    db,
    person,
    "batch",
    id,
    "finished",
    `Finished batch ${open.number}: ${dozensText(open.good)} good, ${open.rejected} rejected, for ${dozensText(owedOf(open))} owed`,
  );
  for (const order of new Set(open.claims.map((c) => c.orderId)))
    await logEvent(
      db,
      person,
      "order",
      order,
      "ready",
      `Flies of batch ${open.number} are ready: ${open.patternName} ${open.size}`,
    );
}

/** Used leaves the kit for the flies, spoiled goes to scrap, the rest back to the drawer it came from. It must add up. */
async function closeKit(
  db: EntityManager,
  person: Who,
  room: BatchRoom,
  kit: number,
  tied: number,
  uses: { key: string; used: number; scrapped: number }[],
): Promise<void> {
  const id = room.computed.batch.id;
  const [benchPlace, scrapPlace] = [await bench(db), await scrap(db)];
  const kitLots = await rows<{ key: string; lot: string; quantity: number; drawer: number }>(
    db,
    "SELECT m.batch_key AS key, m.lot_id AS lot, sum(m.quantity)::bigint AS quantity, max(m.from_place)::int AS drawer FROM movement m WHERE m.batch_id = $1 AND m.to_place = $2 GROUP BY 1, 2 ORDER BY 2",
    [id, kit],
  );
  for (const r of room.computed.requirements) {
    const own = kitLots.filter((l) => l.key === r.key);
    const taken = own.reduce((sum, l) => sum + l.quantity, 0);
    const said = uses.find((u) => u.key === r.key);
    const used = Math.round(said?.used ?? Math.min(taken, r.perFly * tied * basePerCore[r.unit]));
    const scrapped = Math.round(said?.scrapped ?? 0);
    if (used + scrapped > taken)
      throw refused(
        `${quantityWords(used + scrapped, r.unit)} of ${r.materialName} is more than the ${quantityWords(taken, r.unit)} in the kit. Correct what was used, or pull what was taken beside it.`,
      );
    let [openUse, openScrap] = [used, scrapped];
    for (const l of own) {
      const forUse = Math.min(openUse, l.quantity);
      const forScrap = Math.min(openScrap, l.quantity - forUse);
      const back = l.quantity - forUse - forScrap;
      const common = { lot: l.lot, from: kit, batch: id, key: r.key };
      if (forUse > 0) await move(db, person, { ...common, quantity: forUse, to: benchPlace, reason: "tied on flies" });
      if (forScrap > 0) await move(db, person, { ...common, quantity: forScrap, to: scrapPlace, reason: "spoiled" });
      if (back > 0) await move(db, person, { ...common, quantity: back, to: l.drawer, reason: "returned" });
      openUse -= forUse;
      openScrap -= forScrap;
    }
    if (taken > 0)
      await db.query(
        "INSERT INTO batch_use (batch_id, key, component, material_code, flies, computed, taken, used, scrapped, returned) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)",
        [
          id,
          r.key,
          r.component,
          r.material,
          tied,
          r.teaches ? Math.max(1, Math.round(r.perFly * tied * basePerCore[r.unit])) : null,
          taken,
          used,
          scrapped,
          taken - used - scrapped,
        ],
      );
  }
}

/** Good flies are put by for the lines that the batch was made for, earliest due first. */
async function honourClaims(
  db: EntityManager,
  lot: string,
  place: number,
  batch: { good: number; claims: { line: string; flies: number }[] },
): Promise<void> {
  let left = batch.good;
  for (const c of batch.claims) {
    const flies = Math.min(left, c.flies);
    if (flies > 0)
      await db.query("INSERT INTO reservation (lot_id, place_id, quantity, order_line_id) VALUES ($1, $2, $3, $4)", [
        lot,
        place,
        flies,
        c.line,
      ]);
    left -= flies;
  }
}

export function benchRoutes(register: Register): void {
  register(sendTallies, async ({ db, person, body }) => {
    const refusedTallies: { id: string; detail: string }[] = [];
    const touched = [...new Set(body.tallies.map((t) => t.batch))];
    for (const t of [...body.tallies].sort((a, b) => a.batch.localeCompare(b.batch))) {
      const reason = await keepTally(db, person, t);
      if (reason) refusedTallies.push({ id: t.id, detail: reason });
    }
    for (const b of touched) await tellCounts(db, b);
    const counts = await rows<{ batch: string; good: number; rejected: number }>(
      db,
      "SELECT batch_id AS batch, good, rejected FROM tally_count WHERE batch_id = ANY($1::uuid[])",
      [touched],
    );
    return { counts, refused: refusedTallies };
  });
  register(finishBatch, async ({ db, person, params, body }) => {
    await finish(db, person, params.id, body);
    return { ok: true as const };
  });
}

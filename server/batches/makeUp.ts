import { gather, mostOwedFor, type Need, type PlannedBatch } from "@kasten/core/batches";
import { quantity } from "@kasten/core/units";
import type { Db } from "../database/rows";
import { freeFlyLots, giveBack, putBy, putByFor } from "../ledger";
import { readSettings } from "../settings";
import { dissolve, insertBatch, writeClaims } from "./claims";
import { readLearned } from "./knowledge";
import { lockRoom, openBatches, openLines, type OpenLine } from "./queries";

/** Gives back finished flies that a shrunk or cancelled line no longer needs. */
async function giveBackExcess(db: Db, line: OpenLine): Promise<void> {
  let excess = line.ready + line.boxed - line.flies;
  if (excess <= 0 || line.ready === 0) return;
  for (const r of await putByFor(db, line.id)) {
    if (excess <= 0) break;
    await giveBack(db, { id: r.id });
    const stay = Math.max(0, r.quantity - excess);
    if (stay > 0)
      await putBy(db, {
        lotId: r.lotId,
        placeId: r.placeId,
        quantity: quantity(stay, "count"),
        orderLineId: line.id,
      });
    excess -= r.quantity - stay;
    line.ready -= r.quantity - stay;
  }
}

/** Puts flies on the shelf that nobody waits for by for the lines that do, earliest due first. */
async function shareOutShelf(db: Db, lines: OpenLine[]): Promise<void> {
  for (const line of lines) await giveBackExcess(db, line);
  const shelf = await freeFlyLots(db);
  for (const line of lines)
    for (const s of shelf) {
      const open = line.flies - line.boxed - line.ready - line.active;
      if (open <= 0) break;
      const fits =
        s.pattern === line.pattern && s.variant === line.variant && s.form === line.form && s.size === line.size;
      if (s.free <= 0 || !fits) continue;
      const taken = quantity(Math.min(open, s.free), "count");
      await putBy(db, { lotId: s.lot, placeId: s.place, quantity: taken, orderLineId: line.id });
      s.free -= taken;
      line.ready += taken;
    }
}

const skuOf = ({ pattern, variant, form, size }: PlannedBatch["sku"]): PlannedBatch["sku"] => ({
  pattern,
  variant,
  form,
  size,
});

/**
 * Brings shelf and planned batches in line with the open orders. Called in the transaction of every change that matters
 * to them; one at a time for the whole room, so that two orders saved at once share out the same shelf and batches.
 */
export async function makeUp(db: Db): Promise<void> {
  await lockRoom(db);
  const lines = await openLines(db);
  await shareOutShelf(db, lines);
  const settings = await readSettings(db);
  const learned = await readLearned(db);
  const planned: PlannedBatch[] = (await openBatches(db))
    .filter((b) => b.state === "planned")
    .map((b) => ({
      id: b.id,
      sku: skuOf(b),
      claims: b.claims.map((c) => ({ line: c.line, flies: c.flies })),
      held: b.held,
    }));
  const needs: Need[] = lines
    .map((l) => ({
      line: l.id,
      sku: skuOf(l),
      flies: l.flies - l.boxed - l.ready - l.active,
      due: l.due,
      rank: l.rank,
      order: l.order,
    }))
    .filter((n) => n.flies > 0);
  let fresh = 0;
  const rules = (sku: PlannedBatch["sku"]) => ({
    most: mostOwedFor(settings.tray, learned.outcomes(sku.pattern), settings.serviceLevel),
    windowDays: settings.windowDays,
  });
  await writePlanned(
    db,
    planned,
    gather(needs, planned, rules, () => `new-${++fresh}`),
  );
}

async function writePlanned(db: Db, before: PlannedBatch[], wanted: PlannedBatch[]): Promise<void> {
  const kept = new Set(wanted.map((b) => b.id));
  for (const b of before) if (!kept.has(b.id)) await dissolve(db, b.id);
  for (const b of wanted) {
    const was = before.find((x) => x.id === b.id);
    if (was && JSON.stringify(was.claims) === JSON.stringify(b.claims)) continue;
    await writeClaims(db, was ? b.id : await insertBatch(db, b.sku), b.claims);
  }
}

import { gather, mostOwedFor, skuKey, type Need, type PlannedBatch, type Sku } from "@kasten/core/batches";
import { askedKey, finishedKey, type Asked } from "@kasten/core/recipe";
import { quantity } from "@kasten/core/units";
import type { Db } from "../database/rows";
import { freeFlyLots, giveBack, putBy, putByFor } from "../ledger";
import { readSettings } from "../settings";
import { dissolve, insertBatches, writeClaims } from "./claims";
import { readLearned } from "./knowledge";
import { lockedPlanned, lockFlies, openLines, orderedFlies, type OpenLine } from "./queries";

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
async function shareOutShelf(db: Db, sku: Sku, lines: OpenLine[]): Promise<void> {
  for (const line of lines) await giveBackExcess(db, line);
  const shelf = await freeFlyLots(db, sku);
  for (const line of lines)
    for (const s of shelf) {
      // Only flies that are tied as the line asks: of the same parts and materials, dressed alike.
      if (finishedKey(s.tied) !== finishedKey(line.asked)) continue;
      const open = line.flies - line.boxed - line.ready - line.active;
      if (open <= 0) break;
      if (s.free <= 0) continue;
      const taken = quantity(Math.min(open, s.free), "count");
      await putBy(db, { lotId: s.lot, placeId: s.place, quantity: taken, orderLineId: line.id });
      s.free -= taken;
      line.ready += taken;
    }
}

/**
 * Brings shelf and planned batches in line with the open orders, for the kinds of flies that a change concerns. Called
 * in the transaction of every change that matters to them; one at a time for each kind of fly, so that two orders saved
 * at once share out the same shelf and batches.
 */
export async function makeUp(db: Db, skus: Sku[]): Promise<void> {
  const settings = await readSettings(db);
  const learned = await readLearned(db);
  await lockFlies(db, skus);
  const kinds = new Map(skus.map((s) => [skuKey(s), s]));
  for (const sku of kinds.values()) {
    const most = mostOwedFor(settings.tray, learned.outcomes(sku.pattern), settings.serviceLevel);
    await makeUpOne(db, sku, { most, windowDays: settings.windowDays });
  }
}

/** The same for every kind of fly that is ordered: for a room that is filled from files. */
export const makeUpAll = async (db: Db): Promise<void> => makeUp(db, await orderedFlies(db));

async function makeUpOne(db: Db, kind: Sku, rules: { most: number; windowDays: number }): Promise<void> {
  const { pattern, variant, form, size } = kind;
  const sku = { pattern, variant, form, size };
  const lines = await openLines(db, sku);
  await shareOutShelf(db, sku, lines);
  const asks = new Map<string, Asked>();
  /** The same fly, as it is asked: what is asked otherwise is gathered apart. */
  const askedSku = (asked: Asked): Sku => {
    const key = askedKey(asked);
    asks.set(key, asked);
    return { ...sku, ...(key && { askedKey: key }) };
  };
  const planned: PlannedBatch[] = (await lockedPlanned(db, sku)).map((b) => ({
    id: b.id,
    sku: askedSku(b.asked),
    claims: b.claims.map((c) => ({ line: c.line, flies: c.flies })),
    held: b.held,
  }));
  const needs: Need[] = lines
    .map((l) => ({
      line: l.id,
      sku: askedSku(l.asked),
      flies: l.flies - l.boxed - l.ready - l.active,
      due: l.due,
      rank: l.rank,
      order: l.order,
    }))
    .filter((n) => n.flies > 0);
  let fresh = 0;
  await writePlanned(
    db,
    sku,
    planned,
    gather(
      needs,
      planned,
      () => rules,
      () => `new-${++fresh}`,
    ),
    (of) => asks.get(of.askedKey ?? "") ?? {},
  );
}

async function writePlanned(
  db: Db,
  sku: Sku,
  before: PlannedBatch[],
  wanted: PlannedBatch[],
  askedOf: (sku: Sku) => Asked,
): Promise<void> {
  const fresh: { asked: Asked; claims: PlannedBatch["claims"] }[] = [];
  const kept = new Set(wanted.map((b) => b.id));
  for (const b of before) if (!kept.has(b.id)) await dissolve(db, b.id);
  for (const b of wanted) {
    const was = before.find((x) => x.id === b.id);
    if (!was) fresh.push({ asked: askedOf(b.sku), claims: b.claims });
    else if (JSON.stringify(was.claims) !== JSON.stringify(b.claims)) await writeClaims(db, b.id, b.claims);
  }
  await insertBatches(db, sku, fresh);
}

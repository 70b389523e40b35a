import { mergeClaims, mostOwedFor, splitClaims, type PrepKind } from "@kasten/core/batches";
import { dozensText } from "@kasten/core/orders";
import { allocate, basePerCore, issueStep, partQuantity, quantityWords } from "@kasten/core/materials";
import { blendCharge } from "@kasten/core/tying";
import { ceilTo } from "@kasten/core/numeric";
import type { EntityManager } from "typeorm";
import { row } from "../database/source";
import { logEvent } from "../http/log";
import { conflict, notFound, refused } from "../http/problems";
import { stale } from "../http/versions";
import { allocateFor, lotsInDrawers } from "../materials";
import { readSettings } from "../patterns";
import { insertLot, mill, move, placeId } from "../stock";
import { allPeople } from "../team";
import { owedOf } from "./compute";
import { gateOf, missingOf, readBatchRoom, type BatchRoom } from "./detail";
import { readLearned } from "./knowledge";
import { dissolve, insertBatch, writeClaims } from "./makeUp";
import { batchById, type OpenBatch } from "./open";

type Who = { id: string };

/** The batch, locked, in the version that the person saw and in a state that allows it. */
async function lockedBatch(
  db: EntityManager,
  id: string,
  states: OpenBatch["state"][],
  version?: number,
): Promise<OpenBatch> {
  await db.query("SELECT 1 FROM batch WHERE id = $1 FOR UPDATE", [id]);
  const batch = await batchById(db, id);
  if (!batch) throw notFound("batch");
  if (version !== undefined && batch.version !== version) throw stale(batch.version, batch, { version }, ["state"]);
  if (!states.includes(batch.state))
    throw conflict(`Batch ${batch.number} is ${batch.state}; this is for batches that are ${states.join(" or ")}.`);
  return batch;
}

const claimsOf = (b: OpenBatch) => b.claims.map((c) => ({ line: c.line, flies: c.flies }));

export async function split(
  db: EntityManager,
  person: Who,
  id: string,
  flies: number,
  version: number,
): Promise<string> {
  const batch = await lockedBatch(db, id, ["planned"], version);
  const owed = owedOf(batch);
  if (flies >= owed) throw refused(`Batch ${batch.number} has ${dozensText(owed)}: split off fewer than that.`);
  const { off, stay } = splitClaims(claimsOf(batch), flies);
  const made = await insertBatch(db, batch, true);
  await db.query("DELETE FROM reservation WHERE batch_id = $1", [id]);
  await writeClaims(db, made, off);
  await writeClaims(db, id, stay);
  await db.query("UPDATE batch SET held = true WHERE id = $1", [id]);
  const number = (await batchById(db, made))?.number ?? 0;
  await logEvent(
    db,
    person,
    "batch",
    id,
    "split",
    `Split ${dozensText(flies)} off batch ${batch.number} into batch ${number}`,
  );
  await logEvent(db, person, "batch", made, "split", `Made of ${dozensText(flies)} from batch ${batch.number}`);
  return made;
}

export async function merge(db: EntityManager, person: Who, list: { id: string; version: number }[]): Promise<string> {
  const batches: OpenBatch[] = [];
  for (const b of [...list].sort((a, c) => a.id.localeCompare(c.id)))
    batches.push(await lockedBatch(db, b.id, ["planned"], b.version));
  const [first, ...others] = batches.sort((a, b) => a.number - b.number);
  if (!first || others.length === 0) throw refused("Choose at least two batches to merge.");
  if (
    others.some(
      (b) =>
        b.pattern !== first.pattern || b.variant !== first.variant || b.form !== first.form || b.size !== first.size,
    )
  )
    throw refused("Only batches of the same pattern, colour, weight form and size can be merged.");
  const claims = mergeClaims([first, ...others].map(claimsOf));
  const settings = await readSettings(db);
  const most = mostOwedFor(settings.tray, (await readLearned(db)).outcomes(first.pattern), settings.serviceLevel);
  const total = claims.reduce((sum, c) => sum + c.flies, 0);
  if (total > most)
    throw refused(
      `Together they are ${dozensText(total)}; a tray holds ${dozensText(most)} with the expected rejects.`,
    );
  await db.query("DELETE FROM reservation WHERE batch_id = $1", [first.id]);
  for (const b of others) await dissolve(db, b.id);
  await writeClaims(db, first.id, claims);
  await db.query("UPDATE batch SET held = true WHERE id = $1", [first.id]);
  await logEvent(
    db,
    person,
    "batch",
    first.id,
    "merged",
    `Merged batch ${others.map((b) => b.number).join(", ")} into batch ${first.number}: ${dozensText(total)}`,
  );
  return first.id;
}

/** What may be chosen anew for a planned batch. */
export interface BatchChange {
  version: number;
  mode?: string;
  buy?: string[];
  mixLots?: boolean;
  methods?: Record<string, string>;
  leave?: string[];
  use?: Record<string, string>;
  renew?: true;
}

export async function edit(db: EntityManager, person: Who, id: string, change: BatchChange): Promise<void> {
  const batch = await lockedBatch(db, id, ["planned"], change.version);
  const changesNeed = change.buy ?? change.methods ?? change.leave ?? change.use ?? change.renew;
  if (changesNeed !== undefined) await db.query("DELETE FROM reservation WHERE batch_id = $1", [id]);
  const json = (value: unknown) => (value === undefined ? null : JSON.stringify(value));
  await db.query(
    `UPDATE batch SET mode = COALESCE($2, mode), buy = COALESCE($3, buy), mix_lots = COALESCE($4, mix_lots), methods = COALESCE($5, methods), leave = COALESCE($6, leave), use = COALESCE($7, use),
       pattern_version = CASE WHEN $8 THEN (SELECT version FROM pattern WHERE id = pattern_id) ELSE pattern_version END, version = version + 1 WHERE id = $1`,
    [
      id,
      change.mode ?? null,
      json(change.buy),
      change.mixLots ?? null,
      json(change.methods),
      json(change.leave),
      json(change.use),
      change.renew ?? false,
    ],
  );
  const fault = changesNeed === undefined ? undefined : (await readBatchRoom(db, id)).computed.fault;
  if (fault && !change.renew) throw refused(fault);
  await logEvent(db, person, "batch", id, "changed", `Batch ${batch.number}: ${changeWords(change).join(", ")}`);
}

function changeWords(change: BatchChange): string[] {
  const words: string[] = [];
  if (change.mode) words.push(`tied ${change.mode}`);
  if (change.buy)
    words.push(change.buy.length > 0 ? `with bought ${change.buy.join(", ")}` : "with all parts made here");
  if (change.mixLots !== undefined) words.push(change.mixLots ? "dye lots may be mixed" : "dye lots are not mixed");
  if (change.methods)
    words.push(
      Object.keys(change.methods).length > 0
        ? `by ${Object.values(change.methods).join(", ")}`
        : "by the pattern's own methods",
    );
  if (change.leave) words.push(change.leave.length > 0 ? `without ${change.leave.join(", ")}` : "with every part");
  if (change.use)
    words.push(
      Object.keys(change.use).length > 0
        ? `with ${Object.values(change.use).join(", ")} in place of the original`
        : "of the original materials",
    );
  if (change.renew) words.push("bound to the newest version of its pattern");
  return words;
}

/** Reserves all that is there; says what is short. What others reserve at the same moment is theirs: the database decides. */
export async function reserve(db: EntityManager, person: Who, id: string): Promise<string[]> {
  const batch = await lockedBatch(db, id, ["planned", "released"]);
  const room = await readBatchRoom(db, id);
  if (room.computed.fault) throw refused(room.computed.fault);
  const short: string[] = [];
  let taken = 0;
  for (const r of room.computed.requirements) {
    const plan = allocateFor(r, missingOf(room, r), batch.mixLots, room.lots);
    for (const t of plan.take) {
      await db.query(
        "INSERT INTO reservation (lot_id, place_id, quantity, batch_id, key) VALUES ($1, $2, $3, $4, $5)",
        [t.lot, t.place, t.quantity, id, r.key],
      );
      for (const l of room.lots.get(r.material) ?? []) if (l.lot === t.lot && l.place === t.place) l.free -= t.quantity;
      taken++;
    }
    if (plan.short > 0) short.push(`${quantityWords(plan.short, r.unit)} of ${r.materialName}`);
  }
  if (taken > 0)
    await logEvent(
      db,
      person,
      "batch",
      id,
      "reserved",
      `Reserved the materials of batch ${batch.number}${short.length > 0 ? `, short of ${short.join(", ")}` : ""}`,
    );
  return short;
}

export async function unreserve(db: EntityManager, person: Who, id: string): Promise<void> {
  const batch = await lockedBatch(db, id, ["planned"]);
  await db.query("DELETE FROM reservation WHERE batch_id = $1", [id]);
  await logEvent(db, person, "batch", id, "unreserved", `Gave back the reservations of batch ${batch.number}`);
}

export async function release(db: EntityManager, person: Who, id: string, version: number): Promise<void> {
  const batch = await lockedBatch(db, id, ["planned"], version);
  const room = await readBatchRoom(db, id);
  const reasons = gateOf(room, await allPeople(db));
  if (reasons.length > 0) throw refused(reasons.join(" "));
  const kit = await placeId(db, "kit", `KIT-${batch.number}`, `Kit of batch ${batch.number}`);
  await db.query("UPDATE batch SET state = 'released', starts = $2, kit_id = $3, version = version + 1 WHERE id = $1", [
    id,
    room.computed.batch.starts,
    kit,
  ]);
  await logEvent(
    db,
    person,
    "batch",
    id,
    "released",
    `Released batch ${batch.number}: ${room.computed.batch.starts} flies to start for ${dozensText(room.computed.batch.owed)}`,
  );
}

/** What was ticked off leaves the drawers for the kit; when nothing reserved is left, the batch is pulled. */
export async function pull(db: EntityManager, person: Who, id: string, keys: string[]): Promise<void> {
  const batch = await lockedBatch(db, id, ["released"]);
  const room = await readBatchRoom(db, id);
  const wanted = new Set(keys);
  for (const r of room.reserved.filter((x) => wanted.has(x.key))) {
    const place = (room.lots.get(r.material) ?? []).find((l) => l.lot === r.lot && l.drawer === r.place)?.place;
    if (place === undefined || batch.kitId === null)
      throw conflict(`The reserved lot ${r.lotCode} is no longer in drawer ${r.place}. Reserve again.`);
    await db.query("DELETE FROM reservation WHERE batch_id = $1 AND key = $2 AND lot_id = $3", [id, r.key, r.lot]);
    await move(db, person, {
      lot: r.lot,
      quantity: r.quantity,
      from: place,
      to: batch.kitId,
      reason: "pulled",
      batch: id,
      key: r.key,
    });
  }
  const left = await row(db, "SELECT 1 FROM reservation WHERE batch_id = $1 LIMIT 1", [id]);
  if (!left) await db.query("UPDATE batch SET state = 'pulled', version = version + 1 WHERE id = $1", [id]);
  await logEvent(db, person, "batch", id, "pulled", `Pulled ${left ? "part of " : ""}the kit of batch ${batch.number}`);
}

export async function logPrep(
  db: EntityManager,
  person: Who,
  id: string,
  kind: PrepKind,
  component: string,
): Promise<void> {
  const batch = await lockedBatch(db, id, ["planned", "released", "pulled", "tying"]);
  const room = await readBatchRoom(db, id);
  const task = room.computed.prep.find((t) => t.kind === kind && t.component === component);
  if (!task) throw notFound("preparation");
  await db.query(
    "INSERT INTO batch_prep (batch_id, kind, component, person_id) VALUES ($1, $2, $3, $4) ON CONFLICT DO NOTHING",
    [id, kind, component, person.id],
  );
  if (kind === "mill blend") await millBlend(db, person, room, component);
  await logEvent(db, person, "batch", id, "prepared", `${task.title}, for batch ${batch.number}`);
}

/** Beyond what the batches need now: kept as stock for the next. */
const BLEND_RESERVE = 1.1;

/** Mills what is missing of a blend, and a reserve, in one charge: parts out of the drawers, one new lot of the blend in. */
async function millBlend(db: EntityManager, person: Who, room: BatchRoom, component: string): Promise<void> {
  const r = room.computed.requirements.find((x) => x.component === component);
  const blend = r && room.world.materials.get(r.material)?.blend;
  if (!r || !blend) throw notFound("blend");
  const missing = missingOf(room, r);
  const plan = allocateFor(r, missing, room.computed.batch.mixLots, room.lots);
  const need = (plan.short / basePerCore.ug) * BLEND_RESERVE;
  if (plan.short === 0) return;
  const charge = blendCharge(need, blend.leastChargeMg, blend.parts);
  const [millPlace, lots] = [await mill(db), await lotsInDrawers(db)];
  let made = 0;
  for (const [code, mg] of Object.entries(charge.parts)) {
    const part = room.world.materials.get(code);
    const unit = part?.unit ?? "ug";
    const quantity = ceilTo((part ? partQuantity(part, mg) : mg) * basePerCore[unit], issueStep[unit]);
    const taken = allocate({ quantity, mixLots: false }, lots.get(code) ?? []);
    if (taken.short > 0)
      throw conflict(
        `The mill needs ${quantityWords(quantity, unit)} of ${part?.name ?? code}; ${quantityWords(taken.short, unit)} is missing. Receive some first.`,
      );
    for (const t of taken.take)
      await move(db, person, {
        lot: t.lot,
        quantity: t.quantity,
        from: t.place,
        to: millPlace,
        reason: "milled",
        batch: room.computed.batch.id,
      });
    made += Math.ceil((mg * basePerCore.ug) / issueStep.ug) * issueStep.ug;
  }
  const drawer = await row<{ id: number }>(db, "SELECT drawer_id AS id FROM material WHERE code = $1", [r.material]);
  const lot = await insertLot(db, {
    code: `${r.material}-${room.computed.batch.number}-${Date.now().toString(36)}`,
    material: r.material,
    dyeLot: `mill ${room.computed.batch.number}`,
    batch: room.computed.batch.id,
  });
  await move(db, person, {
    lot,
    quantity: made,
    from: millPlace,
    to: drawer?.id ?? 0,
    reason: "milled",
    note: "blend made in one charge",
    batch: room.computed.batch.id,
  });
}

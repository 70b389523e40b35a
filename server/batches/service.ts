import { askedKey } from "@kasten/core/recipe";
import { mergeClaims, mostOwedFor, skuKey, splitClaims, type PrepKind } from "@kasten/core/batches";
import { quantityWords } from "@kasten/core/materials";
import { dozensText } from "@kasten/core/orders";
import { less, nothing } from "@kasten/core/units";
import type { Batch } from "@kasten/contract/batches";
import { isoInstant, type Db } from "../database/rows";
import { conflict, notFound, refused } from "../http/problems";
import {
  giveBack,
  lockLots,
  lockLotsOfBatch,
  lotsPutBy,
  markOpened,
  move,
  placeId,
  putBy,
  reservedRows,
} from "../ledger";
import { logEvent } from "../log";
import { currentVersions } from "../recipes";
import { readSettings, todayIn } from "../settings";
import { activePeople, nameOf } from "../team";
import { asksForClass, takeFor } from "./allocation";
import { breachesOf } from "./breaches";
import { dissolve, insertBatch, writeClaims } from "./claims";
import { owedOf } from "./compute";
import { exchange } from "./exchange";
import { gateOf } from "./gate";
import { readLearned } from "./knowledge";
import { changeBatch, lockedBatch, lockedOfFly, lockFlyOf } from "./lock";
import { prepare } from "./prepare";
import { batchById, NEVER_DUE, openBatches, type OpenBatch } from "./queries";
import { missingOf, readBatchRoom } from "./room";

type Who = { id: string };

const claimsOf = (b: OpenBatch) => b.claims.map((c) => ({ line: c.line, flies: c.flies }));

export async function split(db: Db, person: Who, id: string, flies: number, version: number): Promise<string> {
  const batch = await lockedBatch(db, id, ["planned"], version);
  const owed = owedOf(batch);
  if (flies >= owed) throw refused(`Batch ${batch.number} has ${dozensText(owed)}: split off fewer than that.`);
  const { off, stay } = splitClaims(claimsOf(batch), flies);
  const made = await insertBatch(db, batch, batch.asked, true);
  const { leave, use, methods, buy, kitParts, exceptions } = batch;
  await changeBatch(db, made, { leave, use, methods, buy, kitParts, exceptions });
  await writeClaims(db, made, off);
  await writeClaims(db, id, stay);
  await changeBatch(db, id, { held: true });
  const number = (await batchById(db, made))?.number ?? 0;
  const words = dozensText(flies);
  await logEvent(db, person, "batch", id, "split", `Split ${words} off batch ${batch.number} into batch ${number}`);
  await logEvent(db, person, "batch", made, "split", `Made of ${words} from batch ${batch.number}`);
  return made;
}

export async function merge(db: Db, person: Who, list: { id: string; version: number }[]): Promise<string> {
  const ids = [...new Set(list.map((b) => b.id))].sort();
  if (ids.length !== list.length) throw refused("One batch is named twice. Choose different batches to merge.");
  const kinds = await lockFlyOf(db, ids);
  if (new Set(kinds.map(skuKey)).size > 1)
    throw refused("Only batches of the same pattern, colour, weight form and size can be merged.");
  const versions = new Map(list.map((b) => [b.id, b.version]));
  const batches: OpenBatch[] = [];
  for (const id of ids) batches.push(await lockedOfFly(db, id, ["planned"], versions.get(id)));
  const [first, ...others] = batches.sort((a, b) => a.number - b.number);
  if (!first || others.length === 0) throw refused("Choose at least two batches to merge.");
  if (others.some((b) => askedKey(b.asked) !== askedKey(first.asked)))
    throw refused("Their lines ask for different flies: parts, materials or ways. They stay batches of their own.");
  const claims = mergeClaims([first, ...others].map(claimsOf));
  const settings = await readSettings(db);
  const outcomes = (await readLearned(db)).outcomes(first.pattern);
  const most = mostOwedFor(settings.tray, outcomes, settings.serviceLevel);
  const total = claims.reduce((sum, c) => sum + c.flies, 0);
  if (total > most)
    throw refused(
      `Together they are ${dozensText(total)}; a tray holds ${dozensText(most)} with the expected rejects.`,
    );
  for (const b of others) await dissolve(db, b.id);
  await writeClaims(db, first.id, claims);
  await changeBatch(db, first.id, { held: true, exceptions: [first, ...others].flatMap((b) => b.exceptions) });
  const numbers = others.map((b) => b.number).join(", ");
  const told = `Merged batch ${numbers} into batch ${first.number}: ${dozensText(total)}`;
  await logEvent(db, person, "batch", first.id, "merged", told);
  return first.id;
}

/** What may be chosen anew for a planned batch. */
export interface BatchChange {
  version: number;
  mode?: Batch["mode"];
  buy?: string[];
  mixLots?: boolean;
  methods?: Record<string, string>;
  leave?: string[];
  kitParts?: string[];
  use?: Record<string, string>;
  /** Bind it to the pattern's newest version. */
  renew?: true;
}

export async function edit(db: Db, person: Who, id: string, change: BatchChange): Promise<void> {
  const { version, renew, ...values } = change;
  const batch = await lockedBatch(db, id, ["planned"], version);
  const changesNeed = [change.buy, change.methods, change.leave, change.use, change.kitParts, renew].some(
    (c) => c !== undefined,
  );
  if (changesNeed) await giveBack(db, { batchId: id });
  const newest = renew ? (await currentVersions(db, [batch.pattern])).get(batch.pattern) : undefined;
  await changeBatch(db, id, { ...values, ...(newest !== undefined && { patternVersion: newest }) });
  const fault = changesNeed ? (await readBatchRoom(db, id)).computed.fault : undefined;
  if (fault && !renew) throw refused(fault);
  await logEvent(db, person, "batch", id, "changed", `Batch ${batch.number}: ${changeWords(change).join(", ")}`);
}

function changeWords(change: BatchChange): string[] {
  const words: string[] = [];
  if (change.mode) words.push(`tied ${change.mode}`);
  if (change.buy)
    words.push(change.buy.length > 0 ? `with bought ${change.buy.join(", ")}` : "with all parts made here");
  if (change.mixLots !== undefined) words.push(change.mixLots ? "dye lots may be mixed" : "dye lots are not mixed");
  if (change.methods) {
    const ways = Object.values(change.methods);
    words.push(ways.length > 0 ? `by ${ways.join(", ")}` : "by the pattern's own methods");
  }
  if (change.leave) words.push(change.leave.length > 0 ? `without ${change.leave.join(", ")}` : "with every part");
  if (change.use) {
    const used = Object.values(change.use);
    words.push(used.length > 0 ? `with ${used.join(", ")} in place of the original` : "of the original materials");
  }
  if (change.kitParts)
    words.push(
      change.kitParts.length > 0
        ? `with ${change.kitParts.join(", ")} from the drawer`
        : "with nothing made ready before",
    );
  if (change.renew) words.push("bound to the newest version of its pattern");
  return words;
}

/**
 * Lets what a person has read of a batch's breaches pass, by name and with the reason. What they did not read still
 * holds it back.
 */
export async function letPass(
  db: Db,
  person: Who,
  id: string,
  { version, rules, reason }: { version: number; rules: string[]; reason: string },
): Promise<void> {
  const batch = await lockedBatch(db, id, ["planned", "released", "pulled", "tying"], version);
  const room = await readBatchRoom(db, id);
  const breaches = breachesOf(room.world, room.computed);
  const read = breaches.filter((b) => rules.includes(b));
  if (read.length === 0)
    throw refused("Nothing of that speaks against this batch any more. Look at it again: perhaps it was changed.");
  const by = await nameOf(db, person.id);
  const exception = { rules: read, reason, by, at: isoInstant(new Date()) };
  await changeBatch(db, id, { exceptions: [...batch.exceptions, exception] });
  await logEvent(db, person, "batch", id, "let pass", `Let pass: ${read.join(" ")} Reason: ${reason}`);
}

/**
 * Reserves all that is there; says what is short. What others reserve at the same moment is theirs: the database
 * decides.
 */
export async function reserve(db: Db, person: Who, id: string): Promise<string[]> {
  const batch = await lockedBatch(db, id, ["planned", "released"]);
  const room = await readBatchRoom(db, id, { locks: true });
  if (room.computed.fault) throw refused(room.computed.fault);
  const short: string[] = [];
  let taken = 0;
  for (const r of room.computed.requirements) {
    const missing = missingOf(room, r);
    // Too few of a class are free: others may do as well with another.
    const exchanged = asksForClass(r, room.lots.get(r.material) ?? [])
      ? await exchange(db, person, room, r, missing)
      : nothing;
    const plan = exchanged > nothing ? { take: [], short: nothing } : takeFor(r, missing, batch.mixLots, room.lots);
    for (const t of plan.take)
      await putBy(db, { lotId: t.lot, placeId: t.place, quantity: t.quantity, batchId: id, key: r.key });
    taken += plan.take.length + exchanged;
    const left = exchanged > nothing ? less(missing, exchanged) : plan.short;
    if (left > nothing)
      short.push(`${quantityWords(left, r.unit)} of ${r.materialName}${r.area ? `, from the ${r.area}` : ""}`);
  }
  const but = short.length > 0 ? `, short of ${short.join(", ")}` : "";
  if (taken > 0)
    await logEvent(db, person, "batch", id, "reserved", `Reserved the materials of batch ${batch.number}${but}`);
  return short;
}

export async function unreserve(db: Db, person: Who, id: string): Promise<void> {
  const batch = await lockedBatch(db, id, ["planned"]);
  await giveBack(db, { batchId: id });
  await logEvent(db, person, "batch", id, "unreserved", `Gave back the reservations of batch ${batch.number}`);
}

/**
 * Gives back what all planned batches have put by and reserves anew, the earliest due first: when priorities have
 * changed. Released ones keep theirs. @returns how many batches, and how many of them are short of something
 */
export async function reserveAnew(db: Db, person: Who): Promise<{ batches: number; short: number }> {
  const planned = (await openBatches(db))
    .filter((b) => b.state === "planned")
    .sort((a, b) => dueOf(a).localeCompare(dueOf(b)) || a.number - b.number);
  await lockFlyOf(
    db,
    planned.map((b) => b.id),
  );
  for (const b of planned) await lockedOfFly(db, b.id, ["planned"]);
  await lockLots(db, await lotsPutBy(db));
  for (const b of planned) await giveBack(db, { batchId: b.id });
  let short = 0;
  for (const b of planned) {
    const room = await readBatchRoom(db, b.id);
    if (room.computed.fault) continue;
    if ((await reserve(db, person, b.id)).length > 0) short++;
  }
  return { batches: planned.length, short };
}

const dueOf = (b: OpenBatch): string => b.claims.map((c) => c.due).sort()[0] ?? NEVER_DUE;

export async function release(db: Db, person: Who, id: string, version: number): Promise<void> {
  const batch = await lockedBatch(db, id, ["planned"], version);
  const room = await readBatchRoom(db, id);
  const reasons = gateOf(room, await activePeople(db));
  if (reasons.length > 0) throw refused(reasons.join(" "));
  const { starts, owed } = room.computed.batch;
  const kitId = await placeId(db, "kit", `KIT-${batch.number}`, `Kit of batch ${batch.number}`);
  await changeBatch(db, id, { state: "released", starts, kitId });
  const told = `Released batch ${batch.number}: ${starts} flies to start for ${dozensText(owed)}`;
  await logEvent(db, person, "batch", id, "released", told);
}

/** What was ticked off leaves the drawers for the kit; when nothing reserved is left, the batch is pulled. */
export async function pull(db: Db, person: Who, id: string, keys: string[]): Promise<void> {
  const batch = await lockedBatch(db, id, ["released"]);
  const { kitId } = batch;
  if (kitId === null) throw conflict(`Batch ${batch.number} has no kit. Take the release back and release it again.`);
  await lockLotsOfBatch(db, id);
  const reserved = await reservedRows(db, id);
  const wanted = new Set(keys);
  const [ticked, left] = [true, false].map((t) => reserved.filter((x) => wanted.has(x.key) === t));
  for (const r of ticked ?? []) {
    await giveBack(db, { batchId: id, key: r.key, lotId: r.lot });
    const moved = { lot: r.lot, quantity: r.quantity, from: r.placeId, to: kitId };
    await move(db, person, { ...moved, reason: "pulled", batch: id, key: r.key });
  }
  const opened = (ticked ?? []).map((r) => r.lot);
  await markOpened(db, opened, todayIn((await readSettings(db)).timeZone));
  const isWhole = left?.length === 0;
  if (isWhole) await changeBatch(db, id, { state: "pulled" });
  await logEvent(
    db,
    person,
    "batch",
    id,
    "pulled",
    `Pulled ${isWhole ? "" : "part of "}the kit of batch ${batch.number}`,
  );
}

export async function logPrep(db: Db, person: Who, id: string, kind: PrepKind, component: string): Promise<void> {
  const { computed } = await readBatchRoom(db, id);
  const task = computed.prep.find((t) => t.kind === kind && t.component === component);
  if (!task) throw notFound("preparation");
  await prepare(db, person, { kind, material: task.material, batches: [id] });
}

import { addDays, format, parseISO } from "date-fns";
import { quantityWords } from "@kasten/core/materials";
import { quantity, sumOf, type Quantity } from "@kasten/core/units";
import { freightOf } from "@kasten/core/purchasing";
import type {
  cancelPurchase,
  confirmPurchase,
  editPurchase,
  receivePurchase,
  writePurchase,
  Purchase,
} from "@kasten/contract/purchasing";
import type { BodyOf, ReplyOf } from "@kasten/contract/http";
import { insert, insertAll, isoInstant, locked, update, type Db } from "../database/rows";
import { conflict, fieldProblem, notFound, refused } from "../http/problems";
import { stale } from "../http/versions";
import { freeLotCode, insertLot, move, placeId } from "../ledger";
import { logEvent } from "../log";
import { materialEntity } from "../materials";
import {
  materialSourceEntity,
  purchaseLineEntity,
  purchaseOrderEntity,
  supplierEntity,
  type PurchaseLineRow,
  type PurchaseOrderRow,
  type PurchaseState,
  type SupplierRow,
} from "../purchasing";
import { readSettings, todayIn } from "../settings";
import { simulatedSupplier, type SentOrder, type SupplierParcel } from "../standins";
import { batchesWaitingFor, purchaseRows } from "./queries";

type Who = { id: string };

/** Purchase orders with their lines: those that are open and the newest that are done, or one. */
export async function readPurchases(db: Db, id?: string): Promise<Purchase[]> {
  return (await purchaseRows(db, id)).map(({ lines, ...p }) => {
    const shown = lines.map((l) => ({
      ...l,
      packWords: quantityWords(l.pack as Quantity, l.unit),
      ordered: l.packs * l.pack,
    }));
    return {
      ...p,
      writtenAt: isoInstant(p.writtenAt),
      sentAt: p.sentAt && isoInstant(p.sentAt),
      doneAt: p.doneAt && isoInstant(p.doneAt),
      goodsCents: shown.reduce((sum, l) => sum + l.packs * l.packCents, 0),
      lines: shown,
    };
  });
}

export async function onePurchase(db: Db, id: string): Promise<Purchase> {
  const [found] = await readPurchases(db, id);
  if (!found) throw notFound("purchase order");
  return found;
}

async function supplierOf(db: Db, id: string): Promise<SupplierRow> {
  const supplier = await db.getRepository(supplierEntity).findOneBy({ id });
  if (!supplier) throw fieldProblem("Not written", "supplierId", "There is no such supplier any more. Choose another.");
  return supplier;
}

type Ordered = BodyOf<typeof writePurchase>["lines"];

async function writeLines(db: Db, orderId: string, supplier: SupplierRow, lines: Ordered): Promise<number> {
  const rows: Partial<PurchaseLineRow>[] = [];
  for (const [i, { material: code, pack, ...l }] of lines.entries()) {
    const material = await db.getRepository(materialEntity).findOneBy({ code });
    if (!material)
      throw fieldProblem("Not written", `lines.${i}.material`, "There is no such material. Choose another.");
    rows.push({ orderId, materialCode: code, pack: quantity(pack, material.unit), ...l });
  }
  await insertAll(db, purchaseLineEntity, rows);
  const goods = lines.reduce((sum, l) => sum + l.packs * l.packCents, 0);
  return freightOf(termsOf(supplier), goods);
}

export const termsOf = (s: SupplierRow) => ({
  id: s.id,
  minimumCents: s.minimumCents,
  freight: { cents: s.freightCents, ...(s.freeFromCents !== null && { freeFromCents: s.freeFromCents }) },
});

export async function write(
  db: Db,
  person: Who,
  body: BodyOf<typeof writePurchase>,
): Promise<ReplyOf<typeof writePurchase>> {
  const supplier = await supplierOf(db, body.supplierId);
  const { id } = await insert(db, purchaseOrderEntity, {
    supplierId: supplier.id,
    personId: person.id,
    note: body.note,
    state: "draft",
  });
  const freightCents = await writeLines(db, id, supplier, body.lines);
  await update(db, purchaseOrderEntity, { id }, { freightCents });
  const { number } = await db.getRepository(purchaseOrderEntity).findOneByOrFail({ id });
  await logEvent(db, person, "purchase", id, "written", `Wrote purchase order ${number} to ${supplier.name}`);
  return { id, number };
}

/** An order locked until the transaction ends, in the version that the person saw and in a state that allows it. */
async function lockedOrder(
  db: Db,
  id: string,
  version: number,
  states: PurchaseState[],
): Promise<PurchaseOrderRow & { supplier: SupplierRow }> {
  const order = await locked(db, purchaseOrderEntity, { id });
  if (!order) throw notFound("purchase order");
  if (order.version !== version) throw stale(order.version, order, {}, ["state", "confirmedOn", "note"]);
  if (!states.includes(order.state))
    throw conflict(`Purchase order ${order.number} is ${order.state}; this is for one that is ${states.join(" or ")}.`);
  return { ...order, supplier: await db.getRepository(supplierEntity).findOneByOrFail({ id: order.supplierId }) };
}

export async function edit(db: Db, person: Who, id: string, body: BodyOf<typeof editPurchase>): Promise<void> {
  const order = await lockedOrder(db, id, body.version, ["draft"]);
  await db.getRepository(purchaseLineEntity).delete({ orderId: id });
  const freightCents = await writeLines(db, id, order.supplier, body.lines);
  await update(db, purchaseOrderEntity, { id }, { note: body.note, freightCents });
  await logEvent(db, person, "purchase", id, "changed", `Changed purchase order ${order.number}`);
}

/** The order as the supplier is asked it. */
async function asSent(db: Db, order: PurchaseOrderRow, sentOn: string): Promise<SentOrder> {
  const lines = await db.getRepository(purchaseLineEntity).find({ where: { orderId: order.id }, order: { id: "ASC" } });
  const sources = await db.getRepository(materialSourceEntity).findBy({ supplierId: order.supplierId });
  const days = new Map(sources.map((s) => [s.materialCode, s.leadDays]));
  return {
    number: order.number,
    supplier: order.supplierId,
    sentOn,
    usualDays: Math.max(UNKNOWN_DAYS, ...lines.map((l) => days.get(l.materialCode) ?? UNKNOWN_DAYS)),
    lines: lines.map((l) => ({
      id: l.id,
      material: l.materialCode,
      packs: l.packs,
      pack: l.pack,
      dyeLot: l.dyeLot,
    })),
  };
}

/** Where nobody has said how long they take. */
const UNKNOWN_DAYS = 1;

export async function send(db: Db, person: Who, id: string, version: number, now = new Date()): Promise<void> {
  const order = await lockedOrder(db, id, version, ["draft"]);
  const { supplier } = order;
  const goods = (await onePurchase(db, id)).goodsCents;
  if (goods < supplier.minimumCents)
    throw refused(
      `${supplier.name} sends nothing below ${(supplier.minimumCents / 100).toFixed(2)}; this comes to ${(goods / 100).toFixed(2)}. Add something, or buy it elsewhere.`,
    );
  const today = todayIn((await readSettings(db)).timeZone, now);
  const sent = await asSent(db, order, today);
  const expectedOn = format(addDays(parseISO(today), sent.usualDays), "yyyy-MM-dd");
  const answer = supplier.byLetter ? undefined : simulatedSupplier.answer(sent);
  await update(
    db,
    purchaseOrderEntity,
    { id },
    {
      state: answer ? "confirmed" : "sent",
      sentAt: now,
      expectedOn,
      confirmedOn: answer?.confirmedOn ?? null,
      answer: answer?.words ?? "",
    },
  );
  const told = answer ? `${supplier.name} says ${answer.confirmedOn}: ${answer.words}` : "posted as a letter";
  await logEvent(db, person, "purchase", id, "sent", `Sent purchase order ${order.number}; ${told}`);
}

export async function confirm(db: Db, person: Who, id: string, body: BodyOf<typeof confirmPurchase>): Promise<void> {
  const order = await lockedOrder(db, id, body.version, ["sent", "confirmed"]);
  await update(
    db,
    purchaseOrderEntity,
    { id },
    { state: "confirmed", confirmedOn: body.day, ...(body.answer && { answer: body.answer }) },
  );
  const told = `${order.supplier.name} says ${body.day} for purchase order ${order.number}`;
  await logEvent(db, person, "purchase", id, "confirmed", told);
}

export async function cancel(db: Db, person: Who, id: string, body: BodyOf<typeof cancelPurchase>): Promise<void> {
  const order = await lockedOrder(db, id, body.version, ["draft", "sent", "confirmed"]);
  const lines = await db.getRepository(purchaseLineEntity).findBy({ orderId: id });
  if (lines.some((l) => l.received > 0))
    throw refused(`Part of purchase order ${order.number} has come already. Close its lines instead.`);
  await update(db, purchaseOrderEntity, { id }, { state: "cancelled", doneAt: new Date() });
  await logEvent(db, person, "purchase", id, "cancelled", `Cancelled purchase order ${order.number}: ${body.reason}`);
}

/** What the supplier's own note says of the parcel, for what has not come yet. */
export async function deliveryNote(db: Db, id: string): Promise<SupplierParcel> {
  const order = await db.getRepository(purchaseOrderEntity).findOneBy({ id });
  if (!order) throw notFound("purchase order");
  if (!order.sentAt) throw refused(`Purchase order ${order.number} is not sent yet.`);
  const sent = await asSent(db, order, isoInstant(order.sentAt).slice(0, 10));
  const parcel = simulatedSupplier.parcel(sent);
  const had = new Map(
    (await db.getRepository(purchaseLineEntity).findBy({ orderId: id })).map((l) => [l.id, l.received]),
  );
  const isFirst = [...had.values()].every((q) => q === 0);
  if (isFirst) return parcel;
  // What was short in the first parcel comes in the next.
  return {
    note: "",
    lines: parcel.lines.flatMap((l) => {
      const asked = sent.lines.find((s) => s.id === l.id);
      const left = (asked ? asked.packs * asked.pack : 0) - (had.get(l.id) ?? 0);
      return left > 0 ? [{ ...l, quantity: left, lot: `${l.lot}-2` }] : [];
    }),
  };
}

type ReceivedLine = BodyOf<typeof receivePurchase>["lines"][number];

/**
 * Takes in a delivery: what is kept becomes a lot in the drawer of its material, what goes back is noted. An order of
 * which nothing more is expected is done.
 */
export async function receive(
  db: Db,
  person: Who,
  id: string,
  body: BodyOf<typeof receivePurchase>,
): Promise<ReplyOf<typeof receivePurchase>> {
  const order = await lockedOrder(db, id, body.version, ["sent", "confirmed"]);
  const lines = await db.getRepository(purchaseLineEntity).find({ where: { orderId: id }, order: { id: "ASC" } });
  const lots: { id: string; code: string }[] = [];
  const told: string[] = [];
  for (const [i, r] of body.lines.entries()) {
    const line = lines.find((l) => l.id === r.line);
    if (!line)
      throw fieldProblem("Not received", `lines.${i}.line`, `That belongs to another order than ${order.number}.`);
    const made = await takeIn(db, person, order, line, r, i);
    if (made) lots.push(made.lot);
    told.push(...(made ? [made.told] : []), ...(r.returned > 0 ? [`sent ${line.materialCode} back: ${r.reason}`] : []));
    const received = sumOf([line.received, r.accepted as Quantity]);
    line.received = received;
    line.closed = r.close || received >= line.packs * line.pack;
    await update(db, purchaseLineEntity, { id: line.id }, { received, closed: line.closed });
  }
  const isDone = lines.every((l) => l.closed);
  await update(db, purchaseOrderEntity, { id }, isDone ? { state: "received", doneAt: new Date() } : {});
  const sentence = `Took in ${isDone ? "" : "part of "}purchase order ${order.number} from ${order.supplier.name}: ${told.join(", ") || "nothing"}`;
  await logEvent(db, person, "purchase", id, "received", sentence);
  const materials = lines.filter((l) => body.lines.some((r) => r.line === l.id)).map((l) => l.materialCode);
  return { lots, waiting: await batchesWaitingFor(db, materials) };
}

/** One line of a delivery, as a new lot. Nothing accepted makes none. */
async function takeIn(
  db: Db,
  person: Who,
  order: PurchaseOrderRow & { supplier: SupplierRow },
  line: PurchaseLineRow,
  r: ReceivedLine,
  at: number,
): Promise<{ lot: { id: string; code: string }; told: string } | undefined> {
  if (r.accepted === 0) return undefined;
  const material = await db.getRepository(materialEntity).findOneByOrFail({ code: line.materialCode });
  const much = quantity(r.accepted, material.unit);
  const most = line.packs * line.pack * MOST_OVER;
  if (line.received + much > most)
    throw fieldProblem(
      "Not received",
      `lines.${at}.accepted`,
      `${quantityWords(quantity(line.packs * line.pack, material.unit), material.unit)} were ordered; that would be more than twice as much. Look at the unit.`,
    );
  const code = r.lot || (await freeLotCode(db, `${line.materialCode}-P${order.number}`));
  const lot = await insertLot(db, {
    code,
    material: material.code,
    dyeLot: r.dyeLot,
    grade: r.grade,
    side: r.side,
    barb: r.barb,
    papers: r.papers,
    apartUntil: r.apartUntil,
    supplierId: order.supplierId,
    priceCents: Math.round((line.packCents * much) / line.pack),
    priceFor: much,
    purchaseLineId: line.id,
  });
  const from = await placeId(db, "supplier", `SUP-${order.supplier.name}`, order.supplier.name);
  const note = `purchase order ${order.number}`;
  await move(db, person, { lot, quantity: much, from, to: material.drawerId, reason: "received", note });
  return { lot: { id: lot, code }, told: `${quantityWords(much, material.unit)} of ${material.name}, lot ${code}` };
}

const MOST_OVER = 2;

import { dozensText } from "@kasten/core/orders";
import { less, lesser, nothing, quantity, type Quantity } from "@kasten/core/units";
import { boxFlies, listBox, sendParcel } from "@kasten/contract/box";
import type { ReplyOf } from "@kasten/contract/http";
import { customerEntity } from "../customers";
import { locked, update, type Db } from "../database/rows";
import type { Register } from "../http/handle";
import { conflict, notFound, refused } from "../http/problems";
import { giveBack, move, placeId, putBy, putByFor } from "../ledger";
import { logEvent } from "../log";
import { orderEntity } from "../orders";
import { parcelEntity } from "./entities";
import { lockedLine, openParcelOf, openParcels, ordersInParcel, readyLines } from "./queries";

type Who = { id: string };
type Customers = ReplyOf<typeof listBox>["customers"];

async function boxOf(db: Db): Promise<Customers> {
  const customers = new Map<string, Customers[number]>();
  const of = (id: string, name: string, note: string) => {
    const known = customers.get(id) ?? { customer: id, name, note, lines: [], parcel: null };
    customers.set(id, known);
    return known;
  };
  for (const { customer, name, note, ...line } of await readyLines(db)) of(customer, name, note).lines.push(line);
  for (const { customer, name, note, ...parcel } of await openParcels(db)) of(customer, name, note).parcel = parcel;
  return [...customers.values()];
}

/** Ready flies of a line go into the customer's open parcel; one is begun when there is none. */
async function boxLine(db: Db, person: Who, line: string, flies: number): Promise<string> {
  const l = await lockedLine(db, line);
  if (!l) throw notFound("order line");
  const put = await putByFor(db, line);
  const there = put.reduce((sum, r) => sum + r.quantity, 0);
  if (flies > there)
    throw refused(`${there} flies of ${l.pattern} ${l.size} are ready for order ${l.order}; ${flies} cannot be boxed.`);
  const parcel = await openParcelOf(db, l.customer);
  if (!parcel) throw conflict("The parcel was sent just now. Look again.");
  const to = await placeId(db, "customer", `CU-${l.customer}`, l.name);
  let open: Quantity = quantity(flies, "count");
  for (const r of put) {
    const taken = lesser(open, r.quantity);
    if (taken === nothing) break;
    await giveBack(db, { id: r.id });
    const stays = less(r.quantity, taken);
    if (stays > nothing) await putBy(db, { lotId: r.lotId, placeId: r.placeId, quantity: stays, orderLineId: line });
    const boxed = { lot: r.lotId, quantity: taken, from: r.placeId, to };
    await move(db, person, { ...boxed, reason: "boxed", line, parcel: parcel.id });
    open = less(open, taken);
  }
  const told = `Boxed ${dozensText(flies)} ${l.pattern} ${l.size} into parcel ${parcel.number}`;
  await logEvent(db, person, "order", l.orderId, "boxed", told);
  return parcel.id;
}

async function send(db: Db, person: Who, id: string): Promise<void> {
  const parcel = await locked(db, parcelEntity, { id });
  if (!parcel) throw notFound("parcel");
  if (parcel.sentAt) throw conflict("That parcel has been sent already.");
  const { name } = await db.getRepository(customerEntity).findOneByOrFail({ id: parcel.customerId });
  await update(db, parcelEntity, { id }, { sentAt: new Date() });
  const told = `Sent parcel ${parcel.number} to ${name}`;
  for (const o of await ordersInParcel(db, id)) {
    const rest =
      o.open > 0 ? `${dozensText(o.open)} of order ${o.number} still to come` : `order ${o.number} is complete`;
    await logEvent(db, person, "order", o.id, "sent", `${told}; ${rest}`);
    if (o.open === 0) await update(db, orderEntity, { id: o.id }, { closedAt: new Date() });
  }
  await logEvent(db, person, "parcel", id, "sent", told);
}

export function boxRoutes(register: Register): void {
  register(listBox, async ({ db }) => ({ customers: await boxOf(db) }));
  register(boxFlies, async ({ db, person, body }) => {
    let parcel = "";
    for (const l of body.lines) parcel = await boxLine(db, person, l.line, l.flies);
    return { parcel };
  });
  register(sendParcel, async ({ db, person, params }) => {
    await send(db, person, params.id);
    return { ok: true as const };
  });
}

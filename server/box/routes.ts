import { dozensText } from "@kasten/core/orders";
import { less, lesser, nothing, quantity, type Quantity } from "@kasten/core/units";
import { boxFlies, listBox, sendParcel } from "@kasten/contract/box";
import type { ReplyOf } from "@kasten/contract/http";
import { lockFlies } from "../batches";
import { customerEntity } from "../customers";
import { locked, update, type Db } from "../database/rows";
import type { Register } from "../http/handle";
import { conflict, notFound, refused } from "../http/problems";
import { giveBack, lockLots, move, placeId, putBy, putByFor } from "../ledger";
import { logEvent } from "../log";
import { orderEntity } from "../orders";
import { parcelEntity } from "./entities";
import { boxableLines, openParcelOf, openParcels, ordersInParcel, readyLines, type BoxableLine } from "./queries";

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

/**
 * Ready flies go into the open parcels of their customers; one is begun where there is none. Parcels are locked first,
 * so that none is sent meanwhile, then the kinds of flies.
 * @returns the parcel of the last line
 */
async function boxLines(db: Db, person: Who, wanted: { line: string; flies: number }[]): Promise<string> {
  const found = new Map(
    (
      await boxableLines(
        db,
        wanted.map((w) => w.line),
      )
    ).map((l) => [l.line, l]),
  );
  if (wanted.some((w) => !found.has(w.line))) throw notFound("order line");
  const parcels = new Map<string, { id: string; number: number }>();
  for (const customer of [...new Set([...found.values()].map((l) => l.customer))].sort()) {
    const parcel = await openParcelOf(db, customer);
    if (!parcel) throw conflict("The parcel was sent just now. Look again.");
    parcels.set(customer, parcel);
  }
  await lockFlies(db, [...found.values()]);
  let last = "";
  for (const { line, flies } of [...wanted].sort((a, b) => a.line.localeCompare(b.line))) {
    const l = found.get(line);
    const parcel = l && parcels.get(l.customer);
    if (!l || !parcel) throw notFound("order line");
    await boxLine(db, person, l, flies, parcel);
    last = parcel.id;
  }
  return last;
}

async function boxLine(
  db: Db,
  person: Who,
  l: BoxableLine,
  flies: number,
  parcel: { id: string; number: number },
): Promise<void> {
  const { line } = l;
  const put = await putByFor(db, line);
  const there = put.reduce((sum, r) => sum + r.quantity, 0);
  if (flies > there)
    throw refused(
      `${there} flies of ${l.patternName} ${l.size} are ready for order ${l.order}; ${flies} cannot be boxed.`,
    );
  const to = await placeId(db, "customer", `CU-${l.customer}`, l.name);
  await lockLots(
    db,
    put.map((r) => r.lotId),
  );
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
  const told = `Boxed ${dozensText(flies)} ${l.patternName} ${l.size} into parcel ${parcel.number}`;
  await logEvent(db, person, "order", l.orderId, "boxed", told);
}

async function send(db: Db, person: Who, id: string): Promise<void> {
  const parcel = await locked(db, parcelEntity, { id });
  if (!parcel) throw notFound("parcel");
  if (parcel.sentAt) throw conflict("That parcel has been sent already.");
  const { name } = await db.getRepository(customerEntity).findOneByOrFail({ id: parcel.customerId });
  // By the database's clock, as movements have it, and now that nobody boxes into it any more.
  await db
    .createQueryBuilder()
    .update(parcelEntity)
    .set({ sentAt: () => "clock_timestamp()" })
    .where({ id })
    .execute();
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
  register(boxFlies, async ({ db, person, body }) => ({ parcel: await boxLines(db, person, body.lines) }));
  register(sendParcel, async ({ db, person, params }) => {
    await send(db, person, params.id);
    return { ok: true as const };
  });
}

import { dozensText } from "@kasten/core/orders";
import { boxFlies, listBox, sendParcel } from "@kasten/contract/box";
import type { ReplyOf } from "@kasten/contract/http";
import type { EntityManager } from "typeorm";
import { row, rows } from "../database/source";
import type { Register } from "../http/handle";
import { logEvent } from "../http/log";
import { conflict, notFound, refused } from "../http/problems";
import { move, placeId } from "../stock";

type Customers = ReplyOf<typeof listBox>["customers"];

const ready = (db: EntityManager) =>
  rows<Customers[number]["lines"][number] & { customer: string; name: string; note: string }>(
    db,
    `SELECT c.id AS customer, c.name, c.note, l.id AS line, o.number AS "order", o.id AS "orderId", l.pattern_id AS pattern, p.name AS "patternName", l.variant, l.form, l.size, o.due, l.flies AS owed,
       COALESCE(rd.n, 0) AS ready, COALESCE(bx.n, 0) AS boxed
     FROM order_line l JOIN customer_order o ON o.id = l.order_id JOIN customer c ON c.id = o.customer_id JOIN pattern p ON p.id = l.pattern_id
     LEFT JOIN LATERAL (SELECT sum(r.quantity)::int AS n FROM reservation r WHERE r.order_line_id = l.id) rd ON true
     LEFT JOIN LATERAL (SELECT sum(m.quantity)::int AS n FROM movement m JOIN place t ON t.id = m.to_place WHERE m.order_line_id = l.id AND t.kind = 'customer') bx ON true
     WHERE o.closed_at IS NULL AND NOT l.cancelled AND (rd.n > 0 OR EXISTS (SELECT 1 FROM parcel pa WHERE pa.customer_id = c.id AND pa.sent_at IS NULL)) ORDER BY o.due, o.number, l.position`,
  );

const openParcels = (db: EntityManager) =>
  rows<{
    id: string;
    number: number;
    customer: string;
    name: string;
    note: string;
    contents: NonNullable<Customers[number]["parcel"]>["contents"];
  }>(
    db,
    `SELECT pa.id, pa.number, pa.customer_id AS customer, c.name, c.note, COALESCE(ct.contents, '[]') AS contents FROM parcel pa JOIN customer c ON c.id = pa.customer_id
     LEFT JOIN LATERAL (
       SELECT json_agg(x ORDER BY x."order") AS contents FROM (
         SELECT l.pattern_id AS pattern, p.name AS "patternName", l.variant, l.form, l.size, o.number AS "order", sum(m.quantity)::int AS flies
         FROM movement m JOIN order_line l ON l.id = m.order_line_id JOIN customer_order o ON o.id = l.order_id JOIN pattern p ON p.id = l.pattern_id WHERE m.parcel_id = pa.id GROUP BY 1, 2, 3, 4, 5, 6) x
     ) ct ON true WHERE pa.sent_at IS NULL`,
  );

async function boxOf(db: EntityManager): Promise<Customers> {
  const customers = new Map<string, Customers[number]>();
  const of = (id: string, name: string, note: string) => {
    const known = customers.get(id) ?? { customer: id, name, note, lines: [], parcel: null };
    customers.set(id, known);
    return known;
  };
  for (const { customer, name, note, ...line } of await ready(db)) of(customer, name, note).lines.push(line);
  for (const { customer, name, note, ...parcel } of await openParcels(db)) of(customer, name, note).parcel = parcel;
  return [...customers.values()];
}

/** Ready flies of a line go into the customer's open parcel; one is begun when there is none. */
async function boxLine(db: EntityManager, person: { id: string }, line: string, flies: number): Promise<string> {
  const l = await row<{
    customer: string;
    name: string;
    orderId: string;
    order: number;
    pattern: string;
    size: string;
  }>(
    db,
    `SELECT c.id AS customer, c.name, o.id AS "orderId", o.number AS "order", p.name AS pattern, l.size FROM order_line l JOIN customer_order o ON o.id = l.order_id JOIN customer c ON c.id = o.customer_id JOIN pattern p ON p.id = l.pattern_id WHERE l.id = $1 FOR UPDATE OF l`,
    [line],
  );
  if (!l) throw notFound("order line");
  const put = await rows<{ id: string; lot: string; place: number; quantity: number }>(
    db,
    "SELECT id, lot_id AS lot, place_id AS place, quantity FROM reservation WHERE order_line_id = $1 ORDER BY id",
    [line],
  );
  const there = put.reduce((sum, r) => sum + r.quantity, 0);
  if (flies > there)
    throw refused(`${there} flies of ${l.pattern} ${l.size} are ready for order ${l.order}; ${flies} cannot be boxed.`);
  await db.query(
    "INSERT INTO parcel (customer_id) VALUES ($1) ON CONFLICT (customer_id) WHERE sent_at IS NULL DO NOTHING",
    [l.customer],
  );
  const parcel = await row<{ id: string; number: number }>(
    db,
    "SELECT id, number FROM parcel WHERE customer_id = $1 AND sent_at IS NULL",
    [l.customer],
  );
  if (!parcel) throw conflict("The parcel was sent just now. Look again.");
  const customer = await placeId(db, "customer", `CU-${l.customer}`, l.name);
  let open = flies;
  for (const r of put) {
    const taken = Math.min(open, r.quantity);
    if (taken === 0) break;
    await db.query("DELETE FROM reservation WHERE id = $1", [r.id]);
    if (r.quantity > taken)
      await db.query("INSERT INTO reservation (lot_id, place_id, quantity, order_line_id) VALUES ($1, $2, $3, $4)", [
        r.lot,
        r.place,
        r.quantity - taken,
        line,
      ]);
    await move(db, person, {
      lot: r.lot,
      quantity: taken,
      from: r.place,
      to: customer,
      reason: "boxed",
      line,
      parcel: parcel.id,
    });
    open -= taken;
  }
  await logEvent(
    db,
    person,
    "order",
    l.orderId,
    "boxed",
    `Boxed ${dozensText(flies)} ${l.pattern} ${l.size} into parcel ${parcel.number}`,
  );
  return parcel.id;
}

async function send(db: EntityManager, person: { id: string }, id: string): Promise<void> {
  const parcel = await row<{ number: number; name: string }>(
    db,
    "SELECT pa.number, c.name FROM parcel pa JOIN customer c ON c.id = pa.customer_id WHERE pa.id = $1 AND pa.sent_at IS NULL FOR UPDATE OF pa",
    [id],
  );
  if (!parcel) throw conflict("That parcel has been sent already.");
  await db.query("UPDATE parcel SET sent_at = now() WHERE id = $1", [id]);
  const orders = await rows<{ id: string; number: number; open: number }>(
    db,
    `SELECT o.id, o.number, (SELECT COALESCE(sum(l.flies - COALESCE((SELECT sum(m.quantity) FROM movement m JOIN place t ON t.id = m.to_place WHERE m.order_line_id = l.id AND t.kind = 'customer'), 0)), 0)::int FROM order_line l WHERE l.order_id = o.id AND NOT l.cancelled) AS open
     FROM customer_order o WHERE o.id IN (SELECT l.order_id FROM movement m JOIN order_line l ON l.id = m.order_line_id WHERE m.parcel_id = $1)`,
    [id],
  );
  for (const o of orders) {
    await logEvent(
      db,
      person,
      "order",
      o.id,
      "sent",
      `Sent parcel ${parcel.number} to ${parcel.name}${o.open > 0 ? `; ${dozensText(o.open)} of order ${o.number} still to come` : `; order ${o.number} is complete`}`,
    );
    if (o.open === 0)
      await db.query("UPDATE customer_order SET closed_at = now(), version = version + 1 WHERE id = $1", [o.id]);
  }
  await logEvent(db, person, "parcel", id, "sent", `Sent parcel ${parcel.number} to ${parcel.name}`);
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

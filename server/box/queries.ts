import type { listBox } from "@kasten/contract/box";
import type { ReplyOf } from "@kasten/contract/http";
import { row, rows, type Db } from "../database/rows";
import type { FlyKind } from "../ledger";
import { orderLineEntity } from "../orders";

type BoxCustomer = ReplyOf<typeof listBox>["customers"][number];
type OfCustomer = { customer: string; name: string; note: string };

/** Lines with flies that are ready, or whose customer has an open parcel. */
export const readyLines = (db: Db): Promise<(BoxCustomer["lines"][number] & OfCustomer)[]> =>
  rows(
    db,
    `SELECT c.id AS customer, c.name, c.note, l.id AS line, o.number AS "order", o.id AS "orderId",
       l.pattern_id AS pattern, p.name AS "patternName", l.variant, l.form, l.size, COALESCE(l.due, o.due) AS due,
       l.wishes, l.asked, ARRAY_TO_JSON(ARRAY(
         SELECT o.exception WHERE o.exception IS NOT NULL UNION ALL
         SELECT e FROM batch_claim bc JOIN batch b ON b.id = bc.batch_id, jsonb_array_elements(b.exceptions) e
         WHERE bc.order_line_id = l.id)) AS exceptions, l.flies AS owed, pr.ready, pr.boxed
     FROM order_line l JOIN customer_order o ON o.id = l.order_id JOIN customer c ON c.id = o.customer_id
     JOIN pattern p ON p.id = l.pattern_id JOIN line_progress pr ON pr.line_id = l.id
     WHERE o.closed_at IS NULL AND NOT l.cancelled AND (pr.ready > 0
       OR EXISTS (SELECT 1 FROM parcel pa WHERE pa.customer_id = c.id AND pa.sent_at IS NULL))
     ORDER BY COALESCE(l.due, o.due), o.number, l.position`,
  );

/** Open parcels with what lies in them. */
export const openParcels = (db: Db): Promise<(NonNullable<BoxCustomer["parcel"]> & OfCustomer)[]> =>
  rows(
    db,
    `SELECT pa.id, pa.number, pa.customer_id AS customer, c.name, c.note, COALESCE(ct.contents, '[]') AS contents
     FROM parcel pa JOIN customer c ON c.id = pa.customer_id
     LEFT JOIN LATERAL (
       SELECT json_agg(x ORDER BY x."order") AS contents FROM (
         SELECT l.pattern_id AS pattern, p.name AS "patternName", l.variant, l.form, l.size, o.number AS "order",
           sum(m.quantity)::int AS flies
         FROM movement m JOIN order_line l ON l.id = m.order_line_id JOIN customer_order o ON o.id = l.order_id
         JOIN pattern p ON p.id = l.pattern_id WHERE m.parcel_id = pa.id GROUP BY 1, 2, 3, 4, 5, 6) x
     ) ct ON true WHERE pa.sent_at IS NULL`,
  );

export interface BoxableLine extends FlyKind {
  line: string;
  customer: string;
  name: string;
  orderId: string;
  order: number;
  patternName: string;
}

/** The lines that flies are boxed for, as they stand: a line that is not there is left out. */
export const boxableLines = (db: Db, lines: string[]): Promise<BoxableLine[]> =>
  db
    .createQueryBuilder(orderLineEntity, "l")
    .innerJoin("customer_order", "o", "o.id = l.orderId")
    .innerJoin("customer", "c", "c.id = o.customerId")
    .innerJoin("pattern", "p", "p.id = l.patternId")
    .select("l.id", "line")
    .addSelect("c.id", "customer")
    .addSelect("c.name", "name")
    .addSelect("o.id", "orderId")
    .addSelect("o.number", "order")
    .addSelect("p.name", "patternName")
    .addSelect("l.patternId", "pattern")
    .addSelect("l.variant", "variant")
    .addSelect("l.form", "form")
    .addSelect("l.size", "size")
    .where("l.id = ANY(:lines)", { lines })
    .getRawMany();

/** The customer's open parcel, locked; begun when there is none, undefined when it was sent just now. */
export async function openParcelOf(db: Db, customer: string): Promise<{ id: string; number: number } | undefined> {
  await db.query(
    "INSERT INTO parcel (customer_id) VALUES ($1) ON CONFLICT (customer_id) WHERE sent_at IS NULL DO NOTHING",
    [customer],
  );
  return row(db, "SELECT id, number FROM parcel WHERE customer_id = $1 AND sent_at IS NULL FOR NO KEY UPDATE", [
    customer,
  ]);
}

/** Orders of which flies lie in a parcel, locked in one order, with how many are still to come. */
export async function ordersInParcel(db: Db, parcel: string): Promise<{ id: string; number: number; open: number }[]> {
  await db.query(
    `SELECT 1 FROM customer_order WHERE id IN (
       SELECT l.order_id FROM movement m JOIN order_line l ON l.id = m.order_line_id WHERE m.parcel_id = $1)
     ORDER BY id FOR NO KEY UPDATE`,
    [parcel],
  );
  return rows(
    db,
    `SELECT o.id, o.number, (
       SELECT COALESCE(sum(l.flies - pr.boxed), 0)::int FROM order_line l JOIN line_progress pr ON pr.line_id = l.id
       WHERE l.order_id = o.id AND NOT l.cancelled) AS open
     FROM customer_order o WHERE o.id IN (
       SELECT l.order_id FROM movement m JOIN order_line l ON l.id = m.order_line_id WHERE m.parcel_id = $1)`,
    [parcel],
  );
}

import type { Order } from "@kasten/contract/orders";
import { isoInstant, row, rows, type Db } from "../database/rows";
import { IsNull } from "typeorm";
import type { DayCursor } from "../http/cursors";
import { orderEntity } from "./entities";

const lines = `
  SELECT json_agg(json_build_object(
    'id', l.id, 'position', l.position, 'pattern', l.pattern_id, 'patternName', p.name, 'variant', l.variant,
    'form', l.form, 'size', l.size, 'flies', l.flies, 'policy', l.policy, 'due', l.due, 'wishes', l.wishes,
    'asked', l.asked, 'pricePerDozenCents', l.price_per_dozen_cents,
    'promisedFor', l.promised_for, 'promisedOdds', l.promised_odds::float8, 'boxed', pr.boxed, 'ready', pr.ready, 'inBatches', pr.in_batches)
    ORDER BY l.position) AS lines
  FROM order_line l JOIN pattern p ON p.id = l.pattern_id JOIN line_progress pr ON pr.line_id = l.id
  WHERE l.order_id = o.id AND NOT l.cancelled`;

const select = `
  SELECT o.id, o.number, o.customer_id AS customer, c.name AS "customerName", o.due, o.due_reason AS "dueReason", o.note,
    o.text, o.version, o.created_at AS "createdAt", pe.name AS "createdBy", o.closed_at AS "closedAt", o.exception,
    COALESCE(ln.lines, '[]') AS lines
  FROM customer_order o JOIN customer c ON c.id = o.customer_id JOIN person pe ON pe.id = o.created_by
  LEFT JOIN LATERAL (${lines}) ln ON true`;

type RawOrder = Omit<Order, "createdAt" | "closedAt"> & { createdAt: Date; closedAt: Date | null };
const toOrder = (o: RawOrder): Order => ({
  ...o,
  createdAt: isoInstant(o.createdAt),
  closedAt: o.closedAt && isoInstant(o.closedAt),
});

export async function orderById(db: Db, id: string): Promise<Order | undefined> {
  const found = await row<RawOrder>(db, `${select} WHERE o.id = $1`, [id]);
  return found && toOrder(found);
}

export const ordersById = async (db: Db, ids: string[]): Promise<Order[]> =>
  ids.length === 0 ? [] : (await rows<RawOrder>(db, `${select} WHERE o.id = ANY($1)`, [ids])).map(toOrder);

/** Open orders by due date, after the cursor. */
export const openOrders = async (
  db: Db,
  after: DayCursor | undefined,
  limit: number,
  customer?: string,
): Promise<Order[]> =>
  (
    await rows<RawOrder>(
      db,
      `${select} WHERE o.closed_at IS NULL AND ($1::date IS NULL OR (o.due, o.number) > ($1::date, $2::int))
         AND ($4::text IS NULL OR o.customer_id = $4)
       ORDER BY o.due, o.number LIMIT $3`,
      [after?.due ?? null, after?.number ?? null, limit, customer ?? null],
    )
  ).map(toOrder);

/** Closed orders, newest first, below the cursor's number. */
export const closedOrders = async (
  db: Db,
  below: DayCursor | undefined,
  limit: number,
  customer?: string,
): Promise<Order[]> =>
  (
    await rows<RawOrder>(
      db,
      `${select} WHERE o.closed_at IS NOT NULL AND ($1::int IS NULL OR o.number < $1)
         AND ($3::text IS NULL OR o.customer_id = $3) ORDER BY o.number DESC LIMIT $2`,
      [below?.number ?? null, limit, customer ?? null],
    )
  ).map(toOrder);

/** What was typed for orders that are still open. */
export async function openTexts(db: Db): Promise<Set<string>> {
  const open = await db.getRepository(orderEntity).find({ where: { closedAt: IsNull() }, select: { text: true } });
  return new Set(open.map((o) => o.text));
}

import type { Order } from "@kasten/contract/orders";
import type { EntityManager } from "typeorm";
import { rows } from "../database/source";

const lines = `
  SELECT json_agg(json_build_object(
    'id', l.id, 'position', l.position, 'pattern', l.pattern_id, 'patternName', p.name, 'variant', l.variant, 'form', l.form, 'size', l.size, 'flies', l.flies, 'policy', l.policy,
    'pricePerDozenCents', l.price_per_dozen_cents, 'boxed', COALESCE(bx.n, 0), 'ready', COALESCE(rd.n, 0), 'inBatches', COALESCE(ib.n, 0)) ORDER BY l.position) AS lines
  FROM order_line l JOIN pattern p ON p.id = l.pattern_id
  LEFT JOIN LATERAL (SELECT sum(m.quantity)::int AS n FROM movement m JOIN place t ON t.id = m.to_place WHERE m.order_line_id = l.id AND t.kind = 'customer') bx ON true
  LEFT JOIN LATERAL (SELECT sum(r.quantity)::int AS n FROM reservation r WHERE r.order_line_id = l.id) rd ON true
  LEFT JOIN LATERAL (SELECT sum(bc.flies)::int AS n FROM batch_claim bc JOIN batch b ON b.id = bc.batch_id WHERE bc.order_line_id = l.id AND b.state IN ('planned', 'released', 'pulled', 'tying')) ib ON true
  WHERE l.order_id = o.id AND NOT l.cancelled`;

const select = `
  SELECT o.id, o.number, o.customer_id AS customer, c.name AS "customerName", o.due, o.due_reason AS "dueReason", o.note, o.text, o.version,
    to_char(o.created_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS "createdAt", pe.name AS "createdBy", o.closed_at AS "closedAt", COALESCE(ln.lines, '[]') AS lines
  FROM customer_order o JOIN customer c ON c.id = o.customer_id JOIN person pe ON pe.id = o.created_by LEFT JOIN LATERAL (${lines}) ln ON true`;

export const orderById = async (db: EntityManager, id: string): Promise<Order | undefined> =>
  (await rows<Order>(db, `${select} WHERE o.id = $1`, [id]))[0];

/** One page of orders: open ones by due date, closed ones newest first. */
export async function orderPage(
  db: EntityManager,
  state: "open" | "closed",
  cursor: string | undefined,
  limit: number,
): Promise<{ orders: Order[]; next: string | null }> {
  const [day, number] = cursor?.split("_") ?? [];
  const page =
    state === "open"
      ? await rows<Order>(
          db,
          `${select} WHERE o.closed_at IS NULL AND ($1::date IS NULL OR (o.due, o.number) > ($1::date, $2::int)) ORDER BY o.due, o.number LIMIT $3`,
          [day ?? null, number ?? null, limit + 1],
        )
      : await rows<Order>(
          db,
          `${select} WHERE o.closed_at IS NOT NULL AND ($1::int IS NULL OR o.number < $1) ORDER BY o.number DESC LIMIT $2`,
          [number ?? null, limit + 1],
        );
  const orders = page.slice(0, limit);
  const last = orders[orders.length - 1];
  return { orders, next: page.length > limit && last ? `${last.due}_${last.number}` : null };
}

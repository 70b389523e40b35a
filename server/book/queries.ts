import type { listFinished, readPromises, waiting } from "@kasten/contract/book";
import type { ReplyOf } from "@kasten/contract/http";
import { isoInstant, row, rows, type Db } from "../database/rows";

export type FinishedBatch = ReplyOf<typeof listFinished>["batches"][number];

/** Finished batches, newest first, below the number of the last page's last one. */
export async function finishedPage(db: Db, below: number | undefined, limit: number): Promise<FinishedBatch[]> {
  const found = await rows<Omit<FinishedBatch, "finishedAt"> & { finishedAt: Date }>(
    db,
    `SELECT b.id, b.number, p.name AS "patternName", b.size, b.variant, b.finished_at AS "finishedAt",
       COALESCE(cl.owed, 0) AS owed, COALESCE(b.starts, 0) AS starts, b.good, b.rejected,
       round(b.minutes / NULLIF(b.good + b.rejected, 0), 2) AS "minutesPerFly",
       COALESCE(rs.reasons, '[]') AS reasons, COALESCE(us.uses, '[]') AS uses
     FROM batch b JOIN pattern p ON p.id = b.pattern_id
     LEFT JOIN LATERAL (SELECT sum(flies)::int AS owed FROM batch_claim WHERE batch_id = b.id) cl ON true
     LEFT JOIN LATERAL (
       SELECT json_agg(json_build_object('reason', reason, 'count', n)) AS reasons FROM (
         SELECT reason, count(*)::int AS n FROM tally x WHERE x.batch_id = b.id AND kind = 'reject'
           AND NOT EXISTS (SELECT 1 FROM tally u WHERE u.undoes = x.id) GROUP BY reason ORDER BY n DESC) r) rs ON true
     LEFT JOIN LATERAL (
       SELECT json_agg(json_build_object('component', bu.component, 'materialName', m.name,
         'ratio', round(bu.used::numeric / bu.computed, 3))) AS uses
       FROM batch_use bu JOIN material m ON m.code = bu.material_code WHERE bu.batch_id = b.id) us ON true
     WHERE b.state = 'finished' AND ($1::int IS NULL OR b.number < $1) ORDER BY b.number DESC LIMIT $2`,
    [below ?? null, limit],
  );
  return found.map((b) => ({ ...b, finishedAt: isoInstant(b.finishedAt) }));
}

/** How much waits at each station. */
export async function waitingCounts(db: Db): Promise<ReplyOf<typeof waiting>> {
  const counts = await row<ReplyOf<typeof waiting>>(
    db,
    `SELECT (SELECT count(*)::int FROM customer_order WHERE closed_at IS NULL) AS orders,
       count(*) FILTER (WHERE state = 'planned')::int AS batches,
       count(*) FILTER (WHERE state = 'released')::int AS materials,
       count(*)::int AS plan,
       count(*) FILTER (WHERE state IN ('pulled', 'tying'))::int AS bench,
       (SELECT count(DISTINCT order_line_id)::int FROM reservation WHERE order_line_id IS NOT NULL) AS box
     FROM batch WHERE state NOT IN ('finished', 'dissolved')`,
  );
  return counts ?? { orders: 0, batches: 0, materials: 0, plan: 0, bench: 0, box: 0 };
}

/** So many months are looked back. */
const MONTHS = 24;

/** Lines of which the day has passed: on time when the last of their flies was boxed by it. */
export async function keptByMonth(db: Db, today: string): Promise<ReplyOf<typeof readPromises>["months"]> {
  return rows(
    db,
    `WITH line AS (
       SELECT l.id, l.flies, l.promised_odds AS odds, l.late_by, COALESCE(l.promised_for, l.due, o.due) AS day
       FROM order_line l JOIN customer_order o ON o.id = l.order_id
       WHERE NOT l.cancelled AND l.flies > 0 AND COALESCE(l.promised_for, l.due, o.due) < $1::date
         AND COALESCE(l.promised_for, l.due, o.due) >= $1::date - make_interval(months => $2)
     ), boxed AS (
       SELECT m.order_line_id AS id, sum(m.quantity) FILTER (WHERE m.at::date <= line.day) AS flies
       FROM movement m JOIN line ON line.id = m.order_line_id WHERE m.reason = 'boxed' GROUP BY 1
     ), told AS (
       SELECT to_char(day, 'YYYY-MM') AS month, line.odds, COALESCE(boxed.flies, 0) >= line.flies AS kept,
         COALESCE(line.late_by, 'not known') AS cause
       FROM line LEFT JOIN boxed ON boxed.id = line.id
     )
     SELECT month, count(*)::int AS lines, (count(*) FILTER (WHERE kept))::int AS kept, avg(odds)::float8 AS odds,
       COALESCE((SELECT json_agg(json_build_object('cause', cause, 'lines', n) ORDER BY n DESC, cause) FROM (
         SELECT cause, count(*)::int AS n FROM told t WHERE t.month = told.month AND NOT t.kept GROUP BY 1) c), '[]')
         AS late
     FROM told GROUP BY month ORDER BY month DESC`,
    [today, MONTHS],
  );
}

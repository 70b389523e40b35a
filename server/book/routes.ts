import { startsFor, flyPrior } from "@kasten/core/batches";
import { listEvents, listFinished, waiting } from "@kasten/contract/book";
import type { ReplyOf } from "@kasten/contract/http";
import { row, rows } from "../database/source";
import type { Register } from "../http/handle";
import { readSettings } from "../patterns";

type Finished = ReplyOf<typeof listFinished>["batches"][number];

export function bookRoutes(register: Register): void {
  register(listFinished, async ({ db, query }) => {
    const page = await rows<Finished>(
      db,
      `SELECT b.id, b.number, p.name AS "patternName", b.size, b.variant, to_char(b.finished_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS "finishedAt", COALESCE(cl.owed, 0) AS owed, COALESCE(b.starts, 0) AS starts,
         COALESCE(t.good, 0) AS good, COALESCE(t.rejected, 0) AS rejected, round(b.minutes / NULLIF(t.good + t.rejected, 0), 2) AS "minutesPerFly", COALESCE(rs.reasons, '[]') AS reasons, COALESCE(us.uses, '[]') AS uses
       FROM batch b JOIN pattern p ON p.id = b.pattern_id LEFT JOIN tally_count t ON t.batch_id = b.id
       LEFT JOIN LATERAL (SELECT sum(flies)::int AS owed FROM batch_claim WHERE batch_id = b.id) cl ON true
       LEFT JOIN LATERAL (SELECT json_agg(json_build_object('reason', reason, 'count', n)) AS reasons FROM (SELECT reason, count(*)::int AS n FROM tally x WHERE x.batch_id = b.id AND kind = 'reject' AND NOT EXISTS (SELECT 1 FROM tally u WHERE u.undoes = x.id) GROUP BY reason ORDER BY n DESC) r) rs ON true
       LEFT JOIN LATERAL (SELECT json_agg(json_build_object('component', bu.component, 'materialName', m.name, 'ratio', round(bu.used::numeric / bu.computed, 3))) AS uses FROM batch_use bu JOIN material m ON m.code = bu.material_code WHERE bu.batch_id = b.id) us ON true
       WHERE b.state = 'finished' AND ($1::int IS NULL OR b.number < $1) ORDER BY b.number DESC LIMIT $2`,
      [query.cursor ?? null, query.limit + 1],
    );
    const yields = await rows<{
      pattern: string;
      patternName: string;
      batches: number;
      good: number;
      rejected: number;
    }>(
      db,
      `SELECT p.id AS pattern, p.name AS "patternName", count(*)::int AS batches, sum(t.good)::int AS good, sum(t.rejected)::int AS rejected FROM batch b JOIN pattern p ON p.id = b.pattern_id JOIN tally_count t ON t.batch_id = b.id WHERE b.state = 'finished' GROUP BY 1, 2 ORDER BY 2`,
    );
    const { serviceLevel } = await readSettings(db);
    const batches = page.slice(0, query.limit);
    return {
      batches,
      yields: yields.map((y) => ({
        ...y,
        rejectRate: (flyPrior.bad + y.rejected) / (flyPrior.good + flyPrior.bad + y.good + y.rejected),
        startsForTenDozen: startsFor(
          120,
          { good: flyPrior.good + y.good, bad: flyPrior.bad + y.rejected },
          serviceLevel,
        ),
      })),
      next: page.length > query.limit ? String(batches.at(-1)?.number ?? "") : null,
    };
  });
  register(listEvents, async ({ db, query }) => {
    const page = await rows<ReplyOf<typeof listEvents>["events"][number]>(
      db,
      `SELECT e.id, to_char(e.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS at, p.name AS person, e.kind, e.sentence, e.subject, e.subject_id AS "subjectId" FROM event e JOIN person p ON p.id = e.person_id
       WHERE ($1::bigint IS NULL OR e.id < $1) ORDER BY e.id DESC LIMIT $2`,
      [query.cursor ?? null, query.limit + 1],
    );
    const events = page.slice(0, query.limit);
    return { events, next: page.length > query.limit ? String(events.at(-1)?.id ?? "") : null };
  });
  register(waiting, async ({ db }) => {
    const counts = await row<ReplyOf<typeof waiting>>(
      db,
      `SELECT (SELECT count(*)::int FROM customer_order WHERE closed_at IS NULL) AS orders, (SELECT count(*)::int FROM batch WHERE state = 'planned') AS batches,
         (SELECT count(*)::int FROM batch WHERE state = 'released') AS materials, (SELECT count(*)::int FROM batch WHERE state IN ('planned', 'released', 'pulled', 'tying')) AS plan,
         (SELECT count(*)::int FROM batch WHERE state IN ('pulled', 'tying')) AS bench, (SELECT count(DISTINCT order_line_id)::int FROM reservation WHERE order_line_id IS NOT NULL) AS box`,
    );
    if (!counts) throw new Error("no counts");
    return counts;
  });
}

import type { PrepRun } from "@kasten/contract/preparing";
import { rows, type Db } from "../database/rows";

const MOST_RUNS = 40;

/** What was prepared last, with the batches it was for and the lots it made. */
export const lastRuns = (db: Db): Promise<PrepRun[]> =>
  rows(
    db,
    `SELECT r.id, r.kind, r.title, p.name AS person,
       to_char(r.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS at, r.minutes, r.reckoned, r.how, r.note,
       COALESCE((SELECT json_agg(json_build_object('id', b.id, 'number', b.number) ORDER BY b.number)
         FROM batch_prep bp JOIN batch b ON b.id = bp.batch_id WHERE bp.run_id = r.id), '[]') AS batches,
       COALESCE((SELECT json_agg(json_build_object('id', l.id, 'code', l.code, 'material', m.name) ORDER BY l.code)
         FROM lot l JOIN material m ON m.code = l.material_code WHERE l.run_id = r.id), '[]') AS lots
     FROM prep_run r JOIN person p ON p.id = r.person_id ORDER BY r.at DESC, r.id LIMIT $1`,
    [MOST_RUNS],
  );

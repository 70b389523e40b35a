import { row, type Db } from "../database/rows";
import type { OutlookRow, Part } from "./entities";

/** The newest change that has been told, also one that is just being completed. */
export const newestChange = async (db: Db): Promise<number> =>
  (await row<{ change: number }>(db, "SELECT last_value AS change FROM room_changes"))?.change ?? 0;

/**
 * A part as it is kept, without its text where that was read before; with the newest change of the room. Its revision
 * is the transaction that wrote it.
 */
export type Found = Omit<OutlookRow, "doc" | "part"> & { revision: string; doc: string | null; newest: number };

export const findPart = (db: Db, part: Part, seen: string | undefined): Promise<Found | undefined> =>
  row(
    db,
    `SELECT o.change, o.at, o.took_ms AS "tookMs", o.xmin::text AS revision,
       CASE WHEN o.xmin::text = $2 THEN NULL ELSE o.doc END AS doc,
       (SELECT last_value FROM room_changes) AS newest FROM outlook o WHERE o.part = $1`,
    [part, seen ?? null],
  );

/** Keeps a part, unless a newer one is kept already. @returns whether it says something new */
export async function keepPart(db: Db, { part, change, at, tookMs, doc }: OutlookRow): Promise<boolean> {
  const before = await row<{ same: boolean }>(db, "SELECT doc = $2 AS same FROM outlook WHERE part = $1", [part, doc]);
  await db.query(
    `INSERT INTO outlook AS o (part, change, at, took_ms, doc) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT (part) DO UPDATE SET change = EXCLUDED.change, at = EXCLUDED.at, took_ms = EXCLUDED.took_ms,
       doc = EXCLUDED.doc WHERE o.change <= EXCLUDED.change`,
    [part, change, at, tookMs, doc],
  );
  return before?.same !== true;
}

/** Pages that show a part hear that it is another one now. */
export const tellParts = async (db: Db, parts: (Part | "search")[]): Promise<void> => {
  for (const part of parts)
    await db.query(
      `SELECT pg_notify('kasten', json_build_object('id', 0, 'subject', 'outlook', 'subjectId', $1::text,
         'kind', 'renewed')::text)`,
      [part],
    );
};

/** Whether nobody else computes it just now, for all servers on one database; held until the transaction ends. */
export async function isFirst(db: Db): Promise<boolean> {
  // Its transaction does nothing for as long as is reckoned: on a busy machine longer than others may.
  await db.query("SET LOCAL idle_in_transaction_session_timeout = 0");
  return (await row<{ first: boolean }>(db, "SELECT pg_try_advisory_xact_lock(4684) AS first"))?.first === true;
}

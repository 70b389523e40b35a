import { rows, type Db } from "../database/rows";

export interface VersionRow {
  version: number;
  at: Date;
  person: string | null;
  note: string;
  /** Numbers of the open batches that are bound to it. */
  batches: number[];
}

/** Versions of a pattern, newest first. */
export const versionRows = (db: Db, id: string): Promise<VersionRow[]> =>
  rows(
    db,
    `SELECT v.version, v.at, p.name AS person, v.note, COALESCE((
       SELECT json_agg(b.number ORDER BY b.number) FROM batch b
       WHERE b.pattern_id = v.pattern_id AND b.pattern_version = v.version
         AND b.state NOT IN ('finished', 'dissolved')), '[]') AS batches
     FROM pattern_version v LEFT JOIN person p ON p.id = v.person_id
     WHERE v.pattern_id = $1 ORDER BY v.version DESC`,
    [id],
  );

/** What open orders wait for of a pattern. */
export const awaitedOf = (
  db: Db,
  pattern: string,
): Promise<{ order: number; variant: string; form: string; size: string }[]> =>
  db
    .createQueryBuilder("order_line", "l")
    .innerJoin("customer_order", "o", "o.id = l.orderId")
    .select("o.number", "order")
    .addSelect("l.variant", "variant")
    .addSelect("l.form", "form")
    .addSelect("l.size", "size")
    .distinct(true)
    .where("l.patternId = :pattern AND o.closedAt IS NULL AND NOT l.cancelled", { pattern })
    .getRawMany();

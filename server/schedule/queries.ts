import { batchPrepEntity, tallyEntity } from "../batches";
import { customerEntity } from "../customers";
import type { Db } from "../database/rows";
import { planPinEntity, type PlanPinRow } from "./entities";

/** Preparation of open batches that is done, as "batch|kind|component". */
export async function preparedKeys(db: Db): Promise<Set<string>> {
  const done = await db
    .createQueryBuilder(batchPrepEntity, "bp")
    .innerJoin("batch", "b", "b.id = bp.batchId")
    .where("b.state NOT IN ('finished', 'dissolved')")
    .getMany();
  return new Set(done.map((p) => `${p.batchId}|${p.kind}|${p.component}`));
}

/** Keeps what holds lines of which the day passes, the first time that it does. */
export const keepLateBy = (db: Db, today: string, causes: { order: string; cause: string }[]): Promise<unknown> =>
  causes.length === 0
    ? Promise.resolve()
    : db.query(
        `UPDATE order_line l SET late_by = c.cause FROM customer_order o, unnest($2::uuid[], $3::text[]) AS c(id, cause)
         WHERE o.id = l.order_id AND o.id = c.id AND l.late_by IS NULL AND NOT l.cancelled
           AND COALESCE(l.promised_for, l.due, o.due) < $1::date`,
        [today, causes.map((c) => c.order), causes.map((c) => c.cause)],
      );

/** Who is to tie each open batch, as people have said. */
export const openPins = async (db: Db): Promise<Map<string, PlanPinRow>> =>
  new Map(
    (
      await db
        .createQueryBuilder(planPinEntity, "p")
        .innerJoin("batch", "b", "b.id = p.batchId")
        .where("b.state NOT IN ('finished', 'dissolved')")
        .getMany()
    ).map((p) => [p.batchId, p]),
  );

/** The rank of each customer, by name. */
export const rankByCustomer = async (db: Db): Promise<Map<string, number>> =>
  new Map(
    (await db.getRepository(customerEntity).find({ select: { name: true, rank: true } })).map((c) => [c.name, c.rank]),
  );

/** Who tallied last on each batch that is being tied. */
export async function tyingBy(db: Db): Promise<Map<string, string>> {
  const last = await db
    .createQueryBuilder(tallyEntity, "t")
    .innerJoin("batch", "b", "b.id = t.batchId")
    .select("t.batchId", "batch")
    .addSelect("t.personId", "person")
    .distinctOn(["t.batchId"])
    .where("b.state = 'tying'")
    .orderBy("t.batchId")
    .addOrderBy("t.at", "DESC")
    .getRawMany<{ batch: string; person: string }>();
  return new Map(last.map((t) => [t.batch, t.person]));
}

/** Waits until nobody makes the plan anew, and keeps everybody from it until the transaction ends. */
export const aloneWithPlan = (db: Db): Promise<unknown> => db.query("SELECT pg_advisory_xact_lock(4684)");

import type { EntityManager, EntitySchema, FindOptionsWhere, ObjectLiteral } from "typeorm";
import type { QueryDeepPartialEntity } from "typeorm/query-builder/QueryPartialEntity.js";

/** Where statements run: a transaction's, or the pool's. */
export type Db = EntityManager;

/** Rows of a statement written by hand, typed by whoever wrote its columns. Only `queries.ts` files write any. */
export const rows = async <T>(db: Pick<Db, "query">, sql: string, parameters: unknown[] = []): Promise<T[]> =>
  (await db.query(sql, parameters)) as T[];

/** The one row of a statement written by hand, or undefined. */
export const row = async <T>(db: Pick<Db, "query">, sql: string, parameters: unknown[] = []): Promise<T | undefined> =>
  (await rows<T>(db, sql, parameters))[0];

/** Inserts a row and gives it back with what the database made for it: key, number, instant. */
export async function insert<T extends ObjectLiteral>(db: Db, entity: EntitySchema<T>, values: Partial<T>): Promise<T> {
  const { generatedMaps } = await db.getRepository(entity).insert(values as QueryDeepPartialEntity<T>);
  // What is neither given nor made by the database has a default, which the entity declares.
  return { ...values, ...generatedMaps[0] } as T;
}

/** Inserts rows together; none is fine too. */
export async function insertAll<T extends ObjectLiteral>(
  db: Db,
  entity: EntitySchema<T>,
  values: Partial<T>[],
): Promise<void> {
  if (values.length > 0) await db.getRepository(entity).insert(values as QueryDeepPartialEntity<T>[]);
}

/** Inserts a row unless one with its key is there. @returns whether it was inserted */
export async function insertNew<T extends ObjectLiteral>(
  db: Db,
  entity: EntitySchema<T>,
  values: Partial<T>,
): Promise<boolean> {
  const { raw } = await db
    .createQueryBuilder()
    .insert()
    .into(entity)
    .values(values as QueryDeepPartialEntity<T>)
    .orIgnore()
    .returning("*")
    .execute();
  return Array.isArray(raw) && raw.length > 0;
}

/** Changes rows; a version column among them goes up by one. @returns how many there were */
export async function update<T extends ObjectLiteral>(
  db: Db,
  entity: EntitySchema<T>,
  where: FindOptionsWhere<T>,
  values: Partial<T>,
): Promise<number> {
  return (await db.getRepository(entity).update(where, values as QueryDeepPartialEntity<T>)).affected ?? 0;
}

/**
 * The row of a key, locked until the transaction ends; undefined where there is none. Rows that refer to it may still
 * be written: its key stays what it is.
 */
export const locked = async <T extends ObjectLiteral>(
  db: Db,
  entity: EntitySchema<T>,
  where: FindOptionsWhere<T>,
): Promise<T | undefined> =>
  (await db.getRepository(entity).findOne({ where, lock: { mode: "for_no_key_update" } })) ?? undefined;

/** An instant as it goes over the wire: to the second, in UTC. */
export const isoInstant = (at: Date): string => `${at.toISOString().slice(0, 19)}Z`;

import pg from "pg";
import { DataSource, type EntityManager } from "typeorm";
import { First1700000000001 } from "./migration-0001";
import { Second1700000000002 } from "./migration-0002";

// Stock quantities stay far below 2^53 base units (nine billion metres of thread), so they are read as plain numbers.
const INT8 = 20;
const NUMERIC = 1700;
const DATE = 1082;
pg.types.setTypeParser(INT8, Number);
pg.types.setTypeParser(NUMERIC, Number);
pg.types.setTypeParser(DATE, (text) => text);

export const migrations = [First1700000000001, Second1700000000002];

/** Opens the database and brings its schema up to date. */
export async function openDatabase(url: string): Promise<DataSource> {
  const source = new DataSource({
    type: "postgres",
    url,
    driver: pg,
    entities: [],
    migrations,
    migrationsTransactionMode: "each",
    poolSize: 12,
    extra: {
      connectionTimeoutMillis: 3000,
      idleTimeoutMillis: 30_000,
      statement_timeout: 20_000,
      application_name: "kasten",
    },
  });
  await source.initialize();
  await source.runMigrations();
  return source;
}

/** Rows of a query, typed by the caller who wrote the columns. */
export const rows = async <T>(
  db: Pick<EntityManager, "query">,
  sql: string,
  parameters: unknown[] = [],
): Promise<T[]> => (await db.query(sql, parameters)) as T[];

/** The one row of a query, or undefined. */
export const row = async <T>(
  db: Pick<EntityManager, "query">,
  sql: string,
  parameters: unknown[] = [],
): Promise<T | undefined> => (await rows<T>(db, sql, parameters))[0];

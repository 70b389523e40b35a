import pg from "pg";
import { DataSource } from "typeorm";
import { migrations } from "./database/migrations";
import { PostgresNames } from "./database/naming";
import { SteadyClient } from "./database/steady";
import { entities } from "./entities";

// Stock quantities stay far below 2^53 base units (nine billion metres of thread), so they are read as plain numbers.
const INT8 = 20;
const NUMERIC = 1700;
const DATE = 1082;
pg.types.setTypeParser(INT8, Number);
pg.types.setTypeParser(NUMERIC, Number);
pg.types.setTypeParser(DATE, (text) => text);

/**
 * So long a request waits for a free connection: longer than others may wait for a lock, so that a crowd at one drawer
 * is not taken for a database that is away. One that refuses connections is told at once all the same.
 */
export const PATIENCE_MS = 20_000;

/** What one server opens of the database, beside its sessions, its queue and its listener. */
export const CONNECTIONS = 12;

/** Opens the database and brings its schema up to date. */
export async function openDatabase(
  url: string,
  { migrate = true, poolSize = CONNECTIONS, idleMs = 30_000, connectMs = PATIENCE_MS } = {},
): Promise<DataSource> {
  const source = new DataSource({
    type: "postgres",
    url,
    driver: pg,
    entities,
    migrations,
    namingStrategy: new PostgresNames(),
    migrationsTransactionMode: "each",
    poolSize,
    extra: {
      Client: SteadyClient,
      connectionTimeoutMillis: connectMs,
      idleTimeoutMillis: 30_000,
      statement_timeout: 20_000,
      // A change waits for others so long, and is then begun anew: see http/retry.
      lock_timeout: 4000,
      idle_in_transaction_session_timeout: idleMs,
      application_name: "kasten",
    },
  });
  await source.initialize();
  if (migrate) await source.runMigrations();
  return source;
}

import { randomBytes } from "node:crypto";
import pg from "pg";
import type { TestProject } from "vitest/node";

declare module "vitest" {
  interface ProvidedContext {
    databaseUrl: string;
  }
}

/** A database of its own for the API tests, on the PostgreSQL that `npm test` started. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const admin = process.env.TEST_POSTGRES;
  if (!admin) throw new Error("Run the API tests with npm test, which starts a PostgreSQL for them.");
  const name = `test_api_${randomBytes(4).toString("hex")}`;
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  // Those of earlier runs are dropped now: at the end of a run, connections may still be closing.
  const old = await client.query<{ datname: string }>("SELECT datname FROM pg_database WHERE datname LIKE 'test\\_%'");
  for (const { datname } of old.rows) await client.query(`DROP DATABASE "${datname}" WITH (FORCE)`);
  await client.query(`CREATE DATABASE ${name}`);
  const url = new URL(admin);
  url.pathname = `/${name}`;
  project.provide("databaseUrl", url.href);
  return () => client.end();
}

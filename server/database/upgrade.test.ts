import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import pg from "pg";
import { afterAll, beforeAll, describe, expect, inject, test } from "vitest";
import type { DataSource } from "typeorm";
import { openDatabase } from "../source";
import { createDatabase, dropDatabase } from "../testing/databases";

/** Tables of the tools themselves, which hold nothing of the room. */
const notOurs = ["migrations", "typeorm_metadata"];

/** What the schema builder would still do to the database before it was as the entities say. */
async function stillToDo(source: DataSource): Promise<string[]> {
  const log = await source.driver.createSchemaBuilder().log();
  return log.upQueries.map((q) => q.query);
}

type Row = Record<string, unknown>;
async function tablesOf(db: pg.Client): Promise<string[]> {
  const found = await db.query<{ name: string }>(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE'",
  );
  return found.rows.map((t) => t.name).filter((name) => !notOurs.includes(name));
}
const rowsOf = async (db: pg.Client, table: string): Promise<Row[]> =>
  (await db.query<{ row: Row }>(`SELECT to_jsonb(t) AS row FROM "${table}" t`)).rows.map((r) => r.row);
/** Rows without the columns that came later, in an order that does not depend on the database. */
const only = (columns: string[], rows: Row[]): string[] =>
  rows.map((r) => JSON.stringify(columns.map((c) => r[c]))).sort();

describe("a room of version 0.2.0, in the middle of its work", () => {
  let url: string;
  let db: pg.Client;
  let source: DataSource;
  const before = new Map<string, Row[]>();
  beforeAll(async () => {
    url = await createDatabase(inject("admin"), "upgrade");
    const dump = gunzipSync(readFileSync(join(import.meta.dirname, "upgrade/room-0.2.0.sql.gz")));
    const psql = join(process.env.PG_BIN ?? "", "psql");
    execFileSync(psql, ["-q", "-v", "ON_ERROR_STOP=1", "-d", url], {
      input: dump,
      stdio: ["pipe", "ignore", "inherit"],
    });
    db = new pg.Client({ connectionString: url });
    await db.connect();
    for (const table of await tablesOf(db)) before.set(table, await rowsOf(db, table));
    source = await openDatabase(url);
  });
  afterAll(async () => {
    await source.destroy();
    await db.end();
    await dropDatabase(inject("admin"), url);
  });

  test("has orders, batches, tallies and movements in it", () => {
    for (const table of [
      "customer_order",
      "order_line",
      "batch",
      "tally",
      "movement",
      "reservation",
      "pattern_version",
      "event",
    ])
      expect(before.get(table)?.length, table).toBeGreaterThan(0);
  });
  test("comes through with every row of every table", async () => {
    for (const [table, rows] of before) {
      const columns = Object.keys(rows[0] ?? {});
      expect(only(columns, await rowsOf(db, table)), table).toEqual(only(columns, rows));
    }
  });
  test("is then as the entities say", async () => expect(await stillToDo(source)).toEqual([]));
  test("is begun and taken up to date once: nothing is left to migrate", async () =>
    expect(await source.showMigrations()).toBe(false));
});

describe("a new room", () => {
  let source: DataSource;
  let url: string;
  beforeAll(async () => {
    url = await createDatabase(inject("admin"), "schema");
    source = await openDatabase(url);
  });
  afterAll(async () => {
    await source.destroy();
    await dropDatabase(inject("admin"), url);
  });
  test("is as the entities say", async () => expect(await stillToDo(source)).toEqual([]));
  test("a difference would be seen", async () => {
    await source.query("ALTER TABLE customer ADD COLUMN hat text");
    expect((await stillToDo(source)).join()).toContain("hat");
    await source.query("ALTER TABLE customer DROP COLUMN hat");
  });
  test("every table has an entity, but the session's, which its own package keeps", async () => {
    const db = new pg.Client({ connectionString: url });
    await db.connect();
    const known = source.entityMetadatas.map((m) => m.tableName);
    expect((await tablesOf(db)).filter((t) => !known.includes(t))).toEqual(["session"]);
    await db.end();
  });
});

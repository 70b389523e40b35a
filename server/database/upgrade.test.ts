import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import pg from "pg";
import { afterAll, beforeAll, describe, expect, inject, test } from "vitest";
import type { DataSource } from "typeorm";
import { calibrate, posterior } from "@kasten/core/learning";
import { groupBy } from "@kasten/core/numeric";
import { openDatabase } from "../source";
import { createDatabase, dropDatabase } from "../testing/databases";

/** Tables of the tools themselves, which hold nothing of the room. */
const notOurs = ["migrations", "typeorm_metadata"];
/** Wrong passwords of the last minutes: counted anew, in a table of another shape. */
const countedAnew = ["sign_in_failure"];

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
/** A reply that was kept of signing in, or of a person added: its fingerprint was made over the password. */
const holdsPassword = ({ person_id, reply }: Row): boolean =>
  person_id === null || (typeof reply === "object" && reply !== null && ("login" in reply || "isNew" in reply));
/** A lot's price of nought was never said: it is unknown since. */
const priceUnknown = (table: string) => (r: Row) =>
  table === "lot" && r.price_cents === 0 ? { ...r, price_cents: null } : r;
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
  test("has its stations made of what was said of them before", async () => {
    const { rows } = await db.query("SELECT value FROM setting WHERE key = 'shop'");
    const was = before.get("setting")?.find((s) => s.key === "shop")?.value as Record<string, unknown>;
    expect(was.finishingPlaces).toBe(1);
    const { finishingPlaces: _places, stationsDown: _down, ...rest } = was;
    const stations = ["finishing", "mill"].map((name) => ({ name, places: 1, down: null }));
    expect(rows[0].value).toEqual({ ...rest, stations });
  });
  test("comes through with every row of every other table", async () => {
    for (const [table, rows] of before) {
      if (table === "setting" || countedAnew.includes(table)) continue;
      const columns = Object.keys(rows[0] ?? {});
      const stays = table === "request_key" ? rows.filter((r) => !holdsPassword(r)) : rows.map(priceUnknown(table));
      expect(only(columns, await rowsOf(db, table)), table).toEqual(only(columns, stays));
    }
  });
  test("keeps nothing that a password could be guessed from", async () => {
    expect(before.get("request_key")?.some(holdsPassword)).toBe(true);
    expect((await rowsOf(db, "request_key")).filter(holdsPassword)).toEqual([]);
  });
  test("has its sums made of what was there: tallies of each batch, rejects and uses of each pattern", async () => {
    const { rows: counts } = await db.query(
      `SELECT b.good, b.rejected, count(*) FILTER (WHERE t.kind = 'good')::int AS g,
         count(*) FILTER (WHERE t.kind = 'reject')::int AS r
       FROM batch b JOIN tally t ON t.batch_id = b.id AND NOT EXISTS (SELECT 1 FROM tally u WHERE u.undoes = t.id)
       GROUP BY b.id`,
    );
    expect(counts.length).toBeGreaterThan(3);
    for (const { good, rejected, g, r } of counts) expect([good, rejected]).toEqual([g, r]);
    const { rows: uses } = await db.query(
      `SELECT b.pattern_id AS pattern, u.component, u.flies, sum(u.used) AS actual, sum(u.computed) AS computed
       FROM batch_use u JOIN batch b ON b.id = u.batch_id JOIN material m ON m.code = u.material_code
       WHERE m.unit <> 'count' AND u.used > 0 AND u.computed > 0 GROUP BY b.pattern_id, u.component, b.id, u.flies`,
    );
    const byComponent = groupBy(uses, (u) => `${u.pattern}|${u.component}`);
    const { rows: kept } = await db.query("SELECT * FROM component_outcome");
    expect(kept.length).toBe(byComponent.size);
    expect(kept.length).toBeGreaterThan(5);
    for (const k of kept) {
      const list = byComponent.get(`${k.pattern_id}|${k.component}`) ?? [];
      const wanted = calibrate(
        list.map((u) => ({ flies: u.flies, actual: Number(u.actual), computed: Number(u.computed) })),
      );
      const { m, v, batches } = posterior(k);
      expect([m, v, batches]).toEqual([expect.closeTo(wanted.m, 9), expect.closeTo(wanted.v, 9), wanted.batches]);
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

import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import pg from "pg";
import { afterAll, beforeAll, describe, expect, inject, test } from "vitest";
import { createDatabase, dropDatabase } from "../testing/databases";
import { openTestRoom, type TestRoom } from "../testing/app";

/** The ledger's rules are the database's own: these tests go past every service. */
let room: TestRoom;
let url: string;
let pool: pg.Pool;
let person: string;
let lot: string;
const places: Record<string, number> = {};

beforeAll(async () => {
  room = await openTestRoom();
  url = room.url;
  pool = new pg.Pool({ connectionString: url, max: 50 });
  person = (await pool.query("SELECT id FROM person LIMIT 1")).rows[0].id;
  for (const [kind, code] of [
    ["supplier", "T-SUP"],
    ["drawer", "T-DRAWER"],
    ["kit", "T-KIT"],
    ["scrap", "T-SCRAP"],
  ])
    places[kind as string] = (
      await pool.query("INSERT INTO place (kind, code, name) VALUES ($1, $2, $2) RETURNING id", [kind, code])
    ).rows[0].id;
});
afterAll(async () => {
  await pool.end();
  await room.stop();
});

const move = (quantity: number, from: string, to: string) =>
  pool.query(
    "INSERT INTO movement (person_id, reason, lot_id, quantity, from_place, to_place) VALUES ($1, 'test', $2, $3, $4, $5)",
    [person, lot, quantity, places[from], places[to]],
  );
const reserve = (quantity: number) =>
  pool.query(
    "INSERT INTO reservation (lot_id, place_id, quantity, batch_id, key) VALUES ($1, $2, $3, (SELECT id FROM batch LIMIT 1), 'bead')",
    [lot, places.drawer, quantity],
  );
const balance = async (place: string) =>
  (
    await pool.query("SELECT quantity::int, reserved::int FROM balance WHERE lot_id = $1 AND place_id = $2", [
      lot,
      places[place],
    ])
  ).rows[0];
async function tenBeads(): Promise<void> {
  lot = (
    await pool.query("INSERT INTO lot (code, material_code) VALUES (gen_random_uuid()::text, 'BD-T28') RETURNING id")
  ).rows[0].id;
  await move(10, "supplier", "drawer");
}
const succeeded = (results: PromiseSettledResult<unknown>[]) => results.filter((r) => r.status === "fulfilled").length;

describe("the ledger under concurrency", () => {
  test("fifty at once for the last ten beads: ten are given out", async () => {
    await tenBeads();
    const results = await Promise.allSettled(Array.from({ length: 50 }, () => move(1, "drawer", "kit")));
    expect(succeeded(results)).toBe(10);
    expect(await balance("drawer")).toMatchObject({ quantity: 0 });
    expect(await balance("kit")).toMatchObject({ quantity: 10 });
    for (const r of results)
      if (r.status === "rejected") expect(r.reason).toMatchObject({ constraint: "balance_not_negative" });
  });

  test("fifty reservations at once: ten hold, and what is reserved cannot be taken by others", async () => {
    await tenBeads();
    expect(succeeded(await Promise.allSettled(Array.from({ length: 50 }, () => reserve(1))))).toBe(10);
    expect(await balance("drawer")).toEqual({ quantity: 10, reserved: 10 });
    await expect(move(1, "drawer", "scrap")).rejects.toMatchObject({ constraint: "balance_reserved_is_there" });
    await pool.query("DELETE FROM reservation WHERE id IN (SELECT id FROM reservation WHERE lot_id = $1 LIMIT 4)", [
      lot,
    ]);
    await move(4, "drawer", "scrap");
    expect(await balance("drawer")).toEqual({ quantity: 6, reserved: 6 });
  });

  test("movements both ways at once neither wait for each other for ever nor lose anything", async () => {
    await tenBeads();
    await move(5, "drawer", "kit");
    await Promise.allSettled(
      Array.from({ length: 60 }, (_, i) => (i % 2 ? move(1, "drawer", "kit") : move(1, "kit", "drawer"))),
    );
    const [a, b] = [await balance("drawer"), await balance("kit")];
    expect(a.quantity + b.quantity).toBe(10);
    const sum = (
      await pool.query(
        "SELECT sum(CASE WHEN to_place = $2 THEN quantity ELSE -quantity END)::int AS n FROM movement WHERE lot_id = $1 AND $2 IN (from_place, to_place)",
        [lot, places.drawer],
      )
    ).rows[0].n;
    expect(sum).toBe(a.quantity);
  });
});

describe("what the database refuses", () => {
  beforeAll(tenBeads);
  const cases: [string, () => Promise<unknown>, string][] = [
    ["more than is there", () => move(11, "drawer", "kit"), "balance_not_negative"],
    ["moving nothing", () => move(0, "supplier", "drawer"), "movement_moves_something"],
    ["moving less than nothing", () => move(-1, "supplier", "drawer"), "movement_moves_something"],
    ["a place to itself", () => move(1, "drawer", "drawer"), "movement_between_two_places"],
    [
      "changing a movement",
      () => pool.query("UPDATE movement SET quantity = 1 WHERE lot_id = $1", [lot]),
      "movement_is_for_good",
    ],
    ["deleting a movement", () => pool.query("DELETE FROM movement WHERE lot_id = $1", [lot]), "movement_is_for_good"],
    ["emptying the ledger", () => pool.query("TRUNCATE movement CASCADE"), "movement_is_for_good"],
    [
      "writing a balance by hand",
      () => pool.query("UPDATE balance SET quantity = 1000 WHERE lot_id = $1", [lot]),
      "balance_by_ledger_only",
    ],
    [
      "changing a reservation",
      () => reserve(1).then(() => pool.query("UPDATE reservation SET quantity = 9 WHERE lot_id = $1", [lot])),
      "reservation_is_not_changed",
    ],
  ];
  test.each(cases)("%s", async (_what, run, constraint) => {
    await expect(run()).rejects.toMatchObject({ constraint });
  });

  test("every balance is the sum of its movements, after all that", async () => {
    const wrong = await pool.query(
      `SELECT b.lot_id FROM balance b WHERE b.quantity <> COALESCE((SELECT sum(CASE WHEN m.to_place = b.place_id THEN m.quantity ELSE -m.quantity END) FROM movement m WHERE m.lot_id = b.lot_id AND b.place_id IN (m.from_place, m.to_place)), 0)`,
    );
    expect(wrong.rows).toEqual([]);
  });
});

test("a backup is restored whole, rules included", async () => {
  const folder = mkdtempSync(join(tmpdir(), "kasten-backup-"));
  const file = join(folder, "room.dump");
  const root = join(import.meta.dirname, "../..");
  const restoredUrl = await createDatabase(inject("admin"), "restored");
  execFileSync(process.execPath, ["tools/backup.mjs", file], { cwd: root, env: { ...process.env, DATABASE_URL: url } });
  execFileSync(process.execPath, ["tools/restore.mjs", file], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: restoredUrl },
  });
  const restored = new pg.Pool({ connectionString: restoredUrl, max: 2 });
  const counts =
    "SELECT (SELECT count(*) FROM movement) || ' ' || (SELECT count(*) FROM order_line) || ' ' || (SELECT sum(quantity) FROM balance) || ' ' || (SELECT count(*) FROM event) AS all";
  expect((await restored.query(counts)).rows).toEqual((await pool.query(counts)).rows);
  await expect(restored.query("DELETE FROM movement")).rejects.toMatchObject({ constraint: "movement_is_for_good" });
  await restored.end();
  await dropDatabase(inject("admin"), restoredUrl);
  rmSync(folder, { recursive: true });
});

import pg from "pg";
import { afterAll, beforeAll, describe, expect, test, vi } from "vitest";
import { openTestRoom, type TestRoom } from "./testing/app";
import { cutWhileTallying } from "./testing/attack/faults";
import { fuzz } from "./testing/attack/fuzz";
import { hostileFiles } from "./testing/attack/hostile";
import { invariants, Races } from "./testing/attack/races";
import { roleMatrix } from "./testing/attack/roles";

/** The short form of `npm run attack`: the same attacks, fewer of them, always the same. */
// Hundreds of requests each: on a machine three times slower they take longer than is usual.
vi.setConfig({ testTimeout: 120_000 });
let room: TestRoom;
beforeAll(async () => {
  room = await openTestRoom();
});
afterAll(() => room.stop());
const failing = (statuses: Record<number, number>) => Object.keys(statuses).filter((s) => Number(s) >= 500);

test("whatever is sent, the server answers", async () => {
  const report = await fuzz(room.base, 11, 150);
  expect(report.failures).toEqual([]);
  expect(report.byStatus[200]).toBeGreaterThan(30);
  expect(report.byStatus[400]).toBeGreaterThan(20);
});

test("everybody may do what their role may, and nothing else", async () => {
  const { cells, wrong } = await roleMatrix(room.base);
  expect(wrong).toEqual([]);
  expect(cells).toBeGreaterThan(200);
});

describe("many at once", () => {
  test("meet, and nothing is lost or doubled", async () => {
    const races = await Races.begin(room.base, 5);
    const crowd = await races.crowd(12, 4);
    expect(failing(crowd)).toEqual([]);
    expect(crowd[200]).toBeGreaterThan(10);
    const against = await races.againstCancel(6);
    expect(failing(against)).toEqual([]);
    expect(failing(await races.boxing(6))).toEqual([]);
    expect((await races.person(8))[200]).toBe(1);
  });
  test.each(Object.entries(invariants))("afterwards %s", async (_rule, sql) =>
    expect(await room.source.query(sql)).toEqual([]),
  );
});

test("no tally that was acknowledged is lost while the database cuts every line", async () => {
  const db = new pg.Client({ connectionString: room.url });
  await db.connect();
  const owner = await room.signedIn("owner");
  const { acknowledged, lost, cuts } = await cutWhileTallying(owner, db, 40);
  await db.end();
  expect([acknowledged, lost]).toEqual([40, 0]);
  expect(cuts).toBeGreaterThan(0);
});

test("files that are made to hurt are refused", async () => {
  const found = await hostileFiles(room.base);
  const [batches, ...refused] = found.reverse();
  expect(batches?.status).toBe(200);
  expect(refused.map((r) => [r.what, r.status >= 400 && r.status < 500])).toEqual(refused.map((r) => [r.what, true]));
  expect(refused.length).toBeGreaterThan(9);
});

import { afterAll, beforeAll, expect, test } from "vitest";
import {
  closeTake,
  countInTake,
  listTakes,
  readLot,
  readTake,
  scrapLot,
  startTake,
  type StockTake,
} from "@kasten/contract/stock";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";

let room: TestRoom;
let owner: Client;
let shop: Client;
beforeAll(async () => {
  room = await openTestRoom();
  [owner, shop] = await Promise.all([room.signedIn("owner"), room.signedIn("shop")]);
});
afterAll(() => room.stop());

const lotsOf = (t: StockTake) => t.drawers.flatMap((d) => d.lots);
const named = (t: StockTake, code: string) => {
  const found = lotsOf(t).find((l) => l.code === code);
  if (!found) throw new Error(`no lot ${code}`);
  return found;
};

test("a stock-take is walked by two, stopped and gone on with, and puts right only what was counted", async () => {
  const { id } = await owner.ok(startTake, { body: { blind: true } });
  const params = { id };
  expect((await shop.refused(startTake, { body: {} })).detail).toMatch(/has begun a stock-take already/);
  const blind = await shop.ok(readTake, { params });
  expect(lotsOf(blind).length).toBeGreaterThan(100);
  expect(lotsOf(blind).every((l) => l.expected === null)).toBe(true);
  const [hooks, cape] = [named(blind, "N1-10-A"), named(blind, "HK-DRY-CR-A")];
  const count = (by: Client, l: typeof hooks, counted: number, more: { again?: boolean } = {}) =>
    by.send(countInTake, { params, body: { lot: l.lot, place: l.place, counted, ...more } });
  expect(await count(shop, hooks, 990)).toBe(200);
  expect(await count(shop, cape, 61)).toBe(200);
  const after = await owner.ok(readTake, { params });
  expect(named(after, "N1-10-A")).toMatchObject({ counted: 990, expected: 1000, by: "Petra Lund" });
  const other = await owner.refused(countInTake, {
    params,
    body: { lot: hooks.lot, place: hooks.place, counted: 995 },
  });
  expect(other.detail).toMatch(/Petra Lund has counted 990 of lot N1-10-A already/);
  expect(await count(owner, hooks, 995, { again: true })).toBe(200);
  // Some are thrown away after they were counted: they stay away.
  await owner.ok(scrapLot, { params: { id: hooks.lot }, body: { place: hooks.place, quantity: 20, note: "rust" } });
  const done = await owner.ok(closeTake, { params, body: {} });
  expect(done).toMatchObject({ counted: 2, changed: 2 });
  // 1,000 hooks for 11.00, five of them gone; one feather more of 60 for 29.00.
  expect(done.worthCents).toBe(Math.round((-5 * 1100) / 1000) + Math.round(2900 / 60));
  const lot = await owner.ok(readLot, { params: { id: hooks.lot } });
  expect(lot.places[0]?.quantity).toBe(1000 - 20 - 5);
  expect(lot.movements.map((m) => m.reason).slice(0, 2)).toEqual(["stock-take", "scrapped"]);
  expect(lot.counts[0]).toMatchObject({ counted: 995, expected: 1000, person: "Maren Holt" });
  expect((await owner.ok(listTakes)).takes[0]).toMatchObject({ id, done: true, counted: 2, off: 2 });
  expect(await count(shop, cape, 5), "a closed one takes no more").toBe(409);
});

test("what is put by holds it back, and nothing is changed then", async () => {
  const { id } = await owner.ok(startTake, { body: {} });
  const params = { id };
  const take = await owner.ok(readTake, { params });
  const [{ lot, place, quantity }] = await room.source.query(
    `SELECT b.lot_id AS lot, b.place_id AS place, b.quantity FROM balance b JOIN place p ON p.id = b.place_id
     WHERE b.reserved > 0 AND p.kind = 'drawer' LIMIT 1`,
  );
  const hooks = named(take, "N1-12-A");
  await owner.ok(countInTake, { params, body: { lot: hooks.lot, place: hooks.place, counted: 1 } });
  await owner.ok(countInTake, { params, body: { lot, place, counted: 0 } });
  const held = await owner.refused(closeTake, { params, body: {} });
  expect(held.detail).toMatch(/put by for batches, and fewer were counted/);
  expect((await owner.ok(readLot, { params: { id: hooks.lot } })).places[0]?.quantity).toBe(hooks.expected);
  await owner.ok(countInTake, { params, body: { lot, place, counted: Number(quantity) } });
  expect((await owner.ok(closeTake, { params, body: {} })).changed).toBe(1);
});

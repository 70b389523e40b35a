import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { listEvents, listFinished, waiting } from "@kasten/contract/book";
import { listOrders, addOrder, cancelOrder } from "@kasten/contract/orders";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { typedOrder } from "../testing/orders";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

/** Reads page after page until there is none; never the same row twice. */
async function toTheEnd<Row extends { id: string | number }>(
  read: (cursor: string | undefined) => Promise<{ rows: Row[]; next: string | null }>,
): Promise<Row[]> {
  const all: Row[] = [];
  let cursor: string | undefined;
  for (let page = 0; page < 500; page++) {
    const { rows, next } = await read(cursor);
    all.push(...rows);
    if (next === null) return all;
    expect(rows.length, "a page that is not the last is full").toBe(3);
    cursor = next;
  }
  throw new Error("It never ends.");
}
const ids = (rows: { id: string | number }[]) => rows.map((r) => r.id);

describe("lists by pages", () => {
  const limit = 3;
  test("open orders, by the day promised, each once", async () => {
    const whole = (await owner.ok(listOrders, { query: { limit: 200 } })).orders;
    const paged = await toTheEnd(async (cursor) => {
      const { orders, next } = await owner.ok(listOrders, { query: { limit, ...(cursor && { cursor }) } });
      return { rows: orders, next };
    });
    expect(whole.length).toBeGreaterThan(2 * limit);
    expect(ids(paged)).toEqual(ids(whole));
    expect(paged.map((o) => o.due)).toEqual(paged.map((o) => o.due).sort());
  });
  test("closed orders, also when they were closed meanwhile", async () => {
    for (let i = 0; i < 5; i++) {
      const body = await typedOrder(owner, "1dz Slate Wisp 16 slate; Ida Pellworth, in 5 weeks");
      const { id, version } = await owner.ok(addOrder, { body });
      await owner.ok(cancelOrder, { params: { id }, body: { version } });
    }
    const paged = await toTheEnd(async (cursor) => {
      const query = { limit, state: "closed" as const, ...(cursor && { cursor }) };
      const { orders, next } = await owner.ok(listOrders, { query });
      return { rows: orders, next };
    });
    expect(new Set(ids(paged)).size).toBe(paged.length);
    expect(paged.length).toBeGreaterThanOrEqual(5);
    expect(paged.every((o) => o.closedAt !== null)).toBe(true);
  });
  test("finished batches and the log, newest first, to the very first", async () => {
    const batches = await toTheEnd(async (cursor) => {
      const reply = await owner.ok(listFinished, { query: { limit, ...(cursor && { cursor }) } });
      return { rows: reply.batches, next: reply.next };
    });
    expect(ids(batches)).toEqual(ids((await owner.ok(listFinished, { query: { limit: 200 } })).batches));
    const log = await toTheEnd(async (cursor) => {
      const reply = await owner.ok(listEvents, { query: { limit, ...(cursor && { cursor }) } });
      return { rows: reply.events, next: reply.next };
    });
    expect(log.map((e) => e.id)).toEqual(log.map((e) => e.id).sort((a, b) => b - a));
    const [{ n }] = await room.source.query("SELECT count(*)::int AS n FROM event");
    expect(log.length).toBe(n);
  });
  test.each(["x", "-1", "1; DROP TABLE event", "99999999999999"])("the page “%s” is none", async (cursor) => {
    expect((await owner.refused(listEvents, { query: { cursor } })).errors?.[0]?.path).toBe("cursor");
    expect((await owner.refused(listOrders, { query: { cursor } })).errors?.[0]?.path).toBe("cursor");
  });
  test.each([0, -3, 201, 1.5])("a page of %s rows is none", async (rows) => {
    expect((await owner.refused(listOrders, { query: { limit: rows } })).status).toBe(400);
  });
});

test("what waits at each station is what the stations show", async () => {
  const counts = await owner.ok(waiting);
  expect(counts.orders).toBe((await owner.ok(listOrders, { query: { limit: 200 } })).orders.length);
  expect(counts.plan).toBeGreaterThanOrEqual(counts.batches + counts.materials + counts.bench);
});

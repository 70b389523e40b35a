import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addOrder } from "@kasten/contract/orders";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { typedOrder } from "../testing/orders";
import { Outlook, promised, reckon, type Reckoner } from ".";

let room: TestRoom;
let shop: Client;
beforeAll(async () => {
  room = await openTestRoom();
  shop = await room.signedIn("shop");
});
afterAll(() => room.stop());
const order = async () =>
  shop.ok(addOrder, { body: await typedOrder(shop, "1dz Slate Wisp 16 slate; Ida Pellworth, in 5 weeks") });
const failed = (error: unknown) => {
  throw error;
};

/** Computes when it is told to, and counts how often it was asked. */
function slow(): Reckoner & { asked: () => number; finish: () => void } {
  let asked = 0;
  const waiting: (() => void)[] = [];
  return {
    reckon: async () => {
      asked++;
      await new Promise<void>((resolve) => waiting.push(resolve));
      await reckon(room.source);
    },
    promise: (lines) => promised(room.source, lines),
    asked: () => asked,
    finish: () => waiting.splice(0).forEach((go) => go()),
  };
}
const owedIn = (doc: string) => (JSON.parse(doc) as { owed: number }).owed;
const moment = () => new Promise((resolve) => setTimeout(resolve, 30));

describe("what is computed of the whole room", () => {
  test("is given as it was last while it is made anew, once for all who ask", async () => {
    await reckon(room.source);
    // As if it had taken a second: it is not waited for then.
    await room.source.query("UPDATE outlook SET took_ms = 1000");
    const work = slow();
    const outlook = new Outlook(work, failed, { quickMs: 0, patienceMs: 5 });
    const db = room.source.manager;
    const before = await outlook.read(db, "sums");
    expect(work.asked(), "nothing has changed").toBe(0);
    await order();
    const asked = await Promise.all([1, 2, 3].map(() => outlook.read(db, "sums")));
    expect(asked).toEqual([before, before, before]);
    let after = before;
    for (let i = 0; i < 300 && after === before; i++) {
      await moment();
      work.finish();
      after = await outlook.read(db, "sums");
    }
    expect(owedIn(after)).toBe(owedIn(before) + 12);
    expect(work.asked()).toBe(1);
    outlook.close();
  });
  test("is waited for where there is nothing yet", async () => {
    await room.source.query("DELETE FROM outlook");
    const outlook = new Outlook(
      { reckon: () => reckon(room.source), promise: () => Promise.resolve({ lines: [], others: [] }) },
      failed,
    );
    expect(owedIn(await outlook.read(room.source.manager, "sums"))).toBeGreaterThan(100);
    outlook.close();
  });
  test("is never overwritten by what was computed of an earlier room", async () => {
    await order();
    await reckon(room.source);
    const [{ change }] = await room.source.query("SELECT change FROM outlook WHERE part = 'plan'");
    await room.source.query("UPDATE outlook SET change = change + 5, doc = 'newer' WHERE part = 'plan'");
    await reckon(room.source);
    const [kept] = await room.source.query("SELECT change, doc FROM outlook WHERE part = 'plan'");
    expect([kept.change, kept.doc]).toEqual([change + 5, "newer"]);
  });
});

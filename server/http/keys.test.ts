import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addOrder } from "@kasten/contract/orders";
import { openTestRoom, type TestRoom } from "../testing/app";
import { typedOrder } from "../testing/orders";
import { forgetOldKeys, KEY_DAYS } from "./keys";

let room: TestRoom;
beforeAll(async () => {
  room = await openTestRoom();
});
afterAll(() => room.stop());
const daysFromNow = (days: number): Date => new Date(Date.now() + days * 86_400_000);

test("replies are kept as long as a device may still ask for them, and then forgotten", async () => {
  const shop = await room.signedIn("shop");
  const sent = {
    body: await typedOrder(shop, "1dz Slate Wisp 16 slate; Ida Pellworth, in 5 weeks"),
    key: randomUUID(),
  };
  const first = await shop.ok(addOrder, sent);
  await room.source.query("UPDATE request_key SET at = $1", [new Date()]);
  expect(await forgetOldKeys(room.source.manager, daysFromNow(KEY_DAYS - 0.01))).toBe(0);
  expect((await shop.ok(addOrder, sent)).number).toBe(first.number);
  expect(await forgetOldKeys(room.source.manager, daysFromNow(KEY_DAYS + 0.01))).toBeGreaterThan(0);
  expect((await shop.ok(addOrder, sent)).number).toBeGreaterThan(first.number);
});

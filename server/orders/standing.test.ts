import { afterAll, beforeAll, expect, test } from "vitest";
import {
  addOrder,
  endStanding,
  listStanding,
  passStanding,
  readOrderById,
  setStanding,
  type Order,
} from "@kasten/contract/orders";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { typedOrder } from "../testing/orders";

let room: TestRoom;
let shop: Client;
beforeAll(async () => {
  room = await openTestRoom();
  shop = await room.signedIn("shop");
});
afterAll(() => room.stop());

const written = async (text: string, more: { standing?: string } = {}): Promise<Order> =>
  shop.ok(addOrder, { body: { ...(await typedOrder(shop, text)), ...more } });
const inAYear = (day: string): string => `${Number(day.slice(0, 4)) + 1}${day.slice(4)}`;
const standing = async (id: string) => (await shop.ok(listStanding)).standing.find((s) => s.order === id);

test("an order comes up again a year on, so many days ahead", async () => {
  const order = await written("6dz Slate Wisp 16 slate; Ida Pellworth, in 3 weeks");
  expect((await shop.ok(readOrderById, { params: { id: order.id } })).standing).toBeNull();
  await shop.ok(setStanding, { params: { id: order.id }, body: { aheadDays: 60 } });
  expect(await standing(order.id)).toMatchObject({
    customerName: "Ida Pellworth",
    next: inAYear(order.due),
    isUp: false,
    lines: [{ flies: 72, pattern: "slate-wisp", size: "16" }],
  });
  // Its day is a year and three weeks off: as far ahead as can be is not enough.
  await shop.ok(setStanding, { params: { id: order.id }, body: { aheadDays: 300 } });
  expect((await standing(order.id))?.isUp).toBe(false);
  await room.source.query("UPDATE customer_order SET due = due - 100 WHERE id = $1", [order.id]);
  expect((await standing(order.id))?.isUp).toBe(true);
});

test("what is written of it stands in its place, once", async () => {
  const order = await written("2dz Tar Pupa 16 red; Ida Pellworth, in 2 weeks");
  await shop.ok(setStanding, { params: { id: order.id }, body: { aheadDays: 90 } });
  const next = await written("3dz Tar Pupa 16 red; Ida Pellworth, in 5 weeks", { standing: order.id });
  expect(await standing(order.id)).toBeUndefined();
  expect(await standing(next.id)).toMatchObject({ next: inAYear(next.due), aheadDays: 90, lines: [{ flies: 36 }] });
  const body = { ...(await typedOrder(shop, "3dz Tar Pupa 16 red; Ida Pellworth, in 5 weeks")), standing: order.id };
  const before = (await shop.ok(listStanding)).standing.length;
  expect(await shop.refused(addOrder, { body })).toMatchObject({ status: 409 });
  expect((await shop.ok(listStanding)).standing).toHaveLength(before);
});

test("it is passed over this time, or comes up no more", async () => {
  const order = await written("1dz Tar Pupa 16 red; Ida Pellworth, in 2 weeks");
  const params = { id: order.id };
  expect(await shop.refused(passStanding, { params })).toMatchObject({ status: 409 });
  await shop.ok(setStanding, { params, body: { aheadDays: 60 } });
  await shop.ok(passStanding, { params });
  expect((await standing(order.id))?.next).toBe(inAYear(inAYear(order.due)));
  await shop.ok(endStanding, { params });
  expect(await standing(order.id)).toBeUndefined();
  const { history, standing: now } = await shop.ok(readOrderById, { params });
  expect(now).toBeNull();
  expect(history.filter((h) => h.kind === "standing")).toHaveLength(3);
});

test("tiers only look, and nobody asks for it a day ahead or years", async () => {
  const order = await written("1dz Tar Pupa 16 red; Ida Pellworth, in 2 weeks");
  const params = { id: order.id };
  for (const aheadDays of [1, 4000, 1.5])
    expect(await shop.refused(setStanding, { params, body: { aheadDays } })).toMatchObject({ status: 400 });
  const tier = await room.signedIn("tier");
  expect(await tier.refused(setStanding, { params, body: { aheadDays: 60 } })).toMatchObject({ status: 403 });
  expect((await tier.ok(listStanding)).standing.length).toBeGreaterThan(0);
});

// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import {
  endStanding,
  listStanding,
  passStanding,
  setStanding,
  type OrderLine,
  type Standing,
} from "@kasten/contract/orders";
import { fieldOf, mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import StandingForm from "./StandingForm.vue";
import StandingOrders from "./StandingOrders.vue";

beforeEach(() => localStorage.clear());
const [line] = things.order().lines as [OrderLine];
const stands = (of: Partial<Standing>): Standing => ({
  order: things.id(40),
  number: 12,
  customer: "mill-shop",
  customerName: "Mill Shop",
  next: "2027-03-12",
  season: "ice-out",
  aheadDays: 60,
  isUp: true,
  lines: [{ ...line, wishes: "barbless; as grey as you can", policy: "original" }],
  ...of,
});
const button = (screen: Awaited<ReturnType<typeof mountIn>>["screen"], words: string) => {
  const found = screen.findAll("button").find((b) => b.text() === words);
  if (!found) throw new Error(`No button says ${words}`);
  return found;
};

describe("standing orders", () => {
  const open = async (standing: Standing[], can = true, seasons: { name: string; date: string }[] = []) => {
    const settings = { ...things.room().settings, seasons };
    const server = things.server({}, { settings }).answer(listStanding, { standing });
    server.answer(passStanding, { ok: true }).answer(endStanding, { ok: true });
    return { server, ...(await mountIn(server, StandingOrders, { can })) };
  };

  test("whose time it is are told, and give their text with customer and day, wishes kept in their words", async () => {
    const { screen } = await open([stands({})]);
    expect(screen.text()).toContain("for ice-out, 12 Mar 2027");
    await button(screen, "Adjust and write it").trigger("click");
    const [[text, order]] = screen.emitted("take") as [[string, string]];
    expect(order).toBe(things.id(40));
    expect(text).toMatch(
      /^2 dz Yard Nymph 12 olive.*, barbless, “as grey as you can”, originals only; Mill Shop; 2027-03-12$/,
    );
  });
  test("are for their season where the calendar has it for that day, so that the next is found by it", async () => {
    const { screen } = await open([stands({})], true, [{ name: "ice-out", date: "2027-03-12" }]);
    await button(screen, "Adjust and write it").trigger("click");
    expect(screen.emitted("take")?.[0]?.[0]).toMatch(/; Mill Shop; for ice-out$/);
  });
  test("are passed over", async () => {
    const { screen, server } = await open([stands({})]);
    await button(screen, "Not this time").trigger("click");
    await settle();
    expect(server.of(passStanding)[0]?.params).toEqual({ id: things.id(40) });
  });
  test("of later are folded away, and end only when that is said twice", async () => {
    const { screen, server } = await open([stands({ isUp: false })]);
    expect(screen.text()).not.toContain("that come up\n");
    await button(screen, "A standing order that comes up later").trigger("click");
    await settle();
    await button(screen, "End it").trigger("click");
    expect(server.of(endStanding)).toHaveLength(0);
    await button(screen, "It comes up no more").trigger("click");
    await settle();
    expect(server.of(endStanding)).toHaveLength(1);
  });
  test("are only looked at by those who write no orders, and take no room where there are none", async () => {
    const { screen } = await open([stands({})], false);
    expect(screen.findAll("button")).toHaveLength(0);
    expect((await open([])).screen.find("section").exists()).toBe(false);
  });
});

describe("an order", () => {
  test("is made to come up again, so many days ahead", async () => {
    const server = things.server().answer(setStanding, { ok: true });
    const { screen } = await mountIn(server, StandingForm, { order: things.id(40), standing: null });
    await fieldOf(screen, "Comes up again each year, days ahead").setValue("45");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(setStanding)[0]?.body).toEqual({ aheadDays: 45 });
    expect(screen.emitted("changed")).toHaveLength(1);
  });
});

// @vitest-environment happy-dom
import { beforeEach, expect, test } from "vitest";
import { cancelOrder, readOrderById, type Order } from "@kasten/contract/orders";
import type { Role } from "@kasten/contract/permissions";
import { mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import OrderPage from "./OrderPage.vue";

beforeEach(() => localStorage.clear());
const line = (of: Partial<Order["lines"][number]> = {}) => ({
  ...(things.order().lines[0] as Order["lines"][number]),
  ...of,
});
const open = async (
  of: Partial<Order> = {},
  role: Role = "owner",
  standing: { next: string; aheadDays: number } | null = null,
) => {
  const history = [
    { id: 1, at: "2026-11-20T08:00:00Z", person: "Ada Quarry", kind: "written", sentence: "wrote 2 dz Yard Nymph 12" },
  ];
  const server = things
    .server({ role })
    .answer(readOrderById, { ...things.order(of), history, standing })
    .answer(cancelOrder, { ok: true });
  const mounted = await mountIn(server, OrderPage, { id: things.id(9) }, `/orders/${things.id(9)}`);
  const press = async (words: string): Promise<void> => {
    await mounted.screen
      .findAll("button")
      .find((b) => b.text() === words)
      ?.trigger("click");
    await settle();
  };
  const has = (words: string): boolean => mounted.screen.findAll("button").some((b) => b.text() === words);
  return { server, ...mounted, press, has, text: () => mounted.screen.text().replace(/\s+/g, " ") };
};

test("says who it is for, by when and why, how far each line is, and who did what", async () => {
  const { screen, text } = await open({
    dueReason: "ice-out",
    lines: [
      line({
        flies: 30,
        ready: 12,
        boxed: 6,
        promisedOdds: 0.93,
        wishes: "two parcels",
        policy: "original",
        due: "2026-12-20",
      }),
    ],
  });
  expect(text()).toContain("Order 9 · Mill Shop");
  expect(text()).toMatch(/due .*18.*2026, ice-out/);
  const row = screen.get("tbody tr").text().replace(/\s+/g, " ");
  expect(row).toContain("two parcels");
  expect(row).toContain("original");
  expect(row).toMatch(/due .*20/);
  expect(row).toContain("held to be kept in 93 of 100");
  // Two and a half dozen at 24.
  expect(row).toMatch(/60[.,]00/);
  expect(text()).toContain("wrote 2 dz Yard Nymph 12");
});

test("cancelling asks first, sends the version that was seen, and leads back to the orders", async () => {
  const page = await open({ version: 7 });
  await page.press("Cancel what is not boxed");
  expect(page.text()).toContain("This cannot be taken back.");
  expect(page.server.of(cancelOrder)).toEqual([]);
  await page.press("Keep it");
  expect(page.has("Cancel it")).toBe(false);
  await page.press("Cancel what is not boxed");
  await page.press("Cancel it");
  expect(page.server.of(cancelOrder)[0]).toMatchObject({ params: { id: things.id(9) }, body: { version: 7 } });
  expect(page.router.currentRoute.value.path).toBe("/orders");
});

test("a cancellation that is refused stays on the page and says why", async () => {
  const page = await open();
  page.server.answer(cancelOrder, () =>
    refused({ type: "conflict", title: "Boxed", status: 409, detail: "All of it is in boxes already." }),
  );
  await page.press("Cancel what is not boxed");
  await page.press("Cancel it");
  expect(page.text()).toContain("All of it is in boxes already.");
  expect(page.router.currentRoute.value.path).toBe(`/orders/${things.id(9)}`);
});

test("it is changed in the words in which it was typed, and left as it is on demand", async () => {
  const page = await open();
  await page.press("Change the order");
  const field = page.screen.get<HTMLTextAreaElement>("textarea");
  expect(field.element.value).toContain("2dz Yard Nymph 12 olive");
  await page.press("Leave it as it is");
  expect(page.screen.find("textarea").exists()).toBe(false);
});

test("a closed order is neither changed nor cancelled", async () => {
  const page = await open({ closedAt: "2026-12-01T08:00:00Z" });
  expect(page.has("Change the order")).toBe(false);
  expect(page.has("Cancel what is not boxed")).toBe(false);
});

test("who may not write orders reads it, and when it comes up again", async () => {
  const page = await open({}, "tier", { next: "2027-12-18", aheadDays: 30 });
  expect(page.has("Change the order")).toBe(false);
  expect(page.text()).toMatch(/Stands: it comes up again for .*18.*2027/);
});

test("an order that there is not is told, with the way back", async () => {
  const server = things
    .server()
    .answer(readOrderById, () =>
      refused({ type: "not-found", title: "Not here", status: 404, detail: "No such order." }),
    );
  const { screen } = await mountIn(server, OrderPage, { id: things.id(9) });
  expect(screen.text()).toContain("No such order.");
  expect(screen.get("a").attributes("href")).toBe("/orders");
});

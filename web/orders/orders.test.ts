// @vitest-environment happy-dom
import { beforeEach, describe, expect, test, vi } from "vitest";
import { addOrder, editOrder, listOrders, promise } from "@kasten/contract/orders";
import { readLate } from "@kasten/contract/schedule";
import { mountIn, refused, settle, soon } from "../testing/room";
import * as things from "../testing/things";
import OrderComposer from "./OrderComposer.vue";
import OrdersView from "./OrdersView.vue";

beforeEach(() => localStorage.clear());
const tomorrow = {
  holds: "hours",
  sentence: "Ready on 24 Nov, held by hours.",
  planned: "2026-11-23",
  odds: 0.74,
} as const;

describe("an order in one line", () => {
  const earliest =
    (day: string | null) =>
    ({ body }: { body: { lines: object[] } }) => ({
      lines: body.lines.map((l) => ({ ...(l as { pattern: string }), day, ...tomorrow })),
      others: [{ batch: things.id(8), number: 31, before: 0.97, after: 0.88 }],
    });
  const open = async (server = things.server()) => {
    server.answer(promise, earliest("2026-11-24") as never).answer(addOrder, things.order());
    return { server, ...(await mountIn(server, OrderComposer)) };
  };
  const pause = () => new Promise((resolve) => setTimeout(resolve, 450));

  test("is read as it is typed, priced, promised, and saved as it was understood", async () => {
    const { server, screen } = await open();
    await screen.get("textarea").setValue("2dz Yard Nymph 12 olive; Mill Shop, 18 Dec");
    await pause();
    await settle();
    expect(screen.get("tbody tr").text()).toContain("2 dz");
    expect(screen.text()).toContain("in all 50.00");
    expect(screen.text()).toContain("held by hours");
    expect(screen.text()).toContain("on the day in 74 of 100");
    expect(screen.text()).toContain("batch 31, 88 instead of 97 of 100");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(addOrder)[0]?.body).toMatchObject({
      customer: "mill-shop",
      due: "2026-12-18",
      lines: [{ pattern: "yard-nymph", size: "12", variant: "olive", flies: 24, odds: 0.74 }],
    });
    expect(screen.get("textarea").element.value).toBe("");
    expect(screen.emitted("saved")).toHaveLength(1);
  });

  test("the earliest day says that it is being worked out, and is asked again where the server was only away", async () => {
    const { server, screen } = await open();
    server.answer(promise, () => refused({ type: "away", title: "Away", status: 503, detail: "Away." }));
    await settle();
    let letGo = () => {};
    server.held = new Promise<void>((resolve) => (letGo = resolve));
    await screen.get("textarea").setValue("2dz Yard Nymph 12 olive; Mill Shop, 18 Dec");
    await soon(() => expect(screen.text()).toContain("being worked out"));
    letGo();
    await soon(() => expect(screen.text()).toContain("the server is away, it is asked again"));
    server.answer(promise, earliest("2026-11-24") as never);
    await soon(() => expect(screen.text()).toContain("held by hours"));
    expect(screen.text()).not.toContain("asked again");
  });

  test("an earliest day that the server refuses says why, once", async () => {
    const { server, screen } = await open();
    server.answer(promise, () =>
      refused({ type: "figure-out-of-bounds", title: "No", status: 422, detail: "Nobody here may tie it." }),
    );
    await screen.get("textarea").setValue("2dz Yard Nymph 12 olive; Mill Shop, 18 Dec");
    await soon(() => expect(screen.text()).toContain("not known: Nobody here may tie it."));
    expect(server.of(promise)).toHaveLength(1);
    expect(screen.get(".btn-main").attributes("disabled")).toBeUndefined();
  });

  test("more lines than an order holds are told before they are saved, and no day is asked for", async () => {
    const { server, screen } = await open();
    const rows = (n: number): string => `${"2dz Yard Nymph 12 olive\n".repeat(n)}Mill Shop, 18 Dec`;
    await screen.get("textarea").setValue(rows(61));
    await pause();
    expect(screen.text()).toContain("at most 60 lines, and these are 61");
    expect(screen.get(".btn-main").attributes("disabled")).toBeDefined();
    expect(server.of(promise)).toHaveLength(0);
    await screen.get("textarea").setValue(rows(60));
    await soon(() => expect(server.of(promise)).toHaveLength(1));
    expect(screen.get(".btn-main").attributes("disabled")).toBeUndefined();
  });

  test("a doubt is asked about in place, and the answer goes into the text", async () => {
    const { screen } = await open();
    await screen.get("textarea").setValue("2dz Yard Nymph 12; Mill Shop, 18 Dec");
    await settle();
    expect(screen.get(".btn-main").attributes("disabled")).toBeDefined();
    // The editor comes by itself, after the plain field.
    const answer = await soon(() => {
      const found = screen.findAll("button").find((x) => x.text() === "olive");
      if (!found) throw new Error("nothing is asked yet");
      return found;
    });
    await answer.trigger("click");
    await settle();
    expect(screen.get("textarea").element.value).toContain("olive");
    expect(screen.get(".btn-main").attributes("disabled")).toBeUndefined();
  });

  test("what is refused stays as it was typed, with the reason", async () => {
    const { server, screen } = await open();
    server.answer(addOrder, () =>
      refused({ type: "figure-out-of-bounds", title: "No", status: 422, detail: "The day promised lies in the past." }),
    );
    const shown = vi.spyOn(Element.prototype, "scrollIntoView");
    await screen.get("textarea").setValue("2dz Yard Nymph 12 olive; Mill Shop, 18 Dec");
    await settle();
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("The day promised lies in the past.");
    expect(shown.mock.contexts.map((e) => (e as Element).getAttribute("role"))).toContain("alert");
    expect(screen.get("textarea").element.value).toBe("2dz Yard Nymph 12 olive; Mill Shop, 18 Dec");
  });

  test("what a destination forbids is saved only by whoever says why", async () => {
    const destination = { noLead: false, barblessOnly: true, forbiddenSpecies: [] };
    const [customer] = things.room().customers;
    const server = things.server({}, { customers: customer ? [{ ...customer, destination }] : [] });
    const { screen } = await open(server.answer(addOrder, things.order()));
    await screen.get("textarea").setValue("2dz Yard Nymph 12 olive; Mill Shop, 18 Dec");
    await settle();
    const isDisabled = () => screen.get(".btn-main").attributes("disabled") !== undefined;
    expect(isDisabled()).toBe(true);
    await screen.get("input.field").setValue(" x ");
    expect(isDisabled(), "a letter is no reason").toBe(true);
    await screen.get("input.field").setValue("They press the barbs down themselves");
    expect(isDisabled()).toBe(false);
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(addOrder)[0]?.body.exception).toEqual({ reason: "They press the barbs down themselves" });
  });

  test("a line that is there already keeps its place; another's change is told before mine goes over it", async () => {
    const order = things.order();
    const server = things
      .server()
      .answer(editOrder, () =>
        refused({ type: "changed-meanwhile", title: "Changed", status: 409, detail: "Petra changed it.", version: 4 }),
      );
    const { screen } = await mountIn(server, OrderComposer, { order });
    await screen.get("textarea").setValue("3dz Yard Nymph 12 olive, 1dz 14; Mill Shop, 18 Dec");
    await settle();
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(editOrder)[0]?.body.lines.map((l) => l.id)).toEqual([order.lines[0]?.id, undefined]);
    expect(screen.text()).toContain("Petra changed it.");
    server.answer(editOrder, order);
    await screen
      .findAll("button")
      .find((x) => x.text() === "Save mine over it")
      ?.trigger("click");
    await settle();
    expect(server.of(editOrder).map((a) => a.body.version)).toEqual([1, 4]);
  });
});

describe("the list of orders", () => {
  test("goes on page by page to its end, and is read again as a whole", async () => {
    const page = (first: number) => [0, 1].map((i) => things.order({ id: things.id(first + i), number: first + i }));
    const server = things
      .server({ role: "tier" })
      .answer(readLate, { orders: [things.id(2)] })
      .answer(listOrders, ({ query }) =>
        query.cursor === "b" ? { orders: page(3), next: null } : { orders: page(1), next: "b" },
      );
    const { screen } = await mountIn(server, OrdersView);
    const numbers = () => screen.findAll("tbody a").map((a) => a.text());
    expect(numbers()).toEqual(["1", "2"]);
    await screen
      .findAll("button")
      .find((b) => b.text() === "Show more orders")
      ?.trigger("click");
    await settle();
    expect(numbers()).toEqual(["1", "2", "3", "4"]);
    expect(screen.text()).not.toContain("Show more");
    server.answer(listOrders, { orders: [], next: null });
    await screen
      .findAll("button")
      .find((b) => b.text() === "closed")
      ?.trigger("click");
    await settle();
    expect(screen.text()).toContain("Nothing has been closed yet.");
  });
});

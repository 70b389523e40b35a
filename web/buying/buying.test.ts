// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import {
  editPurchase,
  planBuying,
  readDeliveryNote,
  readPurchase,
  receivePurchase,
  sendPurchase,
  writePurchase,
  type BuyingPlan as Plan,
  type Purchase,
} from "@kasten/contract/purchasing";
import { mountIn, refused, settle, soon } from "../testing/room";
import * as things from "../testing/things";
import BuyingPlan from "./BuyingPlan.vue";
import PurchasePage from "./PurchasePage.vue";

const yarn = {
  material: "YA",
  materialName: "peat yarn",
  unit: "um" as const,
  packs: 3,
  pack: 40_000_000,
  packWords: "40 m",
  packCents: 220,
  dyeLot: "D-4",
};
const plan: Plan = {
  wanted: [
    {
      material: "YA",
      materialName: "peat yarn",
      unit: "um",
      forBatches: 90_000_000,
      forStock: 15_000_000,
      reorderAt: 20_000_000,
      perWeek: 5_000_000,
      firstDue: "2026-12-07",
      scarce: null,
      until: null,
      discontinued: false,
    },
  ],
  seasons: [],
  orders: [
    {
      supplierId: "basket",
      supplier: "Mending Basket",
      lines: [{ ...yarn, totalCents: 660 }],
      goodsCents: 660,
      freightCents: 0,
      arrives: "2026-12-09",
      late: ["peat yarn"],
    },
  ],
  totalCents: 660,
  boundCents: 660,
  proved: true,
  uncovered: [{ material: "JAY", materialName: "blue jay", words: "3 feathers" }],
};
const purchase = (of: Partial<Purchase> = {}): Purchase => ({
  id: things.id(7),
  number: 12,
  supplierId: "basket",
  supplier: "Mending Basket",
  byLetter: false,
  state: "draft",
  writtenAt: "2026-11-26T09:00:00Z",
  by: "Petra Lund",
  sentAt: null,
  expectedOn: null,
  confirmedOn: null,
  doneAt: null,
  goodsCents: 660,
  freightCents: 0,
  note: "",
  answer: "",
  lines: [
    {
      id: things.id(8),
      ...yarn,
      form: "yarn",
      ordered: 120_000_000,
      received: 0,
      closed: false,
    },
  ],
  version: 3,
  ...of,
});
const click = (screen: Awaited<ReturnType<typeof mountIn>>["screen"], words: string) =>
  screen
    .findAll("button")
    .find((b) => b.text().startsWith(words))
    ?.trigger("click");

describe("what to order", () => {
  test("says why, at what price, what comes too late and what nobody sells; and writes the order as it stands", async () => {
    const server = things
      .server()
      .answer(planBuying, plan)
      .answer(writePurchase, { id: things.id(7), number: 12 });
    const { screen } = await mountIn(server, BuyingPlan, {});
    await settle();
    const words = screen.text().replace(/\s+/g, " ");
    expect(words).toContain("90 m for batches, the first due Mon 7 Dec; 15 m to stay above 20 m, at 5 m a week");
    expect(words).toContain("too late for peat yarn");
    expect(words).toMatch(/blue jay \(3 feathers\)/);
    expect(words).toContain("no cheaper way to buy it");
    await click(screen, "Write this order");
    await settle();
    expect(server.of(writePurchase)[0]?.body).toEqual({
      supplierId: "basket",
      note: "",
      lines: [{ material: "YA", packs: 3, pack: 40_000_000, packCents: 220, dyeLot: "D-4" }],
    });
  });
  test("says what runs short by its length, what is gone for good, and what can be had only now", async () => {
    const [yarnWanted] = plan.wanted;
    if (!yarnWanted) throw new Error("nothing wanted");
    const scarce = { fromMm: 5, toMm: 6, asked: 20_000_000 };
    const wanted = [
      { ...yarnWanted, scarce },
      { ...yarnWanted, material: "JAY", materialName: "blue jay", discontinued: true },
    ];
    const season = { material: "HT", materialName: "winter hare", unit: "ug" as const, supplier: "Mending Basket" };
    const seasons = [{ ...season, until: "2026-12-31", again: "2027-10-01", quantity: 12_000_000 }];
    const server = things.server().answer(planBuying, { ...plan, wanted, seasons });
    const { screen } = await mountIn(server, BuyingPlan, {});
    await settle();
    const text = screen.text();
    expect(text).toContain("by its scarcest length, 5–6 mm");
    expect(text).toContain("blue jay is not made any more");
    expect(text).toMatch(/winter hare is to be had until .*31 Dec.* only/);
    expect(text).toMatch(/takes 12.* more until then/);
  });
  test("a mix that is not proved says how much less it could be at most", async () => {
    const server = things.server().answer(planBuying, { ...plan, proved: false, boundCents: 600 });
    const { screen } = await mountIn(server, BuyingPlan, {});
    await settle();
    expect(screen.text()).toMatch(/at best 6\.00/);
  });
  test("at the least price is asked for anew", async () => {
    const server = things.server().answer(planBuying, plan);
    const { screen } = await mountIn(server, BuyingPlan, {});
    await settle();
    await click(screen, "at the least price");
    await settle();
    expect(server.of(planBuying).map((a) => a.query)).toEqual([
      expect.objectContaining({ first: "time" }),
      expect.objectContaining({ first: "price" }),
    ]);
  });
});

describe("an order to a supplier", () => {
  const open = async (of: Partial<Purchase>, more: (s: ReturnType<typeof things.server>) => void) => {
    const server = things.server().answer(readPurchase, purchase(of));
    more(server);
    const { screen } = await mountIn(server, PurchasePage, { id: things.id(7) });
    await settle();
    return { server, screen };
  };
  test("is changed until it is sent, from the version that was read", async () => {
    const { server, screen } = await open({}, (s) =>
      s.answer(editPurchase, { ok: true }).answer(sendPurchase, { ok: true }),
    );
    expect(screen.findAll("button").some((b) => b.text() === "Keep the changes")).toBe(false);
    await screen.get("[aria-label='Packs of peat yarn']").setValue(4);
    await click(screen, "Keep the changes");
    await settle();
    expect(server.of(editPurchase)[0]?.body).toMatchObject({ version: 3, lines: [{ material: "YA", packs: 4 }] });
    await click(screen, "Send it");
    await settle();
    expect(server.of(sendPurchase)[0]?.body).toEqual({ version: 3 });
  });
  test("one that takes letters only is marked as posted, and has no note to read", async () => {
    const draft = await open({ byLetter: true }, () => undefined);
    expect(draft.screen.text()).toContain("It is posted");
    const sent = await open({ byLetter: true, state: "sent", expectedOn: "2026-12-01" }, () => undefined);
    expect(sent.screen.text()).toContain("about Tue 1 Dec");
    expect(sent.screen.text()).not.toContain("Read the delivery note");
  });
  test("a delivery in another dye lot is told before it is taken in; what is refused stays typed", async () => {
    const note = {
      note: "",
      lines: [{ line: things.id(8), quantity: 80_000_000, lot: "YA-P12", dyeLot: "D-5", grade: "" }],
    };
    const { server, screen } = await open({ state: "confirmed", confirmedOn: "2026-12-01" }, (s) =>
      s.answer(readDeliveryNote, note).answer(receivePurchase, () =>
        refused({
          type: "taken",
          title: "There",
          status: 409,
          detail: "A lot of that name is there already. Give it another.",
        }),
      ),
    );
    await soon(() => expect(screen.text()).toContain("Read the delivery note"));
    await click(screen, "Read the delivery note");
    await settle();
    expect(screen.text()).toMatch(/Dye lot D-4 was asked for/);
    const kept = screen.get<HTMLInputElement>("input[data-line='0']");
    expect(kept.element.value).toBe("80");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(receivePurchase)[0]?.body).toMatchObject({
      version: 3,
      lines: [{ line: things.id(8), accepted: 80_000_000, lot: "YA-P12", dyeLot: "D-5", close: false }],
    });
    expect(screen.text()).toContain("A lot of that name is there already.");
    expect(kept.element.value).toBe("80");
  });
});

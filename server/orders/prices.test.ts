import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { catalogue } from "@kasten/contract/catalogue";
import { addCustomer } from "@kasten/contract/customers";
import { addOrder, editOrder, type Order } from "@kasten/contract/orders";
import { readRecipes, savePattern } from "@kasten/contract/patterns";
import { readSettings, saveSettings } from "@kasten/contract/settings";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { typedOrder } from "../testing/orders";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
  const { version, ...settings } = await owner.ok(readSettings);
  const breaks = [
    { dozens: 4, percent: 5 },
    { dozens: 8, percent: 10 },
  ];
  await owner.ok(saveSettings, { body: { ...settings, breaks, version } });
});
afterAll(() => room.stop());

const prices = (order: Order) => order.lines.map((l) => l.pricePerDozenCents);
const ordered = async (text: string) => owner.ok(addOrder, { body: await typedOrder(owner, text) });
const listPrice = async (): Promise<number> => {
  const { patterns } = await owner.ok(catalogue);
  return patterns.find((p) => p.id === "slate-wisp")?.pricePerDozenCents ?? 0;
};

describe("the price of a line", () => {
  test("takes the break that all sizes of its pattern in the order reach together, and no other pattern's", async () => {
    const list = await listPrice();
    expect(list).toBeGreaterThan(1000);
    const order = await ordered(
      "2dz Slate Wisp 12 slate, 2dz Slate Wisp 14 slate, 1dz Net Loft 12 grey; Ida Pellworth, in 9 weeks",
    );
    const [twelve, fourteen, loft] = prices(order);
    expect([twelve, fourteen]).toEqual([Math.round(list * 0.95), Math.round(list * 0.95)]);
    const [alone] = prices(await ordered("1dz Net Loft 12 grey; Ida Pellworth, in 9 weeks"));
    expect(loft).toBe(alone);
    const [few] = prices(await ordered("3dz Slate Wisp 12 slate; Ida Pellworth, in 9 weeks"));
    expect(few).toBe(list);
  });
  test("stays as agreed while the order reaches the same break, and follows it when another is reached", async () => {
    const list = await listPrice();
    const order = await ordered("4dz Slate Wisp 12 slate; Ida Pellworth, in 9 weeks");
    const to = async (o: Order, dozens: number) => {
      const typed = await typedOrder(owner, `${dozens}dz Slate Wisp 12 slate; Ida Pellworth, in 9 weeks`);
      const lines = typed.lines.map((l) => ({ ...l, id: o.lines[0]?.id }));
      return owner.ok(editOrder, { params: { id: o.id }, body: { ...typed, lines, version: o.version } });
    };
    const six = await to(order, 6);
    expect(prices(six)).toEqual(prices(order));
    const eight = await to(six, 8);
    expect(prices(eight)).toEqual([Math.round(list * 0.9)]);
    expect(prices(await to(eight, 2))).toEqual([list]);
  });
  test("takes the customer's per cent of what is left", async () => {
    const list = await listPrice();
    const destination = { noLead: false, barblessOnly: false, forbiddenSpecies: [] };
    const body = { name: "Fen Causeway Inn", kind: "", rank: 3, policy: "tier" as const, discount: 12, note: "" };
    await owner.ok(addCustomer, { body: { ...body, destination } });
    expect(prices(await ordered("1dz Slate Wisp 12 slate; Fen Causeway Inn, in 9 weeks"))).toEqual([
      Math.round(list * 0.88),
    ]);
    expect(prices(await ordered("4dz Slate Wisp 12 slate; Fen Causeway Inn, in 9 weeks"))).toEqual([
      Math.round(list * 0.95 * 0.88),
    ]);
    for (const discount of [-1, 61, 2.5]) {
      const refused = await owner.refused(addCustomer, {
        body: { ...body, name: `Nobody ${discount}`, destination, discount },
      });
      expect(refused.status, String(discount)).toBe(400);
    }
  });
  test("is that of its size and colour where the pattern has one for them", async () => {
    const entry = (await owner.ok(catalogue)).patterns.find((p) => p.id === "slate-wisp");
    const [kept] = (await owner.ok(readRecipes, { query: { of: "slate-wisp" as never } })).recipes;
    if (!entry || !kept) throw new Error("no pattern");
    const { id, name, style, origin, species } = entry;
    const recipe = { ...kept.recipe, prices: [{ sizes: { from: "10", to: "12" }, perDozenCents: 4000 }] };
    await owner.ok(savePattern, {
      params: { id },
      body: { base: kept.version, note: "dearer when large", pattern: { id, name, style, origin, species, recipe } },
    });
    const order = await ordered("1dz Slate Wisp 12 slate, 1dz Slate Wisp 14 slate; Ida Pellworth, in 9 weeks");
    expect(prices(order)).toEqual([4000, recipe.pricePerDozenCents]);
  });
});

describe("breaks of the room", () => {
  test.each<[string, { dozens: number; percent: number }[]]>([
    ["from one dozen", [{ dozens: 1, percent: 5 }]],
    ["a whole price off", [{ dozens: 6, percent: 100 }]],
    ["nothing off", [{ dozens: 6, percent: 0 }]],
    [
      "twice the same",
      [
        { dozens: 6, percent: 5 },
        { dozens: 6, percent: 7 },
      ],
    ],
  ])("%s is refused", async (_what, breaks) => {
    const { version, ...settings } = await owner.ok(readSettings);
    const refused = await owner.refused(saveSettings, { body: { ...settings, breaks, version } });
    expect(refused.status).toBe(400);
  });
});

// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { listSeasonNeeds, type SeasonNeed } from "@kasten/contract/materials";
import { mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import SeasonNeeds from "./SeasonNeeds.vue";

beforeEach(() => localStorage.clear());
const need = (more: Partial<SeasonNeed>): SeasonNeed => ({
  material: "WI-CU",
  materialName: "copper wire",
  colour: "#b87333",
  unit: "um",
  side: null,
  area: null,
  barb: null,
  need: 90_000_000,
  free: 40_000_000,
  short: 50_000_000,
  firstFor: "2027-03-12",
  orderBy: "2027-01-04",
  proposal: {
    supplier: "Plume Wharf",
    packs: 3,
    packWords: "20 m",
    priceCents: 900,
    leadDays: 10,
    arrives: "2026-12-07",
  },
  milled: false,
  orders: [{ id: things.id(40), number: 12, next: "2027-03-12", need: 90_000_000 }],
  ...more,
});
const shown = async (
  needs: SeasonNeed[],
  unknown: { id: string; number: number; line: string; why: string }[] = [],
) => {
  const { screen } = await mountIn(things.server().answer(listSeasonNeeds, { needs, unknown }), SeasonNeeds);
  await settle();
  return screen;
};

describe("what standing orders will need", () => {
  test("says what is short, from whom it comes and by when to order it, and for which orders", async () => {
    const screen = await shown([need({})]);
    const row = screen.get("tbody tr").text();
    expect(row).toContain("50 m");
    expect(row).toContain("order 3 × 20 m from Plume Wharf, 9.00");
    expect(row).toContain("by 4 Jan 2027");
    expect(screen.get(`a[href='/orders/${things.id(40)}']`).attributes("title")).toBe("90 m for 12 Mar 2027");
    expect(screen.text()).toContain("Of 1 there will not be enough");
  });
  test.each([
    ["there is enough", need({ free: 90_000_000, short: 0, orderBy: null, proposal: null }), "there is enough"],
    ["a blend is milled", need({ milled: true, orderBy: null, proposal: null }), "mill it from its parts"],
    ["nobody sells it", need({ orderBy: null, proposal: null }), "find a supplier"],
    ["a feather by its side and barb", need({ side: "left", barb: [9, 11.25] }), "barbs 9–11.3 mm"],
  ])("%s", async (_name, n, words) => {
    expect((await shown([n])).get("tbody tr").text()).toContain(words);
  });
  test("what cannot be reckoned is told with why, above what can", async () => {
    const why = "It has no colour “moonlight”.";
    const screen = await shown([need({})], [{ id: things.id(41), number: 13, line: "3 dz Slate Wisp 16", why }]);
    expect(screen.get(".callout").text()).toMatch(/3 dz Slate Wisp 16 of order 13 is not reckoned:\s+It has no colour/);
    expect(screen.findAll("tbody tr")).toHaveLength(1);
  });
  test("none stands: says how one becomes a standing order", async () =>
    expect((await shown([])).text()).toContain("Open an order and make it a standing one"));
});

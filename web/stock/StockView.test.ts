// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import type { ReplyOf } from "@kasten/contract/http";
import { arrangeDrawers, findStock, listBobbins, listDrawers, listStock, type StockItem } from "@kasten/contract/stock";
import { mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import StockView from "./StockView.vue";

type Drawer = ReplyOf<typeof listDrawers>["drawers"][number];
const drawer = (id: number, code: string, more: Partial<Drawer> = {}): Drawer => ({
  id,
  code,
  name: `Drawer ${code}`,
  cabinet: "",
  row: null,
  position: null,
  materials: 1,
  lots: 1,
  ...more,
});
const item = (code: string, of: Partial<StockItem>): StockItem => {
  const { lotList: _lots, movements: _moves, sources: _sources, ...rest } = things.stock();
  const {
    colourName: _name,
    caution: _caution,
    measured: _measured,
    fliesLeft: _left,
    skinYield: _yield,
    ...plain
  } = rest;
  return { ...plain, code, name: `wire ${code}`, ...of };
};
const open = async (drawers: Drawer[], items: StockItem[]) => {
  const server = things
    .server()
    .answer(listDrawers, { drawers })
    .answer(listBobbins, { bobbins: [] })
    .answer(listStock, { items, waiting: [], fliesOnShelf: [] })
    .answer(findStock, { found: [] })
    .answer(arrangeDrawers, { ok: true });
  const { screen } = await mountIn(server, StockView);
  await settle();
  return { server, screen };
};
const fronts = (screen: Awaited<ReturnType<typeof open>>["screen"]) =>
  screen.findAll("section[aria-label^='Drawer ']").map((s) => s.attributes("aria-label"));

describe("the cabinet", () => {
  const placed = [
    drawer(1, "A1", { cabinet: "left", row: 1, position: 2 }),
    drawer(2, "A2", { cabinet: "left", row: 1, position: 1 }),
    drawer(3, "B1"),
  ];
  const items = [
    item("w1", { drawer: "A1", full: 0.25, needed: 90_000_000, coversDozens: 4 }),
    item("w2", { drawer: "B1", full: 1, needed: 1, coversDozens: 12 }),
  ];

  test("stands as it was placed, with how full, how far it goes, and empty drawers too", async () => {
    const { screen } = await open(placed, items);
    expect(fronts(screen)).toEqual(["Drawer A2", "Drawer A1", "Drawer B1"]);
    expect(screen.findAll("h2").map((h) => h.text())).toEqual(expect.arrayContaining(["left", "Not placed yet"]));
    expect(screen.get("[aria-label='25 % left of what came']")).toBeTruthy();
    expect(screen.text()).toContain("runs out after 4 dz");
    expect(screen.text()).toContain("covers all 12 dz");
  });

  test("what is typed leaves the drawers that hold it", async () => {
    const { screen } = await open(placed, items);
    await screen.get("input[type=search]").setValue("w2");
    await settle();
    expect(fronts(screen)).toEqual(["Drawer B1"]);
  });

  test("is arranged by the arrow keys, and kept as a whole", async () => {
    const { server, screen } = await open(placed, items);
    await screen
      .findAll("button")
      .find((b) => b.text() === "Arrange the wall")
      ?.trigger("click");
    await settle();
    const chip = () => screen.findAll("button.chip").find((b) => b.text() === "A1");
    await chip()?.trigger("keydown", { key: "ArrowLeft" });
    await settle();
    await screen
      .findAll("button")
      .find((b) => b.text() === "Keep the wall so")
      ?.trigger("click");
    await settle();
    expect(server.of(arrangeDrawers)[0]?.body.drawers).toEqual([
      { id: 1, cabinet: "left", row: 1, position: 1 },
      { id: 2, cabinet: "left", row: 1, position: 2 },
      { id: 3, cabinet: "", row: null, position: null },
    ]);
  });
});

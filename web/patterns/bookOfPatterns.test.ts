// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { recipe } from "@kasten/core/testing";
import { materialPrices } from "@kasten/contract/materials";
import { patternVersions, readRecipes, type PatternEntry } from "@kasten/contract/patterns";
import { listStock, type StockItem } from "@kasten/contract/stock";
import { listPeople } from "@kasten/contract/team";
import { defineComponent } from "vue";
import { mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import SubstituteTable from "./SubstituteTable.vue";
import TakenAway from "./TakenAway.vue";
import { useBook } from "./useBook";
import VersionList from "./VersionList.vue";

beforeEach(() => localStorage.clear());
const names = (list: PatternEntry[]): string[] => list.map((p) => p.name);
const item = (code: string, of: Partial<StockItem> = {}): StockItem => ({
  code,
  name: code,
  form: "wire",
  unit: "um",
  colour: null,
  drawer: "C4",
  quantity: 10,
  reserved: 0,
  lots: 1,
  lead: false,
  full: null,
  coversDozens: null,
  needed: 0,
  ...of,
});

describe("the recipe book", () => {
  const patterns = [
    things.entry({ id: "a", name: "Yard Nymph", style: "nymph", materials: ["wire", "fur"], skills: [] }),
    things.entry({
      id: "b",
      name: "Harbour Dry",
      style: "dry",
      sizes: { from: "14", to: "18" },
      materials: ["hackle"],
      skills: ["hackling"],
    }),
    things.entry({
      id: "c",
      name: "Pike Thing",
      style: "streamer",
      sizes: { from: "2/0", to: "2" },
      skills: [],
      materials: ["plume"],
    }),
    things.entry({
      id: "d",
      name: "Half Told",
      style: "nymph",
      missing: ["the hook"],
      materials: [],
      sizes: { from: "", to: "" },
    }),
  ];
  const stock = [item("wire"), item("fur", { drawer: "B1" }), item("hackle", { quantity: 4, reserved: 4 })];
  const open = async () => {
    let book: ReturnType<typeof useBook> | undefined;
    const holder = defineComponent({ setup: () => ((book = useBook()), () => null) });
    const people = [
      things.person({ id: things.id(3), name: "Ben", skills: ["hackling"] }),
      things.person({ id: things.id(4), name: "Cal", skills: [], role: "tier" }),
    ];
    const server = things
      .server({}, { patterns })
      .answer(listPeople, { people })
      .answer(listStock, { items: stock, waiting: [], fliesOnShelf: [] });
    await mountIn(server, holder);
    if (!book) throw new Error("no book");
    return book;
  };

  test.each<[string, Partial<Awaited<ReturnType<typeof open>>["wanted"]>, string[]]>([
    ["by a beginning", { words: "harb" }, ["Harbour Dry"]],
    ["by a word with one slip in it", { words: "harbuor" }, []],
    ["by a word with a letter wrong", { words: "harbuur" }, ["Harbour Dry"]],
    ["by two words that both must fit", { words: "yard nymph" }, ["Yard Nymph"]],
    ["by its style", { style: "nymph" }, ["Yard Nymph", "Half Told"]],
    ["by a size that it comes in", { size: "18" }, ["Harbour Dry"]],
    ["by an aught size", { size: "1/0" }, ["Pike Thing"]],
    ["by what it is tied of", { material: "plume" }, ["Pike Thing"]],
    ["by what is on hand, put by for nobody", { onHand: true }, ["Yard Nymph"]],
    ["by who can tie it", { person: things.id(4) }, ["Yard Nymph", "Pike Thing"]],
    ["from a drawer", { drawer: "B1" }, ["Yard Nymph"]],
    ["by nothing that there is", { words: "moonlight" }, []],
  ])("is found %s", async (_name, wanted, found) => {
    const book = await open();
    Object.assign(book.wanted, wanted);
    await settle();
    expect(names(book.list.value).sort()).toEqual([...found].sort());
    expect(book.narrowed.value).toBe(true);
  });

  test("is whole again when the filters are taken away, and offers only what there is", async () => {
    const book = await open();
    book.wanted.style = "dry";
    await settle();
    book.clear();
    await settle();
    expect(book.list.value).toHaveLength(4);
    expect(book.narrowed.value).toBe(false);
    expect(book.drawers.value).toEqual(["B1", "C4"]);
    expect(book.styles.value).toEqual(["dry", "nymph", "streamer"]);
    // Small sizes go by two, large ones one by one.
    expect(book.sizes.value).toEqual(["2/0", "1/0", "1", "2", "3", "4", "6", "8", "10", "12", "14", "16", "18"]);
  });

  test("says how many of a pattern's materials lie in a drawer", async () => {
    const book = await open();
    book.wanted.drawer = "C4";
    await settle();
    expect(book.list.value.map((p) => [p.name, book.inDrawer(p)])).toEqual([["Yard Nymph", 1]]);
  });
});

describe("the versions of a pattern", () => {
  const version = (n: number, batches: number[] = []) => ({
    version: n,
    at: "2026-11-02T09:00:00Z",
    person: "Ada",
    note: n === 2 ? "more turns" : "",
    batches,
  });
  test("say who made them, which batches are bound to one, and what the last one changed", async () => {
    const older = recipe();
    const newer = recipe();
    newer.minutesPerFly = older.minutesPerFly + 2;
    const server = things
      .server()
      .answer(patternVersions, { versions: [version(2), version(1, [7, 9])] })
      .answer(readRecipes, {
        recipes: [
          { id: "yard-nymph", version: 1, current: false, recipe: older },
          { id: "yard-nymph", version: 2, current: true, recipe: newer },
        ],
      });
    const { screen } = await mountIn(server, VersionList, { id: "yard-nymph" });
    await settle();
    const items = screen.findAll("li").map((r) => r.text());
    expect(items[0]).toContain("more turns");
    expect(items[1]).toContain("bound: batch 7, 9");
    expect(screen.text().replace(/\s+/g, " ")).toContain("From version 1 to 2");
    const change = screen.findAll("tbody tr").map((r) => r.text());
    expect(change).toHaveLength(1);
    expect(change[0]).toContain(String(newer.minutesPerFly));
  });
});

describe("what another choice changes", () => {
  const choice = { size: "12", variant: "olive", form: recipe().forms[0]?.id ?? "" };
  test("a part left out is told with what it spares, and what it takes away", async () => {
    const server = things.server().answer(materialPrices, { prices: [] });
    const { screen } = await mountIn(server, SubstituteTable, { recipe: recipe(), choice });
    const leaving = screen
      .findAll("li")
      .map((r) => r.text())
      .filter((t) => t.startsWith("Leave out"));
    expect(leaving.length).toBeGreaterThan(0);
    expect(leaving.join()).toContain("For 10 dozen:");
    // Nobody has bought anything yet: a price that nobody knows is said, and is not nought.
    expect(leaving.join()).toContain("nobody knows a price of");
  });
  test("nothing is said of a fly that is tied as its pattern has it", async () => {
    const { screen } = await mountIn(things.server(), TakenAway, { recipe: recipe(), choice });
    expect(screen.find("section").exists()).toBe(false);
  });
});

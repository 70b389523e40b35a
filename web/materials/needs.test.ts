// @vitest-environment happy-dom
import { beforeEach, expect, test } from "vitest";
import { reserveAllAnew } from "@kasten/contract/batches";
import { listNeeds, type Need } from "@kasten/contract/materials";
import { mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import NeedsTable from "./NeedsTable.vue";

beforeEach(() => localStorage.clear());
const need = (of: Partial<Need> = {}): Need => ({
  material: "wire",
  materialName: "copper wire",
  colour: null,
  unit: "um",
  side: null,
  area: null,
  drawer: "C4",
  need: 5_000_000,
  inDrawers: 2_000_000,
  reserved: 1_000_000,
  short: 3_000_000,
  classes: [],
  coming: 0,
  comesOn: null,
  toOrder: 3_000_000,
  batches: [
    { id: things.id(40), number: 40, pattern: "Yard Nymph", issue: 5_000_000, reserved: 1_000_000, due: "2026-12-18" },
  ],
  batchCount: 1,
  milled: false,
  proposal: null,
  ...of,
});
const proposal = {
  supplier: "The Wool Cellar",
  packs: 2,
  packWords: "spool of 5 m",
  priceCents: 1180,
  leadDays: 5,
  arrives: "2026-12-04",
};
const hooks = need({
  material: "hook:N:12",
  materialName: "Nymph, 12",
  unit: "count",
  need: 26,
  inDrawers: 100,
  reserved: 26,
  short: 0,
  toOrder: 0,
});

const open = async (needs: Need[], who: Parameters<typeof things.server>[0] = {}) => {
  const server = things.server(who).answer(listNeeds, { needs });
  return { server, ...(await mountIn(server, NeedsTable)) };
};
const rows = (screen: Awaited<ReturnType<typeof open>>["screen"]) =>
  screen.findAll("tbody tr").map((r) => r.text().replace(/\s+/g, " "));

test.each<[string, Partial<Need>, RegExp]>([
  [
    "an order that would bring it",
    { proposal },
    /short 3(\.0)? m Order 2 × spool of 5 m from The Wool Cellar, .*11[.,]80.*here by/,
  ],
  ["a mill, of a blend", { milled: true }, /Mill it from its parts: log the milling on batch 40/],
  ["nobody who sells it", {}, /short 3(\.0)? m Find a supplier\./],
  ["all of it on its way", { toOrder: 0, coming: 3_000_000, comesOn: "2026-12-01" }, /3(\.0)? m comes .*1 Dec/],
])("what is short stands with what to do: %s", async (_case, of, says) => {
  const { screen } = await open([need(of)]);
  const [row = ""] = rows(screen);
  expect(row).toMatch(says);
  if (of.toOrder === 0) expect(row).not.toContain("short");
});

test("what is covered says so, and is left out where only what is short is asked for", async () => {
  const { screen } = await open([hooks, need()]);
  expect(rows(screen)[0]).toContain("covered");
  expect(screen.get("[role=switch]").element.parentElement?.textContent).toContain("1");
  await screen.get("[role=switch]").trigger("click");
  await settle();
  expect(rows(screen)).toHaveLength(1);
  expect(rows(screen)[0]).toContain("copper wire");
});

test("the bar is as long as the share that is there and that is reserved", async () => {
  const { screen } = await open([need()]);
  const widths = screen.findAll("tbody svg[preserveAspectRatio=none] rect").map((r) => r.attributes("width"));
  expect(widths).toEqual(["100", "40%", "20%"]);
});

test("side and part of the skin tell needs of one material apart", async () => {
  const { screen } = await open([need({ side: "left", area: "upper wing" }), need({ side: "right" })]);
  expect(rows(screen)).toHaveLength(2);
});

test("of many batches the first six are named, and how many more there are", async () => {
  const batches = Array.from({ length: 8 }, (_, i) => ({
    id: things.id(40 + i),
    number: 40 + i,
    pattern: "Yard Nymph",
    issue: 1,
    reserved: 0,
    due: "2026-12-18",
  }));
  const { screen } = await open([need({ batches, batchCount: 11 })]);
  const links = screen.findAll("tbody a").filter((a) => a.attributes("href")?.startsWith("/batches/"));
  expect(links.map((l) => l.text())).toEqual(["40", "41", "42", "43", "44", "45"]);
  expect(rows(screen)[0]).toMatch(/\+\s5/);
});

test("all batches are reserved anew by whoever makes them up; a refusal is told", async () => {
  const { server, screen } = await open([need()]);
  server.answer(reserveAllAnew, () =>
    refused({ type: "conflict", title: "Busy", status: 409, detail: "A stock-take is open." }),
  );
  await screen
    .findAll("button")
    .find((b) => b.text().startsWith("Reserve all"))
    ?.trigger("click");
  await settle();
  expect(server.of(reserveAllAnew)).toHaveLength(1);
  expect(screen.text()).toContain("A stock-take is open.");
  screen.unmount();
  const shop = await open([need()], { role: "shop" });
  expect(shop.screen.text()).not.toContain("Reserve all planned batches anew");
});

test("no need at all is told apart from nothing that is short", async () => {
  const { screen } = await open([]);
  expect(screen.text()).toContain("No open batch needs anything.");
  screen.unmount();
  const covered = await open([hooks]);
  await covered.screen.get("[role=switch]").trigger("click");
  await settle();
  expect(covered.screen.text()).toContain("Nothing is short.");
});

// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import { catalogue } from "@kasten/contract/catalogue";
import { listSuppliers } from "@kasten/contract/purchasing";
import {
  countLot,
  describeLot,
  gradeLot,
  letGoLot,
  mergeLot,
  readLot,
  readScale,
  readStock,
  type LotPage as Lot,
} from "@kasten/contract/stock";
import { choose, fieldOf, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import LotPage from "./LotPage.vue";

const lot = (of: Partial<Lot> = {}): Lot => ({
  id: things.id(5),
  code: "cape 7",
  material: {
    code: "HK",
    name: "stiff hackle",
    form: "hackle",
    unit: "count",
    colour: null,
    caution: null,
    lead: false,
    species: null,
    standing: null,
  },
  traits: {},
  centsPerUsable: null,
  photoAt: null,
  fliesLeft: null,
  stillMakes: [],
  soldAs: "cape",
  supplierId: null,
  supplier: null,
  dyeLot: "",
  grade: "",
  priceCents: null,
  priceFor: null,
  openedOn: null,
  expiresOn: null,
  apartUntil: null,
  origin: "",
  papers: "",
  note: "",
  receivedAt: "2026-10-01T08:00:00Z",
  remnant: false,
  side: null,
  barb: null,
  skin: null,
  classes: [],
  places: [{ placeId: 12, code: "C31", name: "Drawer C31", kind: "drawer", quantity: 300, reserved: 0, claims: [] }],
  movements: [],
  batches: [],
  counts: [],
  version: 4,
  ...of,
});
const open = async (of: Partial<Lot> = {}, more: (s: ReturnType<typeof things.server>) => void = () => undefined) => {
  const server = things
    .server()
    .answer(readLot, lot(of))
    .answer(readScale, { connected: false, standIn: false })
    .answer(listSuppliers, { suppliers: [] });
  more(server);
  const { screen } = await mountIn(server, LotPage, { id: things.id(5) });
  await settle();
  return { server, screen };
};
const click = (screen: Awaited<ReturnType<typeof mountIn>>["screen"], words: string) =>
  screen
    .findAll("button")
    .find((b) => b.text().startsWith(words))
    ?.trigger("click");

describe("a lot", () => {
  test("is put right by what was counted, down to nothing", async () => {
    const { server, screen } = await open({}, (s) => s.answer(countLot, { ok: true }));
    await fieldOf(screen, "There, in pieces").setValue(0);
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(countLot)[0]?.body).toEqual({ place: 12, counted: 0, plusMinus: 0, how: "counted", note: "" });
  });
  test("a count that is refused stays typed, with what would be right", async () => {
    const { screen } = await open({}, (s) =>
      s.answer(countLot, () =>
        refused({ type: "conflict", title: "Put by", status: 409, detail: "3 feathers are put by for batches." }),
      ),
    );
    await fieldOf(screen, "There, in pieces").setValue(2);
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("3 feathers are put by for batches.");
    expect(fieldOf(screen, "There, in pieces").element).toHaveProperty("value", "2");
  });
  test("whose time apart is over asks to be looked at", async () => {
    const { server, screen } = await open({ apartUntil: "2026-01-02" }, (s) => s.answer(letGoLot, { ok: true }));
    expect(screen.text()).toContain("Look for moth");
    await screen.get(".callout input").setValue("no moth");
    await screen.get("form.callout").trigger("submit");
    await settle();
    expect(server.of(letGoLot)[0]?.body).toEqual({ version: 4, note: "no moth" });
  });
  test("is described by what it is: shares in per cent, and what nobody looked at is left out", async () => {
    const traits = { area: "shoulder", unusable: 0.25 };
    const left = { likely: 84.4, low: 60.2, high: 118, lots: 3 };
    const stillMakes = [{ batch: things.id(40), number: 40, pattern: "Yard Nymph 12", lengths: 3 }];
    const { server, screen } = await open({ traits, fliesLeft: left, stillMakes }, (s) =>
      s.answer(describeLot, { ok: true }),
    );
    expect(screen.text()).toContain("from the shoulder, 25 % of no use");
    expect(screen.text()).toContain("3 for Yard Nymph 12, batch 40");
    expect(screen.text()).toContain("about 84 (60 to 118), by what 3 lots tied");
    await click(screen, "What is known of it");
    await settle();
    expect(fieldOf(screen, "Of no use").element).toHaveProperty("value", "25");
    await fieldOf(screen, "Split or broken").setValue(10);
    await fieldOf(screen, "Longest fibre").setValue(62);
    await fieldOf(screen, "From which part of the skin").setValue("");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(describeLot)[0]?.body).toMatchObject({ traits: { unusable: 0.25, splits: 0.1, fibreMm: 62 } });
    expect(server.of(describeLot)[0]?.body.traits).not.toHaveProperty("area");
  });
  test("joins another of its material, with what is said of it", async () => {
    const other = { ...things.lotInDrawer({ id: things.id(6), code: "cape 8" }), dyeLot: "77", quantity: 9 };
    const { server, screen } = await open({}, (s) =>
      s.answer(mergeLot, { ok: true }).answer(readStock, things.stock({ lotList: [other] })),
    );
    await click(screen, "Move, split");
    await settle();
    await click(screen, "Together with another lot");
    await settle();
    await choose(screen, "Together with lot", "cape 89, dye lot 77");
    const form = screen.findAll("form").find((f) => f.text().includes("Put them together"));
    await form?.trigger("submit");
    await settle();
    expect(server.of(mergeLot)[0]?.body).toEqual({ into: things.id(6), mixDyeLots: false, note: "" });
  });
  test("that nobody can name says so, with the way out", async () => {
    const { screen } = await open({ material: { ...lot().material, standing: "unidentified" } });
    expect(screen.get("a[href='/stock/HK']").text()).toBeTruthy();
    expect(screen.text()).toContain("Nobody has said what this is");
  });
  test("a sample is typed with one hand: Enter opens the next class, and the skin is shown as it will be", async () => {
    const { server, screen } = await open({}, (s) => s.answer(gradeLot, { ok: true }));
    await click(screen, "Sort by size");
    await settle();
    await screen.get("[aria-label='Class 1 from, mm']").setValue(6);
    await screen.get("[aria-label='Class 1 to, mm']").setValue(7);
    await screen.get("[aria-label='Feathers of class 1 in the sample']").setValue(10);
    await screen.get("[aria-label='No good of class 1']").setValue(1);
    await screen.get("[aria-label='Feathers of class 1 in the sample']").trigger("keydown", { key: "Enter" });
    await settle();
    expect(screen.get<HTMLInputElement>("[aria-label='Class 2 from, mm']").element.value).toBe("7");
    await screen.get("[aria-label='Feathers of class 2 in the sample']").setValue(20);
    await settle();
    const shown = screen.findAll("form tbody tr").map((r) => r.text());
    expect(shown[0]).toMatch(/90/);
    expect(shown[1]).toMatch(/200/);
    await click(screen, "Sort the skin");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(gradeLot)[0]?.body).toMatchObject({
      place: 12,
      total: 300,
      classes: [
        { fromMm: 6, toMm: 7, side: null, sampled: 10, spoilt: 1 },
        { fromMm: 7, toMm: 8, side: null, sampled: 20, spoilt: 0 },
      ],
    });
  });
  test("says what its offcuts are still good for", async () => {
    const [first] = things.room().materials;
    if (!first) throw new Error("no material");
    const materials = [{ ...first, secondLife: "butts for legs" }];
    const { screen } = await open({ material: { ...lot().material, code: first.code } }, (server) =>
      server.answer(catalogue, things.room({ materials })),
    );
    expect(screen.text()).toContain("butts for legs");
  });
  test("says what nobody knows as unknown, not as nought", async () => {
    const { screen } = await open();
    expect(screen.text()).toMatch(/Price\s*unknown/);
    expect(screen.text()).not.toContain("0.00");
  });
});

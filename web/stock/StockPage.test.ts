// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import { countIn, readOutlook, readStock, receiveStock, type MaterialOutlook } from "@kasten/contract/stock";
import { choose, fieldOf, mountIn, settle, soon } from "../testing/room";
import { listSuppliers } from "@kasten/contract/purchasing";
import * as things from "../testing/things";
import StockPage from "./StockPage.vue";

const wire = things.stock;
const terms = { minimumCents: 0, freightCents: 0, freeFromCents: null, byLetter: false };
const suppliers = { suppliers: [{ id: "weir", name: "Weir Wires", note: "", ...terms, version: 1, materials: 1 }] };
const outlook: MaterialOutlook = {
  today: "2026-11-26",
  there: 64_100_000,
  needs: [],
  arrivals: [],
  levels: [{ day: "2026-11-26", level: 64_100_000 }],
  runsOut: null,
  orderBy: null,
  missing: 0,
  leadDays: null,
  supplier: null,
  perWeek: 0,
  reorderAt: null,
  share: null,
};
const click = (screen: Awaited<ReturnType<typeof mountIn>>["screen"], words: string) =>
  screen
    .findAll("button")
    .find((b) => b.text().startsWith(words))
    ?.trigger("click");

describe("a material in the cabinet", () => {
  test("is received in metres and kept in whole micrometres, also where a float would not be one", async () => {
    const server = things
      .server()
      .answer(listSuppliers, suppliers)
      .answer(readStock, wire())
      .answer(readOutlook, outlook)
      .answer(receiveStock, { ok: true });
    const { screen } = await mountIn(server, StockPage, { id: "wire" });
    await fieldOf(screen, "How much, in metres").setValue(64.1);
    await fieldOf(screen, "Lot").setValue("W-6");
    await choose(screen, "From", "Weir Wires");
    await screen.get("form").trigger("submit");
    await settle();
    expect(64.1 * 1_000_000).not.toBe(64_100_000);
    expect(server.of(receiveStock)[0]?.body).toMatchObject({
      quantity: 64_100_000,
      lot: "W-6",
      barb: null,
      supplier: "weir",
    });
    expect(server.of(readStock).length).toBeGreaterThan(1);
  });

  test("says on which day it runs out, and by when to order", async () => {
    const wisp = { batch: things.id(9), number: 7, pattern: "Wisp 12", piece: null };
    const needs = [{ day: "2026-12-10", quantity: 90_000_000, ...wisp }];
    const levels = [...outlook.levels, { day: "2026-12-10", level: -25_900_000 }];
    const ends = { needs, levels, runsOut: "2026-12-10", orderBy: "2026-12-03", missing: 25_900_000, leadDays: 7 };
    const server = things
      .server()
      .answer(listSuppliers, suppliers)
      .answer(readStock, wire())
      .answer(readOutlook, { ...outlook, ...ends, supplier: "Weir Wires" });
    const { screen } = await mountIn(server, StockPage, { id: "wire" });
    await settle();
    await soon(() => expect(screen.text()).toContain("Runs out on Thu 10 Dec"));
    expect(screen.text()).toMatch(/25\.9\s*m short in all/);
    expect(screen.text()).toMatch(/Order by\s*Thu 3 Dec/);
    expect(screen.get("figure svg").attributes("aria-label")).toContain("to be ordered by Thu 3 Dec");
  });

  test("what lies there already is counted in, without a supplier", async () => {
    const server = things
      .server()
      .answer(listSuppliers, suppliers)
      .answer(readStock, wire())
      .answer(readOutlook, outlook)
      .answer(countIn, { ok: true });
    const { screen } = await mountIn(server, StockPage, { id: "wire" });
    await click(screen, "Count in what lies there");
    await settle();
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(countIn), "nothing is counted in before it is said how much").toEqual([]);
    expect(screen.text()).toContain("Write something here");
    await fieldOf(screen, "Counted, in metres").setValue(2.5);
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(countIn)[0]?.body).toMatchObject({ quantity: 2_500_000, lot: "" });
  });
});

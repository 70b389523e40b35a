// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import { countIn, correctStock, readStock, receiveStock, type StockDetail } from "@kasten/contract/stock";
import { choose, fieldOf, mountIn, refused, settle } from "../testing/room";
import { listSuppliers } from "@kasten/contract/purchasing";
import * as things from "../testing/things";
import StockPage from "./StockPage.vue";

const wire = (of: Partial<StockDetail> = {}): StockDetail => ({
  code: "wire",
  name: "copper wire",
  form: "wire",
  unit: "um",
  colour: null,
  drawer: "C4",
  quantity: 64_100_000,
  reserved: 0,
  lots: 1,
  lead: false,
  coversDozens: null,
  needed: 0,
  colourName: null,
  caution: null,
  measured: false,
  lotList: [
    {
      id: things.id(5),
      code: "W-5",
      dyeLot: "",
      grade: "",
      side: null,
      barb: null,
      receivedAt: "2026-10-01T08:00:00Z",
      place: "C4",
      placeId: 12,
      quantity: 64_100_000,
      reserved: 0,
      remnant: false,
    },
  ],
  movements: [],
  sources: [],
  ...of,
});
const suppliers = { suppliers: [{ id: "weir", name: "Weir Wires", note: "", version: 1, materials: 1 }] };
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

  test("is put right by what was counted, down to nothing, with a reason", async () => {
    const server = things
      .server()
      .answer(listSuppliers, suppliers)
      .answer(readStock, wire())
      .answer(correctStock, { ok: true });
    const { screen } = await mountIn(server, StockPage, { id: "wire" });
    await click(screen, "Count it");
    await screen.get("[aria-label='Counted, in metres']").setValue(0);
    await screen.get("[aria-label='Why it differs']").setValue("the spool was empty");
    await screen.get("td form").trigger("submit");
    await settle();
    expect(server.of(correctStock)[0]?.body).toEqual({
      lot: things.id(5),
      place: 12,
      counted: 0,
      note: "the spool was empty",
    });
  });

  test("a count that is refused stays typed, with what would be right", async () => {
    const server = things
      .server()
      .answer(listSuppliers, suppliers)
      .answer(readStock, wire())
      .answer(correctStock, () =>
        refused({ type: "not-enough-stock", title: "Reserved", status: 409, detail: "3 m are reserved for batch 7." }),
      );
    const { screen } = await mountIn(server, StockPage, { id: "wire" });
    await click(screen, "Count it");
    await screen.get("[aria-label='Counted, in metres']").setValue(1.5);
    await screen.get("[aria-label='Why it differs']").setValue("counted");
    await screen.get("td form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("3 m are reserved for batch 7.");
    expect(screen.get<HTMLInputElement>("[aria-label='Counted, in metres']").element.value).toBe("1.5");
  });

  test("what lies there already is counted in, without a supplier", async () => {
    const server = things
      .server()
      .answer(listSuppliers, suppliers)
      .answer(readStock, wire())
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

// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import { correctStock, readStock, receiveStock, type StockDetail } from "@kasten/contract/stock";
import { mountIn, refused, settle } from "../testing/room";
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
const click = (screen: Awaited<ReturnType<typeof mountIn>>["screen"], words: string) =>
  screen
    .findAll("button")
    .find((b) => b.text().startsWith(words))
    ?.trigger("click");

describe("a material in the cabinet", () => {
  test("is received in metres and kept in whole micrometres, also where a float would not be one", async () => {
    const server = things.server().answer(readStock, wire()).answer(receiveStock, { ok: true });
    const { screen } = await mountIn(server, StockPage, { id: "wire" });
    const receive = screen.findAll("form").at(-1);
    await receive?.get("input[type=number]").setValue(64.1);
    await receive?.findAll("input")[1]?.setValue("W-6");
    await receive?.trigger("submit");
    await settle();
    expect(64.1 * 1_000_000).not.toBe(64_100_000);
    expect(server.of(receiveStock)[0]?.body).toMatchObject({ quantity: 64_100_000, lot: "W-6", barb: null });
    expect(server.of(readStock).length).toBeGreaterThan(1);
  });

  test("is put right by what was counted, down to nothing, with a reason", async () => {
    const server = things.server().answer(readStock, wire()).answer(correctStock, { ok: true });
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
});

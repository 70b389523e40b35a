// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import { addBobbin, listBobbins, loadBobbin, readStock, unloadBobbin, type Bobbin } from "@kasten/contract/stock";
import { choose, mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import BobbinRack from "./BobbinRack.vue";

const loaded: Bobbin = {
  id: 40,
  code: "B1",
  load: {
    lot: things.id(5),
    lotCode: "T-1",
    dyeLot: "",
    material: "thread",
    name: "thread 70, grey",
    colour: "#888888",
    unit: "um",
    quantity: 40_000_000,
    reserved: 0,
  },
};
const open = async (bobbins: Bobbin[], more: (s: ReturnType<typeof things.server>) => void = () => undefined) => {
  const server = things.server().answer(listBobbins, { bobbins });
  more(server);
  const { screen } = await mountIn(server, BobbinRack);
  await settle();
  return { server, screen };
};

describe("the bobbins", () => {
  test("say what is on each and how much is left; a loaded one is unloaded, not loaded again", async () => {
    const { server, screen } = await open([loaded], (s) => s.answer(unloadBobbin, { ok: true }));
    expect(screen.text()).toContain("thread 70, grey");
    expect(screen.text()).toContain("40");
    const buttons = screen.findAll("li button").map((b) => b.text());
    expect(buttons).toEqual(["Unload: B1"]);
    await screen.get("li button").trigger("click");
    await settle();
    expect(server.of(unloadBobbin).map((a) => a.params)).toEqual([{ id: "40" }]);
  });

  test("an empty one is loaded from a lot of which some is free in a drawer", async () => {
    const kit = things.lotInDrawer({ id: things.id(6), code: "W-6", inKit: true });
    const { server, screen } = await open([{ id: 41, code: "B2", load: null }], (s) =>
      s
        .answer(loadBobbin, { ok: true })
        .answer(readStock, things.stock({ lotList: [things.lotInDrawer({ reserved: 4_100_000 }), kit] })),
    );
    await screen
      .findAll("button")
      .find((b) => b.text().startsWith("Load"))
      ?.trigger("click");
    await settle();
    await screen.get("[aria-label='All of With']").trigger("click");
    await settle();
    await screen.get("input[role=combobox]").trigger("keydown", { key: "Enter" });
    await settle();
    await choose(screen, "From lot", "W-560 m");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(loadBobbin)[0]).toMatchObject({ params: { id: "41" }, body: { lot: things.id(5), place: 12 } });
  });

  test("a new one has a code", async () => {
    const { server, screen } = await open([], (s) => s.answer(addBobbin, { id: 50 }));
    expect(screen.text()).toContain("None yet");
    await screen.get("input[maxlength]").setValue(" B9 ");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(addBobbin)[0]?.body).toEqual({ code: "B9" });
  });
});

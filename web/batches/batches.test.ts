// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { editBatch, pullBatch, readBatch, releaseBatch, reserveBatch } from "@kasten/contract/batches";
import { choose, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import BatchPage from "./BatchPage.vue";
import PullSheet from "./PullSheet.vue";

beforeEach(() => localStorage.clear());
const id = things.id(40);
const lot = (n: number, quantity: number, place = "A2") => ({
  lot: things.id(n),
  lotCode: `L${n}`,
  dyeLot: "",
  place,
  quantity,
  cut: null,
  about: [],
});

describe("a batch", () => {
  test("is reserved first; then it may be released, with the version that was read", async () => {
    let batch = things.batch();
    const server = things
      .server()
      .answer(readBatch, () => batch)
      .answer(reserveBatch, () => {
        batch = things.batch({ requirements: [things.requirement({ reserved: [lot(1, 26)] })] });
        return { short: [] };
      })
      .answer(releaseBatch, { ok: true });
    const { screen } = await mountIn(server, BatchPage, { id });
    const main = () => screen.get("button.btn-main");
    expect(main().text()).toBe("Reserve what is there");
    await main().trigger("click");
    await settle();
    expect(main().text()).toBe("Release to the bench");
    await main().trigger("click");
    await settle();
    expect(server.of(releaseBatch)[0]).toMatchObject({ params: { id }, body: { version: 5 } });
  });

  test("is not released while something holds it, and the reasons are told", async () => {
    const held = ["The thread is short by 2 m; reserve another spool."];
    const server = things.server().answer(readBatch, things.batch({ held_back: held }));
    const { screen } = await mountIn(server, BatchPage, { id });
    const release = screen.findAll("button").find((b) => b.text() === "Release to the bench");
    expect(release?.attributes("disabled")).toBeDefined();
    const reasons = screen.findAll("button").find((b) => b.text().includes("1 reason"));
    await reasons?.trigger("click");
    expect(screen.text()).toContain(held[0]);
  });

  test("leaving out, taking another material and buying change the choice and nothing else of it", async () => {
    const buyable = [{ component: "legs", role: "legs", bought: "made legs", makeMinutes: 1.5 }];
    const server = things.server().answer(readBatch, things.batch({ buyable })).answer(editBatch, { ok: true });
    const { screen } = await mountIn(server, BatchPage, { id });
    await choose(screen, "Make or buy the legs", "bought: made legs");
    const wing = screen.findAll("label").find((l) => l.text() === "with wing");
    await wing?.get("input").setValue(false);
    await settle();
    expect(server.of(editBatch).map((a) => a.body)).toEqual([
      { version: 5, buy: ["legs"] },
      { version: 5, leave: ["wing"] },
    ]);
  });

  test("shows its rows once that is there which stands above them: nothing moves from under the pointer", async () => {
    let release: () => void = () => undefined;
    const server = things.server();
    server.answer(readBatch, () => {
      server.held = new Promise<void>((resolve) => (release = resolve));
      return things.batch();
    });
    const { screen } = await mountIn(server, BatchPage, { id });
    expect(screen.get("h1").text()).toContain("Batch");
    expect(screen.find("table").exists()).toBe(false);
    release();
    await settle();
    expect(screen.find("table").exists()).toBe(true);
    expect(screen.text()).toContain("with wing");
  });

  test("may be looked at, but not changed, by whoever does not make up batches", async () => {
    const server = things.server({ role: "shop" }).answer(readBatch, things.batch());
    const { screen } = await mountIn(server, BatchPage, { id });
    expect(screen.findAll("button").map((b) => b.text())).not.toContain("Reserve what is there");
    expect(screen.text()).toContain("make up batches is for");
    expect(screen.find("a[href='/batches/00000000-0000-4000-8000-000000000040/sheet']").exists()).toBe(true);
  });

  test("that is not there says so, with the way back", async () => {
    const server = things
      .server()
      .answer(readBatch, () => refused({ type: "not-found", title: "No", status: 404, detail: "No such batch." }));
    const { screen } = await mountIn(server, BatchPage, { id });
    expect(screen.text()).toContain("No such batch.");
    expect(screen.get("a").attributes("href")).toBe("/batches");
  });
});

describe("the pull sheet", () => {
  const requirements = [
    things.requirement({ key: "hook", reserved: [lot(1, 26, "C3")] }),
    things.requirement({
      key: "wire",
      role: "rib",
      materialName: "wire",
      reserved: [lot(2, 9, "A1"), lot(3, 5, "B7")],
    }),
  ];
  test("goes along the drawers, every lot a line, and moves only what is ticked", async () => {
    const server = things
      .server({ role: "tier" })
      .answer(readBatch, things.batch({ state: "released", requirements }))
      .answer(pullBatch, { ok: true });
    const { screen } = await mountIn(server, PullSheet, { id });
    expect(screen.findAll("tbody tr").map((r) => r.findAll("td")[1]?.text())).toEqual(["A1", "B7", "C3"]);
    const move = () => screen.get("button.btn-main");
    expect(move().attributes("disabled")).toBeDefined();
    await screen.get("[aria-label='Pulled: Nymph, 12']").setValue(true);
    expect(move().text()).toBe("Move 1 of 3 into the kit");
    await move().trigger("click");
    await settle();
    expect(server.of(pullBatch)[0]?.body).toEqual({ keys: ["hook"] });
  });
  test("ticks are kept on the device, for a sheet that is walked in two goes", async () => {
    const server = things.server({ role: "tier" }).answer(readBatch, things.batch({ state: "released", requirements }));
    const first = await mountIn(server, PullSheet, { id });
    await first.screen.get("[aria-label='Pulled: Nymph, 12']").setValue(true);
    await settle();
    first.screen.unmount();
    const { screen } = await mountIn(server, PullSheet, { id });
    expect(screen.get("button.btn-main").text()).toBe("Move 1 of 3 into the kit");
  });
});

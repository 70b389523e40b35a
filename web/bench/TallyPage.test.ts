// @vitest-environment happy-dom
import { useQueryCache } from "@pinia/colada";
import { beforeEach, describe, expect, test, vi } from "vitest";
import { readBatch } from "@kasten/contract/batches";
import { catalogue } from "@kasten/contract/catalogue";
import { drawMore, finishBatch, sendTallies } from "@kasten/contract/bench";
import { type FakeServer, mountIn, settle } from "../testing/room";
import * as things from "../testing/things";

const press = (key: string): boolean => window.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true }));

/** A server that counts what it is sent, as the real one does. */
function bench(start: Parameters<typeof things.batch>[0] = {}) {
  const counts = { good: start?.good ?? 0, rejected: start?.rejected ?? 0 };
  const kinds = new Map<string, "good" | "rejected">();
  let away = false;
  const server = things
    .server({ role: "tier" })
    .answer(readBatch, () => things.batch({ state: "pulled", ...start, ...counts }))
    .answer(sendTallies, ({ body }) => {
      for (const t of body.tallies) {
        const kind = t.kind === "undo" ? kinds.get(t.undoes ?? "") : t.kind === "good" ? "good" : "rejected";
        if (!kind) continue;
        counts[kind] += t.kind === "undo" ? -1 : 1;
        kinds.set(t.id, kind);
      }
      return { counts: [{ batch: things.id(40), ...counts }], refused: [] };
    })
    .answer(finishBatch, { ok: true });
  const fetch = server.fetch;
  server.fetch = (...asked) => (away ? Promise.reject(new TypeError("away")) : fetch(...asked));
  return { server, counts, goAway: (now: boolean) => void (away = now) };
}

describe("the tally", () => {
  beforeEach(async () => {
    localStorage.clear();
    vi.resetModules();
    document.body.innerHTML = "";
  });
  async function open(server: FakeServer) {
    const { default: TallyPage } = await import("./TallyPage.vue");
    return mountIn(server, TallyPage, { id: things.id(40) });
  }

  test("counts by space bar, rejects with a reason, and takes back the last", async () => {
    const { server, counts } = bench();
    const { screen } = await open(server);
    press(" ");
    press(" ");
    press("r");
    await settle();
    press("2");
    await settle();
    expect(screen.get("[data-testid=good]").text()).toBe("2");
    expect(screen.get("[data-testid=rejected]").text()).toBe("1");
    expect(server.of(sendTallies).flatMap((a) => a.body.tallies)).toMatchObject([
      { kind: "good" },
      { kind: "good" },
      { kind: "reject", reason: "crowded eye", loss: "whole fly" },
    ]);
    press("u");
    await settle();
    expect(screen.get("[data-testid=rejected]").text()).toBe("0");
    expect(counts).toEqual({ good: 2, rejected: 0 });
  });

  test("keeps what is tallied while the server is away, and counts it once when it is back", async () => {
    const { server, counts, goAway } = bench();
    const { screen } = await open(server);
    goAway(true);
    for (let i = 0; i < 3; i++) press(" ");
    await settle();
    expect(screen.get("[data-testid=good]").text()).toBe("3");
    expect(screen.text()).toContain("3 tallies are kept here");
    expect(JSON.parse(localStorage.getItem("kasten.tallies") ?? "[]")).toHaveLength(3);
    goAway(false);
    press(" ");
    await settle();
    expect(counts.good).toBe(4);
    expect(screen.get("[data-testid=good]").text()).toBe("4");
    expect(screen.text()).not.toContain("kept here");
  });

  test("says what is cut off and worth keeping, when the batch is finished", async () => {
    const [first] = things.room().materials;
    if (!first) throw new Error("no material");
    const { server } = bench({ requirements: [things.requirement({ material: first.code, pulled: 26 })] });
    server.answer(catalogue, things.room({ materials: [{ ...first, secondLife: "butts for legs" }] }));
    const { screen } = await open(server);
    press(" ");
    await settle();
    await screen
      .findAll("button")
      .find((x) => x.text() === "Finish the batch")
      ?.trigger("click");
    await settle();
    expect(screen.get("form").text()).toContain("Keep what is cut off: butts for legs");
  });

  test("finishes with what the server has now, not with what the page read before", async () => {
    const { server, counts } = bench({ requirements: [things.requirement({ pulled: 26 })] });
    const { screen } = await open(server);
    press(" ");
    await settle();
    // Another bench tallied the same batch meanwhile.
    counts.good = 24;
    await screen
      .findAll("button")
      .find((x) => x.text() === "Finish the batch")
      ?.trigger("click");
    await settle();
    expect(screen.get("h2").text()).toBe("Finish batch 40: 24 good, 0 rejected");
    const used = screen.get("[aria-label='Used of Nymph, 12, hook']");
    expect((used.element as HTMLInputElement).value).toBe("24");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(finishBatch)[0]?.body).toEqual({ version: 5, uses: [] });
  });

  test("waits for the read that overtook its own, and finishes with the version of that", async () => {
    const { server, counts } = bench({ requirements: [things.requirement({ pulled: 26 })] });
    const { screen } = await open(server);
    press(" ");
    await settle();
    let version = 5;
    server.answer(readBatch, () => things.batch({ state: "tying", version, ...counts }));
    const gates: (() => void)[] = [];
    const hold = (): void => void (server.held = new Promise<void>((open) => gates.push(open)));
    hold();
    await screen
      .findAll("button")
      .find((x) => x.text() === "Finish the batch")
      ?.trigger("click");
    // The stream tells of a change while the page reads, and the page reads again.
    hold();
    const again = useQueryCache(screen.vm.$pinia).invalidateQueries({ key: ["batch"] });
    gates[0]?.();
    await settle();
    expect(screen.find("form").exists()).toBe(false);
    version = 6;
    gates[1]?.();
    await again;
    await settle();
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(finishBatch)[0]?.body).toEqual({ version: 6, uses: [] });
  });

  test("draws more of what was taken beside the kit", async () => {
    const { server } = bench({ requirements: [things.requirement({ pulled: 26 })] });
    server.answer(drawMore, { ok: true });
    const { screen } = await open(server);
    await screen
      .findAll("button")
      .find((x) => x.text().startsWith("In the kit"))
      ?.trigger("click");
    await screen.get("form input[type=number]").setValue(3);
    await screen.get("form input[maxlength]").setValue("dropped");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(drawMore).map((r) => r.body)).toEqual([{ key: "hook", quantity: 3, note: "dropped" }]);
  });

  test("refuses to close a batch with more used and spoiled than was taken", async () => {
    const { server } = bench({ good: 24, requirements: [things.requirement({ pulled: 26 })] });
    const { screen } = await open(server);
    await screen
      .findAll("button")
      .find((x) => x.text() === "Finish the batch")
      ?.trigger("click");
    await settle();
    await screen.get("[aria-label='Spoiled of Nymph, 12, hook']").setValue(3);
    expect(screen.text()).toContain("More is used and spoiled than was taken");
    expect(screen.get("form button").attributes("disabled")).toBeDefined();
  });

  test("does not tally for who may not, nor before the kit is pulled", async () => {
    const { server } = bench({ state: "released" });
    const { screen } = await open(server);
    press(" ");
    await settle();
    expect(server.of(sendTallies)).toEqual([]);
    expect(screen.text()).toContain("Pull its kit first");
  });
});

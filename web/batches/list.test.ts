// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import {
  listBatches,
  mergeBatches,
  splitBatch,
  sumBatches,
  type Batch,
  type BatchDetail,
} from "@kasten/contract/batches";
import { recipe } from "@kasten/core/testing";
import { choose, fieldOf, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import { useWorking } from "../parts/working";
import BatchActions from "./BatchActions.vue";
import BatchChoices from "./BatchChoices.vue";
import BatchFacts from "./BatchFacts.vue";
import BatchesView from "./BatchesView.vue";
import MaterialRows from "./MaterialRows.vue";
import PrepTable from "./PrepTable.vue";

beforeEach(() => localStorage.clear());
type Screen = Awaited<ReturnType<typeof mountIn>>["screen"];
const button = (screen: Screen, words: string | RegExp) =>
  screen.findAll("button").find((b) => (typeof words === "string" ? b.text() === words : words.test(b.text())));
/** As it stands in the list: without what only its own page asks for. */
const listed = (n: number, of: Partial<BatchDetail> = {}): Batch => {
  const {
    tiers: _t,
    newestVersion: _n,
    bobbins: _b,
    kitOffers: _k,
    tied: _tied,
    requirements: _r,
    prep: _p,
    held_back: _h,
    history: _hi,
    startsWorking: _s,
    buyable: _bu,
    breaches: _br,
    cautions: _c,
    ...batch
  } = things.batch({ id: things.id(n), number: n, ...of });
  return batch;
};

describe("the batches", () => {
  const open = async (batches: Batch[], role: "owner" | "shop" = "owner") => {
    const server = things
      .server({ role })
      .answer(listBatches, { batches, most: 288, next: null })
      .answer(sumBatches, { batches: batches.length, owed: 54, starts: 58, minutes: 375 })
      .answer(mergeBatches, { id: things.id(1) })
      .answer(splitBatch, { id: things.id(3) });
    return { server, ...(await mountIn(server, BatchesView)) };
  };

  test("are summed in dozens and hours, and each says for whom it is and how far it is", async () => {
    const { screen } = await open([listed(1), listed(2, { state: "tying", good: 9, rejected: 1 })]);
    const head = screen.get("h1").element.parentElement?.textContent ?? "";
    expect(head.replace(/\s+/g, " ")).toMatch(/2 batches, 4\s?dz \+ 6 owed, 58 flies to start, about 6 h 15/);
    const rows = screen.findAll("tbody tr").map((r) => r.text());
    expect(rows[0]).toContain("Mill Shop");
    expect(rows[1]).toContain("being tied");
    expect(rows[1]).toContain("9/26");
  });

  test("of one kind are merged, in the versions that were seen; others are not", async () => {
    const { server, screen } = await open([listed(1), listed(2), listed(3, { size: "14" })]);
    const tick = (n: number) => screen.get<HTMLInputElement>(`[aria-label='Choose batch ${n}']`).setValue(true);
    await tick(1);
    await tick(3);
    expect(button(screen, "Merge 2")?.attributes("disabled")).toBeDefined();
    expect(screen.text()).toContain("Choose batches of the same pattern, colour and size");
    await screen.get<HTMLInputElement>("[aria-label='Choose batch 3']").setValue(false);
    await tick(2);
    await button(screen, "Merge 2")?.trigger("click");
    await settle();
    expect(server.of(mergeBatches)[0]?.body).toEqual({
      batches: [
        { id: things.id(1), version: 5 },
        { id: things.id(2), version: 5 },
      ],
    });
    expect(button(screen, /^Merge/)).toBeUndefined();
  });

  test("are split by whole dozens; one of a single dozen is not", async () => {
    const { server, screen } = await open([listed(1, { owed: 36 }), listed(2, { owed: 12 })]);
    const splits = screen.findAll("button").filter((b) => b.text().startsWith("Split"));
    expect(splits).toHaveLength(1);
    await splits[0]?.trigger("click");
    const field = screen.get<HTMLInputElement>("[aria-label='Dozens to split off batch 1']");
    expect(field.attributes("max")).toBe("2");
    await field.setValue(2);
    await screen.get("tbody form").trigger("submit");
    await settle();
    expect(server.of(splitBatch)[0]).toMatchObject({ params: { id: things.id(1) }, body: { flies: 24, version: 5 } });
  });

  test("that somebody changed meanwhile: the refusal is told, and the ticks stay", async () => {
    const { server, screen } = await open([listed(1), listed(2)]);
    server.answer(mergeBatches, () =>
      refused({ type: "conflict", title: "Not merged", status: 409, detail: "Batch 2 was released meanwhile." }),
    );
    for (const n of [1, 2]) await screen.get(`[aria-label='Choose batch ${n}']`).setValue(true);
    await button(screen, "Merge 2")?.trigger("click");
    await settle();
    expect(screen.text()).toContain("Batch 2 was released meanwhile.");
    expect(button(screen, "Merge 2")).toBeDefined();
  });

  test("are only looked at by whoever does not make them up", async () => {
    const { screen } = await open([listed(1, { owed: 36 })], "shop");
    expect(screen.find("[aria-label='Choose batch 1']").exists()).toBe(false);
    expect(button(screen, /Split/)).toBeUndefined();
  });

  test("none: says where they come from", async () => {
    const { screen } = await open([]);
    expect(screen.text()).toContain("Batches make themselves from open orders");
  });
});

describe("what a batch is", () => {
  test("says what its customers want to be kept to, and what was let pass", async () => {
    const [claim] = things.batch().claims;
    if (!claim) throw new Error("no claim");
    const batch = things.batch({
      claims: [
        {
          ...claim,
          policy: "original",
          destination: { noLead: true, barblessOnly: true, forbiddenSpecies: ["heron"] },
          wishes: "as grey as you can",
        },
      ],
    });
    const { screen } = await mountIn(things.server(), BatchFacts, { batch, open: true });
    expect(screen.text()).toContain("originals only · no lead · barbless · no heron");
    expect(screen.text()).toContain("as grey as you can");
  });

  test("opens the working of what is started", async () => {
    const { screen } = await mountIn(things.server(), BatchFacts, { batch: things.batch(), open: true });
    await screen.get("button.num").trigger("click");
    expect(useWorking().working?.result).toMatchObject({ value: 26 });
  });

  test("tells minutes by person, and whether they are known or only assumed", async () => {
    const tier = { person: things.id(1), name: "Ada", perFly: 6.25, low: 5, high: 8 };
    const tiers = [
      { ...tier, batches: 0 },
      { ...tier, person: things.id(2), name: "Ben", batches: 1 },
    ];
    const batch = things.batch({ tiers: tiers as BatchDetail["tiers"] });
    const { screen } = await mountIn(things.server(), BatchFacts, { batch, open: true });
    expect(screen.text()).toMatch(/Ada 6\.3, 5\.0 to 8\.0,\s+by the prior/);
    expect(screen.text()).toMatch(/Ben 6\.3, 5\.0 to 8\.0,\s+from 1 batch/);
  });

  test("is tied step by step where somebody says so, as long as it may be chosen", async () => {
    const first = await mountIn(things.server(), BatchFacts, { batch: things.batch(), open: true });
    await choose(first.screen, "How it is tied", "step by step");
    expect(first.screen.emitted("choose")).toEqual([[{ mode: "step by step" }]]);
    first.screen.unmount();
    const { screen } = await mountIn(things.server(), BatchFacts, { batch: things.batch(), open: false });
    expect(screen.find("[aria-haspopup=listbox]").exists()).toBe(false);
  });
});

describe("what may be chosen of a planned batch", () => {
  const open = (of: Partial<BatchDetail>) =>
    mountIn(things.server(), BatchChoices, {
      batch: things.batch(of),
      recipe: recipe(),
      choice: { size: "12", variant: "olive", form: "all" },
      open: true,
    });

  test("ready parts are taken and put back, beside those that are taken already", async () => {
    const kitOffers = [{ material: "H+B", name: "hooks with beads", free: 40, taken: false }];
    const { screen } = await open({ kitOffers, kitParts: ["OTHER"] });
    await fieldOf(screen, "ready from the drawer: hooks with beads (40 there)").setValue(true);
    expect(screen.emitted("choose")?.[0]).toEqual([{ kitParts: ["OTHER", "H+B"] }]);
    screen.unmount();
    const taken = await open({
      kitOffers: [{ ...(kitOffers[0] as (typeof kitOffers)[0]), taken: true }],
      kitParts: ["H+B"],
    });
    await fieldOf(taken.screen, "ready from the drawer: hooks with beads (40 there)").setValue(false);
    expect(taken.screen.emitted("choose")?.[0]).toEqual([{ kitParts: [] }]);
  });

  test("a part that was left out comes back", async () => {
    const { screen } = await open({ leave: ["wing"] });
    await fieldOf(screen, "with wing").setValue(true);
    expect(screen.emitted("choose")?.[0]).toEqual([{ leave: [] }]);
  });
});

describe("the next thing to do", () => {
  const open = (of: Partial<BatchDetail>, can = true) =>
    mountIn(things.server(), BatchActions, { batch: things.batch(of), busy: false, can });
  const words = (screen: Screen) => screen.findAll("button, a").map((b) => b.text());

  test.each<[string, Partial<BatchDetail>, string]>([
    ["planned", {}, "Reserve what is there"],
    ["released", { state: "released", requirements: [] }, "Pull sheet"],
    ["in its kit", { state: "pulled" }, "To the bench"],
    ["being tied", { state: "tying", good: 3 }, "To the bench"],
  ])("of one that is %s stands out", async (_name, of, main) => {
    const { screen } = await open(of);
    expect(screen.findAll(".btn-main").map((b) => b.text())).toEqual([main]);
  });

  test("a release is taken back as long as no fly is tied", async () => {
    const { screen } = await open({ state: "pulled" });
    await button(screen, "Take the release back")?.trigger("click");
    expect(screen.emitted("takeBack")).toHaveLength(1);
    expect(words((await open({ state: "tying", good: 1 })).screen)).not.toContain("Take the release back");
  });

  test("whoever does not make up batches may look at sheet and card", async () => {
    const { screen } = await open({ state: "released" }, false);
    expect(words(screen)).toEqual(["Pull sheet", "Bench card"]);
  });
});

describe("the materials of a batch", () => {
  test("say what is ready, what to reserve, and what is short with its way out", async () => {
    const reserved = [
      { lot: things.id(8), lotCode: "W-8", dyeLot: "7", place: "A2", quantity: 26, cut: null, about: [] },
    ];
    const requirements = [
      things.requirement({ key: "a", role: "hook", reserved }),
      things.requirement({ key: "b", role: "tail" }),
      things.requirement({ key: "c", role: "weight", short: 6, remedy: "Order 1 × 50 from Plume Wharf.", lead: true }),
    ];
    const { screen } = await mountIn(things.server(), MaterialRows, { batch: things.batch({ requirements }) });
    const [ready, open, short] = screen.findAll("tbody tr").map((r) => r.text());
    expect(ready).toMatch(/A2\s+W-8, dye lot 7.*ready/s);
    expect(open).toContain("reserve it");
    expect(short).toContain("short 6");
    expect(short).toContain("Order 1 × 50 from Plume Wharf.");
    expect(short).toContain("lead");
  });

  test("open the working of a quantity, with the fly that it is for", async () => {
    const { screen } = await mountIn(things.server(), MaterialRows, { batch: things.batch() });
    await screen.get("[aria-label='Working of hook: 26']").trigger("click");
    expect(useWorking().fly).toMatchObject({ pattern: "yard-nymph", size: "12" });
  });
});

describe("the preparation of a batch", () => {
  const task = { kind: "bead hooks", component: "bead", material: "B", title: "Put 26 beads on hooks", minutes: 7 };
  const prep = [
    { ...task, station: null, done: false, doneBy: null, needed: true },
    { ...task, kind: "mill blend", title: "Mill the blend", station: "mill", done: true, doneBy: "Ada", needed: true },
    { ...task, kind: "cut lengths", title: "Cut 26 lengths", station: null, done: false, doneBy: null, needed: false },
  ] as unknown as BatchDetail["prep"];
  test("is logged by whoever did it; what is done, or there already, is not asked for", async () => {
    const batch = things.batch({ prep, cautions: ["A mask at the mill."] });
    const { screen } = await mountIn(things.server(), PrepTable, { batch, busy: false, can: true });
    const rows = screen.findAll("tbody tr").map((r) => r.text());
    expect(rows[1]).toMatch(/mill.*done, Ada/s);
    expect(rows[2]).toContain("it is there already");
    expect(screen.text()).toContain("A mask at the mill.");
    await button(screen, /^Log as done/)?.trigger("click");
    expect(screen.emitted("done")).toEqual([[prep[0]]]);
  });
  test("is only looked at by others", async () => {
    const batch = things.batch({ prep });
    const { screen } = await mountIn(things.server(), PrepTable, { batch, busy: false, can: false });
    expect(button(screen, /^Log as done/)).toBeUndefined();
  });
});

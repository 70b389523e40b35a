// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { forgetHookSize, saveHook, type HookEffect, type HookModelData } from "@kasten/contract/hooks";
import { choose, fieldOf, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import EffectList from "./EffectList.vue";
import HookFacts from "./HookFacts.vue";
import HookForm from "./HookForm.vue";
import HooksView from "./HooksView.vue";
import NearHooks from "./NearHooks.vue";

beforeEach(() => localStorage.clear());
const hook = (of: Partial<HookModelData> = {}): HookModelData => ({
  ...(things.room().hooks[0] as HookModelData),
  ...of,
});
const measured = hook({
  id: "N9",
  name: "Narrows",
  rows: [{ size: "10" }, { size: "1/0", shank: 24, gape: 12, wire: 1, eye: 2.7 }],
});
const effect: HookEffect = {
  batches: [
    {
      id: things.id(40),
      number: 40,
      pattern: "Yard Nymph",
      size: "12",
      state: "planned",
      fault: null,
      changes: [{ role: "rib", materialName: "copper wire", unit: "um", before: 2_000_000, after: 2_200_000 }],
    },
    {
      id: things.id(41),
      number: 41,
      pattern: "Yard Nymph",
      size: "10",
      state: "released",
      fault: "The wing is too long for it.",
      changes: [],
    },
  ] as HookEffect["batches"],
};
const button = (screen: Awaited<ReturnType<typeof mountIn>>["screen"], words: string | RegExp) => {
  const found = screen
    .findAll("button")
    .find((b) => (typeof words === "string" ? b.text() === words : words.test(b.text())));
  if (!found) throw new Error(`No button says ${words}`);
  return found;
};

describe("the hooks of the room", () => {
  test("stand with how many of their sizes were measured; one is looked at", async () => {
    const { screen } = await mountIn(things.server({}, { hooks: [hook(), measured] }), HooksView);
    const items = screen.findAll("nav button").map((b) => b.text());
    expect(items[0]).toContain("0 of 3 measured");
    expect(items[1]).toContain("1 of 2 measured");
    await button(screen, /Narrows/).trigger("click");
    await settle();
    expect(screen.get("section h2").text()).toContain("Narrows");
    const sizes = screen.findAll("tbody tr").map((r) => r.text());
    expect(sizes.find((r) => r.startsWith("1/0"))).toContain("measured");
  });

  test("what was measured is taken back size by size, and what that changes is told", async () => {
    const server = things.server({}, { hooks: [measured] }).answer(forgetHookSize, effect);
    const { screen } = await mountIn(server, HooksView);
    // A size that nobody measured has nothing to take back.
    expect(screen.findAll("button").filter((b) => b.text() === "take back")).toHaveLength(1);
    await button(screen, "take back").trigger("click");
    await settle();
    expect(server.of(forgetHookSize)[0]?.params).toEqual({ id: "N9", size: "1-0" });
    const told = screen.get("[role=status]");
    expect(told.text()).toContain("Batch 40");
    await button(screen, "Seen").trigger("click");
    expect(screen.find("[role=status]").exists()).toBe(false);
  });

  test("are measured and changed by whoever may; others look", async () => {
    const { screen } = await mountIn(things.server({ role: "shop" }, { hooks: [measured] }), HooksView);
    const words = screen.findAll("button").map((b) => b.text());
    expect(words.filter((w) => /New hook|Measure it|Change what|take back/.test(w))).toEqual([]);
  });
});

describe("a hook model", () => {
  test("that is new goes out with its sizes one by one, and with what is near it", async () => {
    const server = things.server().answer(saveHook, { ok: true });
    const { screen } = await mountIn(server, HookForm);
    await fieldOf(screen, "Short code").setValue(" W9 ");
    await fieldOf(screen, "Name").setValue("Weir");
    await choose(screen, "Family", "wet");
    await fieldOf(screen, "Shank, steps longer (−: shorter)").setValue(2);
    await fieldOf(screen, "Sizes to keep, by comma").setValue("14, 12;10 , ");
    await button(screen, /near one/).trigger("click");
    await fieldOf(screen, "Hook").setValue("N1");
    await fieldOf(screen, "What differs").setValue("a wider gape");
    await screen.get("form").trigger("submit");
    await settle();
    const [sent] = server.of(saveHook);
    expect(sent?.params).toEqual({ id: "W9" });
    expect(sent?.body).toMatchObject({
      name: "Weir",
      family: "wet",
      shankSteps: 2,
      sizes: ["14", "12", "10"],
      near: [{ model: "N1", differs: "a wider gape" }],
    });
    expect(sent?.body).not.toHaveProperty("drawer");
    expect(screen.emitted("saved")).toEqual([["W9"]]);
  });

  test("a near one without a code is nothing yet, and does not go out", async () => {
    const server = things.server().answer(saveHook, { ok: true });
    const { screen } = await mountIn(server, HookForm, { model: measured });
    expect(fieldOf(screen, "Short code").attributes("disabled")).toBeDefined();
    await button(screen, /near one/).trigger("click");
    await fieldOf(screen, "What differs").setValue("nobody knows of which");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(saveHook)[0]).toMatchObject({ params: { id: "N9" }, body: { near: [] } });
  });

  test.each([
    ["a size that no hook has", "Sizes to keep, by comma", "14, 99"],
    ["a shank of twenty steps", "Shank, steps longer (−: shorter)", 20],
  ])("%s is answered beside its field, and nothing is sent", async (_name, label, value) => {
    const server = things.server().answer(saveHook, { ok: true });
    const { screen } = await mountIn(server, HookForm, { model: measured });
    await fieldOf(screen, label).setValue(value);
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(saveHook)).toEqual([]);
    expect(fieldOf(screen, label).attributes("aria-invalid")).toBe("true");
  });

  test("a refusal keeps what was filled in", async () => {
    const server = things
      .server()
      .answer(saveHook, () =>
        refused({ type: "conflict", title: "Not kept", status: 409, detail: "Drawer Q9 is not there." }),
      );
    const { screen } = await mountIn(server, HookForm, { model: measured });
    await fieldOf(screen, "Drawer of the new sizes").setValue("Q9");
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("Drawer Q9 is not there.");
    expect(fieldOf(screen, "Drawer of the new sizes").element.value).toBe("Q9");
    expect(screen.emitted("saved")).toBeUndefined();
  });

  test.each<[string, Partial<HookModelData>, RegExp]>([
    ["a longer shank, a narrower gape", { shankSteps: 2, gapeSteps: -1 }, /2 longer.*1 narrower/s],
    ["why its wire is heavy", { wireSteps: 1, wireReason: "big fish" }, /1 heavier: big fish/],
    ["two points and no barb", { points: 2, barbless: true }, /two points, barbless/],
    ["an eye that leaves a step", { eyeForm: "returned along the shank" }, /level the step/],
    ["what is near it, and how it differs", { near: [{ model: "N2", differs: "" }] }, /N2, but not the same/],
  ])("says %s", async (_name, of, words) => {
    const { screen } = await mountIn(things.server({}, { hooks: [hook(of)] }), HookFacts, { model: hook(of) });
    expect(screen.text()).toMatch(words);
  });

  test("names the patterns that are tied on it, the first of them, and how many more there are", async () => {
    const patterns = Array.from({ length: 10 }, (_, i) => things.entry({ id: `p${i}`, name: `Fly ${i}` }));
    const { screen } = await mountIn(things.server({}, { patterns }), HookFacts, { model: hook() });
    expect(screen.findAll("a")).toHaveLength(8);
    expect(screen.text()).toContain("and 2 more");
    const none = await mountIn(things.server({}, { patterns }), HookFacts, { model: measured });
    expect(none.screen.text()).toContain("none");
  });

  test("is compared with the others at a size: within a step, or another hook", async () => {
    const alike = hook({ id: "N2", name: "Alike" });
    const long = hook({ id: "S9", name: "Streamer", shankSteps: 3 });
    const { screen } = await mountIn(things.server(), NearHooks, { model: hook(), all: [hook(), alike, long] });
    const rows = screen.findAll("li").map((r) => r.text());
    expect(rows[0]).toMatch(/N2 Alike.*the same figures.*within a step/);
    expect(rows.find((r) => r.includes("S9"))).toContain("another hook");
    const alone = await mountIn(things.server(), NearHooks, { model: hook(), all: [hook()] });
    expect(alone.screen.text()).toContain("No other hook comes near it");
  });
});

describe("what a measurement changes", () => {
  test("is told batch by batch, and what can no longer be computed stands out", async () => {
    const { screen } = await mountIn(things.server(), EffectList, { effect });
    const [first, second] = screen.findAll("li").map((r) => r.text());
    expect(first).toMatch(/rib 2 m → 2\.2 m/);
    expect(second).toContain("The wing is too long for it.");
  });
  test("nothing: that is said, too", async () => {
    const { screen } = await mountIn(things.server(), EffectList, { effect: { batches: [] } });
    expect(screen.text()).toContain("no running batch needs another quantity");
  });
});

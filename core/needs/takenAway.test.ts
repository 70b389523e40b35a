import { describe, expect, test } from "vitest";
import { composeFly } from "../fly";
import type { Material } from "../materials";
import type { Component, FlyChoice, Recipe, RecipeStep } from "../recipe";
import { takenAwaySentence } from "../sentences";
import { choose, materials, model, recipe } from "../testing/nymph";
import { changed, withStep } from "../testing/recipes";
import { choiceTakesAway, judgeLeavingOut, judgeSubstitute, methodDifferences, takenAway } from ".";

const like = (code: string, base: string, figures: Partial<Material>): [string, Material] => {
  const known = materials.get(base);
  if (!known) throw new Error(`no ${base}`);
  return [code, { ...known, ...figures, code, name: code }];
};
const rated = (strength: number, mobility: number, floats: number) => ({ qualities: { strength, mobility, floats } });
const cabinet = new Map([
  ...materials,
  like("tough", "pheasant", rated(4, 2, 3)),
  like("frail", "pheasant", rated(1, 2, 3)),
  like("lively", "pheasant", rated(4, 5, 3)),
  like("corky", "pheasant", rated(3, 2, 5)),
]);
const request = (r: Recipe, c: Partial<FlyChoice> = {}) => ({
  recipe: r,
  choice: choose({ form: "light", ...c }),
  model,
  materials: cabinet,
});
const said = (warnings: readonly Parameters<typeof takenAwaySentence>[0][]): string =>
  warnings.map(takenAwaySentence).join(" ");

/** The nymph with a rib that guards its body and may be left out, and a tail of a rated material. */
const guarded = (tail = "tough"): Recipe =>
  changed((r) => {
    r.components = r.components.map((c) =>
      c.id === "rib"
        ? { ...c, optional: true }
        : c.id === "tail"
          ? { ...c, material: [{ value: tail }], optional: true }
          : c,
    );
    r.steps = r.steps.map((s): RecipeStep =>
      s.id === "rib" && s.do === "wind" ? { ...s, counter: true, guard: "locks the body" } : s,
    );
    r.steps = r.steps.map((s): RecipeStep =>
      s.id === "legs" && s.do === "lay" ? { ...s, shown: { of: "gape", times: 1 } } : s,
    );
    r.steps = r.steps.filter((s) => s.id !== "wing");
    r.components = r.components.filter((c) => c.id !== "wing");
  });

describe("a guard is told wherever the choice is made", () => {
  test("leaving out the part that guards", () => {
    const judged = judgeLeavingOut(request(guarded()), "rib", 24);
    expect(judged.fault).toBeUndefined();
    expect(said(judged.warnings)).toContain("A guard would be lost, “rib”: locks the body.");
    expect(judged.warnings[0]).toMatchObject({ code: "DURABILITY_LOST", details: { guard: "locks the body" } });
  });
  test("winding it the other way", () => {
    const other = methodDifferences(request(guarded()), 24).find((d) => d.question === "rib direction");
    expect(other?.other.id).toBe("with");
    expect(other?.warnings.map((w) => w.code)).toContain("DURABILITY_LOST");
  });
  test("a whole choice, as an order or a batch has it; the pattern's own loses nothing", () => {
    expect(choiceTakesAway(request(guarded()))).toEqual([]);
    expect(said(choiceTakesAway(request(guarded(), { leave: ["rib"] })))).toContain(
      "A guard would be lost, “rib”: locks the body",
    );
    expect(said(choiceTakesAway(request(guarded(), { methods: { "rib/rib direction": "with" } })))).toContain(
      "locks the body",
    );
  });
  test("a way that was glued and is glued no more", () => {
    const eyes: RecipeStep = {
      id: "eyes",
      name: "eyes",
      do: "seat",
      component: "e",
      from: { fraction: 0.2 },
      glue: "g",
      guard: "keeps the eyes from turning",
    };
    const r = withStep(eyes, { id: "e", role: "eyes", material: [{ value: "eyes" }] });
    r.components.push({ id: "g", role: "finish", material: [{ value: "glue" }] });
    const lost = choiceTakesAway(request(r, { methods: { "eyes/weighted eyes": "thread only" } }));
    expect(said(lost)).toContain("keeps the eyes from turning");
  });
  test("a choice that cannot be tied says nothing here", () =>
    expect(choiceTakesAway(request(guarded(), { leave: ["body"] }))).toEqual([]));
});

describe("what another material does to the fly", () => {
  const judge = (material: string, tail = "tough") => judgeSubstitute(request(guarded(tail)), "tail", material, 24);
  test.each<[string, string, RegExp]>([
    ["weaker", "frail", /frail is weaker than tough: the guard that is there matters more/],
    ["livelier", "lively", /lively is livelier: 5 of 5 instead of 2/],
    ["floats better", "corky", /corky floats better: 5 of 5 instead of 3/],
  ])("%s", (_, material, words) => expect(said(judge(material).warnings)).toMatch(words));
  test("stronger, stiffer, and floating less are told as well", () => {
    expect(said(judge("tough", "frail").warnings)).toMatch(/tough is stronger: 4 of 5 instead of 1/);
    expect(said(judge("tough", "lively").warnings)).toMatch(/is stiffer: 2 of 5 instead of 5/);
    expect(said(judge("tough", "corky").warnings)).toMatch(/floats less: 3 of 5 instead of 5/);
  });
  test("what nobody has rated is not told", () =>
    expect(judge("pheasant").warnings.map((w) => w.code)).not.toContain("QUALITY_CHANGED"));
  test("left out, only what is missed is told", () => {
    expect(said(judgeLeavingOut(request(guarded("lively")), "tail", 24).warnings)).toContain(
      "loses some of its movement",
    );
    expect(judgeLeavingOut(request(guarded("tough")), "tail", 24).warnings.map((w) => w.code)).not.toContain(
      "QUALITY_CHANGED",
    );
  });
});

describe("against itself", () => {
  test("a fly has lost nothing", () => {
    const fly = composeFly(recipe(), choose(), model, materials, { keepProfiles: true });
    expect(takenAway(fly, fly)).toEqual([]);
  });
  test("a part left out that filled the fly leaves its gap", () => {
    const yarn: Component = { id: "y", role: "body", material: [{ value: "yarn" }], optional: true };
    const r = withStep(
      {
        id: "y",
        name: "yarn underbody",
        do: "wind",
        component: "y",
        from: { fraction: 0.2 },
        to: { fraction: 0.4 },
        rule: { touching: true },
      },
      yarn,
    );
    const lost = judgeLeavingOut(request(r), "y", 24).warnings;
    expect(said(lost)).toMatch(/thinner at “yarn underbody”/);
  });
});

import { describe, expect, test } from "vitest";
import { checksOf } from "../bench";
import { methodDifferences } from "../needs";
import type { Component, FlyChoice, LayAmount, Recipe, RecipeStep } from "../recipe";
import { choose, materials, model } from "../testing/nymph";
import { withStep } from "../testing/recipes";
import { composeFly, type ComposedFly } from ".";

const light = (methods: Record<string, string> = {}): FlyChoice => choose({ form: "light", methods });
const fly = (r: Recipe, methods: Record<string, string> = {}): ComposedFly =>
  composeFly(r, light(methods), model, materials);
const part = (role: Component["role"], material: string): Component => ({
  id: "x",
  role,
  material: [{ value: material }],
});
const laid = (role: Component["role"], material: string, amount: LayAmount, more: object = {}): Recipe =>
  withStep(
    {
      id: "x",
      name: "the part",
      do: "lay",
      component: "x",
      from: { fraction: 0.85 },
      to: { landmark: "bend" },
      amount,
      shown: { mm: 8 },
      attitude: "back",
      ...more,
    } as RecipeStep,
    part(role, material),
  );
const hackle = (more: object = {}): Recipe =>
  withStep(
    {
      id: "x",
      name: "hackle",
      do: "wind",
      component: "x",
      from: { eyeLengths: 0.6 },
      to: { eyeLengths: 0.6 },
      rule: { turns: 2 },
      ...more,
    } as RecipeStep,
    part("hackle", "stiff"),
  );
const schoolsAsked = (r: Recipe, step = "x"): Record<string, string> =>
  Object.fromEntries(
    fly(r)
      .steps.find((s) => s.id === step)
      ?.methods.map((m) => [m.question, m.school]) ?? [],
  );
const wrapsOf = (f: ComposedFly) => f.steps.find((s) => s.id === "x")?.wraps;
const tieIns = (f: ComposedFly) => f.tied.threads[0]?.use.tieIns ?? NaN;
const fibresTaken = (f: ComposedFly): number => {
  const use = f.parts.find((p) => p.component === "x")?.uses[0]?.use;
  return use?.kind === "fibres" ? use.fibres : NaN;
};

describe("fibres dosed", () => {
  test("by count where a number is said, by span where a stretch of stem is", () => {
    expect(schoolsAsked(laid("tail", "pheasant", { fibres: 8 }))["fibre dose"]).toBe("count");
    expect(schoolsAsked(laid("tail", "pheasant", { spanMm: 3 }))["fibre dose"]).toBe("span");
  });
  test("by eye take more than counted ones, and no longer", () => {
    const r = laid("tail", "pheasant", { fibres: 20 });
    expect(fibresTaken(fly(r, { "x/fibre dose": "eye" }))).toBeCloseTo(1.15 * fibresTaken(fly(r)), 9);
    expect(fly(r, { "x/fibre dose": "eye" }).minutes).toBeCloseTo(fly(r).minutes - 0.2, 9);
  });
  test("torn off or cut is asked of fibres, not of hair or yarn", () => {
    expect(schoolsAsked(laid("tail", "pheasant", { fibres: 8 }))["fibre ends"]).toBe("cut");
    expect(schoolsAsked(laid("tail", "hair", { clump: { mm: 1 } }))).not.toHaveProperty("fibre ends");
    expect(schoolsAsked(laid("tail", "yarn", { strands: 1, folded: false }))).not.toHaveProperty("fibre dose");
  });
});

describe("tips", () => {
  test("of fibres are levelled by hand at a cost, of hair in a stacker too", () => {
    const r = laid("tail", "pheasant", { fibres: 20 });
    expect(fibresTaken(fly(r, { "x/tips": "by hand" }))).toBeCloseTo(22, 9);
    const hair = laid("wing", "hair", { clump: { mm: 1.5 } });
    const mass = (methods: Record<string, string>) => {
      const use = fly(hair, methods).parts.find((p) => p.component === "x")?.uses[0]?.use;
      return use?.kind === "mass" ? use.mg : NaN;
    };
    expect(mass({ "x/tips": "stacked" })).toBeCloseTo(1.15 * mass({}), 9);
    expect(mass({ "x/tips": "by hand" })).toBeCloseTo(1.1 * mass({}), 9);
  });
  test("bring their tool and their check to the bench", () => {
    const f = fly(laid("wing", "hair", { clump: { mm: 1.5 } }), { "x/tips": "stacked" });
    expect(f.steps.find((s) => s.id === "x")?.methods.find((m) => m.question === "tips")?.tools).toEqual(["stacker"]);
    expect(checksOf(f).map((c) => c.feature)).toContain("the part: tips level");
    expect(checksOf(fly(laid("wing", "hair", { clump: { mm: 1.5 } }))).map((c) => c.feature)).not.toContain(
      "the part: tips level",
    );
  });
});

describe("securing turns", () => {
  const tail = (more: object = {}) => laid("tail", "pheasant", { fibres: 8 }, more);
  const told = { tieIn: { at: { landmark: "bend" }, wraps: 5 } };
  test.each([
    ["as stated", 5],
    ["few", 3],
    ["several", 8],
  ])("%s", (school, wraps) => expect(wrapsOf(fly(tail(told), { "x/securing": school }))).toBe(wraps));
  test("few never adds, several never takes away", () => {
    expect(wrapsOf(fly(tail({ tieIn: { at: { landmark: "bend" }, wraps: 2 } }), { "x/securing": "few" }))).toBe(2);
    expect(wrapsOf(fly(tail({ tieIn: { at: { landmark: "bend" }, wraps: 12 } }), { "x/securing": "several" }))).toBe(
      12,
    );
  });
  test("a part whose tie-in nobody described takes thread of its own only where a school asks for it", () => {
    expect(wrapsOf(fly(tail()))).toBeUndefined();
    const several = fly(tail(), { "x/securing": "several" });
    expect(wrapsOf(several)).toBe(8);
    expect(tieIns(several)).toBeGreaterThan(tieIns(fly(tail())));
  });
  test("make the head fuller or slimmer: their thread counts as bulk", () => {
    const bulk = (school: string) => {
      const r = hackle({ tieIn: { at: { eyeLengths: 0.4 }, wraps: 5 } });
      return fly(r, { "x/securing": school }).tied.steps.findLast((s) => s.do === "whip")?.headBulk ?? NaN;
    };
    expect(bulk("several")).toBeGreaterThan(bulk("as stated"));
    expect(bulk("few")).toBeLessThan(bulk("as stated"));
  });
});

describe("how long a hackle is wound", () => {
  const turns = (methods: Record<string, string>, more: object = {}) =>
    fly(hackle(more), methods).tied.steps.find((s) => s.id === "x")?.turns ?? NaN;
  test("until the stem goes bare or thick: less than the whole feather, and no more than the ceiling", () => {
    const [whole, stop] = [turns({ "x/hackle turns": "whole feather" }), turns({ "x/hackle turns": "until it stops" })];
    expect(stop).toBeLessThan(whole);
    expect(stop).toBeGreaterThan(2);
    expect(turns({ "x/hackle turns": "until it stops" }, { atMost: 3 })).toBe(3);
  });
  test("by hand: its span of good fibres less what is bound, over the circumference", () => {
    const f = fly(hackle(), { "x/hackle turns": "until it stops" });
    const r = f.tied.steps.find((s) => s.id === "x");
    // 40 mm of good fibres, 4 of them bound.
    expect(r?.length).toBeCloseTo(36, 6);
  });
});

describe("the face of a feather", () => {
  test("is a school; what the recipe says is the usual one", () => {
    expect(schoolsAsked(hackle())["feather face"]).toBe("in");
    expect(schoolsAsked(hackle({ face: "out" }))["feather face"]).toBe("out");
  });
});

describe("dubbing put on", () => {
  test("amply and reduced loses a fifth of it more, and goes faster", () => {
    const mass = (methods: Record<string, string>) => {
      const use = fly(withStep(body), methods).parts.find((p) => p.component === "body")?.uses[0]?.use;
      return use?.kind === "mass" ? use.mg : NaN;
    };
    const body: RecipeStep = {
      id: "body",
      name: "body",
      do: "dress",
      component: "body",
      from: { fraction: 0.5 },
      to: { landmark: "bend" },
      noodle: { mm: 30 },
    };
    expect(mass({ "body/dubbing dose": "reduced" })).toBeCloseTo(mass({}) / 0.8, 9);
    expect(fly(withStep(body), { "body/dubbing dose": "reduced" }).minutes).toBeLessThan(fly(withStep(body)).minutes);
  });
});

describe("every other way of every step", () => {
  test("is composed, and says what it would change, in quantities that are whole", () => {
    const r = laid("tail", "pheasant", { fibres: 8 });
    const found = methodDifferences({ recipe: r, choice: light(), model, materials }, 120);
    for (const question of ["fibre dose", "fibre ends", "tips", "securing"])
      expect(found.map((d) => d.question)).toContain(question);
    expect(found.filter((d) => d.fault)).toEqual([]);
    for (const d of found.flatMap((x) => x.differences)) expect(Number.isInteger(d.after)).toBe(true);
  });
});

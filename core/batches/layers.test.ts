import { describe, expect, test } from "vitest";
import { composeFly, type ComposedFly } from "../fly";
import type { Material } from "../materials";
import type { RecipeStep } from "../recipe";
import { refusalOf } from "../testing/refusal";
import { choose, materials, model } from "../testing/nymph";
import { withStep } from "../testing/recipes";
import { requirementsOf, workingOf } from "../needs";
import { prepTasks } from ".";

/** A loop over the rear of the hook, filled with a material of the cabinet. */
const loop: RecipeStep = {
  id: "x",
  name: "composite loop",
  do: "dress",
  component: "x",
  from: { fraction: 0.6 },
  to: { landmark: "bend" },
  fullness: [
    { of: "gape", times: 0.8 },
    { of: "gape", times: 0.6 },
  ],
  loopMm: 80,
};
const dubbing = (code: string, more: Partial<Material> = {}): [string, Material] => [
  code,
  {
    code,
    name: code,
    form: "dubbing",
    unit: "ug",
    measured: false,
    lead: false,
    dubbing: { density: 0.35, lineDensity: 0.1 },
    ...more,
  },
];
const feather = { usable: 60, grip: 15, perMm: 2.5, span: 40, sides: 2, unusable: 0.1 };
const cabinet = new Map([
  ...materials,
  dubbing("fox"),
  dubbing("flash"),
  dubbing("plume", {
    form: "feather fibre",
    unit: "count",
    feather,
    fibreMm: 50,
    strand: { section: "flat", width: 0.1, thickness: 0.06, density: 1.1 },
  }),
  dubbing("tuft", { unit: "count" }),
  dubbing("milled", { form: "blend", blend: { parts: { fox: 3, flash: 1 }, leastChargeMg: 5000 } }),
  dubbing("laid", { form: "blend", blend: { parts: { fox: 3, flash: 1 }, leastChargeMg: 5000, laid: true } }),
  dubbing("plumed", { form: "blend", blend: { parts: { fox: 1, plume: 1 }, leastChargeMg: 0, laid: true } }),
  dubbing("tufted", { form: "blend", blend: { parts: { fox: 1, tuft: 1 }, leastChargeMg: 0, laid: true } }),
  dubbing("doubled", { form: "blend", blend: { parts: { laid: 1, milled: 1 }, leastChargeMg: 0, laid: true } }),
  dubbing("hollow", { form: "blend", blend: { parts: {}, leastChargeMg: 0, laid: true } }),
]);
const flyOf = (code: string, from = cabinet): ComposedFly =>
  composeFly(
    withStep(loop, { id: "x", role: "body", material: [{ value: code }] }),
    choose({ form: "light" }),
    model,
    from,
    { keepProfiles: true },
  );
const needs = (code: string) => requirementsOf(flyOf(code), 36).filter((r) => r.component === "x");
const milligrams = (code: string): number =>
  flyOf(code)
    .parts.flatMap((p) => (p.component === "x" ? p.uses : []))
    .reduce((sum, { use }) => sum + (use.kind === "mass" ? use.mg : 0), 0);

describe("layers that lie in a loop", () => {
  test("come from their own drawers by their shares, without the mill's least charge", () => {
    const [fox, flash] = needs("laid");
    expect([fox?.material, flash?.material]).toEqual(["fox", "flash"]);
    expect(fox?.key).toBe("x/fox");
    expect(fox?.perFly).toBeCloseTo(0.75 * milligrams("laid"), 9);
    expect(flash?.perFly).toBeCloseTo(0.25 * milligrams("laid"), 9);
    expect(fox?.words).toMatch(/g$/);
  });
  test("of a mixture of the mill the mixture is asked for", () =>
    expect(needs("milled").map((r) => r.key)).toEqual(["x"]));
  test("a layer that is itself laid is opened, one that is milled is not", () => {
    const found = needs("doubled");
    expect(found.map((r) => r.material)).toEqual(["fox", "flash", "milled"]);
    expect(found.map((r) => r.perFly / milligrams("doubled"))).toEqual([
      expect.closeTo(0.375, 9),
      expect.closeTo(0.125, 9),
      expect.closeTo(0.5, 9),
    ]);
  });
  test("feathers are counted by the mass of their fibres", () => {
    const plume = needs("plumed").find((r) => r.material === "plume");
    // 40 mm · 2 sides · 2.5 · 0.9 = 180 fibres of 50 mm, 0.0066 mg a mm.
    expect(plume?.perFly).toBeCloseTo((0.5 * milligrams("plumed")) / (180 * 50 * 0.0066), 9);
    expect(plume?.words).toMatch(/^\d+ feathers? for the loop$/);
    expect(Number.isInteger(plume?.issue)).toBe(true);
  });
  test("what nobody can weigh is refused, and says so", () =>
    expect(refusalOf(() => flyOf("tufted"))).toMatchObject({ code: "STEP_NEEDS" }));
  test("more whole feathers than any fly has are refused", () => {
    const thin = cabinet.get("plume");
    if (!thin?.feather) throw new Error("no plume");
    const bare = { ...thin, feather: { ...thin.feather, span: 1 }, fibreMm: 1 };
    const bares = new Map([...cabinet, ["plume", bare]] as const);
    expect(refusalOf(() => flyOf("plumed", bares))).toMatchObject({
      code: "USE_ABSURD",
      details: { of: "feathers" },
      step: { id: "x" },
    });
  });
  test("and so is a loop of nothing", () =>
    expect(refusalOf(() => flyOf("hollow"))).toMatchObject({ code: "BLEND_EMPTY" }));

  test("the working tells the share and what the loop carries", () => {
    const fly = flyOf("laid");
    const [fox] = needs("laid");
    if (!fox) throw new Error("no layer");
    const [use] = workingOf(fox, fly, 36).parts ?? [];
    expect(use?.inputs.map((i) => [i.name, i.value])).toEqual([
      ["share", 75],
      ["what the loop carries", expect.closeTo(milligrams("laid"), 9)],
    ]);
    expect(use?.parts?.[0]?.result.value).toBeCloseTo(milligrams("laid"), 9);
  });

  test("are not milled before the batch is tied", () => {
    const kinds = (code: string) => prepTasks(flyOf(code), 36).flatMap((t) => (t.component === "x" ? [t.kind] : []));
    expect(kinds("milled")).toContain("mill blend");
    expect(kinds("laid")).not.toContain("mill blend");
  });
});

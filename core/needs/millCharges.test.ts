import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { Material } from "../materials";
import { BLEND_RESERVE, MillCharges } from ".";

const material = (code: string, more: Partial<Material>): [string, Material] => [
  code,
  { code, name: code, form: "dubbing", unit: "ug", measured: false, lead: false, ...more },
];
const cabinet = new Map([
  material("hare", {}),
  material("mole", {}),
  // Yarn lies in the drawer by its length; 0.25 mg to the mm.
  material("yarn", { form: "yarn", unit: "um", strand: { width: 1.5, thickness: 0.9, core: 0.5, lineDensity: 0.25 } }),
  material("twine", { form: "yarn", unit: "um" }),
  material("mix", { form: "blend", blend: { parts: { hare: 3, mole: 1 }, leastChargeMg: 1000 } }),
  material("wool", { form: "blend", blend: { parts: { yarn: 2, twine: 1, gone: 1 }, leastChargeMg: 0 } }),
]);
const parts = (charges: MillCharges, code: string, missing: number) =>
  charges.partsFor(code, missing).map((p) => [p.material.code, p.quantity]);

describe("parts of blends that are still to be milled", () => {
  test("are shares of a charge, no less than the mill's least", () =>
    expect(parts(new MillCharges(cabinet), "mix", 200_000)).toEqual([
      ["hare", 750_000],
      ["mole", 250_000],
    ]));
  test("what a charge leaves over serves the next batch", () => {
    const charges = new MillCharges(cabinet);
    charges.partsFor("mix", 200_000);
    expect(parts(charges, "mix", 500_000)).toEqual([]);
    // 300 mg are left; 1,700 more with the reserve are 1,870.
    expect(parts(charges, "mix", 2_000_000)).toEqual([
      ["hare", 1_403_000],
      ["mole", 468_000],
    ]);
  });
  test("are counted as the drawer counts them; what cannot be milled is left to the mill to refuse", () =>
    expect(parts(new MillCharges(cabinet), "wool", 100_000)).toEqual([["yarn", 220_000]]));
  test.each([
    ["nothing is missing", "mix", 0],
    ["it is no blend", "hare", 5000],
    ["nobody knows it", "moon", 5000],
  ])("none, where %s", (_name, code, missing) => expect(parts(new MillCharges(cabinet), code, missing)).toEqual([]));

  test("in all there is never less of them than is missing, nor more than a charge beyond it with its reserve", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 3_000_000 }), { maxLength: 8 }), (missing) => {
        const charges = new MillCharges(cabinet);
        const milled = missing.flatMap((m) => charges.partsFor("mix", m)).reduce((sum, p) => sum + p.quantity, 0);
        const all = missing.reduce((a, b) => a + b, 0);
        expect(milled).toBeGreaterThanOrEqual(all - 1);
        expect(milled).toBeLessThanOrEqual(all * BLEND_RESERVE + 1_000_000 + 2 * missing.length);
      }),
      { seed: 5, numRuns: 200 },
    );
  });
});

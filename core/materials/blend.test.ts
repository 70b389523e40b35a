import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { isMillable, layersOf, MOST_BLEND_DEPTH, newMaterial, partQuantity, plainParts, type Material } from ".";

const blend = (code: string, parts: Record<string, number>, laid = false): Material => ({
  ...newMaterial(code, code, "blend"),
  blend: { parts, leastChargeMg: 500, ...(laid && { laid: true }) },
});
const cabinet = (...all: Material[]): Map<string, Material> =>
  new Map(
    [newMaterial("hare", "hare", "dubbing"), newMaterial("mole", "mole", "dubbing"), ...all].map((m) => [m.code, m]),
  );

describe("a blend by its plainest parts", () => {
  test.each<[string, Map<string, Material>, Record<string, number>]>([
    [
      "parts that do not add up to one are shares of their sum",
      cabinet(blend("b", { hare: 3, mole: 1 })),
      { hare: 0.75, mole: 0.25 },
    ],
    [
      "a part that is a blend is opened",
      cabinet(blend("b", { inner: 1, mole: 1 }), blend("inner", { hare: 1, mole: 1 })),
      { hare: 0.25, mole: 0.75 },
    ],
    ["a plain material is all of itself", cabinet(newMaterial("b", "b", "dubbing")), { b: 1 }],
  ])("%s", (_label, all, shares) => {
    const plain = plainParts("b", all);
    expect(Object.keys(plain).sort()).toEqual(Object.keys(shares).sort());
    for (const [code, share] of Object.entries(shares)) expect(plain[code]).toBeCloseTo(share, 12);
  });

  test("has shares that add up to one, however it is mixed", () => {
    const share = fc.integer({ min: 1, max: 100 });
    fc.assert(
      fc.property(share, share, share, share, (a, b, c, d) => {
        const all = cabinet(blend("b", { inner: a, hare: b }), blend("inner", { hare: c, mole: d }));
        const sum = Object.values(plainParts("b", all)).reduce((x, y) => x + y, 0);
        expect(sum).toBeCloseTo(1, 12);
      }),
    );
  });

  test("is refused where it would be mixed from itself, and the way there is told", () => {
    const all = cabinet(blend("b", { c: 1 }), blend("c", { b: 1, hare: 1 }));
    expect(() => plainParts("b", all)).toThrow(
      expect.objectContaining({ code: "BLEND_CYCLE", details: { blend: "b", through: ["c", "b"] } }),
    );
  });

  test("is refused without parts, and with a part that is not there", () => {
    expect(() => plainParts("b", cabinet(blend("b", {})))).toThrow(expect.objectContaining({ code: "BLEND_EMPTY" }));
    expect(() => plainParts("b", cabinet(blend("b", { seal: 1 })))).toThrow(
      expect.objectContaining({ code: "MATERIAL_UNKNOWN", details: { material: "seal", component: "blend" } }),
    );
  });

  const nested = (depth: number): Map<string, Material> =>
    cabinet(
      ...Array.from({ length: depth }, (_, i) => blend(`b${i}`, { [i === depth - 1 ? "hare" : `b${i + 1}`]: 1 })),
    );
  test("may be of blends within blends, so many deep and no deeper", () => {
    expect(plainParts("b0", nested(MOST_BLEND_DEPTH))).toEqual({ hare: 1 });
    expect(() => plainParts("b0", nested(MOST_BLEND_DEPTH + 1))).toThrow(
      expect.objectContaining({ code: "BLEND_TOO_DEEP" }),
    );
  });

  test("is as deep where its parts were opened before", () => {
    const all = nested(MOST_BLEND_DEPTH + 1);
    const opened = new Map();
    expect(plainParts("b1", all, opened)).toEqual({ hare: 1 });
    expect(() => plainParts("b0", all, opened)).toThrow(expect.objectContaining({ code: "BLEND_TOO_DEEP" }));
  });
});

describe("layers of a loop", () => {
  test("lie over each other by their shares; a blend of the mill is one of them", () => {
    const all = cabinet(blend("loop", { milled: 3, mole: 1 }, true), blend("milled", { hare: 1, mole: 1 }));
    const layers = layersOf(all.get("loop") as Material, all);
    expect(layers.map((l) => [l.material.code, l.share])).toEqual([
      ["milled", 0.75],
      ["mole", 0.25],
    ]);
  });

  test("of a layer that is laid itself are taken apart", () => {
    const all = cabinet(blend("loop", { inner: 1, hare: 1 }, true), blend("inner", { hare: 1, mole: 3 }, true));
    expect(layersOf(all.get("loop") as Material, all).map((l) => [l.material.code, l.share])).toEqual([
      ["hare", 0.125],
      ["mole", 0.375],
      ["hare", 0.5],
    ]);
  });

  test("are none of what is milled, and refused where nothing is laid", () => {
    const all = cabinet(blend("milled", { hare: 1 }), blend("loop", {}, true));
    expect(layersOf(all.get("milled") as Material, all)).toEqual([]);
    expect(() => layersOf(all.get("loop") as Material, all)).toThrow(expect.objectContaining({ code: "BLEND_EMPTY" }));
  });
});

describe("what a mass of a part is in its drawer", () => {
  test("is mg of fur, mm of yarn and feathers by their fibres", () => {
    expect(partQuantity(newMaterial("f", "fur", "dubbing"), 120)).toBe(120);
    expect(partQuantity(newMaterial("y", "yarn", "yarn"), 10)).toBeCloseTo(10 / 0.25);
    const feather = { ...newMaterial("p", "plume", "feather fibre"), fibreMm: 30 };
    expect(partQuantity(feather, 10)).toBeGreaterThan(0);
    // Twice as long fibres: half as many feathers.
    expect(partQuantity({ ...feather, fibreMm: 60 }, 10)).toBeCloseTo(partQuantity(feather, 10) / 2);
  });

  test("is refused where nobody knows what it weighs", () => {
    const bead = newMaterial("b", "a bead", "bead");
    const yarn = { ...newMaterial("y", "some yarn", "yarn"), strand: undefined };
    expect([isMillable(bead), isMillable(yarn)]).toEqual([false, false]);
    expect(() => partQuantity(bead, 5)).toThrow(expect.objectContaining({ code: "STEP_NEEDS" }));
    expect(() => partQuantity(yarn, 5)).toThrow(/mass of a millimetre of “some yarn”/);
  });
});

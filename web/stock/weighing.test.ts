import { describe, expect, test } from "vitest";
import { byWeight, wayToWeigh } from "./weighing";

const scale = { readabilityMg: 10, tareMg: 0 };
const wire = {
  unit: "um" as const,
  strand: { section: "round" as const, width: 0.19, thickness: 0.19, density: 8.96 },
};

describe("how a material is weighed", () => {
  test.each([
    ["pieces by a sample", { unit: "count" as const }, "pieces"],
    ["packets by their grams", { unit: "ug" as const }, "grams"],
    ["thread by its denier", { unit: "um" as const, thread: { denier: 70, fibre: "nylon" as const } }, "length"],
    ["wire by its diameter", wire, "length"],
    ["a strand of which nobody knows what it weighs", { unit: "um" as const }, undefined],
    ["a liquid", { unit: "nl" as const }, undefined],
  ])("%s", (_what, material, way) => expect(wayToWeigh(material)).toBe(way));

  test("hooks: the count, its ± and the larger sample", () =>
    expect(
      byWeight(
        { unit: "count" },
        { grossMg: 24_050, tareMg: 12_040, readabilityMg: 10, sampleCount: 5, sampleMg: 210 },
      ),
    ).toEqual({ counted: 286, plusMinus: 10, advice: { weigh: 20, plusMinus: 4 } }));
  test("pieces without a sample are not counted", () =>
    expect(byWeight({ unit: "count" }, { ...scale, grossMg: 500 })).toBeUndefined());
  test("thread in whole µm", () =>
    expect(byWeight({ unit: "um", thread: { denier: 70, fibre: "nylon" } }, { ...scale, grossMg: 1350 })).toEqual({
      counted: 173_571_429,
      plusMinus: 17_374_000,
    }));
  test("a packet in whole µg", () =>
    expect(byWeight({ unit: "ug" }, { ...scale, grossMg: 2500, tareMg: 500 })?.counted).toBe(2_000_000));
  test("wire", () => {
    const length = 3000 / (8.96 * (Math.PI / 4) * 0.19 ** 2);
    expect(byWeight(wire, { ...scale, grossMg: 3000 })?.counted).toBe(Math.round(length * 1000));
  });
});

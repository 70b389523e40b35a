import { describe, expect, test } from "vitest";
import { codeFor, newMaterial, withGauge } from ".";

describe("a material that is described for the first time", () => {
  test("a gauge brings the width that it stands for, until somebody has measured", () => {
    const wire = newMaterial("X", "it", "wire");
    expect(withGauge(wire, "medium")).toMatchObject({ gauge: "medium", strand: { width: 0.23, thickness: 0.23 } });
    expect(withGauge(newMaterial("X", "it", "tinsel"), "large").strand).toMatchObject({ width: 1.2, thickness: 0.03 });
    expect(withGauge({ ...wire, measured: true }, "medium").strand?.width).toBe(0.14);
    expect(withGauge(wire, "stout")).toEqual({ ...wire, gauge: "stout" });
    expect(withGauge(wire, undefined).strand).toEqual(wire.strand);
  });
  test("a code comes from form and name, and is free", () => {
    expect(codeFor("Olive hare fur", "dubbing", () => false)).toBe("DU-OLIHARFUR");
    expect(codeFor("Olive hare fur", "dubbing", (c) => c === "DU-OLIHARFUR")).toBe("DU-OLIHARFUR-2");
    expect(codeFor("…", "thread", () => false)).toBe("TH-NEW");
  });
});

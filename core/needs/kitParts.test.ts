import { describe, expect, test } from "vitest";
import type { Material } from "../materials";
import { quantity } from "../units";
import { breakageKind, breakagePriors, kitPartsFor, withKitParts, type Requirement } from ".";

const piece = (component: string, material: string, more: Partial<Requirement> = {}): Requirement => ({
  key: component,
  component,
  role: component === "hook" ? "hook" : "bead",
  material,
  materialName: material,
  unit: "count",
  alternates: ["other"],
  perFly: 1,
  net: quantity(24, "count"),
  expected: quantity(24, "count"),
  issue: quantity(25, "count"),
  words: "",
  teaches: true,
  uses: [{ step: component, use: { kind: "pieces", each: 1 } }],
  ...more,
});
const part = (code: string, madeOf: Record<string, number>): Material => ({
  code,
  name: `ready ${code}`,
  form: "made part",
  unit: "count",
  measured: false,
  lead: false,
  madeOf,
});
const beaded = part("H+B", { H: 1, B: 1 });
const doubled = part("H+2B", { H: 1, B: 2 });
const cabinet = new Map([beaded, doubled].map((m) => [m.code, m]));
const asked = [piece("hook", "H"), piece("head", "B", { issue: quantity(27, "count") }), piece("tail", "F")];

describe("ready-made parts", () => {
  test("are offered where all that they are made of is asked for, in these very numbers", () => {
    expect(kitPartsFor(asked, cabinet).map((m) => m.code)).toEqual(["H+B"]);
    expect(kitPartsFor(asked.slice(0, 1), cabinet)).toEqual([]);
    const two = piece("head", "B", { uses: [{ step: "head", use: { kind: "pieces", each: 2 } }] });
    expect(kitPartsFor([asked[0] ?? two, two], cabinet).map((m) => m.code)).toEqual(["H+2B"]);
  });

  test("stand in the place of the hook; what comes on it is not asked for again, and enough is issued of both", () => {
    const { requirements, ready } = withKitParts(asked, ["H+B"], cabinet);
    expect(requirements.map((r) => [r.key, r.material, r.issue])).toEqual([
      ["hook", "H+B", 27],
      ["tail", "F", 25],
    ]);
    expect([...ready]).toEqual(["head"]);
    expect(requirements[0]).toMatchObject({ materialName: "ready H+B", alternates: [] });
    expect(requirements[0]?.words).toContain("27");
  });

  test.each([["nothing"], ["H+2B"], ["unknown"]])("%s that does not fit changes nothing", (code) => {
    const { requirements, ready } = withKitParts(asked, [code], cabinet);
    expect(requirements).toEqual(asked);
    expect(ready.size).toBe(0);
  });

  test("that are taken twice stand once", () => {
    expect(withKitParts(asked, ["H+B", "H+B"], cabinet).requirements).toHaveLength(2);
  });
});

describe("how a part breaks", () => {
  test.each([
    ["a hook", "hook", "hook", "pieces", "hook"],
    ["a bead", "bead", "bead", "pieces", "bead"],
    ["a palmered hackle of any form", "hackle", "feather fibre", "wound feather", "hackle"],
    ["a wing of slips", "wing", "quill", "slips", "slips"],
    ["cheeks of whole feathers", "cheeks", "feather fibre", "feathers", "stiff eyes or cheeks"],
    ["a wire cut to length", "rib", "wire", "cut", "wire or tinsel"],
    ["herl", "body", "herl", "fibres", "herl or fibres"],
    ["rubber legs", "legs", "rubber", "strands", "other"],
  ] as const)("%s", (_name, role, form, kind, as) => {
    expect(breakageKind(role, form, [{ kind }])).toBe(as);
  });
  test("every kind has sound ones and spoiled ones before any was counted", () => {
    for (const [kind, { good, bad }] of Object.entries(breakagePriors)) {
      expect(bad, kind).toBeGreaterThan(0);
      expect(good / (good + bad), kind).toBeGreaterThan(0.75);
    }
  });

  const wire = (turns: number | undefined) =>
    piece("weight", "W", {
      unit: "um",
      issue: quantity(400_000, "um"),
      uses: [{ step: "weight", use: { kind: "length", mm: 18, ...(turns !== undefined && { turns }) } }],
    });
  const weighted = part("H+B+6xW", { H: 1, B: 1, W: 6 });
  test.each([
    ["as many turns", 6, true],
    ["half a turn more", 6.5, true],
    ["a turn fewer", 5, false],
    ["nobody knows how many", undefined, false],
  ])("weighted hooks, where the fly has %s", (_name, turns, fits) => {
    const kits = new Map([[weighted.code, weighted]]);
    const all = [...asked, wire(turns)];
    expect(kitPartsFor(all, kits)).toHaveLength(fits ? 1 : 0);
    const { requirements, ready } = withKitParts(all, [weighted.code], kits);
    expect([...ready]).toEqual(fits ? ["head", "weight"] : []);
    // Micrometres of wire are no pieces: as many hooks are issued as beads.
    expect(requirements[0]?.issue).toBe(fits ? 27 : 25);
  });
});

import { missingWords } from "../sentences";
import { describe, expect, test } from "vitest";
import { quantityWords } from "../materials";
import { hookRequirement, minutesWorking, requirementsOf, workingOf } from "../needs";
import { choose, materials, model, recipe } from "../testing/nymph";
import { drawFly } from "../drawing";
import { prepTasks } from "../batches";
import { composeFly, onReadyHooks } from ".";
import { forSize, missingFrom, type FlyChoice, type Recipe } from "../recipe";

const fly = (c: Partial<FlyChoice> = {}, r = recipe()) =>
  composeFly(r, choose(c), model, materials, { keepProfiles: true });
const part = (f: ReturnType<typeof fly>, id: string) => f.parts.find((p) => p.component === id);

describe("a complete recipe", () => {
  test("lacks nothing", () => expect(missingFrom(recipe())).toEqual([]));
  const broken: [string, (r: Recipe) => void, RegExp][] = [
    [
      "no hook",
      (r) => {
        r.hookModel = "";
      },
      /hook is not named/,
    ],
    [
      "no sizes",
      (r) => {
        r.sizes = { from: "", to: "" };
      },
      /sizes are not stated/,
    ],
    [
      "no thread",
      (r) => {
        r.components = r.components.filter((c) => c.role !== "thread");
      },
      /thread is not named/,
    ],
    [
      "a material nobody can name, in the giver's words",
      (r) => {
        r.components[3] = { id: "tail", role: "tail", material: [], asStated: "a few" };
      },
      /material of the tail is not known \(“a few”\)/,
    ],
    [
      "a finish that nobody stated",
      (r) => {
        r.finish = { state: "not stated" };
      },
      /finish is not stated/,
    ],
    [
      "no knot",
      (r) => {
        r.steps = r.steps.filter((s) => s.do !== "whip");
      },
      /add the whip finish/,
    ],
    [
      "dubbing without an amount",
      (r) => {
        r.steps[4] = {
          id: "body",
          name: "body",
          do: "dress",
          component: "body",
          from: { fraction: 0.5 },
          to: { landmark: "bend" },
        };
      },
      /how full/,
    ],
    [
      "a winding stated twice",
      (r) => {
        r.steps[5] = {
          id: "rib",
          name: "rib",
          do: "wind",
          component: "rib",
          from: { fraction: 0.5 },
          to: { landmark: "bend" },
          rule: { turns: 5, pitch: 1 },
        };
      },
      /how it is wound/,
    ],
    [
      "a part that no step uses",
      (r) => {
        r.steps = r.steps.filter((s) => s.id !== "wing");
      },
      /no step uses the wing/,
    ],
    [
      "a strand that is tied in and never wound",
      (r) => {
        r.steps = r.steps.filter((s) => s.id !== "rib");
      },
      /the rib is tied in and waits, and no step winds it/,
    ],
    [
      "a bead after the thread",
      (r) => {
        r.steps.splice(1, 0, ...r.steps.splice(0, 1));
      },
      /bead goes on the bare hook before anything else/,
    ],
    [
      "a rib wound before it is bound in",
      (r) => {
        [r.steps[3], r.steps[5]] = [r.steps[5] as never, r.steps[3] as never];
      },
      /goes first, as its material is bound in there/,
    ],
    [
      "a binding-in that is not there",
      (r) => {
        r.steps = r.steps.filter((s) => s.id !== "rib-in");
      },
      /leans on an earlier step that is not there/,
    ],
  ];
  test.each(broken)("%s is said, and keeps it from the bench", (_what, breakIt, sentence) => {
    const r = recipe();
    breakIt(r);
    expect(missingFrom(r).map(missingWords).join("; ")).toMatch(sentence);
    expect(() => composeFly(r, choose(), model, materials)).toThrow(
      expect.objectContaining({ code: "PATTERN_INCOMPLETE" }),
    );
  });
  test("no finish on purpose is not the same as none stated", () => {
    const r = recipe();
    r.finish = { state: "none" };
    r.components = r.components.filter((c) => c.id !== "finish");
    expect(missingFrom(r)).toEqual([]);
    expect(part(fly({}, r), "finish")).toBeUndefined();
  });
});

describe("one fly of a pattern", () => {
  test("lengths stated against parts become mm", () => {
    const f = fly();
    const body = f.hook.shank * 0.5;
    expect(f.steps.find((s) => s.id === "tail")?.shownMm).toBeCloseTo(body / 2, 9);
    expect(f.steps.find((s) => s.id === "wing")?.shownMm).toBeCloseTo(body, 9);
    expect(f.steps.find((s) => s.id === "legs")?.shownMm).toBeCloseTo(f.hook.gape, 9);
  });
  test("a length that leans on itself is refused", () => {
    const r = recipe();
    const tail = r.steps[2];
    if (tail?.do === "lay") tail.shown = { of: "tail", times: 1 };
    expect(() => fly({}, r)).toThrow(expect.objectContaining({ code: "LENGTH_RULE_UNRESOLVED" }));
  });
  test("the bead goes by the size", () =>
    expect([fly({ size: "12" }), fly({ size: "14" })].map((f) => part(f, "bead")?.material.code)).toEqual([
      "big-bead",
      "bead",
    ]));
  test("a variant swaps its whole set, a weight form leaves out its part", () => {
    const mixed = fly({ variant: "mixed" });
    expect([part(mixed, "body")?.material.code, part(mixed, "thread")?.material.code]).toEqual(["mix", "red"]);
    const light = fly({ form: "light" });
    expect(part(light, "bead")).toBeUndefined();
    expect(light.tied.mass.total).toBeLessThan(fly().tied.mass.total - 150);
  });
  test("what is bound in and wound later is counted once", () => {
    const uses = part(fly(), "rib")?.uses ?? [];
    expect(uses).toHaveLength(1);
    expect(uses[0]?.step).toBe("rib");
  });
  test("buying a part changes its material and its preparation", () => {
    expect(part(fly(), "legs")).toMatchObject({ made: true, makeMinutes: 1.5 });
    const bought = fly({ buy: ["legs"] });
    expect(part(bought, "legs")?.uses[0]?.use).toEqual({ kind: "pieces", each: 6 });
    expect(prepTasks(fly(), 24).map((t) => t.kind)).toContain("make parts");
    expect(prepTasks(bought, 24).map((t) => t.kind)).not.toContain("make parts");
  });
  test("what lies on the hooks already spares its winding; beads spare nothing", () => {
    const bare = fly();
    const ready = onReadyHooks(bare, recipe(), new Set(["rib", "bead"]));
    expect(bare.minutes - ready.minutes).toBeCloseTo(recipe().minutesPerFly / recipe().steps.length, 9);
    expect(minutesWorking(ready).inputs.map((i) => i.name)).toContain("wound on the hooks beforehand");
    expect(minutesWorking(ready).result.value).toBeCloseTo(
      minutesWorking(ready).inputs.reduce((sum, i) => sum + i.value, 0),
      9,
    );
    expect(onReadyHooks(bare, recipe(), new Set(["bead"]))).toBe(bare);
  });
  const refusals: [string, Partial<FlyChoice>, string][] = [
    ["a size outside the pattern", { size: "18" }, "PATTERN_SIZE_OUTSIDE"],
    ["a colour that is not there", { variant: "blue" }, "PATTERN_VARIANT_UNKNOWN"],
    ["a size that is none", { size: "big" }, "HOOK_SIZE_UNREADABLE"],
  ];
  test.each(refusals)("refuses %s", (_what, choice, code) =>
    expect(() => fly(choice)).toThrow(expect.objectContaining({ code })),
  );
  test("a material that is not in the cabinet is named", () => {
    const r = recipe();
    r.components[5] = { id: "body", role: "body", material: [{ value: "moon dust" }] };
    expect(() => fly({}, r)).toThrow(
      expect.objectContaining({ code: "MATERIAL_UNKNOWN", details: { material: "moon dust", component: "body" } }),
    );
  });
  test("the first entry whose sizes hold counts", () =>
    expect(["10", "12", "14"].map((s) => forSize(recipe().components[1]?.material ?? [], s))).toEqual([
      "big-bead",
      "big-bead",
      "bead",
    ]));
});

describe("requirements of a batch", () => {
  const f = fly();
  const rows = requirementsOf(f, 60);
  const row = (key: string) => rows.find((r) => r.key === key);
  test("slips are needed from both sides, each for itself", () => {
    expect(row("wing:left")).toMatchObject({ side: "left", issue: row("wing:right")?.issue });
    expect(row("wing:left")?.words).toMatch(/left feathers: slips 3 mm wide, 16 a feather/);
  });
  test("fibres become feathers, pooled: 6 × 60 of 180 a feather is two, with an allowance", () => {
    expect(row("tail")?.net).toBe(2);
    expect(row("tail")?.issue).toBeGreaterThanOrEqual(2);
  });
  test("lengths and masses are rounded up to what the drawer gives out, above the plain need", () => {
    for (const [key, step] of [
      ["rib", 10_000],
      ["thread", 10_000],
      ["body", 1000],
      ["finish", 1000],
    ] as const) {
      const r = row(key);
      expect((r?.issue ?? 1) % step, key).toBe(0);
      expect(r?.issue, key).toBeGreaterThan(r?.net ?? Infinity);
    }
  });
  test("a bigger batch never needs less, and no batch needs nothing", () => {
    const larger = requirementsOf(f, 61);
    rows.forEach((r, i) => expect(larger[i]?.issue).toBeGreaterThanOrEqual(r.issue));
    for (const r of requirementsOf(f, 0)) expect(r.issue).toBe(0);
    expect(hookRequirement(model, "14", 60).issue).toBeGreaterThan(60);
  });
  test("a learned factor moves the quantity, and narrower knowledge the allowance", () => {
    const learned = (m: number, v: number) =>
      requirementsOf(f, 60, { calibration: () => ({ m, v, batches: 3 }) }).find((r) => r.key === "rib")?.issue ?? 0;
    expect(learned(0.2, 0.04)).toBeGreaterThan(learned(0, 0.04));
    expect(learned(0, 0.001)).toBeLessThan(learned(0, 0.04));
  });
  test("every working ends in the quantity that is shown, and its parts in what one fly takes", () => {
    for (const r of rows) {
      const w = workingOf(r, f, 60);
      const base = r.unit === "count" ? 1 : 1000;
      expect(w.result.value * base, r.key).toBeCloseTo(r.issue, 6);
      expect(w.inputs[0]).toMatchObject({ name: "flies started", value: 60 });
      expect(w.parts?.length, r.key).toBe(r.uses.length);
    }
    expect(workingOf(row("rib") as never, f, 60).parts?.[0]?.inputs.map((i) => i.name)).toEqual([
      "L, wound",
      "σ, stretch",
      "bound",
      "trim",
    ]);
  });
  test.each([
    [3, "count", "3"],
    [60_000, "um", "60 mm"],
    [3_450_000, "um", "3.45 m"],
    [340_000, "ug", "340 mg"],
    [1_250_000, "ug", "1.25 g"],
    [285_000, "nl", "285 µl"],
  ] as const)("%i %s is %s", (n, unit, words) => expect(quantityWords(n, unit)).toBe(words));
});

describe("the drawing", () => {
  const d = drawFly(fly(), { seed: "a" });
  test("is the same for the same seed, and differs for another only in its texture", () => {
    expect(drawFly(fly(), { seed: "a" })).toEqual(d);
    const other = drawFly(fly(), { seed: "b" });
    expect(other).not.toEqual(d);
    expect(other.measures).toEqual(d.measures);
  });
  test("is to scale: the hook spans eye to bend, the tail reaches as far as it shows, the bead is as large as it is", () => {
    const f = fly();
    const wire = d.shapes
      .filter((s) => s.role === "hook" && s.kind === "stroke")
      .flatMap((s) => (s.kind === "stroke" ? s.points : []));
    expect(Math.min(...wire.map((p) => p[0]))).toBeCloseTo(-(f.hook.shank + f.hook.gape / 2), 1);
    expect(Math.max(...wire.map((p) => p[1]))).toBeCloseTo(f.hook.gape, 1);
    // A tapering fibre is two strokes, the shorter one over its root.
    const tail = d.shapes.filter((s) => s.step === "tail" && s.kind === "stroke" && s.points.length === 6);
    expect(tail).toHaveLength(6);
    const reach = Math.max(
      ...tail.map((s) =>
        s.kind === "stroke"
          ? Math.hypot(
              (s.points[0]?.[0] ?? 0) - (s.points.at(-1)?.[0] ?? 0),
              (s.points[0]?.[1] ?? 0) - (s.points.at(-1)?.[1] ?? 0),
            )
          : 0,
      ),
    );
    expect(reach).toBeCloseTo(f.steps.find((s) => s.id === "tail")?.shownMm ?? 0, 0);
    const bead = d.shapes.find((s) => s.step === "bead" && s.kind === "disc");
    expect(bead?.kind === "disc" && bead.radius).toBe(1.4);
  });
  test("shows as many turns of the rib as were wound", () =>
    expect(d.shapes.filter((s) => s.step === "rib" && s.kind === "stroke" && s.width === 0.14)).toHaveLength(5));
  test("a larger hook gives a larger box", () =>
    expect(drawFly(fly({ size: "10" }), { seed: "a" }).box[2]).toBeGreaterThan(d.box[2]));
  test("what lies inside is shown on demand only", () => {
    expect(d.shapes.some((s) => s.layer === "inside")).toBe(false);
    expect(d.shapes.every((s) => (s.kind === "disc" ? [s.at] : s.points).flat().every(Number.isFinite))).toBe(true);
  });
});

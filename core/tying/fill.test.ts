import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { hookAt, type HookModel } from "../hooks";
import { sentenceOf } from "../sentences";
import { refusalOf } from "../testing/refusal";
import {
  bareProfile,
  diameterAt,
  stretchToUse,
  strandOf,
  threadStrand,
  tieFly,
  wind,
  windToFill,
  type TyingStep,
} from ".";

const model: HookModel = { id: "m", name: "m", shankSteps: 0, wireSteps: 0, barbless: false, rows: [] };
const hook = hookAt(model, "12");
const thread = threadStrand({ denier: 70, fibre: "polyester" });
const stretch = strandOf({ section: "flat", width: 1, thickness: 0.4, density: 1.05 });
const zone = { from: 3, to: 6 };

describe("winding until it is as full as said", () => {
  test("a level fill takes just what touching layers to the same height take", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), (layers) => {
        const [filled, wound] = [bareProfile(hook), bareProfile(hook)];
        const full = hook.wire + 2 * layers * thread.thickness;
        const f = windToFill(filled, thread, zone, [full, full]);
        const w = wind(wound, thread, zone, { touching: true }, { passes: layers });
        expect(diameterAt(filled, 4.5)).toBeCloseTo(diameterAt(wound, 4.5), 9);
        expect(f.turns).toBeCloseTo(w.turns, 6);
        // The helix of a layer is a little longer than its circles: by its pitch, less than one in a hundred here.
        expect(f.length / w.length).toBeGreaterThan(0.985);
        expect(f.length / w.length).toBeLessThan(1.001);
      }),
    );
  });

  test("a ramp falls from one end to the other, and the end named first has the first figure", () => {
    const [down, up] = [bareProfile(hook), bareProfile(hook)];
    windToFill(down, thread, zone, [1.2, 0.6]);
    windToFill(up, thread, { ...zone, turned: true }, [1.2, 0.6]);
    expect(diameterAt(down, 3.2)).toBeGreaterThan(diameterAt(down, 5.8));
    expect(diameterAt(up, 3.2)).toBeLessThan(diameterAt(up, 5.8));
    expect(diameterAt(down, 4.5)).toBeCloseTo(0.9, 2);
  });

  test("where it is as full already nothing is wound and nothing changes", () => {
    const p = bareProfile(hook);
    const before = p.d.slice();
    expect(windToFill(p, thread, zone, [hook.wire / 2, hook.wire / 2])).toMatchObject({ length: 0, turns: 0 });
    expect(p.d).toEqual(before);
  });

  test("filling more never takes less, and filling twice takes nothing the second time", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (full, more) => {
          const [p, q] = [bareProfile(hook), bareProfile(hook)];
          const a = windToFill(p, thread, zone, [full, full]);
          expect(windToFill(q, thread, zone, [full + more, full]).length).toBeGreaterThanOrEqual(a.length - 1e-9);
          expect(windToFill(p, thread, zone, [full, full]).length).toBeCloseTo(0, 9);
        },
      ),
    ));

  test("without the weight the gap behind the bead takes thread that it did not take before", () => {
    const steps = (weighted: boolean): TyingStep[] => [
      {
        id: "bead",
        name: "bead",
        do: "seat",
        from: { landmark: "eye" },
        part: { diameter: 2.8, length: 2.4, mass: 160 },
        count: 1,
      },
      ...(weighted
        ? [
            {
              id: "weight",
              name: "weight",
              do: "wind",
              strand: strandOf({ section: "round", width: 0.38, thickness: 0.38, density: 11.34 }),
              from: { landmark: "eye" },
              rule: { touching: true, turns: 6 },
            } as TyingStep,
          ]
        : []),
      {
        id: "gap",
        name: "fill the gap",
        do: "wind",
        strand: "thread",
        from: { landmark: "eye" },
        to: { fraction: 0.55 },
        rule: { touching: true },
        fill: [1.1, 0.6],
      },
      { id: "whip", name: "whip", do: "whip", from: { landmark: "eye" }, to: { eyeLengths: 0.5 }, turns: 4, coats: 0 },
    ];
    const [heavy, light] = [true, false].map((w) =>
      tieFly(hookAt(model, "10"), { denier: 70, fibre: "polyester" }, steps(w)),
    );
    const gap = (f: typeof heavy) => f?.steps.find((s) => s.id === "gap")?.length ?? 0;
    expect(gap(light)).toBeGreaterThan(1.5 * gap(heavy));
    expect(light?.threads[0]?.use.windings).toBeCloseTo(gap(light), 9);
    expect((light?.mass.total ?? 0) < (heavy?.mass.total ?? 0)).toBe(true);
  });
});

describe("stretch, from the piece begun with less what is left", () => {
  const used = (s: number): number =>
    wind(bareProfile(hook), stretch, zone, { touching: true }, { stretch: s }).unstretched;

  test("the stretch that used just so much is found again", () =>
    fc.assert(
      fc.property(fc.double({ min: 1.05, max: 6, noNaN: true }), (sigma) => {
        expect(stretchToUse(bareProfile(hook), stretch, zone, { touching: true }, 1, used(sigma))).toBeCloseTo(
          sigma,
          4,
        );
      }),
    ));

  test("the profile that is asked is left as it was", () => {
    const p = bareProfile(hook);
    const before = p.d.slice();
    stretchToUse(p, stretch, zone, { touching: true }, 1, used(2));
    expect(p.d).toEqual(before);
  });

  test("more than it takes unstretched, or less than at its tightest, is refused with both figures", () => {
    for (const took of [used(1) + 5, used(8) - 0.5])
      expect(
        refusalOf(() => stretchToUse(bareProfile(hook), stretch, zone, { touching: true }, 1, took)),
      ).toMatchObject({ code: "LEFTOVER_IMPOSSIBLE", details: { usedMm: took, mostMm: used(1), leastMm: used(8) } });
  });

  test("touching turns that took more than they can say which overlap takes as much", () => {
    const zoneMm = zone;
    const overlapped = wind(bareProfile(hook), stretch, zoneMm, { overlap: 0.25 }).length;
    const error = refusalOf(() => stretchToUse(bareProfile(hook), stretch, zoneMm, { touching: true }, 1, overlapped));
    expect((error as { details: { overlap?: number } }).details.overlap).toBeCloseTo(0.25, 6);
    expect(sentenceOf(error as never)).toContain("overlap by 25 %");
    const never = refusalOf(() => stretchToUse(bareProfile(hook), stretch, zoneMm, { turns: 3 }, 1, overlapped));
    expect((never as { details: { overlap?: number } }).details.overlap).toBeUndefined();
  });

  test("a step measured so takes from the spool what was used, bound part included", () => {
    const fly = tieFly(hook, { denier: 70, fibre: "polyester" }, [
      {
        id: "base",
        name: "base",
        do: "wind",
        strand: "thread",
        from: { eyeLengths: 0.5 },
        to: { landmark: "bend" },
        rule: { touching: true },
      },
      {
        id: "body",
        name: "body",
        do: "wind",
        strand: stretch,
        from: { fraction: 0.3 },
        to: { fraction: 0.9 },
        rule: { touching: true },
        tookMm: 18,
        take: { from: "spool", bound: 3, trim: 0 },
      },
      { id: "whip", name: "whip", do: "whip", from: { eyeLengths: 0 }, to: { eyeLengths: 0.5 }, turns: 4, coats: 0 },
    ]);
    const body = fly.steps.find((s) => s.id === "body");
    expect(body?.use).toBeCloseTo(18, 6);
    expect(body?.stretch).toBeGreaterThan(1);
    // What is bound was drawn as tight: (L + bound) / σ is what was used.
    expect(((body?.length ?? 0) + 3) / (body?.stretch ?? 1)).toBeCloseTo(18, 6);
  });
});

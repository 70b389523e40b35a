import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { drawFly } from "../drawing";
import { DomainError } from "../errors";
import { methodSentence, missingWords, sentenceOf } from "../sentences";
import { judgeSubstitute, methodDifferences, requirementsOf, workingOf } from "../needs";
import { choose, materials, model } from "../testing/nymph";
import { withStep } from "../testing/recipes";
import { anyStep, type SaidStep } from "../testing/steps";
import { composeFly, proportionsOf, type ComposedFly } from ".";
import { benchStepOf, threadWay } from "../bench";
import { changesBetween } from "../versions";
import { missingFrom, sameContent, type Recipe } from "../recipe";

/** A material of the test cabinet for each form that a said step may have. */
const of: Partial<Record<SaidStep["form"], string>> = {
  "feather fibre": "pheasant",
  wire: "wire",
  thread: "olive",
  hackle: "hackle",
  dubbing: "fur",
};
/** The nymph with any step put in before its knot, of a part of its own. */
const withAny = ({ step, role, form }: SaidStep): Recipe =>
  withStep({ ...step, id: "any", component: "any" }, { id: "any", role, material: [{ value: of[form] ?? "" }] });
const size = fc.constantFrom("10", "12", "14", "16");
const finite = (values: readonly (number | undefined)[]): boolean =>
  values.every((v) => v === undefined || Number.isFinite(v));

/** The fly, or the sentence with which it is refused. */
function attempt(run: () => ComposedFly): ComposedFly | DomainError {
  try {
    return run();
  } catch (error) {
    if (error instanceof DomainError) return error;
    throw error;
  }
}
const compose = (s: SaidStep, at: string): ComposedFly | DomainError =>
  attempt(() => composeFly(withAny(s), choose({ size: at }), model, materials, { keepProfiles: true }));

describe("the nymph with whatever step can be said", () => {
  test("is tied with finite figures, or refused at that step with a sentence", () => {
    let tied = 0;
    fc.assert(
      fc.property(anyStep, size, (s, at) => {
        const fly = compose(s, at);
        if (fly instanceof DomainError) {
          expect(fly.code === "PATTERN_INCOMPLETE" || fly.step?.id === "any", `${fly.code} at ${fly.step?.id}`).toBe(
            true,
          );
          expect(sentenceOf(fly)).toMatch(/^.{12,}[.]$/s);
          return;
        }
        tied++;
        expect(
          finite([
            ...fly.tied.profile.d,
            ...fly.tied.profile.body,
            fly.minutes,
            ...Object.values(fly.tied.mass),
            ...fly.tied.threads.flatMap((t) => Object.values(t.use)),
          ]),
        ).toBe(true);
        expect(Math.min(...fly.tied.profile.d)).toBeGreaterThanOrEqual(fly.hook.wire - 1e-9);
        for (const r of fly.tied.steps)
          expect(finite([r.length, r.use, r.turns, r.mass, r.volume, r.noodle, r.from, r.to, r.stretch])).toBe(true);
      }),
      { numRuns: 300 },
    );
    // Most of what can be said can be tied: a test that refuses everything would prove nothing.
    expect(tied).toBeGreaterThan(60);
  });

  test("needs finite quantities, each with a working that ends in it", () =>
    fc.assert(
      fc.property(anyStep, size, fc.integer({ min: 1, max: 120 }), (s, at, flies) => {
        const fly = compose(s, at);
        fc.pre(!(fly instanceof DomainError));
        const needed = attemptNeeds(fly, flies);
        fc.pre(needed !== undefined);
        for (const r of needed ?? []) {
          const nothing = fly.tied.warnings.some((w) => w.code === "NOTHING_TO_FILL") && r.perFly === 0;
          expect(
            Number.isInteger(r.issue) && r.issue >= r.net && (r.perFly > 0 || nothing),
            `${r.key}: ${r.issue} for ${r.net}`,
          ).toBe(true);
          expect(Number.isFinite(workingOf(r, fly, flies).result.value)).toBe(true);
          expect(r.words).toMatch(/\d/);
        }
      }),
      { numRuns: 200 },
    ));

  test("is drawn of finite points, and said at the bench without a gap", () =>
    fc.assert(
      fc.property(anyStep, size, (s, at) => {
        const fly = compose(s, at);
        fc.pre(!(fly instanceof DomainError));
        const drawing = drawFly(fly, { seed: "any" });
        expect(finite(drawing.shapes.flatMap((x) => (x.kind === "disc" ? [...x.at, x.radius] : x.points.flat())))).toBe(
          true,
        );
        expect(finite(drawing.box)).toBe(true);
        for (const step of fly.steps)
          expect(
            [benchStepOf(fly, step, "left").where, ...benchStepOf(fly, step, "right").figures].join(" "),
          ).not.toMatch(/NaN|undefined|Infinity/);
        expect(finite([...proportionsOf(fly).map((p) => p.mm), ...threadWay(fly).map((t) => t.hangsAt)])).toBe(true);
      }),
      { numRuns: 60 },
    ));

  test("every other way of tying it is computed or refused, never neither", () =>
    fc.assert(
      fc.property(anyStep, size, (s, at) => {
        fc.pre(!(compose(s, at) instanceof DomainError));
        for (const d of methodDifferences({ recipe: withAny(s), choice: choose({ size: at }), model, materials }, 24)) {
          expect(methodSentence(d).length).toBeGreaterThan(5);
          if (d.fault === undefined)
            expect(finite([d.minutes, d.massMg, ...d.differences.flatMap((x) => [x.before, x.after])])).toBe(true);
        }
      }),
      { numRuns: 40 },
    ));

  test("of another material it is judged or refused", () =>
    fc.assert(
      fc.property(anyStep, size, fc.constantFrom(...materials.keys()), (s, at, code) => {
        fc.pre(!(compose(s, at) instanceof DomainError));
        const judged = judgeSubstitute(
          { recipe: withAny(s), choice: choose({ size: at }), model, materials },
          "any",
          code,
          24,
        );
        if (judged.fault === undefined)
          expect(finite([judged.massMg, ...judged.differences.flatMap((x) => [x.before, x.after])])).toBe(true);
        else expect(sentenceOf(judged.fault).length).toBeGreaterThan(10);
      }),
      { numRuns: 150 },
    ));

  test("two of them differ in words just where they differ at all", () =>
    fc.assert(
      fc.property(anyStep, anyStep, (a, b) => {
        const [was, is] = [withAny(a), withAny(b)];
        expect(changesBetween(was, is, (c) => c).length > 0).toBe(!sameContent(was, is));
        expect(changesBetween(was, structuredClone(was), (c) => c)).toEqual([]);
      }),
      { numRuns: 150 },
    ));

  test("what it lacks is said in whole sentences' parts, and always the same", () =>
    fc.assert(
      fc.property(anyStep, (s) => {
        const missing = missingFrom(withAny(s));
        expect(missingFrom(withAny(s))).toEqual(missing);
        for (const m of missing) expect(missingWords(m)).not.toMatch(/undefined|\[object/);
      }),
      { numRuns: 150 },
    ));
});

/** Pieces that are too short are found only when quantities are asked for. */
function attemptNeeds(fly: ComposedFly, flies: number): ReturnType<typeof requirementsOf> | undefined {
  try {
    return requirementsOf(fly, flies);
  } catch (error) {
    if (error instanceof DomainError) return undefined;
    throw error;
  }
}

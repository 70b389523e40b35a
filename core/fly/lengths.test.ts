import { describe, expect, test } from "vitest";
import { hookAt, placeAt } from "../hooks";
import { model, recipe } from "../testing/nymph";
import { refusalOf } from "../testing/refusal";
import { boundFoam } from "../testing/steps";
import { rootOf } from ".";
import { Lengths } from "./lengths";
import { type LengthRule, type RecipeStep } from "../recipe";

const hook = hookAt(model, "12");
const BEAD = 2.4;
const base = recipe();
const roleOf = (id: string) => base.components.find((c) => c.id === id)?.role;
const lengths = (steps: RecipeStep[] = base.steps, bead = BEAD) => new Lengths(steps, roleOf, hook, bead);
const withStep = (id: string, more: Partial<RecipeStep>): RecipeStep[] =>
  base.steps.map((s) => (s.id === id ? ({ ...s, ...more } as RecipeStep) : s));
/** The fly with another body on it. */
const withBody = (step: RecipeStep): RecipeStep[] => base.steps.map((s) => (s.id === "body" ? step : s));
const bodyMm = hook.shank - 0.5 * hook.shank;

describe("a length stated as a rule", () => {
  test.each<[string, LengthRule, number]>([
    ["in mm", { mm: 7.5 }, 7.5],
    ["against the shank", { of: "shank", times: 0.5 }, 0.5 * hook.shank],
    ["against the gape", { of: "gape", times: 1.5 }, 1.5 * hook.gape],
    ["against the eye", { of: "eye", times: 2 }, 2 * hook.eye],
    ["against the whole hook", { of: "hook", times: 1 }, hook.eye + hook.shank + 0.5 * hook.gape],
    ["against the body", { of: "body", times: 1 }, bodyMm],
    ["against the tail", { of: "tail", times: 2 }, bodyMm],
    ["against the wing", { of: "wing", times: 0.5 }, 0.5 * bodyMm],
    [
      "the shank and half a gape",
      { of: "shank", times: 1, plus: { of: "gape", times: 0.5 } },
      hook.shank + 0.5 * hook.gape,
    ],
    ["a millimetre less than the shank", { of: "shank", times: 1, plus: { mm: -1 } }, hook.shank - 1],
  ])("%s", (_what, rule, mm) => expect(lengths().mm(rule)).toBeCloseTo(mm, 9));

  test.each<[string, LengthRule, number]>([
    ["to the point", { reach: "point" }, hook.point],
    ["to the barb", { reach: "barb" }, hook.barb],
    ["to the bend", { reach: "bend" }, hook.shank],
    ["to the tip of the tail", { reach: "tail" }, hook.shank + 0.5 * bodyMm],
    ["to mid-tail", { reach: "mid-tail" }, hook.shank + 0.25 * bodyMm],
    ["past the tail by two", { reach: "tail", pastMm: 2 }, hook.shank + 0.5 * bodyMm + 2],
  ])("%s, from where the part is tied in", (_what, rule, tip) => {
    for (const root of [1, 3.5]) expect(lengths().mm(rule, root)).toBeCloseTo(tip - root, 9);
  });

  test.each<[string, LengthRule, number, number]>([
    ["half way to the point", { reach: "point", share: 0.5 }, hook.point, 0.5],
    ["a third of the way to mid-shank", { to: { fraction: 0.5 }, share: 1 / 3 }, 0.5 * hook.shank, 1 / 3],
  ])("%s, from where the part is tied in", (_what, rule, there, share) => {
    for (const root of [1, 2]) expect(lengths().mm(rule, root)).toBeCloseTo(share * (there - root), 9);
  });

  test("the bead takes its share of a body that begins under it", () => {
    const steps = withStep("body", { from: { landmark: "eye" } } as Partial<RecipeStep>);
    expect(lengths(steps, BEAD).mm({ of: "body", times: 1 })).toBeCloseTo(hook.shank - BEAD, 9);
    expect(lengths(steps, 0).mm({ of: "body", times: 1 })).toBeCloseTo(hook.shank, 9);
  });
  test("a body of foam that is bound along the shank is as long as it lies, and one that waits has no length yet", () => {
    expect(lengths(withBody(boundFoam)).mm({ of: "body", times: 1 })).toBeCloseTo(0.7 * hook.shank, 9);
    const waits = withBody({ ...boundFoam, countedWhenWound: true });
    expect(refusalOf(() => lengths(waits).mm({ of: "body", times: 1 }))).toMatchObject({
      code: "LENGTH_RULE_UNRESOLVED",
    });
  });
  test("fibres of the tail that are wound on measure as the body, of a fly that has no other", () => {
    const wound: RecipeStep = {
      id: "wound",
      name: "wound",
      component: "tail",
      do: "wind",
      rule: { touching: true },
      from: { fraction: 0.4 },
      to: { landmark: "bend" },
    };
    const carried = withBody({ ...wound, carries: "tail" });
    expect(lengths(carried).mm({ of: "body", times: 1 })).toBeCloseTo(0.6 * hook.shank, 9);
    expect(refusalOf(() => lengths(carried).mm({ of: "thorax", times: 1 }))).toMatchObject({
      code: "LENGTH_RULE_UNRESOLVED",
    });
    // A tail of hackle that is wound carries nothing on.
    expect(refusalOf(() => lengths(withBody(wound)).mm({ of: "body", times: 1 }))).toMatchObject({
      code: "LENGTH_RULE_UNRESOLVED",
    });
  });
  test("what lies behind the reach already cannot be reached", () =>
    expect(refusalOf(() => lengths().mm({ reach: "point" }, hook.shank))).toMatchObject({
      code: "LENGTH_LEAVES_NOTHING",
      details: { against: "point" },
    }));
  test("what is less than nothing is no length", () =>
    expect(refusalOf(() => lengths().mm({ of: "gape", times: 1, plus: { of: "shank", times: -2 } }))).toMatchObject({
      code: "LENGTH_LEAVES_NOTHING",
      details: { against: "gape" },
    }));
  test("a part that is not on the fly is named", () => {
    expect(
      refusalOf(() => lengths(base.steps.filter((s) => s.id !== "wing")).mm({ of: "wing", times: 1 })),
    ).toMatchObject({ code: "LENGTH_RULE_UNRESOLVED", details: { part: "wing" } });
    expect(
      refusalOf(() => lengths(base.steps.filter((s) => s.id !== "body")).mm({ of: "body", times: 1 })),
    ).toMatchObject({ code: "LENGTH_RULE_UNRESOLVED", details: { part: "body" } });
  });
  test("two parts that lean on each other are refused, not followed for ever", () => {
    expect(
      refusalOf(() =>
        lengths(withStep("tail", { shown: { of: "wing", times: 1 } } as Partial<RecipeStep>)).mm({
          of: "wing",
          times: 1,
        }),
      )?.code,
    ).toBe("LENGTH_RULE_UNRESOLVED");
    expect(
      refusalOf(() =>
        lengths(withStep("tail", { shown: { of: "tail", times: 1 } } as Partial<RecipeStep>)).mm({
          of: "tail",
          times: 1,
        }),
      )?.code,
    ).toBe("LENGTH_RULE_UNRESOLVED");
  });
});

describe("where a laid part leaves the shank", () => {
  const laid = (attitude: "back" | "over" | undefined): RecipeStep & { do: "lay" } => ({
    id: "x",
    name: "x",
    do: "lay",
    from: { fraction: 0.2 },
    to: { fraction: 0.4 },
    amount: { fibres: 3 },
    attitude,
  });
  test("its rear end when it points back, or says nothing; its front otherwise", () => {
    const at = (fraction: number) => placeAt({ fraction }, hook, 0);
    expect([rootOf(laid("back"), hook, 0), rootOf(laid(undefined), hook, 0), rootOf(laid("over"), hook, 0)]).toEqual([
      at(0.4),
      at(0.4),
      at(0.2),
    ]);
  });
});

import { describe, expect, test } from "vitest";
import { hookAt, type Place } from "../hooks";
import { codeOf } from "../testing/refusal";
import { tieFly } from ".";

const hook = hookAt({ id: "n", name: "n", shankSteps: 0, wireSteps: 0, barbless: false, rows: [] }, "14");
const knot = (from: Place, to: Place) =>
  tieFly(hook, { denier: 70, fibre: "polyester" }, [
    { id: "k", name: "knot", do: "whip", from, to, turns: 4, coats: 0 },
  ]).steps[0];

describe("where the finishing knot lies", () => {
  test("in front of what stands close to the eye it is as short as there is room", () => {
    const before = { eyeLengths: 0.5 };
    expect(knot({ ...before, plus: { of: "eye", times: -0.9 } }, before)).toMatchObject({
      from: 0,
      to: 0.5 * hook.eye,
      headLength: 0.5 * hook.eye,
    });
  });

  test("where there is no room at all it is refused", () => {
    const over = { eyeLengths: 0.2, plus: { of: "eye", times: -0.5 } } as const;
    expect(codeOf(() => knot({ ...over, plus: { of: "eye", times: -1 } }, over))).toBe("ZONE_EMPTY");
  });
});

describe("coats along a stretch of no length", () => {
  const glue = (from: Place, to: Place, coats: number) =>
    tieFly(hook, { denier: 70, fibre: "polyester" }, [
      { id: "g", name: "coat", do: "glue", at: from, drops: 1, liquid: "glue", along: { from, to, coats } },
    ]).steps[0];

  test("are drops at that spot", () => {
    const at = { eyeLengths: 1 };
    expect(glue(at, at, 1)).toMatchObject({ from: hook.eye, to: hook.eye });
    expect(glue(at, at, 2)?.volume).toBeCloseTo(2 * (glue(at, at, 1)?.volume ?? NaN), 9);
  });

  test("and a film where there is a stretch", () =>
    expect(glue({ eyeLengths: 1 }, { eyeLengths: 3 }, 1)).toMatchObject({ from: hook.eye, to: 3 * hook.eye }));
});

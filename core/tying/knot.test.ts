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

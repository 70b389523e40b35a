import { describe, expect, test } from "vitest";
import { hookAt, nearHooks, type HookModel } from ".";

const plain: HookModel = { id: "N", name: "Nymph", shankSteps: 0, wireSteps: 0, barbless: false, rows: [] };
const one = (id: string, more: Partial<HookModel>): HookModel => ({ ...plain, id, name: id, ...more });
const near = (others: HookModel[], tolerance = 1, size = "12") => nearHooks(plain, size, others, tolerance);

describe("hooks that come near another", () => {
  test("nXL is n steps longer, nXS n steps shorter, at every size", () => {
    for (const size of ["18", "14", "10", "6"])
      for (const steps of [-2, -1, 1, 2, 3])
        expect(near([one("L", { shankSteps: steps })], 0, size)[0]?.steps, `${steps} at ${size}`).toBe(steps);
  });
  test("the pattern's tolerance decides which of them will do", () => {
    const longer = one("1XL", { shankSteps: 1 });
    expect([0, 1, 2].map((t) => near([longer], t)[0]?.fits)).toEqual([false, true, true]);
    expect(near([one("2XL", { shankSteps: 2 })], 1)[0]?.fits).toBe(false);
  });
  test("what differs is said in mm, with its direction", () => {
    const [found] = near([one("X", { shankSteps: 1, wireSteps: -2, barbless: true })]);
    const [a, b] = [hookAt(plain, "12"), hookAt(one("X", { shankSteps: 1, wireSteps: -2 }), "12")];
    expect(found?.differs).toEqual([
      `shank ${(b.shank - a.shank).toFixed(1)} mm longer (1 step)`,
      `wire ${(a.wire - b.wire).toFixed(2)} mm finer`,
      "barbless",
    ]);
  });
  test("the same figures from another maker are near and differ in nothing; a hook is never near itself", () => {
    expect(near([one("M", {}), plain])).toMatchObject([{ id: "M", differs: [], fits: true }]);
  });
  test("another bend, two points or a far wider gape will not do, whatever the shank", () => {
    expect(near([one("C", { bend: "curved" }), one("D", { points: 2 })]).map((h) => h.fits)).toEqual([false, false]);
    expect(near([one("W", { gapeSteps: 2 })])[0]).toMatchObject({ fits: false });
    expect(near([one("W", { gapeSteps: 8 })])).toEqual([]);
    expect(near([one("XXL", { shankSteps: 5 })])).toEqual([]);
  });
  test("what will do comes first, then the nearest", () => {
    expect(
      near([
        one("3XL", { shankSteps: 3 }),
        one("curved", { bend: "curved" }),
        one("1XL", { shankSteps: 1 }),
        one("same", {}),
      ]).map((h) => h.id),
    ).toEqual(["same", "1XL", "curved", "3XL"]);
  });
  test("a hook that is not kept in sizes about this one is not offered", () => {
    const small = one("P", { rows: [{ size: "16" }, { size: "18" }] });
    expect(near([small], 1, "14").map((h) => h.id)).toEqual(["P"]);
    expect(near([small], 1, "12")).toEqual([]);
  });
  test("a hook whose size nobody has measured is left out, not guessed", () => {
    const far = one("F", {
      rows: [
        { size: "2", shank: 20 },
        { size: "4", shank: 18 },
      ],
    });
    expect(near([far, one("M", {})]).map((h) => h.id)).toEqual(["M"]);
  });
});

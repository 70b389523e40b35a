import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { discrepancySentence } from "../sentences";
import { fliesDressed, hooksSpent, reconcile, type KitUse, type Tied } from ".";

const tied = (good: number, more: Partial<Tied> = {}): Tied => ({
  good,
  wholeFly: 0,
  hookKept: 0,
  timeOnly: 0,
  ...more,
});
const use = (more: Partial<KitUse>): KitUse => ({
  key: "head",
  material: "Bead 2.8",
  unit: "count",
  isHook: false,
  piecesPerFly: 1,
  taken: 30,
  used: 24,
  spoilt: 0,
  explained: false,
  ...more,
});
const hook = (more: Partial<KitUse> = {}) => use({ key: "hook", material: "Hook N1, 14", isHook: true, ...more });

describe("a kit against the flies tied from it", () => {
  const cases: [string, Tied, KitUse, string | undefined][] = [
    ["a piece a fly", tied(24), use({}), undefined],
    ["no fly", tied(0), use({ used: 0 }), undefined],
    ["more flies than hooks, whatever is said", tied(31), hook({ explained: true }), "MORE_FLIES_THAN_HOOKS"],
    ["a hook kept is tied on again", tied(24, { hookKept: 9 }), hook({ taken: 24 }), undefined],
    [
      "a fly thrown away with its hook takes one",
      tied(24, { wholeFly: 1 }),
      hook({ taken: 24 }),
      "MORE_FLIES_THAN_HOOKS",
    ],
    ["lost time takes nothing", tied(24, { timeOnly: 5 }), use({}), undefined],
    ["used and spoilt beyond what was there", tied(24), use({ used: 28, spoilt: 3 }), "MORE_THAN_TAKEN"],
    ["fewer beads than flies", tied(24), use({ used: 20 }), "FEWER_THAN_FLIES"],
    ["fewer, and somebody said why", tied(24), use({ used: 20, explained: true }), undefined],
    ["more beads than flies", tied(24), use({ used: 26 }), "MORE_THAN_FLIES"],
    ["more, as many as tries that kept the hook", tied(24, { hookKept: 2 }), use({ used: 26 }), undefined],
    ["two eyes a fly", tied(12), use({ piecesPerFly: 2, used: 23 }), "FEWER_THAN_FLIES"],
    ["a feather that serves three is nobody's count", tied(24), use({ piecesPerFly: 1 / 3, used: 2 }), undefined],
    ["what is measured is learned from, not asked", tied(24), use({ piecesPerFly: undefined, used: 1 }), undefined],
  ];
  test.each(cases)("%s", (_name, of, u, code) => {
    expect(reconcile(of, [u]).map((d) => d.code)).toEqual(code ? [code] : []);
  });

  test("says what may have happened, with both numbers", () => {
    const said = reconcile(tied(63), [hook({ taken: 39, used: 39 })]).map(discrepancySentence);
    expect(said[0]).toMatch(/63 flies .* 39 hooks .* Draw the hooks/);
    const [fewer] = reconcile(tied(24), [use({ used: 20 })]);
    expect(fewer && discrepancySentence(fewer)).toMatch(/at least 24 of Bead 2.8, and 20/);
  });

  test("refuses counts that are none", () => {
    expect(() => reconcile(tied(-1), [])).toThrow(expect.objectContaining({ code: "FIGURE_OUT_OF_BOUNDS" }));
    expect(() => reconcile(tied(1), [use({ used: NaN })])).toThrow(
      expect.objectContaining({ code: "FIGURE_OUT_OF_BOUNDS" }),
    );
  });

  test("what is booked as computed always agrees, where the kit had enough", () => {
    const count = fc.integer({ min: 0, max: 60 });
    fc.assert(
      fc.property(
        count,
        count,
        count,
        count,
        fc.integer({ min: 1, max: 3 }),
        (good, wholeFly, hookKept, timeOnly, n) => {
          const of = { good, wholeFly, hookKept, timeOnly };
          const used = n * fliesDressed(of);
          const uses = [
            hook({ taken: hooksSpent(of), used: hooksSpent(of) }),
            use({ piecesPerFly: n, taken: used, used }),
          ];
          expect(reconcile(of, uses)).toEqual([]);
        },
      ),
      { seed: 5, numRuns: 200 },
    );
  });
});

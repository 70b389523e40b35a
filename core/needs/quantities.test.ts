import { describe, expect, test } from "vitest";
import { composeFly } from "../fly";
import { issueQuantity, uncalibrated } from "../learning";
import { changed } from "../testing/recipes";
import { codeOf } from "../testing/refusal";
import { choose, materials, model, recipe } from "../testing/nymph";
import type { RecipeStep } from "../recipe";
import { requirementsOf } from ".";

const ribInPieces = (pieceMm: number) =>
  changed((r) => {
    r.steps = r.steps.map((s): RecipeStep =>
      s.id === "rib" && s.do === "wind" ? { ...s, take: { from: "pieces", pieceMm, gripMm: 0, trimMm: 0 } } : s,
    );
  });
const rib = (pieceMm: number, flies: number) =>
  requirementsOf(composeFly(ribInPieces(pieceMm), choose(), model, materials), flies).find((q) => q.key === "rib");

describe("what is issued is a whole number of base units", () => {
  test.each([64.1, 128.45, 99.99])("pieces of %d mm, for any number of flies", (mm) => {
    for (let flies = 1; flies <= 60; flies++) {
      const r = rib(mm, flies);
      expect([r?.net, r?.expected, r?.issue].every(Number.isInteger), `${mm} mm for ${flies}: ${r?.issue}`).toBe(true);
      expect((r?.issue ?? 0) % Math.round(mm * 1000)).toBe(0);
    }
  });
  test("two pieces of 64.1 mm are 128.2 mm", () => expect(rib(64.1, 1)?.net).toBe(64_100));
});

describe("what cannot be counted on is refused", () => {
  test.each([0, 1, 1.2, -0.1, NaN])("a level of %d", (level) =>
    expect(codeOf(() => issueQuantity(12, 50, uncalibrated, level))).toBe("PROBABILITY_INVALID"),
  );
  test.each([-1, 1.5, NaN, 2e6])("%d flies", (flies) =>
    expect(codeOf(() => requirementsOf(composeFly(recipe(), choose(), model, materials), flies))).toBe(
      "FIGURE_OUT_OF_BOUNDS",
    ),
  );
});

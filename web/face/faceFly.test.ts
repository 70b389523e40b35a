import { describe, expect, test } from "vitest";
import { faceAt, faceSizes } from "./faceFly";

describe("the fly of the sign-in page", () => {
  test.each(faceSizes)("is computed at size %s", (size) => {
    const { fly, needs } = faceAt(size, 6);
    expect(fly.steps.length).toBeGreaterThan(5);
    expect(needs.length).toBeGreaterThan(5);
    expect(needs.every((n) => n.words.length > 0)).toBe(true);
  });
  test("a smaller hook takes less of what is wound, and more dozens take more", () => {
    const bodyOf = (size: string, dozens: number) =>
      faceAt(size, dozens).needs.find((n) => n.role === "body")?.issue ?? NaN;
    expect(bodyOf(faceSizes.at(-1) ?? "", 6)).toBeLessThan(bodyOf(faceSizes[0] ?? "", 6));
    expect(bodyOf("4", 12)).toBeGreaterThan(bodyOf("4", 6));
  });
});

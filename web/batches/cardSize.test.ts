import { describe, expect, test } from "vitest";
import { cardSize } from "./cardSize";

const entries = (n: number, letters: number): string[] => Array.from({ length: n }, () => "x".repeat(letters));

describe("letters of a bench card", () => {
  test("a short recipe is set in the largest", () => expect(cardSize(entries(8, 90), entries(12, 30))).toBe(9.4));
  test("longer ones never in larger letters, and never in none", () => {
    const sizes = [6, 10, 14, 18, 22, 40, 200].map((n) => cardSize(entries(n, 140), entries(10, 30)));
    expect(sizes).toEqual([...sizes].sort((a, b) => b - a));
    expect(new Set(sizes).size).toBeGreaterThan(3);
    expect(sizes.at(-1)).toBe(7.4);
  });
  test("the longer column decides", () => {
    expect(cardSize(entries(8, 90), entries(40, 60))).toBeLessThan(9.4);
    expect(cardSize(entries(8, 90), [])).toBe(9.4);
  });
  test("words count, not only steps", () =>
    expect(cardSize(entries(12, 300), [])).toBeLessThan(cardSize(entries(12, 80), [])));
});

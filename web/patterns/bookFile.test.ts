import { describe, expect, test } from "vitest";
import type { PatternBook } from "@kasten/contract/patterns";
import { collectBook } from "./bookFile";

/** A room that gives out patterns in its own order, each with a material of its own and one that all share. */
const room =
  (asked: string[][]) =>
  async (ids: string[]): Promise<PatternBook> => {
    asked.push(ids);
    const material = (code: string) => ({
      code,
      name: code,
      form: "wire" as const,
      unit: "um" as const,
      measured: false,
      lead: false,
    });
    return {
      format: "kasten-patterns",
      version: 1,
      patterns: [...ids].sort().map((id) => ({ id, name: id, style: "x", recipe: {} as never })),
      materials: [material("shared"), ...ids.map((id) => material(`m-${id}`))],
    };
  };

describe("a file of many patterns", () => {
  test("is read in parts, each pattern and material once, in the order asked for", async () => {
    const ids = Array.from({ length: 120 }, (_, i) => `p${119 - i}`);
    const asked: string[][] = [];
    const book = await collectBook(ids, room(asked));
    expect(asked.map((a) => a.length)).toEqual([50, 50, 20]);
    expect(book.patterns.map((p) => p.id)).toEqual(ids);
    expect(book.materials).toHaveLength(121);
  });
  test("of nothing is refused", () => expect(collectBook([], room([]))).rejects.toThrow("no patterns"));
});

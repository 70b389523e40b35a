import { describe, expect, test } from "vitest";
import { blankSheet } from "./blankSheet";
import { catalogue } from "./corpus/catalogue";
import type { Span } from "./spans";

function linesOf(text: string): Span[] {
  let start = 0;
  return text.split("\n").map((line) => {
    const span = { text: line, start, end: start + line.length };
    start = span.end + 1;
    return span;
  });
}
const sheetIn = (text: string): string[] => blankSheet(linesOf(text), 0, catalogue).map((l) => l.text);

describe("a sheet with one blank between its cells", () => {
  test("keeps the blanks of a fly's name, and its length", () =>
    expect(sheetIn("Pos Pattern Size Col Qty\n1 Copper Lodger 12 olive 3\n2 Old Pilot 10 - 2")).toEqual([
      "Pos\tPattern\tSize\tCol\tQty",
      "1\tCopper Lodger\t12\tolive\t3",
      "2\tOld Pilot\t10\t-\t2",
    ]));

  test("ends where a row has a cell more, or names no fly", () => {
    expect(sheetIn("Pattern Size Qty\nOld Pilot 10 3\nOld Pilot 12 3 4")).toHaveLength(2);
    expect(sheetIn("Pattern Size Qty\nOld Pilot 10 3\nTotal dozen 3")).toHaveLength(2);
  });

  test.each([
    ["a word in its head that no column is called", "Please Pattern Size Qty\nx Old Pilot 10 3"],
    ["no column that counts", "Pattern Size Col\nOld Pilot 10 brown"],
    ["two columns of flies", "Pattern Fly Qty\nOld Pilot Old Pilot 3"],
    ["columns that are set apart by more", "Pattern  Size  Qty\nOld Pilot  10  3"],
    ["a fly elsewhere than its head says", "Size Pattern Qty\nOld Pilot 10 3"],
    ["nothing beneath it", "Pattern Size Qty"],
  ])("is none with %s", (_what, text) => expect(sheetIn(text)).toEqual([]));
});

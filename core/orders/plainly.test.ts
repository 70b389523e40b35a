import { describe, expect, test } from "vitest";
import { anotherCatalogue } from "./corpus/another";
import { isWhole, readOrder } from ".";

const read = (text: string) => readOrder(text, anotherCatalogue);
const linesOf = (text: string) => {
  const order = read(text);
  return {
    isWhole: isWhole(order),
    due: order.due,
    lines: order.lines.map((l) => [l.flies, l.pattern, l.size, l.variant]),
  };
};
const nbsp = "\u00A0";

describe("what a mail writes otherwise than a keyboard", () => {
  test.each([
    "Bruno Kessel, by Good Friday: 2 dz Dusk Sedge 14",
    "Fernhill Lodge, 1 May: Bailiff claret 8 (12), 10 (24), 12 (24) pieces",
    "Otter Creek, 8 May: 2 dz Boathouse Sedge tan 12 and 2 dz Bailiff claret 12",
  ])("%s: is the same with blanks that hold together, with two blanks, and with a bent apostrophe", (text) => {
    const plain = linesOf(text);
    expect(plain.isWhole).toBe(true);
    expect(linesOf(text.replaceAll(" ", nbsp))).toEqual(plain);
    expect(linesOf(text.replaceAll(" ", "  "))).toEqual(plain);
    expect(linesOf(text.replaceAll(" and ", " & "))).toEqual(plain);
    expect(linesOf(`We’d like: ${text}`).lines).toEqual(linesOf(`We'd like: ${text}`).lines);
  });

  test("places are those in what was typed", () => {
    const text = "Otter  Creek,  8  May:  2  dz  Boathouse  Sedge  tan  12  &  3  dz  Zorbly";
    const { lines, understood } = read(text);
    const at = (field: string): string[] =>
      [...understood, ...lines.flatMap((l) => l.understood)]
        .filter((u) => u.field === field)
        .map((u) => text.slice(...u.at));
    expect(at("customer")).toEqual(["Otter  Creek"]);
    expect(at("pattern")).toEqual(["Boathouse  Sedge"]);
    expect(at("quantity")).toEqual(["2  dz", "3  dz"]);
    expect(lines.flatMap((l) => l.doubts).map((d) => text.slice(...d.at).trim())).toContain("Zorbly");
  });

  test("rows that are set out in columns stay rows", () => {
    const rows =
      "Pattern  Size  Colour  Dozens\nBoathouse Sedge  12  tan  2\nBailiff  12  claret  3\nOtter Creek, 8 May";
    expect(linesOf(rows).lines).toEqual([
      [24, "bsedge", "12", "tan"],
      [36, "wet", "12", "claret"],
    ]);
  });
});

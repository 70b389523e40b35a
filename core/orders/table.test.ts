import { describe, expect, test } from "vitest";
import { isWhole, readOrder } from ".";
import { anotherCatalogue } from "./corpus/another";

const read = (sheet: string) => readOrder(`Fernhill Lodge, 8 May\n${sheet}`, anotherCatalogue);
/** How many of what, where nothing is asked; else what is asked. */
function linesOf(sheet: string): string[] {
  const order = read(sheet);
  if (!isWhole(order)) return [...order.lines, order].flatMap((l) => l.doubts.map((d) => `? ${d.code}`));
  return order.lines.map((l) => `${l.flies} ${l.pattern} ${l.size} ${l.variant}`);
}
const two = ["24 dsedge 14 cinnamon", "36 hnymph 16 olive"];

describe("a sheet", () => {
  test.each<[string, string]>([
    ["with tabs", "Fly\tSize\tDoz\nDusk Sedge\t14\t2\nHarbour Nymph olive\t16\t3"],
    ["with bars", "| Fly | Size | Doz |\n|---|---|---|\n| Dusk Sedge | 14 | 2 |\n| Harbour Nymph olive | 16 | 3 |"],
    ["with commas", "fly, size, pcs\nDusk Sedge, 14, 24\nHarbour Nymph olive, 16, 36"],
    ["with semicolons, in German", "Muster;Größe;Stück\nDusk Sedge;14;24\nHarbour Nymph oliv;16;36"],
    [
      "set out with blanks",
      "Fly                  Size  Pcs\nDusk Sedge           14    24\nHarbour Nymph olive  16    36",
    ],
    ["with the quantity first", "doz  fly  size\n2  Dusk Sedge  14\n3  Harbour Nymph olive  16"],
    ["with a column of prices", "Fly\tSize\tDoz\tPrice\nDusk Sedge\t14\t2\t30.00\nHarbour Nymph olive\t16\t3\t28.50"],
    ["without a head", "Dusk Sedge\t14\t2 dz\nHarbour Nymph olive\t16\t3 dz"],
  ])("%s", (_label, sheet) => expect(linesOf(sheet)).toEqual(two));

  test("asks once what a bare number counts, and takes the answer as its head", () => {
    const sheet = "qty\tfly\tsize\n24\tDusk Sedge\t14\n36\tHarbour Nymph olive\t16";
    const order = read(sheet);
    const asked = [...order.lines, order].flatMap((l) => l.doubts);
    expect(asked.map((d) => d.code)).toEqual(["TABLE_UNCLEAR"]);
    const [doubt] = asked;
    const pieces = doubt?.candidates.find((c) => c.label === "they are flies")?.text ?? "";
    const all = `Fernhill Lodge, 8 May\n${sheet}`;
    const [from, to] = doubt?.at ?? [0, 0];
    const answered = readOrder(all.slice(0, from) + pieces + all.slice(to), anotherCatalogue);
    expect(answered.lines.map((l) => l.flies)).toEqual([24, 36]);
  });

  test("takes no bare number for dozens because another cell has words", () => {
    expect(linesOf("fly\tsize\tqty\nDusk Sedge\t14\t2 dz\nHarbour Nymph olive\t16\t36")).toContain("? DOZENS_OR_FLIES");
  });

  test("that is set out with blanks ends where a line has other columns", () => {
    const order = read("Fly         Size  Doz\nDusk Sedge  14    2\n3 dz Harbour Nymph olive 16");
    expect([isWhole(order), order.lines.map((l) => l.flies)]).toEqual([true, [24, 36]]);
  });
});

describe("a row of sums", () => {
  const rows = "Fly\tSize\tDoz\nDusk Sedge\t14\t2\nHarbour Nymph olive\t16\t3";
  test.each(["Total\t\t5", "total\t\t60", "Summe\t\t5", "Grand total\t\t5"])("“%s” orders nothing", (row) =>
    expect(linesOf(`${rows}\n${row}`)).toEqual(two),
  );

  test("that comes to something else is asked about", () => {
    expect(linesOf(`${rows}\nTotal\t\t7`)).toContain("? NOT_UNDERSTOOD");
  });

  test("in the first column leaves the other numbers what they are", () => {
    const codes = linesOf("qty\tfly\tsize\n24\tDusk Sedge\t14\n36\tHarbour Nymph olive\t16\nTotal\t60");
    expect(codes).toEqual(["? TABLE_UNCLEAR"]);
  });
});

describe("so many each, beside what has its own number", () => {
  test.each<[string, number[]]>([
    ["2 dozen Dusk Sedge 12, 1 dozen each 14 and 16", [24, 12, 12]],
    ["2 dozen Dusk Sedge 12 and 1 dozen each in 14 and 16", [24, 12, 12]],
    // The first number is what all three come to.
    ["3 dz Dusk Sedge 12, 14 and 16 each 1 dz", [12, 12, 12]],
    ["8 doz Harbour Nymph olive, 2 each of 12, 14, 16 and 18", [24, 24, 24, 24]],
    ["4 dz Harbour Nymph olive 14, half unweighted", [24, 24]],
    ["4 dz Harbour Nymph olive 14, half weighted, half not", [24, 24]],
  ])("%s", (text, flies) => {
    const order = read(text);
    expect([isWhole(order), order.lines.map((l) => l.flies)]).toEqual([true, flies]);
  });
});

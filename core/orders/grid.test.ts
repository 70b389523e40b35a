import { describe, expect, test } from "vitest";
import { isWhole, readOrder, wishWords } from ".";
import { anotherCatalogue } from "./corpus/another";

const AHEAD = "Fernhill Lodge, 8 May\n";
const read = (sheet: string) => readOrder(AHEAD + sheet, anotherCatalogue);
const asked = (sheet: string) => {
  const order = read(sheet);
  return [...order.doubts, ...order.lines.flatMap((l) => l.doubts)];
};
/** How many of what, where nothing is asked; else what is asked. */
function linesOf(sheet: string): string[] {
  const order = read(sheet);
  if (!isWhole(order)) return [...new Set(asked(sheet).map((d) => `? ${d.code}`))];
  return order.lines.map((l) => `${l.flies} ${l.pattern} ${l.size} ${l.variant}`);
}
/** The sheet with the first answer to a question in its place. */
function answered(sheet: string, code: string, label: string): string {
  const doubt = asked(sheet).find((d) => d.code === code);
  const text = doubt?.candidates.find((c) => c.label === label)?.text;
  const [from, to] = (doubt?.at ?? [0, 0]).map((at) => at - AHEAD.length);
  return sheet.slice(0, from) + (text ?? "") + sheet.slice(to);
}

const three = ["24 dsedge 14 cinnamon", "12 dsedge 16 cinnamon", "36 hnymph 16 olive"];

describe("a sheet whose head names sizes", () => {
  test.each<[string, string]>([
    ["with tabs", "Fly\t14\t16\nDusk Sedge\t2\t1\nHarbour Nymph olive\t\t3"],
    ["with bars", "| Fly | 14 | 16 |\n|---|---|---|\n| Dusk Sedge | 2 | 1 |\n| Harbour Nymph olive | - | 3 |"],
    ["with semicolons, in German", "Muster;Gr. 14;Gr. 16\nDusk Sedge;2;1\nHarbour Nymph oliv;;3"],
    [
      "set out with blanks",
      "Fly                  #14   #16\nDusk Sedge           2     1\nHarbour Nymph olive  0     3",
    ],
    ["with colours in a column", "Fly\tColour\t14\t16\nDusk Sedge\tcinnamon\t2\t1\nHarbour Nymph\tolive\t\t3"],
    ["with units in its fields", "Fly\tsize 14\tsize 16\nDusk Sedge\t24 pcs\t1 dz\nHarbour Nymph olive\t\t3 dz"],
    [
      "with prices and sums",
      "Fly\tPrice\t14\t16\tTotal\nDusk Sedge\t2.40\t2\t1\t3\nHarbour Nymph olive\t2.20\t\t3\t3\nTotal\t\t2\t4\t6",
    ],
    ["with the flies in its head", "Size\tDusk Sedge\tHarbour Nymph olive\n14\t2\t\n16\t1\t3"],
  ])("%s", (_label, sheet) => expect([...linesOf(sheet)].sort()).toEqual([...three].sort()));

  test("asks once what its numbers count, and takes the answer above it", () => {
    const sheet = "Fly\t14\t16\nDusk Sedge\t24\t12\nHarbour Nymph olive\t\t36";
    expect(asked(sheet).map((d) => d.code)).toEqual(["TABLE_UNCLEAR"]);
    expect(linesOf(answered(sheet, "TABLE_UNCLEAR", "they are flies"))).toEqual(three);
  });

  test("asks for a colour that is not said, where the answer holds for the whole row", () => {
    const sheet = "Fly\t14\t16\nHarbour Nymph\t2\t1";
    expect(linesOf(sheet)).toEqual(["? WHICH_COLOUR"]);
    const lines = linesOf(answered(sheet, "WHICH_COLOUR", "olive"));
    expect(lines).toEqual(["24 hnymph 14 olive", "12 hnymph 16 olive"]);
  });

  test.each<[string, string, string]>([
    ["a fly that nobody knows", "Fly\t14\t16\nGrey Nobody\t2\t1\nDusk Sedge\t1\t1", "PATTERN_UNKNOWN"],
    ["a size that the fly does not come in", "Fly\t14\t2\nDusk Sedge\t2\t1\nHarbour Nymph olive\t1\t1", "SIZE_OUTSIDE"],
    ["a fly without a number", "Fly\t14\t16\nDusk Sedge\t2\t1\nHarbour Nymph olive\t\t", "HOW_MANY"],
    ["less than none", "Fly\t14\t16\nDusk Sedge\t-2\t1\nHarbour Nymph olive\t1\t1", "TOO_FEW"],
  ])("asks about %s", (_label, sheet, code) => expect(asked(sheet).map((d) => d.code)).toContain(code));

  test("asks in its field about a size that a fly does not come in, and offers none for all flies", () => {
    const sheet = "Fly\t14\t2\nDusk Sedge\t2\t1\nHarbour Nymph olive\t1\t";
    const [doubt] = asked(sheet).filter((d) => d.code === "SIZE_OUTSIDE");
    expect(doubt?.candidates).toEqual([]);
    expect((AHEAD + sheet).slice(...(doubt?.at ?? [0, 0]))).toBe("1");
  });

  test("marks each size in its head, and each number in its row", () => {
    const sheet = "Fly\t14\t16\nDusk Sedge\t2\t1\nHarbour Nymph olive\t\t3";
    const marks = read(sheet).lines.map((l) =>
      l.understood.map((u) => `${u.field} ${(AHEAD + sheet).slice(...u.at)}`).sort(),
    );
    const sedge = "pattern Dusk Sedge";
    expect(marks.slice(0, 2)).toEqual([
      [sedge, "quantity 2", "size 14"],
      [sedge, "quantity 1", "size 16"],
    ]);
    expect(marks[2]).toEqual(expect.arrayContaining(["pattern Harbour Nymph", "quantity 3", "size 16"]));
    const size = read(sheet).lines[2]?.understood.find((u) => u.field === "size");
    expect(size?.at[0]).toBe(AHEAD.length + "Fly\t14\t".length);
  });

  test("reads whom it is for beneath it, and a remark beside a row for all of that row", () => {
    const order = readOrder(
      "Fly\t14\t16\tNote\nDusk Sedge\t2\t1\tbarbless\nHarbour Nymph olive\t\t3\t\nFernhill Lodge\t8 May",
      anotherCatalogue,
    );
    expect(isWhole(order)).toBe(true);
    expect(order.lines.map((l) => `${l.flies} ${l.size} ${wishWords(l)}`)).toEqual([
      "24 14 barbless",
      "12 16 barbless",
      "36 16 ",
    ]);
    expect([order.customer, order.due]).toEqual(["fern", "2027-05-08"]);
  });

  test("asks about a sum that is not that of its column", () => {
    expect(isWhole(read("Fly\t14\t16\nDusk Sedge\t2\t1\nHarbour Nymph olive\t1\t3\nTotal\t9\t4"))).toBe(false);
  });

  test("leaves a list of sizes behind a fly as it is", () => {
    expect(linesOf("Dusk Sedge, 14, 16, a dozen each")).toEqual(["12 dsedge 14 cinnamon", "12 dsedge 16 cinnamon"]);
  });
});

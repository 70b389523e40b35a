import { describe, expect, test } from "vitest";
import { anotherCatalogue } from "./corpus/another";
import { isWhole, readOrder } from "./index";
import { countsInTurn } from "./inTurn";

const read = (text: string) => readOrder(`${text}\nStonecrop Outfitters, 1 May`, anotherCatalogue);
const flies = (text: string): string[] =>
  read(text).lines.map(
    (l) => `${l.flies ?? "?"} ${l.pattern ?? "?"} ${l.size ?? "?"} ${l.variant ?? "?"} ${l.form ?? "?"}`,
  );
const asked = (text: string): string[] => {
  const order = read(text);
  return [...order.doubts, ...order.lines.flatMap((l) => l.doubts)].map((d) => d.code);
};
const sedges = (...counts: number[]): string[] => counts.map((n, i) => `${n} bsedge ${10 + 2 * i} tan standard`);

describe("numbers told in turn", () => {
  test.each([
    "Boathouse Sedge tan 10, 12, 14: 2, 3, 1 dozen",
    "Boathouse Sedge tan in 10, 12 and 14, 2/3/1 dz",
    "Boathouse Sedge, tan, 10 12 14: two, three and one dozen",
    "Boathouse Sedge tan, 10/12/14 - 24/36/12 pcs",
  ])("%s", (text) => {
    expect(flies(text)).toEqual(sedges(24, 36, 12));
    expect(isWhole(read(text))).toBe(true);
  });

  test("of colours", () => {
    expect(flies("Glass Midge 20 red, black and cream: 3, 2, 1 dz")).toEqual([
      "36 midge 20 red standard",
      "24 midge 20 black standard",
      "12 midge 20 cream standard",
    ]);
  });

  test("are none where they are not as many, or two thirds of a dozen", () => {
    expect(countsInTurn("tan 10, 12, 14: 2, 3 dozen", anotherCatalogue)).toEqual([]);
    expect(countsInTurn("tan 10, 12: 2/3 dz", anotherCatalogue)).toEqual([]);
  });
});

describe("what several sentences tell of one fly", () => {
  test.each([
    "Harbour Nymph, weighted, in olive. Sizes 10 and 12. One dozen each.",
    "Harbour Nymph, weighted, olive, sizes 10 and 12. One dozen of each, please.",
  ])("%s", (text) => {
    expect(flies(text)).toEqual(["12 hnymph 10 olive weighted", "12 hnymph 12 olive weighted"]);
  });

  test("halves", () => {
    expect(flies("Could you tie 4 dozen Bailiffs in claret? Half of them size 12, the other half 14.")).toEqual([
      "24 wet 12 claret standard",
      "24 wet 14 claret standard",
    ]);
  });

  test("a colour or a weight that stands alone", () => {
    expect(flies("A dozen Bailiffs in 12. Claret.")).toEqual(["12 wet 12 claret standard"]);
    expect(flies("2 dz Harbour Nymphs olive, 14. Unweighted.")).toEqual(["24 hnymph 14 olive unweighted"]);
  });
});

describe("shares of a quantity", () => {
  test.each([
    ["6 dz Harbour Nymph olive 14, two thirds weighted, one third unweighted", [48, 24]],
    ["4 dz Harbour Nymph olive 14, 3/4 weighted and 1/4 unweighted", [36, 12]],
  ])("%s", (text, counts) => expect(read(text).lines.map((l) => l.flies)).toEqual(counts));

  test("fractions that do not come to the whole are asked about", () => {
    expect(isWhole(read("6 dz Harbour Nymph 14 weighted, a third olive, a third brown"))).toBe(false);
  });

  test("one of each size, where that comes to the whole, and else a question", () => {
    const three = "dz Glass Midge 18-20-22 in black, one per size";
    expect(read(`3 ${three}`).lines.map((l) => l.flies)).toEqual([12, 12, 12]);
    expect(asked(`4 ${three}`)).toContain("NOT_UNDERSTOOD");
  });

  test("a total says what the numbers count", () => {
    expect(flies("Dusk Sedge 14 x 2, 16 x 4, total 6 dz")).toEqual([
      "24 dsedge 14 cinnamon standard",
      "48 dsedge 16 cinnamon standard",
    ]);
    expect(asked("Dusk Sedge 14 x 2, 16 x 4, total 7 dz")).toContain("DOZENS_OR_FLIES");
  });

  test("behind colours in brackets begins another fly", () => {
    expect(flies("5 dozen Boathouse Sedge (3 tan, 2 grey), all 14, and 2 dozen Dusk Sedge in 16")).toEqual([
      "36 bsedge 14 tan standard",
      "24 bsedge 14 grey standard",
      "24 dsedge 16 cinnamon standard",
    ]);
  });
});

describe("“same again” beneath several rows", () => {
  const rows = "Boathouse Sedge tan 10 - 1 dz\nBoathouse Sedge tan 12 - 2 dz\n";
  const doubt = () => read(`${rows}Same again in black`).lines.flatMap((l) => l.doubts)[0];

  test("is asked about, and either answer is whole", () => {
    expect(doubt()?.code).toBe("SAME_OF_WHICH");
    const [one, all] = doubt()?.candidates.map((c) => flies(rows + c.text)) ?? [];
    expect(one?.slice(2)).toEqual(["24 bsedge 12 black standard"]);
    expect(all?.slice(2)).toEqual(["12 bsedge 10 black standard", "24 bsedge 12 black standard"]);
  });

  test("is all of a list in one line", () => {
    expect(flies("Boathouse Sedge tan: #10 1 dz; #12 2 dz. Same again in black.").slice(2)).toEqual([
      "12 bsedge 10 black standard",
      "24 bsedge 12 black standard",
    ]);
  });

  test("“ditto” is the row above", () => {
    expect(flies(`${rows}ditto in black`)[2]).toBe("24 bsedge 12 black standard");
    expect(asked(`${rows}ditto in black`)).toEqual([]);
  });
});

describe("what is wished", () => {
  const wishes = (text: string) => read(text).lines.map((l) => l.wishes.map((w) => w.words));

  test("of “them”, behind the parts of a quantity, is of each", () => {
    expect(wishes("4 dz Dusk Sedge, two in 14 and two in 16, and can you make them on light wire hooks")).toEqual([
      ["on light wire hooks"],
      ["on light wire hooks"],
    ]);
  });

  test("of both, where there are two lines, and not of a plain one", () => {
    expect(wishes("2 dz Half Past Six 16 olive. 2 dz Half Past Six 18 olive, both sparse.")).toEqual([
      ["sparse"],
      ["sparse"],
    ]);
    expect(wishes("white Pontoon Ghosts 3/0: a dozen with red throat, a dozen plain")).toEqual([
      ["with red throat"],
      [],
    ]);
  });

  test("“same split” is no whole line", () => {
    expect(asked("3 dz Half Past Six 14 (2 olive/1 grey); 3 dz 16 (same split)")).toContain("NOT_UNDERSTOOD");
  });
});

describe("who writes, and when", () => {
  test("the sender in a mail's head is the customer", () => {
    const order = readOrder("From: Margit Osterfeld\n\n4 dz Dusk Sedge 14, 1 May", anotherCatalogue);
    expect(order.customer).toBe("mar");
  });

  test("but not where another is named", () => {
    const order = readOrder("From: Margit Osterfeld\n\n4 dz Dusk Sedge 14 for Fernhill Lodge, 1 May", anotherCatalogue);
    expect(order.customer).toBe("fern");
  });

  test("a day in the head is offered, and not taken", () => {
    const order = readOrder("Date: 22 April 2027\n4 dz Dusk Sedge 14 for Fernhill Lodge", anotherCatalogue);
    expect(order.due).toBeUndefined();
    expect(order.doubts.find((d) => d.code === "WHEN_FOR")?.candidates[0]?.label).toBe("2027-04-22");
  });
});

describe("half of a quantity, with a wish", () => {
  test.each(["2 dz Dusk Sedge 14, half barbless", "2 dz Dusk Sedge 14 of which half barbless"])("%s", (text) => {
    expect(read(text).lines.map((l) => [l.flies, l.wishes.map((w) => w.words)])).toEqual([
      [12, []],
      [12, ["barbless"]],
    ]);
  });

  test.each([
    "3 dz each of Harbour Nymph olive weighted in 12 and 14 (half barbless)",
    "4 dz Harbour Nymph olive and brown 14, evenly, half barbless",
  ])("is asked about where it could be half of each: %s", (text) => expect(isWhole(read(text))).toBe(false));
});

test("so many “off” are so many flies, and money off is none", () => {
  expect(flies("24 off Dusk Sedge 14")).toEqual(["24 dsedge 14 cinnamon standard"]);
  expect(isWhole(read("2 dz Dusk Sedge 14, 10 % off as agreed"))).toBe(false);
});

describe("a total at the end", () => {
  const rows = "Dusk Sedge, 1 doz 12, 2 doz 14, 3 doz 16, total";
  test("counts nothing where the others come to it", () => {
    expect(read(`${rows} 6 doz`).lines.map((l) => l.flies)).toEqual([12, 24, 36]);
    expect(isWhole(read(`${rows} 6 doz`))).toBe(true);
  });

  test("is asked about where they do not, and they stay as they are", () => {
    expect(read(`${rows} 5 doz`).lines.map((l) => [l.flies, l.size])).toEqual([
      [12, "12"],
      [24, "14"],
      [36, "16"],
    ]);
    expect(asked(`${rows} 5 doz`)).toEqual(["NOT_UNDERSTOOD"]);
  });
});

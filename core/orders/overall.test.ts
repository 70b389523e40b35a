import { describe, expect, test } from "vitest";
import { anotherCatalogue } from "./corpus/another";
import { catalogue } from "./corpus/catalogue";
import { isWhole, readOrder, wishWords } from "./index";

const flies = (text: string, book = catalogue): string[] =>
  readOrder(text, book).lines.map((l) => `${l.flies ?? "?"} ${l.pattern ?? "?"} ${l.size ?? "?"} ${l.variant ?? "?"}`);
const head = "; Quayhead Tackle; 20 March";

describe("what a number counts, said once for several", () => {
  test.each([
    ["the unit behind the last of some colours", "Copper Lodger 14 weighted: olive - 18, rust - 12, grey - 6 flies"],
    [
      "the unit in a sentence of its own",
      "Copper Lodger 14 weighted: olive x 18, rust x 12, grey x 6. Flies, not dozens.",
    ],
  ])("%s", (_, text) => {
    expect(flies(text + head)).toEqual(["18 lodger 14 olive", "12 lodger 14 rust", "6 lodger 14 grey"]);
  });

  test("the unit behind the last of some sizes", () => {
    expect(flies(`Slate Wisp amber 12: 6, 14: 6, 16: 12 flies${head}`)).toEqual([
      "6 wisp 12 amber",
      "6 wisp 14 amber",
      "12 wisp 16 amber",
    ]);
  });

  test("the unit behind the last, where another fly stands ahead of them", () => {
    expect(flies(`Slate Wisp slate 12 2 dz, Copper Lodger 14 olive - 18, rust - 12 flies${head}`)).toEqual([
      "24 wisp 12 slate",
      "18 lodger 14 olive",
      "12 lodger 14 rust",
    ]);
  });

  test("a grid of marked sizes, where the numbers are said to be dozens", () => {
    expect(
      flies("(all in dozens)\nTar Pupa\n black  #14 2  #16 3\n red    #14 1  #16 2\nQuayhead Tackle\n20 March"),
    ).toEqual(["24 pupa 14 black", "36 pupa 16 black", "12 pupa 14 red", "24 pupa 16 red"]);
  });

  test("without a word of what they count the numbers of a grid are asked about", () => {
    const { lines } = readOrder("Tar Pupa black #14 2  #16 3", catalogue);
    expect(lines.flatMap((l) => l.doubts.map((d) => d.code))).toEqual(["DOZENS_OR_FLIES", "DOZENS_OR_FLIES"]);
  });

  test("so many of each size, where they come to the whole", () => {
    expect(flies("Ten dozen Old Pilot? Sizes 10 and 12, sixty of each. Quayhead Tackle, 20 March")).toEqual([
      "60 pilot 10 brown",
      "60 pilot 12 brown",
    ]);
    expect(
      isWhole(readOrder("Ten dozen Old Pilot? Sizes 10 and 12, fifty of each. Quayhead Tackle, 20 March", catalogue)),
    ).toBe(false);
  });
});

describe("what is said of several lines in one place", () => {
  test("half in one size and half in another, with or without a word between", () => {
    const wanted = ["72 pupa 16 black", "72 pupa 18 black"];
    expect(flies(`1 gross Tar Pupa, black, half 16 half 18${head}`)).toEqual(wanted);
    expect(flies(`1 gross Tar Pupa, black, half 16 and half 18${head}`)).toEqual(wanted);
  });

  test("the size behind several colours", () => {
    expect(flies(`Tar Pupa olive 6 dz, black 3 dz, size 16${head}`)).toEqual(["72 pupa 16 olive", "36 pupa 16 black"]);
    expect(flies(`Tar Pupa olive 6 dz, black 3 dz, size 8${head}`)).toEqual(["72 pupa ? olive", "36 pupa ? black"]);
  });

  test("each of the colours that a fly has, where there are so many", () => {
    const of = (n: string): string[] =>
      flies(`2 doz of each of the ${n} Boathouse Sedge colours, size 12; Fernhill Lodge; 1 May`, anotherCatalogue);
    expect(of("three")).toEqual(["24 bsedge 12 tan", "24 bsedge 12 grey", "24 bsedge 12 black"]);
    expect(of("four")).toEqual(["24 bsedge 12 ?"]);
  });

  test("a dozen each, of which some come in several sizes", () => {
    expect(flies(`1 dz each Tar Pupa red #14 #16, Slate Wisp amber #12${head}`)).toEqual([
      "12 pupa 14 red",
      "12 pupa 16 red",
      "12 wisp 12 amber",
    ]);
  });

  test("a total of dozens, and what it is made of", () => {
    expect(flies(`We need 10 doz mixed: 5 Tar Pupa black 16, 5 Old Pilot 10${head}`)).toEqual([
      "60 pupa 16 black",
      "60 pilot 10 brown",
    ]);
    expect(flies(`10 dozen Slate Wisp: slate 12 x4, 14 x3, amber 16 x3${head}`)).toEqual([
      "48 wisp 12 slate",
      "36 wisp 14 slate",
      "36 wisp 16 amber",
    ]);
    expect(isWhole(readOrder(`10 dozen Slate Wisp: slate 12 x4, amber 16 x3${head}`, catalogue))).toBe(false);
  });

  test("what it costs is of the line before it, and the sum is set aside", () => {
    const order = readOrder(
      `Copper Lodger olive 14 weighted – 3 dz @ 21.50, Tar Pupa red 18 – 2 dz @ 16.00. Total 96.50. Quayhead Tackle, 20 March`,
      catalogue,
    );
    expect(order.lines.map((l) => wishWords(l))).toEqual(["@ 21.50", "@ 16.00"]);
    expect(isWhole(order)).toBe(true);
  });
});

describe("whom and what is meant", () => {
  test("a wish of several words before a short name", () => {
    expect(flies(`lead free lodgers olive 12 two dozen${head}`)).toEqual(["24 lodger 12 olive"]);
  });

  test.each(["für den Angelladen Quayhead bis 20.3.2027", "please send Quayhead by 20 March"])("%s", (who) => {
    expect(readOrder(`2 dz Old Pilot 12 ${who}`, catalogue).customer).toBe("quay");
  });

  test.each(["what we had last year", "the same as we got last season", "last year's order, but 2 dz more"])(
    "%s opens the order that it speaks of",
    (words) => {
      const order = readOrder(`Quayhead Tackle, ${words}, 20 March`, catalogue);
      expect(order.doubts.map((d) => d.code)).toContain("AS_BEFORE");
    },
  );

  test("parts of a quantity by their beads", () => {
    expect(
      readOrder("6 doz Barrel Nymph hare #10, 4 with tungsten and 2 with brass beads", anotherCatalogue).lines.map(
        (l) => [l.flies, l.form],
      ),
    ).toEqual([
      [48, "tungsten bead"],
      [24, "brass bead"],
    ]);
  });

  test.each([
    ["(brass beads please)", "brass bead", ""],
    ["(tungsten bead)", "tungsten bead", ""],
    ["(rubber legs please)", "tungsten bead", "rubber legs please"],
  ])("what stands in brackets is a form where the fly has one, else a wish: %s", (words, form, wish) => {
    const { lines } = readOrder(`3 dz Barrel Nymph hare 12 ${words}; Stonecrop; 1 May`, anotherCatalogue);
    expect(lines.map((l) => [l.form, wishWords(l)])).toEqual([[form, wish]]);
  });

  test("each name is offered once, with the most of what was typed", () => {
    const [line] = readOrder("3dz boathouse tan 14; Fernhill Lodge; 1 May", anotherCatalogue).lines;
    const [doubt] = line?.doubts ?? [];
    expect(doubt?.candidates).toEqual([{ label: "Boathouse Sedge", text: "Boathouse Sedge tan" }]);
  });
});

describe("what is said of all flies", () => {
  test.each(["in two parcels", "ship together please", "send them all together"])(
    "packed “%s” is the whole order",
    (said) => {
      const { lines } = readOrder(`Ida Pellworth, 2 dz Old Pilot 10, 1 dz Old Pilot 12, ${said}, 12 March`, catalogue);
      expect(lines.map(wishWords)).toEqual([said, said]);
    },
  );

  test("a number that is divided among sizes", () => {
    const text = "9 dz Copper Lodger weighted olive, divided equally among 12, 14 and 16; Quayhead Tackle; 20 March";
    expect(isWhole(readOrder(text, catalogue))).toBe(true);
    expect(flies(text)).toEqual(["36 lodger 12 olive", "36 lodger 14 olive", "36 lodger 16 olive"]);
  });
});

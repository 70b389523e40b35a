import { describe, expect, test } from "vitest";
import { anotherCatalogue } from "./corpus/another";
import { isWhole, readOrder } from "./index";

const read = (text: string) => readOrder(`${text}\nStonecrop Outfitters, 1 May`, anotherCatalogue);
const flies = (text: string): string[] =>
  read(text).lines.map((l) => `${l.flies ?? "?"} ${l.pattern ?? "?"} ${l.size ?? "?"} ${l.variant ?? "?"}`);
const asked = (text: string): string[] => {
  const order = read(text);
  return [...order.doubts, ...order.lines.flatMap((l) => l.doubts)].map((d) => d.code);
};

describe("“the same” at the end of what names a colour", () => {
  const grey = "Half Past Six, grey: 1 doz of each size 12 and 14\n";
  const both = ["12 emerger 12 grey", "12 emerger 14 grey", "12 emerger 12 olive", "12 emerger 14 olive"];
  test.each([
    ["behind a colon", "Half Past Six, olive: same"],
    ["without one", "Half Past Six olive the same"],
    ["of the fly before it", "olive: same"],
    ["again", "olive the same again"],
  ])("%s is all that was told of the one before", (_, line) => {
    expect(flies(grey + line)).toEqual(both);
    expect(isWhole(read(grey + line))).toBe(true);
  });

  test("“send the same” names nothing, and adds no line", () => {
    expect(flies("6 dz Harbour Nymph olive weighted 14. Please send the same")).toEqual(["72 hnymph 14 olive"]);
    expect(asked("6 dz Harbour Nymph olive weighted 14. Please send the same")).toContain("NOT_UNDERSTOOD");
  });

  test("“same in claret but brass” is of every size before it", () => {
    const text = "Barrel Nymph hare tungsten: 12: 2 dz, 14: 2 dz; same in claret but brass";
    expect(read(text).lines.slice(2)).toMatchObject([
      { flies: 24, size: "12", variant: "claret", form: "brass bead" },
      { flies: 24, size: "14", variant: "claret", form: "brass bead" },
    ]);
  });

  test("“ditto in 14” behind two colours is of both", () => {
    expect(flies("Boathouse Sedge, 1 doz tan & 1 doz grey in 12, ditto in 14")).toEqual([
      "12 bsedge 12 tan",
      "12 bsedge 12 grey",
      "12 bsedge 14 tan",
      "12 bsedge 14 grey",
    ]);
  });
});

describe("how many of each", () => {
  test("of a range of sizes that make up the whole", () => {
    expect(flies("four dozen hare Barrel Nymphs with the tungsten bead, sizes 8 to 14, one dozen of each")).toEqual(
      ["8", "10", "12", "14"].map((size) => `12 bnymph ${size} hare`),
    );
  });
  test("that do not make up the whole are asked about", () => {
    const text = "five dozen hare Barrel Nymphs with the tungsten bead, sizes 8 to 14, one dozen of each";
    expect(isWhole(read(text))).toBe(false);
  });
  test("shared evenly behind commas, where the number says its unit", () => {
    expect(flies("100 flies Harbour Nymphs, olive, weighted, split evenly over 12, 14, 16 and 18")).toEqual(
      ["12", "14", "16", "18"].map((size) => `25 hnymph ${size} olive`),
    );
  });
  test("a bare number ahead of them only asks for its unit", () => {
    expect(asked("100 Harbour Nymphs, olive, weighted, split evenly over 12 and 14")).toEqual(["DOZENS_OR_FLIES"]);
  });
});

describe("what goes on with the fly before it", () => {
  test("another lot for a later day is of the same size", () => {
    const { lines } = read("2 dz Boathouse Sedge tan 16 by 1 March and another 2 dz by 1 April");
    expect(lines.map((l) => [l.size, l.flies])).toEqual([
      ["16", 24],
      ["16", 24],
    ]);
  });
  test("a number with a marked size is no day", () => {
    expect(flies("18 flies Bailiff green no. 12; 18 flies no. 14")).toEqual(["18 wet 12 green", "18 wet 14 green"]);
    expect(asked("18 Bailiff green no. 12; 18 no. 14")).toEqual(["DOZENS_OR_FLIES", "DOZENS_OR_FLIES"]);
  });
  test("a sign counts a size, where the text says of what", () => {
    expect(flies("3x Boathouse Sedge 14 grey, 2x 16 grey, all dozens")).toEqual([
      "36 bsedge 14 grey",
      "24 bsedge 16 grey",
    ]);
  });
});

test("a noun that several flies share offers each of them, first those that come in the colour", () => {
  const [line] = read("3 dozen sedges, tan, 14").lines;
  const [doubt] = line?.doubts ?? [];
  expect(doubt?.candidates.map((c) => c.label)).toEqual(["Boathouse Sedge", "Dusk Sedge"]);
});

describe("“each” behind statements that go on with one another", () => {
  const both = ["36 hnymph 12 olive", "36 hnymph 14 olive", "24 hnymph 12 brown", "24 hnymph 14 brown"];
  test.each([
    ["of each size", "Harbour Nymph olive weighted, 3 dz in 12, 3 dz in 14. Same in brown, 2 dz of each size"],
    ["each alone", "Harbour Nymph olive weighted, 3 dz in 12, 3 dz in 14. Same in brown, 2 dz each"],
    ["a colour in a sentence of its own", "Harbour Nymph olive weighted, 3 dz in 12, 3 dz in 14. Brown, 2 dz each"],
    ["row by row", "Harbour Nymph olive weighted 12 3 dz\nHarbour Nymph olive weighted 14 3 dz\nbrown, 2 dz each"],
  ])("is of every size so far: %s", (_, text) => {
    expect(flies(text)).toEqual(both);
    expect(isWhole(read(text))).toBe(true);
  });

  test("is of every colour where the sizes are told anew, and of every weight", () => {
    expect(flies("Glass Midge 18: red 1 dz, olive 2 dz. 20: 1 dz each").slice(2)).toEqual([
      "12 midge 20 red",
      "12 midge 20 olive",
    ]);
    const weights = read("Harbour Nymph olive: weighted 14, 3 dz\nunweighted 14, 2 dz\n16, 1 dz each").lines;
    expect(weights.slice(2)).toMatchObject([
      { size: "16", form: "weighted", flies: 12 },
      { size: "16", form: "unweighted", flies: 12 },
    ]);
  });

  test("is asked about where they differ in more than one thing", () => {
    expect(asked("Boathouse Sedge 2 dz tan 12, 3 dz grey 14; black 1 dz each")).toEqual(["WHICH_SIZE"]);
  });
});

describe("what is wished of all, or of both", () => {
  const wishes = (text: string) => read(text).lines.map((l) => l.wishes.map((w) => w.words));
  test.each(["all barbless", "barbless all", "both barbless"])("“%s” behind two lines is of each", (said) => {
    expect(wishes(`Half Past Six grey 14 2 dz, 16 2 dz ${said}`)).toEqual([["barbless"], ["barbless"]]);
  });

  test("behind the last of several statements it is asked of which, and either answer settles it", () => {
    const text = "Half Past Six grey 14 2 dz; Half Past Six olive 16 2 dz (all barbless)";
    const doubt = read(text).lines[1]?.doubts[0];
    expect(doubt?.code).toBe("WISH_OF_ALL");
    const answered = (doubt?.candidates ?? []).map((c) =>
      wishes(text.slice(0, doubt?.at[0]) + c.text + text.slice(doubt?.at[1])),
    );
    expect(answered).toEqual([
      [[], ["barbless"]],
      [["barbless"], ["barbless"]],
    ]);
  });
});

describe("parts of a quantity behind “of which”", () => {
  test("that come to it leave nothing of it", () => {
    expect(flies("10 dz Glass Midge size 20, of which 4 dz red and 6 dz black")).toEqual([
      "48 midge 20 red",
      "72 midge 20 black",
    ]);
  });

  test("that do not come to it leave the rest, whose colour is asked", () => {
    const text = "10 dz Glass Midge size 20, of which 4 dz red and 2 dz black";
    expect(flies(text)).toEqual(["48 midge 20 ?", "48 midge 20 red", "24 midge 20 black"]);
    expect(asked(text)).toEqual(["WHICH_COLOUR"]);
  });

  test("are never more than it", () => {
    expect(isWhole(read("10 dz Bailiff claret 12, of which 4 dz barbless and 8 dz tied sparse"))).toBe(false);
  });

  test("what is wished of one is not wished of the next", () => {
    const { lines } = read("10 dz Bailiff claret 12, of which 4 dz barbless and 6 dz tied sparse");
    expect(lines.map((l) => [l.flies, l.wishes.map((w) => w.words)])).toEqual([
      [48, ["barbless"]],
      [72, ["tied sparse"]],
    ]);
  });
});

test("a fly is known by the rest of its name beside the noun, or behind one of that noun", () => {
  expect(flies("sedges: boathouse tan 14 3dz, dusk 16 2dz")).toEqual(["36 bsedge 14 tan", "24 dsedge 16 cinnamon"]);
  expect(flies("Sedges (Dusk) 6 doz 14")).toEqual(["72 dsedge 14 cinnamon"]);
  expect(asked("Half Past Six grey 14, 2 dz; dusk 16, 1 dz")).toEqual(["NOT_UNDERSTOOD"]);
  expect(asked("2 dz Meadow Hopper yellow 8; 2 dz sedges tan 14")).toEqual(["PATTERN_UNKNOWN"]);
});

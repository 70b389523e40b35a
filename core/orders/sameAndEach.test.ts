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

import { describe, expect, test } from "vitest";
import { isWhole, readOrder, wishWords } from ".";
import { anotherCatalogue } from "./corpus/another";

const FOR = ". Fernhill Lodge, 1 May 2027";
const read = (text: string) => readOrder(text + FOR, anotherCatalogue);
const lines = (text: string): string[] =>
  read(text).lines.map((l) =>
    `${l.flies ?? "?"} ${l.size ?? "?"} ${l.variant ?? ""} ${l.form ?? ""} ${wishWords(l)}`.trim(),
  );

describe("two forms of one quantity, half of each", () => {
  const both = ["24 14 brown weighted", "24 14 brown unweighted"];
  test.each([
    ["half weighted half unweighted"],
    ["half weighted, half not"],
    ["half weighted and the other half without"],
    ["half of them weighted, half unweighted"],
  ])("4 dz brown 14, %s", (said) => {
    expect(lines(`4 dz Harbour Nymph brown 14, ${said}`)).toEqual(both);
    expect(isWhole(read(`4 dz Harbour Nymph brown 14, ${said}`))).toBe(true);
  });
  test("in each of the sizes", () =>
    expect(lines("2 dz each Harbour Nymph brown 12 and 14, half weighted half not")).toEqual([
      "12 12 brown weighted",
      "12 12 brown unweighted",
      "12 14 brown weighted",
      "12 14 brown unweighted",
    ]));
  test("an odd number has no half: it is asked", () => {
    const order = read("7 flies Harbour Nymph brown 14, half weighted half not");
    expect(order.lines.flatMap((l) => l.doubts.map((d) => d.code))).toEqual(["NOT_SHARED"]);
    expect(order.lines[0]?.doubts[0]?.candidates.map((c) => c.label)).toEqual(["8 flies, half each"]);
  });
  test("of a fly that comes in one form only it is asked about, never passed over", () =>
    expect(isWhole(read("4 dz Dusk Sedge 14, half weighted half not"))).toBe(false));
  test("halves of colours stay halves of colours", () =>
    expect(lines("4 dz Harbour Nymph 14, half olive half brown")).toEqual([
      "24 14 olive weighted",
      "24 14 brown weighted",
    ]));
});

describe("what a list comes to in all", () => {
  test("counts nothing itself, ahead or behind", () => {
    const list = "Dusk Sedge 14 x 2 dz, Boathouse Sedge tan 12 x 3 dz";
    expect(lines(`5 dz in total, made up as: ${list}`)).toEqual(["24 14 cinnamon standard", "36 12 tan standard"]);
    expect(lines(`${list} - that's five dozen in all`)).toEqual(["24 14 cinnamon standard", "36 12 tan standard"]);
  });
  test("of one quantity in several sizes says that so many are of each", () =>
    expect(lines("2 dz Dusk Sedge in 12, 14 and 16, so six dozen in all")).toEqual([
      "24 12 cinnamon standard",
      "24 14 cinnamon standard",
      "24 16 cinnamon standard",
    ]));
  test("that does not come to it is asked about", () =>
    expect(isWhole(read("6 dz in total: Dusk Sedge 14 x 2 dz, Boathouse Sedge tan 12 x 3 dz"))).toBe(false));
});

describe("what is wished of both", () => {
  test("is of every line of its statement", () =>
    expect(lines("Glass Midge black 20 - 2 doz, 22 - 2 doz (barbless on both)")).toEqual([
      "24 20 black standard barbless",
      "24 22 black standard barbless",
    ]));
  test("beside another fly it is of the last one alone", () =>
    expect(lines("2 dz Dusk Sedge 14, 1 dz Glass Midge black 20, 2 dz 22 (barbless on both)")).toEqual([
      "24 14 cinnamon standard",
      "12 20 black standard barbless",
      "24 22 black standard barbless",
    ]));
  test("of three lines “both” is asked about", () =>
    expect(isWhole(read("1 dz Glass Midge black 20, 2 dz 22, 1 dz 24 (barbless on both)"))).toBe(false));
  test("and is asked about where it is no wish", () =>
    expect(isWhole(read("Glass Midge black 20 - 2 doz, 22 - 2 doz (glitter on both)"))).toBe(false));
});

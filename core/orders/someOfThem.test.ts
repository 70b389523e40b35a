import { describe, expect, test } from "vitest";
import { isWhole, readOrder, wishWords } from ".";
import { anotherCatalogue } from "./corpus/another";

/** What is wished of each line, in their order; undefined where something is asked. */
function wishesOf(text: string): string[] | undefined {
  const order = readOrder(`Otter Creek, by 8 May: ${text}`, anotherCatalogue);
  return isWhole(order) ? order.lines.map(wishWords) : undefined;
}

describe("a wish is of those lines that it is said of", () => {
  test.each<[string, string[]]>([
    ["2 dz each Glass Midge 20 in red, olive and black, the red ones barbless", ["barbless", "", ""]],
    ["2 dz each Glass Midge 20 in red, olive and black; barbless for the olive", ["", "barbless", ""]],
    ["2 dz each Bailiff claret in 10 and 12, no hackle on the 12s", ["", "no hackle"]],
    // Said behind the line that it is not of: it is not lost there.
    ["Harbour Nymph olive 14, 2 dz weighted, 2 dz unweighted, the weighted ones barbless", ["barbless", ""]],
    ["2 dz Boathouse Sedge tan 12; 2 dz Bailiff claret 12, both sparse", ["sparse", "sparse"]],
    ["3 dz Dusk Sedge 14 (one dozen barbless)", ["", "barbless"]],
  ])("%s", (text, wished) => expect(wishesOf(text)).toEqual(wished));

  test.each(["both by 8 May", "all by 8 May", "both for 8 May"])("“%s” says of all only the day", (day) => {
    const text = `Otter Creek: 2 dz Boathouse Sedge tan 12; 2 dz Bailiff claret 12, sparse, ${day}`;
    const order = readOrder(text, anotherCatalogue);
    expect([isWhole(order), order.due, order.lines.map(wishWords)]).toEqual([true, "2027-05-08", ["", "sparse"]]);
  });

  test("“2/0 every month” is a size, and how often is asked", () => {
    const [line] = readOrder("Otter Creek, 10 May: 1 dz Pontoon Ghost black 2/0 every month", anotherCatalogue).lines;
    expect([line?.size, line?.doubts.map((d) => d.code)]).toEqual(["2/0", ["NOT_UNDERSTOOD"]]);
  });
});

describe("what is wished of some of them", () => {
  const read = (wish: string) => readOrder(`Otter Creek, by 8 May: 4 dz Bailiff claret 12, ${wish}`, anotherCatalogue);
  test.each([
    ["some with a red collar", "some"],
    ["one without a hackle", "one"],
    ["another with a red collar", "another"],
    ["maybe barbless", "maybe"],
    ["with a red collar for some", "for some"],
    ["barbless, some of them", "of them"],
    ["einige ohne Hechel", "einige"],
  ])("“%s” is no wish of all: how many is asked", (wish, words) => {
    const order = read(wish);
    expect(isWhole(order)).toBe(false);
    const asked = order.lines.flatMap((l) => l.doubts).concat(order.doubts);
    expect(asked.map((d) => ("words" in d.details ? d.details.words : ""))).toContain(words);
  });
  test("the answer makes it a wish of all", () => {
    const order = read("some with a red collar");
    const [doubt] = order.lines.flatMap((l) => l.doubts);
    const [from, to] = doubt?.at ?? [0, 0];
    const text = "Otter Creek, by 8 May: 4 dz Bailiff claret 12, some with a red collar";
    const answered = text.slice(0, from) + (doubt?.candidates[0]?.text ?? "") + text.slice(to);
    expect(answered).toContain(", all with a red collar");
    expect(readOrder(answered, anotherCatalogue).lines.map(wishWords)).toEqual(["with a red collar"]);
  });
  test.each(["all with a red collar", "each with a red collar", "the same one, with a red collar"])(
    "“%s” asks for nothing of the kind",
    (wish) => {
      const asked = read(wish).lines.flatMap((l) => l.doubts);
      expect(asked.some((d) => d.candidates.some((c) => c.label === "all of them"))).toBe(false);
    },
  );
});

describe("so many of them, without a unit", () => {
  const linesOf = (text: string) => {
    const order = readOrder(`Otter Creek, by 8 May: ${text}`, anotherCatalogue);
    return isWhole(order)
      ? order.lines.map((l) => [l.flies, l.form])
      : order.doubts.concat(order.lines.flatMap((l) => l.doubts)).map((d) => d.code);
  };

  test.each([
    "2 dz Harbour Nymph olive 14, 6 of them unweighted",
    "2 dz Harbour Nymph olive 14, six of these unweighted",
    "2 dz Harbour Nymph olive 14, 6 of those unweighted",
  ])("%s: more than there are dozens of, so they are flies", (text) =>
    expect(linesOf(text)).toEqual([
      [18, "weighted"],
      [6, "unweighted"],
    ]),
  );

  test.each([
    "4 dz Harbour Nymph olive 14, 2 of them unweighted",
    "4 dz Harbour Nymph olive 14, 2 of those unweighted",
  ])("%s: two flies, or two dozen?", (text) => expect(linesOf(text)).toEqual(["NOT_UNDERSTOOD"]));
});

describe("a weight behind the last of several", () => {
  const formsOf = (text: string) => {
    const order = readOrder(`Otter Creek, by 8 May: ${text}`, anotherCatalogue);
    return order.lines.map((l) => l.form);
  };

  test.each([
    "3 dz Harbour Nymph 12 olive, 2 dz 14 black, all unweighted",
    "3 dz Harbour Nymph 12 olive, 2 dz 14 black, unweighted all",
    "5 dz Harbour Nymph 12 (three olive, two black), unweighted",
  ])("%s: is that of all", (text) => expect(formsOf(text)).toEqual(["unweighted", "unweighted"]));

  test.each([
    "3 dz Harbour Nymph 12 olive, 2 dz 14 black (for the shop) unweighted",
    "3 dz Harbour Nymph 12 olive, 2 dz 14 black (barbless), unweighted",
  ])("%s: is that of the last alone", (text) => expect(formsOf(text)).toEqual(["weighted", "unweighted"]));
});

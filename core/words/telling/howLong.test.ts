import { expect, test } from "vitest";
import { cabinet, hooks } from "../corpus/cabinet";
import { readRecipe, sayLength } from "../index";

/** A fly of which the tail and the wing are told without a length, and what a later line says of one of them. */
function toldLater(line: string, tail = "Tail: 10 brown hackle fibres") {
  const text = ["Slip fly", "Hook: streamer size 6", tail, "Wing: 20 brown bucktail hairs", line].join("\n");
  const { recipe, lines } = readRecipe(text, { materials: cabinet, hooks });
  const ofRole = (role: string): string[] => {
    const own = recipe.components.filter((c) => c.role === role).map((c) => c.id);
    return recipe.steps.flatMap((s) =>
      s.do === "lay" && own.includes(s.component ?? "") ? [s.shown ? sayLength(s.shown) : "unsaid"] : [],
    );
  };
  return {
    tail: ofRole("tail"),
    wing: ofRole("wing"),
    asks: lines.flatMap((l) => l.asks.map((a) => a.sentence)),
    lines,
  };
}
const usual = toldLater("Head: black thread");

test.each([
  ["The wing is one and a half times the hook", "1.5 × the hook"],
  ["Wing as long as the hook", "the hook length"],
  ["Wing length: as long as the hook", "the hook length"],
  ["Wing: length half the shank", "half the shank"],
  ["The length of the wing is half the shank", "half the shank"],
  ["Length of wing: twice the gape", "2 × the gape"],
  ["The wing should be one and a half times as long as the hook", "1.5 × the hook"],
  ["The wing must be as long as the shank", "the shank length"],
  ["The wing is half as long again as the hook", "1.5 × the hook"],
])("“%s” is of the wing that is there, and makes no further one", (line, length) => {
  const { wing, tail, asks, lines } = toldLater(line);
  expect(wing).toEqual([length]);
  expect(tail).toEqual(usual.tail);
  expect(asks).toEqual(usual.asks);
  expect(lines[4]?.notes).toContain("of the wing of line 4");
});

test.each([
  ["The hackle should be half again as long as the gape", 1.5],
  ["The front hackle is one and a half times the gape", 1.5],
  ["Hackle length: twice the gape", 2],
])("“%s” is of the hackle that is there", (line, times) => {
  const text = ["Spider", "Hook: W1 12", "Body: olive fur", "Hackle: brown hackle, 3 turns", line].join("\n");
  const { recipe, lines } = readRecipe(text, { materials: cabinet, hooks });
  const barbs = recipe.steps.flatMap((s) => (s.do === "wind" && s.barb ? [s.barb] : []));
  expect(barbs).toEqual([
    [
      { of: "gape", times },
      { of: "gape", times },
    ],
  ]);
  expect(lines.at(-1)).toMatchObject({
    asks: [],
    notes: [expect.stringMatching(/^of the (?:hackle|collar) of line 4$/)],
  });
});

test("A tail that said its own length is not made another without a question", () => {
  const { tail, asks } = toldLater("The tail is half the shank long", "Tail: 10 brown hackle fibres, twice the gape");
  expect(tail).toEqual(["2 × the gape"]);
  expect(asks.join(" ")).toContain("Two lengths are said of the tail, 2 × the gape and half the shank.");
});

test("The same length said twice is no question", () => {
  const { tail, asks } = toldLater("The tail is half the shank long", "Tail: 10 brown hackle fibres, half the shank");
  expect(tail).toEqual(["half the shank"]);
  expect(asks).toEqual(usual.asks);
});

test("Of a part that nobody told, the length alone is asked about", () => {
  const { asks } = toldLater("The topping is as long as the hook");
  expect(asks.length).toBeGreaterThan(usual.asks.length);
});

test("What names stuff is a further part, however long it is said to be", () => {
  expect(toldLater("Wing: 10 white bucktail hairs, as long as the hook").wing).toHaveLength(2);
});

import { describe, expect, test } from "vitest";
import { asksOf, stepsByStuff } from "./corpus/reading";

const hook = "Hook: W1 12\nThread: brown 70\n";
const last = (text: string): string => stepsByStuff(hook + text).at(-1) ?? "";

describe("how long something is, told as an aim", () => {
  const tail = "Tail: 6 tippet fibres, shank length\n";
  const cases: [string, string, string][] = [
    [
      "to another part",
      `${tail}Wing: slips of grey duck, 3 mm wide, tied so that the tips touch the tail end`,
      "to the tail tip",
    ],
    [
      "by a measure past the bend",
      "Tail: 6 tippet fibres, so that they stick out a gape behind the bend",
      "1 gape behind the bend",
    ],
    ["to a place of the hook", `${tail}Throat: 10 fibres brown hen so they come to the point`, "to the point"],
  ];
  test.each(cases)("%s", (_label, lines, length) => {
    expect(asksOf(hook + lines)).toEqual([]);
    expect(last(lines)).toContain(length);
  });
  test("a mere reason stays one", () => {
    const line = "Wing: 10 fibres of teal, shank length, tied low so it rides point up";
    expect(asksOf(hook + line)).toEqual([]);
    expect(last(line)).toContain("= the shank length");
  });
});

describe("a length in words of its own", () => {
  const cases: [string, string, string][] = [
    [
      "half way down the body",
      "Body: hare\nWing: a black goose biot each side, reaching half way down the body",
      "= half the body",
    ],
    ["a gape and a half in one word", "Tail: 8 red hackle fibres, gape-and-a-half", "= 1.5 × the gape"],
    ["as high as the shank", "Wing: a post of white poly yarn, 1 strand, shank height", "= the shank length"],
    [
      "as thick as a pinch",
      "Tail: a pinch of brown marabou (2 mm), as long as the shank",
      "clump of 2 mm, = the shank length",
    ],
    [
      "longer than a part of its stuff",
      "Tail: 6 fox hairs, shank length\nUnderwing: 6 strands of pearl flash, a touch longer than the fox tail",
      "= 1.1 × the shank",
    ],
    [
      "barbs no longer than to a place",
      "Hackle: brown partridge, 1 turn, fibres no longer than the bend",
      "barbs to the bend",
    ],
  ];
  test.each(cases)("%s", (_label, lines, length) => {
    expect(asksOf(hook + lines)).toEqual([]);
    expect(last(lines)).toContain(length);
  });
  test("told between taking and tying in", () => {
    const lines =
      "Body: black floss from the bend\nSelect four badger saddle hackles, two a side.\nThey extend half a shank beyond the bend.\nTie them in on top.";
    expect(last(lines)).toContain("to 0.5 shanks behind the bend");
  });
});

describe("a tail or a wing is not wound", () => {
  const cases: [string, string, string][] = [
    [
      "by the turns that hold it",
      "Tail is a rabbit strip, olive, 4 cm, tied in at the bend by six turns",
      "with 6 wraps",
    ],
    [
      "where the part stands behind",
      "black marabou tail as long as the shank, 10 fibres",
      "10 fibres, = the shank length",
    ],
    ["where they make it", "Six brown hackle barbs make the tail, as long as the gape", "6 fibres, = the gape length"],
    ["ahead of a sign", "Forked tail: two goose biots", "as a V"],
  ];
  test.each(cases)("%s", (_label, line, made) => {
    expect(last(line)).toContain(made);
    expect(last(line)).not.toContain("touching");
  });
  test("and where nothing says how much is tied in, that is asked", () =>
    expect(asksOf(`${hook}Body: pearl braid\ntail the frayed ends of the braid`).join(" ")).toContain(
      "Is the tail wound?",
    ));
});

import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByStuff } from "./corpus/reading";

const hook = "Hook: W1 12\nThread: brown 70\n";
const made = (text: string): string[] => stepsByStuff(hook + text);
const last = (text: string): string => made(text).at(-1) ?? "";

describe("how a part is, told ahead of it", () => {
  const cases: [string, string, string][] = [
    ["as it stands", "Forked tail: two goose biots, half the shank", "as a V"],
    ["where it is", "Rear hackle: brown, 3 turns", "at the bend"],
    ["kept where it says nothing else", "Underslung throat: 8 red fibres to the point", "8 fibres, to the point"],
    ["of a compound name", "Body: fur\nSoft front hackle: grouse, 2 turns", "2 turns"],
  ];
  test.each(cases)("%s", (_label, lines, words) => {
    expect(asksOf(hook + lines)).toEqual([]);
    expect(last(lines)).toContain(words);
  });
  test("makes one hackle, not two", () =>
    expect(made("Body: fur\nSoft front hackle: grouse, 2 turns").filter((s) => s.includes("turn"))).toHaveLength(1));
  test("two parts joined are none", () =>
    expect(made("Antennae and tail: 8 hackle fibres at each end, 4 mm").join(" ")).not.toContain("as a V"));
});

describe("how many, told by an end", () => {
  const cases: [string, string, string][] = [
    ["the lower", "Tail: at least six hen fibres, gape length", "6 to 8 fibres"],
    ["behind the number", "Tail: six or more hen fibres, gape length", "6 to 8 fibres"],
    ["the upper, of turns", "Rib: copper wire, up to seven turns", "at most 7 turns"],
    ["and no more of them", "Hackle: brown, two turns, no more", "2 turns"],
  ];
  test.each(cases)("%s", (_label, line, words) => {
    expect(asksOf(hook + line)).toEqual([]);
    expect(last(line)).toContain(words);
  });
});

describe("the same, once more", () => {
  const first = "Wing: white bucktail, matchstick thick, 7 cm, tied in half way down the shank\n";
  const cases: [string, string, string][] = [
    ["further forward", "The same again 1 cm in front of it", "clump of 2 mm, = 70 mm"],
    ["on another side", "Another bunch of the same, on the bottom", "shared 1 underside"],
    ["in another colour", "The same again in olive on top", "olive bucktail"],
  ];
  test.each(cases)("%s", (_label, line, words) => {
    expect(asksOf(hook + first + line)).toEqual([]);
    expect(last(first + line)).toContain(words);
  });
  test("so far from the one before", () =>
    expect(last(`${first}The same again 1 cm in front of it`)).toContain("10 mm in front of"));
});

describe("a list that steps take up without a verb", () => {
  const list = "Body: green fur\nThorax: brown ostrich\nWing pads: two brown biots\n\n";
  test("ties each part once", () => {
    const steps = made(
      `${list}1 Dub the body to mid-shank.\n2 Biots one on each side, pointing back, half the body.\n3 Two ostrich herls, three turns.`,
    );
    expect(steps.filter((s) => s.includes("biot"))).toHaveLength(1);
    expect(steps.filter((s) => s.includes("ostrich"))).toHaveLength(1);
  });
});

describe("what begins a recipe", () => {
  const cases: [string, string, string][] = [
    [
      "a hook that is grabbed",
      "For this one grab a number 10 nymph hook and slide on a 3.2 copper bead.",
      "3.2 copper bead",
    ],
    ["as the first line of all", "Grab a size 10 nymph hook and slide on a 3.2 mm copper bead.", "3.2 mm copper bead"],
    [
      "on which somebody is",
      "I'm on a size 10 nymph hook, and I've put a 2.5 mm brown bead on it.",
      "2.5 mm brown bead",
    ],
  ];
  test.each(cases)("%s", (_label, text, bead) => {
    const { recipe } = read(text);
    expect(recipe.sizes).toEqual({ from: "10", to: "10" });
    expect(stepsByStuff(text).join(" ")).toContain(bead);
  });
  test.each([
    ["The fly I want to show you is a pupa I call the Mud Lark.", "Mud Lark"],
    ["Simple midge, 20 and 22: black thread, three layers", "Simple midge"],
  ])("%s", (text, name) => expect(read(text).name).toBe(name));
});

describe("what is tied in with another", () => {
  test("behind “then” it is tied in too, and not wound", () => {
    const steps = made(
      "Tie in 0.15 mono at the bend, then a strip of clear film 4 mm wide\nDub olive fur to the eye\nPull the film over and hold it with seven turns of the mono",
    );
    expect(steps.filter((s) => s.includes("film") && s.includes("touching"))).toEqual([]);
    expect(steps.find((s) => s.includes("over the back"))).toContain("film");
    expect(steps.at(-1)).toContain("7 turns");
  });
  test("what holds a shellback is wound over it", () => {
    const steps = made(
      "Tie in clear mono 0.15 and a strip of olive film 3 mm at the bend\nBody: olive fur\nShellback pulled forward over the top and held by seven turns of the mono",
    );
    expect(steps.at(-2)).toContain("over the back");
    expect(steps.at(-1)).toContain("7 turns");
  });
  test("so much floss is cut as is told", () =>
    expect(last("Tie in 12 cm of black floss at the bend\nWind the floss to the eye")).toContain("pieces of 120 mm"));
});

describe("feathers that are tied in on top", () => {
  test("are a wing and no hackle", () =>
    expect(
      last("Body: fur\nMatch four olive saddles in pairs, tie them on edge on top of the shank; twice the shank long"),
    ).toMatch(/^wing, .*2 pairs of feathers/));
});

describe("eyes and what goes round them", () => {
  const eyes =
    "Tie in white chenille at the bend\nTie in medium bead chain eyes a quarter of the way back with figure of eights, ten each way.\n";
  test("are lashed on by twice so many", () => expect(last(eyes)).toContain("with 20 wraps"));
  test("a body crosses beneath them", () =>
    expect(last(`${eyes}Wrap it to the eyes, cross underneath and finish in front of them.`)).toContain(
      "to in front of the eyes",
    ));
});

describe("weight in layers", () => {
  test("each of which is told", () => {
    const turns = made("Weight: two layers of 0.010 lead (8 turns, then 6 on top)").filter((s) =>
      s.startsWith("weight"),
    );
    expect(turns[0]).toContain("8 touching turns");
    expect(turns[0]).not.toContain("there and back");
    expect(turns[1]).toContain("6 touching turns");
  });
});

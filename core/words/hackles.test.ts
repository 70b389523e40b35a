import { describe, expect, test } from "vitest";
import { sayStep } from ".";
import { stepsByStuff, read } from "./corpus/reading";

const base = "Hook: dry 12\nThread: grey\nWing: 20 elk hairs, upright, a shank long\n";
/** Windings of hackles and collars, with what they are of. */
const wound = (text: string): string[] =>
  stepsByStuff(base + text)
    .filter((s) => /^(?:hackle|collar), .*turns?/.test(s))
    .map((s) => s.replace(/^\w+, /, ""));

describe("two hackles of two colours", () => {
  test("of a list, on either side of the wing", () => {
    const steps = wound(
      "Hackle: one grizzle and one brown, fibres 1.5 x gape, 3 turns behind and 2 in front of the wing",
    );
    expect(steps).toHaveLength(4);
    expect(steps.filter((s) => /^grizzle/.test(s))).toEqual([
      expect.stringMatching(/3 turns, barbs 1.5 × the gape, at behind the wing/),
      expect.stringMatching(/2 turns, barbs 1.5 × the gape, at in front of the wing/),
    ]);
  });

  test("by their colours alone", () => {
    const steps = wound("Front hackle: brown and grizzle mixed, 3 turns");
    expect(steps.map((s) => /brown|grizzle/.exec(s)?.[0])).toEqual(["brown", "grizzle"]);
    expect(steps.every((s) => / 3 turns/.test(s))).toBe(true);
  });

  test("tied in by one line and wound by the next", () => {
    const steps = wound(
      "Tie in two hackles, brown and grizzly, behind the wing.\nWind both hackles, three turns behind and three in front of the wing.",
    );
    expect(steps).toHaveLength(4);
    expect(new Set(steps.map((s) => s.split(":")[0])).size).toBe(2);
  });
});

test("a rib that was tied in where it ends goes back over the body first", () => {
  const { recipe } = read(
    base +
      "Catch in 50 mm of fine oval gold at the eye.\nBody: claret fur, 0.3 gape full\nBring the tinsel to the head, five turns.",
  );
  expect(recipe.steps.map((s) => sayStep(s)).at(-1)).toContain("5 turns, from the bend to 1 eye behind the eye");
});

test("in a list on one line a part is not read by the words of the next", () => {
  const { recipe } = read(
    "hook: wet 10; thread: red; tail: golden tippets, 8, as long as the gape; body: black wool; rib: oval silver, 5 turns",
  );
  expect(recipe.steps.map((s) => sayStep(s))[0]).toContain("8 fibres, = the gape length");
});

describe("a hackle that a line names", () => {
  const bench = "Hook: N1 10\nThread: black\n";
  const chenille = "Tie in black chenille and wind to the front third\nTie in a brown saddle by its tip at the bend\n";

  test("goes over the stuff that is named behind it, and is not of it", () => {
    const steps = stepsByStuff(`${bench}${chenille}Wind the hackle in 5 evenly spaced turns over the chenille`);
    expect(steps.at(-1)).toMatch(/^hackle, brown saddle: 5 turns, .*from the bend to a third of the shank$/);
  });
  test("is tied in with the yarn by one verb, each for its own part", () => {
    const list = "Body: black mohair yarn\nHackle: 1 black hen saddle\n";
    const reading = read(`${bench}${list}Tie in the hackle by its tip and the yarn.\nWind the yarn to the front third`);
    const parts = reading.recipe.steps.map((s) => reading.recipe.components.find((c) => c.id === s.component)?.role);
    expect(parts).toEqual(["hackle", "body"]);
  });
  test("has its turns on either side of a wing, where its stuff stands between", () => {
    const steps = wound("Hackle: 3 turns pale ginger behind the wing, 2 in front");
    expect(steps).toEqual([
      expect.stringMatching(/^pale ginger hackle: 3 turns, .*at behind the wing$/),
      expect.stringMatching(/^pale ginger hackle: 2 turns, .*at in front of the wing$/),
    ]);
  });
  test("wraps of a feather for legs are its turns, wraps of thread are none", () => {
    const legs = (said: string): string => stepsByStuff(`${bench}Body: hare fur\nLegs: ${said}`).at(-1) ?? "";
    expect(legs("3 wraps brown partridge")).toMatch(/^legs, brown partridge: 3 turns/);
    expect(legs("6 fibres of brown partridge, 4 wraps of thread")).toMatch(/: 6 fibres/);
  });
});

describe("the end by which a feather is tied in", () => {
  const bench = "Hook: W1 10\nThread: black\n";
  test.each([
    ["Tie in the hackle by its tip, wind twice, tie down", "Hackle: brown hen\n", "tip"],
    ["Take a ginger hackle, tie it in by the butt, and give it four turns", "", "butt"],
    ["Take a partridge feather, strip one side, tie in by the tip and take two turns", "", "tip"],
    ["Single starling feather, stripped on one side, tied in by the tip\nWind it two turns", "", "tip"],
    ["hackle: partridge, tied in by the tip, 2 turns", "", "tip"],
  ])("%s", (told, list, end) => {
    expect(stepsByStuff(bench + list + told).at(-1)).toMatch(new RegExp(`turns, .*by the ${end}`));
  });
});

describe("the barbs of a collar that nobody measures", () => {
  const collar = (stuff: string): string[] =>
    stepsByStuff(`Hook: nymph 12\nThread: grey\nBody: olive dubbing\nCollar: ${stuff}, 3 turns`).filter((s) =>
      s.startsWith("collar, "),
    );
  test("of a stiff feather of the cabinet are those of a dry hackle, on whatever hook", () => {
    expect(collar("brown cock")).toEqual([expect.stringMatching(/barbs 1.5 × the gape to 2 × the gape/)]);
  });
  test("of a soft one are as long as the shank", () => {
    expect(collar("brown hen")).toEqual([expect.stringMatching(/barbs the shank length to 1.3 × the shank/)]);
  });
  test("of what is palmered are those of a hackle, whatever it is called", () => {
    const steps = stepsByStuff(
      "Hook: wet 10\nThread: black\nBody: black fur\nTie in a black cock hackle at the front and palmer it down to the tail in five turns",
    );
    expect(steps.at(-1)).toMatch(/5 turns, barbs 1.2 × the gape to 1.6 × the gape/);
  });
  test("of one that is only described could be either: those of a soft one are taken", () => {
    expect(collar("mauve hackle")).toEqual([expect.stringMatching(/barbs the shank length to 1.3 × the shank/)]);
  });
});

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

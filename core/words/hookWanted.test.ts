import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { hookBends, hookEyes, MOST_STEPS, type HookWanted } from "../hooks";
import { cabinet, hooks } from "./corpus/cabinet";
import { readWanted } from "./hookWanted";
import { readRecipe, sayHook, sayWanted } from "./index";

const exactly = (n: number) => ({ from: n, to: n });
const MORE = { from: 1, to: MOST_STEPS };
const LESS = { from: -MOST_STEPS, to: -1 };

describe("what is said of a hook beside its model", () => {
  const cases: [string, HookWanted][] = [
    ["wet hook, sizes 10 to 14", {}],
    ["#4 streamer, 4xl", { shank: exactly(4) }],
    ["2x long nymph 10", { shank: exactly(2) }],
    ["nymph, two extra long, 10", { shank: exactly(2) }],
    ["long-shank 8", { shank: MORE }],
    ["8 long shank nymph", { shank: MORE }],
    ["a long nymph hook, 8-12", { shank: MORE }],
    ["1/0 saltwater, short shank", { shank: LESS }],
    ["12 wet, 1x short", { shank: exactly(-1) }],
    ["wet 12, standard shank", { shank: exactly(0) }],
    ["12, 2x heavy nymph", { wire: exactly(2) }],
    ["dry 16, 1x fine", { wire: exactly(-1) }],
    ["size 16 fine wire dry", { wire: LESS }],
    ["on a light 16", { wire: LESS }],
    ["extra-strong saltwater 2/0", { wire: MORE }],
    ["size 14 dry, standard wire", { wire: exactly(0) }],
    ["6/0 wide gape, bent slightly open", { gape: MORE }],
    ["dry fly 16, barbless.", { barbless: true }],
    ["a de-barbed 14", { barbless: true }],
    ["14 wet with the barb pinched down", { barbless: true }],
    ["wet 14, barbed", { barbless: false }],
    ["curved emerger 12, light wire", { bend: "curved", wire: LESS }],
    ["double 6, black", { points: 2, finish: "black" }],
    ["16 down-eye dry", { eye: "turned down" }],
    ["2/0, stainless, straight eye.", { finish: "stainless", eye: "straight" }],
    ["size 6 streamer hook, 3xl, silver", { shank: exactly(3), finish: "silver" }],
    ["a gold hook, 12", { finish: "gold" }],
    // A colour that is of something else, a length that is no shank.
    ["#2 long streamer, black 140 thread", { shank: MORE }],
    ["dry 16. 12/0 rusty thread", {}],
  ];
  test.each(cases)("%s", (text, wanted) => {
    expect(readWanted(text).wanted).toEqual(wanted);
  });

  test("the first that is said holds, and every place is told", () => {
    const text = "nymph 12, 2xl, barbless";
    const { at } = readWanted(text);
    expect(at.map(([from, to]) => text.slice(from, to)).sort()).toEqual(["2xl", "barbless"]);
  });
});

const read = (text: string) => readRecipe(text, { materials: cabinet, hooks });

describe("in a recipe", () => {
  test("it is kept beside the model, and told where the model is otherwise", () => {
    const { recipe, lines } = read("Long Night\nHook: wet 10, 2x long, barbless, bronze\nThread: black 8/0");
    expect(recipe.hookModel).toBe("W1");
    expect(recipe.hookWanted).toEqual({ shank: exactly(2), barbless: true, finish: "bronze" });
    expect(lines[1]?.notes).toEqual([
      "Of the hook is said: 2X long, barbless. Yard Wet has: standard shank, barbed. All is reckoned on Yard Wet: take another hook, or change what is said.",
    ]);
  });

  test("a hook that is all that is said is told of by nothing", () => {
    const { recipe, lines } = read("Long Night\nHook: dry 14, light wire, barbless\nThread: black 8/0");
    expect(recipe.hookModel).toBe("D1");
    expect(lines.flatMap((l) => l.notes)).toEqual([]);
  });

  test("where the words are taken out, it is no more said", () => {
    const before = read("Long Night\nHook: wet 10, barbless").recipe;
    const after = readRecipe("Long Night\nHook: wet 10", { materials: cabinet, hooks, was: before }).recipe;
    expect(after.hookWanted).toBeUndefined();
    const silent = readRecipe("Long Night\nThread: black 8/0", { materials: cabinet, hooks, was: before }).recipe;
    expect(silent.hookWanted).toEqual({ barbless: true });
  });
});

const steps = fc
  .tuple(fc.integer({ min: -6, max: 6 }), fc.constantFrom("exactly", "more", "less"))
  .map(([n, how]) => (how === "exactly" ? exactly(n) : how === "more" ? MORE : LESS));
const anyWanted: fc.Arbitrary<HookWanted> = fc.record(
  {
    shank: steps,
    wire: steps,
    // Nobody says how many steps narrower.
    gape: fc.constantFrom(MORE, LESS, exactly(1), exactly(2)),
    barbless: fc.boolean(),
    bend: fc.constantFrom(...hookBends),
    points: fc.constantFrom(2 as const),
    eye: fc.constantFrom(...hookEyes),
    finish: fc.constantFrom("black nickel", "bronze", "silver", "red", "stainless"),
  },
  { requiredKeys: [] },
);

test("said back it reads the same", () => {
  fc.assert(
    fc.property(anyWanted, (wanted) => {
      expect(readWanted(sayWanted(wanted).join(", ").toLowerCase()).wanted).toEqual(wanted);
      const line = sayHook({ hookModel: "W1", hookWanted: wanted, sizes: { from: "10", to: "14" } }, hooks);
      const { recipe, lines } = read(`Long Night\n${line}`);
      expect(lines.flatMap((l) => l.asks)).toEqual([]);
      expect([recipe.hookModel, recipe.sizes, recipe.hookWanted ?? {}]).toEqual([
        "W1",
        { from: "10", to: "14" },
        wanted,
      ]);
    }),
  );
});

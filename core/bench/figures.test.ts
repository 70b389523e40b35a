import { describe, expect, test } from "vitest";
import { composeFly } from "../fly";
import type { Component, RecipeStep } from "../recipe";
import { choose, materials, model } from "../testing/nymph";
import { withStep } from "../testing/recipes";
import { benchStepOf } from ".";

const bench = { from: { fraction: 0.5 }, to: { fraction: 0.8 } };
const part = (role: Component["role"], material: string): Component => ({
  id: "x",
  role,
  material: [{ value: material }],
});
const read = (step: object, role: Component["role"], material: string, handed: "left" | "right" = "right") => {
  const fly = composeFly(
    withStep({ id: "x", name: "it", component: "x", ...step } as RecipeStep, part(role, material)),
    choose({ form: "light" }),
    model,
    materials,
  );
  const s = fly.steps.find((f) => f.id === "x");
  if (!s) throw new Error("the step is not there");
  return benchStepOf(fly, s, handed);
};

/** Everything that a recipe says of a step stands on the card. */
describe("the card says what the recipe says", () => {
  test.each<[string, object, Component["role"], string, RegExp]>([
    [
      "there and back",
      { do: "wind", ...bench, rule: { touching: true }, passes: 2 },
      "body",
      "floss",
      /there and back/,
    ],
    ["layers", { do: "wind", ...bench, rule: { touching: true }, passes: 4 }, "body", "floss", /4 layers/],
    ["overlap", { do: "wind", ...bench, rule: { overlap: 0.5 } }, "body", "floss", /over 50 % of the one before/],
    ["stretch", { do: "wind", ...bench, rule: { touching: true }, stretch: 2 }, "body", "stretch", /stretched 2 times/],
    ["a rope", { do: "wind", ...bench, rule: { touching: true }, rope: 3 }, "body", "herl", /3 twisted to a rope/],
    [
      "side by side",
      { do: "wind", ...bench, rule: { touching: true }, rope: 3, ribbon: true },
      "body",
      "herl",
      /3 side by side/,
    ],
    ["sweep", { do: "wind", ...bench, rule: { turns: 3 }, sweep: "back" }, "hackle", "hackle", /swept back/],
    ["most turns", { do: "wind", ...bench, rule: { turns: 3 }, atMost: 4 }, "hackle", "hackle", /4 turns at most/],
    [
      "face",
      { do: "wind", ...bench, rule: { turns: 3 }, face: "out" },
      "hackle",
      "hackle",
      /hollow side away from the hook/,
    ],
    ["direction", { do: "wind", ...bench, rule: { turns: 3 }, clockwise: false }, "hackle", "hackle", /towards you/],
    [
      "pieces",
      { do: "wind", ...bench, rule: { turns: 5 }, take: { from: "pieces", pieceMm: 300, gripMm: 5, trimMm: 5 } },
      "rib",
      "wire",
      /pieces of 300\.0 mm/,
    ],
    [
      "hanging",
      { do: "lay", ...bench, amount: { strands: 1, folded: false }, shown: { mm: 9 }, hanging: true },
      "wing case",
      "stretch",
      /left hanging/,
    ],
    [
      "folded",
      { do: "lay", ...bench, amount: { strands: 2, folded: true }, shown: { mm: 9 } },
      "tail",
      "flash",
      /2 strands, folded double/,
    ],
    [
      "over-take",
      { do: "lay", ...bench, amount: { clump: { mm: 1 } }, shown: { mm: 9 }, overTake: 1.5 },
      "wing",
      "hair",
      /1\.5 times as much taken/,
    ],
    [
      "trimmed butts",
      { do: "lay", ...bench, amount: { fibres: 6 }, shown: { mm: 9 }, trimMm: 7 },
      "tail",
      "pheasant",
      /butts trimmed by 7\.0 mm/,
    ],
    [
      "slips",
      { do: "lay", ...bench, amount: { slipWidth: { mm: 3 }, layers: 2 }, shown: { mm: 9 } },
      "wing",
      "quill",
      /2 slips on either side; 3\.0 mm wide/,
    ],
    [
      "a flank",
      { do: "lay", ...bench, amount: { feathers: 1, part: "one flank" }, shown: { mm: 9 } },
      "wing",
      "plume",
      /1 feather, one flank/,
    ],
    [
      "a pair",
      { do: "lay", ...bench, amount: { feathers: 2, paired: true }, shown: { mm: 9 } },
      "wing",
      "plume",
      /1 pair of feathers/,
    ],
    [
      "a loop",
      { do: "dress", ...bench, loopMm: 40, loopLayers: 2, loopLoad: 0.2 },
      "body",
      "fur",
      /a loop of 40\.0 mm; 2 layers/,
    ],
    ["a tapered noodle", { do: "dress", ...bench, noodle: { mm: 20 }, taper: [1, 3] }, "body", "fur", /1 to 3 thick/],
    ["brushed", { do: "dress", ...bench, noodle: { mm: 20 }, brushed: true }, "body", "fur", /brushed out/],
    [
      "drops and open time",
      { do: "glue", at: { fraction: 0.5 }, drops: 2, openMinutes: 3 },
      "finish",
      "glue",
      /2 drops; open for 3 minutes/,
    ],
    [
      "coats along",
      { do: "glue", at: { fraction: 0.5 }, drops: 1, along: { ...bench, coats: 2 } },
      "finish",
      "lacquer",
      /2 coats brushed along it/,
    ],
    [
      "which way it is brushed",
      { do: "act", act: "brush", minutes: 0.2, direction: "back" },
      "body",
      "fur",
      /brush back/,
    ],
    ["what is left", { do: "act", act: "trim", minutes: 0.2, leave: { mm: 4 } }, "body", "fur", /leave 4\.0 mm/],
    [
      "eyes",
      { do: "seat", from: { fraction: 0.3 }, lashed: "on top" },
      "eyes",
      "eyes",
      /lashed on top: it swims point up/,
    ],
  ])("%s", (_, step, role, material, words) => expect(read(step, role, material).figures.join("; ")).toMatch(words));

  test("a knot has its turns, and how often it is made", () => {
    const whip = (times?: number) =>
      composeFly(
        withStep({
          id: "whip",
          name: "whip",
          do: "whip",
          from: { eyeLengths: 0 },
          to: { eyeLengths: 0.5 },
          turns: 4,
          ...(times && { times }),
        }),
        choose({ form: "light" }),
        model,
        materials,
      );
    const figures = (times?: number) => {
      const fly = whip(times);
      const s = fly.steps.find((x) => x.id === "whip");
      return s ? benchStepOf(fly, s, "right").figures : [];
    };
    expect(figures()).toEqual(["4 turns"]);
    expect(figures(2)).toEqual(["4 turns, made twice"]);
    expect(figures(3)).toEqual(["4 turns, made 3 times"]);
  });
  test("a direction is told from the tier's own side", () => {
    const step = { do: "wind", ...bench, rule: { turns: 4 }, clockwise: true };
    expect(read(step, "rib", "wire", "right").figures.join()).toContain("away from you");
    expect(read(step, "rib", "wire", "left").figures.join()).toContain("towards you");
  });
  test.each(["right", "left"] as const)("round a post it is seen from above, by a %s hand too", (hand) => {
    const round = { do: "wind", ...bench, rule: { turns: 4 }, roundPost: true };
    expect(read({ ...round, clockwise: false }, "hackle", "hackle", hand).figures.join()).toMatch(
      /anticlockwise, seen from above(?!.*(?:away from|towards) you)/,
    );
    expect(read({ ...round, clockwise: true }, "hackle", "hackle", hand).figures.join()).toMatch(
      /(?<!anti)clockwise, seen from above/,
    );
  });
  test("what has to be at hand: the step's tools and those of its ways, each once", () => {
    const step = {
      do: "lay",
      ...bench,
      amount: { clump: { mm: 1 } },
      shown: { mm: 9 },
      tools: ["stacker", "comb"],
      methods: { tips: "stacked" },
    };
    expect(read(step, "wing", "hair").tools).toEqual(["stacker", "comb"]);
  });
});

import { describe, expect, test } from "vitest";
import { cabinet, hooks } from "./corpus/cabinet";
import { readRecipe, sayStep } from "./index";

const stepsOf = (text: string): string[] => {
  const { lines, recipe } = readRecipe(`Long Night\nHook: nymph 12\n${text}`, { materials: cabinet, hooks });
  expect(lines.flatMap((l) => l.asks.map((a) => a.sentence))).toEqual([]);
  return recipe.steps.map(sayStep);
};
const list = (body: string): string =>
  `Body: black fur${body}\nWing case: a 4 mm slip of turkey tail\nThorax: brown fur`;

describe("what lies in front of a body", () => {
  test.each([
    [" to a third of the shank", "a third of the shank"],
    [" over the rear half", "mid-shank"],
    [" over 60% of the shank", "0.4 of the shank"],
    [", 60 % of the shank", "0.4 of the shank"],
    [" up to 4 mm behind the eye", "4 mm behind the eye"],
  ])("begins where it was said to end: %j", (said, place) => {
    const steps = stepsOf(list(said));
    expect(steps.find((s) => s.includes("left hanging"))).toContain(`tied in at ${place}`);
    expect(steps.find((s) => s.includes("full") && s.includes("1.1 eyes"))).toContain(
      `from 1.1 eyes behind the eye to ${place}`,
    );
  });

  test("has its usual places where nobody said it, or where the body went up to the head", () => {
    for (const said of ["", " to behind the head"])
      expect(stepsOf(list(said)).find((s) => s.includes("full") && s.includes("1.1 eyes"))).toContain(
        "from 1.1 eyes behind the eye to 0.35 of the shank",
      );
  });

  test("a case whose tips lie back goes forward all the same", () => {
    const steps = stepsOf(
      "Body: black fur to 0.35 of the shank\nWing case: 10 pheasant tail fibres, tied in tips back\nThorax: brown fur",
    );
    expect(steps.find((s) => s.includes("over the back") && s.includes("10 fibres"))).toContain(
      "to 1 eye behind the eye",
    );
  });

  test("what is called a rib and is wound over a body is one", () => {
    const { recipe } = readRecipe("Long Night\nHook: nymph 12\nBody: black fur\nVinyl rib, 6 turns, clear", {
      materials: cabinet,
      hooks,
    });
    expect(recipe.components.map((c) => c.role)).toEqual(expect.arrayContaining(["body", "rib"]));
    expect(recipe.components.some((c) => c.role === "wing case")).toBe(false);
  });
});

describe("sizes one after another", () => {
  const sizesOf = (text: string) => readRecipe(text, { materials: cabinet, hooks }).recipe.sizes;
  test.each([
    ["Long Night, 14 16 18", "14", "18"],
    ["Long Night 14 16 18", "14", "18"],
    ["Long Night\nHook: 14 16 dry", "14", "16"],
    ["Long Night\nHook: dry 18 16 14", "14", "18"],
    ["Long Night\nHook: dry 12\nThread: 8/0", "12", "12"],
    ["Long Night\nHook: nymph 10 2 xl", "10", "10"],
  ])("are all of its sizes: %j", (text, from, to) => expect(sizesOf(text)).toMatchObject({ from, to }));
});

test("so many mm of floss or thread in a tag are its length", () => {
  const { recipe, newMaterials } = readRecipe("Long Night\nHook: wet 10\nTag: 3 mm yellow floss\nBody: black fur", {
    materials: cabinet,
    hooks,
  });
  expect(newMaterials.map((m) => m.name)).not.toContain("3 mm yellow floss");
  expect(recipe.steps.map(sayStep).join("; ")).toContain("from 3 mm in front of the bend to the bend");
});

import { expect, test } from "vitest";
import { readRecipe, sayStep } from ".";
import { cabinet, hooks } from "./corpus/cabinet";

const steps = (text: string): string[] =>
  readRecipe(text, { materials: cabinet, hooks }).recipe.steps.map((s) => sayStep(s));
const hook = "Hook: curved grub 12\nThread: black 14/0\n";

test("how thick a thorax is beside the body is no length of the body", () => {
  const thread = `${hook}Body: the thread in touching turns\n`;
  expect(steps(`${thread}Build up the thorax with thread to twice the width of the body`).at(-1)).toContain(
    "filled to 0.36 × the gape",
  );
  const fur = `${hook}Body: olive fur, 0.3 gape full\n`;
  expect(steps(`${fur}Thorax: black fur, twice as thick as the body`).at(-1)).toContain("0.6 × the gape full");
});

test("wire that is bound down waits where it was bound down to", () => {
  const told = (wire: string) => steps(`${hook}${wire}\nBody: black floss\nRib: 5 turns`).at(-1);
  expect(told("Tie in fine silver wire behind the eye and bind it down to the bend")).toContain("from the bend");
  expect(told("Rib: fine silver wire caught in at the eye and bound down round the bend")).toContain(
    "from into the bend",
  );
  expect(told("Tie in fine silver wire at the bend")).toContain("from the bend");
});

test("tinsel that is tied off somewhere is wound so far", () => {
  const body = `${hook}Tie in flat tinsel at the bend\nWind the tinsel forward in touching turns and tie it off 3 mm from the eye`;
  expect(steps(body).at(-1)).toContain("3 mm behind the eye");
});

test("how long a coat dries is kept as it was said", () => {
  const { recipe } = readRecipe(`${hook}Two coats of varnish, ten minutes between coats`, {
    materials: cabinet,
    hooks,
  });
  expect(recipe.finish).toMatchObject({ state: "given", coats: 2, dryMinutes: 10 });
});

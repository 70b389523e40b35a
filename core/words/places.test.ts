import { expect, test } from "vitest";
import { sayStep } from ".";
import { stepsOf as steps, read } from "./corpus/reading";

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
  const { recipe } = read(`${hook}Two coats of varnish, ten minutes between coats`);
  expect(recipe.finish).toMatchObject({ state: "given", coats: 2, dryMinutes: 10 });
});

test("what is said later in a line holds, and stays as it was typed", () => {
  const { recipe, lines } = read(
    `${hook}Tail: 8 partridge fibres, two thirds of the shank, no, make that half the shank`,
  );
  expect(recipe.steps.map((s) => sayStep(s)).at(-1)).toContain("8 fibres, = half the shank");
  const last = lines.at(-1);
  expect(last?.asks).toEqual([]);
  expect(last?.marks.filter((m) => m.kind === "aside").map((m) => last.text.slice(...m.at).trim())).toEqual([
    "no, make that",
  ]);
});

test("what was begun before a correction is not lost", () => {
  const text = `${hook}Tail: 8 partridge fibres, a shank and a third, no, make that half a shank`;
  const { lines } = read(text);
  const last = lines.at(-1);
  const at = last?.text.indexOf("third") ?? -1;
  expect(last?.marks.some((m) => m.at[0] <= at && m.at[1] > at)).toBe(true);
});

test("a slip that is pulled over is the wing case, of whatever it was cut", () => {
  const text = `${hook}Wing case: 4 mm wide slip of dark turkey tail\nThorax: hare's ear\nPull the slip over and tie down behind the eye`;
  const { recipe } = read(text);
  const roles = recipe.steps.map((s) => recipe.components.find((c) => c.id === s.component)?.role);
  expect(roles.filter((r) => r === "wing case")).toHaveLength(2);
  expect(roles).not.toContain("wing");
});

test("what is left in front of a fold stays free of it", () => {
  const foam = `${hook}Tie in a strip of black foam 4 mm wide at the bend\nBody: peacock herl, 3 strands\nFold the foam forward and tie it down behind the eye\n`;
  expect(steps(`${foam}Leave 2 mm as a head`).at(-1)).toContain("with 2 mm free");
});

test("fur that is dubbed on the way of the silk lies where the silk went", () => {
  const silk = "Wind the silk to the bend in touching turns\nReturn the silk to mid-shank, dubbing it with mole fur";
  expect(steps(`${hook}${silk}`).at(-1)).toMatch(/from (?:mid-shank to the bend|the bend to mid-shank)$/);
});

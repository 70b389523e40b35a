import { describe, expect, test } from "vitest";
import { sayStep } from ".";
import { read as readAll } from "./corpus/reading";

const base = "Hook: nymph 12\nThread: black 70 denier\n";
const read = (text: string) => readAll(base + text);
const said = (text: string): string[] => read(text).recipe.steps.map((s) => sayStep(s));

describe("fur and feathers that are only made ready are no parts of the fly", () => {
  test.each([
    "I pull the fur off the hide and take the guard hairs out.",
    "Comb out the underfur.",
    "Cut the fur from the strip.",
  ])("%s", (line) => {
    const { recipe, lines } = read(line);
    expect(recipe.steps).toEqual([]);
    expect(lines.at(-1)?.asks).toEqual([]);
  });

  test("behind what is tied of them the part stays as it is", () => {
    const tail = said("Tail: black rabbit hair, 2 mm thick, a shank long; the underfur combed out");
    expect(tail).toHaveLength(1);
    expect(tail[0]).toContain("clump of 2 mm, = the shank length");
    const strip = said("Tail: tan zonker strip, 3 mm wide, twice the shank, the fur behind the tie-in parted");
    expect(strip).toHaveLength(1);
  });
});

describe("butts are bound along the shank as far as is said", () => {
  const tail = "Tail: 20 fibres of olive marabou, as long as the shank, tied in at the bend.";
  test.each([
    [
      "as far as a part that comes later: along the shank",
      "Bind the butts along the shank up to the eyes.",
      "from 0.3 of the shank",
    ],
    ["to a share of the shank", "Bind the butts forward to one third back from the eye.", "from a third of the shank"],
    [
      "to where the wing will be",
      "Bind the butts forward to the wing position, one third back from the eye.",
      "from a third of the shank",
    ],
  ])("%s", (_what, line, from) => {
    const steps = said(`${tail} ${line}`);
    expect(steps).toHaveLength(1);
    expect(steps[0]).toContain(`${from} to the bend`);
  });

  test("and the thread hangs there", () => {
    const steps = said(
      `${tail} Bind the butts forward to a third of the shank.\nTie in 20 squirrel hairs for the wing, a shank long`,
    );
    expect(steps.at(-1)).toContain("tied in at a third of the shank");
  });
});

import { describe, expect, test } from "vitest";
import { proportionsOfFamily } from "../recipe";
import { read, stepsByPart } from "./corpus/reading";

describe("a part that is told without its length", () => {
  const dry = "Test\nHook: dry 12\nThread: black\n";
  test("has the usual one, said as the program's own", () => {
    const { lines, recipe } = read(`${dry}Underwing: pearl flash, 4 strands`);
    expect(recipe.steps[0]).toMatchObject({ do: "lay", shown: proportionsOfFamily("dry").shown.underwing });
    expect(lines.at(-1)?.assumed).toContain("0.9 × the shank, as on a dry hook");
  });

  test("hair that is spun stands a gape and a half; hair that lies there does not", () => {
    expect(stepsByPart(`${dry}Head: spin deer hair, 3 mm`).at(-1)).toMatch(/= 1.5 × the gape/);
    expect(stepsByPart(`${dry}Collar: bucktail, 3 mm clump`).at(-1)).not.toMatch(/1.5 × the gape/);
  });

  test("cheeks that are pulled over are as long as they have to be", () => {
    expect(stepsByPart(`${dry}Cheeks: orange goose biots, one each side`).at(-1)).not.toMatch(/shank/);
    expect(stepsByPart(`${dry}Cheeks: partridge breast feather, one a side`).at(-1)).toMatch(/= 0.35 × the shank/);
  });
});

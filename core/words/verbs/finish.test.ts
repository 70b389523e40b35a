import { describe, expect, test } from "vitest";
import { cabinet, hooks } from "../corpus/cabinet";
import { stepsByPart } from "../corpus/reading";
import { readRecipe } from "../index";

const read = (line: string) => {
  const text = `Jetty fly\nHook: W1 12\nThread: brown 70\nBody: pearl tubing\n${line}`;
  const { recipe, lines, newMaterials } = readRecipe(text, { materials: cabinet, hooks });
  const codes = recipe.components.filter((c) => c.role === "finish").flatMap((c) => c.material.map((m) => m.value));
  const isOfLiquid = (code: string): boolean =>
    [...cabinet.values(), ...newMaterials].find((m) => m.code === code)?.form === "liquid";
  return { liquids: codes.map(isOfLiquid), notes: lines.at(-1)?.notes ?? [] };
};

test.each(["Finish: spar lacquer", "Coat the tubing with two layers of epoxy"])(
  "%s: what is put on is told as new where the cabinet has none",
  (line) => {
    const { liquids, notes } = read(line);
    expect(liquids).toEqual([true]);
    expect(notes.join()).toContain("is new: taken as liquid");
  },
);

test("Eyes are glued to the tubing with glue, and not with tubing", () => {
  expect(read("Eyes: 4 mm stick-on, glued to the tubing behind the eye").liquids).toEqual([true]);
});

describe("glue that comes first", () => {
  const parts = (line: string): string[] =>
    stepsByPart(`Hook: dry 14\nThread: grey 8/0\n${line}`).map((s) => s.split(":")[0] ?? "");
  test("lies under what the line winds", () => {
    const body = "The body is a stripped peacock quill, wound from the bend to the eye.";
    expect(parts(`${body} Put a bit of superglue on the shank first.`)).toEqual(["finish", "body"]);
    expect(parts(`${body} Put a bit of superglue on the body.`)).toEqual(["body", "finish"]);
  });
});

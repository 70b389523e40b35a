import { describe, expect, test } from "vitest";
import { asksOf, read } from "./corpus/reading";

const nymph = "Hook: nymph 12\nThread: olive 70\n";

describe("a blend whose shares stand behind its stuff", () => {
  test.each([
    ["in parts", "Body: seal's fur, 3 parts olive to 1 part orange", [3, 1]],
    ["in per cent", "Body: rabbit, 60% tan and 40% rust", [60, 40]],
    ["of what is named as mixed", "Thorax: a mix of hare and fox, two parts hare and one part fox", [2, 1]],
    ["by halves", "Body: dubbing mixed from half hare's ear and half muskrat", [0.5, 0.5]],
  ])("%s is one body", (_, line, shares) => {
    const { recipe, newMaterials } = read(nymph + line);
    expect(recipe.steps.filter((s) => s.do === "dress")).toHaveLength(1);
    const total = shares.reduce((sum, s) => sum + s, 0);
    const blend = newMaterials.find((m) => m.form === "blend");
    const parts = Object.values(blend?.blend?.parts ?? {});
    const all = parts.reduce((sum, s) => sum + s, 0);
    expect(parts.map((p) => p / all)).toEqual(shares.map((s) => expect.closeTo(s / total, 6)));
    expect(asksOf(nymph + line)).toEqual([]);
  });

  test("what is made ready between two furs parts no blend", () => {
    const { newMaterials } = read(
      `${nymph}Body: a dubbing loop, 12 cm, filled with black rabbit cut from the hide and a little claret seal`,
    );
    expect(newMaterials.filter((m) => m.form === "blend")).toHaveLength(1);
  });

  test("the same fur as another part is that part's, whatever was dubbed since", () => {
    const { recipe } = read(
      `${nymph}Body: olive rabbit dubbing\nThorax: black squirrel dubbing\nCollar: same dubbing as the body`,
    );
    const of = (role: string) => recipe.components.find((c) => c.role === role)?.material;
    expect(of("collar")).toEqual(of("body"));
  });
});

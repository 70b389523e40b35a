import { describe, expect, test } from "vitest";
import { sayStep } from "..";
import { read as readAll } from "../corpus/reading";

const list = "Hook: nymph 14\nThread: brown 8/0\nBody: olive fur\n";
const read = (text: string) => readAll(list + text);
const of = (role: string, text: string): string[] => {
  const { recipe } = read(text);
  return recipe.steps.flatMap((s) =>
    recipe.components.find((c) => c.id === s.component)?.role === role ? [sayStep(s)] : [],
  );
};
const asked = (text: string): string[] => read(text).lines.flatMap((l) => l.asks.map((a) => a.sentence));

const cover = "Wing case: 8 pheasant tail fibres\nThorax: hare's ear\n";
describe("legs of the tips of a wing case", () => {
  test.each([
    [`${cover}Fold back three tips on each side for legs`, "6 fibres, = 1.2 × the gape"],
    [`${cover}Legs: the tips of the wing case, 3 a side, tied back to reach the bend`, "6 fibres, to the bend"],
    ["Wing case: 8 pheasant tail fibres, tips folded back as legs\nThorax: hare's ear", "8 fibres, = 1.2 × the gape"],
    [
      "Wing case and legs: 8 pheasant tail fibres, the tips bound back each side\nThorax: hare's ear",
      "8 fibres, = 1.2 × the gape",
    ],
    [
      `Tie in 8 pheasant tail fibres for the wing case
Thorax: hare's ear
Bring the wing case forward, tie off, then split the tips and bind them back as legs, four a side`,
      "8 fibres, = 1.2 × the gape",
    ],
  ])("%s", (text, legs) => {
    expect(of("legs", text).map((s) => s.split(", ").slice(0, 2).join(", "))).toEqual([legs]);
    expect(asked(text)).toEqual([]);
  });

  test("what is not understood beside them is asked about", () => {
    const text = "Wing case: 8 pheasant tail fibres, tips folded back as legs, whatsit\nThorax: hare's ear";
    expect(asked(text).join(" ")).toContain("whatsit");
  });

  test("more than were tied in are asked about", () => {
    expect(asked(`${cover}Fold back six tips on each side for legs`).join(" ")).toContain("Only 8 fibres were tied in");
  });
});

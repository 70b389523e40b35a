import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByStuff } from "./corpus/reading";

const dry = "Hook: dry 14\nThread: tan 70\nWing: white poly yarn, shank length, at a third of the shank\n";
const steps = (text: string): string[] => stepsByStuff(dry + text);
const wound = (text: string): string[] => steps(text).filter((s) => /hackle/.test(s) && / turns/.test(s));

describe("two hackles that are told together", () => {
  const eachOnce = [expect.stringMatching(/brown: 4 turns/), expect.stringMatching(/grizzly hackle: 4 turns/)];
  test.each([
    [
      "taken in one line and tied in by the next",
      "Prepare a brown and a grizzly hackle. Strip the butts.\nTie both in behind the wing, wind one through the other, 4 turns.",
    ],
    [
      "one of each colour",
      "Select two hackles, one brown and one grizzly.\nTie them in together behind the wing. Wind them together, 4 turns.",
    ],
    ["in a list, each by itself", "Hackle: two hackles, one brown, one grizzly, 4 turns"],
    ["with the turns behind the second", "Hackle: one brown and one grizzly, 4 turns"],
  ])("%s", (_, text) => {
    expect(wound(text)).toEqual(eachOnce);
    expect(asksOf(dry + text)).toEqual([]);
  });

  test("barbs that are said behind the second are those of both", () => {
    const { recipe } = read(
      `${dry}Select a brown and a grizzly hackle, barbs 1.5 gapes\nTie both in behind the wing and wind them, 3 turns`,
    );
    const barbs = recipe.steps.flatMap((s) => (s.do === "wind" && s.barb ? [s.barb[0]] : []));
    expect(barbs).toEqual([
      { of: "gape", times: 1.5 },
      { of: "gape", times: 1.5 },
    ]);
  });

  test("“the two hackles” are those that wait, and each is wound by itself", () => {
    const text =
      "Hook: wet 10\nThread: claret 70\nCatch in two cock hackles, one claret and one black, at the eye\n" +
      "Dub claret fur from the bend to behind the hackles\nPalmer the two hackles together down the body in five turns";
    const hackles = read(text).recipe.steps.filter((s) => s.do === "wind" && s.rule.turns === 5);
    expect(hackles).toHaveLength(2);
    expect(hackles.some((s) => s.do === "wind" && s.rope !== undefined)).toBe(false);
  });

  test("a tail of fibres is not what is selected as whole hackles later", () => {
    const [tail] = steps("Tail: 8 fibres of cock hackle, shank long\nSelect two hackles and wind them, 3 turns").filter(
      (s) => /tail/.test(s),
    );
    expect(tail).toContain("8 fibres, = the shank length");
  });
});

describe("what is named as one, on each side", () => {
  test.each([
    ["a biot", "For the tail tie in a goose biot each side, half the shank long", "2 fibres"],
    ["legs of a stuff", "2 legs of pheasant tail fibre each side", "4 fibres"],
    ["legs that are knotted together", "Legs: pheasant tail, 4 fibres knotted together, one leg each side", "8 fibres"],
  ])("%s", (_, line, amount) => {
    expect(steps(line).at(-1)).toContain(amount);
    expect(asksOf(dry + line)).toEqual([]);
  });
});

import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByPart } from "./corpus/reading";

const nymph = "Test\nHook: nymph 12\nThread: brown 70\n";
const said = (lines: string): string[] => stepsByPart(nymph + lines);

describe("what goes over and back", () => {
  test("the thread goes over the lead, which is not wound again", () => {
    const steps = said(
      "12 wraps of .015 lead in the middle third\nStart thread behind the eye, go over the lead and round the bend",
    );
    expect(steps.filter((s) => s.startsWith("weight: "))).toHaveLength(1);
    expect(steps).toContainEqual(
      expect.stringMatching(/^thread: touching, from 0.5 eyes behind the eye to into the bend/),
    );
  });

  test("back a bit is not there and back", () =>
    expect(said("Take the thread down to the bend and back a bit").join()).not.toMatch(/there and back/));

  test("fibres back over the body lie over it, and are not tied in behind it", () => {
    const legs = said("Body: hare\nantennae: two wood duck fibres back over the body, 10 mm").at(-1);
    expect(legs).toMatch(/over the back/);
    expect(legs).not.toMatch(/behind the body/);
  });

  test("a hackle that was just wound is folded down, whatever waits to be pulled over", () => {
    const text = `${nymph}At mid-shank tie in a strip of olive stretch 3 mm wide, hanging back\nThen a soft olive hen hackle by the tip\nThorax: hare\nTwo turns of the hackle over the thorax, fold it down\nPull the strip over and tie it down behind the eye`;
    const covers = stepsByPart(text).filter((s) => /^wing case: .*over the back/.test(s));
    expect(covers).toHaveLength(1);
  });
});

describe("the same again", () => {
  test("is the length and the number of hairs of the bunch before", () =>
    expect(said("Wing: blue bucktail, 25 hairs, 2 inches; then green bucktail the same").at(-1)).toMatch(
      /^wing: 25 fibres, = 50.8 mm/,
    ));
  test("is the length alone where it is counted anew", () =>
    expect(said("Wing: blue bucktail, 25 hairs, 2 inches; then 10 white bucktail hairs the same").at(-1)).toMatch(
      /^wing: 10 fibres, = 50.8 mm/,
    ));
});

describe("quills and pads", () => {
  test("two quills side by side are two of the one that was named", () =>
    expect(said("Body: stripped peacock quill, two quills side by side")).toEqual([
      expect.stringMatching(/^body: rope of 2, touching/),
    ]));
  test("slips on each side that have a length are not pulled over", () => {
    const steps = said(
      "Body: hare\nWing pads: two slips of grey goose, 2 mm wide, one on each side, pointing back, half as long as the body",
    );
    expect(steps).toHaveLength(2);
    expect(steps[1]).toMatch(/^wing: slips 2 mm wide, = half the body, pointing back/);
  });
});

describe("knots that are told together", () => {
  test("two whip finishes of four turns each", () => {
    expect(said("finish behind the bead with two whip finishes of four turns each")).toEqual([
      expect.stringMatching(/^: whip finish, 4 turns, 2 times/),
    ]);
    expect(asksOf(`${nymph}hd - 4 t whip`)).toEqual([]);
    expect(said("hd - 4 t whip")).toEqual([expect.stringMatching(/whip finish, 4 turns/)]);
  });
});

describe("a name with a number", () => {
  test.each(["Number 9 Pupa", "Pier Midge No. 3"])("%s is no hook", (name) => {
    const { recipe, name: called } = read(`${name}\nHook: 14 grub\nThread: black`);
    expect(called).toBe(name);
    expect(recipe.sizes).toEqual({ from: "14", to: "14" });
  });
});

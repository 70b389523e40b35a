import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByStuff } from "../corpus/reading";

const hook = "Hook: W1 12\nThread: brown 70\n";
const wound = (text: string): string[] => stepsByStuff(hook + text).filter((s) => s.includes("turn"));

describe("one strand wound in turn", () => {
  const cases: [string, string, string, string][] = [
    ["then open to the front", "Hackle: brown, 1 turn at the bend, then open to the front", "1 turn", "from the bend"],
    [
      "each with its turns",
      "Rib: gold wire\nBody: fur\nRib: two turns at the bend, then five turns to the front of the body",
      "2 turns",
      "5 turns",
    ],
    [
      "by a verb",
      "Tie in a brown hackle behind the eye\nTwo turns of hackle at the front and then palmer it down to the bend in five turns",
      "2 turns",
      "5 turns",
    ],
    [
      "a tag and a rib",
      "tie in oval silver at the bend\nBody: fur\nWind the tinsel, three touching turns at the bend, then five open turns to the eye",
      "3 touching turns",
      "5 turns",
    ],
  ];
  test.each(cases)("%s", (_label, lines, first, second) => {
    expect(asksOf(hook + lines)).toEqual([]);
    const [one, two, ...more] = wound(lines);
    expect(one).toContain(first);
    expect(two).toContain(second);
    expect(more).toEqual([]);
  });
  test("of one feather, and not of two", () => {
    const { steps } = read(`${hook}Hackle: brown, 2 turns behind the eye, then open to mid-shank in 3 turns`).recipe;
    const [first, second] = steps.filter((s) => s.do === "wind" && s.component === "hackle");
    expect(second).toMatchObject({ carries: first?.id, rule: { turns: 3 } });
  });
  test("what the thread does in turn is one way that it takes", () =>
    expect(wound("Three turns of thread behind the eye, then down to the bend")).toHaveLength(0));
});

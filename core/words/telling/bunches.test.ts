import { describe, expect, test } from "vitest";
import { asksOf, read } from "../corpus/reading";

const hook = "Hook: S4 6\nThread: white 140\n";
const first = "Spin a bunch of deer hair behind the eye, 5 mm thick\n";
/** How much is tied in, step by step. */
const amounts = (text: string) => read(hook + text).recipe.steps.flatMap((s) => (s.do === "lay" ? [s.amount] : []));

describe("more bunches of what was tied in last", () => {
  test.each([
    ["Spin on another bunch in front", 5],
    ["Add a second bunch", 5],
    ["Spin on two more bunches in front of it", 7.07],
    ["Spin on a second and third bunch in front, packing each one back", 7.07],
  ])("%s", (line, mm) => {
    expect(asksOf(hook + first + line)).toEqual([]);
    expect(amounts(first + line)).toEqual([{ clump: { mm: 5 } }, { clump: { mm } }]);
  });

  test("are asked about where nobody knows how much one of several was", () => {
    const lines = "Spin deer hair in front, 2 bunches, pencil thick\nSpin on another bunch";
    expect(asksOf(hook + lines).length).toBeGreaterThan(0);
  });

  test("are as long as the first, in a colour of their own", () => {
    const lines =
      "White bucktail, 2 mm thick, 60 mm long, tied in at mid shank\nA bunch of olive over it, the same length and thickness";
    const { recipe } = read(hook + lines);
    const [white, olive] = recipe.steps.filter((s) => s.do === "lay");
    expect(asksOf(hook + lines)).toEqual([]);
    expect(olive).toMatchObject({ shown: { mm: 60 }, amount: { clump: { mm: 2 } } });
    expect(olive?.component).not.toBe(white?.component);
  });
});

describe("two hackles that were tied in together", () => {
  const two = "Tie in two grizzly hackles in front of the body\n";
  const wound = (text: string): number[] =>
    read(`${hook}Body: fur\n${text}`).recipe.steps.flatMap((s) =>
      s.do === "wind" && s.rope === undefined && s.rule.turns !== undefined ? [s.rule.turns] : [],
    );

  test.each([
    "Wind the first five turns, then wind the second through it four turns",
    "Wind the rear one forward five turns, then the front one through it four turns",
    "Wind one five turns, then the other four turns through it",
    "Wind the first hackle five turns and tie it off\nWind the second through it, four turns",
  ])("are wound one at a time: %s", (lines) => expect(wound(two + lines)).toEqual([5, 4]));

  test("are both wound where no line says that it is one of them", () => {
    const { steps } = read(`${hook}Body: fur\n${two}Wind them five turns`).recipe;
    expect(steps.find((s) => s.do === "wind" && s.rope === 2)).toMatchObject({ rule: { turns: 5 } });
  });
});

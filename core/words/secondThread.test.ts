import { describe, expect, test } from "vitest";
import { cabinet } from "./corpus/cabinet";
import { read } from "./corpus/reading";

function threads(...lines: string[]) {
  const { recipe, newMaterials, lines: out } = read(lines.join("\n"));
  const name = (id: string | undefined): string | undefined => {
    const code = recipe.components.find((c) => c.id === id)?.material[0]?.value;
    return code && (cabinet.get(code) ?? newMaterials.find((m) => m.code === code))?.name;
  };
  const steps = recipe.steps.map((s) => (s.do === "thread" ? `to ${name(s.component)}` : s.name));
  return { steps, first: name("thread"), asks: out.flatMap((l) => l.asks), recipe, name };
}

describe("a second thread, for the head", () => {
  test.each([
    "Thread: white for the body, red for the head",
    "Thread: white, red for the head",
    "Thread: white then red for the head",
    "Thread: white, change to red for the head",
    "Thread: white 140, then switch to red 140 for the head",
  ])("%s", (line) => {
    const { steps, first, asks } = threads("Hook: 12 wet", line, "Body: white floss", "Whip finish 5 turns");
    expect(asks).toEqual([]);
    expect(first).toMatch(/white/);
    expect(steps.at(-1)).toBe("whip finish");
    expect(steps.at(-2)).toMatch(/^to .*red/);
  });

  test("one that is only to be coloured is no second thread", () => {
    const { steps } = threads(
      "Hook: 12 wet",
      "Thread: white, coloured with a brown marker for the head",
      "Body: white floss",
    );
    expect(steps.filter((s) => s?.startsWith("to "))).toEqual([]);
  });

  test("that a list names waits for the steps below it, which are tied with the first", () => {
    const { steps, recipe, name } = threads(
      "Hook: 12 wet",
      "Thread: yellow silk",
      "Head: red thread",
      "1. Start the thread behind the eye and wind to the bend.",
      "2. Dub the silk with hare to the thorax.",
      "3. Whip finish 5 turns.",
    );
    expect(name(recipe.steps[0]?.component)).toMatch(/yellow/);
    expect(steps.slice(-2)).toEqual([expect.stringMatching(/^to .*red/), "whip finish"]);
  });

  test("a line that changes to it by its colour alone changes once", () => {
    const { steps, recipe } = threads(
      "Hook: 6 streamer",
      "Thread: white, black for the head",
      "Body: pearl braid",
      "Change to black and build a head 4 mm long, whip finish",
    );
    expect(steps.filter((s) => s?.startsWith("to "))).toHaveLength(1);
    expect(recipe.steps.at(-2)).toMatchObject({ to: { landmark: "eye", plus: { mm: 4 } } });
  });

  test("a narrow hot spot is made of the thread that was changed to", () => {
    const { recipe, name } = threads(
      "Hook: 14 nymph",
      "Thread: olive 70",
      "Hot spot: pink thread",
      "Body: olive dubbing",
      "1. Start the olive thread behind the eye and wind to the bend.",
      "2. Dub the body to 2 mm behind the eye.",
      "3. Switch to the pink thread and make a narrow hot spot.",
    );
    const last = recipe.steps.at(-1);
    expect([last?.do, name(last?.component)]).toEqual(["wind", expect.stringMatching(/pink/)]);
    expect(last).toMatchObject({ from: { eyeLengths: 0.5 }, to: { eyeLengths: 1.5 } });
  });
});

describe("a colour alone, of the thread that is changed to", () => {
  test.each([
    ["black", "to thread 140 denier, black"],
    ["dark olive", "to dark olive thread"],
    ["fiery orange", "to fiery orange thread"],
  ])("%s", (words, step) => {
    const { steps } = threads(
      "Hook: 14 nymph",
      "Thread: white 70",
      "Start the thread behind the eye and wind to the bend",
      `Change to ${words} and build a head`,
    );
    expect(steps.at(-1)).toBe(step);
  });

  test("words that say no colour are asked about", () => {
    const { asks } = threads(
      "Hook: 14 nymph",
      "Thread: white 70",
      "Start the thread behind the eye and wind to the bend",
      "Change to lumpy and build a head",
    );
    expect(asks).not.toEqual([]);
  });
});

describe("layers of the thread", () => {
  test("“in a second layer” is wound, where else it would only go", () => {
    const { recipe } = threads(
      "Hook: 14 pupa",
      "Thread black 70 denier",
      "Start the thread behind the eye and wind to the bend",
      "Run the thread back up in a second layer",
    );
    expect(recipe.steps.filter((s) => s.do === "wind")).toHaveLength(2);
  });
});

import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByStuff } from "./corpus/reading";

const wet = "Hook: wet 10\nThread: black 70\n";
const steps = (text: string): string[] => stepsByStuff(wet + text);

describe("a place by another one", () => {
  test.each([
    ["right above it", "Tag: four turns of oval silver tinsel at the point directly above the barb", "at the barb"],
    [
      "a little over half way up",
      "Dub hare fur, 0.3 gape full, from above the barb to a little over half way up",
      "from the barb to 0.45 of the shank",
    ],
    ["back from the eye", "Tie in two hen hackle points a third of the way back from the eye for the wings", "a third"],
  ])("%s", (_, line, place) => {
    expect(steps(line)).toHaveLength(1);
    expect(steps(line)[0]).toContain(place);
    expect(asksOf(wet + line).filter((a) => !/points|tips/.test(a))).toEqual([]);
  });
});

describe("a length by where it ends", () => {
  test.each([
    ["a share past the bend", "extending one third beyond the bend", "to 1/3 shanks behind the bend"],
    ["just to it", "low over the body and reaching just to the bend", "to the bend"],
  ])("%s", (_, words, length) => {
    const line = `Wing: matched slips of speckled turkey, 3 mm wide, ${words}`;
    expect(steps(line)[0]).toContain(length);
    expect(asksOf(wet + line)).toEqual([]);
  });

  test("tips over the eye point that way, and end nowhere", () => {
    const [wing] = steps(
      "Two cdc feathers tied in on top at a third of the shank, tips over the eye, as long as the hook",
    );
    expect(wing).toMatch(/= the hook length?.*pointing forward|pointing forward.*= the hook/);
  });

  test("tips to the rear leave the length to be said", () => {
    const [tail] = steps("For the tail tie in a goose biot each side, tips to the rear, half the shank long");
    expect(tail).toContain("= half the shank, pointing back");
  });
});

describe("what is tied with its head at the bend", () => {
  const shrimp =
    "Claws are two squirrel strips, one a side, 25 mm long. Tie them in by 4 turns right against the ball.\n" +
    "Two strands of brown rubber for feelers, twice as long as the hook.";
  test("has its claws and its feelers there, each tied in once", () => {
    expect(steps(shrimp)).toEqual([
      expect.stringMatching(/squirrel strips: 2 strands, = 25 mm.*tied in at the bend with 4 wraps/),
      expect.stringMatching(/rubber: 2 strands, = 2 × the hook.*tied in at the bend/),
    ]);
  });
  test("dubbed between its eyes, from behind them to in front of them", () => {
    const text = "Dumbbell eyes at a third of the shank\nBody: rust dubbing\nCrisscross dub between the eyes.";
    expect(steps(text).at(-1)).toContain(
      "from 1 eye in front of the front of the eyes to 1 eye behind the rear of the",
    );
  });
});

describe("lines that are numbered without a sign", () => {
  test("below the name, the hook and the thread are numbered all the same", () => {
    const text =
      "Four Pilings\nwet hook 10\nthread tan 140\n1 tail: 6 fibres of pheasant tail, shank long\n2 body: tan chenille\n3 rib: fine copper wire, 5 turns\n4 collar: ginger hen, 2 turns";
    const { recipe } = read(text);
    expect(recipe.components.map((c) => c.role)).toEqual(["hook", "thread", "tail", "body", "rib", "collar"]);
    expect(asksOf(text)).toEqual([]);
  });
  test("what counts something is no number of a line", () => {
    const text = "wet hook 10\nthread tan 140\n2 turns of partridge as a collar\n6 fibres of pheasant tail as a tail";
    expect(stepsByStuff(text).join("\n")).toMatch(/2 turns[^]*6 fibres/);
  });
});

test("an end that says nothing more is set aside", () => {
  expect(asksOf(`${wet}Body: black fur\nFinish.`)).toEqual([]);
});

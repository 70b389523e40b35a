import { describe, expect, test } from "vitest";
import { sayStep } from "..";
import { asksOf, read } from "../corpus/reading";

const hook = "Hook: streamer 4\nThread: black 6/0\n";
const last = (text: string): string => {
  const [step] = read(hook + text).recipe.steps.slice(-1);
  return step ? sayStep(step) : "";
};

describe("what is left free of the shank", () => {
  test("ends what was wound before it", () => {
    expect(last("Body: black chenille\nLeave the front 8 mm of the shank free")).toContain("8 mm behind the eye");
    expect(last("Body: black chenille\nLeave the front third bare")).toContain("a third of the shank");
  });

  test("may be at the rear", () => {
    const body = "Dub the body with black fur from the bend to a quarter of the shank\n";
    expect(last(`${body}Leave the rear third of the shank bare`)).toContain(
      "from two thirds of the shank to a quarter of the shank",
    );
  });

  test("takes nothing from turns that were counted", () => {
    const lead = "Weight: 12 touching turns of 0.5 mm lead wire, from the middle of the shank\n";
    expect(last(`${lead}Leave the front third bare`)).toBe(last(lead));
  });

  test("is asked about where nothing would be left", () => {
    const body = "Body: black chenille, from mid-shank to a third of the shank\n";
    expect(asksOf(`${hook}${body}Leave the front three quarters of the shank bare`).length).toBeGreaterThan(0);
  });
});

describe("what a line leaves free itself", () => {
  test("at both ends", () => {
    const text = "Body: black chenille, leaving the rear quarter and the front quarter of the shank bare";
    expect(last(text)).toContain("from three quarters of the shank to a quarter of the shank");
  });
});

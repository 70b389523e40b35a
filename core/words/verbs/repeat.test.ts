import { describe, expect, test } from "vitest";
import { sayStep } from "..";
import { partOf, read } from "../corpus/reading";

const streamer = "Hook: streamer 6\nThread: white 140\nWind the thread to the bend\n";
const first = "Tie in 30 fibres of white bucktail at the bend, 40 mm long\n";
const lays = (text: string): string[] => {
  const reading = read(streamer + text);
  return reading.recipe.steps
    .filter((s) => s.do === "lay")
    .map((s) => `${partOf(reading, s)?.role ?? ""}: ${sayStep(s)}`);
};

describe("what is repeated with other stuff", () => {
  test("keeps the amount and the length of what was laid last, where the thread now hangs", () => {
    const [, second] = lays(`${first}Move forward 5 mm and repeat with olive bucktail`);
    expect(second).toMatch(/^wing: 30 fibres, = 40 mm/);
    expect(second).toContain("tied in at 5 mm in front of the bend");
  });

  test("takes what is said anew", () => {
    expect(lays(`${first}Repeat with 20 fibres of olive bucktail, 60 mm long`)[1]).toMatch(/20 fibres, = 60 mm/);
  });

  test("may name a colour alone", () => {
    const reading = read(`${streamer}${first}Repeat with olive`);
    expect(reading.newMaterials.map((m) => m.name)).toContain("olive bucktail");
    expect(lays(`${first}Repeat with olive`)).toHaveLength(2);
  });

  test("takes over no amount that other stuff is not counted in", () => {
    const reading = read(`${streamer}${first}Add 8 strands of pearl flash\nRepeat with 2 grizzly saddles, 50 mm long`);
    const feathers = reading.recipe.steps.find((s) => s.do === "lay" && "feathers" in s.amount);
    expect(feathers).toMatchObject({ amount: { feathers: 2 }, shown: { mm: 50 } });
  });

  test("is asked about where nothing was laid before", () => {
    const line = read(`${streamer}Repeat with olive bucktail`).lines[3];
    expect(line?.asks.map((a) => a.sentence)).toEqual([
      "What is repeated? Nothing that lies on the hook is tied in yet; tie it in first.",
    ]);
  });
});

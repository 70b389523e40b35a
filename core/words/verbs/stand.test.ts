import { describe, expect, test } from "vitest";
import { sayStep } from "..";
import { asksOf, partOf, read } from "../corpus/reading";

const dry = "Hook: dry 14\nThread: grey 8/0\n";
const wing = "Wing: clump of 1.5 mm of white calf tail, a shank long, tied in at a third of the shank\n";
const said = (text: string): string[] => {
  const reading = read(dry + text);
  return reading.recipe.steps.map((s) => `${partOf(reading, s)?.role ?? ""}: ${sayStep(s)}`);
};

describe("a wing that is stood up", () => {
  test.each([
    ["Stand it up with wraps in front"],
    ["Pull the wing upright and hold it there"],
    ["Set the hair up straight"],
    ["Stand it up with a few turns of thread in front of it"],
  ])("%s", (line) => {
    expect(said(wing + line)[0]).toContain("pointing up");
  });

  test("is posted with so many wraps", () => {
    const [first] = said(`${wing}Stand it up, then post the base with 6 wraps`);
    expect(first).toContain("pointing up");
    expect(first).toContain("with 6 wraps");
  });

  test.each([
    ["stand it up with wraps in front", undefined],
    ["tied forward then stood up with a few turns of thread in front of it", undefined],
    ["stood up with 5 wraps of thread in front", "with 5 wraps"],
    ["stand it upright and post the base with six wraps", "with 6 wraps"],
  ])("stands in the same line: %s", (words, wraps) => {
    const text = `${dry}Wing: white calf tail, clump of 1.5 mm, tips a shank long, ${words}`;
    expect(asksOf(text)).toEqual([]);
    const [first = ""] = said(text);
    expect(first).toContain("pointing up");
    if (wraps) expect(first).toContain(wraps);
    else expect(first).not.toContain("wraps");
  });

  test("is asked for where none is tied in", () => {
    expect(asksOf(`${dry}Stand it up with wraps in front`)).toEqual([
      "What is stood up? No wing is tied in yet; tie it in first.",
    ]);
  });

  test("is asked about once where only its thickness is missing", () => {
    const asks = asksOf(`${dry}Wing: a bunch of white calf tail, a shank long\nStand it up with wraps in front`);
    expect(asks).toHaveLength(1);
    expect(asks[0]).toContain("no size that can be computed");
  });
});

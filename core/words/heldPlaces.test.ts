import { describe, expect, test } from "vitest";
import { read } from "./corpus/reading";

const base = ["Hook: 12 wet", "Thread: black 70 denier", "Start the thread behind the eye and run it to the bend."];
/** The stretches of the last line that are asked about because nothing goes to their place. */
const lost = (line: string): string[] => {
  const last = read([...base, line].join("\n")).lines.at(-1);
  return (last?.asks ?? []).filter((a) => /nothing here takes it up/.test(a.sentence)).map((a) => line.slice(...a.at));
};

describe("a place that was read and to which nothing goes is asked about", () => {
  test.each([
    [
      "a second tie-down of a strip",
      "Wing: rabbit zonker strip, 3 mm wide, twice the shank, tied in at the eye and secured at the bend with 6 wraps",
      ["at the bend"],
    ],
    ["where it is tied in", "Tail: 8 partridge fibres, as long as the shank, tied in at the bend", []],
    ["a length that ends there", "Wing: 20 squirrel hairs, to the bend", []],
    [
      "a share that is as good as the bend",
      "Tail: 8 partridge fibres, gape length, tied in at the end of the shank",
      [],
    ],
    [
      "a share of the shank",
      "Wing: 20 squirrel hairs, as long as the shank, tied in a third of the shank behind the eye",
      [],
    ],
    [
      "a share that was taken back",
      "Tail: 8 partridge fibres, two thirds of the shank, no, make that half the shank",
      [],
    ],
    [
      "a part that the line goes by",
      "Tail: 8 partridge fibres, gape length, tied in at the bend, and secured behind the hackle with 6 wraps",
      ["behind the hackle"],
    ],
    [
      "one that is where such a part usually is",
      "Wing: 20 squirrel hairs, the shank length, tied in behind the hackle",
      [],
    ],
    ["one that it only reaches past", "Wing: 20 squirrel hairs, just past the tail", []],
    ["a place that is kept as an instruction", "Tail: 8 partridge fibres, gape length, [held at the bend]", []],
  ])("%s", (_what, line, words) => expect(lost(line)).toEqual(words));

  test("once, where its figure is lost as well", () => {
    const line = "Wing: rabbit zonker strip, 3 mm wide, twice the shank, tied in at the eye and secured at the bend";
    expect(lost(line)).toEqual(["at the bend"]);
  });
});

import { describe, expect, test } from "vitest";
import { unbroken } from "./unbroken";

const texts = (...lines: string[]): string[] =>
  unbroken(["Long Night", ...lines])
    .map((p) => p.text)
    .slice(1);

/** A text as a mail breaks it, at a width. */
const brokenAt = (text: string, width: number): string[] =>
  text.split(" ").reduce<string[]>((lines, word) => {
    const last = lines.at(-1);
    if (last === undefined || last.length + 1 + word.length > width) return [...lines, word];
    return [...lines.slice(0, -1), `${last} ${word}`];
  }, []);

const story =
  "Start the thread behind the eye and wind it down to a point above the barb. Tie in six fibres of red hackle there, as long as the shank, and a length of fine silver wire. Dub a slim body of black fur forward to two eye lengths behind the eye. Follow with the wire in five open turns and tie it off. Wind two turns of soft hackle in front, and whip finish with four turns.";

describe("lines over which one was broken", () => {
  test.each([44, 60, 72, 100])("a story that a mail broke at %i is one line again", (width) => {
    const lines = brokenAt(story, width);
    expect(lines.length).toBeGreaterThan(3);
    // Where a sentence ends with a line, a line ends.
    expect(texts(...lines).join(" ")).toBe(story);
    expect(texts(...lines).filter((l) => !/[.]$/.test(l))).toEqual([]);
  });

  const joined: [string, string[], string[]][] = [
    [
      "a line that ends in the midst of a thing",
      ["Tail: red wool and", "two strands of flash"],
      ["Tail: red wool and two strands of flash"],
    ],
    ["a count with what is counted below it", ["Rib: silver wire, 5", "turns"], ["Rib: silver wire, 5 turns"]],
    ["what is enumerated", ["Tail: red wool,", "a gape long"], ["Tail: red wool, a gape long"]],
    ["a line that is set in", ["Wing: grey duck slips", "    to the bend"], ["Wing: grey duck slips to the bend"]],
  ];
  test.each(joined)("%s goes on", (_label, lines, one) => expect(texts(...lines)).toEqual(one));

  test.each([
    ["small letters throughout", ["tail red wool", "body black fur", "wind the rib"]],
    ["a part below an open line", ["Wind the thread to", "Tail: red wool"]],
    ["a sign ahead", ["Tail: red wool,", "- body black fur"]],
    ["what is set in does something of its own", ["Tail: red wool", "    tie in the wire"]],
    ["a sentence that ended", ["Flip the hook over.", "two turns of wire"]],
    ["a capital", ["Glue the eyes on the side,", "Cement"]],
  ])("%s: each line stays", (_label, lines) => expect(texts(...lines)).toEqual(lines));

  test("each part tells where it was typed", () => {
    const [, piece] = unbroken(["Long Night", "Tail: red wool and  ", "  two strands"]);
    expect(piece).toEqual({
      text: "Tail: red wool and two strands",
      parts: [
        { line: 1, from: 0, at: 0, length: 20 },
        { line: 2, from: 2, at: 19, length: 11 },
      ],
    });
  });

  test("lines that all end openly are one no further than a sentence is long", () => {
    const line = "tie in three strands of wool yarn at the bend and";
    const pieces = unbroken(["Long Night", ...Array.from({ length: 500 }, () => line)]).slice(1);
    expect(pieces.length).toBeGreaterThan(50);
    expect(Math.max(...pieces.map((p) => p.text.length))).toBeLessThan(400);
    expect(pieces.flatMap((p) => p.parts.map((q) => q.line))).toEqual(Array.from({ length: 500 }, (_, i) => i + 1));
  });
});

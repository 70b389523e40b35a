import { describe, expect, test } from "vitest";
import { piecesOf } from "./pieces";

const texts = (line: string): string[] => piecesOf([line]).map((p) => p.text);

describe("a list or a story in one line is read in pieces", () => {
  const cases: [string, string, string[]][] = [
    ["semicolons", "Hook: wet 12; thread: black; tail: red wool", ["Hook: wet 12", "thread: black", "tail: red wool"]],
    ["strokes", "hook wet 12 / silk black / tail none", ["hook wet 12", "silk black", "tail none"]],
    [
      "commas before names with a sign",
      "Hook: wet 12, 2x long, tail: red, wool, body: floss",
      ["Hook: wet 12, 2x long", "tail: red, wool", "body: floss"],
    ],
    [
      "a name ahead",
      "Long Night: hook wet 12; thread black; tail red wool; body floss",
      ["Long Night: hook wet 12", "thread black", "tail red wool", "body floss"],
    ],
    [
      "sentences that name parts",
      "Tail of six fibres. Body of fur. Rib gold wire.",
      ["Tail of six fibres.", "Body of fur.", "Rib gold wire."],
    ],
    [
      "four sentences",
      "Take a size 12. Start the thread. Tie in wool. Wind it.",
      ["Take a size 12.", "Start the thread.", "Tie in wool.", "Wind it."],
    ],
  ];
  test.each(cases)("%s", (_label, line, pieces) => expect(texts(line)).toEqual(pieces));

  test.each([
    "Tail: red wool; over it two strands of flash; then trim",
    "Tie in the wool. Wind it forward. Tie off.",
    "Tail, no. 12 red. Approx. 5 mm. Nothing else",
    "",
  ])("a line stays whole: %j", (line) => expect(texts(line)).toEqual([line]));

  test("each tells where it stands", () => {
    const line = "  Hook: wet 12;  thread: black; tail: red wool.";
    const [, ...pieces] = piecesOf(["Name", line]);
    expect(pieces).toHaveLength(3);
    for (const { text, parts } of pieces)
      for (const part of parts) {
        expect(part).toMatchObject({ line: 1, at: 0, length: text.length });
        expect(line.slice(part.from).startsWith(text)).toBe(true);
      }
  });

  test("a list that was broken over lines is one, and each piece lies where it was typed", () => {
    const lines = ["Name", "Hook: wet 12; thread: black; tail: red wool and", "two strands of flash; body: fur"];
    const pieces = piecesOf(lines);
    expect(pieces.map((p) => p.text)).toContain("tail: red wool and two strands of flash");
    for (const { text, parts } of pieces)
      for (const { line, from, at, length } of parts)
        expect(lines[line]?.slice(from, from + length)).toBe(text.slice(at, at + length));
  });
});

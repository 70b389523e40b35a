import { describe, expect, test } from "vitest";
import { cabinet, hooks } from "./corpus/cabinet";
import { readRecipe } from "./index";

const read = (line: string) =>
  readRecipe(["Notes", "hook N1 10", "thread black 8/0", "body: olive floss", line].join("\n"), {
    materials: cabinet,
    hooks,
  }).lines[4];

describe("what notes leave out is read, and stays out of what was typed", () => {
  const typed = "rib w/ frobnik & zool, wound down to bend & back, 5 turns";
  const line = read(typed);

  test("the line is as it was typed", () => expect(line?.text).toBe(typed));

  test("each mark lies within it, and what is asked about is just the words that were typed", () => {
    expect(line?.marks.length).toBeGreaterThan(1);
    for (const { at } of line?.marks ?? []) {
      expect(at[0]).toBeGreaterThanOrEqual(0);
      expect(at[1]).toBeLessThanOrEqual(typed.length);
      expect(at[1]).toBeGreaterThanOrEqual(at[0]);
    }
    const words = line?.marks.filter((m) => m.kind === "doubt").map((m) => typed.slice(...m.at).trim()) ?? [];
    expect(words.join(" ")).toContain("frobnik");
    expect(words.join(" ")).not.toContain("5 turns");
  });

  test("an answer put in its place settles the question", () => {
    const asked = "rib: wire from bend to behind eye, 5 turns";
    const [ask] = read(asked)?.asks ?? [];
    const answer = ask?.answers[0]?.text ?? "";
    expect(answer).not.toBe("");
    const [from, to] = ask?.at ?? [0, 0];
    const settled = read(asked.slice(0, from) + answer + asked.slice(to));
    expect(settled?.asks).toEqual([]);
    expect(settled?.text).toContain("behind eye, 5 turns");
  });
});

import { describe, expect, test, vi } from "vitest";
import { catalogue } from "./corpus/catalogue";
import { readOrder } from ".";
import { remembered, rememberedOf } from "./remembered";

describe("a reader that remembers", () => {
  test("reads each text once, and all anew when it has kept as many as it may", () => {
    const read = vi.fn((text: string) => text.length);
    const length = remembered(read, 2);
    expect(["ab", "ab", "c", "ab"].map(length)).toEqual([2, 2, 1, 2]);
    expect(read).toHaveBeenCalledTimes(2);
    length("def");
    expect(length("ab")).toBe(2);
    expect(read).toHaveBeenCalledTimes(4);
  });

  test("keeps what came to nothing, and no text so long that it would fill the memory", () => {
    const read = vi.fn((text: string) => (text === "" ? 1 : undefined));
    const first = remembered(read);
    first("none");
    first("none");
    expect(read).toHaveBeenCalledTimes(1);
    first("x".repeat(400));
    first("x".repeat(400));
    expect(read).toHaveBeenCalledTimes(3);
  });

  test("does not give out for one book what was read by another", () => {
    const read = rememberedOf((text: string, of: { by: string }) => `${text} ${of.by}`);
    const [one, two] = [{ by: "one" }, { by: "two" }];
    expect([read("a", one), read("a", two), read("a", one)]).toEqual(["a one", "a two", "a one"]);
  });
});

test("a row stands at its own place, however often the same stood before it, and an answer changes no other", () => {
  const row = "Copper Lodger 14 olive “in tins”, 2 dz or so";
  const read = (text: string): string => JSON.stringify(readOrder(text, catalogue));
  const alone = read(row);
  const twice = readOrder(`${row}\n${row}`, catalogue);
  expect(twice.lines.map((l) => l.at[0])).toEqual([0, row.length + 1]);
  expect(read(row)).toBe(alone);
  expect(JSON.stringify(readOrder(row, { ...catalogue }))).toBe(alone);
});

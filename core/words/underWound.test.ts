import { describe, expect, test } from "vitest";
import { read, stepsByPart } from "./corpus/reading";

const order = (lines: string): string[] =>
  stepsByPart(`Test\nHook: dry 12\nThread: black\n${lines}`).map((s) => s.split(":")[0] ?? "");

describe("what lies under a hackle", () => {
  test.each([
    ["named with the hackle", "Thorax: olive fur under the hackle"],
    ["named by a word for it", "Thorax under it: olive fur"],
  ])("is tied before that is wound, %s", (_how, thorax) =>
    expect(order(`Hackle: grizzly, 4 turns\n${thorax}`)).toEqual(["thorax", "hackle"]),
  );

  test("and its line says so", () => {
    const { lines } = read(
      "Test\nHook: dry 12\nThread: black\nHackle: grizzly, 4 turns\nThorax: olive fur under the hackle",
    );
    expect(lines.at(-1)?.notes).toContain("tied before the hackle is wound");
  });

  test("what does not is tied in its turn", () =>
    expect(order("Hackle: grizzly, 4 turns\nThorax: olive fur")).toEqual(["hackle", "thorax"]));

  test("a tail is no ground for it", () =>
    expect(order("Hackle: grizzly, 4 turns\nTail: 6 cock fibres under it")).toEqual(["hackle", "tail"]));
});

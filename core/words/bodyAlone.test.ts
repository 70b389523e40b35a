import { describe, expect, test } from "vitest";
import { stepsByPart } from "./corpus/reading";

const body = (...more: string[]): string | undefined =>
  stepsByPart(["Test", "Hook: grub 12", "Thread: olive 70", "Body: olive fur", ...more].join("\n")).find((s) =>
    s.startsWith("body: "),
  );
const TO_THE_HEAD = /from 1\.1 eyes behind the eye to the bend$/;
const LEAVES_ROOM = /from 0\.3 of the shank to the bend$/;

describe("a body that nothing lies in front of goes on to the head", () => {
  test.each<[string, string[]]>([
    ["alone", []],
    ["with legs", ["Legs: 8 partridge fibres, a gape long"]],
    ["with a back", ["Back: clear strip, 4 mm wide", "Pull the strip over the back and tie down"]],
  ])("%s", (_how, more) => expect(body(...more, "Whip finish 4 turns")).toMatch(TO_THE_HEAD));

  test("but leaves room for a hackle", () =>
    expect(body("Hackle: soft hackle, 2 turns", "Whip finish 4 turns")).toMatch(LEAVES_ROOM));
  test("and does not jump ahead while the recipe is still told", () => expect(body()).toMatch(LEAVES_ROOM));
});

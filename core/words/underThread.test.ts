import { describe, expect, test } from "vitest";
import { stepsByPart } from "./corpus/reading";

const AHEAD = "Test\nHook: wet 12\nThread: black\nStart the thread behind the eye\n";
/** Where what a part is tied in of lies, and waits. */
const lies = (part: string, lines: string): string | undefined =>
  stepsByPart(AHEAD + lines).find((s) => s.startsWith(`${part}:`));
const BOUND = "from 0.5 eyes behind the eye to the bend, tied in at the bend";

describe("what the thread goes over on its way to the rear", () => {
  test.each([
    ["told in a breath", "Tie in gold wire behind the eye and wrap back over it to the bend"],
    ["told by its name", "Tie in gold wire behind the eye\nRun the thread over the wire to the bend"],
    ["in a line of its own", "Tie in gold wire behind the eye\nBind the wire down to the bend"],
    ["as the thread goes", "Tie in gold wire behind the eye\nTake the thread to the bend, trapping the wire as you go"],
    ["not told at all", "Tie in gold wire behind the eye\nTake the thread to the bend"],
  ])("a rib waits there, %s", (_how, lines) =>
    expect(lies("rib", `${lines}\nBody: hare fur\nRib 5 turns`)).toContain(BOUND),
  );

  test("a strand of the body does where it is said, and else stays where it was tied in", () => {
    const floss = "Tie in red floss behind the eye\n";
    expect(lies("body", `${floss}Take the thread over the floss to the bend`)).toContain(BOUND);
    expect(lies("body", `${floss}Take the thread to the bend`)).not.toContain(BOUND);
  });

  test("a hackle that is palmered down stays in front", () =>
    expect(
      lies(
        "hackle",
        "Tie in a brown saddle hackle behind the eye\nTake the thread to the bend\nPalmer the hackle back",
      ),
    ).not.toContain("tied in at the bend"));

  test("what is named is bound, and not its neighbour", () => {
    const both = "Tie in red floss behind the eye\nTie in yellow yarn behind the eye\n";
    expect(lies("body", `${both}Take the thread over the floss to the bend`)).toContain(BOUND);
    expect(lies("body", `${both}Take the thread over the yarn to the bend`)).not.toContain(BOUND);
  });

  test("no winding comes of it", () =>
    expect(
      stepsByPart(`${AHEAD}Tie in gold wire behind the eye and wrap back over it to the bend`).filter((s) =>
        /^rib:.*turns/.test(s),
      ),
    ).toEqual([]));
});

import { describe, expect, test } from "vitest";
import { read } from "./corpus/reading";
import { spokenTitle } from "./spokenTitle";

describe("a first line that introduces the fly", () => {
  test.each([
    ["This is the Weir Caddis we tie for the club, 10s and 12s", "Weir Caddis", false],
    ["Today we're tying the Old Pilot, size 10 wet", "Old Pilot", false],
    ["Let me show you a little caddis I call the Weir Green", "Weir Green", false],
    ["My version of the Harbour Ghost - streamer, #4", "Harbour Ghost", false],
    ["For the Coot's Feather you'll need black thread and a tag of silver tinsel", "Coot's Feather", true],
    ["The Lantern Hill Nymph is a nymph with a copper bead.", "Lantern Hill Nymph", true],
  ])("%s", (typed, name, goesOn) => expect(spokenTitle(typed)).toMatchObject({ name, goesOn }));

  test.each(["Old Pilot", "Thread: Olive 70", "Tie in the Gold wire", "The Old Pilot", "This is a simple caddis"])(
    "%s is none",
    (typed) => expect(spokenTitle(typed)).toBeUndefined(),
  );

  test("gives its name and sizes, and nothing is tied by it", () => {
    const { name, recipe, lines } = read("This is the Weir Caddis we tie for the club, 10s and 12s\nThread: olive 70");
    expect([name, recipe.sizes, recipe.steps]).toEqual(["Weir Caddis", { from: "10", to: "12" }, []]);
    expect(lines[0]?.asks).toEqual([]);
  });
});

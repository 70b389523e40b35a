import { describe, expect, test } from "vitest";
import { asksOf, stepsByStuff } from "./corpus/reading";

const hook = "Hook: N1 12\nThread: brown 70\n";
const asked = (text: string): string[] => asksOf(hook + text).filter((s) => s.includes("nothing here takes it up"));

describe("so many of something that nothing takes up is asked about", () => {
  const cases: [string, string, string][] = [
    ["turns of the thread", "Body: hare fur\nBrush the fur out and hold it with three turns", "with three turns"],
    ["turns of what is never wound", "Rib: palmered brown hackle, one size small, 6 turns", "6 turns"],
    ["strands", "Tie in some copper flash on each side, three strands per side", "three strands per side"],
  ];
  test.each(cases)("%s", (_label, lines, words) => expect(asked(lines)[0]).toContain(`“${words}”`));
});

describe("what is held is not asked about", () => {
  const cases: [string, string][] = [
    ["as it is said", "Tail: two strands of ostrich herl, half the shank"],
    ["on either side", "Wing: pearl flash, 2 strands each side, as long as the shank"],
    ["as a range", "Tail: 6 to 8 pheasant tail fibres, half the shank"],
    [
      "in two parts",
      "Wing: deer hair, clump of 2 mm, shank length, upright\nHackle: dun, 5 turns, three behind the wing and two in front",
    ],
    ["slips, of which there is a pair", "Wing: two slips of mallard, 3 mm wide, as long as the hook"],
    ["dubbing, which is dosed by how full it is", "Collar: hare, two turns"],
    ["a figure of eight", "Bead chain eyes, 4 mm, tied on with 10 figure of eight wraps"],
    ["what is taken back", "Tail: three hen fibres, no, make it four, half the shank"],
    ["the count of a line", "Body: hare\n5 hackle: partridge, 2 turns"],
    ["coats of a finish", "Whip finish, 5 turns, two coats of varnish"],
  ];
  test.each(cases)("%s", (_label, lines) => expect(asked(lines)).toEqual([]));
});

describe("so many that are tied in are wound together", () => {
  const cases: [string, string, string][] = [
    ["told as they lie there", "Two peacock herls tied in at the bend\nWind the herls to the eye", "rope of 2"],
    ["told without a verb", "Two peacock herls in at the bend\nHerls forward to the eye", "rope of 2"],
    ["told as it is done", "Tie in three peacock herls at the bend\nWind the herls to the eye", "rope of 3"],
    [
      "in one line",
      "Three peacock herls tied in by their tips, wind them to an eye length behind the eye",
      "rope of 3",
    ],
    [
      "feathers",
      "Tie in two grizzly hackles at the bend\nBody: hare\nPalmer the hackles forward, 5 turns",
      "2 side by side",
    ],
  ];
  test.each(cases)("%s", (_label, lines, made) => expect(stepsByStuff(hook + lines).at(-1)).toContain(made));
  test("of two that are selected, the small one is one", () => {
    const lines =
      "Select two furnace cocks, one a size smaller; tie the small one in at the shoulder and take it down to the bend in 5 turns";
    expect(stepsByStuff(hook + lines)[0]).toContain("1 feather");
  });
});

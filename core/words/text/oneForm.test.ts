import { describe, expect, test } from "vitest";
import { inOneForm } from "./oneForm";
import { wrapsAsTurns } from "./wraps";

/** Blanks are only there to keep places where they were. */
const close = (text: string): string => text.replace(/\s+/g, " ").trim();

describe("inOneForm", () => {
  const cases: [string, string][] = [
    ["• tail: 6 fibres", "tail: 6 fibres"],
    ["- tail", "tail"],
    ["8\u00a0mm", "8 mm"],
    ["a 4 millimetre bead", "a 4 mm bead"],
    ["3 millimeters", "3 mm"],
    ["a 12 cm loop", "a 120mm loop"],
    ["1.5 cm", "15 mm"],
    ["0,4 cm strip", "4 mm strip"],
    ["2.25cm", "22.5mm"],
    ["a 6cm loop", "a 6cm loop"],
    ["1/8 inch film", '1/8" film'],
    ["next, tie in the wire", "tie in the wire"],
    ["now the thorax", "now the thorax"],
    ["to mid hook shank", "to mid-shank"],
    ["wire = 10 turns", "wire: 10 turns"],
    ["wings: a pair, height = shank", "wings: a pair, height = shank"],
    ["size 10 cmx", "size 10 cmx"],
    ["to the hook bend", "to the bend"],
    ["over the eye of the hook", "over the eye"],
    ["past the hook point", "past the hook point"],
    ["hook eye: down", "hook eye: down"],
    ["eight gray fibers", "eight grey fibres"],
    ["roughly 5 turns", "about 5 turns"],
    ["ca. 5 turns", "~ 5 turns"],
    ["a clump ca. 2 mm thick", "a clump 2 mm thick"],
    ["just longer than the bend", "just past the bend"],
    ["from the bend towards the eye", "from the bend to the eye"],
    ["wind the hackle towards the eye", "wind the hackle towards the eye"],
    ["butt - ostrich, black - 2 turns", "butt - ostrich, black , 2 turns"],
    ["tail: 8 - 12 fibres", "tail: 8 - 12 fibres"],
    ["tie it in; then wind it", "tie it in, then wind it"],
    ["ok, so i'll just tie in the tail", "tie in the tail"],
    ["now we're going to wind the rib", "wind the rib"],
    ["i tie this on a 12", "i tie this on a 12"],
    ["tying it in by the tip", "tie it in by the tip"],
    ["tying thread claret", "tying thread claret"],
    ["take the thread and wind it back", "wind the thread back"],
    ["ribbed with gold wire", "rib: gold wire"],
    ["ribbed with gold wire over a body of fur", "ribbed with gold wire over a body of fur"],
    ["a bit of fine wire", "a fine wire"],
    ["a bit of red dubbing", "a bit of red dubbing"],
    ["**tail:** 6 fibres", "tail: 6 fibres"],
    ["*rib*: gold wire", "rib : gold wire"],
    ["## steps", "steps"],
    ["#14 dry", "#14 dry"],
    ["|---|:--:|", ""],
    ["=====", ""],
    ["tail ....... red wool", "tail: red wool"],
    ["so... no, a glass bead", "so... no, a glass bead"],
    ["| wing | deer hair |", "wing: deer hair"],
    ["tail\t6 fibres", "tail:6 fibres"],
    ["right behind the bead", "just behind the bead"],
    ["3 mm right behind the bead", "3 mm behind the bead"],
    ["five even turns", "five turns"],
    ["six firm wraps", "six firm wraps"],
    ["wind it tightly forward", "wind it forward"],
    ["thread tightly twisted", "thread tightly twisted"],
    ["sweeping back", "swept back"],
    ["in close touching turns", "in touching turns"],
    ["next comes the rib: oval silver", "the rib: oval silver"],
  ];
  test.each(cases)("%j", (typed, read) => {
    expect(close(inOneForm(typed))).toBe(read);
    expect(inOneForm(typed)).toHaveLength(typed.length);
  });
});

describe("wraps that are turns", () => {
  const turns = [
    "rib with 7 wraps oval copper",
    "rib: fine wire, 5 wraps",
    "whip finish with four wraps",
    "throat: blue hackle, 2 wraps, pulled down",
    "hackle: dun, four wraps behind, three in front",
    "hackle: cock, tied in at the post, 4 wraps",
    "legs: 3 wraps of partridge",
    "bring the wire forward with five wraps",
    "one strand of gold wire, 5 open wraps",
    "two wraps, no more",
    "spin cdc in a loop, 3 wraps behind the bead",
  ];
  test.each(turns)("%s", (line) => expect(wrapsAsTurns(line)).toBe(line.replace("wraps", "turns")));
  test("whatever signs stand ahead of them", () =>
    expect(wrapsAsTurns("🎣 rib: wire, 5 wraps")).toBe("🎣 rib: wire, 5 turns"));
  const held = [
    "tie it down with 3 wraps",
    "tail: 6 fibres, tied in with five wraps",
    "post: white yarn, 8 wraps up the base",
    "eyes: dumbbell, lashed with 12 x-wraps",
    "body: tubing, bound down at the bend with red thread, 6 wraps",
    "six firm wraps",
    "rib: wire, held by two wraps of thread",
    "thread: black; 5 wraps for every tie-in",
    "now wrap it forward",
  ];
  test.each(held)("those that hold stay: %s", (line) => expect(wrapsAsTurns(line)).toBe(line));
});

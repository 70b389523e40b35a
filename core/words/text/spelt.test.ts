import { describe, expect, test } from "vitest";
import { speltOut, whereTyped, withoutWideBlanks } from "./spelt";

describe("speltOut", () => {
  const cases: [string, string][] = [
    ["wind it down & back to bend", "wind it down and back to the bend"],
    ["from half way round bend to behind eye", "from half way round the bend to behind the eye"],
    ["low over body, height of gape", "low over the body, height of the gape"],
    ["two thirds up shank", "two thirds up the shank"],
    ["as long as body", "as long as the body"],
    ["both sides of wing", "both sides of the wing"],
    ["rear 1/3 yellow, front 2/3 black", "rear third yellow, front two thirds black"],
    ["wound to 2/3", "wound to two thirds"],
    ["up to 1/2 inch", "up to 1/2 inch"],
    ["body: quill of peacock", "body: peacock quill"],
    ["20 fibres of white bucktail under 20 of red", "20 fibres of white bucktail under 20 fibres of red bucktail"],
    ["2 turns of brown hackle, then 2 of grizzly", "2 turns of brown hackle, then 2 turns of grizzly"],
    ["Prep a brown hackle", "prepare a brown hackle"],
    ["5 turns at the bead - no, put that at the tail", "5 turns at the bead - no, at the tail"],
    ["Rib in flat pearl, fine", "Rib of flat pearl tinsel, fine"],
    ["Short dubbed collar of hare", "collar: Short hare"],
    ["hook 8, a brass bead, black 6/0", "hook 8, a brass bead, black 6/0 thread"],
    [
      "Wing: rabbit strip tied in behind the head and bound down at the bend",
      "Wing: rabbit strip tied in behind the head, pulled back and bound down at the bend",
    ],
    ["Thread body in touching turns", "body: Thread in touching turns"],
    ["There tie in a slip of red", "tie in there a slip of red"],
    ["Reverse the wire round the body", "counter-wind the wire round the body"],
    ["Eyes: chain, 4 mm silver", "Eyes: chain eyes, 4 mm silver"],
    ["6 fibers of dun hackle, shank length", "6 dun hackle fibers, shank length"],
    ["Body: cream chenille, 12 turns, tied off at the eye", "Body: cream chenille, 12 turns, to at the eye"],
    ["4 t whip", "4 turns whip"],
    ["two whip finishes of four turns each", "whip finish four turns, two times"],
    ["Finish with four whip turns", "Finish with four turns of whip"],
    ["Tail: black marabou, plume, twice the body", "Tail: black marabou, one plume, twice the body"],
    ["Tag: 3 turns oval silver, then red wool butt", "Tag: 3 turns oval silver; butt: red wool"],
    [
      "Tie in a cree hackle behind the wing, two turns behind and three in front",
      "Tie in a cree hackle behind the wing; wind it two turns behind and three in front",
    ],
    // What something is of, and not where.
    ["Varnish, then wind the collar", "Varnish, then wind the collar"],
    ["Body in two halves", "Body in two halves"],
    ["Thread: black, 6/0", "Thread: black, 6/0"],
    [
      "Wing: strip of foam tied in at the bend and bound down at the eye",
      "Wing: strip of foam tied in at the bend and bound down at the eye",
    ],
    ["12 turns of lead", "12 turns of lead"],
    ["over lead wire", "over lead wire"],
    ["two turns of hackle", "two turns of hackle"],
    ["tied at the tie-down point", "tied at the tie-down point"],
    ["to tail of 6 fibres", "to tail of 6 fibres"],
    ["black&white", "black&white"],
  ];
  test.each(cases)("%s", (typed, spelt) => expect(speltOut(typed).text).toBe(spelt));

  test("each place leads back to where it was typed", () => {
    const typed = "Rib down & back to bend, 5 turns";
    const { text, typedAt } = speltOut(typed);
    for (const word of ["Rib", "down", "back", "to", "bend", "5 turns"]) {
      const at = text.indexOf(word);
      expect(typed.slice(typedAt(at), typedAt(at + word.length)), word).toBe(word);
    }
    const and = text.indexOf("and");
    expect(typed.slice(typedAt(and), typedAt(and + "and".length))).toBe("&");
    expect(typedAt(text.length)).toBe(typed.length);
  });

  test("also where words are left out of what is read", () => {
    const typed = "5 turns at the bead - no, put that at the tail";
    const { text, typedAt } = speltOut(typed);
    for (const word of ["5 turns", "no,", "tail"]) {
      const at = text.indexOf(word);
      expect(typed.slice(typedAt(at), typedAt(at + word.length)), word).toBe(word);
    }
    expect(typedAt(text.length)).toBe(typed.length);
  });
});

test("what lies within words that were put in others stands where all of those were typed", () => {
  const typed = "Wing: a bunch of squirrel, 2 mm thick, a hook long";
  const { text, typedOver } = speltOut(typed);
  const at = text.indexOf("squirrel");
  expect(text).toBe("Wing: clump of 2 mm of squirrel, a hook long");
  expect(typed.slice(...typedOver(at, at + "squirrel".length))).toBe("a bunch of squirrel, 2 mm thick");
  const long = text.indexOf("a hook long");
  expect(typed.slice(...typedOver(long, text.length))).toBe("a hook long");
});

test.each([
  ["rib w/ wire, w/o a tail", "rib with wire, without a tail"],
  ["ribbed w gold wire", "ribbed with gold wire"],
  ["tail: 6 fibres, w/2 strands of flash", "tail: 6 fibres, with 2 strands of flash"],
  // A whip finish, and a size.
  ["ribbed w a strand of wire", "ribbed with a strand of wire"],
  ["w/f 4", "w/f 4"],
  ["hook W 12", "hook W 12"],
])("%s, as what is short for with", (typed, spelt) => expect(withoutWideBlanks(typed).text).toBe(spelt));

describe("where words stand that are asked about", () => {
  const typed = "5 PT fibres (new ones) tied in tips first & wound to 2/3";
  const spelt = speltOut(typed);
  const placeOf = (words: string): string => {
    const at = spelt.text.indexOf(words);
    return typed.slice(...whereTyped(spelt, typed, [at, at + words.length]));
  };
  test("though their sentence is put in another order", () => {
    expect(spelt.text).not.toBe(typed);
    expect(placeOf("new")).toBe("new");
    expect(placeOf("PT fibres")).toBe("PT fibres");
  });
  test("words that stand for others are all that was typed for them", () => {
    expect(placeOf("by the tips")).toContain("tips first");
  });
});

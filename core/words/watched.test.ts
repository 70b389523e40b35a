import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByStuff } from "./corpus/reading";
import { asInstruction } from "./telling/thirdPerson";

const hook = "Hook: N1 12\nThread: brown 70\n";

describe("what somebody was seen to do, as what is to be done", () => {
  const cases: [string, string, string][] = [
    ["who does it", "he ties in a tail", "   tie  in a tail"],
    ["and what is done next", "he ties it in and winds it on", "   tie  it in and wind  it on"],
    ["without who", "ties in a tail, then dubs the body", "tie  in a tail, then dub  the body"],
    ["an ending in es", "she catches in the wire", "    catch   in the wire"],
    ["behind a stop", "that done, he wraps the herl", "that done,    wrap  the herl"],
  ];
  test.each(cases)("%s", (_label, told, plain) => {
    expect(asInstruction(told)).toBe(plain);
    expect(plain).toHaveLength(told.length);
  });
  test.each(["6 wraps of thread", "he is a careful tier", "wings are tied in last", "they should be a little longer"])(
    "“%s” stays as it is",
    (told) => expect(asInstruction(told)).toBe(told),
  );
  test("is read like an instruction", () => {
    const text = `${hook}He starts with ten turns of 0.5 mm lead\nHe builds a small ramp behind the lead and takes it back to the bend`;
    expect(asksOf(text)).toEqual([]);
    expect(stepsByStuff(text)[0]).toContain("10 touching turns");
  });
  test("a cover that comes over is pulled over, held by the turns that are told", () => {
    const text = `${hook}Wing case: 8 pheasant tail fibres\nThorax: hare\nThe wing case comes over and is held with four turns`;
    expect(asksOf(text)).toEqual([]);
    expect(stepsByStuff(text).find((s) => s.includes("over the back"))).toContain("with 4 wraps");
  });
});

test("the place in a film at which a step is seen counts it, and nothing else", () => {
  const text = `${hook}0:30 Tie in 6 hen fibres as a tail\n1:10 Dub hare to the eye\n[12:45] Whip finish, 4 turns`;
  expect(asksOf(text)).toEqual([]);
  expect(stepsByStuff(text).at(-1)).toContain("4 turns");
});

describe("a number that is told behind loose words", () => {
  const cases: [string, string, string][] = [
    ["of fibres", "Tail: a few stiff fibres from a dun cock hackle, say seven, as long as the shank", "5 to 9 fibres"],
    ["of what it is named by", "Tail: a few hen fibres, 8 of them", "8 fibres"],
    ["of strands", "Wing: a couple of strands of pearl flash, 4, as long as the shank", "4 strands"],
  ];
  test.each(cases)("%s", (_label, line, made) => {
    expect(asksOf(hook + line)).toEqual([]);
    expect(stepsByStuff(hook + line).at(-1)).toContain(made);
  });
  test("is none where it counts something else", () =>
    expect(asksOf(`${hook}Tail: a few hen fibres, 8 mm`).join(" ")).toContain("“a few”"));
});

describe("the hook that a sentence tells by its kind", () => {
  const cases: [string, string][] = [
    ["Start with a 16 down-eye dry. Grey thread.", "16"],
    ["It's a 10, wet.", "10"],
    ["Lay down a base of black 6/0 on a size 4 double, stopping above the points", "4"],
    ["Hook: standard nymph, size 12 (also 14 and 16)", "12"],
  ];
  test.each(cases)("%s", (line, from) => expect(read(line).recipe.sizes.from).toBe(from));
  test("sizes beside it are sizes as well", () =>
    expect(read("Hook: standard nymph, size 12 (also 14 and 16)").recipe.sizes).toEqual({ from: "12", to: "16" }));
});

import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByStuff } from "./corpus/reading";

const hook = "Hook: N1 14\n";

describe("a list of materials ahead of the steps, without their parts", () => {
  const steps = "Start the thread and run to the bend.\nTie in the wire.\nWind the herl to the eye.\nRib it, 5 turns.";
  test("in lines below a heading: nothing is tied by them, and the steps mean what they name", () => {
    const text = `Materials:\nsize 14 nymph hook\nbrown thread 8/0\nred copper wire\nostrich herl, black\nSteps:\n${steps}`;
    const told = stepsByStuff(text);
    expect(told.filter((s) => s.startsWith("rib")).length).toBe(2);
    expect(told.filter((s) => s.startsWith("body"))).toEqual([expect.stringContaining("ostrich herl")]);
    expect(told.find((s) => s.startsWith("rib"))).toContain("red copper wire");
  });
  test("in one line with the hook", () => {
    const text = `You need a size 14 nymph hook, brown thread, red copper wire and ostrich herl.\n${steps}`;
    const reading = read(text);
    expect(reading.recipe.sizes).toEqual({ from: "14", to: "14" });
    expect(stepsByStuff(text).filter((s) => s.startsWith("rib")).length).toBe(2);
    expect(asksOf(text)).toEqual([]);
  });
  test("what no step takes up is told at its place", () => {
    const text = `You need a size 14 nymph hook, brown thread, red copper wire and partridge.\n${steps}`;
    expect(read(text).lines[0]?.notes).toContain("“partridge” is named here, and no step takes it up");
  });
  test("with nothing below it, it is no such list", () => {
    expect(read("Materials:\nred copper wire\nostrich herl").recipe.steps.length).toBeGreaterThan(0);
  });
});

test("steps are numbered without a sign behind a whole list of parts", () => {
  const text = `${hook}Thread: olive 70\nTail: 6 pheasant fibres\nRib: copper wire\nBody: hare\n1 tie in the tail\n2 tie in wire\n3 dub the body to mid shank\n4 rib 6 turns`;
  expect(asksOf(text)).toEqual([]);
  expect(stepsByStuff(text).at(-1)).toContain("6 turns");
});

describe("what a line takes up is on the hook already", () => {
  const tail = `${hook}Thread: brown 70\nTie in a tail of 8 pheasant tail fibres, half the shank\nCatch in copper wire\n`;
  const cases: [string, string, RegExp][] = [
    ["named", "Take the pheasant fibres and wrap them to mid-shank", /^tail.*rope of 8.*to mid-shank/],
    ["its rest", "Take the rest of the fibres and wind them to mid-shank", /^tail.*rope of 8.*to mid-shank/],
    [
      "twisted first",
      "Grab the pheasant fibres, give them a little twist and wrap them to mid-shank",
      /^tail.*rope of 8.*to mid-shank/,
    ],
    ["a strand that waits", "Body: hare\nGrab the wire and rib forward 5 turns", /^rib.*5 turns/],
  ];
  test.each(cases)("%s", (_label, line, made) => {
    const told = stepsByStuff(tail + line);
    expect(told.some((s) => made.test(s))).toBe(true);
    expect(told.filter((s) => s.includes("counted when wound")).length).toBe(1);
  });
});

test("no part is of stuff that such a part cannot be of: it is asked instead", () => {
  const line = `${hook}12 turns thread at mid shank to secure 6 turns of fine lead`;
  expect(asksOf(line)).toEqual([
    expect.stringMatching(/^A thread of fine lead\?/),
    // Two numbers of turns are not one of them.
    expect.stringContaining("“6 turns”"),
  ]);
  expect(stepsByStuff(line)).toEqual([]);
});

describe("two of one stuff in two colours", () => {
  const start = "Hook: S4 4\nThread: black 140\n";
  test.each([
    ["on top and below", "Wing: 20 hairs of olive bucktail on top and white below, 5 cm", ["olive", "white"]],
    ["below and on top", "Wing: 20 hairs of white bucktail underneath and olive on top, 5 cm", ["white", "olive"]],
    ["on top of that", "Wing: 20 hairs of red bucktail, 5 cm, on top, and on top of that brown", ["red", "brown"]],
  ])("%s", (_label, line, colours) => {
    const wings = stepsByStuff(start + line).filter((s) => s.startsWith("wing"));
    expect(wings.map((s) => colours.find((c) => s.includes(c)))).toEqual(colours);
    expect(wings.every((s) => s.includes("20 fibres") && s.includes("50 mm"))).toBe(true);
  });
  test("so many more in another colour", () => {
    const told = stepsByStuff(`${start}Wing: 60 hairs of white bucktail, 5 cm\nPut another 40 of blue on the bottom`);
    expect(told.at(-1)).toMatch(/^wing, blue bucktail: 40 fibres.*underside/);
  });
});

describe("fibres are counted as fibres, feathers as feathers, wherever they stand", () => {
  test.each([
    ["legs: brown hen fibres, 6 on each side", "12 fibres"],
    ["tail: two goose biots, one on each side", "2 fibres"],
    ["cheeks: mallard flank, one each side", "1 pair of feathers"],
    ["wing: hen hackle tips, upright", "2 tips"],
  ])("%s", (line, amount) => {
    expect(stepsByStuff(`Hook: D1 14\nThread: grey 70\n${line}`).at(-1)).toContain(amount);
  });
});

describe("places and lengths as they are spoken", () => {
  test.each([
    ["Wing: 20 elk hairs from the front of the body to the bend", /to the bend.*tied in at in front of the body/],
    ["Thorax: hare dubbing in split thread", /full/],
    ["Body: hare, stop about a third of the way behind the eye", /to a third of the shank/],
    ["Body: hare, up to the eye, leaving an eye length", /to 1 eye behind the eye/],
    ["Body: olive wool, wound round the bend to two eyes behind the eye", /from into the bend to 2 eyes/],
  ])("%s", (line, said) => {
    const told = stepsByStuff(`Hook: N1 12\nThread: olive 70\nBody: olive fur\n${line}`);
    expect(told.at(-1)).toMatch(said);
  });
});

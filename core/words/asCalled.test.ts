import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByStuff } from "./corpus/reading";

const hook = "Hook: N1 12\nThread: brown 70\n";
const lastOf = (text: string) => stepsByStuff(hook + text).at(-1);

describe("a body is as full as it is called", () => {
  // A nymph's body is 0.45 of the gape; sparse three quarters of that, fat 1.3 times as much.
  const cases: [string, string][] = [
    ["Body: hare", "0.45 × the gape full"],
    ["Body: hare, very thin", "0.338 × the gape full"],
    ["Body: hare, sparse", "0.338 × the gape full"],
    ["Dub the body fairly fat with hare", "0.585 × the gape full"],
    ["Body: rusty brown dubbing, thick", "0.585 × the gape full"],
    ["Body: hare, noodle 60 mm sparse", "noodle 60 mm sparse"],
  ];
  test.each(cases)("%s", (line, made) => expect(lastOf(line)).toContain(made));
});

describe("mono that is used as thread is as heavy as it is thick", () => {
  // 0.004 inches are 0.1 mm, of which 9,000 m weigh some 80 g.
  test.each([
    ["clear mono .004", 83],
    ['clear mono .006"', 187],
    ["mono 0.12", 116],
    ["mono 0.1 mm", 81],
  ])("%s: %i denier", (called, denier) => {
    const [thread] = read(`Test\nHook: N1 12\nThread: ${called}`).newMaterials;
    expect(thread?.thread?.denier).toBe(denier);
  });
});

describe("what is not said is asked, and not made up", () => {
  test("how wide slips are", () => {
    expect(asksOf(`${hook}Wing: four strips of mallard, two each side`)).toEqual([
      "How wide is each? Say “slips 2 mm wide”.",
    ]);
    expect(lastOf("Wing: four slips of mallard, two each side, 3 mm wide")).toContain("slips 3 mm wide");
  });
  test("of biots each is one", () =>
    expect(lastOf("Wing: two strips of goose biot, one each side")).toContain("2 fibres"));
  test("what eyes are, where they are said to be of wire", () =>
    expect(asksOf(`${hook}Eyes: 6 mm lead, 15 figure-eight wraps`)[0]).toMatch(/^Eyes of 6 mm lead\?.* are of\.$/));
  test("what is done with the butts of a wing", () => {
    const lines = "Wing: elk, clump of 3 mm, just past the bend\nHead: butts trimmed square, 2 mm long";
    expect(asksOf(hook + lines)[0]).toContain("the rest of the wing");
    expect(stepsByStuff(hook + lines).some((s) => s.includes("rope"))).toBe(false);
  });
  test("what a first step is that a name would hide", () => {
    expect(read("1. Bead on\n2. Five turns of lead\n3. Whip, 4").recipe.sizes.from).not.toBe("1");
    expect(asksOf("Bead (2.4 mm, gold) on a 16 jig hook\nThread: red").length).toBeGreaterThan(0);
  });
  test("which of two numbers of turns", () =>
    expect(asksOf(`${hook}Hackle: partridge, 2 turns, 4 turns`).join(" ")).toContain("“4 turns”"));
});

describe("what a part is, by what is done", () => {
  const cases: [string, string, RegExp][] = [
    [
      "a hackle that is wound is not the tail of which it is",
      "Tail: seven fibres of a light dun cock hackle\nBody: hare\nDun hackle, 3 turns",
      /^hackle.*3 turns/,
    ],
    [
      "a tinsel over the lot is a rib, though the tag is of it",
      "Tag: fine oval silver, 3 turns\nBody: rear half orange floss, front half black floss\nOval silver over the lot, 5 turns",
      /^rib.*5 turns, from the bend to 0\.3/,
    ],
    ["eyes that the head names", "Head: 5 mm dumbbell eyes tied under the shank 2 eyes back", /^eyes.*underneath/],
    [
      "a plume that is named again",
      "Collar: olive marabou, another plume wound by its tip, 3 turns",
      /^collar.*3 turns, by the tip/,
    ],
    ["the tail, by its length", "Tail: olive marabou, 1 plume, whole shank", /= the shank length/],
    [
      "dubbing that is touched on",
      "Thorax: touch dubbed hare, 4 turns of the thread",
      /^thorax.*touched on waxed thread/,
    ],
    [
      "a hackle held back by turns",
      "Collar: partridge, 1.5 turns, swept back with 3 turns",
      /^collar.*1\.5 turns.*with 3 wraps/,
    ],
  ];
  test.each(cases)("%s", (_label, lines, made) => {
    expect(asksOf(hook + lines)).toEqual([]);
    expect(lastOf(lines)).toMatch(made);
  });
  test("… and the tag stays", () =>
    expect(
      stepsByStuff(`${hook}Tag: fine oval silver, 3 turns\nBody: black floss\nOval silver over the lot, 5 turns`)[0],
    ).toMatch(/^tag.*3 turns/));
  test("what lies on either side of the tail is measured by it", () => {
    const lines =
      "Tail: olive marabou, 1 plume, whole shank\nFlash: 3 strands of pearl flash each side of the tail, 5 mm longer";
    expect(lastOf(lines)).toMatch(/6 strands, 5 mm past the tail tip|6 strands.*5 mm.*tail/);
  });
});

describe("shares of a body", () => {
  test("in another colour are of the same stuff", () => {
    const text = `${hook}Body: rear third yellow seal's fur, middle third orange, front third hot orange, all dubbed loosely`;
    expect(asksOf(text)).toEqual([]);
    expect(stepsByStuff(text).map((s) => /(\S+) seal's fur.*from (.*) to (.*)/.exec(s)?.slice(1))).toEqual([
      ["yellow", "0.767 of the shank", "the bend"],
      ["orange", "0.533 of the shank", "0.767 of the shank"],
      ["orange", "0.3 of the shank", "0.533 of the shank"],
    ]);
  });
  test("a part of a blend may be of what nobody knows", () => {
    const { newMaterials } = read(`${hook}Dub a body with a mix of 2 parts olive hare and 1 part sparklefur`);
    expect(newMaterials.find((m) => m.form === "blend")?.name).toContain("sparklefur");
  });
});

test("behind commas stands what each part is of, in a list between semicolons", () => {
  const text =
    "Wet hook #10; black silk; tag, 3 turns flat gold; body, black wool, one strand; rib, flat gold, 4 turns; hackle, black hen, 2.5 turns";
  expect(asksOf(text)).toEqual([]);
  expect(stepsByStuff(text).map((s) => /^[a-z]+/.exec(s)?.[0])).toEqual(["tag", "rib", "body", "rib", "hackle"]);
});

test("each size has its own number, and the first stands for the rest", () => {
  const { recipe, lines } = read("Hook: D1 14-18\nTail: coq de leon, 6 fibres on 14, 5 on 16 and 4 on 18");
  expect(lines.flatMap((l) => l.asks)).toEqual([]);
  expect(recipe.steps[0]).toMatchObject({ amount: { fibres: 6 } });
  expect(recipe.steps[0]?.bySize?.map((b) => [b.sizes.from, b.set])).toEqual([
    ["14", { amount: { fibres: 6 } }],
    ["16", { amount: { fibres: 5 } }],
    ["18", { amount: { fibres: 4 } }],
  ]);
});

describe("a wire that is broken and not cut", () => {
  const cases: [string, string][] = [
    ["in one breath", "Wind the wire forward in 5 turns, the end broken off by twisting"],
    ["and then", "Wind the wire forward in 5 turns and break it off by twisting"],
    ["by itself", "Wind the wire forward in 5 turns. Break off the wire by twisting."],
  ];
  test.each(cases)("%s", (_label, line) => {
    const { recipe } = read(`${hook}Fine copper wire in at the bend\nBody: hare\n${line}`);
    expect(recipe.steps.findLast((s) => s.do === "wind")?.methods).toEqual({ "wire ends": "broken" });
  });
});

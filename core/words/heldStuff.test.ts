import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByStuff } from "./corpus/reading";

const hook = "Hook: N1 12\nThread: brown 70\n";
const asked = (text: string): string[] => asksOf(hook + text).filter((s) => s.includes("nothing here takes it up"));
const last = (text: string): string => stepsByStuff(hook + text).at(-1) ?? "";

describe("stuff that nothing takes up is asked about", () => {
  const cases: [string, string, string][] = [
    ["another one than is tied in", "Feelers: two strands black rubber or stiff hair, twice the hook", "stiff hair"],
  ];
  test.each(cases)("%s", (_label, lines, words) => expect(asked(lines).join(" ")).toContain(words));
});

describe("what is held, or only gone by, is not", () => {
  const cases: [string, string][] = [
    ["where it is tied in", "Rib: fine copper wire, 5 turns"],
    ["a place", "Bead: 3 mm gold\nTail: 6 hen fibres, half the shank\nTwo turns of hare behind the bead"],
    ["what is not there on purpose", "Body: hare\nHackle: none. Whip and done."],
    ["no varnish", "Body: hare\nWhip finish with 4 turns, no varnish"],
    ["the wire of the hook", "Body: hare\nHook 12 light wire"],
    ["ends that are cut off", "Rib: copper wire, 5 turns\nBreak the wire off"],
  ];
  test.each(cases)("%s", (_label, lines) => expect(asked(lines)).toEqual([]));
});

describe("what is done to a part is said of that part", () => {
  const made = "Tail: 6 tippet fibres, half the shank\nBody: olive fur\nHackle: ginger hackle, 3 turns\n";
  const cases: [string, string, string][] = [
    ["by its stuff", "Trim the hackle fibres flat on top.", "ginger hackle"],
    ["by a like one", "Pick out the dubbing underneath for legs", "olive"],
    ["between the words of the verb", "Tease the fur out at the sides", "olive"],
    ["by the name of the part and its stuff", "Brush out the body fur", "olive"],
    ["fibres alone, of what was wound last", "Stroke the fibres back", "ginger hackle"],
    ["as a collar, which is that hackle", "Trim the collar below", "ginger hackle"],
  ];
  test.each(cases)("%s", (_label, line, stuff) => expect(last(made + line)).toContain(stuff));
  test("never of one in a colour of its own, which is not there", () =>
    expect(last(`${made}Trim the white hackle flat`)).not.toContain("ginger"));
});

describe("a liquid is put on, however that is said", () => {
  const cases: [string, string][] = [
    ["behind a knot", "Body: hare\nMake a small head, half hitch twice, varnish."],
    ["behind turns", "Body: hare\nHead: 8 turns of thread, varnish"],
    ["with a brush", "Body: hare\nWhip twice and brush resin on the thread, cure it."],
    ["in paint's words", "Body: hare\nPaint the head with two coats of varnish"],
    ["worked in", "Body: hare\nWhip finish, then work a drop of head cement into the thread"],
  ];
  test.each(cases)("%s", (_label, lines) => {
    expect(asksOf(hook + lines)).toEqual([]);
    const { finish } = read(hook + lines).recipe;
    expect(finish.state).toBe("given");
  });
  test("brushing a body coats nothing", () => {
    expect(read(`${hook}Body: hare\nBrush out the body`).recipe.finish.state).toBe("not stated");
  });
  test("a bit of it is one drop", () =>
    expect(asksOf(`${hook}Body: hare\nWipe a bit of superglue on the thread`)).toEqual([]));
});

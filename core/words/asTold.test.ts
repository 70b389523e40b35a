import { describe, expect, test } from "vitest";
import { sayStep } from ".";
import { read as readAll } from "./corpus/reading";

const base = ["Hook: streamer 8", "Thread: black 140 denier"];
const read = (...lines: string[]) => readAll([...base, ...lines].join("\n"));
const last = (...lines: string[]): string => {
  const { recipe, lines: out } = read(...lines);
  expect(out.flatMap((l) => l.asks.map((a) => a.sentence))).toEqual([]);
  return recipe.steps.map((s) => sayStep(s)).at(-1) ?? "";
};

describe("as it is told at the bench", () => {
  test.each([
    [
      "the thread is got started, and run",
      ["Get your thread started, and run it to the back of the hook."],
      "touching, from the eye to the bend",
    ],
    [
      "it starts and is wrapped into the bend",
      ["Start behind the eye and wrap well into the bend."],
      "to into the bend",
    ],
    ["a layer of it", ["Put a layer of thread down to just above the barb."], "to the barb"],
    [
      "a length behind “so it's”",
      ["Take a black marabou plume for the tail, tie it in at the bend so it's about as long as the shank."],
      "= the shank length",
    ],
    [
      "some of what is wound, tied in and tied off too",
      [
        "Start the thread and run it to the bend.",
        "Tie in some black chenille.",
        "Wrap the chenille forward to the eye, touching turns, and tie that off too.",
      ],
      "touching, from the bend to the eye",
    ],
    [
      "half hitches by their number",
      ["Body: black fur, 0.3 gape full", "Hackle: black hen, 2 turns", "Finish behind the hackle with 3 half hitches."],
      "half hitch",
    ],
    [
      "strands that are twisted round the silk and wound, from where it hangs",
      [
        "Run the thread down to a point opposite the barb, touching turns.",
        "Now two strands of peacock herl, twist them round the silk and wrap up to about 3 mm behind the eye.",
      ],
      "rope of 2, touching, from the barb to 3 mm behind the eye",
    ],
    [
      "wire that is wound the other way",
      ["Catch in fine gold wire at the bend.", "Body: black chenille", "Then reverse wind the wire, six turns."],
      "6 turns, counter",
    ],
    ["turns of a whip finish", ["Neat head, five turns whip finish."], "whip finish, 5 turns"],
    [
      "the fly is turned over before the next is tied in",
      [
        "Eyes: 5 mm dumbbell eyes, a third of the shank behind the eye",
        "Wing: 40 bucktail hairs, 60 mm",
        "Turn over, 6 peacock herls on top as long as the wing.",
      ],
      "6 strands, = the wing length",
    ],
    [
      "where a part is",
      [
        "Tail: 8 partridge fibres, gape length",
        "Tie in 10 cm of fine silver wire where the tail is.",
        "Body: black fur, 0.3 gape full",
        "Wind the wire forward in 7 even turns.",
      ],
      "7 turns, from behind the tail",
    ],
  ])("%s", (_what, lines, step) => expect(last(...lines)).toContain(step));

  test("as many half hitches as are told", () =>
    expect(
      read("Body: black fur, 0.3 gape full", "Make three half hitches").recipe.steps.filter((s) => s.do === "act"),
    ).toHaveLength(3));

  test("a strip that is tied in as a tail and left hanging is pulled over later", () => {
    const { recipe } = read(
      "Bind in a black rabbit strip at the bend, so the tail is as long as the shank; leave the rest of the strip hanging.",
      "Body: black chenille",
      "Bring the strip over the top and tie it down behind the eye with six wraps.",
    );
    const over = recipe.steps.at(-1);
    const tail = recipe.steps[0];
    expect(tail && sayStep(tail)).toContain("= the shank length");
    expect(over).toMatchObject({ do: "lay", tiedIn: tail?.id, component: tail?.component });
  });
});

describe("lengths by another part", () => {
  const tied = ["Tail: 8 white saddle hackles, four a side, twice the shank, tied in at the bend"];
  test.each([
    [
      "half way down what was tied in",
      "Collar: white bucktail, 5 mm thick, reaching halfway down the hackles",
      "= the shank length",
    ],
    ["half as long again", "Wing: 20 bucktail hairs, half as long again as the shank", "= 1.5 × the shank"],
    ["to its end, possessively", "Wing: 20 bucktail hairs, to the tail's end", "to the tail tip"],
    ["tips that meet it", "Wing: mallard slips, 3 mm, tips meet the tail", "to the tail tip"],
    [
      "over the wing, past its tips",
      "Wing: 20 bucktail hairs, shank length\nTopping: 5 peacock herls over the wing, just past its tips",
      "1 mm past the wing tip",
    ],
    ["half a matchstick", "Wing: elk hair, half a matchstick thick, shank length", "clump of 1 mm, = the shank length"],
  ])("%s", (_what, line, step) => expect(last(...tied, line)).toContain(step));
});

describe("places by another part", () => {
  const tied = ["Body: black fur, 0.3 gape full", "Collar: black hen, 2 turns"];
  test.each([
    [
      "a part's front, possessively",
      "Wind black floss from the bend to the collar's front, 10 turns.",
      "to in front of the collar",
    ],
    [
      "where the front third ends",
      "Wing: olive rabbit strip, 4 mm, tied in at the front third, shank length",
      "tied in at a third of the shank",
    ],
    [
      "as far as the front third",
      "Body: olive fur in a 10 cm loop, 25 mm fibres, wound to the front third",
      "loop of 100 mm, from the bend to a third of the shank",
    ],
    ["behind the head", "Hackle: white hen, 2 turns, behind the head", "at 1.5 eyes behind the eye"],
    [
      "a share back from the eye",
      "Wing: 20 bucktail hairs, shank length, tied in one third back from the eye",
      "tied in at a third of the shank",
    ],
  ])("%s", (_what, line, step) => expect(last(...tied, line)).toContain(step));

  test("what is dubbed in front of the wing goes on to the eye", () =>
    expect(
      last("Wing: 20 elk hairs, upright, a shank long", "Dub black fur, 0.3 gape full, in front of the wing"),
    ).toContain("from 1.1 eyes behind the eye to in front of the wing"));
});

import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByPart, stepsByStuff, stepsOf } from "./corpus/reading";

const wet = "Hook: wet 12\nThread: purple silk\n";
const streamer = "Hook: streamer 6\nThread: white 140 denier\n";

describe("what is done before", () => {
  const text = `${wet}Start one eye behind the eye and run the thread to the point in touching turns\nBody: the silk, wound back in touching turns to where you started\nBefore that catch in fine gold wire at the point, and give it 4 open turns`;
  const steps = stepsByPart(text);

  test("comes ahead of what the line before told, and where the thread hangs stays as it was", () => {
    const [tied, body, rib] = ["rib: 1 strand", "body:", "rib: 4 turns"].map((s) =>
      steps.findIndex((step) => step.startsWith(s)),
    );
    expect([tied, body, rib].every((i) => (i ?? -1) >= 0)).toBe(true);
    expect(tied).toBeLessThan(body ?? -1);
    expect(body).toBeLessThan(rib ?? -1);
    expect(steps[rib ?? -1]).toContain("from the point");
  });

  test("“where you started” is where the thread was started, and a body of it begins where it hangs", () =>
    expect(steps.find((s) => s.startsWith("body:"))).toContain("from the point to 1 eye behind the eye"));

  test("so far from where it was started", () =>
    expect(
      stepsOf(
        `${wet}Start one eye behind the eye and run the thread to the bend\nBody: the silk, wound back to two eyes behind where you started`,
      ).at(-1),
    ).toContain("from the bend to 3 eyes behind the eye"));

  test("“where you started” is near the eye where nobody said where", () =>
    expect(stepsOf(`${wet}Wind the thread to the bend and back to where you started`).join()).toContain(
      "0.5 eyes behind the eye",
    ));
});

describe("whose a word is", () => {
  test.each([
    ["of which bird a feather is", "Hackle: one soft feather from the shoulder of a starling, 2 turns", "starling"],
    [
      "of which bird, where its turns are told",
      "Hackle: one soft feather from the shoulder of a starling, 1 and 1/2 turns, fibres 1.5 gapes",
      "starling soft feather: 1.5 turns",
    ],
    ["that of two hackles each is one", "Hackle: one grizzly one brown, 3 turns each", "brown:"],
  ])("%s", (_what, line, stuff) => {
    expect(stepsByStuff(wet + line).join("\n")).toContain(stuff);
    expect(asksOf(wet + line)).toEqual([]);
  });

  test("the wire is wound against it, and not the hackle", () => {
    const line =
      "Body: olive fur, 0.3 gape full\nHackle: brown, 5 turns through the body, counter ribbed with fine wire, 5 turns";
    const said = stepsByPart(wet + line);
    expect(said.find((s) => /^hackle: 5 turns/.test(s))).not.toContain("counter");
    expect(said.find((s) => /^rib: 5 turns/.test(s))).toContain("counter");
  });

  test("a coat is of what it is told of, and goes on what is named before it", () => {
    const line = "Body: stripped peacock quill, 7 turns\nCoat the quill with one thin layer of UV resin";
    expect(stepsByStuff(wet + line).at(-1)).toMatch(/^finish, uv resin: 1 coat, from in front of the body/);
  });

  test("olive yarn is not the olive strip of the tail, which is kept as yarn is", () => {
    const line = "Tail: rabbit strip olive, 60 mm\nBody: olive yarn";
    expect(stepsByStuff(streamer + line).at(-1)).toMatch(/^body, olive yarn/);
  });

  test("glue on the base is no finish of the head", () =>
    expect(
      read("Hook: 8 streamer\nThread: white 140 denier, base from the eye to the bend, soaked with super glue").recipe
        .finish.state,
    ).not.toBe("given"));
});

describe("how much it is", () => {
  test.each([
    ["half a pencil", "Tail: white bucktail, half as thick as a pencil, a shank long", "clump of 3.5 mm"],
    [
      "of doubled legs their ends",
      "Legs: two rubber legs, doubled over the thread to give four, 20 mm",
      "4 strands folded",
    ],
    ["spaced wraps of a rib are its turns", "Rib: fine wire, six evenly spaced wraps", "6 turns"],
    [
      "a touch longer than what reaches somewhere",
      "Wing: 15 fibres of white bucktail, to the bend\nTop it off with 6 peacock herls, a touch longer than the bucktail",
      "6 strands, = 1.1 × the wing",
    ],
    ["a head so long is not so thick", "Build a head about 4 mm long", "to 4 mm behind the eye"],
    ["hide cut to a point is no tip of a feather", "Tail: rabbit strip, 50 mm, leather tapered to a point", "1 strand"],
  ])("%s", (_what, line, words) => {
    expect(stepsOf(streamer + line).join("\n")).toContain(words);
    expect(asksOf(streamer + line)).toEqual([]);
  });
});

describe("a list or a note with habits of its own", () => {
  const leech = `Hook: streamer 6\nThread: black\nTie in at the bend: 120 mm of black chenille, 100 mm of copper wire and one black saddle hackle by the tip\nChenille forward to 2 mm behind the eye\nHackle forward in 5 open turns`;
  test("what is counted behind “tie in at the bend:” all waits there", () => {
    const steps = stepsByPart(leech);
    expect(asksOf(leech)).toEqual([]);
    expect(steps.filter((s) => s.includes("tied in at the bend") && s.includes("counted when wound"))).toHaveLength(3);
    expect(steps.at(-1)).toMatch(/^hackle: 5 turns, .*from the bend to 2 mm behind the eye/);
  });

  test.each([
    [
      "dubbed, whatever it is called",
      "Body: tan feltlight, dubbed slim, rear two thirds",
      "body: 0.262 × the gape full, slim",
    ],
    [
      "so long, and not so full",
      "Thorax: tan feltlight, dubbed slim, 2 mm long behind the eye",
      "thorax: 0.262 × the gape full, slim",
    ],
    ["a mixed number in figures", "Hackle: badger, fibres 1 and 1/2 gape, 3 turns", "barbs 1.5 × the gape"],
    ["turns in a mixed number", "Hackle: black hen, 1 and 1/2 turns", "1.5 turns"],
    ["a size in brackets is no count", "Wing: a sparse bunch (2 mm) of deer hair, to the bend", "clump of 2 mm"],
    [
      "a limit is where it reaches",
      "Wing: 20 hairs of grey squirrel tail, not past the bend",
      "20 fibres, to the bend",
    ],
    [
      "a head that is left free",
      "Back: a strip of black foam, tied in at the bend, pulled over to the eye, leaving a 3 mm head",
      "3 mm free",
    ],
    ["numbered by ordinals", "1st: tail of 6 black hackle fibres, a shank long", "tail: 6 fibres, = the shank length"],
    [
      "long fur that lies on top",
      "Body: white yarn\nOlive craft fur on top, a clump of 2 mm, as long as the hook",
      "wing: clump of 2 mm, = the hook length",
    ],
    [
      "guard hairs are left in, and are not another fur",
      "Dub the thread with rabbit fur (with guard hairs), 6 cm of it, and wrap 2/3 up",
      "body: noodle 60 mm, from the bend to a third of the shank",
    ],
  ])("%s", (_what, line, words) => {
    const text = `${wet}Run the thread to the bend\n${line}`;
    expect(stepsByPart(text).join("\n")).toContain(words);
    expect(asksOf(text)).toEqual([]);
  });

  test("a knot in a leg is no knot of the thread", () =>
    expect(
      stepsOf(`${wet}Kicker legs: 6 pheasant tail fibres in each, one pair, knot level with the bend`).join(),
    ).not.toContain("whip finish"));

  test("each coat dries so long", () =>
    expect(read(`${wet}Head: three coats of varnish, letting each dry for 30 minutes`).recipe.finish).toMatchObject({
      coats: 3,
      dryMinutes: 30,
    }));
});

import { describe, expect, test } from "vitest";
import { sayStep } from ".";
import { asksOf, stepsByStuff, read as readAll } from "./corpus/reading";

/** Lines as they are spoken rather than listed, each behind what the bench needs for it. */
const list = "Hook: streamer 4\nThread: brown 140 denier\n";
const read = (text: string) => readAll(list + text);
const told = (text: string): string[] => stepsByStuff(list + text);
const asked = (text: string): string[] => asksOf(list + text);

describe("a place", () => {
  const tail = "Tail: white bucktail, 30 hairs, 60 mm\n";
  test("by what a part is of", () => {
    const line = `${tail}Wind a red hackle in front of the bucktail, 3 turns`;
    // In front of a tail is where it is tied in, not where its butts end.
    expect(told(line).at(-1)).toMatch(/hackle: 3 turns, .*at the bend$/);
    expect(asked(line)).toEqual([]);
  });
  test("by stuff that no part is of is asked about, and is none", () => {
    expect(asked("Wind a red hackle in front of the marabou, 3 turns")).toContainEqual(
      expect.stringContaining("No part of this fly is of “marabou” yet"),
    );
  });
  test("so much further forward is counted from where the thread hangs", () => {
    const line =
      "Take the thread to the bend\nTie in 30 hairs of white bucktail at the bend, 80 mm long\nA centimetre further forward another 30 hairs, yellow, 60 mm";
    expect(told(line).at(-1)).toMatch(/yellow bucktail: 30 fibres, = 60 mm.*tied in at 10 mm in front of the bend$/);
    expect(asked(line)).toEqual([]);
  });
  test("the back of the thorax is its rear, and a point is no hook point", () => {
    expect(told("Body: pheasant tail fibres, 6, wound forward to the back of the thorax").at(-1)).toMatch(
      /from the bend to 0.35 of the shank$/,
    );
    expect(told("Body: olive floss, touching\nTrim it to a point").at(-1)).toMatch(/: trim, 0.2 min$/);
  });
});

describe("what is wound", () => {
  test("to the bend and back to the thorax lies twice over the front only", () => {
    const [base, back] = told("Wind the thread to the bend and back to mid-shank").slice(-2);
    expect(base).toMatch(/: touching, from (?:0.5 eyes behind )?the eye to the bend$/);
    expect(back).toMatch(/: touching, from the bend to mid-shank$/);
    expect(told("Wind the thread to the bend and back to the eye").at(-1)).toMatch(/touching, there and back/);
  });
  test("over a layer of something comes after it", () => {
    const roles = told("Body: flat gold tinsel, over a layer of white floss");
    expect(roles.map((r) => /white floss|gold/.exec(r)?.[0])).toEqual(["white floss", "gold"]);
  });
  test("of two colours, one after the other, each with its turns", () => {
    const line =
      "Wing: white calf, clump of 2 mm\nHackle: one grizzly and one brown, 3 turns behind the wing and 2 in front";
    const hackles = told(line).filter((l) => l.startsWith("hackle"));
    expect(hackles.map((l) => [/grizzl|brown/.exec(l)?.[0], /: (\d) turns/.exec(l)?.[1]])).toEqual([
      ["grizzl", "3"],
      ["grizzl", "2"],
      ["brown", "3"],
      ["brown", "2"],
    ]);
    expect(asked(line)).toEqual([]);
  });
  test("has barbs that a line of its own may tell", () =>
    expect(told("Hackle: brown hen, 2 turns\nFibres no longer than the gape").at(-1)).toMatch(/barbs the gape length/));
  test("has them on both sides of the wing", () => {
    const text =
      "Wing: white calf, clump of 2 mm\nHackle: brown, 3 turns behind the wing and 2 in front\nFibres to the bend";
    expect(
      told(text)
        .slice(-2)
        .map((l) => /barbs to the bend/.test(l)),
    ).toEqual([true, true]);
  });
});

describe("amounts", () => {
  test.each([
    ["Wing: 20 hairs of black bucktail over 10 hairs of yellow", ["yellow bucktail: 10 fibres", "black: 20 fibres"]],
    ["Tail: take eight fibres from the centre tail of a cock pheasant", ["cock pheasant: 8 fibres"]],
    ["Tail of 6 orange saddles, three curving out each side, two shanks long", ["orange saddles: 6 feathers"]],
    ["Wing: bronze flank, a roll of 15 mm, to the bend", ["bronze flank: 15 mm of fibres"]],
    ["Tail: ginger hackle fibres, 8, equal to the gape x 1.5", ["ginger hackle fibres: 8 fibres, = 1.5 × the gape"]],
    ["Tail: white bucktail, 20 hairs, 4 centimetres", ["white bucktail: 20 fibres, = 40 mm"]],
  ])("%s", (line, parts) => {
    const all = told(line);
    for (const [n, part] of parts.entries()) expect(all[n]).toContain(part);
    expect(all.length).toBe(parts.length);
    expect(asked(line)).toEqual([]);
  });
  test("a fine wire stays fine, however many are counted", () =>
    expect(told("Rib: one strand of fine silver wire, 5 turns")[0]).toContain("fine silver wire"));
  test("sizes are no seconds", () =>
    expect(told("Bead: 3.3 gold slotted bead for the 4s and 2.8 for the 6s")).toEqual([
      expect.stringMatching(/3\.3 gold slotted bead/),
    ]));
});

describe("a hook", () => {
  test.each([
    ["House nymph. Hook is a 10 or 12, two extra long.", "10", "12"],
    ["Spider. I tie these in fourteens and sixteens on wet hooks", "14", "16"],
  ])("%s", (line, from, to) => {
    const { recipe } = readAll(`${line}\nThread: black 70 denier`);
    expect(recipe.sizes).toEqual({ from, to });
    expect(recipe.hookModel).not.toBe("");
  });
});

describe("a line about the hook", () => {
  const asks = (text: string) => readAll(text).lines.flatMap((l) => l.asks.map((a) => a.sentence));
  test("loses nothing that is told behind it", () => {
    const text = "On a size 8 streamer hook put 12 wraps of medium lead in the front half of the shank.\nThread: white";
    const { recipe } = readAll(text);
    expect(recipe.steps.map(sayStep)).toEqual(["12 turns, from the eye to mid-shank"]);
    expect(recipe.sizes).toEqual({ from: "8", to: "8" });
    expect(asks("Hook: streamer hook size 8 with some red wool round it\nThread: white")).toContainEqual(
      expect.stringMatching(/^“[^”]*red wool[^”]*” is not the hook/),
    );
  });
  test("asks where two lines tell sizes that are apart, and not where one is within the other", () => {
    expect(asks("Hook: 6 wet\nOn a size 8 streamer hook put 12 wraps of lead.")).toContainEqual(
      expect.stringContaining("Line 1 is about size 6, this one about 8."),
    );
    expect(asks("Spider, sizes 12-16\nHook: 14 wet").filter((a) => a.includes("this one about"))).toEqual([]);
  });
});

describe("what is told anew", () => {
  test("is of another stuff, and the first stays to be seen", () => {
    const line = "Tail: 3 goose biots? no, two brown biots, split, a gape long";
    expect(told(line)).toEqual([expect.stringMatching(/^tail, brown biots: 2 fibres, = the gape length, .*as a V/)]);
    expect(asked(line)).toEqual([]);
    expect(read(line).lines.at(-1)?.marks).toContainEqual(expect.objectContaining({ kind: "aside" }));
  });
});

describe("halves of a body", () => {
  test("leave room for the head, and meet where both say", () => {
    expect(told("Body: rear half yellow floss, front half black dubbing")).toEqual([
      expect.stringMatching(/^body, floss, yellow: touching, from 0.65 of the shank to the bend$/),
      expect.stringMatching(/^body, .*: .* full, from 0.3 of the shank to 0.65 of the shank$/),
    ]);
  });
  test("of the shank stay where they are", () => {
    expect(told("Body: yellow floss, rear half of the shank").at(-1)).toMatch(/from mid-shank to the bend$/);
  });
});

describe("what is wound", () => {
  test("of a hackle a size over has the barbs of a larger hook", () => {
    const [usual, over] = ["", ", one size over"].map((w) =>
      told(`Hook: dry 14\nHackle: brown cock${w}, 3 turns`).at(-1),
    );
    expect(usual).toContain("barbs 1.5 × the gape to 2 × the gape");
    expect(over).toContain("barbs 1.75 × the gape to 2.34 × the gape");
  });
  test("of a hackle a size over says so where it is only tied in, and where no hook is named", () => {
    const tied = "Tie in a brown cock hackle behind the eye, one size over\nWind it three turns";
    expect(told(`Hook: dry 14\n${tied}`).at(-1)).toContain("barbs 1.75 × the gape to 2.34 × the gape");
    const { recipe } = readAll("Thread: black\nHackle: brown cock, one size over, 3 turns");
    expect(recipe.steps.map(sayStep).at(-1)).toContain("barbs 1.4 × the gape to 1.87 × the gape");
  });
  test("of the tail that goes on as the body is all of its fibres", () => {
    const text =
      "Tie in eight fibres of cock pheasant at the bend, tips a gape past the bend\nTie in fine copper wire\nTwist the fibres together and wrap forward six turns to the thorax";
    expect(told(text).at(-1)).toMatch(/rope of 8, 6 turns/);
  });
  test("in the line of a cover is its rib", () => {
    expect(told("Back: clear plastic, tied in at the bend, six wraps of fine silver wire over it")).toContainEqual(
      expect.stringMatching(/^rib, fine silver wire: 6 turns/),
    );
  });
});

test("what is only used is tied in by the next line, once", () => {
  const text =
    "I'm using a pink chenille, 2 mm thick, cut it four inches long\nTie it in at the bend so an inch hangs off\nFold the chenille forward over the top and tie it down behind the eye";
  expect(told(text).filter((l) => l.startsWith("body"))).toHaveLength(2);
  expect(asked(text)).toEqual([]);
});

test("a noodle is as long as the silk that it is on", () => {
  const text =
    "For dubbing I take hare's ear, twist it on about an inch and a half of the silk, and wind that to the shoulder";
  expect(told(text)).toEqual([expect.stringContaining("noodle 38.1 mm")]);
});

test("rear and front stand for the parts of a body", () => {
  const text = "Rear: ball of black fur, 2.5 mm, at the bend\nFront: ball of black fur, 2 mm, over the front third";
  expect(asked(text)).toEqual([]);
  expect(told(text).map((l) => l.split(",")[0])).toEqual(["body", "body"]);
});

test("a waist is a place, and where it is bare nothing is taken for it", () => {
  const text =
    "Abdomen: black fur, ball of 2.5 mm at the bend\nWaist: bare thread\nHackle: black, 2 turns at the waist";
  const reading = read(text);
  expect(reading.lines.flatMap((l) => l.asks)).toEqual([]);
  expect(reading.lines[3]?.notes).toEqual(["left bare: nothing is taken for it"]);
  expect(told(text).at(-1)).toMatch(/at in front of the body$/);
});

test("a knot that is made again is made twice", () => {
  expect(told("Whip finish with five turns and do it again").at(-1)).toMatch(/whip finish, 5 turns, 2 times/);
  expect(told("Half hitch, then a four turn whip").at(-1)).toMatch(/whip finish, 4 turns/);
});

describe("what is told by what came before it", () => {
  const bunch = "Wing: white bucktail, clump of 2 mm, 90 mm\n";
  test.each([
    [
      "a bunch by its colour",
      `${bunch}Tie in a bunch of chartreuse, same thickness and length`,
      /^wing, chartreuse bucktail: .*= 90 mm/,
    ],
    [
      "the same again",
      "Wing: white bucktail, clump of 2 mm, 90 mm\nThen olive bucktail on top, the same again, 85 mm",
      /clump of 2 mm, = 85 mm/,
    ],
    [
      "strands over the thread",
      "Tail: pearl flash, eight strands, folded over the thread, 40 mm",
      /^tail, .*: 8 strands folded, = 40 mm/,
    ],
    [
      "two turns of dubbing in front of that",
      "Dub the body with hare to 4 mm behind the eye\nHackle: brown hen, 2 turns\nTwo turns of dubbing in front of that",
      /^collar, .*: .* full, from in front of the hackle/,
    ],
    [
      "a hackle over one of two bodies",
      "Body: rear half yellow floss, front half black seal\nHackle: black cock over the seal only, 4 turns",
      /^hackle, .*from 0\.65 of the shank to 0\.3 of the shank/,
    ],
    ["two of them side by side", "Body: stripped hackle stalk, two of them side by side", /2 side by side/],
  ])("%s", (_what, text, step) => {
    expect(told(text).at(-1)).toMatch(step);
    expect(asked(text)).toEqual([]);
  });

  test("a strip that is called by one word of it is pulled over", () => {
    const text =
      "Tie in a 3 mm wide strip of tan shell film at the bend\nDub the abdomen in caddis green to 4 mm behind the eye\nPull the film over and tie it down";
    expect(told(text).at(-1)).toMatch(/tan shell film: 1 strand, over the back/);
    expect(told(text)[1]).toMatch(/^body, caddis green dubbing/);
    expect(asked(text)).toEqual([]);
  });

  test("a coat goes over each of two parts", () => {
    const text = "Body: olive floss\nThorax: olive dubbing\nTwo coats of resin over body and thorax, not over the wing";
    expect(told(text).slice(-2)).toEqual([
      expect.stringMatching(/2 coats, from in front of the body/),
      expect.stringMatching(/2 coats, from in front of the thorax/),
    ]);
  });

  test("a wing pad is tied in where the list says, and goes over from there", () => {
    const text =
      "Body: hare fur\nWing pads: pheasant tail, 10 fibres, tied in by the butts in front of the body\nThorax: hare fur\nFold the fibres over, four wraps";
    expect(told(text).find((s) => s.includes("left hanging"))).toMatch(/tied in at in front of the body$/);
  });

  test("wire steps of the hook are no size", () => {
    const { recipe } = readAll("Hook: wet, size 10, 1x strong\nThread: black");
    expect(recipe.sizes).toEqual({ from: "10", to: "10" });
  });

  test.each(["never varnish", "Don't varnish the head", "No wax, no varnish"])("%s: no finish, on purpose", (line) => {
    expect(read(line).recipe.finish).toEqual({ state: "none" });
    expect(asked(line)).toEqual([]);
  });

  test("sizes and hook of “tie on size 12 and 14 wet hooks”", () => {
    const { recipe, lines } = readAll("Spider\ntie on size 12 and 14 wet hooks\nyellow silk, no wax");
    expect([recipe.sizes, recipe.hookModel]).toEqual([{ from: "12", to: "14" }, "W1"]);
    expect(lines.flatMap((l) => l.asks)).toEqual([]);
  });

  test.each([
    ["a third", "0.667"],
    ["two thirds", "0.333"],
    ["a quarter", "three quarters"],
    ["half", "mid-shank"],
    ["1/5", "0.8"],
  ])("the thread goes further by %s of the shank", (share, at) => {
    const text = `Run the thread from the eye to the bend\nMove the thread forward ${share} of the shank`;
    expect(told(text).at(-1)).toContain(`move the thread, at ${at}`);
  });
});

describe("as much as something else", () => {
  const white = "Wing: white bucktail, 2 mm thick, twice the shank\n";
  test("a clump of half the hair is √½ times as thick", () => {
    expect(told(`${white}Wing: olive bucktail, half as much as the white, same length`).at(-1)).toMatch(
      /clump of 1.41 mm/,
    );
    expect(told(`${white}Wing: olive bucktail, half as thick as the white, same length`).at(-1)).toMatch(
      /clump of 1 mm/,
    );
  });
  test("of fibres it is their number", () => {
    const counted = "Wing: 20 white bucktail hairs, twice the shank\nWing: olive bucktail, half as many as the white";
    expect(told(counted).at(-1)).toMatch(/10 fibres/);
  });
  test("of what is not there is asked", () => {
    expect(asked(`${white}Wing: olive bucktail, half as much as the purple`)).not.toEqual([]);
  });
});

describe("a liquid", () => {
  test("that covers everything is a coat over the whole fly, and nothing is wound", () => {
    const steps = told("Body: hare fur\nCover everything with thin resin, cured 20 s");
    expect(steps.at(-1)).toMatch(/^finish, thin resin: 1 coat, from 0 eyes behind the eye to the bend/);
  });
});

describe("thread", () => {
  test("that is taken round the bend is wound there", () => {
    const steps = stepsByStuff("Hook: P1 12\nBlack thread taken round the bend");
    expect(steps).toEqual([expect.stringMatching(/touching, from 0.5 eyes behind the eye to into the bend/)]);
  });
});

describe("what stands behind the stuff of a part", () => {
  const last = (line: string): string => told(line).at(-1) ?? "";
  test.each([
    ["Tail: red wool 2x gape", /^tail, red wool: 1 strand, = 2 × the gape/],
    ["Tail: a 60 mm bunch of black bucktail, pencil thick", /: clump of 7 mm, = 60 mm/],
    ["Tail: moose, 5, as long as the shank", /^tail, moose: 5 fibres, = the shank length/],
    ["Wing: two 3 mm thick bunches of deer hair, to the bend", /: clump of 4.24 mm, to the bend/],
    ["Wing: 20 bucktail hairs, a quarter longer than the hook", /: 20 fibres, = 1.25 × the hook/],
    ["Wing: 20 bucktail hairs, shank length and a bit", /: 20 fibres, = 1.1 × the shank/],
    ["Wing: 20 bucktail hairs, shank length but a bit shorter", /: 20 fibres, = 0.9 × the shank/],
    [
      "Rib: oval tinsel, 5 turns, from the bend to a third in front of the bend",
      /from the bend to two thirds of the shank/,
    ],
    ["Wing: white calf tail, matchstick, a gape high, 30% behind the eye", /from 0.3 of the shank/],
    ["Body: blk dubbing thin", /^body, blk dubbing: 0.3 × the gape full/],
  ])("%s", (line, step) => expect(last(line)).toMatch(step));

  test("a short word for a colour is that colour", () => {
    const steps = stepsByStuff("Hook: D1 10\nThread: blk 8/0\nBody: black fur\nHead: black thread, 6 turns");
    expect(steps.some((s) => /change/.test(s))).toBe(false);
  });
  test("wraps of thread hold what was laid, and are no part of their own", () => {
    expect(told("Tail: red wool, a gape long, 4 wraps of thread")).toHaveLength(1);
    expect(last("Tail: red wool, a gape long, 4 wraps of thread")).toMatch(/with 4 wraps$/);
  });
  test("what a back of film lies over is no second stuff of it", () => {
    const steps = told("Body: olive dubbing\nShellback: 6 mm strip of raffia over the dubbing");
    expect(steps.filter((s) => s.startsWith("wing case")).every((s) => /raffia/.test(s))).toBe(true);
  });
});

describe("a hackle and a post", () => {
  const post = "Post: white calf tail, 2 mm thick, a gape high, a third behind the eye\n";
  test("it goes round the post, where it has no place of its own", () => {
    expect(told(`${post}Hackle: grizzly, 5 turns`).at(-1)).toMatch(
      /5 turns, round the post, .*at a third of the shank/,
    );
  });
  test("it goes where it is said to go", () => {
    expect(told(`${post}Hackle: grizzly, 5 turns, from mid-shank to the bend`).at(-1)).not.toMatch(/round the post/);
  });
});

describe("turns behind a comma", () => {
  test("are those of the one strand that waits", () => {
    const steps = told("Tie in a stripped herl at the bend\nWind the herl in touching turns, 10 or so, to mid-shank");
    expect(steps.at(-1)).toMatch(/: 7 to 13 turns, .*from the bend to mid-shank/);
  });
});

describe("one hackle, and then another by its colour", () => {
  test("each with its own turns", () => {
    const steps = told(
      "Tie in two hackles back to back, one brown and one grizzle\nWind the brown four turns, then the grizzle through it, five turns",
    );
    expect(steps.slice(-2).map((s) => /(brown|grizzle).*?(\d turns)/.exec(s)?.slice(1))).toEqual([
      ["brown", "4 turns"],
      ["grizzle", "5 turns"],
    ]);
  });
});

describe("one more strand in a rope", () => {
  const waits = "Tie in fine copper wire\nTie in three peacock herls by the tips\n";
  test("is asked about, and not wound by itself", () => {
    const line = `${waits}Twist the herls and the wire together and wind them to 2 mm behind the eye`;
    expect(told(line).at(-1)).toMatch(/^body, peacock herl, strung: rope of 3/);
    expect(told(line).filter((s) => /^rib.*turns/.test(s))).toEqual([]);
    expect(asked(line)).toContainEqual(expect.stringContaining("“wire” is not understood"));
  });
});

describe("so much longer", () => {
  test("than what it lies on", () => {
    const steps = told('Tail: white bucktail, 40 hairs, 2.5" long\nTail: 10 strands of flash, 1/2" longer');
    expect(steps.at(-1)).toMatch(/10 strands, = 76.2 mm/);
  });
});

test("wraps of a feather that is tied in by its tip are its turns", () => {
  expect(told("one brown partridge feather, stripped on one side, tied in by the tip, 2 wraps").at(-1)).toMatch(
    /brown partridge feather: 2 turns/,
  );
});
test("“and” may be a sign", () => {
  expect(told("Body: yellow silk, eye to bend & back to mid-shank")).toEqual(
    told("Body: yellow silk, eye to bend and back to mid-shank"),
  );
});

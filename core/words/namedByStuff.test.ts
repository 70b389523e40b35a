import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByPart, stepsByStuff } from "./corpus/reading";
import { stuffAsPart } from "./text/stuffAsPart";

const dry = "Test\nHook: dry 14\nThread: black\n";
const halves = `${dry}Body: rear half flat silver tinsel; front half black seal's fur\n`;
const last = <T>(list: readonly T[]): T | undefined => list.at(-1);

describe("a part that is named by its stuff", () => {
  test.each([
    ["flash: 2 strands of pearl, trimmed a centimetre past the marabou", "10 mm past the tail tip"],
    ["flash: 2 strands of pearl, slightly longer than the marabou", "= 1.1 × the tail"],
    ["flash: 2 strands of pearl, to the end of the marabou", "to the tail tip"],
  ])("%s", (line, length) => {
    const text = `${dry}Tail: white marabou, clump of 2 mm, one and a half shanks long\n${line}`;
    expect(last(stepsByPart(text))).toContain(length);
    expect(asksOf(text)).toEqual([]);
  });

  test("is none where two parts are of it, or none before", () => {
    expect(stuffAsPart(["Name", "Tail: white marabou", "Wing: marabou", "Flash: past the marabou"])[3]).toEqual([]);
    expect(stuffAsPart(["Name", "Flash: past the marabou", "Tail: white marabou"])[1]).toEqual([]);
  });

  test("tells which words stand in its place", () => {
    const [, , put] = stuffAsPart(["Name", "Tail: white marabou", "Flash: past the marabou"]);
    expect(put).toEqual([{ at: 16, instead: 7, put: "tail" }]);
  });

  test.each(["over", "along", "up", "through"])("a hackle goes %s the fur of a body, and is of no fur", (way) => {
    const text = `${halves}Body hackle: black cock ${way} the seal's fur only, 3 turns`;
    const [hackle, ...others] = stepsByStuff(text).slice(2);
    expect(others).toEqual([]);
    expect(hackle).toMatch(/^hackle, black cock: 3 turns, .*from 0.65 of the shank to 0.3 of the shank$/);
  });

  test("a hackle is tied in where it starts", () => {
    const { recipe } = read(`${halves}Hackle: badger cock, tied in by the tip where the seal's fur starts, 3 turns`);
    const fur = recipe.components.filter((c) => c.role === "body")[1];
    expect(last(recipe.steps)).toMatchObject({ do: "wind", from: { part: fur?.id, end: "rear" } });
  });

  test("what is not there is asked about", () => {
    expect(asksOf(`${halves}Hackle: badger cock, tied in where the red wool starts, 3 turns`).join()).toContain(
      "No part of this fly is of “red wool” yet",
    );
  });
});

describe("a length behind the comma", () => {
  test("is of both that were named in one breath, as is where they are tied in", () => {
    const text = `${dry}Antennae: 6 fibres of grey bucktail and 2 of pearl flash, twice the shank, tied in at the bend pointing back`;
    const [one, two] = read(text).recipe.steps;
    expect(one).toMatchObject({
      shown: { of: "shank", times: 2 },
      attitude: "back",
      tieIn: { at: { landmark: "bend" } },
    });
    expect(two).toMatchObject({ shown: { of: "shank", times: 2 }, attitude: "back" });
  });

  test("is of the second where the first has its own", () => {
    const [one, two] = read(`${dry}Wing: 20 hairs of grey bucktail 15 mm long and 2 strands of pearl flash, 20 mm`)
      .recipe.steps;
    expect(one).toMatchObject({ shown: { mm: 15 } });
    expect(two).toMatchObject({ shown: { mm: 20 } });
  });

  test("level with the flash is as long as that, and not to where it is tied in", () => {
    const text = `${dry}Wing: 25 hairs of white bucktail, 30 mm\nFlash: 8 strands of pearl, 35 mm\nWing: 20 hairs of red bucktail, level with the flash`;
    expect(last(read(text).recipe.steps)).toMatchObject({ shown: { of: "flash", times: 1 } });
  });
});

describe("what a line only gets ready", () => {
  test("is tied in, and wound by the line that does so", () => {
    const text = `${dry}Palmer a grey saddle hackle over the body later: tie it in here by its tip.\nBody: grey chenille\nPalmer the hackle forward, 5 turns`;
    const steps = stepsByPart(text);
    expect(steps.filter((s) => s.startsWith("hackle:"))).toHaveLength(2);
    expect(last(steps)).toMatch(/^hackle: 5 turns, .*by the tip/);
    expect(asksOf(text)).toEqual([]);
  });

  test.each(["Bring one strand of fine pearl tinsel with it for the rib.", "Tie in fine pearl tinsel for the rib."])(
    "%s: one rib, and not two",
    (line) => {
      const steps = stepsByPart(`${dry}${line}\nBody: yellow floss\nRib: the tinsel, six turns`);
      expect(steps.filter((s) => s.startsWith("rib:") && s.includes("turns"))).toEqual([
        "rib: 6 turns, from the bend to 0.3 of the shank",
      ]);
    },
  );
});

describe("where a body is", () => {
  test("over the front half is half of the shank, where there is no other body", () => {
    expect(stepsByPart(`${dry}3 magpie herls, wound over the front half`)).toEqual([
      "body: rope of 3, touching, from 2 eyes behind the eye to mid-shank",
    ]);
  });

  test("its rib begins where it does", () => {
    expect(
      last(
        stepsByPart(`${dry}Body: peacock herl, 3 strands, mid-shank to 2 mm behind the eye\nRib: silver wire, 3 turns`),
      ),
    ).toBe("rib: 3 turns, from mid-shank to 2 mm behind the eye");
  });

  test("a rib that was told before goes over both halves, and one that was told of a half over that", () => {
    const both = "Body: rear half black floss, front half claret fur";
    expect(stepsByPart(`${dry}Rib: fine oval gold, five turns\n${both}`)).toContain(
      "rib: 5 turns, from the bend to 0.3 of the shank",
    );
    const one = "Body: rear half black floss, ribbed with fine oval gold, 3 turns; front half claret fur";
    expect(stepsByPart(dry + one).filter((s) => s.startsWith("rib: 3 turns"))).not.toEqual([
      "rib: 3 turns, from the bend to 0.3 of the shank",
    ]);
  });

  test("one layer down and one back are two", () => {
    expect(stepsByPart(`${dry}Body: flat silver, one layer down, one layer back`)[0]).toContain("there and back");
  });

  test("the last mm are those at the eye", () => {
    expect(last(stepsByStuff(`${dry}Body: red fur\nOver the last 3 mm dub black fur.`))).toBe(
      "thorax, black fur: 0.3 × the gape full, from the eye to 3 mm behind the eye",
    );
  });

  test("a thread body is one", () => {
    const steps = stepsByPart(`${dry}Thread body. Rib with white thread, 4 turns`);
    expect(steps.some((s) => s.startsWith("body: touching"))).toBe(true);
  });
});

test("a pair of slips is as wide as is said", () => {
  expect(read(`${dry}Wings: starling slips, 3 mm wide, a pair, upright`).recipe.steps[0]).toMatchObject({
    amount: { slipWidth: { mm: 3 } },
  });
});

test("brass wire is no copper of the size “brassie”", () => {
  const ribs = stepsByStuff(`${dry}Body: brown fur\nRib: brass wire, 4 turns`).filter((s) => s.startsWith("rib"));
  expect(ribs).toEqual(ribs.filter((s) => s.startsWith("rib, brass wire")));
  expect(ribs).toHaveLength(2);
});

test.each([
  ["Hackle: a feather from the throat of a jackdaw, 2 turns", "hackle, jackdaw throat feather: 2 turns"],
  ["Hackle: a feather from the wing of a snipe, 2 turns", "hackle, snipe wing: 2 turns"],
  ["Tail: 6 fibres from the wing of a coot, shank length", "tail, coot wing: 6 fibres"],
])("a bird's parts are none of the fly: %s", (line, step) => {
  const [only, ...others] = stepsByStuff(dry + line);
  expect(others).toEqual([]);
  expect(only?.startsWith(step)).toBe(true);
  expect(only).not.toMatch(/behind the (?:wing|throat)/);
});

test("the stuff that a hackle goes along is not asked for, with a rib and without", () => {
  for (const rib of ["", "Rib: medium oval silver, five turns\n"])
    expect(
      asksOf(
        `${dry}${rib}Body: rear half flat silver tinsel, front half black seal's fur\nBody hackle: black cock along the seal's fur only, 3 turns`,
      ),
    ).toEqual([]);
});

test.each([
  ["Wing: two pairs of starling slips, 3 mm, back to back", { slipWidth: { mm: 3 }, layers: 2 }],
  ["Wing: two pairs of starling slips, 3 mm wide", { slipWidth: { mm: 3 }, layers: 2 }],
  ["Wing: a pair of starling slips, 3 mm", { slipWidth: { mm: 3 } }],
])("pairs of slips are as wide as is said: %s", (line, amount) => {
  expect(read(dry + line).recipe.steps[0]).toMatchObject({ amount });
});

test("butts that are trimmed leave the wing as long as it is", () => {
  const text = `${dry}Wing: deer hair, clump 3 mm, to the bend, butts left as a head, trimmed 2 mm`;
  expect(read(text).recipe.steps[0]).toMatchObject({ shown: { reach: "bend" } });
  expect(asksOf(text)).toEqual([]);
});

test("what is wound over wet varnish comes behind it", () => {
  const [coat, body] = read(`${dry}Body: peacock herl, 3 strands, wound over wet varnish`).recipe.steps;
  expect([coat?.do, body?.do]).toEqual(["glue", "wind"]);
});

test("two layers of lead are wound once each, where each is told", () => {
  const lays = read(`${dry}Weight: two layers of lead, 10 turns then 8 on top`).recipe.steps;
  expect(lays.map((s) => (s.do === "wind" ? [s.rule.turns, s.passes ?? 1] : []))).toEqual([
    [10, 1],
    [8, 1],
  ]);
});

test.each([
  ["Tail: 8 fibres dun cock, twice the gape; split with thread into two equal bunches", "tail: 8 fibres"],
  ["Body: a rope of three peacock herls and the tying thread, wound to 3 mm from the eye", "body: rope of 3"],
])("neither doubled nor wound twice: %s", (line, step) => {
  const [only, ...others] = stepsByPart(dry + line);
  expect(others).toEqual([]);
  expect(only?.startsWith(step)).toBe(true);
});

describe("a body that goes on", () => {
  test.each([
    ["Body: olive dubbing from the bend to halfway, then brown dubbing to the eye", "from mid-shank to the eye"],
    [
      "Body: yellow floss to mid-shank, then black floss to 3 mm behind the eye",
      "from mid-shank to 3 mm behind the eye",
    ],
  ])("does so where it came to: %s", (line, zone) => {
    expect(stepsByPart(dry + line)).toHaveLength(2);
    expect(last(stepsByPart(dry + line))).toContain(zone);
  });

  test("has its first turns at the bend", () => {
    const [tinsel, fur] = read(`${dry}Body: 6 turns of gold tinsel, then dub claret fur up to the eye`).recipe.steps;
    expect(tinsel).toMatchObject({ do: "wind", rule: { touching: true, turns: 6 }, from: { landmark: "bend" } });
    expect(fur).toMatchObject({
      do: "dress",
      from: { part: tinsel?.component, end: "front" },
      to: { landmark: "eye" },
    });
  });
});

test("a hackle that is named again for its place is no third one", () => {
  const steps = stepsByStuff(`${dry}Hackle: partridge and hen, one turn of each, partridge in front`);
  expect(steps.map((s) => s.split(":")[0])).toEqual(["hackle, partridge", "hackle, soft hackle, brown"]);
});

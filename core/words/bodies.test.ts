import { describe, expect, test } from "vitest";
import { sayStep } from ".";
import { asksOf, read, stepsByStuff } from "./corpus/reading";

const nymph = "Hook: nymph 12\nThread: black 8/0\n";
/** Every step of a recipe, with its part and what that is of. */
const steps = (text: string): string[] => stepsByStuff(nymph + text);
const of = (role: string, text: string): string[] => steps(text).filter((s) => s.startsWith(`${role}, `));

describe("tinsel that a recipe ties in without a part", () => {
  const bodies: [string, string][] = [
    ["nothing else makes a body", "Tie in flat silver tinsel at the bend\nWind the tinsel to the eye"],
    [
      "a wire ribs it",
      "Tie in silver tinsel and gold wire at the bend\nWind the tinsel up to the eye\nRib with the wire, 5 turns",
    ],
  ];
  test.each(bodies)("is the body where %s", (_label, text) => {
    expect(of("body", text).at(-1)).toMatch(/: touching, from the bend to the eye$/);
  });

  const ribs: [string, string][] = [
    [
      "something else makes the body",
      "Tie in silver tinsel at the bend\nDub black fur to the eye\nWind the tinsel to the eye",
    ],
    ["it is wound in so many turns", "Tie in silver tinsel at the bend\nWind the tinsel to the eye in 5 turns"],
    [
      "a line calls it the rib",
      "Tie in silver tinsel at the bend\nWind the thread to the eye\nRib with the tinsel, 5 turns",
    ],
  ];
  test.each(ribs)("is the rib where %s", (_label, text) => {
    expect(of("rib", text).at(-1)).toContain("5 turns");
    expect(of("body", text).filter((s) => s.includes("tinsel"))).toEqual([]);
  });
});

describe("a body of several stuffs", () => {
  const shared: [string, string, string][] = [
    ["both shares are told", "Body: rear two thirds yellow floss, front third black floss", "0.533 of the shank"],
    ["only that of the rear", "Body: rear two thirds yellow floss, the rest black floss", "0.533 of the shank"],
    ["the rear is not named so", "Body: two thirds yellow floss, one third black floss", "0.533 of the shank"],
    ["they are halves", "Body: half yellow floss, half black floss", "0.65 of the shank"],
  ];
  test.each(shared)("is shared out where %s", (_label, line, where) => {
    const [rear, front] = of("body", line);
    expect(rear).toMatch(new RegExp(`yellow: touching, from ${where} to the bend$`));
    expect(front).toMatch(new RegExp(`black floss: touching, from 0\\.3 of the shank to ${where}$`));
  });

  test.each(["5 turns", "5 turns over the body", "5 turns over the whole body"])("is ribbed all along: %s", (turns) => {
    const text = `Body: rear half yellow floss, front half black floss\nRib: oval silver, ${turns}`;
    expect(of("rib", text).at(-1)).toContain("5 turns, from the bend to 0.3 of the shank");
  });

  test("two halves of fur are a mixture or a doubt, and never two zones", () => {
    expect(asksOf(`${nymph}Body: half hare and half mole, dubbed`)).not.toEqual([]);
  });

  test("fibres of a tail that are wound on are ribbed as far as they go", () => {
    const text = "Tail: 8 pheasant tail fibres, shank long\nRib: copper wire, 5 turns\n";
    expect(of("rib", `${text}Body: the rest of the fibres wound to mid-shank`).at(-1)).toContain(
      "5 turns, from the bend to mid-shank",
    );
  });
});

describe("a tag of what is tied in for the rib", () => {
  const ahead = "Tie in flat gold tinsel at the bend, ";
  const body = "\nBody: peacock herl\n";
  test.each([
    ["wind on three turns as a tag", "Rib with the tinsel, 4 turns"],
    ["take three turns for a tag", "Rib: the tinsel, 4 turns"],
    ["and make three turns to form a small tag", "Spiral the tinsel over it in four turns"],
  ])("%s, and then “%s”: both are wound of one strand", (tag, rib) => {
    const wound = of("rib", `${ahead}${tag}${body}${rib}`).filter((s) => /\d turns/.test(s));
    expect(wound.map((s) => s.replace(/, pieces.*/, ""))).toEqual([
      "rib, flat tinsel, medium, gold: 3 turns, from the bend to 0.95 of the shank behind the eye",
      "rib, flat tinsel, medium, gold: 4 turns, from the bend to 0.3 of the shank",
    ]);
  });

  test("is all of it where nothing winds it on", () => {
    const text = `${ahead}wind on three turns as a tag and tie it off${body}`;
    expect(of("rib", text)).toEqual([]);
    expect(of("tag", text).at(-1)).toContain("3 turns, from the bend to 0.95 of the shank");
    expect(asksOf(nymph + text)).toEqual([]);
  });

  test("“of the flat” is of that one, where oval waits beside it", () => {
    const text =
      "Tie in flat gold tinsel and fine oval silver at the bend\nWind three turns of the flat for a tag\nBody: black floss\nRib: the oval, 5 turns";
    expect(of("tag", text).at(-1)).toContain("flat tinsel, medium, gold: 3 turns");
    expect(of("rib", text).at(-1)).toMatch(/oval.*: 5 turns, from the bend/);
  });
});

describe("a spot on a body", () => {
  test.each(["with one turn of red wool in the middle", "with a single turn of ostrich herl at mid-shank"])(
    "%s, is no end of it",
    (spot) => {
      expect(of("rib", `Body: black wool, ${spot}\nRib: oval silver, 5 turns`).at(-1)).toContain(
        "5 turns, from the bend to 0.3 of the shank",
      );
    },
  );
});

describe("a strip that is pulled over later", () => {
  const ways: [string, string][] = [
    ["by what it is of", "Fold the foam over and tie it down behind the eye"],
    ["by its form", "Pull the strip over and tie it down behind the eye"],
  ];
  test.each(ways)("is the back, and no second body, called %s", (_label, pull) => {
    const text = `Tie in a strip of black foam at the bend\nDub black fur to the eye\n${pull}`;
    expect(of("wing case", text)).toHaveLength(2);
    expect(of("body", text)).toHaveLength(1);
  });

  test("is bound down as far as is said, and covers from there", () => {
    const text =
      "Tie a strip of black foam in at mid-shank and bind it down to the bend\nDub black fur to the eye\nFold the foam over to the eye";
    expect(of("wing case", text).map((s) => s.replace(/^.*?(from .* to [^,]*),.*$/, "$1"))).toEqual([
      "from mid-shank to the bend",
      "from the bend to the eye",
    ]);
  });
});

describe("what is left for the second of two", () => {
  test("“ones” are of the stuff of the first, with a place and a length of their own", () => {
    expect(of("wing", "Wing: 30 olive bucktail hairs on top, 60 mm, and 15 red ones beneath, 20 mm")).toEqual([
      expect.stringMatching(/^wing, olive bucktail hairs: 30 fibres, = 60 mm, .*shared 1 top/),
      expect.stringMatching(/^wing, red bucktail hairs: 15 fibres, = 20 mm, .*shared 1 underside/),
    ]);
  });

  test.each([
    ["percent behind a plus", "Body: hare's ear + 10% orange seal"],
    ["percent behind “with”", "Body: hare's ear with 10 % orange seal"],
    ["percent behind a comma", "Body: hare's ear, 10% orange seal"],
  ])("%s is its share of the blend", (_label, line) => {
    const { newMaterials } = read(nymph + line);
    const blend = newMaterials.find((m) => m.form === "blend");
    expect(Object.values(blend?.blend?.parts ?? {}).sort((a, b) => a - b)).toEqual([10, 90]);
  });
});

describe("where a hackle that was tied in at the eye ends", () => {
  test("wound back to the body, at its front", () => {
    const text =
      "Tie a hen hackle in by the butt at the eye\nBody: black floss\nTake the hackle back to the body in two turns";
    expect(steps(text).at(-1)).toMatch(/2 turns, .*from the eye to in front of the body$/);
  });
});

describe("what a line about the hook says beside it", () => {
  test.each([
    ["Size 10 nymph hook with 10 turns of 0.5 mm lead at the front.", "10 touching turns"],
    ["Size 10 long-shank nymph hook and eight wraps of .020 lead", "8 touching turns"],
    ["Size 10 nymph hook with 0.5 mm lead, 10 turns", "10 touching turns"],
    ["Size 10 nymph hook weighted with 12 turns of 0.5 mm lead", "12 touching turns"],
  ])("%s", (line, turns) => {
    const { recipe } = read(`Fly\n${line}\nThread: black 8/0\nBody: black fur`);
    expect(recipe.sizes.from).toBe("10");
    expect(recipe.steps.map((s) => sayStep(s))).toEqual([expect.stringContaining(turns), expect.anything()]);
  });

  test("is asked about where it is no part that can be made of it", () => {
    expect(asksOf("Fly\nSize 10 nymph hook with 0.5 mm olive mink on it\nThread: black 8/0").join(" ")).toContain(
      "line of its own",
    );
  });
});

describe("what is tied off in front of something", () => {
  test("“in front of them” is in front of the eyes that the cover was pulled over", () => {
    const text =
      "Tie in a strip of olive raffia at mid-shank for the wing case\nTie in a pair of black mono eyes 1 eye behind the eye\nThorax: olive fur\nBring the raffia over between the eyes, tie off in front of them";
    expect(of("wing case", text).at(-1)).toMatch(/from mid-shank to in front of the eyes/);
  });
});

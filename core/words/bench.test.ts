import { describe, expect, test } from "vitest";
import { readRecipe, sayStep } from ".";
import { cabinet, hooks } from "./corpus/cabinet";

const list = "Hook: streamer 4\nThread: brown 140 denier\n";
const read = (text: string, before = list) => readRecipe(before + text, { materials: cabinet, hooks });
const told = (text: string, before = list): string[] => {
  const { recipe } = read(text, before);
  return recipe.steps.map((s) => `${recipe.components.find((c) => c.id === s.component)?.role ?? ""}: ${sayStep(s)}`);
};
const asked = (text: string, before = list): string[] =>
  read(text, before).lines.flatMap((l) => l.asks.map((a) => a.sentence));
const of = (role: string, text: string, before = list): string[] =>
  told(text, before).filter((s) => s.startsWith(`${role}:`));
/** What is marked as kept in the last line. */
const kept = (text: string): string[] => {
  const { lines } = read(text);
  const last = lines[lines.length - 1];
  return last?.marks.filter((m) => m.kind === "aside").map((m) => last.text.slice(...m.at)) ?? [];
};

describe("reasons and cares", () => {
  test.each([
    ["Rib: fine copper wire, 5 turns so the body lasts", "so the body lasts"],
    ["Tail: 6 pheasant fibres, then check they sit on top", "check they sit on top"],
    ["Body: hare dubbing, to keep the rib from slipping", "to keep the rib from slipping"],
    ["Hackle: brown cock hackle, 3 turns, don't crowd the eye", "don't crowd the eye"],
  ])("are kept as they were said: %s", (text, words) => {
    expect(kept(text).join(" ")).toContain(words);
    expect(asked(text)).toEqual([]);
  });
  test("what measures is no mere reason", () => {
    expect(of("wing", "Wing: elk hair, 2 mm clump, so that the tips reach the bend")[0]).toContain("to the bend");
    expect(of("tail", "Tail: 6 pheasant fibres so they are half the shank long")[0]).toContain("half the shank");
  });
  test("a reason ends where another thing is done", () => {
    const steps = told("Tie in copper wire at the bend\nBody: hare dubbing\nRib so it holds the body and wind 5 turns");
    expect(steps.some((s) => s.startsWith("rib: 5 turns"))).toBe(true);
  });
});

describe("what is not understood", () => {
  test("is asked about by the stretch, with all its words, and can be kept at once", () => {
    const { lines } = read("Tail: 6 pheasant fibres, frobnicate it till it wobbles");
    const asks = lines.flatMap((l) => l.asks);
    expect(asks).toHaveLength(1);
    expect(asks[0]?.sentence).toContain("“frobnicate it till it wobbles”");
    expect(asks[0]?.answers).toEqual([{ label: "Keep it as an instruction", text: "[frobnicate it till it wobbles]" }]);
  });
  test("stays apart from what was understood between", () => {
    expect(asked("Tail: 6 zorgle pheasant fibres, glimmed, half the shank, brattled")).toHaveLength(2);
  });
  test("is not lost in a line about the hook", () => {
    expect(asked("Tail: 6 pheasant fibres", "Hook: wet 12, flux capacitor\nThread: black\n")).toEqual([
      "“flux capacitor” is not the hook. Give it a line of its own.",
    ]);
  });
  test.each(["14 wet", "#4 streamer 4xl", "8 long shank nymph hook", "- Size 8 jig", "dry fly hook 14 16"])(
    "a hook and its size alone are a line about the hook: %s",
    (line) => {
      const { lines, recipe } = readRecipe(`${line}\nThread: black`, { materials: cabinet, hooks });
      expect(lines[0]?.about).toBe("hook");
      expect(recipe.sizes.from).not.toBe("");
    },
  );
  test("a bead slid on in the line of the hook is a step", () => {
    const text = "I use a heavy grub hook, sizes 8 and 10, and slide on a 3.3 mm gold tungsten bead.";
    expect(of("bead", "", text)).toHaveLength(1);
    expect(asked("", text)).toEqual([]);
  });
});

describe("what the recipe has named before", () => {
  const wire = "Tie in fine copper wire at the bend\nBody: hare dubbing\n";
  test("is meant by a word of it", () => {
    expect(of("rib", `${wire}Rib with five turns of the copper`).at(-1)).toMatch(/^rib: 5 turns/);
    expect(asked(`${wire}Rib with five turns of the silver`).length).toBeGreaterThan(0);
  });
  test("is meant by its noun alone; where there is none, several of the cabinet are asked about", () => {
    const strip = "Shellback: strip of clear plastic 3 mm wide\nBody: hare dubbing\n";
    expect(of("wing case", `${strip}Bring the strip over the top and tie down behind the eye`)).toHaveLength(2);
    expect(asked("Body: the herl")).toEqual(["Which herl is it? The recipe has named none before."]);
  });
  test("goes on as the body where it was tied in as a tail", () => {
    const text = "Tail: 6 pheasant tail fibres, half the shank\nWind the same pheasant tail forward to two thirds";
    expect(told(text).at(-1)).toMatch(/rope of 6.*from the bend to a third of the shank/);
  });
  test("two hackles tied in at once are both wound", () => {
    const text = "Tie in a brown and a grizzly cock hackle behind the eye\nWind them four turns each";
    expect(told(text).filter((s) => s.includes("4 turns"))).toHaveLength(2);
  });
  test("a rib goes over all of the body that is there when its turns are told", () => {
    const text =
      "Lay a strip of clear plastic 3 mm wide along the shank with a length of 5 lb mono.\nDub olive fur from the bend to the eye\nRib with the mono, 8 turns";
    expect(of("rib", text).at(-1)).toContain("8 turns, from the bend to the eye");
  });
});

describe("how much", () => {
  test.each([
    ["Wing: two mallard flank bunches, 12 fibres each, upright", "24 fibres"],
    ["Tail: marabou, black, one full plume, one shank", "1 feather"],
    ["Legs: pheasant tail, three fibres each, one to a side", "6 fibres"],
    ["Wing: 2 mm of white bucktail to the bend", "clump of 2 mm"],
    ["Cheeks: jungle cock", "1 pair of feathers"],
    ["Tail: wool yarn, 4 mm", "= 4 mm"],
    ["Tail: 6 brown hackle fibres, one gape and a half", "1.5 × the gape"],
  ])("%s", (text, words) => expect(told(text).join("\n")).toContain(words));
  test("two hackles are feathers, never a length", () => {
    expect(told("Body: hare dubbing, stop short because two hackles go on").join()).not.toContain("hackle full");
  });
  test("three in front is no three inches", () => {
    const text =
      "Wing: white bucktail, 2 mm clump, upright\nHackle: brown cock, four turns behind wings, three in front";
    expect(of("hackle", text)).toEqual([
      expect.stringContaining("4 turns") as string,
      expect.stringContaining("3 turns") as string,
    ]);
  });
  test("a blend by its shares is milled so", () => {
    const { newMaterials } = read("Body: 60 % olive seal, 40 % orange seal, well mixed");
    expect(Object.values(newMaterials.find((m) => m.form === "blend")?.blend?.parts ?? {})).toEqual([60, 40]);
  });
  test("a ball of dubbing at a place is as long as it is thick; a size without a shank is a length", () => {
    expect(of("body", "Body: a small ball of hare dubbing at the bend")[0]).toContain("0.3 gapes in front of the bend");
    expect(of("tail", "Tail: 3 pheasant fibres, tips extend one shank")[0]).toContain("= the shank");
  });
  test("a coat beside a part goes along it, glue beside another is a drop there, neither is the head's", () => {
    const { recipe } = read("Body: silver tinsel, 2 layers, coated with thin resin\nWhip finish, 4 turns");
    expect(recipe.finish.state).toBe("not stated");
    expect(of("finish", "Weight: 6 turns lead wire, locked with superglue")).toHaveLength(1);
  });
});

describe("where", () => {
  test("forward to two thirds is counted from the bend, two thirds behind the eye from there", () => {
    expect(of("body", "Dub hare fur from the bend to two thirds")[0]).toContain("to a third of the shank");
    expect(of("body", "Body: hare fur, from the bend to two thirds of the shank behind the eye")[0]).toContain(
      "two thirds of the shank",
    );
  });
  test("a verb in the midst of another is one of its own", () => {
    const text = "Tie in fine copper wire at the bend, winding it forward 6 turns to mid-shank";
    expect(of("rib", text)).toHaveLength(2);
  });
  test("a place first, and then what is done there", () => {
    expect(of("tail", "At the bend tie in 20 fibres of white bucktail, twice the hook")[0]).toMatch(
      /20 fibres, = 2 × the hook.*tied in at the bend/,
    );
  });
  test("what starts at a place leaves what is tied in there to itself", () => {
    expect(of("legs", "Start at the bend, two rubber legs tied in, 25 mm each")).toHaveLength(1);
  });
});

describe("a figure without a unit", () => {
  const widthOf = (text: string): number | undefined => {
    const { newMaterials } = read(text);
    return newMaterials.find((m) => m.form === "wire" || m.form === "weight wire")?.strand?.width;
  };
  test.each([
    ["Rib: mono 0.12, 8 turns", 0.12],
    ["Weight: 8 turns of 0.7 lead", 0.7],
    ["Weight: 8 turns of .035 lead", 0.889],
    ["Rib: 0.3 mm mono, 8 turns", 0.3],
  ])("%s is %f mm thick", (text, mm) => expect(widthOf(text)).toBeCloseTo(mm, 3));
});

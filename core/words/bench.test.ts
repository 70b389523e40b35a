import { describe, expect, test } from "vitest";
import { sayStep } from ".";
import { asksOf, read as readAll, stepsByPart } from "./corpus/reading";
import { cabinet } from "./corpus/cabinet";

const list = "Hook: streamer 4\nThread: brown 140 denier\n";
const read = (text: string, before = list) => readAll(before + text);
const told = (text: string, before = list): string[] => stepsByPart(before + text);
const asked = (text: string, before = list): string[] => asksOf(before + text);
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
      const { lines, recipe } = readAll(`${line}\nThread: black`);
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

describe("what is named in front of its verb", () => {
  test("is what is wound, and no tail for its feather", () => {
    const text = "Tail: pheasant, 5 fibres\nPheasant tail, 6 fibres, twist with thread and wrap 2/3 up the hook";
    expect(of("body", text)).toEqual([expect.stringMatching(/rope of 6, touching, from the bend to a third/)]);
    expect(of("tail", text)).toHaveLength(1);
  });
  test("the wire over it is the rib's, with its turns", () => {
    const text =
      "Copper wire, leave it hanging\nPheasant tail, 6 fibres, wrap to mid-shank, wire over it 5 turns opposite way";
    expect(of("rib", text)[1]).toMatch(/5 turns, counter/);
    expect(of("body", text)[0]).toMatch(/to mid-shank$/);
  });
  test("herls that nobody named are asked about, and never the thread", () => {
    expect(asked("5 herls, wound to the thorax")).toHaveLength(1);
    expect(told("5 herls, wound to the thorax")).toEqual([]);
  });
  test("the thread over a body ribs it, and ties foam down where it parts that in segments", () => {
    expect(of("rib", "Body: yellow foam 3mm thick, ribbed with 4 thread wraps")[1]).toMatch(/^rib: 4 turns/);
    const [body, ...more] = of("body", "Body: yellow foam 3mm thick, segmented with 4 thread bands");
    expect(body).toMatch(/^body: 1 strand, .* with 20 wraps$/);
    expect(more).toEqual([]);
  });
  test("a colour and a number name the thread also ahead of what is done with it", () => {
    const { recipe } = read("Brown 8/0, cover the shank and go to the bend", "Hook: nymph 12\n");
    expect(recipe.components.find((c) => c.role === "thread")?.material).toHaveLength(1);
  });
  test("a brush of fibre is wound as chenille is", () => {
    const { newMaterials } = read("Body: pink fibre brush, palmered to the eye");
    expect(newMaterials.map((m) => m.form)).toContain("chenille");
  });
  test("a ball that a fly is started with lies where it is said", () => {
    expect(told("Start with a small ball of dubbing at the bend")[0]).toMatch(/to the bend$/);
  });
});

describe("eyes weigh what they are made of", () => {
  const massOf = (text: string): number | undefined =>
    read(text).newMaterials.find((m) => m.form === "eyes")?.part?.mass;
  test("a flat disc, a doll eye and a pair of metal each have their own", () => {
    const [disc, doll, brass, lead] = ["stick-on eyes", "doll eyes", "dumbbell eyes", "lead eyes"].map(
      (eyes) => massOf(`Eyes: 6 mm ${eyes}`) ?? 0,
    ) as [number, number, number, number];
    expect(disc).toBeCloseTo(1.2 * Math.PI * 9 * 0.9, 0);
    expect(brass / doll).toBeCloseTo((2 * 8.5) / 1.2, 1);
    expect(lead / brass).toBeCloseTo(11.34 / 8.5, 2);
  });
  test("whatever is stuck on is light, and there are two of it", () => {
    for (const eyes of ["holographic eyes", "3d eyes", "tape eyes", "adhesive eyes"]) {
      expect(massOf(`Eyes: 6 mm ${eyes}`)).toBeLessThan(100);
      expect(of("eyes", `Eyes: 6 mm ${eyes}`)[0]).toContain("2 of them");
    }
  });
  test.each([
    ["Dumbbells, 5/32, behind the eye", 3.96875],
    ["Black bead 3.3", 3.3],
    ["Eyes: dumbbell 4 mm", 4],
  ])("%s are %f mm across", (text, mm) => {
    const { newMaterials } = read(text);
    expect(newMaterials.find((m) => m.part)?.part?.diameter).toBeCloseTo(mm, 3);
  });
  test("eyes of which nothing is named are asked about, and no step without a part is made", () => {
    const { recipe } = read("Dumbbells, behind the eye, 10 wraps");
    expect(recipe.steps.every((s) => s.do !== "seat" || s.component !== undefined)).toBe(true);
  });
});

test("rubber that is tied in is legs, and is not wound", () => {
  expect(of("legs", "Two rubber legs tied in the middle, 25 mm each")[0]).toMatch(
    /4 strands folded, = 25 mm, to both sides/,
  );
});

describe("a line that begins with the hook", () => {
  const hookOf = (line: string): [string, string | undefined] => {
    const { recipe } = read(line, "");
    const thread = recipe.components.find((c) => c.role === "thread");
    return [recipe.sizes.from, thread?.asStated ?? thread?.material[0]?.value];
  };
  test.each([
    ["Standard dry 16. 12/0 rusty.", "16"],
    ["Long shank 10 wet; brown 6/0", "10"],
    ["#1/0 wide gape stinger, gel spun 200.", "1/0"],
    ["On a long 1/0: thread clear mono.", "1/0"],
  ])("goes on with the thread: %s", (line, size) => {
    const [from, thread] = hookOf(line);
    expect(from).toBe(size);
    expect(thread).toBeTruthy();
  });
  test("a bead of 3.0 is no size of the hook, and no three of them", () => {
    const { recipe } = read("Jig hook size 14, 3.0 slotted tungsten copper", "");
    expect(recipe.sizes).toEqual({ from: "14", to: "14" });
    expect(recipe.steps.map((s) => sayStep(s))).toEqual(["at the eye"]);
  });
});

test("cheeks that hung are pulled forward, and those with a length are not", () => {
  const forward = "Pull the red floss forward along each side, 3 wraps";
  expect(of("cheeks", `Catch in red floss at the bend for cheeks\n${forward}`).join("\n")).toMatch(
    /left hanging.*\n.*tied in at .* with 3 wraps/,
  );
});
test("a touch fatter is no trace", () => {
  expect(of("thorax", "Body: rust fur\nThorax: rust fur, a touch fatter")[0]).not.toContain("trace");
});
test("what is dubbed up to the thorax is the body", () => {
  expect(of("body", "Dub rust fur up to the thorax, tapering")).toHaveLength(1);
});

describe("what is said by another part", () => {
  test("the same as the abdomen is of its dubbing", () => {
    const { recipe } = read("Abdomen: dark stone dubbing\nThorax: same as abdomen");
    const of = (role: string) => recipe.components.find((c) => c.role === role)?.material.map((m) => m.value);
    expect(of("thorax")).toEqual(of("body"));
    expect(recipe.steps).toHaveLength(2);
  });
  test("the same as a part that is not there is asked about", () => {
    expect(asked("Thorax: same as abdomen")).toHaveLength(1);
  });
});

test("a gauge alone is the wire's, and lead stays lead", () => {
  const wireOf = (text: string) => {
    const { recipe, newMaterials } = read(text);
    const code = recipe.components.find((c) => c.role === "weight")?.material[0]?.value;
    return newMaterials.find((m) => m.code === code) ?? cabinet.get(code ?? "");
  };
  expect(wireOf("Weight: 10 turns .015")?.strand?.width).toBeCloseTo(0.381, 2);
  expect(wireOf("Lead: 10 turns .025")).toMatchObject({ lead: true });
});
test("two clumps of 4 mm are two of them, and the length stays free to be said", () => {
  expect(
    of(
      "collar",
      "Tail: white bucktail, clump of 2 mm\nCollar: white bucktail, two clumps of 4 mm, half as long as the tail",
    )[0],
  ).toMatch(/clump of 5\.66 mm, = half the tail/);
});
test("strands that are twisted and wound in turns are a rope", () => {
  expect(of("body", "Peacock herl body, three strands twisted into a rope, 8 turns")[0]).toMatch(/rope of 3, 8 turns/);
});

describe("numbers that stand alone", () => {
  test.each([
    ["Rib: copper wire, 8", /8 turns/],
    ["Rib: thread, 5 segments", /5 turns/],
    ["Rib: copper wire counter 6", /6 turns, counter/],
  ])("behind a rib are its turns: %s", (text, turns) => expect(of("rib", text).join()).toMatch(turns));
  test.each([
    ["Wing: 25 deer hairs, to the bend", "25 fibres"],
    ["Wing: 20 white bucktail hairs, twice the shank", "20 fibres"],
  ])("before hairs count them: %s", (text, amount) => expect(of("wing", text)[0]).toContain(amount));
});

test("herl on top of all is a topping", () => {
  expect(of("topping", "Body: hare dubbing\nPeacock herl, 8 strands on top").join()).toContain("8 strands");
});
test("the colour of the head stays with its line", () => {
  expect(kept("Body: hare dubbing\nSmall black head").join(" ")).toContain("black");
  expect(asked("Body: hare dubbing\nSmall black head")).toEqual([]);
});

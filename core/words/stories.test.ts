import { describe, expect, test } from "vitest";
import { sayLine, sayStep } from ".";
import { cabinet } from "./corpus/cabinet";
import { read as readAll } from "./corpus/reading";

const head = "Hook: streamer 4\nThread: brown 140 denier\n";
const read = (text: string, before = head) => readAll(before + text);
/** Each step with its role, as it is said back. */
const told = (text: string, before = head): string[] => {
  const { recipe } = read(text, before);
  return recipe.steps.map((s) => {
    const role = recipe.components.find((c) => c.id === s.component)?.role;
    return role ? `${role}: ${sayStep(s)}` : sayStep(s);
  });
};
const asked = (text: string, before = head): string[] =>
  read(text, before).lines.flatMap((l) => l.asks.map((a) => a.sentence));
const stepOf = (text: string, role: string, before = head): string =>
  told(text, before).find((s) => s.startsWith(`${role}:`)) ?? "";

describe("whose a number is", () => {
  test("strands that are counted with another material are that material's", () => {
    const text = "Tail: black marabou, shank length, with two strands of red flash each side";
    expect(stepOf(text, "tail")).toBe("");
    expect(stepOf(text, "flash")).toMatch(/^flash: 4 strands/);
    expect(asked(text).some((s) => s.startsWith("How much of it?"))).toBe(true);
  });
  test("each with a side says where, and gives nothing to the parts before it", () => {
    const text = "Wing: white hair under, black hair over, each a bunch of 2 mm";
    expect(told(text).filter((s) => s.includes("clump of 2 mm"))).toHaveLength(2);
  });
  test("wraps of weight are its turns, those of a tail hold it", () => {
    expect(stepOf("Weight: 8 wraps .015 tin wire", "weight")).toContain("8 touching turns");
    expect(stepOf("Tail: 6 pheasant fibres, tied in at the bend with 4 wraps", "tail")).toContain("with 4 wraps");
  });
  test("a pair of rubber legs is two strands, a pair each side four", () => {
    expect(stepOf("Legs: one pair of brown rubber legs, 8 mm", "legs")).toContain("2 strands");
    expect(stepOf("Legs: brown rubber, one pair each side, 8 mm", "legs")).toContain("4 strands");
  });
  test("so long is how far dubbing goes, never how full it is", () => {
    const text = "Thorax: olive dubbing, 3 mm long";
    expect(stepOf(text, "thorax")).not.toContain("3 mm full");
    expect(stepOf(text, "thorax")).toContain("from 1 eye behind the eye to 3 mm behind 1 eye behind the eye");
    expect(asked(text)).toEqual([]);
  });
  test("a bare length of chenille is never how full it fills, of floss it is", () => {
    expect(stepOf("Body: red chenille, 15 mm", "body")).not.toContain("filled");
    expect(stepOf("Body: red floss, 2 mm", "body")).toContain("filled to 2 mm");
  });
  test("a couple is a number before mm, and a question before turns", () => {
    expect(stepOf("Body: olive dubbing up to a couple of mm behind the eye", "body")).toContain("2 mm behind the eye");
    expect(asked("Rib: fine copper wire, a couple of turns")).not.toEqual([]);
  });
});

describe("what a later line says of what waits", () => {
  const tied = "Body: olive chenille\nTie in a brown saddle hackle by the tip at the bend.\n";
  test("by which end a hackle was tied in stays with it when it is wound", () => {
    expect(told(`${tied}Wind the hackle 5 turns.`).at(-1)).toContain("by the tip");
    expect(told(`${tied.replace("by the tip ", "")}Wind the hackle 5 turns.`).at(-1)).not.toContain("by the tip");
  });
  test("palmered it goes over the body, wound it stays where it was tied in", () => {
    expect(told(`${tied}Palmer it, 5 turns.`).at(-1)).toContain("from the bend to");
    expect(told("Body: olive chenille\nTie in a brown saddle hackle at the bend.\nWind it 5 turns.").at(-1)).toContain(
      "at the bend",
    );
  });
  test("barbs that are told at the tie-in are those of the hackle that is wound", () => {
    const text = "Tie in a dun cock hackle, barbs one and a half times the gape.\nTake four turns forward.";
    const wound = told(text).filter((s) => s.includes("turns"));
    expect(wound).toHaveLength(1);
    expect(wound[0]).toMatch(/4 turns.*barbs 1.5 × the gape/);
  });
  test("turns without a word before them are its turns", () => {
    expect(told("Take a grey partridge hackle, strip the fluff.\nOne and a half turns, no more.").at(-1)).toContain(
      "1.5 turns",
    );
  });
  test("a length that is told in the next sentence is the one of what was tied in", () => {
    expect(stepOf("Tie in 10 pheasant fibres for the tail. They should be as long as the shank.", "tail")).toContain(
      "= the shank length",
    );
  });
  test("the rear of the shank is a half, the back of a fly is pulled over all of it", () => {
    const text =
      "Back: clear stretch strip 2 mm, tied in at the bend, left hanging\nBody: olive dubbing\nPull the back over to the eye";
    expect(told(text).at(-1)).toContain("from the bend to the eye");
  });
  test("a back of a list that a line takes over is taken over once", () => {
    const overs = told(
      "Back: clear stretch strip 2 mm, tied in at the bend\nBody: olive dubbing\nPull the back over to the eye",
    ).filter((s) => s.includes("over the back"));
    expect(overs).toHaveLength(1);
  });
  test("and forward again is there and back", () => {
    expect(
      stepOf("Body: orange floss, touching turns, from behind the eye back to the barb and forward again", "body"),
    ).toContain("there and back");
  });
});

describe("several things in one line", () => {
  test("a whole list: each part behind its semicolon, with the hook before them", () => {
    const text =
      "Hook: dry 14-18; Thread: black 8/0; Tail: 8 grizzly hackle fibres, shank length; Body: stripped peacock quill; Hackle: grizzly, 5 turns";
    const { recipe, lines } = read(text, "");
    expect(lines.flatMap((l) => l.asks)).toEqual([]);
    expect(recipe.sizes).toEqual({ from: "14", to: "18" });
    expect(recipe.components.map((c) => c.role)).toEqual(expect.arrayContaining(["thread", "tail", "body", "hackle"]));
    expect(told(text, "")).toHaveLength(3);
  });
  test("the wire and a hackle are both tied in", () => {
    const roles = told(
      "Tie in medium gold wire and a brown saddle hackle at the bend. Wind olive chenille to the eye.",
    ).map((s) => s.split(":")[0]);
    expect(roles).toEqual(expect.arrayContaining(["rib", "hackle", "body"]));
  });
  test("for the tail, … is about the tail as far as its sentence goes", () => {
    const steps = told(
      "Start the thread behind the eye. For the tail, tie in 6 pheasant fibres. Wind olive chenille to 2 eyes behind the eye.",
    );
    expect(steps.filter((s) => s.startsWith("tail:"))).toHaveLength(1);
    expect(steps.at(-1)).toMatch(/^body:/);
  });
  test("ribbed with is a rib of its own, with its turns", () => {
    const steps = told("Body: olive dubbing, ribbed with fine gold wire x5");
    expect(steps.filter((s) => s.startsWith("rib:"))).toHaveLength(2);
    expect(steps.at(-1)).toContain("5 turns");
    expect(steps.filter((s) => s.startsWith("body:"))).toHaveLength(1);
  });
});

describe("which material is meant", () => {
  const lead = (text: string): boolean | undefined => {
    const { recipe, newMaterials } = read(text);
    const code = recipe.components.find((c) => c.role === "weight")?.material[0]?.value ?? "";
    return (newMaterials.find((m) => m.code === code) ?? cabinet.get(code))?.lead;
  };
  test.each(["lead free", "lead-free", "leadfree"])("%s is no lead", (words) =>
    expect(lead(`Weight: 10 turns of .025 ${words}`)).toBe(false),
  );
  test("lead is", () => expect(lead("Weight: 10 turns of .025 lead wire")).toBe(true));
  test("a head of herl is wound of herl, one that says a colour of the thread", () => {
    expect(stepOf("Head: 3 strands peacock herl, twisted, 4 turns", "head")).toContain("rope of 3, 4 turns");
    expect(told("Head: small, brown").filter((s) => s.includes("change"))).toEqual([]);
    expect(told("Head: red thread, 6 turns").some((s) => s.includes("change"))).toBe(true);
  });
  test("the same fur is what was dubbed before", () => {
    const { recipe } = read("Body: muskrat dubbing, slim\nThorax: the same fur, 0.4 gape");
    const code = (role: string) => recipe.components.find((c) => c.role === role)?.material[0]?.value;
    expect(code("thorax")).toBe(code("body"));
  });
  test("the thread of a hot spot is not the one that the fly begins with", () => {
    const { recipe } = read(
      "Hot spot: orange thread\nStart the thread behind the eye and cover the shank down to the bend.\nChange to the orange thread, make a small hot spot of 6 turns behind the eye.",
    );
    const thread = recipe.components.find((c) => c.role === "thread")?.material[0]?.value;
    const first = recipe.steps.find((s) => s.do === "wind");
    expect(recipe.components.find((c) => c.id === first?.component)?.material[0]?.value).toBe(thread);
    expect(
      told("Hot spot: orange thread\nChange to the orange thread, make a small hot spot of 6 turns behind the eye.").at(
        -1,
      ),
    ).toContain("6 turns");
  });
});

describe("names of flies", () => {
  test.each([
    ["Soft hackle wet, sizes 12 14 16", { from: "12", to: "16" }],
    ["Wet fly, winged (size 10, 12)", { from: "10", to: "12" }],
  ])("%s is a title with its sizes, no step", (title, sizes) => {
    const { recipe, lines } = read(`${title}\nThread: black`, "");
    expect(lines[0]?.kind).toBe("fact");
    expect(recipe.sizes).toEqual(sizes);
    expect(recipe.steps).toEqual([]);
  });
  test("wet the feather is something to do", () => {
    expect(told("Body: olive floss\nWet the floss").at(-1)).toContain("wet");
  });
});

test("a hackle round a post stands where the wing does, however far the thread has gone", () => {
  const steps = told(
    "Post: white poly strand, 2 strands folded, 6 mm, a third of the shank behind the eye\nThorax: olive dubbing\nHackle: grizzly, 4 turns round the post",
  );
  expect(steps.at(-1)).toMatch(/4 turns, round the post.*at a third of the shank/);
  expect(steps[0]).toContain("pointing up");
});

describe("where on the skin a material comes from", () => {
  const areaOfPart = (text: string, role: string): string | undefined =>
    read(text).recipe.components.find((c) => c.role === role)?.area;
  test.each([
    ["Wing: matched slips of grey wing quill from the lower wing, slips 3 mm wide, shank length", "wing", "lower wing"],
    ["Hackle: brown saddle hackle from the edge of the saddle, 5 turns", "hackle", "edge"],
    ["Tail: brown bucktail, taken from the side of the tail, shank length, 12 fibres", "tail", "side of the tail"],
    ["Tie in 8 pheasant fibres as a tail, cut from the rear of the skin", "tail", "rear"],
    ["Wing: white bucktail from the upper wing, 20 fibres", "wing", "upper wing"],
  ])("%s", (text, role, area) => {
    expect(areaOfPart(text, role)).toBe(area);
    expect(asked(text).filter((a) => a.includes(area))).toEqual([]);
  });
  test.each([
    "Rib: fine copper wire from the tail to the eye, 5 turns",
    "Body: olive dubbing from the rear of the hook to the eye",
    "Wind the hackle from the wing to the eye, 5 turns",
  ])("a place on the fly is none: %s", (text) =>
    expect(
      read(`Tail: brown marabou, shank length\nHackle: brown saddle hackle, 3 turns\n${text}`).recipe.components.some(
        (c) => c.area !== undefined,
      ),
    ).toBe(false),
  );
  test("is said back, and read to the same again", () => {
    const text = "Wing: matched slips of grey wing quill from the lower wing, slips 3 mm wide, shank length";
    const { recipe } = read(text);
    const wing = recipe.steps.find((s) => recipe.components.find((c) => c.id === s.component)?.role === "wing");
    if (!wing) throw new Error("no wing");
    const line = sayLine(wing, recipe, cabinet);
    expect(line).toContain("from the lower wing of the skin");
    expect(areaOfPart(line, "wing")).toBe("lower wing");
  });
});

import { describe, expect, test } from "vitest";
import { sayStep } from "..";
import { read as readAll } from "../corpus/reading";

const read = (...lines: string[]) => readAll(lines.join("\n"));

describe("a line that tells of the hook", () => {
  test.each([
    ["Wet fly, 8-12, on a heavy hook.", "8", "12"],
    ["Streamers, 2 to 6, 4x long.", "6", "2"],
    ["18, straight eye, light wire. White silk.", "18", "18"],
    ["So this is a size 14 dry, 8/0 in tan.", "14", "14"],
    ["I tie this wet on a 12. Purple silk.", "12", "12"],
    ["Low water double, 6 to 10", "10", "6"],
    ["Put a curved 12 in the vise.", "12", "12"],
    ["De-barb a size 16 dry hook.", "16", "16"],
    ["Leech hooks, 6-10", "10", "6"],
    ["Hooks: 4 and 6, long shank. Red thread.", "6", "4"],
    ["This is a soft hackle for size 14 and 16.", "16", "14"],
    ["Low wing sedge, size 10 & 12", "12", "10"],
    ["A parachute on a light 16.", "16", "16"],
    ["Start with a 14 barbless dry in the vice.", "14", "14"],
    ["Today it's a size 16 dry.", "16", "16"],
    ["hook 2 - 6, 4xl streamer", "6", "2"],
    ["hook wet 8 thru 12", "12", "8"],
    ["I do these on a 10 or a 12 wet.", "12", "10"],
    ["Size 12 light wire. Rust thread.", "12", "12"],
  ])("%s", (line, small, large) => {
    const { recipe, lines } = read("A Fly", line);
    const spans = [recipe.sizes.from, recipe.sizes.to].sort();
    expect(spans).toEqual([small, large].sort());
    const asked = lines[1]?.asks.map((a) => a.sentence) ?? [];
    expect(asked.filter((s) => !/Which hook of the room/.test(s))).toEqual([]);
  });

  test.each([
    ["the hook here and its sizes there", ["Hook: dry", "Size 12 to 16"]],
    ["its sizes first", ["A sedge, sizes 12 to 16", "Hook: dry"]],
  ])("asks nothing of what another line tells: %s", (_what, told) => {
    const { recipe, lines } = read("A Fly", ...told);
    expect([recipe.hookModel, [recipe.sizes.from, recipe.sizes.to].sort()]).toEqual(["D1", ["12", "16"]]);
    expect(lines.flatMap((l) => l.asks)).toEqual([]);
  });
  test("a kind of fly without sizes is no hook, nor is a stuff with a number", () => {
    for (const line of ["Soft hackle, 2 turns", "Tail: 6 wet fibres"])
      expect(read("A Fly", "Hook: dry 14", line).recipe.sizes).toEqual({ from: "14", to: "14" });
  });

  test.each([
    [
      "the thread behind it",
      "I tie this wet on a 12. Purple silk, from the eye to the bend.",
      "touching, from the eye to the bend",
    ],
    ["the weight behind it", "Put a curved 12 in the vise. Lead: 10 turns of 0.4 mm.", "10 touching turns"],
  ])("leaves %s to be read", (_what, line, step) =>
    expect(
      read("A Fly", line)
        .recipe.steps.map((s) => sayStep(s))
        .join(),
    ).toContain(step),
  );
});

describe("the wire of a weight by its gauge alone", () => {
  const wire = (line: string) =>
    read("Hook: nymph 10", "Thread: black", "Bead: 3 mm brass", line).newMaterials.find((m) => m.form === "weight wire")
      ?.strand?.width;
  test.each([
    ["in millimetres", "lead: 2 layers, first 14 turns of .5, then 10 on top of it", 0.5],
    ["in millimetres, said", "Lead: 10 turns of 0.6 mm", 0.6],
    ["in inches", "2.8 mm bead, 6 turns .025 behind it", 0.635],
  ])("%s", (_what, line, mm) => expect(wire(line)).toBeCloseTo(mm, 3));

  test("a second layer lies over the first, each with its own turns", () => {
    const steps = (line: string): string[] =>
      read("Hook: nymph 10", "Thread: black", line).recipe.steps.map((s) => sayStep(s));
    expect(steps("lead: 2 layers, first 14 turns of .5, then 10 on top of it")).toMatchObject([
      expect.stringMatching(/^14 touching turns/),
      expect.stringMatching(/^10 touching turns/),
    ]);
    expect(steps("Wind on 14 turns of 0.5 mm lead, then another 8 over them")).toMatchObject([
      expect.stringMatching(/^14 touching turns/),
      expect.stringMatching(/^8 touching turns/),
    ]);
  });

  test("pushed in is pushed into the bead", () =>
    expect(
      read("Hook: jig 12", "Thread: black", "3.3 mm copper bead, 6 turns .015 behind it pushed in").recipe.steps,
    ).toMatchObject([{ do: "seat" }, { do: "wind", intoBead: true }]));
});

describe("a line that only names materials", () => {
  const stuff = "You need: olive marabou, olive chenille, gold wire, grizzly hackle dyed olive.";
  test("ties nothing, and is asked what each is for", () => {
    const { recipe, lines } = read(
      "Hook: streamer 6",
      "Thread: black",
      stuff,
      "Tail: 8 fibres of olive marabou, shank length",
    );
    expect(recipe.steps).toHaveLength(1);
    expect(lines[2]?.asks.map((a) => a.answers.map((x) => x.text))).toEqual([[`[${stuff}]`]]);
  });
  test("its hook is known all the same, and nothing of it is tied", () => {
    const reading = read(
      "A Fly",
      "You need: a #12 2XL nymph hook, six turns of .015 lead, brown turkey tail fibres, small gold wire, hare and two biots.",
    );
    expect(reading.recipe.sizes).toEqual({ from: "12", to: "12" });
    expect([reading.recipe.hookModel, reading.recipe.steps.length]).toEqual(["L2", 0]);
    expect(reading.lines[1]?.asks.map((a) => a.sentence)).toEqual([expect.stringMatching(/^Of these nothing is said/)]);
  });
  test("kept as an instruction it is asked about no more", () =>
    expect(read("Hook: streamer 6", "Thread: black", `[${stuff}]`).lines[2]?.asks).toEqual([]));
  test("a list with its parts is no such line", () =>
    expect(read("Materials: hook 10 wet, thread black, tail red wool, body black fur").recipe.steps).toHaveLength(2));
});

describe("a first line that says more than a name", () => {
  test("the sizes of a kind of fly, and then the story", () => {
    const { recipe, name } = read("I tie this wet in 12s. Well waxed yellow silk from behind the eye to the bend.");
    expect([recipe.sizes.from, recipe.hookModel, name]).toEqual(["12", "W1", undefined]);
    expect(recipe.steps).toHaveLength(1);
  });
  test("a name before a colon and its hook", () => {
    const { recipe, name } = read("Coal Barge Buzzer: #12 grub; black 14/0; rib white stripped quill, 9 turns");
    expect([name, recipe.sizes.from]).toEqual(["Coal Barge Buzzer", "12"]);
  });
});
test("thread on behind a bead is started there, and is no bead", () => {
  const { recipe } = read("Hook: D1 10\nBlack thread\nBead: 3 mm gold\nThread on behind the bead and to the bend");
  expect(recipe.steps.map((s) => s.do)).toEqual(["seat", "wind"]);
});

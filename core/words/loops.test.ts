import { describe, expect, test } from "vitest";
import { sayStep } from ".";
import { asksOf, stepsByStuff, read as readAll } from "./corpus/reading";

const list = "Hook: streamer 4\nThread: brown 140 denier\n";
const told = (text: string): string[] => stepsByStuff(list + text).filter((s) => !s.startsWith("thread, "));
const asked = (text: string): string[] => asksOf(list + text);

describe("a dubbing loop in one line", () => {
  test.each([
    [
      "Make a 10 cm dubbing loop at the bend and insert white craft fur, 3 cm long, spin and wind to mid-shank",
      "body, white craft fur: 0.4 × the gape full, loop of 100 mm, from the bend to mid-shank",
    ],
    [
      "Second loop of 5 cm with red fox, 2 cm, wound forward to the eye",
      "body, red fox: 0.4 × the gape full, loop of 50 mm, from the bend to the eye",
    ],
    [
      "Rear station: 8 cm loop of white fox fibre, 5 cm staple, from the bend to mid-shank",
      "body, white fox fibre: 0.4 × the gape full, loop of 80 mm, from the bend to mid-shank",
    ],
    [
      "Spin marabou tips in a 5 cm loop and wind as a collar",
      "collar, loop of marabou tips: 0.4 × the gape full, loop of 50 mm, from 1 eye behind the eye to 2 eyes behind the eye",
    ],
    [
      "Collar: two CDC feathers, the fibres spun in a 4 cm loop, 3 turns",
      "collar, loop of cdc feathers: 0.4 × the gape full, loop of 40 mm, from 1 eye behind the eye to 2 eyes behind the eye",
    ],
    [
      "Put the fibres of one marabou plume in a dubbing loop of 50 mm and wind it as a collar",
      "collar, loop of marabou plume: 0.4 × the gape full, loop of 50 mm, from 1 eye behind the eye to 2 eyes behind the eye",
    ],
  ])("%s", (line, step) => {
    expect(told(line)).toEqual([step]);
    expect(asked(line)).toEqual([]);
  });

  test("its layers are a mixture, in the parts that are said", () => {
    const parts = (text: string) =>
      Object.values(readAll(list + text).newMaterials.find((m) => m.blend)?.blend?.parts ?? {});
    expect(parts("Composite loop of 6 cm: white fox and red craft fur, wind to mid-shank")).toEqual([1, 1]);
    expect(parts("Composite loop of 6 cm: white fox and red craft fur, 70/30, wind to mid-shank")).toEqual([70, 30]);
  });

  test("how it is stroked back is a step of its own", () => {
    const line = "Form a loop of 6 cm, lay in olive rabbit fur, spin, and wind to the eye, brushing the fibres back";
    expect(told(line).map((s) => s.split(": ")[1])).toEqual([
      "0.4 × the gape full, loop of 60 mm, from the bend to the eye",
      "brush back, 0.2 min",
    ]);
  });
});

describe("a dubbing loop over several lines", () => {
  const lines = [
    "Form a dubbing loop 8 cm long at the bend",
    "Put white fox fur in the loop, fibres 4 cm long",
    "Spin it tight",
    "Wind forward in touching turns to mid-shank",
  ];
  test("is one thing that is dubbed, by the line that fills it", () => {
    expect(told(lines.join("\n"))).toEqual([
      "body, white fox fur: 0.4 × the gape full, loop of 80 mm, from the bend to mid-shank",
    ]);
    expect(asked(lines.join("\n"))).toEqual([]);
  });
  test("passes over no word of the line that makes it", () => {
    const text = `Form a dubbing loop 8 cm long and whatsit\n${lines.slice(1).join("\n")}`;
    expect(asked(text).join(" ")).toContain("whatsit");
  });
  test("that nobody fills is asked about", () => {
    expect(asked(lines[0] ?? "").join(" ")).toContain("With what is it dubbed?");
  });
});

test("a loop of a wing or of a weed guard is none", () => {
  expect(told("Make a loop of cdc, 2 feathers, as a wing").join(" ")).not.toContain("full");
  expect(told("Make a 3 cm loop of mono for the weed guard").join(" ")).not.toContain("full");
});

test("a colour behind what is laid in, and layers that are counted", () => {
  const read = (line: string) =>
    readAll(`Hook: streamer 4\nThread: white\n${line}`).newMaterials.filter((m) => m.form === "blend");
  expect(
    read("Make a dubbing loop of 6 cm, put CDC fibres in it, black, about 12 mm long, and spin it."),
  ).toMatchObject([{ name: "loop of cdc fibres, black" }]);
  const [layered] = read(
    "Make a loop of 12 cm. Layer 1: grey polar fibre, 60 mm, sparse, over the whole length; layer 2: pearl flash, 10 strands; layer 3: white bucktail 70 mm on the front half. Spin it and wind it from the bend to mid-shank.",
  );
  expect(Object.keys(layered?.blend?.parts ?? {})).toHaveLength(3);
});

test("the turns of a loop that a later line tells put it where they are told", () => {
  const { recipe } = readAll(
    "Hook: nymph 10\nThread: black\nBead: 3 mm brass\nBody: black fur, 0.4 gape full\nMake a dubbing loop of 6 cm, put CDC fibres in it and spin it.\nTake two turns of that behind the bead.",
  );
  const loop = recipe.steps.at(-1);
  expect(loop?.do === "dress" && loop.loopMm).toBe(60);
  expect(loop && sayStep(loop)).toContain("from 0.5 eyes behind the eye");
});

test("a second station begins where the first one ended", () => {
  const { recipe } = readAll(
    "Hook: streamer 4\nThread: white\nRear station: make a loop of 12 cm. Put in grey polar fibre and pearl flash. Spin it and wind it from the bend to mid-shank.\nFront station: make a loop of 10 cm. Put in olive polar fibre. Spin it and wind it to the eye.",
  );
  expect(recipe.steps.map((s) => sayStep(s))).toMatchObject([
    expect.stringMatching(/loop of 120 mm, from the bend to mid-shank/),
    expect.stringMatching(/loop of 100 mm, from mid-shank to the eye/),
  ]);
});

import { describe, expect, test } from "vitest";
import { read as readAll } from "./corpus/reading";

const read = (...lines: string[]) => readAll(lines.join("\n"));
const base = ["Hook: 12 wet", "Thread: black 70 denier", "Start the thread and run it to the bend."];
/** The stretches that are asked about because nothing holds their figure. */
const lost = (...lines: string[]): string[] =>
  read(...base, ...lines).lines.flatMap((l) =>
    l.asks.filter((a) => /nothing here takes it up/.test(a.sentence)).map((a) => l.text.slice(...a.at)),
  );

describe("a figure that was read and that nothing holds", () => {
  test.each([
    [
      "a length that no cover has",
      "Tie in a strip of black foam, 3 mm wide, 25 mm long, at the bend, hanging back.",
      "25 mm long",
    ],
    [
      "sizes of a bead where the recipe has no such hook",
      "Bead: 3.3 gold bead for the 12s and 2.8 for the 14s",
      undefined,
    ],
  ])("%s", (_what, line, words) => expect(lost(line)).toEqual(words === undefined ? [] : [words]));

  test("sizes of a bead are asked about where the recipe names no hook sizes", () => {
    const { lines } = read("Bead: 3.3 gold slotted bead for the 12s and 2.8 for the 14s");
    expect(lines[0]?.asks.map((a) => lines[0]?.text.slice(...a.at))).toEqual(["for the 12s and 2.8 for the 14s"]);
  });

  test("is not asked about beside what is asked already", () => {
    const [line] = read(...base, "Tail: zzyx, 6 fibres").lines.slice(-1);
    expect(line?.asks.map((a) => a.sentence)).toEqual(["What is “zzyx”? Say what it is made of."]);
  });

  test("kept as an instruction it is asked about no more", () =>
    expect(lost("Tie in a strip of black foam, 3 mm wide, [25 mm long], at the bend, hanging back.")).toEqual([]));
});

describe("a figure that is held in another form is not asked about", () => {
  test.each([
    ["inches", "Catch in 4 inches of fine gold wire.", "Rib with 5 turns of wire."],
    ["what is left of a whole", "Dub the rear 60 % of the shank with brown fur, 40 mm of noodle."],
    ["bunches together", "Wing: 3 bunches of elk, 2 mm thick each, to the tail, tied in at one third"],
    ["a share", "Tail: 10 hackle fibres, three quarters of the shank"],
    ["a figure and a half", "Hackle: brown hen, three and a half turns"],
    ["a sum", "Eyes: 4 mm bead chain, behind the eye, 8 figure-of-eight wraps and 4 turns under the eyes"],
    ["a way, and no amount", "Tie in 4 mm bead-chain eyes behind the eye with figures of eight"],
    ["a size of thread or a number of the line", "4. Tail: 10 hackle fibres, half the shank"],
    [
      "wraps that hold what came before",
      "Tail: 10 hackle fibres, half the shank",
      "Six tight wraps, whip finish 4 turns",
    ],
    ["shares of a blend", "Body: 60 % olive seal, 40 % orange seal, a 7 cm rope"],
  ])("%s", (_what, ...lines) => expect(lost(...lines)).toEqual([]));
});

describe("pieces that are cut", () => {
  const winding = (...lines: string[]) => {
    const { recipe } = read(...base, ...lines);
    const wound = recipe.steps.findLast((s) => s.do === "wind");
    return wound?.do === "wind" ? wound : undefined;
  };
  test.each([
    ["Catch in 10 cm of fine gold wire.", 100],
    ["Tie in a 60 mm piece of fine oval tinsel at the bend.", 60],
  ])("%s", (line, pieceMm) =>
    expect(winding(line, "Rib with 5 turns.")?.take).toEqual({ from: "pieces", pieceMm, gripMm: 0, trimMm: 0 }),
  );
  test("a figure behind the name of a tinsel is its width only as long as it could be", () => {
    const { newMaterials } = read(
      ...base,
      "Body: medium flat green tinsel, 60 mm",
      "Rib: oval tinsel, 0.5 mm, 5 turns",
    );
    expect(newMaterials.map((m) => [m.name, m.strand?.width])).toEqual([
      ["medium flat green tinsel", expect.any(Number)],
      ["oval tinsel, 0.5 mm", 0.5],
    ]);
    expect(newMaterials[0]?.strand?.width).toBeLessThan(3);
  });
});

describe("strands that make a part together", () => {
  test.each([
    ["Thorax: three strands of peacock herl", 3, undefined],
    ["Three strands of peacock herl make the thorax; four wraps.", 3, 4],
  ])("%s", (line, rope, turns) => {
    const { recipe } = read(...base, line);
    const wound = recipe.steps.findLast((s) => s.do === "wind");
    expect(wound).toMatchObject({ do: "wind", rope, rule: turns === undefined ? { touching: true } : { turns } });
  });
});

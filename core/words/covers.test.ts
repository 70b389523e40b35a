import { describe, expect, test } from "vitest";
import { read as readAll, stepsOf } from "./corpus/reading";

const base = "Hook: nymph 12\nThread: black 70 denier\nBody: olive fur, 0.3 gape full\n";
const read = (text: string) => readAll(base + text);
const said = (text: string): string[] => stepsOf(base + text);

describe("a cover ends where it is held", () => {
  test.each([
    [
      "tied down",
      "Back: a strip of black foam, tied in at the bend, pulled forward and tied down at a third of the shank",
    ],
    [
      "held with wraps",
      "Shell: a strip of black foam, tied in at the bend before the body and folded over it, held with 6 wraps at a third of the shank",
    ],
  ])("%s at a place of its own", (_what, line) =>
    expect(said(line).at(-1)).toContain("from the bend to a third of the shank, tied in at a third of the shank"),
  );

  test("to the head is at the head", () =>
    expect(said("Back: a strip of black foam, tied in at the bend, pulled over to the head").at(-1)).toContain(
      "tied in at 1 eye behind the eye",
    ));
});

test("a slip that the list says where to tie in is tied in there, when it is pulled over", () => {
  const steps = said(
    "Wingcase: slip of mottled turkey, 4 mm, tied in upside down over the front of the body\nThorax: black fur, 0.4 gape full\nPull the turkey over and tie off behind the eye, 3 wraps",
  );
  expect(steps.some((s) => /left hanging.*tied in at in front of the body/.test(s))).toBe(true);
});

test("a sheet that is cut as a strip is one thing, by whichever word it is called later", () => {
  const { recipe } = read(
    "Shellback: brown latex, 4 mm strip, tied in at the bend\nThorax: black fur, 0.4 gape full\nPull the latex over to the head",
  );
  expect(recipe.components.filter((c) => c.role === "wing case")).toHaveLength(1);
});

test("a coat of eyes by their size alone, glued on, is a pair that is stuck on", () => {
  const { newMaterials, recipe } = read("Eyes: 8 mm, stuck on with gel glue");
  expect(newMaterials.map((m) => m.name)).toEqual(["stick-on 8 mm eyes"]);
  expect(recipe.steps.filter((s) => s.do === "seat")).toMatchObject([{ count: 2 }]);
});

describe("a cover goes on from where it waits", () => {
  test("over the thorax it is held in front of that, wherever its two ends are told", () => {
    const steps = said(
      "Tie in 10 fibres of pheasant tail at the front of the body for the wing case\nThorax: black fur, 0.4 gape full\nPull the pheasant over the thorax, tie down with 3 tight wraps",
    );
    expect(steps.at(-1)).toContain(
      "from behind the thorax to in front of the thorax, tied in at in front of the thorax",
    );
  });

  test("where the thread happens to hang beside its tie-in, it goes to the front", () => {
    const steps = said(
      "Back: clear stretch strip 4 mm wide\nFeelers: six partridge fibres, tied in at the bend, as long as the gape\nPull the strip over the back and hold with two turns",
    );
    expect(steps.at(-1)).toMatch(/from the bend to 1 eye behind the eye, tied in at 1 eye behind the eye with 2 wraps/);
  });

  test("its fibres are folded back as legs, and counted once", () => {
    const { recipe } = read(
      "Tie in 10 fibres of pheasant tail at the front of the body for the wing case\nThorax: black fur, 0.4 gape full\nPull the pheasant over the thorax\nFold three fibres back along each side for legs",
    );
    const legs = recipe.steps.at(-1);
    expect(legs).toMatchObject({ do: "lay", amount: { fibres: 6 }, countedWhenWound: true, attitude: "back" });
  });
});

describe("foam that is folded over is not wound", () => {
  const dry = "Hook: dry 12\nThread: black 70\n";
  test.each([
    [
      "to where it is tied down",
      "Body: black foam, cut 3 mm wide, tied in at the bend and folded forward, tied down a third of the shank from the eye",
      "tied in at a third of the shank",
    ],
    [
      "to the front",
      "Body: 2 mm tan foam strip tied in at the bend, folded over and tied down in front",
      "tied in at 1.5 eyes behind the eye",
    ],
  ])("%s", (_, line, held) => {
    const steps = stepsOf(dry + line);
    expect(steps.at(-1)).toContain(held);
    expect(steps.some((s) => s.includes("touching"))).toBe(false);
  });
});

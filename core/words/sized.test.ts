import { readRecipe } from ".";
import { expect, test } from "vitest";
import { cabinet, hooks } from "./corpus/cabinet";
import { read as readAll } from "./corpus/reading";

const read = (...lines: string[]) => readAll(lines.join("\n"));
/** What a part is of, by hook size. */
function stuffOf(role: string, ...lines: string[]) {
  const { recipe, newMaterials, lines: out } = read("Hook: nymph 10-16", ...lines);
  expect(out.flatMap((l) => l.asks.map((a) => a.sentence))).toEqual([]);
  const part = recipe.components.find((c) => c.role === role);
  return part?.material.map(({ sizes, value }) => [
    sizes ? `${sizes.from}-${sizes.to}` : "all",
    newMaterials.find((m) => m.code === value)?.name ?? cabinet.get(value)?.name,
  ]);
}

test("a bead of another size on other hooks is taken there", () => {
  expect(stuffOf("bead", "Bead: gold, 3 mm on 10 and 12, 2.5 mm on 14s and 2 mm on 16")).toEqual([
    ["10-12", "gold, 3 mm bead"],
    ["14-14", "gold, 2.5 mm bead"],
    ["16-16", "gold, 2 mm bead"],
  ]);
});

test("so is wire of another gauge, and thread of another number", () => {
  expect(stuffOf("weight", "Weight: 8 turns of .020 lead wire on 10s, .015 on 12 and smaller")).toHaveLength(2);
  expect(stuffOf("thread", "Thread: brown, 140 denier on the 10s and 12s, 70 denier on 14s and smaller")).toMatchObject(
    [
      ["10-12", "brown, 140 denier thread"],
      ["14-16", expect.stringContaining("70")],
    ],
  );
});

test("a count on some hooks is a count, and no other material", () => {
  const { recipe } = read("Hook: nymph 10-16", "Tail: 6 pheasant tail fibres, 5 on 14s and smaller");
  expect(recipe.components.find((c) => c.role === "tail")?.material).toHaveLength(1);
  expect(recipe.steps.find((s) => s.name === "tail")?.bySize).toHaveLength(1);
});

test("and it stays so when the recipe is read anew, with one more word", () => {
  const lines = ["Hook: nymph 10-16", "Bead: 2.8 mm copper tungsten (2.3 mm for 16s)"];
  const { recipe } = read(...lines);
  const again = readRecipe([...lines, "Thread: olive 8/0"].join("\n"), { materials: cabinet, hooks, was: recipe });
  const bead = (r: typeof recipe) => r.components.find((c) => c.role === "bead")?.material;
  expect(bead(recipe)?.map((m) => m.sizes)).toEqual([{ from: "16", to: "16" }, undefined]);
  expect(bead(again.recipe)).toEqual(bead(recipe));
});

test("a count may hold for several sizes that are listed, and another for one", () => {
  const { recipe, lines } = read(
    "Hook: nymph 10-18",
    "Tail: 6 brown hackle fibres, a shank long, 5 on 12, 14 and 16, 4 on 18s",
  );
  const tail = recipe.steps.find((s) => s.do === "lay");
  expect(lines.flatMap((l) => l.asks)).toEqual([]);
  expect(tail?.do === "lay" && tail.bySize).toEqual([
    { sizes: { from: "12", to: "16" }, set: { amount: { fibres: 5 } } },
    { sizes: { from: "18", to: "18" }, set: { amount: { fibres: 4 } } },
  ]);
});

test("a bare figure of a bead on other hooks takes the place of its figure", () => {
  const { newMaterials } = read("#12 and #14 jig with 3.3 gold slotted bead for the 12s and 2.8 for the 14s");
  expect(newMaterials.map((m) => m.part?.diameter)).toEqual([3.3, 2.8]);
});

/** What a part is on some hooks, as its step has it there. */
function rulesOf(name: string, line: string) {
  const { recipe, lines } = read("Hook: nymph 10-16", line);
  const asks = lines.flatMap((l) => l.asks.map((a) => a.sentence));
  const step = recipe.steps.find((s) => s.name === name);
  return { asks, rules: step?.bySize?.map(({ sizes: { from, to }, set }) => [`${from}-${to}`, set]) };
}

test("how thick a bunch and how wide a slip is on some hooks is no other material", () => {
  expect(rulesOf("wing", "Wing: elk, 3 mm when squeezed (2 mm on 14), just past the bend")).toEqual({
    asks: [],
    rules: [["14-14", { amount: { clump: { mm: 2 } } }]],
  });
  expect(rulesOf("wing", "Wing: grey duck slips, 3 mm wide (2 mm on 14s)").rules).toEqual([
    ["14-14", { amount: { slipWidth: { mm: 2 } } }],
  ]);
});

test("a share on some hooks is a length there, and no third of a fibre", () => {
  const { asks, rules } = rulesOf("tail", "Tail: half the shank (a third on 14s), 6 fibres of brown cock");
  expect(asks).toEqual([]);
  expect(rules).toEqual([["14-14", { shown: { of: "shank", times: expect.closeTo(1 / 3) } }]]);
});

test("a size within another has what holds for both", () => {
  const said = "Tail: pheasant tail, 4 fibres (3 on 14s and 16s), as long as the gape (half on 16s)";
  expect(rulesOf("tail", said).rules).toEqual([
    ["16-16", { amount: { fibres: 3 }, shown: { of: "gape", times: 0.5 } }],
    ["14-16", { amount: { fibres: 3 } }],
  ]);
});

test("what is counted by the side is so on each size", () => {
  expect(rulesOf("legs", "Legs: 3 fibres of partridge a side, 2 on 16s, 6 mm").rules).toEqual([
    ["16-16", { amount: { fibres: 4 } }],
  ]);
});

test("the first of several counts has its sizes as well", () => {
  expect(rulesOf("tail", "Tail: 6 fibres of cock on 12s, 5 on 14s, a gape long")).toEqual({
    asks: [],
    rules: [
      ["12-12", { amount: { fibres: 6 } }],
      ["14-14", { amount: { fibres: 5 } }],
    ],
  });
});

test("a rule that holds for no size of the fly is asked about", () => {
  expect(rulesOf("tail", "Tail: 6 fibres of brown cock, 5 on 8s").asks).toEqual([
    expect.stringContaining("none in which the fly is tied (10 to 16)"),
  ]);
});

test("a part that is there if somebody likes may be left out; an act leaves nothing out", () => {
  const optional = (line: string) =>
    read("Hook: nymph 10-16", "Tail: 6 fibres of brown cock", line).recipe.components.filter((c) => c.optional);
  expect(optional("Collar: if you like, one turn of partridge").map((c) => c.role)).toEqual(["collar"]);
  expect(optional("Collar: one turn of partridge if you like").map((c) => c.role)).toEqual(["collar"]);
  expect(optional("Trim the tail to half the shank if you like")).toEqual([]);
});

test("what holds on some hooks is told beside its line", () => {
  const notes = (line: string) => read("Hook: nymph 10-16", line).lines[1]?.notes;
  expect(notes("Tail: half the shank (a third on 14s), 6 fibres of brown cock")).toContain(
    "on 14: = a third of the shank",
  );
  expect(notes("Tail: 6 fibres of cock on 12s, 5 on 14s, a gape long")).toContain("on 14: 5 fibres");
  expect(notes("Hackle: black hen, 2 turns on 12s and smaller, 3 on 10s")).toContain("on 10: 3 turns");
});

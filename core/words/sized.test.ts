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

import { expect, test } from "vitest";
import { readRecipe, sayStep } from "./index";
import { cabinet, hooks } from "./corpus/cabinet";

/** All orders in which things can be said. */
const orders = (all: readonly string[]): string[][] =>
  all.length < 2 ? [[...all]] : all.flatMap((x, i) => orders(all.toSpliced(i, 1)).map((rest) => [x, ...rest]));

interface Reading {
  said: string;
  isAsked: boolean;
}
/** What is read of a line behind others, on a small fly. */
function readLine(before: readonly string[], line: string): Reading {
  const { lines, recipe, newMaterials } = readRecipe(
    ["Test", "hook N1 10", "thread black 8/0", ...before, line, "whip finish 4 turns"].join("\n"),
    { materials: cabinet, hooks },
  );
  const named = new Map([...cabinet, ...newMaterials.map((m) => [m.code, m] as const)]);
  const read = lines[3 + before.length];
  const said = (read?.steps ?? []).flatMap((id) => {
    const step = recipe.steps.find((s) => s.id === id);
    const part = recipe.components.find((c) => c.id === step?.component);
    return step ? [`${part?.role}, ${named.get(part?.material[0]?.value ?? "")?.name}: ${sayStep(step)}`] : [];
  });
  return { said: said.join("\n"), isAsked: (read?.asks.length ?? 0) > 0 };
}

const floss = ["body: olive floss"];
const beaded = ["bead: 2.8 mm gold", ...floss];
const winged = [...floss, "wing: white bucktail, 30 hairs, twice the shank"];
const cases: [head: string, before: string[], ...told: string[]][] = [
  ["tail", [], "6 fibres", "pheasant tail", "a shank long"],
  ["tail", [], "2 goose biots", "split", "half the shank"],
  ["tail", [], "4 mm of pheasant tail", "a shank long", "tied in at the bend"],
  ["rib", floss, "gold wire", "5 turns", "counter wound"],
  ["body", [], "olive fur", "slim", "from the bend to 2 mm behind the eye"],
  ["thorax", floss, "peacock", "2 herls", "3 turns"],
  ["hackle", floss, "grizzly", "4 turns", "behind the eye"],
  ["hackle", floss, "hen", "2 turns", "barbs a gape long"],
  ["hackle", floss, "grizzly saddle", "tied in by the tip", "4 turns"],
  ["collar", beaded, "brown partridge", "2 turns", "behind the bead"],
  ["wing", beaded, "white calf", "20 hairs", "behind the bead"],
  ["wing", floss, "mallard quill", "slips 3 mm wide", "a shank long", "upright"],
  ["wing", floss, "squirrel tail", "clump of 2 mm", "to the bend", "low"],
  ["throat", floss, "red hackle fibres", "8", "to the point"],
  ["legs", floss, "brown rubber", "2 strands", "on each side", "twice the gape"],
  ["cheeks", floss, "jungle cock", "one each side", "8 mm long"],
  ["topping", winged, "peacock herl", "4 strands", "as long as the wing"],
  ["weight", [], "12 turns", "lead free wire", "0.5 mm"],
  ["eyes", [], "dumbbell", "4 mm", "2 eyes behind the eye"],
];

test.each(cases)("%s: in whatever order it is told", (head, before, ...told) => {
  const lines = orders(told).flatMap((said) => [": ", ", "].map((sign) => `${head}${sign}${said.join(", ")}`));
  const { said: wanted, isAsked } = readLine(before, `${head}: ${told.join(", ")}`);
  expect([isAsked, wanted !== ""]).toEqual([false, true]);
  // Another order may be asked about; what is read without a question is the same.
  const otherwise = lines.flatMap((line) => {
    const read = readLine(before, line);
    // A gauge or a size goes with its stuff on either side of it: its name is the words in their order.
    const same = (said: string): string => said.replace(/, [^:]*:/, ":");
    return read.isAsked || same(read.said) === same(wanted) ? [] : [`${line} → ${read.said}`];
  });
  expect(otherwise).toEqual([]);
});

import { expect, test } from "vitest";
import type { MaterialForm } from "../materials";
import { cabinet, hooks } from "./corpus/cabinet";
import { readRecipe } from ".";

/** A line in which something of a form stands in its place. */
const lineOf: Partial<Record<MaterialForm, (name: string) => string>> = {
  ...Object.fromEntries(
    (["dubbing", "blend", "yarn", "chenille", "floss", "tinsel", "stretch body", "extended body"] as const).map(
      (form) => [form, (name: string) => `Body: ${name}`],
    ),
  ),
  herl: (name) => `Body: 2 strands of ${name}`,
  wire: (name) => `Rib: ${name}, 5 turns`,
  hackle: (name) => `Hackle: ${name}, 4 turns`,
  "feather fibre": (name) => `Tail: 6 fibres of ${name}, one shank`,
  hair: (name) => `Wing: 20 fibres of ${name}, one shank`,
  quill: (name) => `Wing: 2 slips of ${name}, 3 mm wide, one shank`,
  flash: (name) => `Tail: 4 strands of ${name}, one shank`,
  rubber: (name) => `Legs: 4 ${name}, one gape`,
  thread: (name) => `Thread: ${name}`,
  "weight wire": (name) => `Weight: 8 turns of ${name}`,
  eyes: (name) => `Eyes: ${name}`,
  bead: (name) => `Bead: ${name}`,
};

/** “Chenille, small, olive” in the orders in which its words are said. */
function waysOf(name: string): string[] {
  const [noun = "", ...more] = name.split(", ");
  const inside = more.length > 0 ? [`${noun} ${more.join(" ")}`, `${noun} (${more.join(", ")})`] : [];
  const split = more.length === 2 ? [`${more[1] ?? ""} ${noun}, ${more[0] ?? ""}`] : [];
  return [...new Set([name, [...more, noun].join(" "), [...more.reverse(), noun].join(" "), ...inside, ...split])];
}

const known = [...cabinet.values()].flatMap((m) => {
  const line = lineOf[m.form];
  return line ? [{ code: m.code, name: m.name, lines: waysOf(m.name).map(line) }] : [];
});

test.each(known)("$name is known in whichever order its words stand", ({ code, lines }) => {
  for (const line of lines) {
    const { recipe, lines: read } = readRecipe(`Probe\nhook N1 10\nthread black 8/0\n${line}`, {
      materials: cabinet,
      hooks,
    });
    expect(
      read.flatMap((l) => l.asks.map((a) => a.sentence)),
      line,
    ).toEqual([]);
    expect(
      recipe.components.flatMap((c) => c.material.map((x) => x.value)),
      line,
    ).toContain(code);
  }
});

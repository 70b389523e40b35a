import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { readRecipe, sayStep } from "..";
import { cabinet, hooks } from "../corpus/cabinet";
import { partOf, stuffOf } from "../corpus/reading";

/**
 * One meaning in many words. Each line is a recipe, its lines parted by “//”; in braces stand ways to say the same,
 * parted by “;”. Whichever of them is taken, the fly is that of the first, and nothing more is asked. “%ahead” is what
 * stands ahead of the lines below it.
 */
const folder = new URL("./", import.meta.url);
const files = readdirSync(folder).filter((f) => f.endsWith(".txt"));

interface Saying {
  first: string;
  others: { way: string; text: string }[];
}
const tidy = (text: string): string =>
  text
    .replace(/ +/g, " ")
    .replace(/ ([,.])/g, "$1")
    .split("//")
    .map((line) => line.trim())
    .join("\n");

function sayingOf(ahead: string, line: string): Saying {
  const slots = line.split(/(\{[^}]*\})/).map((part) => (part.startsWith("{") ? part.slice(1, -1).split(";") : [part]));
  const fill = (slot: number, way: string): string =>
    tidy(`Test//${ahead}//${slots.map(([first = ""], i) => (i === slot ? way : first)).join("")}`);
  return {
    first: fill(-1, ""),
    others: slots.flatMap((ways, i) => ways.slice(1).map((way) => ({ way, text: fill(i, way) }))),
  };
}
function sayingsIn(file: string): Saying[] {
  let ahead = "";
  return readFileSync(new URL(file, folder), "utf8")
    .split("\n")
    .flatMap((line) => {
      if (line.startsWith("%ahead ")) ahead = line.slice("%ahead ".length);
      return line.includes("{") ? [sayingOf(ahead, line)] : [];
    });
}

/** From where to where it goes is the same the other way round; the ends of the body are places as well. */
const ends = (said: string): string =>
  said
    .replace(/\b(?:in front of|behind) the body\b/g, (place) =>
      place.startsWith("in") ? "0.3 of the shank" : "the bend",
    )
    .replace(/from ([^,]*) to ([^,]*)/, (_, a: string, b: string) => `between ${[a, b].sort().join(" and ")}`);

function flyOf(text: string): { asks: number; fly: string[] } {
  const reading = readRecipe(text, { materials: cabinet, hooks });
  const { steps, finish, sizes, hookModel } = reading.recipe;
  const said = steps.map((step) => {
    const part = partOf(reading, step);
    return `${part?.role ?? ""}, ${stuffOf(reading, part)}: ${ends(sayStep(step))} ${JSON.stringify(step.bySize ?? [])}`;
  });
  const asks = reading.lines.reduce((sum, l) => sum + l.asks.length, 0);
  return { asks, fly: [...said.sort(), `${finish.state}, hook ${hookModel} ${sizes.from}-${sizes.to}`] };
}

describe.each(files)("%s", (file) => {
  test.each(sayingsIn(file))("$first", ({ first, others }) => {
    expect(others.length).toBeGreaterThan(0);
    const wanted = flyOf(first);
    expect(wanted.asks).toBe(0);
    for (const { way, text } of others) expect(flyOf(text), way).toEqual(wanted);
  });
});

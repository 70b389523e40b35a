import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { isWhole, readOrder, wishWords } from "..";
import { catalogue } from "../corpus/catalogue";

/**
 * One order in many words. Each line is a text, its lines parted by “\n”; in braces stand ways to say the same, parted
 * by “|”. Whichever of them is taken, the order is that of the first, and nothing is asked.
 */
const folder = new URL("./", import.meta.url);
const files = readdirSync(folder).filter((f) => f.endsWith(".txt"));

interface Saying {
  first: string;
  others: { way: string; text: string }[];
}
function sayingOf(line: string): Saying {
  const slots = line.split(/(\{[^}]*\})/).map((part) => (part.startsWith("{") ? part.slice(1, -1).split("|") : [part]));
  const fill = (slot: number, way: string): string =>
    slots
      .map(([first = ""], i) => (i === slot ? way : first))
      .join("")
      .replaceAll("\\n", "\n")
      .trim();
  return {
    first: fill(-1, ""),
    others: slots.flatMap((ways, i) => ways.slice(1).map((way) => ({ way, text: fill(i, way) }))),
  };
}

function orderOf(text: string): string[] {
  const order = readOrder(text, catalogue);
  const lines = order.lines.map((l) =>
    [l.flies, l.pattern, l.size, l.variant, l.form, l.policy, wishWords(l), l.due].join(" "),
  );
  return [isWhole(order) ? "whole" : "asked about", ...lines, `for ${order.customer ?? ""} by ${order.due ?? ""}`];
}

describe.each(files)("%s", (file) => {
  const sayings = readFileSync(new URL(file, folder), "utf8").trimEnd().split("\n").map(sayingOf);
  test.each(sayings)("$first", ({ first, others }) => {
    expect(others.length).toBeGreaterThan(0);
    const wanted = orderOf(first);
    expect(wanted[0]).toBe("whole");
    for (const { way, text } of others) expect(orderOf(text), way).toEqual(wanted);
  });
});

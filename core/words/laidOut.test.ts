import { describe, expect, test } from "vitest";
import { cabinet, hooks } from "./corpus/cabinet";
import { readRecipe, type RecipeContext } from "./index";
import { stepsByStuff } from "./corpus/reading";
import { isByHyphens } from "./text/laidOut";

const list = [
  "Hook: wet 12, 14",
  "Thread: black 8/0",
  "Tail: red wool, 2 strands, a gape long",
  "Rib: oval silver, 4 turns",
  "Body: black fur, slim",
  "Hackle: soft brown hackle, 2 turns",
  "Wing: grey duck slips, 3 mm wide, to the bend",
];
const name = "Long Night";
const read = (text: string, more: Partial<RecipeContext> = {}) =>
  readRecipe(text, { materials: cabinet, hooks, ...more });
const asLines = stepsByStuff([name, ...list].join("\n"));

describe("one recipe, however it is laid out", () => {
  const layouts: [string, string][] = [
    ["in one line, with semicolons", [name, list.join("; ")].join("\n")],
    ["in one line, with stops", [name, list.join(". ")].join("\n")],
    ["in one line, with strokes", [name, list.join(" / ")].join("\n")],
    ["in one line, with commas", [name, list.join(", ")].join("\n")],
    ["with its name ahead in the same line", `${name}. ${list.join("; ")}`],
    ["each name above what it names", [name, ...list.flatMap((l) => l.split(": "))].join("\n")],
    [
      "with blank lines between",
      [name, ...list.flatMap((l) => ["", ...l.split(": ").flatMap((w) => [w, ""])])].join("\n"),
    ],
    ["as columns of a sheet", [name, ...list.map((l) => l.replace(": ", "\t"))].join("\n")],
    ["as rows of a file", [name, ...list.map((l) => l.replace(": ", ";"))].join("\n")],
    ["with arrows", [name, ...list.map((l) => l.replace(": ", " -> "))].join("\n")],
    ["with hyphens", [name, ...list.map((l) => l.replace(": ", "-"))].join("\n")],
    ["with boxes to tick", [name, ...list.map((l) => `[ ] ${l}`)].join("\n")],
    ["numbered", [name, ...list.map((l, i) => `${i + 1}. ${l}`)].join("\n")],
    ["quoted in a mail", [`> ${name}`, ...list.map((l) => `> ${l}`)].join("\n")],
    ["broken and set in", [name, ...list.map((l) => l.replace(", ", ",\n   "))].join("\n")],
  ];
  test.each(layouts)("%s", (_label, text) => expect(stepsByStuff(text)).toEqual(asLines));

  test("hyphens are signs where three parts have them, else they hold words together", () => {
    expect(isByHyphens(["Tail-red wool", "Body-black fur", "Head-thread"])).toBe(true);
    expect(isByHyphens(["Wing-case of grey duck", "Tail-red wool", "Body: black fur"])).toBe(false);
  });

  test("what was typed stays, each mark and question at its place", () => {
    const text = `${name}\nHook: wet 12; thread: black; tail: snark; body: black fur\nRib\nsilver glimp, 4 turns`;
    const { lines, recipe } = read(text);
    expect(lines.map((l) => l.text)).toEqual(text.split("\n"));
    expect(recipe.told?.map((l) => l.text)).toEqual(text.split("\n"));
    const marked = lines.map(({ text: typed, asks }) => asks.map(({ at }) => typed.slice(...at)));
    expect(marked[1]?.join(" ")).toContain("snark");
    expect(lines[2]?.marks).toContainEqual({ at: [0, 3], kind: "known" });
    for (const { text: typed, marks } of lines)
      for (const { at } of marks) expect(at[0] >= 0 && at[1] <= typed.length).toBe(true);
  });

  test("a question about words that were broken over two lines stands where they are", () => {
    const text = `${name}\nHook: wet 12\nThread: black\nTail: two strands of\nglimmery snark`;
    const { lines } = read(text);
    expect(lines.map((l) => l.text)).toEqual(text.split("\n"));
    for (const { text: typed, asks, marks } of lines)
      for (const { at } of [...asks, ...marks]) {
        expect(at[0]).toBeLessThanOrEqual(at[1]);
        expect(at[1]).toBeLessThanOrEqual(typed.length);
      }
    expect(lines.map((l) => l.asks.length > 0)).toEqual([false, false, false, false, true]);
  });

  test("each step keeps the words of its own piece", () => {
    const { recipe } = read([name, list.join("; ")].join("\n"));
    const wing = recipe.steps.find((s) => s.name === "wing");
    expect(wing?.stated).toBe("Wing: grey duck slips, 3 mm wide, to the bend");
  });

  test("a piece that is changed keeps the steps of the others", () => {
    const text = [name, list.join("; ")].join("\n");
    const was = read(text).recipe;
    const changed = text.replace("4 turns", "5 turns");
    const now = read(changed, { was, stepsOfLine: (i) => was.told?.[i]?.steps ?? [] }).recipe;
    expect(now.steps.map((s) => s.id)).toEqual(was.steps.map((s) => s.id));
    expect(now.steps.filter((s, i) => JSON.stringify(s) !== JSON.stringify(was.steps[i])).map((s) => s.name)).toEqual(
      was.steps.filter((s) => s.name.includes("rib")).map((s) => s.name),
    );
  });

  test("lines are told of by the numbers that were typed", () => {
    const { lines } = read(`${name}\nHook: wet 12; thread: black; tail: red wool\nHook: wet 6`);
    expect(lines.flatMap((l) => l.asks.map((a) => a.sentence)).join(" ")).toContain("Line 2 is about size 12");
  });

  test("a part of which nothing but its name is said is asked about", () => {
    const { lines } = read(`${name}\nHook: wet 12\nTail\nBody: black fur`);
    expect(lines[2]?.asks.map((a) => a.sentence)).toEqual([
      "Of the Tail nothing is said but its name. Say what it is of, and how much, or take the line out.",
    ]);
  });

  test("where only sizes are told, what kind of fly it is tells the hook, and that is told", () => {
    const { recipe, lines } = read("Little grey streamer\nHook: size 6\nThread: black 8/0");
    expect(recipe.hookModel).toBe("S4");
    expect(lines[1]?.notes).toContain("Jetty Streamer was taken, as the fly is called a streamer");
    expect(read("Long Night\nHook: size 6").recipe.hookModel).toBe("");
  });
});

import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { firstsOf, inOrder, startsOf, waysOf } from "./firsts";
import { canStart, startsInOrder, startsOfAny } from "./starts";
import { nounSources } from "./lexicon/nouns";
import { PARTS } from "./lexicon/parts";
import { FILLER } from "./lexicon/filler";
import { MANNER } from "./lexicon/manner";
import { byFirst, match, oneOf, opt, plain, seq, words } from "./parse";
import { NUMBER } from "./text/number";

/** The first characters, each once; a blank for any of them. */
const charsOf = (source: string): string =>
  [...new Set([...(startsOf(source) ?? ["any"])].map((s) => s.charAt(0)))].sort().join("");

describe("with what a pattern can begin", () => {
  test.each([
    ["wire|tinsel", "tw"],
    ["(?:the\\s+)?body", "bt"],
    ["(?:an?|the)+\\s*eye", "at"],
    ["x{0,2}y", "xy"],
    ["x{1,2}y", "x"],
    ["(?=wing)w", "w"],
    ["(?<!on\\s)head", "h"],
    ["[a-c½.]", ".abc½"],
    ["\\.\\d", "."],
    ["(?<size>s)z", "s"],
    ["\\bmono", "m"],
  ])("%s", (source, chars) => expect(charsOf(source)).toBe(chars));

  test.each(["\\p{L}+", "[^a]", ".x", "\\w+(?:a)".replace("\\w", "\\W")])("%s may begin with any", (source) =>
    expect(canStart(startsOf(source), "q", "z")).toBe(source !== ".x"),
  );

  test.each([
    ["wire|tinsel", ["wi", "ti"]],
    ["(?:the\\s+)?body", ["bo", "th"]],
    ["x{0,2}y", ["xx", "xy", "y"]],
    ["a+b?", ["a", "aa", "ab"]],
    ["x", ["x"]],
    ["[ab]\\s", ["a ", "b "]],
  ])("%s: its first two characters", (source, starts) =>
    expect([...(startsOf(source) ?? [])].sort()).toEqual([...starts].sort()),
  );

  test("a bracket that is not closed is refused", () => {
    expect(() => startsOf("(?:a")).toThrow("not closed");
    expect(() => startsOf("a)")).toThrow("too many");
    expect(() => startsOf("[a")).toThrow("not closed");
  });

  test("what may be left out lets the next begin", () => {
    expect([...(inOrder([firstsOf("a?"), firstsOf("b"), firstsOf("c")])() ?? [])].sort()).toEqual(["ab", "bc"]);
    expect(startsInOrder([startsOf("a"), undefined])?.has("a")).toBe(true);
    expect(startsOfAny([startsOf("a"), undefined])).toBeUndefined();
  });
});

const blankOr = (char: string): string => (/\s/.test(char) ? " " : char);
test("nothing that the words of the trade can match begins otherwise", () => {
  const dir = new URL("corpus/", import.meta.url);
  const lines = readdirSync(dir)
    .filter((f) => f.endsWith(".txt"))
    .slice(0, 60)
    .flatMap((f) => plain(readFileSync(new URL(f, dir), "utf8")).split("\n"));
  const sources = [...nounSources.map((n) => n.source), FILLER, MANNER, NUMBER, PARTS];
  let matched = 0;
  for (const source of sources) {
    const starts = startsOf(source);
    if (!starts) continue;
    const pattern = new RegExp(source, "giu");
    for (const line of lines)
      for (const [found] of line.matchAll(pattern)) {
        if (found === "") continue;
        matched++;
        const second = found.length > 1 ? found[1] : undefined;
        const isSo = canStart(starts, blankOr(found[0] ?? ""), second && blankOr(second));
        expect(isSo, `“${found}” of ${source.slice(0, 60)}`).toBe(true);
      }
  }
  expect(matched).toBeGreaterThan(5000);
});

test("of several readers the ones that can begin at a place are tried, in their order", () => {
  const readers = [words("wire"), seq(opt(words("the")), words("eye")), words("wing"), oneOf(words("a"), words("the"))];
  const at = byFirst(readers);
  expect(at("wing", 0)).toEqual([readers[0], readers[2]]);
  expect(at("the", 0)).toEqual([readers[1], readers[3]]);
  expect(at("½", 0)).toEqual(readers);
  expect(at(" eye", 0)).toEqual(readers);
});

test("a text is read in small letters, as it is made plain", () => {
  expect(match("(wire)")(plain("Wire 5"), 0)?.end).toBe(4);
});

test("a word ends where no letter and no number goes on, in any script", () => {
  const wire = match("(wire|wires)");
  expect(wire("wires 5", 0)?.end).toBe(5);
  for (const behind of ["d", "é", "ж", "字", "½", "5"]) expect(wire(`wire${behind}`, 0), behind).toBeUndefined();
  for (const behind of [" ", "-", ",", "’", "", "…"]) expect(wire(`wire${behind}`, 0)?.end, behind).toBe(4);
});

test("the ways of a pattern stand between its bars, but for those within brackets and classes", () => {
  expect(waysOf("a|(?:b|c)d|[|x]e|\\|f")).toEqual(["a", "(?:b|c)d", "[|x]e", "\\|f"]);
});

import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { firstsOf, inOrder, waysOf } from "./firsts";
import { nounSources } from "./lexicon/nouns";
import { PARTS } from "./lexicon/parts";
import { FILLER, MANNER } from "./lexicon/stops";
import { byFirst, match, oneOf, opt, plain, seq, words } from "./parse";
import { NUMBER } from "./text/number";

const charsOf = (source: string): string => [...(firstsOf(source).chars ?? ["any"])].sort().join("");

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
    expect(firstsOf(source).chars).toBeUndefined(),
  );

  test("a bracket that is not closed is refused", () => {
    expect(() => firstsOf("(?:a")).toThrow("not closed");
    expect(() => firstsOf("a)")).toThrow("too many");
    expect(() => firstsOf("[a")).toThrow("not closed");
  });

  test("what may be left out lets the next begin", () => {
    expect([...(inOrder([firstsOf("a?"), firstsOf("b"), firstsOf("c")]).chars ?? [])].sort()).toEqual(["a", "b"]);
  });
});

test("nothing that the words of the trade can match begins otherwise", () => {
  const dir = new URL("corpus/", import.meta.url);
  const lines = readdirSync(dir)
    .filter((f) => f.endsWith(".txt"))
    .slice(0, 60)
    .flatMap((f) => plain(readFileSync(new URL(f, dir), "utf8")).split("\n"));
  const sources = [...nounSources.map((n) => n.source), FILLER, MANNER, NUMBER, PARTS];
  let matched = 0;
  for (const source of sources) {
    const { chars } = firstsOf(source);
    if (!chars) continue;
    const pattern = new RegExp(source, "giu");
    for (const line of lines)
      for (const [found] of line.matchAll(pattern)) {
        if (found === "") continue;
        matched++;
        expect(chars.has(found[0] ?? ""), `“${found}” of ${source.slice(0, 60)}`).toBe(true);
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

test("capital letters are read as small ones", () => {
  expect(match("(wire)")("Wire 5", 0)?.end).toBe(4);
});

test("the ways of a pattern stand between its bars, but for those within brackets and classes", () => {
  expect(waysOf("a|(?:b|c)d|[|x]e|\\|f")).toEqual(["a", "(?:b|c)d", "[|x]e", "\\|f"]);
});

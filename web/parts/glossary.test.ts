import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { glossaryLines, meaningOf } from "./glossary";

const web = new URL("..", import.meta.url).pathname;
const asked = readdirSync(web, { recursive: true, encoding: "utf8" })
  .filter((f) => f.endsWith(".vue") && !f.includes("node_modules"))
  .flatMap((f) => [...readFileSync(web + f, "utf8").matchAll(/<TradeWord word="([^"]+)"|word: "([^"]+)"/g)])
  .map((m) => m[1] ?? m[2] ?? "");

describe("the glossary on the screen", () => {
  test("reads the lines of the table, several words of one line apart", () =>
    expect(
      glossaryLines("| word | meaning |\n| --- | --- |\n| barb (feather) | one fibre |\n| fill, ramp | wound full |"),
    ).toEqual(
      new Map([
        ["barb", "one fibre"],
        ["fill", "wound full"],
        ["ramp", "wound full"],
      ]),
    ));
  test("there are words that can be asked for", () => expect(asked.length).toBeGreaterThan(5));
  test.each([...new Set(asked)])("%s has its line", async (word) => expect(await meaningOf(word)).toMatch(/\w+ \w+/));
});

import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { anyOf, match, memo, oneOf, opt, plain, seq, unless, words } from "./parse";

/** So many ways that they are sorted by the characters with which they begin. */
const ways = [
  "an?\\s+rib",
  "(?<=the\\s)tail",
  "tails?",
  "½\\s+turn",
  "\\d+°?",
  "\\p{L}+\\s+of",
  "of(?=\\s|$)",
  "[-–]\\s*end",
  "(?:fine|thin)?\\s*wire",
];
const source = anyOf(...ways);

/** The same pattern, tried as a whole. */
function plainly(text: string, at: number): string | undefined {
  const whole = new RegExp(`(?:${source})(?:(?<![\\p{L}\\p{N}])|(?![\\p{L}\\p{N}]))`, "uy");
  whole.lastIndex = at;
  const found = whole.exec(text)?.[0];
  const isWithin = /[\p{L}\p{N}]/u.test(text[at - 1] ?? "") && /[\p{L}\p{N}]/u.test(text[at] ?? "");
  return found === undefined || found === "" || isWithin ? undefined : found;
}

describe("a pattern of many ways", () => {
  const read = words(source);
  const readAt = (text: string, at: number): string | undefined => {
    const found = read(text, at);
    return found && text.slice(at, found.end);
  };

  const cases: [string, string, number, string | undefined][] = [
    ["at the end of a text", "the rib of", 8, "of"],
    ["one character alone at the end", "12 3", 3, "3"],
    ["by a sign that a way names", "½ turn", 0, "½ turn"],
    ["behind a look back", "the tail", 4, "tail"],
    ["a letter that no way names", "éclair of", 0, "éclair of"],
    ["a blank that is no plain one", "\u00a0wire", 0, "\u00a0wire"],
    ["nothing within a word", "detail", 2, undefined],
    ["nothing where the word goes on", "tailing", 0, undefined],
    ["nothing by a sign that no way names", "§ tail", 0, undefined],
  ];
  test.each(cases)("reads %s", (_label, text, at, expected) => {
    expect(readAt(text, at)).toBe(expected);
    expect(plainly(text, at)).toBe(expected);
  });

  test("reads at every place what the whole pattern reads there", () => {
    const piece = fc.constantFrom(
      "tail",
      "a",
      " ",
      "rib",
      "½",
      "é",
      "of",
      "-",
      "–",
      "12",
      "°",
      "wire",
      "the",
      "\u00a0",
      "§",
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 12 }), (pieces) => {
        const text = pieces.join("");
        for (let at = 0; at < text.length; at++) expect([at, readAt(text, at)]).toEqual([at, plainly(text, at)]);
      }),
    );
  });
});

describe("readers put together", () => {
  const turns = seq(match("(\\d+)"), words("turns?"));

  test("read one behind the other, with blanks between", () => {
    expect(turns("5  turns of", 0)).toEqual({ value: [["5"], true], end: 8 });
    expect(turns("5 wraps", 0)).toBeUndefined();
  });

  test("go on without what may be left out", () => {
    const read = seq(words("with"), opt(words("some")), match("(\\w+)"));
    expect(read("with some glue", 0)?.end).toBe(14);
    expect(read("with glue", 0)?.value[2]).toEqual(["glue"]);
  });

  test("take the first that fits, in their order", () => {
    const read = oneOf(match("(tail)"), match("(tail\\s+fibres)"));
    expect(read("tail fibres", 0)?.value).toEqual(["tail"]);
  });

  test("read nothing where that follows which must not", () => {
    const read = unless(words("tail"), words("feathers?"));
    expect(read("tail feather", 0)).toBeUndefined();
    expect(read("tail wool", 0)?.end).toBe(4);
  });

  test("remember a place of the text in hand only", () => {
    let tried = 0;
    const read = memo((text: string, at: number) => {
      tried++;
      return text[at] === "x" ? { value: at, end: at + 1 } : undefined;
    });
    expect([read("ax", 0), read("ax", 0), read("ax", 1)?.value, read("xa", 0)?.value]).toEqual([
      undefined,
      undefined,
      1,
      0,
    ]);
    expect(tried).toBe(3);
  });
});

test("a text in small letters is as long as what was typed", () => {
  expect(plain("Tie “IN” – 2×")).toBe('tie "in" - 2x');
  // The small form of this letter has two characters: it stays.
  expect(plain("İ").length).toBe(1);
});

import { expect, test } from "vitest";
import { allOf } from ".";

test.each([
  ["each in order", /\d+/g, "12 of 4 and 6"],
  ["none", /x/g, "none of it"],
  ["empty ones between letters", /(?=a)/g, "banana"],
  ["at the end as well", /$|a/g, "banana"],
  ["with their groups and names", /(?<n>\d)(\w)?/gu, "1a 2 3c"],
])("finds what matchAll finds: %s", (_label, pattern, text) => {
  const plain = (all: Iterable<RegExpExecArray>) => [...all].map((m) => [m.index, [...m], { ...m.groups }]);
  expect(plain(allOf(pattern, text))).toEqual(plain(text.matchAll(pattern)));
});

test("leaves a pattern as it was found, for the next text", () => {
  const pattern = /a/g;
  allOf(pattern, "banana");
  expect(pattern.lastIndex).toBe(0);
  pattern.lastIndex = 4;
  expect(allOf(pattern, "banana")).toHaveLength(3);
});

import { describe, expect, test } from "vitest";
import { lettersOf } from "./letters";

describe("lettersOf", () => {
  test.each([
    ["Pheasant-tail, 6 fibres", ["pheasant", "tail", "6", "fibres"]],
    ["seal’s fur", ["seal", "s", "fur"]],
    ["Zürich ÉCRU", ["zürich", "écru"]],
    ["  — , ; ", []],
    ["", []],
  ])("“%s”", (text, letters) => expect(lettersOf(text)).toEqual(letters));
});

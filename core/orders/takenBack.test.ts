import { describe, expect, test } from "vitest";
import { takenBackAt } from "./takenBack";

describe("words that take back what stands before them", () => {
  const cases: [string, string, number | undefined][] = [
    ["no, behind a comma", " Tar Pupa 14 red, no, ", 16],
    ["no, with what is meant", ", no make that ", 0],
    ["sorry, behind a dash", " - sorry, ", 1],
    ["two of them", ", no, sorry, ", 0],
    ["only what is meant, behind a comma", ", make it ", 0],
    ["in German", ", nein, lieber ", 0],
    ["a wish begins with no as well", ", no lead, ", undefined],
    ["a word that only holds one", ", piano, ", undefined],
    ["what is meant, without a comma", " please make it ", undefined],
    ["nothing", " and ", undefined],
  ];
  test.each(cases)("%s", (_label, between, at) => expect(takenBackAt(between)).toBe(at));
});

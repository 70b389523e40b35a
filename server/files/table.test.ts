import { describe, expect, test } from "vitest";
import { MOST_FILE_LINES } from "@kasten/contract/files";
import { Problem } from "../http/problems";
import { readTable } from "./table";

const refusalOf = (text: string): string => {
  try {
    readTable(text);
  } catch (error) {
    if (error instanceof Problem) return error.message;
    throw error;
  }
  return "";
};

describe("a file as a table", () => {
  test.each([
    ["commas", "a,b\n1,2", ","],
    ["semicolons with decimal commas", "a;b\n1,5;2,5", ";"],
    ["tabs", "a\tb\n1\t2", "\t"],
    ["bars", "a|b\n1|2", "|"],
    ["a separator within quotation marks is none", '"a, or x";b\n1;2', ";"],
  ])("is parted by %s", (_label, text, delimiter) => {
    const table = readTable(text);
    expect([table.delimiter, table.heads.length, table.rows[0]?.cells.length]).toEqual([delimiter, 2, 2]);
  });
  test("a byte order mark, Windows line ends and empty lines change nothing; lines keep their number", () => {
    const table = readTable("\uFEFFname;much\r\n\r\nwire;1\r\n;;\r\nfloss;2\r\n");
    expect(table.heads).toEqual(["name", "much"]);
    expect(table.rows).toEqual([
      { line: 3, cells: ["wire", "1"] },
      { line: 5, cells: ["floss", "2"] },
    ]);
  });
  test("quoted cells may hold the separator, a mark and a line break", () => {
    expect(readTable('name,note\n"wire, fine","says ""soft""\nand long"').rows[0]?.cells).toEqual([
      "wire, fine",
      'says "soft"\nand long',
    ]);
  });
  test("a column alone is a table too", () =>
    expect(readTable("As typed\n6dz Tar Pupa 14 red").rows[0]?.cells).toEqual(["6dz Tar Pupa 14 red"]));

  test.each([
    ["a spreadsheet", "PK\u0003\u0004\u0014", /spreadsheet/],
    ["a PDF", "%PDF-1.7 obj", /PDF/],
    ["JSON", '[{"name": "wire"}]', /JSON/],
    ["a web page", "<!doctype html><html>", /web page/],
    ["a picture", "\u0089PNG\r\n\u001a\u0000", /no text/],
    ["nothing", "", /no line below its heads/],
    ["heads alone", "name;much\n", /no line below its heads/],
    ["quotation marks left open", 'name,note\nwire,"soft', /not closed/],
  ])("%s is refused with what to do", (_label, text, sentence) => expect(refusalOf(text)).toMatch(sentence));

  test("more lines than any room has are refused before they are read to the end", () => {
    // Read to its end, it would be refused for the quotation mark that is left open there.
    const text = `name\n${"wire\n".repeat(1_000_000)}"soft`;
    expect(refusalOf(text)).toContain(`more than ${MOST_FILE_LINES} lines`);
  });
});

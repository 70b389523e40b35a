import Papa from "papaparse";
import { MOST_FILE_LINES } from "@kasten/contract/files";
import { Problem } from "../http/problems";

/** A file as a table: its heads, and its rows with the line on which each begins. */
export interface Table {
  delimiter: string;
  heads: string[];
  rows: { line: number; cells: string[] }[];
}

const refuse = (detail: string) => new Problem("import-refused", "Nothing can be taken in", detail);
const BOM = "\uFEFF";
/** How a file begins that is no table, whatever its name says. */
const otherKinds: [RegExp, string][] = [
  [/^PK\W\W/, "a spreadsheet or another packed file"],
  [/^%PDF/, "a PDF"],
  [/^\s*[{[]\s*["{[]/, "JSON"],
  [/^\s*<(!doctype|html|\?xml)/i, "a web page or XML"],
  // A picture or a program: control signs other than blanks and line ends, which no table has.
  [/[^\P{Cc}\t-\r\u007f-\u009f]/u, "no text"],
];
const SEPARATORS = [",", ";", "\t", "|"];

/**
 * Reads a file of rows parted by commas, semicolons, tabs or bars, with or without a byte order mark.
 * @throws Problem import-refused: another kind of file, too many lines, no line below the heads, quotes left open
 */
export function readTable(text: string): Table {
  const plain = text.startsWith(BOM) ? text.slice(1) : text;
  const [head = ""] = plain.slice(0, 2000).split(/\r?\n/, 1);
  const other = otherKinds.find(([begins]) => begins.test(plain.slice(0, 2000)));
  if (other) throw refuse(`The file is ${other[1]}. Save it as CSV, with a row of heads, and choose that.`);
  const { data, errors, meta } = Papa.parse<string[]>(plain, {
    skipEmptyLines: false,
    delimitersToGuess: SEPARATORS,
    delimiter: separatorOf(head),
    preview: MOST_FILE_LINES + 2,
  });
  const open = errors.find((e) => e.type === "Quotes");
  if (open) throw refuse(`Line ${(open.row ?? 0) + 1}: a quotation mark is not closed. Mend it in the file.`);
  const filled = data.map((cells, i) => ({ line: i + 1, cells })).filter((r) => r.cells.some((c) => c.trim() !== ""));
  if (filled.length > MOST_FILE_LINES + 1)
    throw refuse(`The file has more than ${MOST_FILE_LINES} lines. Take it in in parts.`);
  const [first, ...rows] = filled;
  if (!first || rows.length === 0)
    throw refuse("The file has no line below its heads. It needs a row of heads, then a row for each.");
  return { delimiter: meta.delimiter, heads: first.cells.map((h) => h.trim()), rows };
}

/** The separator that stands most often among the heads, outside of quotation marks; without one a row is one cell. */
function separatorOf(head: string): string {
  const bare = head.replace(/"[^"]*"/g, "");
  const counted = SEPARATORS.map((s) => [s, bare.split(s).length - 1] as const).sort((a, b) => b[1] - a[1]);
  return counted[0] && counted[0][1] > 0 ? counted[0][0] : "\t";
}

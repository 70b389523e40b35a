import { cellsOf, headRole, isOfSums, quantityOf, unitOf, WHOLE, type Table } from "./cells";
import { findName, isSure, plainColour } from "./names";
import { quantitiesIn } from "./quantity";
import { comesIn, sizeOf } from "./sizes";
import type { Span } from "./spans";
import type { Catalogue } from "./types";

/**
 * A sheet whose head names sizes, and whose rows are flies; or the other way round. In each field stands how many of
 * that fly in that size, and each is a line of the order.
 */

type Cells = readonly (Span | undefined)[];
interface Grid {
  are: "sizes" | "flies";
  /** The columns in which quantities stand, each with its head. */
  fields: { column: number; head: Span }[];
  rows: { line: Span; cells: Cells }[];
}

/** “12”, “#12”, “size 12”, “Gr. 12”, “1/0” */
const SIZE_HEAD = /^(?:(?:hook\s+)?sizes?|sz|gr(?:öße)?|nr|no|#)?[.:\s]*#?(\d{1,2}(?:\s?\/\s?0)?)(?:er|'?s)?$/iu;
const sizeIn = (cell: Span | undefined, { patterns }: Catalogue): string | undefined => {
  const size = sizeOf(SIZE_HEAD.exec(cell?.text.trim() ?? "")?.[1] ?? "");
  return size !== undefined && patterns.some((p) => comesIn(size, p.sizes)) ? size : undefined;
};
const namesFly = (cell: Span | undefined, { patterns }: Catalogue): boolean => {
  const words = (cell?.text ?? "").split(/\s+/).map((w, i) => ({ text: plainColour(w), start: i, end: i + 1 }));
  return cell !== undefined && isSure(findName(words, patterns, (p) => p.name, 0.8));
};
/** Nothing is ordered there. */
const NONE = /^(?:[-–—./x]|0|nil|none)$/i;
const isNumber = (cell: Span | undefined, catalogue: Catalogue): boolean => {
  const text = cell?.text.trim() ?? "";
  return text === "" || NONE.test(text) || /^-?[\d.,½¼¾]+$/.test(text) || quantitiesIn(text, 0, catalogue).length === 1;
};

/** Whether a line is the head of a grid: at least two sizes, or two flies, and else only what heads are called. */
function fieldsOf(head: Cells, catalogue: Catalogue): { fields: Grid["fields"]; are: "sizes" | "flies" } | undefined {
  // Names are only looked for where the rows are sizes: every line of a text is asked whether it is such a head.
  const isOfSizes = head[0] === undefined || headRole(head[0].text) === "size";
  for (const [are, is] of [
    ["sizes", (c: Span) => sizeIn(c, catalogue) !== undefined],
    ["flies", (c: Span) => isOfSizes && namesFly(c, catalogue)],
  ] as const) {
    const fields = head.flatMap((cell, column) => (cell && is(cell) ? [{ column, head: cell }] : []));
    const others = head.filter((cell, column) => cell && !fields.some((f) => f.column === column));
    // What stands ahead of the first field says what the rows are.
    const isHead = others.every(
      (cell) => cell !== undefined && (headRole(cell.text) !== undefined || isOfSums([cell])),
    );
    if (fields.length >= 2 && isHead && (fields[0]?.column ?? 0) > 0) return { fields, are };
  }
  return undefined;
}

/** The grid that begins with the first of these lines, as far as it goes. */
export function gridIn(lines: readonly Span[], by: string, catalogue: Catalogue): Grid | undefined {
  const all = lines.filter((l) => !/^[\s|:+-]+$/.test(l.text)).map((line) => ({ line, cells: cellsOf(line, by) }));
  const [head, ...rows] = all;
  const found = head && fieldsOf(head.cells, catalogue);
  if (!found) return undefined;
  const { fields, are } = found;
  const first = fields[0]?.column ?? 0;
  const isRow = ({ cells }: Grid["rows"][number]): boolean => {
    const labels = cells.slice(0, first);
    if (isOfSums(cells) || labels.some((c) => (are === "sizes" ? namesFly(c, catalogue) : sizeIn(c, catalogue))))
      return true;
    const isLabelled = are === "sizes" && labels.some((c) => c && /\p{L}{2}/u.test(c.text));
    return isLabelled && fields.every((f) => isNumber(cells[f.column], catalogue));
  };
  const end = rows.findIndex((r) => !isRow(r));
  const own = end < 0 ? rows : rows.slice(0, end);
  return own.length > 0 ? { are, fields, rows: own } : undefined;
}

/** Whether a grid begins here: by signs that part statements too, only where the next line is a row of it. */
export const isGridHead = (line: Span, by: string, below: Span | undefined, catalogue: Catalogue): boolean =>
  below !== undefined &&
  line.text.includes(by) &&
  below.text.includes(by) &&
  gridIn([line, below], by, catalogue) !== undefined;

/** A line of the order for each field in which a number stands. */
export function readGrid({ are, fields, rows }: Grid, head: Span, by: string, catalogue: Catalogue): Table {
  const table: Table = { rows: [], asides: [], doubts: [] };
  const columns = new Set(fields.map((f) => f.column));
  const body = rows.filter(({ cells }) => !isOfSums(cells));
  // Prices and numbers of a list.
  const besides = new Set(
    cellsOf(head, by).flatMap((cell, c) => (cell && /^(?:money|number)$/.test(headRole(cell.text) ?? "") ? [c] : [])),
  );
  const ordered = ({ cells }: Grid["rows"][number]): Grid["fields"] =>
    fields.filter(({ column }) => cells[column] && !NONE.test(cells[column].text.trim()));
  const said = catalogue.unit && ({ dz: "dozens", flies: "flies" } as const)[catalogue.unit];
  const texts = body.flatMap((row) => ordered(row).map(({ column }) => row.cells[column]?.text.trim() ?? ""));
  const unit = unitOf(said, texts);
  for (const row of body) {
    // A day or a remark in a column of its own is said of all that the row orders.
    const names = row.cells.filter((_, c) => !columns.has(c) && !besides.has(c));
    for (const cell of row.cells.filter((_, c) => besides.has(c)))
      if (cell) table.asides.push({ at: [cell.start, cell.end], why: "heading" });
    const own = ordered(row);
    // A fly of which no number stands is not passed over.
    if (own.length === 0) table.rows.push({ span: row.line, outside: [], quantity: undefined });
    for (const { column, head: of } of own) {
      const cell = row.cells[column];
      const quantity = quantityOf(cell, unit, catalogue);
      const span = behindHead(of, row.line, [...names, cell]);
      const nameEnd = (are === "flies" ? of : names.find((n) => n !== undefined && namesFly(n, catalogue)))?.end;
      table.rows.push({ span, outside: [], quantity, head: of, ...(nameEnd !== undefined && { nameEnd }) });
    }
  }
  setSumsAside(table, rows, fields);
  setLabelsAside(table, cellsOf(head, by), columns);
  if (unit === "unclear") askUnit(table, head, texts[0] ?? "");
  return table;
}

/**
 * A row with only these of its cells, each where it stands, and the word of the head put right before it: as long as
 * the row alone, however far below its head it stands.
 */
function behindHead(head: Span, line: Span, cells: readonly (Span | undefined)[]): Span {
  const text = Array.from({ length: line.text.length }, () => " ");
  for (const cell of cells) if (cell) text.splice(cell.start - line.start, cell.text.length, ...cell.text);
  return { text: `${head.text} ${text.join("")}`, start: line.start - head.text.length - 1, end: line.end };
}

/** Sums beneath the columns order nothing; a sum that is another than theirs is left to be asked about. */
function setSumsAside(table: Table, rows: Grid["rows"], fields: Grid["fields"]): void {
  const number = (cell: Span | undefined): number[] =>
    cell && WHOLE.test(cell.text.trim()) ? [Number(cell.text)] : [];
  const total = (numbers: number[]): number => numbers.reduce((sum, n) => sum + n, 0);
  const body = rows.filter(({ cells }) => !isOfSums(cells));
  const sums = fields.map(({ column }) => total(body.flatMap((r) => number(r.cells[column]))));
  const allowed = [sums, [...sums, total(sums)], [total(sums)]].map((s) => s.join(" "));
  for (const { line, cells } of rows.filter((r) => isOfSums(r.cells)))
    if (allowed.includes(cells.flatMap(number).join(" ")))
      table.asides.push({ at: [line.start, line.end], why: "heading" });
    else table.rows.push({ span: line, outside: [], quantity: undefined });
}

/** What the head calls its columns is no order. */
function setLabelsAside(table: Table, head: Cells, columns: ReadonlySet<number>): void {
  head.forEach((cell, c) => {
    if (cell && !columns.has(c)) table.asides.push({ at: [cell.start, cell.end], why: "heading" });
  });
}

/** Dozens or flies, once for all of them: the answer stands above the sheet. */
function askUnit(table: Table, head: Span, column: string): void {
  table.doubts.push({
    field: "quantity",
    code: "TABLE_UNCLEAR",
    details: { column },
    at: [head.start, head.start],
    candidates: [
      { label: "they are dozens", text: "All numbers in dozens\n" },
      { label: "they are flies", text: "All numbers in flies\n" },
    ],
  });
}

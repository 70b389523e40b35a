import { readDay } from "./dates";
import { findName, isSure, plainColour } from "./names";
import { cellsOf, headRole, isOfSums, quantityOf, unitOf, WHOLE, type Role, type Table } from "./cells";
import { blankSheet } from "./blankSheet";
import { gridIn, isGridHead, readGrid } from "./grid";
import { quantitiesIn, type Quantity } from "./quantity";
import { comesIn, sizeOf } from "./sizes";
import type { Span } from "./spans";
import type { Aside, Catalogue } from "./types";

const SEPARATORS = ["\t", "|"] as const;
/** Signs that part statements too: they make a sheet only beneath a head. */
const HEADED = [";", ",", " / "] as const;
/** Without a head they do where two lines have their numbers in the same places. */
const BARE = [",", ";"] as const;
const MONEY = /^(?:[€$£]\s?)?\d+[.,]\d{2}\s?(?:[€$£]|eur)?$/i;

/** The lines of a text, with those that are rows of a sheet gathered to tables. */
export function tablesIn(typed: Span[], catalogue: Catalogue): (Span | Table)[] {
  const lines = withTabs(typed, catalogue);
  const parts: (Span | Table)[] = [];
  for (let i = 0; i < lines.length;) {
    const line = lines[i];
    if (!line) break;
    const form = formAt(lines, i);
    if (form) {
      parts.push(readForm(form, catalogue));
      i += form.length;
      continue;
    }
    const by =
      SEPARATORS.find((s) => line.text.includes(s)) ??
      HEADED.find((s) => isHeadBy(line, s) || isGridHead(line, s, lines[i + 1], catalogue)) ??
      BARE.find((s) => isSheetBy(s, line, lines[i + 1]));
    if (by === undefined) {
      parts.push(line);
      i++;
      continue;
    }
    let end = i;
    while (lines[end]?.text.includes(by) && isRow(lines[end], line, by)) end++;
    const grid = gridIn(lines.slice(i, end), by, catalogue);
    const last = grid?.rows.at(-1)?.line;
    if (grid && last) {
      parts.push(readGrid(grid, line, by, catalogue));
      i = lines.indexOf(last) + 1;
      // “Quayhead Tackle | 1 March” beneath it: whom it is for, and when.
      const below = lines[i];
      if (below?.text.includes(by) && !/^[\s|:+-]+$/.test(below.text)) {
        parts.push(...cellsOf(below, by).flatMap((cell) => cell ?? []));
        i++;
      }
      continue;
    }
    parts.push(readTable(lines.slice(i, end), by, catalogue));
    // Beneath a sheet with bars whom it is for and when may stand in bars too.
    if (by === "|" && end < lines.length && lines[end]?.text.includes(by)) {
      const below = lines[end];
      if (below) parts.push(...cellsOf(below, by).flatMap((cell) => cell ?? []));
      end++;
    }
    // “Customer;Stonecrop Outfitters” beneath a sheet.
    while (by !== "|" && isFoot(lines[end], by)) {
      const [, ...cells] = cellsOf(lines[end] as Span, by);
      parts.push(...cells.flatMap((cell) => cell ?? []));
      end++;
    }
    i = end;
  }
  return parts;
}

const gap = / {2}(?= *\S)(?<=\S {2})/gu;
/** A line as long as it was, with a tab where its columns are set apart by blanks. */
const tabbed = (line: Span): Span => ({ ...line, text: line.text.replace(gap, "\t ") });
/** “qty  fly  size”, and beneath it lines with as many columns: a sheet that is set out with blanks. */
function withTabs(lines: Span[], catalogue: Catalogue): Span[] {
  const out = [...lines];
  for (let i = 0; i < lines.length; i++) {
    const sheet = blankSheet(lines, i, catalogue);
    out.splice(i, sheet.length, ...sheet);
    i += sheet.length;
    if (i >= lines.length) break;
    const head = tabbed(lines[i] as Span);
    const below = lines[i + 1];
    if (!isHeadBy(head, "\t") && !isGridHead(head, "\t", below && tabbed(below), catalogue)) continue;
    const columns = cellsOf(head, "\t").length;
    let end = i + 1;
    const isOfSheet = (line: Span | undefined): boolean => {
      const cells = line && cellsOf(tabbed(line), "\t");
      return cells !== undefined && (cells.length === columns || (cells.length > 1 && isOfSums(cells)));
    };
    while (isOfSheet(lines[end])) end++;
    if (end === i + 1) continue;
    for (let n = i; n < end; n++) out[n] = tabbed(lines[n] as Span);
    i = end - 1;
  }
  return out;
}

/** A head of at least three columns, of which two are known: without one, semicolons part statements. */
const isHeadBy = (line: Span, by: string): boolean => {
  const cells = line.text.split(by);
  return cells.length >= 3 && cells.filter((c) => headRole(c) !== undefined).length >= 2;
};
/** “Slate Wisp, 14, amber, 24”: cells of which two are whole numbers, in the same places as in the next line. */
function isSheetBy(by: string, line: Span, next: Span | undefined): boolean {
  const [cells, below] = [line, next].map((l) => (l?.text.split(by) ?? []).map((c) => c.trim()));
  if (!cells || cells.length < 3 || cells.length !== below?.length) return false;
  const isNumber = (of: string[]) => of.map((c) => WHOLE.test(c));
  const numbers = isNumber(cells);
  return (
    numbers.filter(Boolean).length >= 2 &&
    numbers.every((is, i) => is === isNumber(below)[i]) &&
    cells.some((c) => /\p{L}{3}/u.test(c))
  );
}
/** A line beneath a sheet that says what it is: whom it is for, or when. */
const isFoot = (line: Span | undefined, by: string): boolean => {
  const role = line?.text.includes(by) ? headRole(line.text.split(by)[0] ?? "") : undefined;
  return role === "customer" || role === "day";
};
/** A row has about as many cells as the first line; half of them is another matter. */
const isRow = (line: Span | undefined, first: Span, by: string): boolean =>
  line !== undefined && line.text.split(by).length > first.text.split(by).length / 2;

/** “Size: 12”: one thing of a form, that says what it is. */
const LABELLED = /^\s*([\p{L}#][\p{L} .#]{0,18}?)\s*[:=]\s*(\S.*)$/u;
const labelOf = (line: Span | undefined): Role | undefined => {
  const label = line && LABELLED.exec(line.text)?.[1];
  const role = label === undefined ? undefined : headRole(label);
  return role === "money" || role === "number" || role === "day" || role === "customer" ? undefined : role;
};
const howMany = new Set<Role>(["dozens", "flies", "quantity"]);

/** The lines of a form from here on: each says what it is, one the fly, one how many. */
function formAt(lines: Span[], from: number): Span[] | undefined {
  let end = from;
  while (labelOf(lines[end]) !== undefined) end++;
  const form = lines.slice(from, end);
  const roles = form.map(labelOf);
  return roles.includes("pattern") && roles.some((r) => r !== undefined && howMany.has(r)) ? form : undefined;
}

/** A form as a sheet: a row for each fly that it names. */
function readForm(lines: Span[], catalogue: Catalogue): Table {
  const begins = lines.flatMap((l, i) => (labelOf(l) === "pattern" ? [i] : []));
  const table: Table = { rows: [], asides: [], doubts: [] };
  begins.forEach((begin, n) => {
    const own = lines.slice(n === 0 ? 0 : begin, begins[n + 1] ?? lines.length);
    const [first, last] = [own[0], own.at(-1)];
    if (!first || !last) return;
    const labels = own.map((l): [number, number] => [l.start, l.start + l.text.search(/[:=]/) + 1]);
    for (const at of labels) table.asides.push({ at, why: "heading" });
    const counted = own.find((l) => howMany.has(labelOf(l) ?? "other"));
    const text = Array.from({ length: last.end - first.start }, () => " ");
    for (const l of own) text.splice(l.start - first.start, l.text.length, ...l.text);
    const span = { text: text.join(""), start: first.start, end: last.end };
    table.rows.push({ span, outside: labels, quantity: counted && quantityOfLabelled(counted, catalogue) });
  });
  return table;
}

function quantityOfLabelled(line: Span, catalogue: Catalogue): Quantity | undefined {
  const value = LABELLED.exec(line.text)?.[2] ?? "";
  const start = line.end - value.length;
  const cell = { text: value, start, end: line.end };
  const role = labelOf(line);
  return quantityOf(cell, unitOf(role, [value]), catalogue) ?? undefined;
}

function readTable(lines: Span[], by: string, catalogue: Catalogue): Table {
  const all = lines.filter((l) => !/^[\s|:+-]+$/.test(l.text)).map((span) => ({ span, cells: cellsOf(span, by) }));
  const [first] = all;
  const heads = first?.cells.map((c) => (c ? headRole(c.text) : undefined)) ?? [];
  const hasHead = heads.filter((h) => h !== undefined).length >= 2;
  const body = hasHead ? all.slice(1) : all;
  const asides: Aside[] = hasHead && first ? [{ at: [first.span.start, first.span.end], why: "heading" }] : [];
  const width = Math.max(0, ...all.map((r) => r.cells.length));
  const roles = Array.from({ length: width }, (_, c): Role => {
    const head = hasHead ? heads[c] : undefined;
    const column = body.flatMap((r) => r.cells[c] ?? []);
    return (
      head ??
      (hasHead
        ? "other"
        : roleOf(
            column.map((cell) => cell.text),
            catalogue,
          ))
    );
  });
  if (!hasHead)
    settle(
      roles,
      body.map((r) => r.cells),
    );
  const column = quantityColumn(roles);
  const said =
    roles[column] === "quantity" && catalogue.unit
      ? ({ dz: "dozens", flies: "flies" } as const)[catalogue.unit]
      : undefined;
  const unit = unitOf(
    said ?? roles[column],
    // What stands in a row of sums says nothing of the others.
    body.filter((r) => !isOfSums(r.cells)).flatMap((r) => r.cells[column]?.text ?? []),
  );
  const table: Table = { rows: [], asides, doubts: [] };
  for (const { span, cells } of body) {
    if (isOfSums(cells) && setSumsAside(table, span, cells)) continue;
    const outside = cells.flatMap((cell, c): [number, number][] =>
      cell && (roles[c] === "money" || roles[c] === "number") ? [[cell.start, cell.end]] : [],
    );
    for (const at of outside) asides.push({ at, why: "heading" });
    // A comma between two cells is not one within a number.
    const row = by === "," ? { ...span, text: span.text.replaceAll(",", " ") } : span;
    table.rows.push({ span: row, outside, quantity: quantityOf(cells[column], unit, catalogue) });
  }
  if (unit === "unclear") askUnit(table, body[0]?.cells[column], roles, first?.span.start ?? 0, hasHead, by);
  return table;
}

/**
 * “Total  60” beneath the rows: it orders nothing. What comes to another sum than the rows, in dozens and in flies, is
 * left to be read, and asked about.
 */
function setSumsAside(table: Table, span: Span, cells: readonly (Span | undefined)[]): boolean {
  const numbers = cells.flatMap((c) => (c && WHOLE.test(c.text) ? [Number(c.text)] : []));
  const flies = table.rows.map((r) => r.quantity?.flies);
  const all = flies.every((f) => f !== undefined) ? flies.reduce((sum, f) => sum + f, 0) : undefined;
  if (table.rows.length === 0 || numbers.length > 1) return false;
  if (all !== undefined && numbers.some((n) => n !== all && n * 12 !== all)) return false;
  table.asides.push({ at: [span.start, span.end], why: "heading" });
  return true;
}

/** What a column without a head holds, by all of its cells. */
function roleOf(cells: string[], catalogue: Catalogue): Role {
  const all = (is: (text: string) => boolean): boolean => cells.length > 0 && cells.every(is);
  const named = (names: readonly { name: string }[]) => (text: string) => {
    const words = text.split(/\s+/).map((w, i) => ({ text: plainColour(w), start: i, end: i + 1 }));
    return isSure(findName(words, names, (n) => n.name, 0.8));
  };
  if (all((t) => MONEY.test(t))) return "money";
  if (all((t) => WHOLE.test(t)) && cells.length > 2 && cells.every((t, i) => Number(t) === i + 1)) return "number";
  const isCounted = (t: string): boolean => quantitiesIn(t, 0, catalogue).length === 1;
  // “36”, “24”, “4 dz”: one cell says its unit, the others are numbers of it.
  if (all((t) => isCounted(t) || (WHOLE.test(t) && cells.some(isCounted)))) return "quantity";
  if (all((t) => /^#?\d{1,2}\/0$|^#\d/.test(t))) return "size";
  if (all((t) => WHOLE.test(t))) return all((t) => isSomeSize(t, catalogue)) ? "size" : "quantity";
  if (all((t) => readDay(t, catalogue.today) !== undefined)) return "day";
  if (all(named(catalogue.patterns))) return "pattern";
  if (all((t) => sizeOf(t) !== undefined)) return "size";
  return "other";
}
const isSomeSize = (text: string, catalogue: Catalogue): boolean => {
  const size = sizeOf(text);
  return size !== undefined && catalogue.patterns.some((p) => comesIn(size, p.sizes));
};

/** Of several columns of whole numbers that could be sizes, the first is; the last one then is how many. */
function settle(roles: Role[], rows: (Span | undefined)[][]): void {
  const numeric = roles.flatMap((r, c) => (r === "size" || r === "quantity" ? [c] : []));
  if (numeric.length < 2 || roles.some((r) => r === "dozens" || r === "flies")) return;
  if (roles.includes("quantity")) {
    if (roles.filter((r) => r === "size").length > 0) return;
    const [first] = numeric;
    if (first !== undefined) roles[first] = "size";
    return;
  }
  const last = numeric[numeric.length - 1];
  const isEven = (c: number): boolean => rows.every((r) => Number(r[c]?.text ?? 0) % 2 === 0);
  if (last !== undefined) roles[last] = numeric.slice(0, -1).every(isEven) ? "quantity" : "other";
}

function quantityColumn(roles: Role[]): number {
  for (const role of ["dozens", "flies", "quantity"] as const) {
    const at = roles.lastIndexOf(role);
    if (at >= 0) return at;
  }
  return -1;
}

/** Dozens or flies: an answer is a head for the columns, in which every later row is read too. */
function askUnit(
  table: Table,
  cell: Span | undefined,
  roles: Role[],
  start: number,
  hasHead: boolean,
  by: string,
): void {
  if (!cell) return;
  const heads = (unit: string): string =>
    roles.map((r) => (r === "quantity" ? unit : (HEAD_WORDS[r] ?? "Note"))).join(by) + "\n";
  const at: [number, number] = hasHead
    ? [table.asides[0]?.at[0] ?? start, (table.asides[0]?.at[1] ?? start) + 1]
    : [start, start];
  table.doubts.push({
    field: "quantity",
    code: "TABLE_UNCLEAR",
    details: { column: cell.text },
    at,
    candidates: [
      { label: "they are dozens", text: heads("Dozens") },
      { label: "they are flies", text: heads("Pieces") },
    ],
  });
}
const HEAD_WORDS: Partial<Record<Role, string>> = {
  pattern: "Pattern",
  size: "Size",
  colour: "Colour",
  money: "Price",
  number: "No",
  day: "Date",
  customer: "Customer",
};

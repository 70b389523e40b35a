import {
  fieldsByHead,
  fileFields,
  type Fate,
  type FileField,
  type FilePreview,
  type previewFile,
} from "@kasten/contract/files";
import type { BodyOf } from "@kasten/contract/http";
import type { Db } from "../database/rows";
import { counts } from "./counts";
import { customers } from "./customers";
import { decimalOf } from "./figures";
import { hooks } from "./hooks";
import { Line } from "./line";
import { lots } from "./lots";
import { materials } from "./materials";
import { orders } from "./orders";
import { prices } from "./prices";
import { wrong, type FileReader, type Judged, type OpenReader } from "./reader";
import { readTable, type Table } from "./table";

const readers: Record<keyof typeof fileFields, FileReader> = {
  customers,
  materials,
  hooks,
  lots,
  prices,
  counts,
  orders,
};
const SAMPLES = 3;
const SHOWN = 300;

/** A file with the fate of each of its lines. */
export interface Looked {
  preview: FilePreview;
  judged: Judged[];
  reader: OpenReader;
}

/** Which field each column is: as a person said, else by the heads. */
function mapped(
  fields: readonly FileField[],
  table: Table,
  mapping: Record<string, string> | undefined,
): (string | null)[] {
  if (!mapping) return fieldsByHead(fields, table.heads);
  const ids = new Set(fields.map((f) => f.id));
  return table.heads.map((_, i) => {
    const field = mapping[String(i)];
    return field !== undefined && ids.has(field) ? field : null;
  });
}

const missingOf = (
  kind: keyof typeof fileFields,
  fields: readonly FileField[],
  columns: (string | null)[],
): string[] => {
  const missing = fields.filter((f) => f.required && !columns.includes(f.id)).map((f) => f.label);
  const isOrder =
    columns.includes("text") || ["quantity", "pattern", "customer", "due"].every((f) => columns.includes(f));
  return kind === "orders" && !isOrder ? ["As typed, or Quantity with Pattern, Customer and Due"] : missing;
};

/** Reads a file and judges each of its lines; nothing is written. */
export async function look(db: Db, { kind, text, mapping, decimal }: BodyOf<typeof previewFile>): Promise<Looked> {
  const table = readTable(text);
  const fields: readonly FileField[] = fileFields[kind];
  const columns = mapped(fields, table, mapping);
  const figures = columns.flatMap((id, i) => (fields.find((f) => f.id === id)?.reads === "number" ? [i] : []));
  const found = decimalOf(table.rows.flatMap((r) => figures.map((i) => r.cells[i] ?? "")));
  const missing = missingOf(kind, fields, columns);
  const reader = await readers[kind](db);
  const judged = table.rows.map((r) =>
    missing.length > 0
      ? wrong("a column is missing")
      : judge(
          reader,
          r,
          columns,
          table.heads.length,
          (cells) => new Line(r.line, cells, fields, decimal ?? found.decimal ?? "point"),
        ),
  );
  const count = (fate: Fate) => judged.filter((j) => j.fate === fate).length;
  const order: Fate[] = ["wrong", "changes", "new", "same"];
  const lines = table.rows
    .map((r, i) => ({
      line: r.line,
      fate: judged[i]?.fate ?? "wrong",
      says: judged[i]?.says ?? "",
      shown: r.cells.slice(0, 8).map((c) => c.slice(0, 60)),
    }))
    .sort((a, b) => order.indexOf(a.fate) - order.indexOf(b.fate) || a.line - b.line)
    .slice(0, SHOWN);
  return {
    judged,
    reader,
    preview: {
      delimiter: table.delimiter,
      decimal: decimal ?? found.decimal,
      unclear: decimal ? null : found.unclear,
      columns: table.heads.map((head, i) => ({
        head: head.slice(0, 80),
        samples: table.rows.slice(0, SAMPLES).map((r) => (r.cells[i] ?? "").slice(0, 60)),
        field: columns[i] ?? null,
      })),
      missing,
      counts: { new: count("new"), changes: count("changes"), same: count("same"), wrong: count("wrong") },
      lines,
    },
  };
}

function judge(
  reader: OpenReader,
  { cells }: Table["rows"][number],
  columns: (string | null)[],
  heads: number,
  lineOf: (cells: ReadonlyMap<string, string>) => Line,
): Judged {
  const extra = cells.slice(heads).filter((c) => c.trim() !== "").length;
  if (extra > 0)
    return wrong(
      `has ${cells.length} cells, but there are ${heads} heads: a separator too many, or a comma in a figure`,
    );
  const byField = new Map(columns.flatMap((id, i) => (id === null ? [] : [[id, cells[i] ?? ""] as const])));
  return reader.judge(lineOf(byField));
}

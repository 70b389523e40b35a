import { isValid, parse } from "date-fns";
import type { FileField } from "@kasten/contract/files";
import { figureOf, type Decimal } from "./figures";

const yesWords = new Set(["1", "yes", "y", "true", "x", "ja", "j", "wahr"]);
const noWords = new Set(["0", "no", "n", "false", "-", "nein", "falsch"]);
const MOST_CELL = 400;

/** A row of a file by its fields. What a cell should be and is not, is kept as a sentence; the line then is wrong. */
export class Line {
  readonly wrong: string[] = [];

  constructor(
    readonly line: number,
    private readonly cells: ReadonlyMap<string, string>,
    private readonly fields: readonly FileField[],
    private readonly decimal: Decimal,
  ) {
    for (const f of fields) if (f.required && !this.text(f.id)) this.says(f.id, "is empty");
  }
  says(id: string, what: string): void {
    const sentence = `${this.fields.find((f) => f.id === id)?.label ?? id} ${what}`;
    // A cell may be read more than once; it is wrong once.
    if (!this.wrong.includes(sentence)) this.wrong.push(sentence);
  }
  /** The words of a cell; empty where there is none. */
  text(id: string): string {
    const cell = (this.cells.get(id) ?? "").trim();
    if (/^[=@]/.test(cell)) {
      this.says(id, "begins like a formula: write the value instead");
      return "";
    }
    if (cell.length > MOST_CELL) {
      this.says(id, `is longer than ${MOST_CELL} characters`);
      return "";
    }
    return cell;
  }
  /** A figure within a cell, as this file writes figures; undefined where it is none. */
  figure(text: string): number | undefined {
    return figureOf(text, this.decimal);
  }
  number(id: string): number | undefined {
    const cell = this.text(id);
    if (cell === "") return undefined;
    const value = this.figure(cell);
    if (value === undefined) this.says(id, `“${cell}” is no number with a decimal ${this.decimal}`);
    return value;
  }
  yes(id: string): boolean | undefined {
    const cell = this.text(id).toLowerCase();
    if (cell === "") return undefined;
    if (yesWords.has(cell)) return true;
    if (noWords.has(cell)) return false;
    this.says(id, `“${cell}” is neither yes nor no`);
    return undefined;
  }
  /** A day as year-month-day. */
  day(id: string): string | undefined {
    const cell = this.text(id);
    if (cell === "") return undefined;
    const isIso = /^\d{4}-\d{2}-\d{2}$/.test(cell) && isValid(parse(cell, "yyyy-MM-dd", new Date()));
    if (isIso) return cell;
    const [, d = "", m = "", y = ""] = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(cell) ?? [];
    const iso = `${y}-${m.padStart(2, "0")}-${d.padStart(2, "0")}`;
    if (y !== "" && isValid(parse(iso, "yyyy-MM-dd", new Date()))) return iso;
    this.says(id, `“${cell}” is no day that is plain: write 2026-03-12 or 12.3.2026`);
    return undefined;
  }
  /** One of a few words. */
  one<T extends string>(id: string, words: readonly T[], or: T): T {
    const cell = this.text(id).toLowerCase();
    if (cell === "") return or;
    const found = words.find((w) => w === cell);
    if (!found) this.says(id, `“${cell}” is none of ${words.join(", ")}`);
    return found ?? or;
  }
}

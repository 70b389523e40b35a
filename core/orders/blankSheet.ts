import { headRole } from "./cells";
import type { Span } from "./spans";
import type { Catalogue } from "./types";

/** Where each word of a text stands. */
const wordsAt = (text: string): { at: number; word: string }[] =>
  [...text.matchAll(/\S+/gu)].map((m) => ({ at: m.index, word: m[0] }));

/** The columns of “Pos Pattern Size Col Qty”, where each word is what a column is called; one of them is the fly. */
function headsOf(line: Span): { names: number; count: number } | undefined {
  // Columns that are set apart by more are read by those blanks.
  if (/\S {2,}\S|\t/u.test(line.text)) return undefined;
  const roles = wordsAt(line.text).map(({ word }) => headRole(word));
  const isAmount = roles.some((r) => r === "quantity" || r === "dozens" || r === "flies");
  if (roles.length < 3 || roles.includes(undefined) || !isAmount) return undefined;
  const names = roles.indexOf("pattern");
  return names < 0 || roles.lastIndexOf("pattern") !== names ? undefined : { names, count: roles.length };
}

/** A line of the same length, with a tab ahead of each cell but the first. */
function withTabAheadOf(line: Span, cells: readonly { at: number }[]): Span {
  const chars = [...line.text].length === line.text.length ? line.text.split("") : undefined;
  if (!chars) return line;
  for (const { at } of cells.slice(1)) chars[at - 1] = "\t";
  return { ...line, text: chars.join("") };
}

/** A row whose fly's name is one of the room's, and whose other cells are a word each. */
function rowOf(line: Span, { names, count }: { names: number; count: number }, { patterns }: Catalogue) {
  const small = line.text.toLowerCase();
  const name = patterns
    .map((p) => p.name.toLowerCase())
    .filter((n) => new RegExp(`(?<![\\p{L}\\d])${n.replace(/[^\p{L}\d\s]/gu, "\\$&")}(?![\\p{L}\\d])`, "u").test(small))
    .sort((a, b) => b.length - a.length)[0];
  if (name === undefined) return undefined;
  const from = small.indexOf(name);
  const cells = wordsAt(line.text).filter(({ at }) => at <= from || at >= from + name.length);
  return cells.length === count && cells[names]?.at === from ? withTabAheadOf(line, cells) : undefined;
}

/**
 * A sheet that lost its columns when it was copied: one blank between its cells, beneath a head of which every word is
 * what a column is called.
 *
 * @param i where its head would stand
 * @returns its lines, with a tab between their cells; none where it is no such sheet
 */
export function blankSheet(lines: readonly Span[], i: number, catalogue: Catalogue): Span[] {
  const head = lines[i];
  const heads = head && headsOf(head);
  if (!heads) return [];
  const rows: Span[] = [];
  for (let n = i + 1; n < lines.length; n++) {
    const row = rowOf(lines[n] as Span, heads, catalogue);
    if (!row) break;
    rows.push(row);
  }
  return rows.length > 0 ? [withTabAheadOf(head, wordsAt(head.text)), ...rows] : [];
}

import { headRole, type Role } from "./cells";
import { findExactly } from "./names";
import { type Span, wordsOf } from "./spans";
import type { Catalogue } from "./types";

/** Where each word of a text stands. */
const wordsAt = (text: string): { at: number; word: string }[] =>
  [...text.matchAll(/\S+/gu)].map((m) => ({ at: m.index, word: m[0] }));

/** The columns of “Pos Pattern Size Col Qty”, where each word is what a column is called; one of them is the fly. */
function headsOf(line: Span): { names: number; count: number } | undefined {
  // Columns that are set apart by more are read by those blanks.
  if (/\S {2,}\S|\t/u.test(line.text)) return undefined;
  const roles: Role[] = [];
  for (const { word } of wordsAt(line.text)) {
    const role = headRole(word);
    if (role === undefined) return undefined;
    roles.push(role);
  }
  const isAmount = roles.some((r) => r === "quantity" || r === "dozens" || r === "flies");
  if (roles.length < 3 || !isAmount) return undefined;
  const names = roles.indexOf("pattern");
  return names < 0 || roles.lastIndexOf("pattern") !== names ? undefined : { names, count: roles.length };
}

/** A line of the same length, with a tab ahead of each cell but the first. */
function withTabAheadOf(line: Span, cells: readonly { at: number }[]): Span {
  const chars = line.text.split("");
  for (const { at } of cells.slice(1)) chars[at - 1] = "\t";
  return { ...line, text: chars.join("") };
}

/** A row whose fly's name is one of the room's, and whose other cells are a word each. */
function rowOf(line: Span, { names, count }: { names: number; count: number }, { patterns }: Catalogue) {
  const words = wordsOf(line);
  const name = findExactly(words, patterns, (p) => p.name);
  const [first, last] = [words[name?.from ?? -1], words[(name?.to ?? 0) - 1]];
  if (!first || !last) return undefined;
  const [from, to] = [first.start - line.start, last.end - line.start];
  const cells = wordsAt(line.text).filter(({ at }) => at <= from || at >= to);
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

import { TAKEN } from "./stretch";
import type { Doubt } from "./types";

const LONGEST_RUN = 200;
const KEPT = 8;
const runs = new RegExp(`\\s{${LONGEST_RUN},}`, "g");
/** A row of a sheet, or a mail without line breaks, is shorter: each part of a row is looked at beside all others. */
const LONGEST_ROW = 6000;
const rows = new RegExp(`[^\\n]{${LONGEST_ROW},}`, "g");

/** As many signs that nothing reads, at the ends of their lines where lines end there. */
const filled = (text: string): string =>
  text.includes("\n") ? `\n${TAKEN.repeat(text.length - 2)}\n` : TAKEN.repeat(text.length);

/** Where so many signs that can be read have gone by. */
function placeOf(row: string, count: number): number {
  let read = 0;
  let at = 0;
  for (; at < row.length && read < count; at++) if (row[at] !== TAKEN) read++;
  return at;
}

/**
 * A text as it can be read at once, as long as it was: long runs of blanks, which no sheet has, and what stands beyond
 * the longest row are filled with signs that nothing reads. What is beyond is asked about, so that it is not lost.
 */
export function calmed(text: string): { text: string; doubts: Doubt[] } {
  const doubts: Doubt[] = [];
  const calm = text
    .replace(runs, (run) => run.slice(0, KEPT) + filled(run.slice(KEPT, -KEPT)) + run.slice(-KEPT))
    .replace(rows, (row, at: number) => {
      const most = placeOf(row, LONGEST_ROW);
      const end = Math.max(row.lastIndexOf(" ", most), row.lastIndexOf(",", most), 0) || most;
      const details = { most: LONGEST_ROW };
      const beyond: [number, number] = [at + end, at + row.length];
      if (/[\p{L}\d]/u.test(row.slice(end)))
        doubts.push({ code: "ROW_TOO_LONG", details, field: "rest", at: beyond, candidates: [] });
      return row.slice(0, end) + TAKEN.repeat(row.length - end);
    });
  return { text: calm, doubts };
}

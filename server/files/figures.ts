/** What parts a whole number from its decimals. */
export type Decimal = "point" | "comma";

const byPoint = /^[-+]?(\d+|\d{1,3}(,\d{3})+)(\.\d+)?$/;
const byComma = /^[-+]?(\d+|\d{1,3}(\.\d{3})+)(,\d+)?$/;
/** Blanks and marks between thousands, and the signs of money and units that stand behind a figure. */
const plain = (cell: string): string =>
  cell
    .trim()
    .replace(/[\s\u00a0\u202f'’]/g, "")
    .replace(/(€|£|\$|kr|chf|eur|mm|cm|m|g|mg|ml|pcs|stk|st)\.?$/i, "")
    .replace(/^(€|£|\$)/, "");

/** A figure as it is written in a file, or undefined where it is none. */
export function figureOf(cell: string, decimal: Decimal): number | undefined {
  const text = plain(cell);
  if (!(decimal === "comma" ? byComma : byPoint).test(text)) return undefined;
  const value = Number(decimal === "comma" ? text.replaceAll(".", "").replace(",", ".") : text.replaceAll(",", ""));
  return Number.isFinite(value) ? value : undefined;
}

/** Which of the two a figure must be written with; undefined where it could be either, null where it has neither. */
function saysWhich(cell: string): Decimal | undefined | null {
  const text = plain(cell);
  if (!/^[-+]?[\d.,]+$/.test(text) || !/[.,]/.test(text)) return null;
  const [points, commas] = [byPoint.test(text), byComma.test(text)];
  if (points !== commas) return points ? "point" : "comma";
  if (!points) return null;
  // 0,125 is an eighth, and 0.125 too: no thousand begins with nought. 1,500 may be one and a half or fifteen hundred.
  if (/^[-+]?0[.,]/.test(text)) return text.includes(",") ? "comma" : "point";
  return undefined;
}

/**
 * How the figures of a file are written, by those that leave no doubt.
 * @returns the decimal sign of most of them; where none decides, the first that could be read either way
 */
export function decimalOf(cells: Iterable<string>): { decimal: Decimal | null; unclear: string | null } {
  const votes = { point: 0, comma: 0 };
  let unclear: string | null = null;
  for (const cell of cells) {
    const which = saysWhich(cell);
    if (which) votes[which]++;
    else if (which === undefined) unclear ??= cell.trim();
  }
  if (votes.point === 0 && votes.comma === 0) return { decimal: null, unclear };
  return { decimal: votes.comma > votes.point ? "comma" : "point", unclear: null };
}

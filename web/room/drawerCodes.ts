const MOST = 400;
const letters = /^(\p{L}+)(\d{1,3})\s*(?:-|–|to|bis)\s*(?:\1)?(\d{1,3})$/iu;

/**
 * Codes of drawers as a person writes them: "A1, A2, B7", or a row of them, "A1 to A24".
 * @returns the codes in their order; undefined where a row runs backwards or is longer than a cabinet
 */
export function drawerCodes(text: string): string[] | undefined {
  const parts = text
    .split(/[,;\n]+/)
    .map((p) => p.trim())
    .filter(Boolean);
  const codes: string[] = [];
  for (const part of parts) {
    const row = letters.exec(part);
    if (!row) {
      codes.push(...part.split(/\s+/));
      continue;
    }
    const [, letter = "", from = "", to = ""] = row;
    const [first, last] = [Number(from), Number(to)];
    if (last < first || last - first >= MOST) return undefined;
    for (let n = first; n <= last; n++) codes.push(`${letter}${String(n).padStart(from.length, "0")}`);
  }
  return codes.length > MOST ? undefined : [...new Set(codes)];
}

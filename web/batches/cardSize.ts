/** Letter sizes of a bench card in points, the most readable first. */
const sizes = [9.4, 9, 8.6, 8.2, 7.8, 7.4] as const;

const MM_PER_PT = 0.3528;
const LINE_HEIGHT = 1.28;
/** What is left of a Letter page, the lower of the two, under header and drawing and above the footer. */
const ROOM_MM = 140;
/** A letter is about half as wide as it is high; columns are 113 and 64 mm wide. */
const LETTER = 0.5;
const LEFT_MM = 113;
const RIGHT_MM = 64;

/** Height of a column of entries in mm at a letter size, each broken over as many lines as it needs. */
function heightOf(entries: readonly string[], widthMm: number, pt: number, padding: number): number {
  const letters = widthMm / (pt * MM_PER_PT * LETTER);
  const lines = entries.reduce((sum, e) => sum + Math.max(1, Math.ceil(e.length / letters)), 0);
  return (lines * LINE_HEIGHT + entries.length * padding) * pt * MM_PER_PT;
}

/**
 * The largest letters with which a card stays one page.
 * @param left entries of the steps, each caution an entry of its own
 * @param right entries of rulers, cuts and checks
 * @returns points; the smallest there is when nothing fits
 */
export function cardSize(left: readonly string[], right: readonly string[]): number {
  const STEP_PADDING = 0.6;
  const ROW_PADDING = 0.36;
  return (
    sizes.find(
      (pt) =>
        heightOf(left, LEFT_MM, pt, STEP_PADDING) <= ROOM_MM && heightOf(right, RIGHT_MM, pt, ROW_PADDING) <= ROOM_MM,
    ) ?? (sizes.at(-1) as number)
  );
}

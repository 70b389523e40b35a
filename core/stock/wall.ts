/** Where a drawer stands in the room; one that nobody has placed stands nowhere yet. */
export interface Placed {
  code: string;
  cabinet: string;
  /** From the top and from the left, each from 1; null where nobody has placed it. */
  row: number | null;
  position: number | null;
}

/** A cabinet as one stands before it: rows from the top, drawers from the left. */
export interface Cabinet<D extends Placed> {
  name: string;
  rows: D[][];
}

const byCode = (a: Placed, b: Placed): number => a.code.localeCompare(b.code, "en", { numeric: true });

/**
 * The wall of drawers as they stand.
 *
 * @param drawers each code once, in any order
 * @returns cabinets by name, their rows without gaps, what stands in one spot by code; what is not placed yet comes
 *   last, as one row of a cabinet without a name
 * @example wallOf([{ code: "A2", cabinet: "Left", row: 1, position: 2 },
 *   { code: "A1", cabinet: "Left", row: 1, position: 1 }])
 *   // one cabinet, one row: A1, A2
 */
export function wallOf<D extends Placed>(drawers: readonly D[]): Cabinet<D>[] {
  const placed = drawers.filter((d) => d.row !== null);
  const names = [...new Set(placed.map((d) => d.cabinet))].sort((a, b) => a.localeCompare(b, "en", { numeric: true }));
  const cabinets = names.map((name): Cabinet<D> => {
    const own = placed.filter((d) => d.cabinet === name);
    const rows = [...new Set(own.map((d) => d.row ?? 0))].sort((a, b) => a - b);
    return {
      name,
      rows: rows.map((row) =>
        own.filter((d) => d.row === row).sort((a, b) => (a.position ?? 0) - (b.position ?? 0) || byCode(a, b)),
      ),
    };
  });
  const loose = drawers.filter((d) => d.row === null).sort(byCode);
  return loose.length > 0 ? [...cabinets, { name: "", rows: [loose] }] : cabinets;
}

/** A wall as places of drawers again: rows and positions counted from 1, empty rows left out. */
export const placesIn = <D extends Placed>(wall: readonly Cabinet<D>[]): D[] =>
  wall.flatMap(({ name, rows }): D[] => {
    if (name === "") return rows.flat().map((d) => ({ ...d, cabinet: "", row: null, position: null }));
    const filled = rows.filter((r) => r.length > 0);
    return filled.flatMap((r, row) => r.map((d, at) => ({ ...d, cabinet: name, row: row + 1, position: at + 1 })));
  });

/**
 * The wall after a drawer went one spot: left or right within its row, up or down to the next row, of the next cabinet
 * too. At an edge it stays. A row below the last one of a cabinet is begun.
 */
export function wallAfter<D extends Placed>(
  wall: readonly Cabinet<D>[],
  code: string,
  way: "left" | "right" | "up" | "down",
): Cabinet<D>[] {
  const after = wall.map((c) => ({ name: c.name, rows: c.rows.map((r) => [...r]) }));
  for (const [c, cabinet] of after.entries())
    for (const [r, row] of cabinet.rows.entries()) {
      const at = row.findIndex((d) => d.code === code);
      const [drawer] = row.slice(at, at + 1);
      if (at < 0 || !drawer) continue;
      const step = way === "left" || way === "up" ? -1 : 1;
      if (way === "left" || way === "right") {
        if (at + step < 0 || at + step >= row.length) return after;
        row.splice(at, 1);
        row.splice(at + step, 0, drawer);
        return after;
      }
      const to = rowBeside(after, c, r, step);
      if (!to) return after;
      row.splice(at, 1);
      to.splice(Math.min(at, to.length), 0, drawer);
      return after;
    }
  return after;
}

/** The row above or below, which may be of another cabinet, or a new one at the foot of this. */
function rowBeside<D extends Placed>(wall: Cabinet<D>[], c: number, r: number, step: number): D[] | undefined {
  const own = wall[c];
  const beside = own?.rows[r + step];
  if (beside) return beside;
  if (step > 0 && own && own.name !== "" && (own.rows[r]?.length ?? 0) > 1) {
    own.rows.push([]);
    return own.rows.at(-1);
  }
  const next = wall[c + step];
  return step > 0 ? next?.rows[0] : next?.rows.at(-1);
}

import Papa from "papaparse";
import type { Purchase } from "@kasten/contract/purchasing";
import type { Db } from "../database/rows";
import { safeCell, safeRow } from "../http/cells";
import { priceRows } from "../purchasing";

/** A purchase order as a file, for whoever takes letters. */
export const purchaseCsv = (p: Purchase): string =>
  Papa.unparse(
    p.lines.map((l) => ({
      order: p.number,
      supplier: safeCell(p.supplier),
      material: safeCell(l.material),
      name: safeCell(l.materialName),
      packs: l.packs,
      pack: l.packWords,
      price_of_a_pack: (l.packCents / 100).toFixed(2),
      dye_lot: safeCell(l.dyeLot),
    })),
    { newline: "\r\n" },
  );

/** What every supplier asks, as a file with the heads of a price list. */
export const pricesCsv = async (db: Db): Promise<string> =>
  Papa.unparse((await priceRows(db)).map(safeRow), { newline: "\r\n" });

import Papa from "papaparse";
import type { Db } from "../database/rows";
import { safeCell } from "../http/cells";
import { lotRows, movementRows } from "./csvQueries";

/** Cells as a spreadsheet may have them: text that looks like a formula is made plain. */
const safe = (row: object): Record<string, unknown> =>
  Object.fromEntries(Object.entries(row).map(([k, v]) => [k, typeof v === "string" ? safeCell(v) : v]));

/** Everything that lies in a drawer, lot by lot; quantities in pieces, metres, grams, millilitres. */
export const lotsCsv = async (db: Db): Promise<string> =>
  Papa.unparse((await lotRows(db)).map(safe), { newline: "\r\n" });

/** What came and went in the last so many days, the oldest first. */
export const movementsCsv = async (db: Db, days: number): Promise<string> =>
  Papa.unparse((await movementRows(db, days)).map(safe), { newline: "\r\n" });

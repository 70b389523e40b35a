import Papa from "papaparse";
import type { Db } from "../database/rows";
import { safeRow } from "../http/cells";
import { countRows, lotRows, movementRows } from "./csvQueries";

/** Everything that lies in a drawer, lot by lot; quantities in pieces, metres, grams, millilitres. */
export const lotsCsv = async (db: Db): Promise<string> =>
  Papa.unparse((await lotRows(db)).map(safeRow), { newline: "\r\n" });

/** What came and went in the last so many days, the oldest first. */
export const movementsCsv = async (db: Db, days: number): Promise<string> =>
  Papa.unparse((await movementRows(db, days)).map(safeRow), { newline: "\r\n" });

/** What was counted in the last so many days, the oldest first, with what was booked then. */
export const countsCsv = async (db: Db, days: number): Promise<string> =>
  Papa.unparse((await countRows(db, days)).map(safeRow), { newline: "\r\n" });

import { insertNew, type Db } from "../database/rows";
import { placeEntity, type PlaceKind, type PlaceRow } from "./entities";

/** The place of a code; made when it is not there yet. */
export async function placeOf(db: Db, kind: PlaceKind, code: string, name: string): Promise<PlaceRow> {
  await insertNew(db, placeEntity, { kind, code, name });
  return db.getRepository(placeEntity).findOneByOrFail({ code });
}

/** The id of a place by its code; made when it is not there yet. */
export const placeId = async (db: Db, kind: PlaceKind, code: string, name: string): Promise<number> =>
  (await placeOf(db, kind, code, name)).id;

/** Places that every room has. */
export const bench = (db: Db) => placeId(db, "bench", "BENCH", "On the benches");
export const mill = (db: Db) => placeId(db, "bench", "MILL", "In the mill");
export const bins = (db: Db) => placeId(db, "flies", "BINS", "Finished flies");
/** Where what is dyed, stripped, beaded is meanwhile. */
export const preparing = (db: Db) => placeId(db, "bench", "PREP", "On the preparation table");
/** Where a lot is for the moment in which it becomes another: split, sorted. */
export const sorting = (db: Db) => placeId(db, "bench", "SORT", "On the sorting table");
export const scrap = (db: Db) => placeId(db, "scrap", "SCRAP", "Scrap");
export const counted = (db: Db) => placeId(db, "scrap", "COUNT", "Count corrections");

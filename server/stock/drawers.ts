import type { ReplyOf } from "@kasten/contract/http";
import type { listDrawers } from "@kasten/contract/stock";
import { insertNew, locked, update, type Db } from "../database/rows";
import { conflict, notFound, refused } from "../http/problems";
import { placeEntity, type PlaceRow } from "../ledger";
import { drawersWithContents, placeDrawers, type Spot } from "./queries";

export const readDrawers = async (db: Db): Promise<ReplyOf<typeof listDrawers>> => ({
  drawers: await drawersWithContents(db),
});

/** Adds drawers; those that are there already stay. @returns the codes that are new */
export async function putUp(db: Db, codes: string[]): Promise<string[]> {
  const added: string[] = [];
  for (const code of new Set(codes)) {
    if (await insertNew(db, placeEntity, { kind: "drawer", code, name: `Drawer ${code}` })) added.push(code);
    else await drawerOfCode(db, code);
  }
  return added;
}

/** A code may be that of another kind of place: then no drawer can have it. */
async function drawerOfCode(db: Db, code: string): Promise<void> {
  const place = await db.getRepository(placeEntity).findOneBy({ code });
  if (place && place.kind !== "drawer") throw refused(`“${code}” is not a drawer. Give another code, such as A12.`);
}

async function drawerById(db: Db, id: number): Promise<PlaceRow> {
  const place = await locked(db, placeEntity, { id });
  if (!place || place.kind !== "drawer" || place.bobbin) throw notFound("drawer");
  return place;
}

/** Says where drawers stand; all of them or none. */
export async function arrange(db: Db, spots: Spot[]): Promise<void> {
  const placed = await placeDrawers(
    db,
    [...spots].sort((a, b) => a.id - b.id),
  );
  if (placed < spots.length)
    throw conflict("A drawer of the wall has been taken out meanwhile. Look at the wall again, then arrange it.");
}

export async function rename(db: Db, id: number, name: string): Promise<string> {
  const drawer = await drawerById(db, id);
  await update(db, placeEntity, { id }, { name });
  return drawer.code;
}

/** Takes a drawer out. What something lies in, or has ever lain in, stays: the ledger names it. */
export async function takeOut(db: Db, id: number): Promise<string> {
  const drawer = await drawerById(db, id);
  const [there] = await drawersWithContents(db, id);
  if (there && there.materials + there.lots > 0)
    throw refused(`Drawer ${drawer.code} is not empty. Give its materials another drawer first.`);
  if (there?.used)
    throw refused(`Drawer ${drawer.code} stands in the ledger: something has lain in it. It stays, empty.`);
  await db.getRepository(placeEntity).delete({ id });
  return drawer.code;
}

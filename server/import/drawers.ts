import { z } from "zod";
import { update, type Db } from "../database/rows";
import { placeEntity, placeId } from "../ledger";
import { number, readCsv } from "./csv";

const drawerRow = z.object({
  drawer: z.string(),
  name: z.string().default(""),
  cabinet: z.string(),
  row: number,
  position: number,
});

/** Where the drawers stand in the room. */
export async function importDrawers(db: Db, text: string): Promise<void> {
  for (const d of readCsv("drawers.csv", text, drawerRow)) {
    const name = d.name || `Drawer ${d.drawer}`;
    const id = await placeId(db, "drawer", d.drawer, name);
    await update(db, placeEntity, { id }, { cabinet: d.cabinet, rowNumber: d.row, rowPosition: d.position });
  }
}

import type { Db } from "../database/rows";
import { lotEntity } from "../ledger";

/** A name for a lot that has none: that of its material or of the lot it was made of, and a number that is free. */
export async function freeLotCode(db: Db, stem: string): Promise<string> {
  for (let n = 1; ; n++) {
    const code = `${stem}-${n}`;
    if (!(await db.getRepository(lotEntity).existsBy({ code }))) return code;
  }
}

import type { Quantity, StockUnit } from "@kasten/core/units";
import { rows, type Db } from "../database/rows";

export interface BobbinLoad {
  place: number;
  lot: string;
  lotCode: string;
  dyeLot: string;
  material: string;
  name: string;
  colour: string | null;
  unit: StockUnit;
  quantity: Quantity;
  reserved: Quantity;
}

/** What is on the bobbins that are loaded. */
export const loadedBobbins = (db: Db): Promise<BobbinLoad[]> =>
  rows(
    db,
    `SELECT p.id AS place, l.id AS lot, l.code AS "lotCode", l.dye_lot AS "dyeLot", m.code AS material, m.name, m.colour,
       m.unit, b.quantity, b.reserved
     FROM place p JOIN balance b ON b.place_id = p.id AND b.quantity > 0 JOIN lot l ON l.id = b.lot_id
     JOIN material m ON m.code = l.material_code WHERE p.bobbin ORDER BY p.code`,
  );

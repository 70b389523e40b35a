import { EntitySchema } from "typeorm";
import type { Quantity } from "@kasten/core/units";
import { bigint, int, refers, text, version } from "../database/columns";

export interface SupplierRow {
  id: string;
  name: string;
  note: string;
  version: number;
}

export const supplierEntity = new EntitySchema<SupplierRow>({
  name: "supplier",
  columns: { id: text({ primary: true }), name: text({ unique: true }), note: text({ default: "" }), version },
});

/** Where a material is bought: pack in base units, what it costs, how long it takes. */
export interface MaterialSourceRow {
  materialCode: string;
  supplierId: string;
  pack: Quantity;
  priceCents: number;
  leadDays: number;
}

export const materialSourceEntity = new EntitySchema<MaterialSourceRow>({
  name: "material_source",
  columns: {
    materialCode: text({ primary: true, ...refers("material") }),
    supplierId: text({ primary: true, ...refers("supplier") }),
    pack: bigint(),
    priceCents: int(),
    leadDays: int(),
  },
  checks: [
    { name: "material_source_pack_check", expression: "pack > 0" },
    { name: "material_source_price_cents_check", expression: "price_cents >= 0" },
    { name: "material_source_lead_days_check", expression: "lead_days >= 0" },
  ],
});

export const purchasingEntities = [supplierEntity, materialSourceEntity];

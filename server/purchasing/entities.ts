import { EntitySchema } from "typeorm";
import type { Quantity } from "@kasten/core/units";
import {
  bigint,
  day,
  flag,
  instant,
  int,
  jsonb,
  optional,
  refers,
  text,
  uuid,
  uuidKey,
  version,
  written,
} from "../database/columns";

export interface SupplierRow {
  id: string;
  name: string;
  note: string;
  /** They send nothing for less. */
  minimumCents: number;
  freightCents: number;
  /** Sending costs nothing from this worth on; null where it always does. */
  freeFromCents: number | null;
  /** Takes letters only: an order is printed, not sent over the wire. */
  byLetter: boolean;
  version: number;
}

export const supplierEntity = new EntitySchema<SupplierRow>({
  name: "supplier",
  columns: {
    id: text({ primary: true }),
    name: text({ unique: true }),
    note: text({ default: "" }),
    minimumCents: int({ default: 0 }),
    freightCents: int({ default: 0 }),
    freeFromCents: int(optional),
    byLetter: flag(),
    version,
  },
  checks: [
    {
      name: "supplier_terms_check",
      expression: "minimum_cents >= 0 AND freight_cents >= 0 AND free_from_cents >= 0",
    },
  ],
});

/** Where a material is bought: pack in base units, what it costs, how long it takes. */
export interface MaterialSourceRow {
  materialCode: string;
  supplierId: string;
  pack: Quantity;
  priceCents: number;
  leadDays: number;
  /** Other prices of a pack from so many packs on, rising. */
  breaks: { fromPacks: number; cents: number }[];
  /** What of a pack can be tied with, in per cent: the better grade wastes less. */
  usable: number;
  grade: string;
  /** Months in which they have it, 1 to 12; null for all the year. */
  season: { from: number; to: number } | null;
  note: string;
}

export const materialSourceEntity = new EntitySchema<MaterialSourceRow>({
  name: "material_source",
  columns: {
    materialCode: text({ primary: true, ...refers("material") }),
    supplierId: text({ primary: true, ...refers("supplier") }),
    pack: bigint(),
    priceCents: int(),
    leadDays: int(),
    breaks: jsonb({ default: [] }),
    usable: int({ default: 100 }),
    grade: text({ default: "" }),
    season: jsonb(optional),
    note: text({ default: "" }),
  },
  checks: [
    { name: "material_source_usable_check", expression: "usable BETWEEN 1 AND 100" },
    { name: "material_source_pack_check", expression: "pack > 0" },
    { name: "material_source_price_cents_check", expression: "price_cents >= 0" },
    { name: "material_source_lead_days_check", expression: "lead_days >= 0" },
  ],
});

export const purchaseStates = ["draft", "sent", "confirmed", "received", "cancelled"] as const;
export type PurchaseState = (typeof purchaseStates)[number];

/** What is ordered from one supplier: written, sent, confirmed with a day, received in one delivery or several. */
export interface PurchaseOrderRow {
  id: string;
  number: number;
  supplierId: string;
  state: PurchaseState;
  writtenAt: Date;
  personId: string;
  sentAt: Date | null;
  /** ISO days: as the supplier usually takes, and as they said. */
  expectedOn: string | null;
  confirmedOn: string | null;
  doneAt: Date | null;
  freightCents: number;
  note: string;
  /** What the supplier said. */
  answer: string;
  version: number;
}

export const purchaseOrderEntity = new EntitySchema<PurchaseOrderRow>({
  name: "purchase_order",
  columns: {
    id: uuidKey,
    number: int({ generated: "increment", unique: true }),
    supplierId: text(refers("supplier")),
    state: text({ default: "draft" }),
    writtenAt: written(),
    personId: uuid(refers("person")),
    sentAt: instant(optional),
    expectedOn: day(optional),
    confirmedOn: day(optional),
    doneAt: instant(optional),
    freightCents: int({ default: 0 }),
    note: text({ default: "" }),
    answer: text({ default: "" }),
    version,
  },
  indices: [{ name: "purchase_order_state", columns: ["state"] }],
  checks: [
    {
      name: "purchase_order_state_check",
      expression: "state IN ('draft', 'sent', 'confirmed', 'received', 'cancelled')",
    },
  ],
});

export interface PurchaseLineRow {
  id: string;
  orderId: string;
  materialCode: string;
  packs: number;
  /** In base units, as they were when it was ordered. */
  pack: Quantity;
  packCents: number;
  /** The dye lot that is wanted, where it has to match. */
  dyeLot: string;
  /** What has come of it. */
  received: Quantity;
  /** Nothing more is expected of it. */
  closed: boolean;
}

export const purchaseLineEntity = new EntitySchema<PurchaseLineRow>({
  name: "purchase_line",
  columns: {
    id: uuidKey,
    orderId: uuid({ foreignKey: { target: "purchase_order", onDelete: "CASCADE" } }),
    materialCode: text(refers("material")),
    packs: int(),
    pack: bigint(),
    packCents: int(),
    dyeLot: text({ default: "" }),
    received: bigint({ default: 0 }),
    closed: flag(),
  },
  indices: [
    { name: "purchase_line_order", columns: ["orderId"] },
    { name: "purchase_line_material", columns: ["materialCode"], where: "NOT closed" },
  ],
  checks: [
    {
      name: "purchase_line_check",
      expression: "packs > 0 AND pack > 0 AND pack_cents >= 0 AND received >= 0",
    },
  ],
});

export const purchasingEntities = [supplierEntity, materialSourceEntity, purchaseOrderEntity, purchaseLineEntity];

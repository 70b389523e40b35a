import { z } from "zod";
import { done, endpoint, idParams, none, rowVersion, sentence } from "../http";
import { purchaseEndpoints } from "./purchase";

export * from "./purchase";

const cents = z.number().int("Whole coins").min(0, "Not less than nothing").max(100_000_000);
const month = z.number().int().min(1, "Months go from 1 to 12").max(12, "Months go from 1 to 12");

export const supplierSchema = z.object({
  id: z.string(),
  name: z.string().trim().min(1, "Give the supplier a name").max(80),
  /** How they are reached, what they want, outside the trade or not. */
  note: sentence,
  /** They send nothing for less. */
  minimumCents: cents.default(0),
  freightCents: cents.default(0),
  /** Sending costs nothing from this worth on. */
  freeFromCents: cents.nullable().default(null),
  /** Takes letters only: an order is printed, not sent over the wire. */
  byLetter: z.boolean().default(false),
  version: rowVersion,
});
export type Supplier = z.infer<typeof supplierSchema>;

/** Where a material is bought. */
export const sourceSchema = z.object({
  supplier: z.string().min(1, "Choose a supplier").max(60),
  /** One pack, in base units of the material. */
  pack: z.number().int("Whole units").min(1, "More than nothing in a pack").max(1_000_000_000_000),
  priceCents: z.number().int().min(0, "Not less than nothing").max(100_000_000),
  leadDays: z.number().int("Whole days").min(0).max(730, "At most two years"),
  /** Other prices of a pack, of all packs, from so many packs on. */
  breaks: z
    .array(z.object({ fromPacks: z.number().int("Whole packs").min(2, "From two packs on").max(10_000), cents }))
    .max(8, "At most eight breaks")
    .refine((all) => all.every((b, i) => i === 0 || b.fromPacks > (all[i - 1]?.fromPacks ?? 0)), "Fewer packs first")
    .default([]),
  /** What of a pack can be tied with, in per cent. */
  usable: z.number().int("Whole per cent").min(1, "At least 1 %").max(100, "At most 100 %").default(100),
  grade: z.string().trim().max(20).default(""),
  /** Months in which they have it; all the year without it. */
  season: z.object({ from: month, to: month }).nullable().default(null),
  note: sentence.default(""),
});
export type Source = z.infer<typeof sourceSchema>;

const base = { room: "purchasing", params: none, query: none };
export const listSuppliers = endpoint({
  ...base,
  id: "listSuppliers",
  method: "get",
  path: "/suppliers",
  summary: "Suppliers, with how many materials each has",
  permission: "see the room",
  body: none,
  reply: z.object({ suppliers: z.array(supplierSchema.extend({ materials: z.number().int() })) }),
});
export const addSupplier = endpoint({
  ...base,
  id: "addSupplier",
  method: "post",
  path: "/suppliers",
  summary: "Add a supplier",
  permission: "handle stock",
  body: supplierSchema.omit({ id: true, version: true }),
  reply: supplierSchema,
});
export const editSupplier = endpoint({
  ...base,
  params: idParams,
  id: "editSupplier",
  method: "put",
  path: "/suppliers/:id",
  summary: "Change what is known of a supplier",
  permission: "handle stock",
  body: supplierSchema.omit({ id: true }),
  reply: supplierSchema,
});
export const setSources = endpoint({
  ...base,
  params: idParams,
  id: "setSources",
  method: "put",
  path: "/stock/:id/sources",
  summary: "Say where a material is bought: all of its sources",
  permission: "handle stock",
  body: z.object({
    sources: z
      .array(sourceSchema)
      .max(20)
      .refine((all) => new Set(all.map((s) => s.supplier)).size === all.length, "Each supplier once"),
  }),
  reply: done,
});
export const purchasingEndpoints = [listSuppliers, addSupplier, editSupplier, setSources, ...purchaseEndpoints];

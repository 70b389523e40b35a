import { z } from "zod";
import { stockUnits } from "@kasten/core/units";
import { done, endpoint, figure, idParams, none } from "../http";

/** A thousand kilometres of thread, a tonne of fur: counts beyond that are typing slips. */
const MOST_COUNTED = 1_000_000_000_000;

export const placeKinds = ["supplier", "drawer", "kit", "bench", "flies", "scrap", "customer"] as const;
export const stockItemSchema = z.object({
  code: z.string(),
  name: z.string(),
  form: z.string(),
  unit: z.enum(stockUnits),
  colour: z.string().nullable(),
  drawer: z.string(),
  quantity: z.number(),
  reserved: z.number(),
  lots: z.number().int(),
  lead: z.boolean(),
  /** Dozens of the coming work that it still covers; null when no batch needs it. */
  coversDozens: z.number().nullable(),
  needed: z.number(),
});
export type StockItem = z.infer<typeof stockItemSchema>;
export const lotSchema = z.object({
  id: z.uuid(),
  code: z.string(),
  dyeLot: z.string(),
  grade: z.string(),
  side: z.string().nullable(),
  barb: z.tuple([z.number(), z.number()]).nullable(),
  receivedAt: z.string(),
  place: z.string(),
  placeId: z.number().int(),
  quantity: z.number(),
  reserved: z.number(),
  remnant: z.boolean(),
});
export const movementSchema = z.object({
  id: z.number(),
  at: z.string(),
  person: z.string(),
  reason: z.string(),
  note: z.string(),
  lot: z.string(),
  quantity: z.number(),
  from: z.string(),
  to: z.string(),
  batch: z.number().nullable(),
});
export const stockDetailSchema = stockItemSchema.extend({
  colourName: z.string().nullable(),
  caution: z.string().nullable(),
  measured: z.boolean(),
  lotList: z.array(lotSchema),
  movements: z.array(movementSchema),
  sources: z.array(
    z.object({ supplier: z.string(), packWords: z.string(), priceCents: z.number(), leadDays: z.number() }),
  ),
});
export type StockDetail = z.infer<typeof stockDetailSchema>;

/** Pieces, µm, µg or nl; rounded to whole ones, and no more than a room can hold. */
const baseUnits = z
  .number()
  .min(0, "Not less than nothing")
  .max(MOST_COUNTED, "More than any room holds")
  .transform(Math.round);
const base = { room: "stock", params: none, query: none };
export const listStock = endpoint({
  ...base,
  id: "listStock",
  method: "get",
  path: "/stock",
  summary: "The cabinet: every material with what is there and what it covers",
  permission: "see the room",
  body: none,
  reply: z.object({
    items: z.array(stockItemSchema),
    fliesOnShelf: z.array(
      z.object({
        pattern: z.string(),
        patternName: z.string(),
        variant: z.string(),
        form: z.string(),
        size: z.string(),
        quantity: z.number(),
        reserved: z.number(),
      }),
    ),
  }),
});
export const readStock = endpoint({
  ...base,
  params: idParams,
  id: "readStock",
  method: "get",
  path: "/stock/:id",
  summary: "A material with its lots and movements",
  permission: "see the room",
  body: none,
  reply: stockDetailSchema,
});
export const receiveStock = endpoint({
  ...base,
  params: idParams,
  id: "receiveStock",
  method: "post",
  path: "/stock/:id/receive",
  summary: "Receive a delivery as a new lot",
  permission: "handle stock",
  body: z.object({
    quantity: baseUnits.refine((q) => q > 0, "More than nothing"),
    lot: z.string().min(1, "Give the lot a name").max(60),
    dyeLot: z.string().max(60).default(""),
    grade: z.string().max(20).default(""),
    side: z.enum(["left", "right"]).nullable().default(null),
    /** Barb length of its feathers in mm, the shorter end first. */
    barb: z
      .tuple([figure("barbMm"), figure("barbMm")])
      .refine(([from, to]) => from <= to, "The shorter barb comes first, such as 5 to 9 mm")
      .nullable()
      .default(null),
    priceCents: z.number().int().min(0).max(100_000_000).default(0),
    note: z.string().max(200).default(""),
  }),
  reply: done,
});
export const correctStock = endpoint({
  ...base,
  params: idParams,
  id: "correctStock",
  method: "post",
  path: "/stock/:id/correct",
  summary: "Put right a balance by what was counted",
  permission: "handle stock",
  body: z.object({
    lot: z.uuid(),
    place: z.number().int().min(1).max(2_147_483_647),
    counted: baseUnits,
    note: z.string().min(1, "Say why").max(200),
  }),
  reply: done,
});
export const stockEndpoints = [listStock, readStock, receiveStock, correctStock];

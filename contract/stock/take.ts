import { z } from "zod";
import { stockUnits } from "@kasten/core/units";
import { done, endpoint, none, sentence, uuidParams } from "../http";
import { baseUnits } from "./common";

const lotToCount = z.object({
  lot: z.uuid(),
  code: z.string(),
  place: z.number().int(),
  material: z.string(),
  materialName: z.string(),
  colour: z.string().nullable(),
  unit: z.enum(stockUnits),
  about: z.string(),
  /** What the ledger holds; not told while a stock-take is blind and the lot is not counted yet. */
  expected: z.number().nullable(),
  counted: z.number().nullable(),
  plusMinus: z.number(),
  by: z.string().nullable(),
});
export const stockTakeSchema = z.object({
  id: z.uuid(),
  startedAt: z.string(),
  by: z.string(),
  blind: z.boolean(),
  done: z.boolean(),
  drawers: z.array(z.object({ code: z.string(), name: z.string(), lots: z.array(lotToCount) })),
});
export type StockTake = z.infer<typeof stockTakeSchema>;

const base = { room: "stock", query: none };
const change = { ...base, permission: "handle stock" as const };
export const listTakes = endpoint({
  ...base,
  params: none,
  id: "listTakes",
  method: "get",
  path: "/stock-takes",
  summary: "Stock-takes: the open one, and those that are done",
  permission: "see the room",
  body: none,
  reply: z.object({
    takes: z.array(
      z.object({
        id: z.uuid(),
        startedAt: z.string(),
        by: z.string(),
        blind: z.boolean(),
        done: z.boolean(),
        counted: z.number().int(),
        off: z.number().int(),
      }),
    ),
  }),
});
export const startTake = endpoint({
  ...change,
  params: none,
  id: "startTake",
  method: "post",
  path: "/stock-takes",
  summary: "Begin a stock-take; there is one at a time",
  body: z.object({ blind: z.boolean().default(false) }),
  reply: z.object({ id: z.uuid() }),
});
export const readTake = endpoint({
  ...base,
  params: uuidParams,
  id: "readTake",
  method: "get",
  path: "/stock-takes/:id",
  summary: "A stock-take, drawer by drawer, with what is counted so far",
  permission: "see the room",
  body: none,
  reply: stockTakeSchema,
});
export const countInTake = endpoint({
  ...change,
  params: uuidParams,
  id: "countInTake",
  method: "post",
  path: "/stock-takes/:id/counts",
  summary: "What was counted of a lot; somebody else's count is not written over unless it is said",
  body: z.object({
    lot: z.uuid(),
    place: z.number().int().min(1).max(2_147_483_647),
    counted: baseUnits,
    plusMinus: baseUnits.default(0),
    how: z.enum(["counted", "weighed", "looked at"]).default("counted"),
    note: sentence.default(""),
    again: z.boolean().default(false),
  }),
  reply: done,
});
export const closeTake = endpoint({
  ...change,
  params: uuidParams,
  id: "closeTake",
  method: "post",
  path: "/stock-takes/:id/close",
  summary: "Put the ledger right by what was counted: all of it, or nothing where a lot holds less than is put by",
  body: z.object({ note: z.string().trim().max(200).default("") }),
  reply: z.object({
    counted: z.number().int(),
    changed: z.number().int(),
    /** What the differences are worth, where a price is known; less is negative. */
    worthCents: z.number().int(),
  }),
});
export const takeEndpoints = [listTakes, startTake, readTake, countInTake, closeTake];

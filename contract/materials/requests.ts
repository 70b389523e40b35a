import { z } from "zod";
import { done, endpoint, idParams, none, rowVersion } from "../http";
import { materialSchema } from "./material";
import { needSchema, seasonNeedSchema } from "./need";

export const listNeeds = endpoint({
  id: "listNeeds",
  method: "get",
  path: "/needs",
  summary: "What the open batches need, and what is short",
  room: "materials",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: z.object({ needs: z.array(needSchema) }),
});
export const listSeasonNeeds = endpoint({
  id: "listSeasonNeeds",
  method: "get",
  path: "/needs/standing-orders",
  summary: "What standing orders that are not written yet will need, beyond what the open batches take",
  room: "materials",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: z.object({
    needs: z.array(seasonNeedSchema),
    /** Lines that cannot be reckoned, with why. */
    unknown: z.array(z.object({ id: z.uuid(), number: z.number().int(), line: z.string(), why: z.string() })),
  }),
});
export const saveMaterial = endpoint({
  room: "patterns",
  query: none,
  id: "saveMaterial",
  method: "put",
  path: "/materials/:id",
  summary: "Add a material to the cabinet, or change what is known of it",
  permission: "write patterns",
  params: idParams,
  body: z.strictObject({
    material: materialSchema,
    /** Code of its drawer; a new material without one waits to be given one. */ drawer: z
      .string()
      .min(1)
      .max(20)
      .optional(),
    /** The version that it was changed from; 0 for a new material. */
    version: rowVersion,
  }),
  reply: done,
});
export const materialPrices = endpoint({
  id: "materialPrices",
  method: "get",
  path: "/materials/prices",
  summary: "What a base unit of each material costs: by its last delivery with a price, else by its cheapest source",
  room: "materials",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: z.object({
    prices: z.array(
      z.object({
        material: z.string(),
        /** Coins for one base unit: piece, µm, µg or nl. */
        cents: z.number().min(0),
        by: z.enum(["delivery", "source"]),
      }),
    ),
  }),
});
export const materialEndpoints = [listNeeds, listSeasonNeeds, saveMaterial, materialPrices];

import { z } from "zod";
import { stockUnits } from "@kasten/core/units";
import { done, endpoint, none } from "../http";
import { drawerCode, moreThanNothing } from "./common";

const placeId = z.number().int().min(1).max(2_147_483_647);
const base = { room: "stock", query: none };
const change = {
  ...base,
  params: z.object({ id: z.coerce.number().int().min(1).max(2_147_483_647) }),
  permission: "tie and tally" as const,
  body: none,
  reply: done,
};

export const bobbinSchema = z.object({
  id: z.number().int(),
  code: z.string(),
  /** What is on it; null when it is empty. */
  load: z
    .object({
      lot: z.uuid(),
      lotCode: z.string(),
      dyeLot: z.string(),
      material: z.string(),
      name: z.string(),
      colour: z.string().nullable(),
      unit: z.enum(stockUnits),
      quantity: z.number(),
      reserved: z.number(),
    })
    .nullable(),
});
export type Bobbin = z.infer<typeof bobbinSchema>;

export const listBobbins = endpoint({
  ...base,
  params: none,
  id: "listBobbins",
  method: "get",
  path: "/bobbins",
  summary: "The bobbins, with what is loaded on each",
  permission: "see the room",
  body: none,
  reply: z.object({ bobbins: z.array(bobbinSchema) }),
});
export const addBobbin = endpoint({
  ...change,
  params: none,
  id: "addBobbin",
  method: "post",
  path: "/bobbins",
  summary: "Add a bobbin",
  body: z.object({ code: drawerCode }),
  reply: z.object({ id: z.number().int() }),
});
export const loadBobbin = endpoint({
  ...change,
  id: "loadBobbin",
  method: "post",
  path: "/bobbins/:id/load",
  summary: "Load an empty bobbin from a lot in a drawer: so much of it, or all that is put by for nobody",
  body: z.object({ lot: z.uuid(), place: placeId, quantity: moreThanNothing.optional() }),
});
export const unloadBobbin = endpoint({
  ...change,
  id: "unloadBobbin",
  method: "post",
  path: "/bobbins/:id/unload",
  summary: "Put what is left on a bobbin back into the drawer of its material",
});
export const removeBobbin = endpoint({
  ...change,
  id: "removeBobbin",
  method: "delete",
  path: "/bobbins/:id",
  summary: "Take an empty bobbin out of use",
});
export const bobbinEndpoints = [listBobbins, addBobbin, loadBobbin, unloadBobbin, removeBobbin];

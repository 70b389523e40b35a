import { z } from "zod";
import { materialForms } from "@kasten/core/materials";
import { done, endpoint, idParams, none, sentence, short } from "../http";
import { drawerCode, moreThanNothing } from "./common";

const base = { room: "stock", query: none, permission: "handle stock" as const };

/** Something of which nobody knows what it is: kept, seen, and named later. */
export const keepFound = endpoint({
  ...base,
  params: none,
  id: "keepFound",
  method: "post",
  path: "/stock/found",
  summary: "Keep something that nobody can identify yet, as a material and a lot of its own",
  body: z.object({
    /** As it looks: “stiff barred tail feathers”. */
    looks: z.string().trim().min(1, "Say what it looks like").max(80, "At most 80 characters"),
    form: z.enum(materialForms).exclude(["hook", "blend"]),
    quantity: moreThanNothing,
    drawer: drawerCode.optional(),
    /** Where it came from, as far as anybody remembers. */
    origin: z.string().trim().max(200, "At most 200 characters").default(""),
    note: sentence.default(""),
  }),
  reply: z.object({ material: short, lot: z.uuid() }),
});
export const identifyFound = endpoint({
  ...base,
  params: idParams,
  id: "identifyFound",
  method: "post",
  path: "/stock/:id/identify",
  summary: "Say what an unidentified material is: its lots become lots of that, with their history",
  body: z.object({ as: short, note: sentence.default("") }),
  reply: done,
});
export const salvage = endpoint({
  ...base,
  params: idParams,
  id: "salvageStock",
  method: "post",
  path: "/stock/:id/salvage",
  summary: "Take hooks or beads that were stripped of a spoilt dressing back into the drawer, as used",
  body: z.object({
    quantity: moreThanNothing,
    note: z.string().trim().min(1, "Say what they were stripped of").max(200, "At most 200 characters"),
  }),
  reply: z.object({ lot: z.uuid() }),
});
export const foundEndpoints = [keepFound, identifyFound, salvage];

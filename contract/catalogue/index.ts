import { z } from "zod";
import { customerSchema } from "../customers";
import { hookModelSchema } from "../hooks";
import { endpoint, isoDay, none } from "../http";
import { materialSchema } from "../materials";
import { patternEntrySchema } from "../patterns";
import { settingsSchema } from "../settings";

/** All that reading an order and drawing a fly need. */
export const catalogueSchema = z.object({
  today: isoDay,
  settings: settingsSchema,
  patterns: z.array(patternEntrySchema),
  /** With the version that whoever changes one names. */
  materials: z.array(materialSchema.extend({ version: z.number().int() })),
  hooks: z.array(hookModelSchema),
  customers: z.array(customerSchema),
});
export const catalogue = endpoint({
  id: "catalogue",
  method: "get",
  path: "/catalogue",
  summary: "Patterns, materials, hooks, customers and settings",
  room: "patterns",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: catalogueSchema,
});
export const catalogueEndpoints = [catalogue];

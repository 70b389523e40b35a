import { z } from "zod";
import { endpoint, idParams, isoDay, none } from "../http";

const interval = z.tuple([z.number(), z.number()]).nullable();

/** Feathers by class, shared out over all open batches. */
export const featherShareSchema = z.object({
  classes: z.array(
    z.object({
      id: z.string(),
      lot: z.uuid(),
      code: z.string(),
      barb: interval,
      side: z.string().nullable(),
      there: z.number(),
      reserved: z.number(),
      /** Left when every batch has what it can get. */
      left: z.number(),
    }),
  ),
  demands: z.array(
    z.object({
      batch: z.uuid(),
      number: z.number().int(),
      pattern: z.string(),
      due: isoDay,
      barb: interval,
      wanted: z.number(),
      met: z.number(),
      short: z.number(),
      takes: z.array(z.object({ class: z.string(), feathers: z.number() })),
    }),
  ),
  failsFirst: z.string().nullable(),
});
export type FeatherShareData = z.infer<typeof featherShareSchema>;

/** One material against time. Quantities in base units. */
export const materialOutlookSchema = z.object({
  today: isoDay,
  there: z.number(),
  needs: z.array(
    z.object({
      day: isoDay,
      quantity: z.number(),
      batch: z.uuid(),
      number: z.number().int(),
      pattern: z.string(),
      /** What one fly takes of it in one length, in base units; null where it is not cut or wound off a length. */
      piece: z.number().nullable(),
    }),
  ),
  arrivals: z.array(
    z.object({
      day: isoDay,
      quantity: z.number(),
      order: z.uuid(),
      number: z.number().int(),
      supplier: z.string(),
      confirmed: z.boolean(),
    }),
  ),
  levels: z.array(z.object({ day: isoDay, level: z.number() })),
  runsOut: isoDay.nullable(),
  orderBy: isoDay.nullable(),
  missing: z.number(),
  leadDays: z.number().nullable(),
  supplier: z.string().nullable(),
  /** Used in a week, over the past weeks; and when to order by that. */
  perWeek: z.number(),
  reorderAt: z.number().nullable(),
  share: featherShareSchema.nullable(),
});
export type MaterialOutlook = z.infer<typeof materialOutlookSchema>;

export const readOutlook = endpoint({
  room: "stock",
  params: idParams,
  query: none,
  id: "readOutlook",
  method: "get",
  path: "/stock/:id/outlook",
  summary: "A material against time: what the work takes, what is coming, when it runs out, and who gets which class",
  permission: "see the room",
  body: none,
  reply: materialOutlookSchema,
});

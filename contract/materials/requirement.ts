import { z } from "zod";
import { stockUnits } from "@kasten/core/units";
import { isoDay } from "../http";
import { workingSchema } from "./working";

export const reservationSchema = z.object({
  lot: z.uuid(),
  lotCode: z.string(),
  dyeLot: z.string(),
  place: z.string(),
  quantity: z.number().int(),
  /** Lengths to cut of it, and what of a remnant is left then; null where it is not cut to length. */
  /** What this very lot has of its own, a few words each. */
  about: z.array(z.string()),
  cut: z.object({ lengths: z.number(), ofMm: z.number(), leftMm: z.number().nullable() }).nullable(),
});
export const requirementSchema = z.object({
  key: z.string(),
  component: z.string(),
  role: z.string(),
  material: z.string(),
  materialName: z.string(),
  colour: z.string().nullable(),
  unit: z.enum(stockUnits),
  side: z.enum(["left", "right"]).nullable(),
  perFly: z.number(),
  net: z.number(),
  expected: z.number(),
  issue: z.number(),
  words: z.string(),
  working: workingSchema,
  reserved: z.array(reservationSchema),
  pulled: z.number().int(),
  /** In drawers, open to this batch: not reserved by others, right side and class. */
  free: z.number(),
  short: z.number(),
  /** What to do next when it is short. */
  remedy: z.string().nullable(),
  earliest: isoDay.nullable(),
  caution: z.string().nullable(),
  lead: z.boolean(),
});
export type RequirementData = z.infer<typeof requirementSchema>;

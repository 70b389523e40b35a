import { z } from "zod";
import { stockUnits } from "@kasten/core/materials";
import { endpoint, isoDay, none } from "../http";

const sourceSchema = z.object({
  from: z.enum(["measured", "nominal", "pattern", "material", "learned", "setting", "order", "computed"]),
  where: z.string().optional(),
  batches: z.number().optional(),
});
const named = z.object({ name: z.string(), value: z.number(), unit: z.string() });
/** The working of a number. */
export interface Working {
  formula: string;
  written: string;
  entered?: string;
  inputs: { name: string; value: number; unit: string; source: z.infer<typeof sourceSchema> }[];
  through: z.infer<typeof named>[];
  result: z.infer<typeof named>;
  parts?: Working[];
}
export const workingSchema: z.ZodType<Working> = z
  .lazy(() =>
    z.object({
      formula: z.string(),
      written: z.string(),
      entered: z.string().optional(),
      inputs: z.array(named.extend({ source: sourceSchema })),
      through: z.array(named),
      result: named,
      parts: z.array(workingSchema).optional(),
    }),
  )
  .meta({ id: "Working" });

export const reservationSchema = z.object({
  lot: z.uuid(),
  lotCode: z.string(),
  dyeLot: z.string(),
  place: z.string(),
  quantity: z.number().int(),
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

export const needSchema = z.object({
  material: z.string(),
  materialName: z.string(),
  colour: z.string().nullable(),
  unit: z.enum(stockUnits),
  side: z.string().nullable(),
  drawer: z.string(),
  need: z.number(),
  inDrawers: z.number(),
  reserved: z.number(),
  short: z.number(),
  batches: z.array(
    z.object({
      id: z.uuid(),
      number: z.number().int(),
      pattern: z.string(),
      issue: z.number(),
      reserved: z.number(),
      due: isoDay,
    }),
  ),
  /** A blend that the mill makes from its parts. */
  milled: z.boolean(),
  proposal: z
    .object({
      supplier: z.string(),
      packs: z.number().int(),
      packWords: z.string(),
      priceCents: z.number().int(),
      leadDays: z.number().int(),
      arrives: isoDay,
    })
    .nullable(),
});
export type Need = z.infer<typeof needSchema>;
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
export const materialEndpoints = [listNeeds];

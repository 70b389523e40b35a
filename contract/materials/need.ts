import { z } from "zod";
import { stockUnits } from "@kasten/core/units";
import { isoDay } from "../http";

const proposalSchema = z.object({
  supplier: z.string(),
  packs: z.number().int(),
  packWords: z.string(),
  priceCents: z.number().int(),
  leadDays: z.number().int(),
  arrives: isoDay,
});

export const needSchema = z.object({
  material: z.string(),
  materialName: z.string(),
  colour: z.string().nullable(),
  unit: z.enum(stockUnits),
  side: z.string().nullable(),
  /** Where on the skin it is to come from, where that is asked for. */
  area: z.string().nullable(),
  drawer: z.string(),
  need: z.number(),
  inDrawers: z.number(),
  reserved: z.number(),
  short: z.number(),
  /** Of what is short: which lengths were asked for, mm, where lots are told apart by them. */
  classes: z.array(z.object({ fromMm: z.number(), toMm: z.number(), short: z.number() })),
  /** Of what is short, on its way already, with the day of the last that is needed; and still to be ordered. */
  coming: z.number(),
  comesOn: isoDay.nullable(),
  toOrder: z.number(),
  /** The batches that need it, earliest due first: a dozen at most. */
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
  /** How many there are of them all. */
  batchCount: z.number().int(),
  /** A blend that the mill makes from its parts. */
  milled: z.boolean(),
  proposal: proposalSchema.nullable(),
});
export type Need = z.infer<typeof needSchema>;

/** What standing orders that are not written yet will need of a material. */
export const seasonNeedSchema = needSchema
  .pick({ material: true, materialName: true, colour: true, unit: true, side: true, area: true })
  .extend({
    /** Wanted barb length of a wound feather, mm. */
    barb: z.tuple([z.number(), z.number()]).nullable(),
    need: z.number(),
    /** In drawers or on its way, and not needed by the open batches. */
    free: z.number(),
    short: z.number(),
    /** The day for which the first of them comes up. */
    firstFor: isoDay,
    /** The last day on which ordering it is early enough for the day on which the first that lacks it comes up. */
    orderBy: isoDay.nullable(),
    proposal: proposalSchema.nullable(),
    /** A blend that the mill makes from its parts. */
    milled: z.boolean(),
    orders: z.array(z.object({ id: z.uuid(), number: z.number().int(), next: isoDay, need: z.number() })),
  });
export type SeasonNeed = z.infer<typeof seasonNeedSchema>;

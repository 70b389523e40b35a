import { z } from "zod";
import { askedSchema, isoDay, skuSchema } from "../http";
import { policies } from "../customers";

export const orderLineSchema = skuSchema.extend({
  id: z.uuid(),
  position: z.number().int(),
  patternName: z.string(),
  flies: z.number().int(),
  policy: z.enum(policies).nullable(),
  /** Its own day, where it has one. */
  due: isoDay.nullable(),
  wishes: z.string(),
  asked: askedSchema,
  pricePerDozenCents: z.number().int(),
  /** The day for which it was promised as it was written, and how probable that was held to be. */
  promisedFor: isoDay.nullable(),
  promisedOdds: z.number().nullable(),
  boxed: z.number().int(),
  /** Good flies put by for this line. */
  ready: z.number().int(),
  /** Claimed in batches that are not finished. */
  inBatches: z.number().int(),
});

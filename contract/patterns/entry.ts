import { z } from "zod";

/** What lists, filters and orders need of a pattern; the recipe itself is read apart. */
export const patternEntrySchema = z.object({
  id: z.string(),
  name: z.string(),
  style: z.string(),
  origin: z.string(),
  species: z.string(),
  version: z.number().int(),
  hookModel: z.string(),
  sizes: z.object({ from: z.string(), to: z.string() }),
  variants: z.array(z.object({ id: z.string(), name: z.string() })),
  forms: z.array(z.object({ id: z.string(), name: z.string() })),
  minutesPerFly: z.number(),
  pricePerDozenCents: z.number().int(),
  skills: z.array(z.string()),
  sample: z.boolean(),
  /** Every material that some size, colour or form of it may take, by code. */
  materials: z.array(z.string()),
  /** What it still lacks; empty when it may be tied. */
  missing: z.array(z.string()),
});
export type PatternEntry = z.infer<typeof patternEntrySchema>;

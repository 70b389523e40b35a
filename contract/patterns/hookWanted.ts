import { z } from "zod";
import { hookBends, hookEyes, MOST_STEPS } from "@kasten/core/hooks";

const step = z.number().int().min(-MOST_STEPS).max(MOST_STEPS);
const steps = z
  .strictObject({ from: step, to: step })
  .refine(({ from, to }) => from <= to, "From the shorter, finer or narrower end to the other.");

/** What a recipe says of its hook beside the model; what is absent is not said. */
export const hookWantedSchema = z.strictObject({
  shank: steps.optional(),
  wire: steps.optional(),
  gape: steps.optional(),
  barbless: z.boolean().optional(),
  bend: z.enum(hookBends).optional(),
  points: z.union([z.literal(1), z.literal(2)]).optional(),
  eye: z.enum(hookEyes).optional(),
  finish: z.string().min(1).max(40).optional(),
});

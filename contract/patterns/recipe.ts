import { z } from "zod";
import { dressings, type Recipe } from "@kasten/core/recipe";
import { hookSizeOrNone, sentence, short, table, words, type Same } from "../http";
import { componentSchema } from "./component";
import { bySize, span } from "./lengths";
import { hookWantedSchema } from "./hookWanted";
import { stepSchema, zone } from "./step";

const coat = {
  component: short,
  coats: z.number().int().min(1).max(9),
  dryMinutes: z.number().int().min(0).max(100_000),
};

/** A pattern's recipe: the open format in which patterns are written. */
export const recipeSchema = z.strictObject({
  hookModel: words,
  hookWanted: hookWantedSchema.optional(),
  shankTolerance: z.number().int().min(0).max(6).optional(),
  sizes: z.strictObject({ from: hookSizeOrNone, to: hookSizeOrNone }),
  components: z.array(componentSchema).max(40),
  steps: z.array(stepSchema).max(60),
  variants: z.array(z.strictObject({ id: short, name: short, swaps: table(bySize, 40) })).max(60),
  forms: z
    .array(
      z.strictObject({
        id: short,
        name: short,
        hookModel: words.optional(),
        omit: z.array(short).max(40),
        swaps: table(bySize, 40).optional(),
      }),
    )
    .max(6),
  finish: z.discriminatedUnion("state", [
    z.strictObject({ state: z.literal("given"), ...coat, then: z.array(z.strictObject(coat)).max(6).optional() }),
    z.strictObject({ state: z.literal("none") }),
    z.strictObject({ state: z.literal("not stated") }),
  ]),
  minutesPerFly: z.number().nonnegative().max(1000),
  stepByStepFactor: z.number().min(0.05).max(5),
  skills: z.array(short).max(20),
  pricePerDozenCents: z.number().int().nonnegative().max(10_000_000),
  prices: z
    .array(
      z.strictObject({
        sizes: span.optional(),
        variant: short.optional(),
        perDozenCents: z.number().int().nonnegative().max(10_000_000),
      }),
    )
    .max(24)
    .optional(),
  parents: z
    .array(
      z.strictObject({
        pattern: short,
        changes: sentence,
        version: z.number().int().min(1).max(1_000_000).optional(),
        inherited: z.array(short).max(60).optional(),
      }),
    )
    .max(6)
    .optional(),
  density: z.enum(dressings).optional(),
  densityBand: z.array(z.enum(dressings)).max(4).optional(),
  bare: z
    .array(z.strictObject({ ...zone, thread: z.boolean().optional(), why: sentence.optional() }))
    .max(12)
    .optional(),
  mostWraps: z.number().int().min(1).max(200).optional(),
  stagger: z.strictObject({ steps: z.array(short).min(2).max(12), leastMm: z.number().min(0).max(100) }).optional(),
  avoid: z.array(sentence).max(20).optional(),
  sample: z.boolean().optional(),
  queries: z
    .array(z.strictObject({ about: short, question: sentence }))
    .max(20)
    .optional(),
  told: z
    .array(
      z.strictObject({
        text: z.string().max(2000),
        steps: z.array(short).max(12),
        asks: z.array(sentence).max(20).optional(),
      }),
    )
    .max(300)
    .optional(),
});

/** What is written in a file and what is computed with are one thing: this line does not compile when they part. */
export const recipeIsOneType: Same<z.infer<typeof recipeSchema>, Recipe> = true;

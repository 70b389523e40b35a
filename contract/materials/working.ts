import { z } from "zod";

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

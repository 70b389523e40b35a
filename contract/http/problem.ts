import { z } from "zod";

/** RFC 9457 problem details: a stable type, a sentence to act on, and the path of each wrong field. */
export const problemSchema = z.object({
  type: z.string().describe("Stable name of the kind of problem"),
  title: z.string(),
  status: z.number().int(),
  detail: z.string().describe("A sentence that says what to do"),
  errors: z.array(z.object({ path: z.string(), detail: z.string() })).optional(),
  /** What the other person changed, when a stale version was sent. */
  changes: z.array(z.object({ field: z.string(), yours: z.string(), theirs: z.string() })).optional(),
  version: z.number().int().optional(),
});
export type ProblemDetails = z.infer<typeof problemSchema>;

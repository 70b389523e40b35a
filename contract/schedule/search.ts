import { z } from "zod";
import { done, endpoint, none } from "../http";

const base = { room: "schedule", permission: "plan the work", params: none, query: none, body: none } as const;

/** How good a plan is, in what people ask of it. */
const worthSchema = z.object({
  cost: z.number(),
  /** Batches that are not ready on their day, and those that have no place at all. */
  late: z.number().int(),
  /** How many are late on average, as things go. */
  lateAsThingsGo: z.number(),
  left: z.number().int(),
  changeOverMinutes: z.number().int(),
});
export type PlanWorth = z.infer<typeof worthSchema>;

export const planSearchSchema = z.object({
  state: z.enum(["waiting", "running", "done", "stopped", "failed"]),
  seconds: z.number().int(),
  by: z.string(),
  at: z.string(),
  /** Between 0 and 1: how much of its time is over. */
  spent: z.number(),
  /** Batches late on average as things go, in the best plan so far and in the draft. */
  late: z.number().nullable(),
  lateBefore: z.number().nullable(),
  /** What no plan can cost less than. */
  lowerBound: z.number().nullable(),
  /** When it is over: whether what was found is the draft now, and how good that and the one before are. */
  outcome: z.object({ isTaken: z.boolean(), before: worthSchema, after: worthSchema }).nullable(),
});
export type PlanSearch = z.infer<typeof planSearchSchema>;

export const LONGEST_SEARCH_SECONDS = 600;

export const readSearch = endpoint({
  ...base,
  id: "readSearch",
  method: "get",
  path: "/plan/search",
  summary: "The last search for a better plan: how far it is, or what came of it",
  permission: "see the room",
  reply: z.object({ search: planSearchSchema.nullable() }),
});
export const startSearch = endpoint({
  ...base,
  id: "startSearch",
  method: "post",
  path: "/plan/search",
  summary: "Look longer for a better plan, beside the work; the best one found becomes the draft",
  body: z.object({
    seconds: z
      .number()
      .int("Whole seconds")
      .min(5, "Five seconds at least")
      .max(LONGEST_SEARCH_SECONDS, `At most ${LONGEST_SEARCH_SECONDS / 60} minutes`),
  }),
  reply: done,
});
export const stopSearch = endpoint({
  ...base,
  id: "stopSearch",
  method: "delete",
  path: "/plan/search",
  summary: "End the search that is under way, with the best plan found so far",
  reply: done,
});

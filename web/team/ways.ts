import { habits } from "@kasten/core/methods";

/** The schools of these questions are the same on every step, so no step is needed to name them. */
export const ways = habits.map((q) => ({
  id: q.id,
  asks: q.asks,
  schools: q.schools({} as Parameters<typeof q.schools>[0]),
}));

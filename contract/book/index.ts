import { z } from "zod";
import { endpoint, eventSchema, none, pageQuery } from "../http";

export const finishedSchema = z.object({
  id: z.uuid(),
  number: z.number().int(),
  patternName: z.string(),
  size: z.string(),
  variant: z.string(),
  finishedAt: z.string(),
  owed: z.number(),
  starts: z.number(),
  good: z.number(),
  rejected: z.number(),
  minutesPerFly: z.number().nullable(),
  reasons: z.array(z.object({ reason: z.string(), count: z.number() })),
  uses: z.array(z.object({ component: z.string(), materialName: z.string(), ratio: z.number().nullable() })),
});
export const yieldSchema = z.object({
  pattern: z.string(),
  patternName: z.string(),
  batches: z.number(),
  good: z.number(),
  rejected: z.number(),
  rejectRate: z.number(),
  startsForTenDozen: z.number(),
});
export const listFinished = endpoint({
  id: "listFinished",
  method: "get",
  path: "/book/batches",
  summary: "Finished batches, newest first",
  room: "book",
  permission: "see the room",
  params: none,
  query: pageQuery,
  body: none,
  reply: z.object({ batches: z.array(finishedSchema), yields: z.array(yieldSchema), next: z.string().nullable() }),
});
export const listEvents = endpoint({
  id: "listEvents",
  method: "get",
  path: "/book/log",
  summary: "Who did what, when, newest first",
  room: "book",
  permission: "see the room",
  params: none,
  query: pageQuery,
  body: none,
  reply: z.object({
    events: z.array(eventSchema.extend({ subject: z.string(), subjectId: z.string() })),
    next: z.string().nullable(),
  }),
});
export const waiting = endpoint({
  id: "waiting",
  method: "get",
  path: "/waiting",
  summary: "What waits at each station",
  room: "book",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: z.object({
    orders: z.number(),
    batches: z.number(),
    materials: z.number(),
    plan: z.number(),
    bench: z.number(),
    box: z.number(),
  }),
});
export const readPromises = endpoint({
  id: "readPromises",
  method: "get",
  path: "/book/promises",
  summary: "How promises were kept, month by month",
  room: "book",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: z.object({
    months: z.array(
      z.object({
        /** As year-month. */
        month: z.string(),
        lines: z.number().int(),
        kept: z.number().int(),
        /** How probable they were held to be, on average, of those of which it was said. */
        odds: z.number().nullable(),
        /** What held those that were late. */
        late: z.array(z.object({ cause: z.string(), lines: z.number().int() })),
      }),
    ),
  }),
});
export const bookEndpoints = [listFinished, listEvents, waiting, readPromises];

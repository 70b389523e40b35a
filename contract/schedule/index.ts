import { z } from "zod";
import { batchSchema } from "../batches";
import { endpoint, isoDay, none } from "../http";

export const planSchema = z.object({
  /** The days of the plan in shop time; all minutes count from the first. */
  days: z.array(z.object({ minute: z.number().int(), date: isoDay })),
  now: z.number().int(),
  people: z.array(z.object({ id: z.string(), name: z.string(), windows: z.array(z.tuple([z.number(), z.number()])) })),
  work: z.array(
    z.object({
      batch: z.uuid(),
      number: z.number().int(),
      patternName: z.string(),
      size: z.string(),
      kind: z.string(),
      person: z.string(),
      setupStart: z.number(),
      start: z.number(),
      end: z.number(),
      setupMinutes: z.number(),
      dryUntil: z.number().nullable(),
      colour: z.string().nullable(),
    }),
  ),
  batches: z.array(
    z.object({
      id: z.uuid(),
      number: z.number().int(),
      patternName: z.string(),
      size: z.string(),
      owed: z.number(),
      due: isoDay,
      ready: isoDay.nullable(),
      readyAt: z.number().nullable(),
      lateDays: z.number(),
      held: z.string().nullable(),
      waitsFor: z.string().nullable(),
    }),
  ),
  cost: z.object({
    total: z.number(),
    tardiness: z.number(),
    setup: z.number(),
    flow: z.number(),
    makespan: z.number(),
  }),
  lowerBound: z.number(),
  changeOverMinutes: z.number(),
  violations: z.array(z.string()),
});
export type Plan = z.infer<typeof planSchema>;
export const readPlan = endpoint({
  id: "readPlan",
  method: "get",
  path: "/plan",
  summary: "A plan of all open batches over the hours that people work",
  room: "schedule",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: planSchema,
});
export const readLate = endpoint({
  id: "readLate",
  method: "get",
  path: "/plan/late",
  summary: "Orders with a batch that will not keep the day promised",
  room: "schedule",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: z.object({ orders: z.array(z.uuid()) }),
});
export const readTurns = endpoint({
  id: "readTurns",
  method: "get",
  path: "/plan/turns",
  summary: "The batches that are next for each person and not released yet, by the plan",
  room: "schedule",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: z.object({ people: z.array(z.object({ id: z.uuid(), batches: z.array(batchSchema) })) }),
});
export const scheduleEndpoints = [readPlan, readLate, readTurns];

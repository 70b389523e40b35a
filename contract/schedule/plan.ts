import { z } from "zod";
import { batchSchema } from "../batches";
import { endpoint, isoDay, none } from "../http";

/** Who is to tie a batch, and from when on, as a person has said. */
export const planPinSchema = z.object({
  person: z.uuid(),
  at: z.string().nullable(),
  /** Several who tie it at the same time, each so many flies; empty where one does. */
  shares: z.array(z.object({ person: z.uuid(), flies: z.number().int() })),
  /** Why it binds nobody any more, where it does not. */
  fault: z.string().nullable(),
});
export const differenceSchema = z.object({ batch: z.uuid(), number: z.number().int(), sentence: z.string() });

export const planSchema = z.object({
  /** The days of the plan in shop time; all minutes count from the first. */
  days: z.array(z.object({ minute: z.number().int(), date: isoDay })),
  /** The instant of minute 0. */
  origin: z.string(),
  now: z.number().int(),
  people: z.array(z.object({ id: z.string(), name: z.string(), windows: z.array(z.tuple([z.number(), z.number()])) })),
  work: z.array(
    z.object({
      /** The operation, by which a change of the plan names it. */
      id: z.string(),
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
      /** Flies still to be tied. */
      left: z.number().int(),
      due: isoDay,
      ready: isoDay.nullable(),
      readyAt: z.number().nullable(),
      lateDays: z.number(),
      held: z.string().nullable(),
      waitsFor: z.string().nullable(),
      /** How probable it is that it is ready on its day, and the day by which it is in nine of ten cases. */
      odds: z.number().nullable(),
      day90: isoDay.nullable(),
      /** What makes it late where it is, in a sentence; empty where it hardly ever is. */
      breaks: z.string(),
      pin: planPinSchema.nullable(),
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
  /** Of the draft: counted on whenever its order of work becomes another. */
  revision: z.number().int(),
  /** The plan that was published last, and what of it does not hold any more; null before the first. */
  published: z
    .object({
      number: z.number().int(),
      at: z.string(),
      by: z.string(),
      note: z.string(),
      broken: z.array(z.object({ batch: z.uuid(), number: z.number().int(), sentence: z.string() })),
    })
    .nullable(),
  /** What publishing would change, batch by batch. */
  differences: z.array(differenceSchema),
});
export type Plan = z.infer<typeof planSchema>;

const base = { room: "schedule", permission: "see the room", params: none, query: none, body: none } as const;
export const readPlan = endpoint({
  ...base,
  id: "readPlan",
  method: "get",
  path: "/plan",
  summary:
    "A plan of all open batches over the hours that people work: the draft, or what was published as it now runs",
  query: z.object({ which: z.enum(["draft", "published"]).optional() }),
  reply: planSchema,
});
export const readLate = endpoint({
  ...base,
  id: "readLate",
  method: "get",
  path: "/plan/late",
  summary: "Orders with a batch that will not keep the day promised",
  reply: z.object({ orders: z.array(z.uuid()) }),
});
export const readOdds = endpoint({
  ...base,
  id: "readOdds",
  method: "get",
  path: "/plan/odds",
  summary: "How probable it is that each open order is ready on its day",
  reply: z.object({ orders: z.array(z.object({ id: z.uuid(), odds: z.number(), breaks: z.string() })) }),
});
export const readTurns = endpoint({
  ...base,
  id: "readTurns",
  method: "get",
  path: "/plan/turns",
  summary: "The batches that are next for each person and not released yet, by the plan",
  reply: z.object({ people: z.array(z.object({ id: z.uuid(), batches: z.array(batchSchema) })) }),
});

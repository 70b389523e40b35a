import { z } from "zod";
import { endpoint, none } from "../http";

const minute = z.number().int();
const window = z.tuple([minute, minute]);
const setupState = z.object({ pattern: z.string(), thread: z.string(), hook: z.string() });
export const scheduleProblemSchema = z.object({
  horizon: minute,
  people: z.array(z.object({ id: z.string(), windows: z.array(window), setupState: setupState.optional() })),
  stations: z.array(z.object({ id: z.string(), capacity: z.number().int() })),
  racks: z.array(z.object({ id: z.string(), places: z.number().int() })),
  jobs: z.array(
    z.object({
      id: z.string(),
      release: minute,
      due: minute,
      weight: z.number(),
      operations: z.array(
        z.object({
          id: z.string(),
          kind: z.enum(["prep", "tie", "coat", "inspect", "pack"]),
          choices: z.array(z.object({ person: z.string(), minutes: minute })),
          after: z.array(z.string()).optional(),
          station: z.string().optional(),
          setupState: setupState.optional(),
          dry: z.object({ minutes: minute, rack: z.string(), places: z.number().int() }).optional(),
          pinned: z.object({ person: z.string(), start: minute }).optional(),
        }),
      ),
    }),
  ),
  setup: z.object({ pattern: z.number(), thread: z.number(), hook: z.number() }),
  readyThreads: z.array(z.string()).optional(),
  objective: z.object({ tardiness: z.number(), setup: z.number(), flow: z.number(), makespan: z.number() }),
});
export const assignmentSchema = z.object({
  operation: z.string(),
  person: z.string(),
  setupStart: minute,
  start: minute,
  end: minute,
  setupMinutes: minute,
  dryUntil: minute.optional(),
});
export const knowledgeSchema = z.object({
  minutes: z.record(
    z.string(),
    z.object({ own: z.number(), shares: z.array(z.object({ name: z.string(), sd: z.number() })).optional() }),
  ),
  flies: z.record(
    z.string(),
    z.object({ operation: z.string(), missing: z.array(z.number()), minutesPerFly: z.number() }),
  ),
  arrivals: z.record(z.string(), z.object({ at: minute, daysLate: z.array(z.number()) })),
  waits: z.record(z.string(), z.array(z.string())),
  absence: z.record(z.string(), z.number()),
});
export const readProblem = endpoint({
  id: "readProblem",
  method: "get",
  path: "/plan/problem",
  summary: "The draft as data: the problem, its plan and how uncertain everything in it is, to try changes on",
  room: "schedule",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: z.object({
    revision: z.number().int(),
    problem: scheduleProblemSchema,
    assignments: z.array(assignmentSchema),
    knowledge: knowledgeSchema,
  }),
});

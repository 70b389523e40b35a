import { z } from "zod";
import { done, endpoint, isoDay, none, uuidParams } from "../http";
import { differenceSchema } from "./plan";

const base = { room: "schedule", permission: "plan the work", params: none, query: none } as const;
/** Pins further off than this are beyond every plan. */
const MOST_DAYS_AHEAD = 110;

export const pinBatch = endpoint({
  ...base,
  id: "pinBatch",
  method: "put",
  path: "/plan/pins/:id",
  summary: "Say who ties a batch, and from when on if that matters",
  params: uuidParams,
  body: z.object({
    person: z.uuid(),
    /** The instant at which tying is to begin; null for whenever it fits. */
    at: z.iso
      .datetime({ offset: true, error: "Give the instant with its time zone" })
      .refine((at) => Math.abs(Date.parse(at) - Date.now()) < MOST_DAYS_AHEAD * 86_400_000, {
        error: `At most ${MOST_DAYS_AHEAD} days from now`,
      })
      .nullable(),
  }),
  reply: done,
});
export const splitTying = endpoint({
  ...base,
  id: "splitTying",
  method: "put",
  path: "/plan/pins/:id/shares",
  summary: "Let several tie a batch at the same time, each so many flies",
  params: uuidParams,
  body: z.object({
    shares: z
      .array(
        z.object({
          person: z.uuid(),
          flies: z.number().int("Whole flies").min(1, "One fly at least").max(24_000),
        }),
      )
      .min(2, "Two at least")
      .max(6, "At most six")
      .refine((all) => new Set(all.map((s) => s.person)).size === all.length, "Each person once"),
  }),
  reply: done,
});
export const unpinBatch = endpoint({
  ...base,
  id: "unpinBatch",
  method: "delete",
  path: "/plan/pins/:id",
  summary: "Leave it to the plan again who ties a batch, and when",
  params: uuidParams,
  body: none,
  reply: done,
});
export const publishPlan = endpoint({
  ...base,
  id: "publishPlan",
  method: "post",
  path: "/plan/publish",
  summary: "Make the draft the plan that everybody works by",
  body: z.object({
    /** The draft that was looked at. */
    revision: z.number().int().min(0).max(1_000_000_000),
    note: z.string().trim().max(200, "At most 200 characters").default(""),
  }),
  reply: z.object({ number: z.number().int() }),
});
const versionSchema = z.object({
  number: z.number().int(),
  at: z.string(),
  by: z.string(),
  note: z.string(),
  batches: z.number().int(),
  late: z.number().int(),
});
export const listPlanVersions = endpoint({
  ...base,
  id: "listPlanVersions",
  method: "get",
  path: "/plan/versions",
  summary: "The plans that were published, the newest first",
  permission: "see the room",
  body: none,
  reply: z.object({ versions: z.array(versionSchema) }),
});
export const readPlanVersion = endpoint({
  ...base,
  id: "readPlanVersion",
  method: "get",
  path: "/plan/versions/:number",
  summary: "A published plan: when each batch was to be ready, and what it changed against the one before",
  permission: "see the room",
  params: z.object({ number: z.coerce.number().int().min(1).max(1_000_000_000) }),
  body: none,
  reply: versionSchema.omit({ batches: true }).extend({
    batches: z.array(
      z.object({
        id: z.uuid(),
        number: z.number().int(),
        patternName: z.string(),
        size: z.string(),
        due: isoDay,
        ready: isoDay.nullable(),
        lateDays: z.number(),
      }),
    ),
    differences: z.array(differenceSchema),
  }),
});

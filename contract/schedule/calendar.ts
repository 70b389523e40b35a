import { z } from "zod";
import { done, endpoint, none, uuidParams } from "../http";

const base = {
  room: "schedule",
  permission: "see the room",
  params: uuidParams,
  query: none,
  body: none,
  path: "/people/:id/calendar",
} as const;
export const readCalendarKey = endpoint({
  ...base,
  id: "readCalendarKey",
  method: "get",
  summary: "Whether a person’s plan can be followed from a calendar, and since when",
  reply: z.object({ madeAt: z.string().nullable() }),
});
export const makeCalendarKey = endpoint({
  ...base,
  id: "makeCalendarKey",
  method: "post",
  summary: "Make a secret address of a person’s plan for their calendar; the one before is no longer answered",
  /** Said once: only what it hashes to is kept. */
  reply: z.object({ path: z.string(), madeAt: z.string() }),
});
export const endCalendarKey = endpoint({
  ...base,
  id: "endCalendarKey",
  method: "delete",
  summary: "Answer the secret address of a person’s plan no longer",
  reply: done,
});

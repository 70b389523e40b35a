import { z } from "zod";
import { done, endpoint, none } from "../http";

const base = {
  room: "schedule",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  path: "/session/calendar",
} as const;
export const readCalendarKey = endpoint({
  ...base,
  id: "readCalendarKey",
  method: "get",
  summary: "Whether one’s own plan can be followed from a calendar, and since when",
  reply: z.object({ madeAt: z.string().nullable() }),
});
export const makeCalendarKey = endpoint({
  ...base,
  id: "makeCalendarKey",
  method: "post",
  summary: "Make a secret address of one’s own plan for a calendar; the one before is no longer answered",
  /** Said once: only what it hashes to is kept. */
  reply: z.object({ path: z.string(), madeAt: z.string() }),
});
export const endCalendarKey = endpoint({
  ...base,
  id: "endCalendarKey",
  method: "delete",
  summary: "Answer the secret address of one’s own plan no longer",
  reply: done,
});

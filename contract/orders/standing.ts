import { z } from "zod";
import { done, endpoint, isoDay, none, uuidParams } from "../http";
import { orderLineSchema } from "./line";

const base = { room: "orders", permission: "write orders", params: uuidParams, query: none, body: none } as const;

export const standingSchema = z.object({
  order: z.uuid(),
  number: z.number().int(),
  customer: z.string(),
  customerName: z.string(),
  /** The day for which it comes up next, and the season by which that was said. */
  next: isoDay,
  season: z.string().nullable(),
  aheadDays: z.number().int(),
  /** It is time to adjust it and write it. */
  isUp: z.boolean(),
  lines: z.array(orderLineSchema),
});
export type Standing = z.infer<typeof standingSchema>;

export const listStanding = endpoint({
  ...base,
  id: "listStanding",
  method: "get",
  path: "/standing-orders",
  summary: "Orders that come up again each season, the next first",
  permission: "see the room",
  params: none,
  reply: z.object({ standing: z.array(standingSchema) }),
});
export const setStanding = endpoint({
  ...base,
  id: "setStanding",
  method: "put",
  path: "/standing-orders/:id",
  summary: "Let an order come up again each year, so many days ahead of its day",
  body: z.object({
    aheadDays: z.number().int("Whole days").min(7, "A week ahead at least").max(300, "At most 300 days ahead"),
  }),
  reply: done,
});
export const passStanding = endpoint({
  ...base,
  id: "passStanding",
  method: "post",
  path: "/standing-orders/:id/pass",
  summary: "Pass a standing order over this time; it comes up again a year later",
  reply: done,
});
export const endStanding = endpoint({
  ...base,
  id: "endStanding",
  method: "delete",
  path: "/standing-orders/:id",
  summary: "Let an order come up no more",
  reply: done,
});

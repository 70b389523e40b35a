import { z } from "zod";
import {
  askedSchema,
  done,
  endpoint,
  eventSchema,
  exceptionSchema,
  flies,
  isoDay,
  none,
  pageQuery,
  realDay,
  reasonWords,
  rowVersion,
  skuSchema,
  uuidParams,
  versioned,
} from "../http";
import { policies } from "../customers";
import { orderLineSchema } from "./line";
import { endStanding, listStanding, passStanding, setStanding } from "./standing";

export * from "./line";
export * from "./standing";

export const lineInput = skuSchema.extend({
  /** Present for a line that is already there. */
  id: z.uuid().optional(),
  flies,
  policy: z.enum(policies).optional(),
  /** A day of its own, where it is not that of the order. */
  due: realDay.optional(),
  /** In the customer's words: everyone sees them, up to the box. */
  wishes: z.string().max(400).optional(),
  /** What of it is a choice of the pattern: the batch is made up by it. */
  asked: askedSchema.optional(),
  /** How probable it was, as it was written, that it is ready on its day; kept as the promise. */
  odds: z.number().min(0).max(1).optional(),
});
/** More at once than a room ties in years is a slip of the keyboard. */
const MOST_ORDERED = 24_000;
/** What one order holds; of so many lines the earliest day is told, too. */
export const MOST_LINES = 60;
const tooMany = `At most ${MOST_LINES} lines in one order: write the rest as another`;
export const orderInput = z.object({
  text: z.string().max(8000),
  customer: z.string().max(60),
  due: realDay,
  dueReason: z.string().max(80).optional(),
  note: z.string().max(400).default(""),
  lines: z
    .array(lineInput)
    .min(1, "At least one line")
    .max(MOST_LINES, tooMany)
    .refine(
      (lines) => lines.reduce((sum, l) => sum + l.flies, 0) <= MOST_ORDERED,
      "At most 2,000 dozen in one order: write the rest as another",
    ),
  /** Given by a person who has read what the destination forbids, and saves it all the same. */
  exception: z.object({ reason: reasonWords }).optional(),
  /** The order that stood and is taken up by this one, which stands in its place from now on. */
  standing: z.uuid().optional(),
});

export const orderSchema = z.object({
  id: z.uuid(),
  number: z.number().int(),
  customer: z.string(),
  customerName: z.string(),
  due: isoDay,
  dueReason: z.string().nullable(),
  note: z.string(),
  text: z.string(),
  version: z.number().int(),
  createdAt: z.string(),
  createdBy: z.string(),
  closedAt: z.string().nullable(),
  /** What of the destination's rules was let pass as it was written. */
  exception: exceptionSchema.nullable(),
  lines: z.array(orderLineSchema),
});
export type Order = z.infer<typeof orderSchema>;
export type OrderLine = z.infer<typeof orderLineSchema>;

const base = { room: "orders", params: none, query: none };
export const listOrders = endpoint({
  ...base,
  id: "listOrders",
  method: "get",
  path: "/orders",
  summary: "Orders, by due date",
  permission: "see the room",
  query: pageQuery.extend({
    state: z.enum(["open", "closed"]).default("open"),
    /** Only those of one customer. */
    customer: z.string().max(60).optional(),
  }),
  body: none,
  reply: z.object({ orders: z.array(orderSchema), next: z.string().nullable() }),
});
export const readOrderById = endpoint({
  ...base,
  id: "readOrder",
  method: "get",
  path: "/orders/:id",
  summary: "An order with its history",
  permission: "see the room",
  params: uuidParams,
  body: none,
  reply: orderSchema.extend({
    history: z.array(eventSchema),
    /** When it comes up again, where it stands. */
    standing: z.object({ next: isoDay, aheadDays: z.number().int() }).nullable(),
  }),
});
export const addOrder = endpoint({
  ...base,
  id: "addOrder",
  method: "post",
  path: "/orders",
  summary: "Save an order; its batches are made up at once",
  permission: "write orders",
  body: orderInput,
  reply: orderSchema,
});
export const editOrder = endpoint({
  ...base,
  id: "editOrder",
  method: "put",
  path: "/orders/:id",
  summary: "Change an order",
  permission: "write orders",
  params: uuidParams,
  body: orderInput.extend({ version: rowVersion }),
  reply: orderSchema,
});
export const cancelOrder = endpoint({
  ...base,
  id: "cancelOrder",
  method: "post",
  path: "/orders/:id/cancel",
  summary: "Cancel what is not boxed yet",
  permission: "write orders",
  params: uuidParams,
  body: versioned,
  reply: done,
});
export const promiseSchema = z.object({
  lines: z.array(
    skuSchema.extend({
      flies: z.number().int(),
      /** The earliest day on which it is as probably ready as the room wants its promises to be. */
      day: isoDay.nullable(),
      /** The day on which it is ready when all goes as planned. */
      planned: isoDay.nullable(),
      /** How probable it is that it is ready by the day that was named, where one was. */
      odds: z.number().nullable(),
      holds: z.enum(["shelf", "material", "skill", "hours", "drying", "nothing"]),
      sentence: z.string(),
    }),
  ),
  /** Batches that are less probably ready on their day with these lines in the plan. */
  others: z.array(z.object({ batch: z.uuid(), number: z.number().int(), before: z.number(), after: z.number() })),
});
export const promise = endpoint({
  ...base,
  id: "promise",
  method: "post",
  path: "/promise",
  summary: "The earliest day for each line that makes no other order late",
  permission: "see the room",
  body: z.object({
    lines: z
      .array(skuSchema.extend({ flies, asked: askedSchema.optional(), due: realDay.optional() }))
      .min(1)
      .max(MOST_LINES, tooMany),
  }),
  reply: promiseSchema,
});
export const orderEndpoints = [
  listOrders,
  readOrderById,
  addOrder,
  editOrder,
  cancelOrder,
  promise,
  listStanding,
  setStanding,
  passStanding,
  endStanding,
];

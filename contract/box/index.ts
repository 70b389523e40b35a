import { z } from "zod";
import { askedSchema, done, endpoint, exceptionSchema, flies, isoDay, none, skuSchema, uuidParams } from "../http";

export const boxLineSchema = skuSchema.extend({
  line: z.uuid(),
  order: z.number().int(),
  orderId: z.uuid(),
  patternName: z.string(),
  due: isoDay,
  owed: z.number(),
  ready: z.number(),
  boxed: z.number(),
  wishes: z.string(),
  asked: askedSchema,
  /** What of the customer's rules was let pass for it, as it was ordered or tied. */
  exceptions: z.array(exceptionSchema),
});
export const boxSchema = z.object({
  customers: z.array(
    z.object({
      customer: z.string(),
      name: z.string(),
      note: z.string(),
      lines: z.array(boxLineSchema),
      parcel: z
        .object({
          id: z.uuid(),
          number: z.number().int(),
          contents: z.array(skuSchema.extend({ patternName: z.string(), flies: z.number(), order: z.number() })),
        })
        .nullable(),
    }),
  ),
});
const base = { room: "box", params: none, query: none };
export const listBox = endpoint({
  ...base,
  id: "listBox",
  method: "get",
  path: "/box",
  summary: "What is ready to box, by customer, and open parcels",
  permission: "see the room",
  body: none,
  reply: boxSchema,
});
export const boxFlies = endpoint({
  ...base,
  id: "boxFlies",
  method: "post",
  path: "/box",
  summary: "Box ready flies into the customer’s open parcel",
  permission: "box and send",
  body: z.object({
    lines: z
      .array(z.object({ line: z.uuid(), flies }))
      .min(1)
      .max(60),
  }),
  reply: z.object({ parcel: z.uuid() }),
});
export const sendParcel = endpoint({
  ...base,
  params: uuidParams,
  id: "sendParcel",
  method: "post",
  path: "/parcels/:id/send",
  summary: "Send a parcel",
  permission: "box and send",
  body: none,
  reply: done,
});
export const boxEndpoints = [listBox, boxFlies, sendParcel];

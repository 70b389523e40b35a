import { z } from "zod";
import { stockUnits } from "@kasten/core/units";
import { barbClass, done, endpoint, isoDay, none, realDay, rowVersion, sentence, uuidParams } from "../http";

export const purchaseStates = ["draft", "sent", "confirmed", "received", "cancelled"] as const;
const baseUnits = z.number().int("Whole units").min(0).max(1_000_000_000_000);
const cents = z.number().int("Whole coins").min(0, "Not less than nothing").max(100_000_000);
const words = (most: number) => z.string().trim().max(most, `At most ${most} characters`);

export const purchaseLineSchema = z.object({
  id: z.uuid(),
  material: z.string(),
  materialName: z.string(),
  form: z.string(),
  unit: z.enum(stockUnits),
  packs: z.number().int(),
  pack: z.number(),
  packWords: z.string(),
  packCents: z.number().int(),
  /** The dye lot that is wanted, where it has to match. */
  dyeLot: z.string(),
  ordered: z.number(),
  received: z.number(),
  closed: z.boolean(),
});
export const purchaseSchema = z.object({
  id: z.uuid(),
  number: z.number().int(),
  supplierId: z.string(),
  supplier: z.string(),
  byLetter: z.boolean(),
  state: z.enum(purchaseStates),
  writtenAt: z.string(),
  by: z.string(),
  sentAt: z.string().nullable(),
  expectedOn: isoDay.nullable(),
  confirmedOn: isoDay.nullable(),
  doneAt: z.string().nullable(),
  goodsCents: z.number().int(),
  freightCents: z.number().int(),
  note: z.string(),
  answer: z.string(),
  lines: z.array(purchaseLineSchema),
  version: rowVersion,
});
export type Purchase = z.infer<typeof purchaseSchema>;

const orderedLine = z.object({
  material: z.string().min(1, "Choose a material").max(60),
  packs: z.number().int("Whole packs").min(1, "At least one pack").max(10_000, "At most 10,000 packs"),
  pack: baseUnits.refine((p) => p > 0, "More than nothing in a pack"),
  packCents: cents,
  dyeLot: words(60).default(""),
});
const lines = z
  .array(orderedLine)
  .min(1, "At least one line")
  .max(200, "At most 200 lines")
  .refine((all) => new Set(all.map((l) => `${l.material}|${l.pack}`)).size === all.length, "Each material once");

const base = { room: "purchasing", query: none };
const change = { ...base, params: uuidParams, permission: "handle stock" as const, reply: done };

export const listPurchases = endpoint({
  ...base,
  params: none,
  id: "listPurchases",
  method: "get",
  path: "/purchases",
  summary: "Purchase orders: those that are open, and the newest of those that are done",
  permission: "see the room",
  body: none,
  reply: z.object({ purchases: z.array(purchaseSchema) }),
});
export const readPurchase = endpoint({
  ...base,
  params: uuidParams,
  id: "readPurchase",
  method: "get",
  path: "/purchases/:id",
  summary: "One purchase order",
  permission: "see the room",
  body: none,
  reply: purchaseSchema,
});
export const writePurchase = endpoint({
  ...base,
  params: none,
  id: "writePurchase",
  method: "post",
  path: "/purchases",
  summary: "Write a purchase order to one supplier",
  permission: "handle stock",
  body: z.object({ supplierId: z.string().min(1, "Choose a supplier").max(60), lines, note: sentence.default("") }),
  reply: z.object({ id: z.uuid(), number: z.number().int() }),
});
export const editPurchase = endpoint({
  ...change,
  id: "editPurchase",
  method: "put",
  path: "/purchases/:id",
  summary: "Change a purchase order that is not sent yet",
  body: z.object({ version: rowVersion, lines, note: sentence.default("") }),
});
export const sendPurchase = endpoint({
  ...change,
  id: "sendPurchase",
  method: "post",
  path: "/purchases/:id/send",
  summary: "Send it to the supplier, or mark it as posted where they take letters only",
  body: z.object({ version: rowVersion }),
});
export const confirmPurchase = endpoint({
  ...change,
  id: "confirmPurchase",
  method: "post",
  path: "/purchases/:id/confirm",
  summary: "Note the day that the supplier has said; what waits for it moves with it",
  body: z.object({ version: rowVersion, day: realDay, answer: sentence.default("") }),
});
export const cancelPurchase = endpoint({
  ...change,
  id: "cancelPurchase",
  method: "post",
  path: "/purchases/:id/cancel",
  summary: "Cancel a purchase order of which nothing has come",
  body: z.object({ version: rowVersion, reason: z.string().trim().min(1, "Say why").max(200) }),
});

/** What lies in the parcel, by the supplier's own note. */
export const deliveryNoteSchema = z.object({
  lines: z.array(
    z.object({
      line: z.uuid(),
      quantity: z.number(),
      lot: z.string(),
      dyeLot: z.string(),
      grade: z.string(),
    }),
  ),
  note: z.string(),
});
export type DeliveryNote = z.infer<typeof deliveryNoteSchema>;
export const readDeliveryNote = endpoint({
  ...base,
  params: uuidParams,
  id: "readDeliveryNote",
  method: "get",
  path: "/purchases/:id/delivery-note",
  summary: "The supplier's note of what they have sent",
  permission: "see the room",
  body: none,
  reply: deliveryNoteSchema,
});

const receivedLine = z
  .object({
    line: z.uuid(),
    /** What is kept of what came, in base units. */
    accepted: baseUnits,
    /** What goes back, and why. */
    returned: baseUnits.default(0),
    reason: words(200).default(""),
    lot: words(60).default(""),
    dyeLot: words(60).default(""),
    grade: words(20).default(""),
    side: z.enum(["left", "right"]).nullable().default(null),
    barb: barbClass.nullable().default(null),
    papers: words(200).default(""),
    apartUntil: realDay.nullable().default(null),
    /** Nothing more is expected of this line. */
    close: z.boolean().default(false),
  })
  .refine((l) => l.returned === 0 || l.reason !== "", { path: ["reason"], message: "Say why it goes back" });
export const receivePurchase = endpoint({
  ...change,
  id: "receivePurchase",
  method: "post",
  path: "/purchases/:id/receive",
  summary: "Check a delivery against the order: what is kept becomes lots, what goes back is noted",
  body: z.object({
    version: rowVersion,
    lines: z
      .array(receivedLine)
      .min(1, "At least one line")
      .max(200)
      .refine((all) => new Set(all.map((l) => l.line)).size === all.length, "Each line once"),
  }),
  reply: z.object({ lots: z.array(z.object({ id: z.uuid(), code: z.string() })), waiting: z.array(z.number().int()) }),
});

/** What should be bought, from whom, at what price. */
export const buyingPlanSchema = z.object({
  wanted: z.array(
    z.object({
      material: z.string(),
      materialName: z.string(),
      unit: z.enum(stockUnits),
      /** For open batches beyond what is there and coming; and to be above the point at which it is ordered. */
      forBatches: z.number(),
      forStock: z.number(),
      reorderAt: z.number(),
      perWeek: z.number(),
      firstDue: isoDay.nullable(),
      /** Of feathers: bought by the length that is scarcest on a skin, as skins sorted before have it. */
      scarce: z.object({ fromMm: z.number(), toMm: z.number(), asked: z.number() }).nullable(),
      /** Dyed, and bought at once for all that is used until then, of one dye lot. */
      until: isoDay.nullable(),
      /** Not made any more: what is there is the last of it. */
      discontinued: z.boolean(),
    }),
  ),
  /** What is to be had in some months only: bought ahead of those in which it is not. */
  seasons: z.array(
    z.object({
      material: z.string(),
      materialName: z.string(),
      unit: z.enum(stockUnits),
      supplier: z.string(),
      /** The last day on which it can be ordered, and the first on which it can again. */
      until: isoDay,
      again: isoDay,
      /** What the usual use takes until then, beyond what is there and coming. */
      quantity: z.number(),
    }),
  ),
  orders: z.array(
    z.object({
      supplierId: z.string(),
      supplier: z.string(),
      lines: z.array(
        z.object({
          material: z.string(),
          materialName: z.string(),
          unit: z.enum(stockUnits),
          packs: z.number().int(),
          pack: z.number(),
          packWords: z.string(),
          packCents: z.number().int(),
          totalCents: z.number().int(),
          dyeLot: z.string(),
        }),
      ),
      goodsCents: z.number().int(),
      freightCents: z.number().int(),
      arrives: isoDay,
      /** Of what batches wait for, what comes after their day: nobody is quicker, or it was not asked. */
      late: z.array(z.string()),
    }),
  ),
  totalCents: z.number().int(),
  boundCents: z.number().int(),
  proved: z.boolean(),
  uncovered: z.array(z.object({ material: z.string(), materialName: z.string(), words: z.string() })),
});
export type BuyingPlan = z.infer<typeof buyingPlanSchema>;
export const planBuying = endpoint({
  room: "purchasing",
  params: none,
  query: z.object({
    stock: z.enum(["yes", "no"]).default("yes"),
    /** Whether what open batches wait for is bought of whoever is in time, or of whoever is cheapest. */
    first: z.enum(["time", "price"]).default("time"),
    /** Dyed materials are bought for all that is used until that day, each of one dye lot. */
    dyedUntil: realDay.optional(),
  }),
  id: "planBuying",
  method: "get",
  path: "/buying",
  summary: "What to order, from whom: the cheapest way to cover the open batches and the usual use",
  permission: "see the room",
  body: none,
  reply: buyingPlanSchema,
});

export const purchaseEndpoints = [
  listPurchases,
  readPurchase,
  writePurchase,
  editPurchase,
  sendPurchase,
  confirmPurchase,
  cancelPurchase,
  readDeliveryNote,
  receivePurchase,
  planBuying,
];

import { z } from "zod";
import { prepKinds } from "@kasten/core/batches";
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
  reasonWords,
  short,
  skuSchema,
  table,
  uuidParams,
  versioned,
  waysSchema,
} from "../http";
import { destinationSchema, policies } from "../customers";
import { requirementSchema } from "../materials";

export const batchStates = ["planned", "released", "pulled", "tying", "finished"] as const;
/** States of batches that are not finished. */
export const openStates = ["planned", "released", "pulled", "tying"] as const;
export const batchModes = ["fly by fly", "step by step"] as const;

export const batchSchema = skuSchema.extend({
  id: z.uuid(),
  number: z.number().int(),
  patternName: z.string(),
  patternVersion: z.number().int(),
  state: z.enum(batchStates),
  held: z.boolean(),
  mode: z.enum(batchModes),
  buy: z.array(z.string()),
  /**
   * Schools that differ from the pattern's, as "step/question"; optional parts left out; alternates taken, by
   * component.
   */
  methods: z.record(z.string(), z.string()),
  leave: z.array(z.string()),
  use: z.record(z.string(), z.string()),
  /** What its lines ask; the batch may be tied otherwise by a person's choice. */
  asked: askedSchema,
  mixLots: z.boolean(),
  /** Ready-made parts that are taken from the drawer for it. */
  kitParts: z.array(z.string()),
  /** What was let pass for this batch. */
  exceptions: z.array(exceptionSchema),
  owed: z.number().int(),
  starts: z.number().int(),
  due: isoDay,
  version: z.number().int(),
  good: z.number().int(),
  rejected: z.number().int(),
  minutes: z.number(),
  claims: z.array(
    z.object({
      line: z.uuid(),
      order: z.number().int(),
      orderId: z.uuid(),
      customer: z.string(),
      due: isoDay,
      flies: z.number().int(),
      wishes: z.string(),
      /** Which materials its customer accepts, and what the place it goes to forbids. */
      policy: z.enum(policies),
      destination: destinationSchema,
      /** What was let pass as the order was written. */
      exception: exceptionSchema.nullable(),
    }),
  ),
});
export type Batch = z.infer<typeof batchSchema>;

export const prepSchema = z.object({
  kind: z.enum(prepKinds),
  component: z.string(),
  title: z.string(),
  station: z.string().nullable(),
  units: z.number(),
  minutes: z.number(),
  /** Not, where what it makes is there already. */
  needed: z.boolean(),
  done: z.boolean(),
  doneBy: z.string().nullable(),
});
export const batchDetailSchema = batchSchema.extend({
  requirements: z.array(requirementSchema),
  prep: z.array(prepSchema),
  held_back: z.array(z.string()),
  history: z.array(eventSchema),
  startsWorking: z.object({
    owed: z.number(),
    good: z.number(),
    bad: z.number(),
    level: z.number(),
    chance: z.number(),
    batches: z.number(),
  }),
  buyable: z.array(z.object({ component: z.string(), role: z.string(), bought: z.string(), makeMinutes: z.number() })),
  cautions: z.array(z.string()),
  /** Ready-made parts that fit it, how many are free, and whether they are taken. */
  kitOffers: z.array(z.object({ material: z.string(), name: z.string(), free: z.number(), taken: z.boolean() })),
  /** What is tied with from a bobbin, with the bobbins on which it is loaded. */
  bobbins: z.array(
    z.object({ material: z.string(), name: z.string(), colour: z.string().nullable(), loaded: z.array(z.string()) }),
  ),
  /** Flies tallied, the rejects by what each of them cost. */
  tied: z.object({
    good: z.number().int(),
    wholeFly: z.number().int(),
    hookKept: z.number().int(),
    timeOnly: z.number().int(),
  }),
  /** What of it goes against the rules of a customer it is for, and nobody has let pass. */
  breaches: z.array(z.string()),
  /** Minutes a fly that the plan reckons with for those who can tie it, and between what they lie in eight of ten. */
  tiers: z.array(
    z.object({
      person: z.uuid(),
      name: z.string(),
      perFly: z.number(),
      low: z.number(),
      high: z.number(),
      /** Finished batches of this pattern, or of this person, that it rests on. */
      batches: z.number().int(),
    }),
  ),
  /** The newest version of the pattern, which may be newer than the one that the batch is bound to. */
  newestVersion: z.number().int(),
});
export type BatchDetail = z.infer<typeof batchDetailSchema>;

const base = { room: "batches", params: uuidParams, query: none };
export const listBatches = endpoint({
  ...base,
  params: none,
  id: "listBatches",
  method: "get",
  path: "/batches",
  summary: "Batches that are not finished, by the day they are due",
  permission: "see the room",
  query: pageQuery.extend({
    /** Only those in these states, by comma. */
    states: z
      .string()
      .max(60)
      .transform((text) => text.split(","))
      .pipe(z.array(z.enum(openStates)).min(1).max(openStates.length))
      .optional(),
  }),
  body: none,
  reply: z.object({ batches: z.array(batchSchema), most: z.number().int(), next: z.string().nullable() }),
});
export const sumBatches = endpoint({
  ...base,
  params: none,
  id: "sumBatches",
  method: "get",
  path: "/batches/sums",
  summary: "What the batches that are not finished come to",
  permission: "see the room",
  body: none,
  reply: z.object({ batches: z.number(), owed: z.number(), starts: z.number(), minutes: z.number() }),
});
export const readBatch = endpoint({
  ...base,
  id: "readBatch",
  method: "get",
  path: "/batches/:id",
  summary: "A batch with its materials, preparation and history",
  permission: "see the room",
  body: none,
  reply: batchDetailSchema,
});
export const splitBatch = endpoint({
  ...base,
  id: "splitBatch",
  method: "post",
  path: "/batches/:id/split",
  summary: "Split flies off into a batch of their own",
  permission: "make up batches",
  body: versioned.extend({ flies }),
  reply: z.object({ id: z.uuid() }),
});
export const mergeBatches = endpoint({
  ...base,
  params: none,
  id: "mergeBatches",
  method: "post",
  path: "/batches/merge",
  summary: "Merge planned batches of the same fly",
  permission: "make up batches",
  body: z.object({
    batches: z
      .array(versioned.extend({ id: z.uuid() }))
      .min(2)
      .max(20),
  }),
  reply: z.object({ id: z.uuid() }),
});
export const editBatch = endpoint({
  ...base,
  id: "editBatch",
  method: "patch",
  path: "/batches/:id",
  summary: "Choose how a batch is tied",
  permission: "make up batches",
  body: versioned.extend({
    mode: z.enum(batchModes).optional(),
    buy: z.array(z.string().max(60)).max(20).optional(),
    methods: waysSchema.optional(),
    leave: z.array(z.string().max(80)).max(40).optional(),
    use: table(short, 40).optional(),
    kitParts: z.array(short).max(6, "At most six").optional(),
    /** Bind it to the pattern's newest version. */ renew: z.literal(true).optional(),
    mixLots: z.boolean().optional(),
  }),
  reply: done,
});
export const exceptBatch = endpoint({
  ...base,
  id: "exceptBatch",
  method: "post",
  path: "/batches/:id/exceptions",
  summary: "Let rules of its customers pass, by name and with a reason",
  permission: "make up batches",
  body: versioned.extend({
    /** The breaches as they were read. */
    rules: z.array(z.string().max(600)).min(1).max(60),
    reason: reasonWords,
  }),
  reply: done,
});
export const reserveBatch = endpoint({
  ...base,
  id: "reserveBatch",
  method: "post",
  path: "/batches/:id/reserve",
  summary: "Reserve its materials, lot by lot",
  permission: "make up batches",
  body: none,
  reply: z.object({ short: z.array(z.string()) }),
});
export const reserveAllAnew = endpoint({
  ...base,
  params: none,
  id: "reserveAllAnew",
  method: "post",
  path: "/reservations/anew",
  summary: "Give back what planned batches have put by and reserve anew, the earliest due first",
  permission: "make up batches",
  body: none,
  reply: z.object({ batches: z.number().int(), short: z.number().int() }),
});
export const unreserveBatch = endpoint({
  ...base,
  id: "unreserveBatch",
  method: "delete",
  path: "/batches/:id/reserve",
  summary: "Give its reservations back",
  permission: "make up batches",
  body: none,
  reply: done,
});
export const releaseBatch = endpoint({
  ...base,
  id: "releaseBatch",
  method: "post",
  path: "/batches/:id/release",
  summary: "Release it to the bench",
  permission: "make up batches",
  body: versioned,
  reply: done,
});
export const takeBackBatch = endpoint({
  ...base,
  id: "takeBackBatch",
  method: "post",
  path: "/batches/:id/take-back",
  summary: "Take a release back: its kit returns to the drawers, and it is planned again",
  permission: "make up batches",
  body: versioned,
  reply: done,
});
export const pullBatch = endpoint({
  ...base,
  id: "pullBatch",
  method: "post",
  path: "/batches/:id/pull",
  summary: "Move what was pulled from the drawers into its kit",
  permission: "make up batches",
  body: z.object({ keys: z.array(z.string().max(80)).min(1).max(80) }),
  reply: done,
});
export const donePrep = endpoint({
  ...base,
  id: "donePrep",
  method: "post",
  path: "/batches/:id/prep",
  summary: "Log a preparation as done; a milled blend becomes stock",
  permission: "tie and tally",
  body: z.object({ kind: z.enum(prepKinds), component: z.string().max(60) }),
  reply: done,
});
export const batchEndpoints = [
  listBatches,
  sumBatches,
  readBatch,
  splitBatch,
  mergeBatches,
  editBatch,
  exceptBatch,
  reserveBatch,
  reserveAllAnew,
  unreserveBatch,
  releaseBatch,
  takeBackBatch,
  pullBatch,
  donePrep,
];

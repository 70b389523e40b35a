import { z } from "zod";
import { prepKinds } from "@kasten/core/batches";
import { endpoint, isoDay, none, realDay, sentence, short } from "../http";

const MOST_MOVED = 1_000_000_000_000;
const amount = z
  .number()
  .int("Whole units")
  .min(0, "Not less than nothing")
  .max(MOST_MOVED, "More than any room holds");
const minutes = z.number().min(0.1, "More than nothing").max(10_000, "A week of it at most");

/** What is made for the drawer, apart from what batches ask for. */
export const makeKinds = [
  "dye",
  "make parts",
  "bead hooks",
  "weight hooks",
  "strip and sort",
  "chop",
  "other",
] as const;

/** How it was done, so that it can be done again. */
export const prepHowSchema = z.strictObject({
  /** Through the mill. */
  passes: z.number().int("Whole passes").min(1, "At least one").max(30, "At most 30").optional(),
  chopMm: z.number().min(0.5, "At least half a millimetre").max(200, "At most 200 mm").optional(),
  /** Dye, amount, heat, time. */
  bath: z.string().trim().max(300, "At most 300 characters").optional(),
  /** What came out of the mill less than went in, mg. */
  lostMg: z.number().optional(),
});
export type PrepHow = z.infer<typeof prepHowSchema>;

const taskSchema = z.object({
  batch: z.uuid(),
  number: z.number().int(),
  pattern: z.string(),
  size: z.string(),
  due: isoDay,
  component: z.string(),
  units: z.number(),
  minutes: z.number(),
});
export const prepGroupSchema = z.object({
  kind: z.enum(prepKinds),
  material: z.string(),
  materialName: z.string(),
  title: z.string(),
  station: z.string().nullable(),
  tasks: z.array(taskSchema),
  units: z.number(),
  /** Prepared together; and one batch after another. */
  minutes: z.number(),
  apart: z.number(),
  cautions: z.array(z.string()),
  /** Of a blend: what lies in the drawers of earlier charges and nobody has put by, µg. */
  left: z.number(),
});
export type PrepGroupData = z.infer<typeof prepGroupSchema>;

export const prepRunSchema = z.object({
  id: z.uuid(),
  kind: z.string(),
  title: z.string(),
  person: z.string(),
  at: z.string(),
  minutes: z.number().nullable(),
  reckoned: z.number().nullable(),
  how: prepHowSchema,
  note: z.string(),
  batches: z.array(z.object({ id: z.uuid(), number: z.number().int() })),
  lots: z.array(z.object({ id: z.uuid(), code: z.string(), material: z.string() })),
});
export type PrepRun = z.infer<typeof prepRunSchema>;

const base = { room: "preparing", params: none, query: none };
export const listPreparations = endpoint({
  ...base,
  id: "listPreparations",
  method: "get",
  path: "/preparations",
  summary: "What the open batches still want prepared, like work together, and what was prepared last",
  permission: "see the room",
  body: none,
  reply: z.object({ open: z.array(prepGroupSchema), runs: z.array(prepRunSchema) }),
});

export const prepareTogether = endpoint({
  ...base,
  id: "prepareTogether",
  method: "post",
  path: "/preparations/together",
  summary: "Log one kind of preparation for several batches at once; a blend is milled in one charge",
  permission: "tie and tally",
  body: z.object({
    kind: z.enum(prepKinds),
    material: short,
    batches: z
      .array(z.uuid())
      .min(1, "At least one batch")
      .max(60, "At most 60 batches")
      .refine((all) => new Set(all).size === all.length, "Each batch once"),
    minutes: minutes.optional(),
    /** Of a blend: what came out of the mill, weighed, in µg. */
    out: amount.optional(),
    /** Of a blend: put what is left of earlier charges into this one. */
    leftovers: z.boolean().default(false),
    how: prepHowSchema.omit({ lostMg: true }).default({}),
    note: sentence.default(""),
  }),
  reply: z.object({ run: z.uuid() }),
});

const inputSchema = z
  .object({
    lot: z.uuid(),
    place: z.number().int().min(1).max(2_147_483_647),
    quantity: amount.refine((q) => q > 0, "More than nothing"),
    /** Of that: what turned out to be of no use, and goes to scrap. */
    culled: amount.default(0),
  })
  .refine((i) => i.culled <= i.quantity, { path: ["culled"], message: "Not more than was taken" });
export const makeStock = endpoint({
  ...base,
  id: "makeStock",
  method: "post",
  path: "/preparations/make",
  summary:
    "Make stock of stock: dye, bead or weight hooks, make or strip parts, with culls, minutes and how it was done",
  permission: "handle stock",
  body: z.object({
    kind: z.enum(makeKinds),
    inputs: z
      .array(inputSchema)
      .min(1, "At least one lot")
      .max(12, "At most 12 lots")
      .refine((all) => new Set(all.map((i) => `${i.lot}|${i.place}`)).size === all.length, "Each lot once"),
    output: z.object({
      /** What comes out; left out for beaded and weighted hooks, which are named after what they are made of. */
      material: short.optional(),
      quantity: amount.refine((q) => q > 0, "More than nothing"),
      lot: z.string().trim().max(60, "At most 60 characters").default(""),
      dyeLot: z.string().trim().max(60, "At most 60 characters").default(""),
    }),
    /** Of weight wire on each hook. */
    turns: z.number().int("Whole turns").min(1, "At least one").max(60, "At most 60 on one hook").optional(),
    /** Dries, or is looked at again, until then. */
    apartUntil: realDay.nullable().default(null),
    minutes: minutes.optional(),
    how: prepHowSchema.omit({ lostMg: true }).default({}),
    note: sentence.default(""),
  }),
  reply: z.object({ run: z.uuid(), lot: z.uuid(), material: short }),
});
export const preparingEndpoints = [listPreparations, prepareTogether, makeStock];

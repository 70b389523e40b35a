import { z } from "zod";
import { materialForms, standings } from "@kasten/core/materials";
import { colourDepths, consistencies, type LotTraits } from "@kasten/core/stock";
import { stockUnits } from "@kasten/core/units";
import { done, endpoint, figure, none, realDay, rowVersion, sentence, short, uuidParams, type Same } from "../http";
import { baseUnits, drawerCode, fliesLeftSchema, moreThanNothing } from "./common";

/** Forms in which materials are sold. */
export const soldForms = [
  "spool",
  "skein",
  "hank",
  "strung",
  "cape",
  "saddle",
  "skin",
  "wing",
  "tail",
  "mask",
  "patch",
  "strip",
  "pouch",
  "packet",
  "card",
  "sheet",
  "chain",
  "bottle",
  "loose",
  "single piece",
] as const;
export const soldAs = z.enum(["", ...soldForms]);
const share = z.number().min(0, "A share from 0 to 1").max(1, "A share from 0 to 1");
/** Seen or measured on this very lot. */
export const lotTraitsSchema = z.strictObject({
  area: z.string().trim().max(40, "At most 40 characters").optional(),
  age: z.string().trim().max(40, "At most 40 characters").optional(),
  depth: z.enum(colourDepths).optional(),
  splits: share.optional(),
  unusable: share.optional(),
  perMm: figure("fibresPerMm").optional(),
  stemMm: figure("usableMm").optional(),
  fibreMm: figure("fibreMm").optional(),
  stapleMm: figure("fibreMm").optional(),
  band: z.string().trim().max(40, "At most 40 characters").optional(),
  gauge: z.string().trim().max(20, "At most 20 characters").optional(),
  finish: z.string().trim().max(60, "At most 60 characters").optional(),
  consistency: z.enum(consistencies).optional(),
  used: z.boolean().optional(),
  labelColour: z.string().trim().max(60, "At most 60 characters").optional(),
  seenColour: z
    .string()
    .max(7, "A colour such as #8a6b3f")
    .regex(/^#[\da-f]{6}$/i, "A colour such as #8a6b3f")
    .optional(),
});
export const traitsAreOneType: Same<z.infer<typeof lotTraitsSchema>, LotTraits> = true;
const words = (most: number) => z.string().trim().max(most, `At most ${most} characters`);
const day = realDay.nullable();

/** What a person may say of a lot; the amounts are the ledger's. */
export const lotFactsSchema = z.object({
  soldAs,
  supplierId: z.string().max(60).nullable(),
  dyeLot: words(60),
  grade: words(20),
  /** What was paid, and for how much of it; both, or neither where nobody knows. */
  priceCents: z.number().int("Whole coins").min(0, "Not less than nothing").max(100_000_000).nullable(),
  priceFor: moreThanNothing.nullable(),
  openedOn: day,
  expiresOn: day,
  /** Kept apart until then, and until somebody lets it go. */
  apartUntil: day,
  origin: words(200),
  papers: words(200),
  note: words(400),
  traits: lotTraitsSchema,
});
export type LotFacts = z.infer<typeof lotFactsSchema>;

const claimSchema = z.object({
  id: z.uuid(),
  number: z.number().int(),
  pattern: z.string(),
  key: z.string(),
  quantity: z.number(),
});
const placeSchema = z.object({
  placeId: z.number().int(),
  code: z.string(),
  name: z.string(),
  kind: z.string(),
  quantity: z.number(),
  reserved: z.number(),
  /** Which batches it is put by for, and how much. */
  claims: z.array(claimSchema),
});
export const lotClassSchema = z.object({
  id: z.uuid(),
  code: z.string(),
  barb: z.tuple([z.number(), z.number()]).nullable(),
  side: z.enum(["left", "right"]).nullable(),
  quantity: z.number(),
  reserved: z.number(),
});
export const stockMovementSchema = z.object({
  id: z.number(),
  at: z.string(),
  person: z.string(),
  reason: z.string(),
  note: z.string(),
  quantity: z.number(),
  from: z.string(),
  to: z.string(),
  batch: z.number().nullable(),
});
export const lotPageSchema = lotFactsSchema.extend({
  id: z.uuid(),
  code: z.string(),
  material: z.object({
    code: z.string(),
    name: z.string(),
    form: z.enum(materialForms),
    unit: z.enum(stockUnits),
    colour: z.string().nullable(),
    caution: z.string().nullable(),
    lead: z.boolean(),
    species: z.string().nullable(),
    standing: z.enum(standings).nullable(),
  }),
  /** What one piece of it that can be tied with costs, where price and use of it are known. */
  centsPerUsable: z.number().nullable(),
  fliesLeft: fliesLeftSchema,
  /** Of a remnant: for which open batches it still holds how many whole lengths. */
  stillMakes: z.array(
    z.object({ batch: z.uuid(), number: z.number().int(), pattern: z.string(), lengths: z.number().int() }),
  ),
  /** When its picture was taken; null where there is none. */
  photoAt: z.string().nullable(),
  supplier: z.string().nullable(),
  receivedAt: z.string(),
  remnant: z.boolean(),
  side: z.enum(["left", "right"]).nullable(),
  barb: z.tuple([z.number(), z.number()]).nullable(),
  skin: z.object({ id: z.uuid(), code: z.string() }).nullable(),
  classes: z.array(lotClassSchema),
  places: z.array(placeSchema),
  movements: z.array(stockMovementSchema),
  /** What the ledger knows of each batch: what came into its kit, went back, was used and scrapped. */
  batches: z.array(
    z.object({ id: z.uuid(), number: z.number().int(), pattern: z.string(), size: z.string(), used: z.number() }),
  ),
  counts: z.array(
    z.object({
      at: z.string(),
      person: z.string(),
      how: z.string(),
      counted: z.number(),
      expected: z.number(),
      plusMinus: z.number(),
      note: z.string(),
    }),
  ),
  version: rowVersion,
});
export type LotPage = z.infer<typeof lotPageSchema>;

const base = { room: "stock", query: none };
const change = { ...base, params: uuidParams, permission: "handle stock" as const, reply: done };
const place = z.number().int().min(1).max(2_147_483_647);

export const readLot = endpoint({
  ...base,
  params: uuidParams,
  id: "readLot",
  method: "get",
  path: "/lots/:id",
  summary: "A lot: where it lies, who claims it, its classes, its history from both sides",
  permission: "see the room",
  body: none,
  reply: lotPageSchema,
});
export const describeLot = endpoint({
  ...change,
  id: "describeLot",
  method: "put",
  path: "/lots/:id",
  summary: "Say what is known of a lot: supplier, price, days, papers, a note",
  body: lotFactsSchema
    .extend({ version: rowVersion, traits: lotTraitsSchema.optional() })
    .refine((f) => (f.priceCents === null) === (f.priceFor === null), {
      path: ["priceFor"],
      message: "Say the price and for how much it was, or neither",
    })
    .refine((f) => !f.openedOn || !f.expiresOn || f.openedOn <= f.expiresOn, {
      path: ["expiresOn"],
      message: "It cannot expire before it was opened",
    }),
});
export const letGoLot = endpoint({
  ...change,
  id: "letGoLot",
  method: "post",
  path: "/lots/:id/let-go",
  summary: "Let a lot that was kept apart join the drawer: somebody has looked at it",
  body: z.object({ version: rowVersion, note: z.string().trim().min(1, "Say what you looked at").max(200) }),
});
export const transferLot = endpoint({
  ...change,
  id: "transferLot",
  method: "post",
  path: "/lots/:id/transfer",
  summary: "Put so much of a lot into another drawer",
  body: z.object({ place, drawer: drawerCode, quantity: moreThanNothing, note: sentence.default("") }),
});
export const scrapLot = endpoint({
  ...change,
  id: "scrapLot",
  method: "post",
  path: "/lots/:id/scrap",
  summary: "Throw so much of a lot away, with the reason",
  body: z.object({ place, quantity: moreThanNothing, note: z.string().trim().min(1, "Say why").max(200) }),
});
export const splitLot = endpoint({
  ...change,
  id: "splitLot",
  method: "post",
  path: "/lots/:id/split",
  summary: "Make a lot of its own of so much of a lot: a remnant, the better ones, another drawer",
  body: z.object({
    place,
    quantity: moreThanNothing,
    lot: z.string().trim().max(60).default(""),
    drawer: drawerCode.optional(),
    remnant: z.boolean().default(false),
    grade: words(20).optional(),
    note: sentence.default(""),
  }),
  reply: z.object({ id: z.uuid(), code: short }),
});
export const countLot = endpoint({
  ...change,
  id: "countLot",
  method: "post",
  path: "/lots/:id/count",
  summary: "What was counted of a lot in a place, how, and how sure that is; the ledger is put right by the difference",
  body: z.object({
    place,
    counted: baseUnits,
    plusMinus: baseUnits.default(0),
    how: z.enum(["counted", "weighed", "looked at"]),
    note: z.string().trim().max(200).default(""),
  }),
});

/** One class of a sample sorted with a ruler. */
const sampledSchema = z
  .object({
    fromMm: figure("barbMm"),
    toMm: figure("barbMm"),
    side: z.enum(["left", "right"]).nullable().default(null),
    sampled: z.number().int("Whole feathers").min(0).max(100_000),
    spoilt: z.number().int("Whole feathers").min(0).max(100_000).default(0),
  })
  .refine((c) => c.fromMm <= c.toMm, { path: ["toMm"], message: "The shorter end comes first" })
  .refine((c) => c.spoilt <= c.sampled, { path: ["spoilt"], message: "Not more than were looked at" });
export const gradeLot = endpoint({
  ...change,
  id: "gradeLot",
  method: "post",
  path: "/lots/:id/grade",
  summary: "Sort a skin by a sample: its classes become lots of their own, what cannot be tied with is scrapped",
  body: z.object({
    place,
    /** Feathers on it in all, counted or estimated; the ledger is put right to that first. */
    total: z.number().int("Whole feathers").min(1, "At least one feather").max(1_000_000),
    classes: z.array(sampledSchema).min(1, "At least one class").max(24, "At most 24 classes"),
    note: sentence.default(""),
  }),
});
export const mergeLot = endpoint({
  ...change,
  id: "mergeLot",
  method: "post",
  path: "/lots/:id/merge",
  summary: "Put what is free of a lot together with another of the same material; both keep their history",
  body: z.object({
    into: z.uuid(),
    /** Of another dye lot: said knowingly. */
    mixDyeLots: z.boolean().default(false),
    note: sentence.default(""),
  }),
});

const MOST_IMAGE = 480_000;
const image = z
  .string()
  .max(MOST_IMAGE, "The picture is too large: at most 350 kB")
  .regex(/^[A-Za-z0-9+/]+={0,2}$/, "A picture as base64");
export const photographLot = endpoint({
  ...change,
  id: "photographLot",
  method: "put",
  path: "/lots/:id/photo",
  summary: "Keep a picture of a lot: JPEG, PNG or WebP",
  body: z.object({ image }),
});
export const forgetPhoto = endpoint({
  ...change,
  id: "forgetPhoto",
  method: "delete",
  path: "/lots/:id/photo",
  summary: "Take the picture of a lot away",
  body: none,
});

export const lotEndpoints = [
  readLot,
  describeLot,
  letGoLot,
  transferLot,
  scrapLot,
  splitLot,
  countLot,
  gradeLot,
  mergeLot,
  photographLot,
  forgetPhoto,
];

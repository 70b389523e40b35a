import { z } from "zod";
import { stockUnits } from "@kasten/core/units";
import { barbClass, done, endpoint, idParams, none, realDay } from "../http";
import { bobbinEndpoints } from "./bobbin";
import { drawerCode, fliesLeftSchema, moreThanNothing } from "./common";
import { findStock } from "./find";
import { foundEndpoints } from "./found";
import { lotEndpoints, soldAs } from "./lot";
import { readOutlook } from "./outlook";
import { readScale, tellScale } from "./scale";
import { takeEndpoints } from "./take";

export * from "./bobbin";
export { drawerCode } from "./common";
export * from "./find";
export * from "./found";
export * from "./lot";
export * from "./outlook";
export * from "./scale";
export * from "./take";

export const placeKinds = ["supplier", "drawer", "kit", "bench", "flies", "scrap", "customer"] as const;
export const stockItemSchema = z.object({
  code: z.string(),
  name: z.string(),
  form: z.string(),
  unit: z.enum(stockUnits),
  colour: z.string().nullable(),
  drawer: z.string(),
  quantity: z.number(),
  reserved: z.number(),
  lots: z.number().int(),
  lead: z.boolean(),
  /** Of the lots that lie there: how much of what came is left, from 0 to 1; null where nothing lies there. */
  full: z.number().nullable(),
  /** Dozens of the coming work that it still covers; null when no batch needs it. */
  coversDozens: z.number().nullable(),
  needed: z.number(),
});
export type StockItem = z.infer<typeof stockItemSchema>;
export const lotSchema = z.object({
  id: z.uuid(),
  code: z.string(),
  dyeLot: z.string(),
  grade: z.string(),
  side: z.string().nullable(),
  barb: z.tuple([z.number(), z.number()]).nullable(),
  receivedAt: z.string(),
  place: z.string(),
  placeId: z.number().int(),
  /** On a bobbin, ready to be tied with. */
  bobbin: z.boolean(),
  inKit: z.boolean(),
  quantity: z.number(),
  reserved: z.number(),
  remnant: z.boolean(),
  soldAs: z.string(),
  openedOn: z.string().nullable(),
  expiresOn: z.string().nullable(),
  /** Kept apart until then, and until somebody lets it go. */
  apartUntil: z.string().nullable(),
  papers: z.string(),
  note: z.string(),
  /** The skin of which it is one class. */
  skin: z.string().nullable(),
});
export const movementSchema = z.object({
  id: z.number(),
  at: z.string(),
  person: z.string(),
  reason: z.string(),
  note: z.string(),
  lot: z.string(),
  quantity: z.number(),
  from: z.string(),
  to: z.string(),
  batch: z.number().nullable(),
});
export const stockDetailSchema = stockItemSchema.extend({
  colourName: z.string().nullable(),
  caution: z.string().nullable(),
  measured: z.boolean(),
  fliesLeft: fliesLeftSchema,
  /** What one skin gave of each class, over the skins that were sorted. */
  skinYield: z
    .object({
      skins: z.number().int(),
      classes: z.array(z.object({ fromMm: z.number(), toMm: z.number(), perSkin: z.number() })),
    })
    .nullable(),
  lotList: z.array(lotSchema),
  movements: z.array(movementSchema),
  sources: z.array(
    z.object({
      supplier: z.string(),
      supplierId: z.string(),
      pack: z.number(),
      packWords: z.string(),
      priceCents: z.number(),
      leadDays: z.number(),
      breaks: z.array(z.object({ fromPacks: z.number(), cents: z.number() })),
      usable: z.number(),
      grade: z.string(),
      season: z.object({ from: z.number(), to: z.number() }).nullable(),
      note: z.string(),
    }),
  ),
});
export type StockDetail = z.infer<typeof stockDetailSchema>;

const base = { room: "stock", params: none, query: none };
export const listStock = endpoint({
  ...base,
  id: "listStock",
  method: "get",
  path: "/stock",
  summary: "The cabinet: every material with what is there and what it covers",
  permission: "see the room",
  body: none,
  reply: z.object({
    items: z.array(stockItemSchema),
    /** Lots whose time apart is over: somebody has to look at them. */
    waiting: z.array(z.object({ id: z.uuid(), code: z.string(), material: z.string() })),
    fliesOnShelf: z.array(
      z.object({
        pattern: z.string(),
        patternName: z.string(),
        variant: z.string(),
        form: z.string(),
        size: z.string(),
        quantity: z.number(),
        reserved: z.number(),
      }),
    ),
  }),
});
export const readStock = endpoint({
  ...base,
  params: idParams,
  id: "readStock",
  method: "get",
  path: "/stock/:id",
  summary: "A material with its lots and movements",
  permission: "see the room",
  body: none,
  reply: stockDetailSchema,
});
export const receiveStock = endpoint({
  ...base,
  params: idParams,
  id: "receiveStock",
  method: "post",
  path: "/stock/:id/receive",
  summary: "Receive a delivery as a new lot",
  permission: "handle stock",
  body: z.object({
    quantity: moreThanNothing,
    lot: z.string().min(1, "Give the lot a name").max(60),
    dyeLot: z.string().max(60).default(""),
    grade: z.string().max(20).default(""),
    side: z.enum(["left", "right"]).nullable().default(null),
    /** Barb length of its feathers in mm, the shorter end first. */
    barb: barbClass.nullable().default(null),
    /** What was paid for it all; left out where nobody knows. */
    priceCents: z.number().int().min(0).max(100_000_000).nullable().default(null),
    soldAs: soldAs.default(""),
    origin: z.string().trim().max(200).default(""),
    papers: z.string().trim().max(200).default(""),
    expiresOn: realDay.nullable().default(null),
    /** New skins are kept apart until then. */
    apartUntil: realDay.nullable().default(null),
    /** Who sent it; by itself the quickest of its sources. */
    supplier: z.string().max(60).optional(),
    note: z.string().max(200).default(""),
  }),
  reply: done,
});
/** A drawer of the cabinet, with what is in it. */
export const drawerSchema = z.object({
  id: z.number().int(),
  code: z.string(),
  name: z.string(),
  /** Where it stands; null where nobody has placed it. */
  cabinet: z.string(),
  row: z.number().int().nullable(),
  position: z.number().int().nullable(),
  materials: z.number().int(),
  lots: z.number().int(),
});
const drawerParams = z.object({ id: z.coerce.number().int().min(1).max(2_147_483_647) });
export const listDrawers = endpoint({
  ...base,
  id: "listDrawers",
  method: "get",
  path: "/drawers",
  summary: "The drawers of the cabinet",
  permission: "see the room",
  body: none,
  reply: z.object({ drawers: z.array(drawerSchema) }),
});
export const addDrawers = endpoint({
  ...base,
  id: "addDrawers",
  method: "post",
  path: "/drawers",
  summary: "Add drawers, one or a row of them",
  permission: "handle stock",
  body: z.object({ codes: z.array(drawerCode).min(1, "Give a code, or a row of them").max(400) }),
  reply: z.object({ added: z.array(z.string()) }),
});
const spot = (most: number) => z.number().int().min(1, "From 1 on").max(most, `At most ${most}`).nullable();
export const arrangeDrawers = endpoint({
  ...base,
  id: "arrangeDrawers",
  method: "put",
  path: "/drawers",
  summary: "Say where the drawers stand in the room: cabinet, row from the top, spot from the left",
  permission: "handle stock",
  body: z.object({
    drawers: z
      .array(
        z
          .object({
            id: z.number().int().min(1).max(2_147_483_647),
            cabinet: z.string().trim().max(40, "At most 40 characters"),
            row: spot(200),
            position: spot(400),
          })
          .refine((d) => (d.row === null) === (d.position === null), {
            path: ["position"],
            message: "A row and a spot in it, or neither",
          })
          .refine((d) => d.row === null || d.cabinet !== "", { path: ["cabinet"], message: "Name the cabinet" }),
      )
      .max(4000, "At most 4,000 drawers")
      .refine((all) => new Set(all.map((d) => d.id)).size === all.length, "Each drawer once"),
  }),
  reply: done,
});
export const nameDrawer = endpoint({
  ...base,
  params: drawerParams,
  id: "nameDrawer",
  method: "put",
  path: "/drawers/:id",
  summary: "Give a drawer another name",
  permission: "handle stock",
  body: z.object({ name: z.string().trim().min(1, "Give the drawer a name").max(80) }),
  reply: done,
});
export const removeDrawer = endpoint({
  ...base,
  params: drawerParams,
  id: "removeDrawer",
  method: "delete",
  path: "/drawers/:id",
  summary: "Take an empty drawer out of the cabinet",
  permission: "handle stock",
  body: none,
  reply: done,
});
export const countIn = endpoint({
  ...base,
  params: idParams,
  id: "countIn",
  method: "post",
  path: "/stock/:id/count-in",
  summary: "Count in what lies in a drawer, without a supplier: an opening balance, a gift, something found",
  permission: "handle stock",
  body: z.object({
    quantity: moreThanNothing,
    /** By itself it is named after the day. */
    lot: z.string().max(60).default(""),
    dyeLot: z.string().max(60).default(""),
    drawer: drawerCode.optional(),
    note: z.string().max(200).default(""),
  }),
  reply: done,
});
export const stockEndpoints = [
  listStock,
  readStock,
  receiveStock,
  listDrawers,
  addDrawers,
  arrangeDrawers,
  nameDrawer,
  removeDrawer,
  countIn,
  findStock,
  readOutlook,
  readScale,
  tellScale,
  ...lotEndpoints,
  ...foundEndpoints,
  ...bobbinEndpoints,
  ...takeEndpoints,
];

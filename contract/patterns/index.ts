import { z } from "zod";
import { landmarks } from "@kasten/core/hooks";
import { materialForms, stockUnits } from "@kasten/core/materials";
import { roles } from "@kasten/core/patterns";
import { hookModelSchema } from "../hooks";
import { endpoint, isoDay, none } from "../http";

const short = z.string().max(80);
const sentence = z.string().max(400);
const size = z.string().max(6);
const number = z.number().finite();

export const placeSchema = z.union([z.strictObject({ landmark: z.enum(landmarks) }), z.strictObject({ eyeLengths: number }), z.strictObject({ fraction: number })]);
const bySize = z.array(z.strictObject({ sizes: z.strictObject({ from: size, to: size }).optional(), value: short })).max(30);
const length = z.union([
  z.strictObject({ mm: number }),
  z.strictObject({ of: z.enum(["shank", "gape", "eye", "hook", "body", "tail", "wing"]), times: number }),
]);
const componentSchema = z.strictObject({
  id: short, role: z.enum(roles), material: bySize, optional: z.boolean().optional(), asStated: sentence.optional(), alternates: z.array(short).max(20).optional(),
  bought: z.strictObject({ material: short, perFly: z.number().int().positive() }).optional(), makeMinutes: number.optional(),
});
const stepBase = {
  id: short, name: short, component: short.optional(), tieIn: z.strictObject({ at: placeSchema, wraps: z.number().int().positive().optional() }).optional(),
  skills: z.array(short).max(10).optional(), caution: sentence.optional(), tiedIn: short.optional(), instruction: sentence.optional(),
};
const zone = { from: placeSchema, to: placeSchema };
const stepSchema = z.discriminatedUnion("do", [
  z.strictObject({ ...stepBase, do: z.literal("seat"), from: placeSchema, count: z.number().int().positive().optional() }),
  z.strictObject({
    ...stepBase, do: z.literal("wind"), from: placeSchema, to: placeSchema.optional(),
    rule: z.strictObject({ touching: z.boolean().optional(), overlap: number.optional(), turns: number.optional(), pitch: number.optional() }),
    passes: z.number().int().min(1).max(6).optional(), stretch: number.optional(), rope: z.number().int().min(1).max(20).optional(), laid: z.strictObject(zone).optional(),
    take: z.discriminatedUnion("from", [
      z.strictObject({ from: z.literal("spool"), trimMm: number }),
      z.strictObject({ from: z.literal("pieces"), pieceMm: number, gripMm: number, trimMm: number }),
      z.strictObject({ from: z.literal("feather") }),
    ]).optional(),
    barb: z.tuple([length, length]).optional(), counter: z.boolean().optional(),
  }),
  z.strictObject({
    ...stepBase, do: z.literal("lay"), ...zone,
    amount: z.union([
      z.strictObject({ fibres: z.number().int().positive() }), z.strictObject({ spanMm: number }), z.strictObject({ clump: length }), z.strictObject({ slipWidth: length }),
      z.strictObject({ strands: z.number().int().positive(), folded: z.boolean() }), z.strictObject({ pieces: z.number().int().positive() }),
    ]),
    shown: length.optional(), attitude: z.enum(["back", "forward", "down", "up", "sides", "over"]).optional(), countedWhenWound: z.boolean().optional(), hanging: z.boolean().optional(),
  }),
  z.strictObject({ ...stepBase, do: z.literal("dress"), ...zone, fullness: z.tuple([length, length]).optional(), noodle: length.optional(), loopMm: number.optional() }),
  z.strictObject({ ...stepBase, do: z.literal("thread") }),
  z.strictObject({ ...stepBase, do: z.literal("whip"), ...zone, turns: z.number().int().positive() }),
]);

/** A pattern's recipe: the open format in which patterns are written. */
export const recipeSchema = z.strictObject({
  hookModel: short,
  shankTolerance: z.number().int().optional(),
  sizes: z.strictObject({ from: size, to: size }),
  components: z.array(componentSchema).max(40),
  steps: z.array(stepSchema).max(60),
  variants: z.array(z.strictObject({ id: short, name: short, swaps: z.record(short, bySize) })).max(60),
  forms: z.array(z.strictObject({ id: short, name: short, omit: z.array(short), swaps: z.record(short, bySize).optional() })).max(6),
  finish: z.discriminatedUnion("state", [
    z.strictObject({ state: z.literal("given"), component: short, coats: z.number().int().min(1).max(9), dryMinutes: z.number().int().min(0) }),
    z.strictObject({ state: z.literal("none") }),
    z.strictObject({ state: z.literal("not stated") }),
  ]),
  minutesPerFly: number.nonnegative(),
  stepByStepFactor: number.positive(),
  skills: z.array(short).max(20),
  pricePerDozenCents: z.number().int().nonnegative(),
});

/** A pattern file. */
export const patternFileSchema = z.strictObject({ id: short, name: short, style: short, origin: z.string().max(200).optional(), species: z.string().max(200).optional(), recipe: recipeSchema });

export const patternSchema = z.object({
  id: z.string(), name: z.string(), style: z.string(), origin: z.string(), species: z.string(), version: z.number().int(), recipe: recipeSchema,
  /** What it still lacks; empty when it may be tied. */
  missing: z.array(z.string()),
});
export type PatternData = z.infer<typeof patternSchema>;

const strand = z.object({
  section: z.enum(["round", "oval", "flat"]).optional(), width: number, thickness: number, core: number.optional(), density: number.optional(), lineDensity: number.optional(),
});
/** What the computation needs of a material. */
export const materialSchema = z.object({
  code: z.string(), name: z.string(), form: z.enum(materialForms), unit: z.enum(stockUnits), colour: z.string().optional(), colourName: z.string().optional(),
  measured: z.boolean(), lead: z.boolean(), controlledSpecies: z.string().optional(), caution: z.string().optional(), strand: strand.optional(),
  dubbing: z.object({ density: number, lineDensity: number, loss: number.optional() }).optional(),
  part: z.object({ diameter: number, length: number, mass: number, bore: number.optional() }).optional(),
  thread: z.object({ denier: number, fibre: z.enum(["polyester", "nylon", "gel-spun"]), aspect: z.enum(["asItComes", "flat", "corded"]).optional() }).optional(),
  feather: z.object({ usable: number, grip: number, perMm: number, span: number, sides: number, unusable: number }).optional(),
  pieceMm: number.optional(), hair: z.object({ density: number }).optional(), liquid: z.object({ kind: z.enum(["lacquer", "resin", "glue"]) }).optional(),
  blend: z.object({ parts: z.record(z.string(), number), leastChargeMg: number }).optional(), hook: z.object({ model: z.string(), size: z.string() }).optional(),
});

export const destinationSchema = z.object({ noLead: z.boolean(), barblessOnly: z.boolean(), forbiddenSpecies: z.array(z.string()) });
export const policies = ["original", "alternates", "tier"] as const;
export const customerSchema = z.object({
  id: z.string(), name: z.string(), kind: z.string(), rank: z.number().int(), policy: z.enum(policies), destination: destinationSchema, note: z.string(),
});
export type Customer = z.infer<typeof customerSchema>;

export const settingsSchema = z.object({
  shop: z.string(), timeZone: z.string(), serviceLevel: z.number(), tray: z.number().int(), windowDays: z.number().int(), restPerHour: z.number().int(),
  seasons: z.array(z.object({ name: z.string(), date: isoDay })),
  changeOver: z.object({ pattern: z.number(), thread: z.number(), hook: z.number() }),
  rackPlaces: z.number().int(), finishingPlaces: z.number().int(), stationsDown: z.array(z.string()),
});
export type Settings = z.infer<typeof settingsSchema>;

/** All that reading an order and drawing a fly need. */
export const catalogueSchema = z.object({
  today: isoDay, settings: settingsSchema, patterns: z.array(patternSchema), materials: z.array(materialSchema), hooks: z.array(hookModelSchema), customers: z.array(customerSchema),
});
export const catalogue = endpoint({
  id: "catalogue", method: "get", path: "/catalogue", summary: "Patterns, materials, hooks, customers and settings", room: "patterns", permission: "see the room",
  params: none, query: none, body: none, reply: catalogueSchema,
});
export const patternEndpoints = [catalogue];

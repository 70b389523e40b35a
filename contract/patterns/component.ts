import { z } from "zod";
import { materialForms } from "@kasten/core/materials";
import { noodleThicknesses, roles } from "@kasten/core/recipe";
import { figure, sentence, short, table } from "../http";
import { amount, bySize, length, windRule } from "./lengths";

export const passes = figure("passes");
export const rope = figure("rope");
export const stretch = figure("stretch");
export const ways = table(short, 60);
/** What a size rule, an alternate or a method sets anew in a step. */
export const stepChange = z.strictObject({
  amount: amount.optional(),
  shown: length.optional(),
  rule: windRule.optional(),
  passes: passes.optional(),
  stretch: stretch.optional(),
  rope: rope.optional(),
  fullness: z.tuple([length, length]).optional(),
  noodle: length.optional(),
  thickness: z.enum(noodleThicknesses).optional(),
  methods: ways.optional(),
});
const alternate = z.strictObject({
  material: short,
  effect: sentence.optional(),
  changes: table(stepChange, 60).optional(),
  limit: sentence.optional(),
});
/** A part of the fly and what it is tied of. */
export const componentSchema = z.strictObject({
  id: short,
  role: z.enum(roles),
  material: bySize,
  optional: z.boolean().optional(),
  asStated: sentence.optional(),
  alternates: z.array(alternate).max(20).optional(),
  bought: z.strictObject({ material: short, perFly: figure("fibres") }).optional(),
  makeMinutes: figure("minutes").optional(),
  area: z.string().trim().min(1, "Where it is taken from, or nothing").max(40, "At most 40 characters").optional(),
  sharesWith: short.optional(),
  anyOf: z.strictObject({ form: z.enum(materialForms), shades: z.array(short).max(20).optional() }).optional(),
  priceCents: z.number().int().min(0).max(1_000_000).optional(),
  doubt: sentence.optional(),
});

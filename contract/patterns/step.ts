import { z } from "zod";
import {
  acts,
  attitudes,
  dubbedShapes,
  holds,
  moments,
  noodleThicknesses,
  sectors,
  stances,
} from "@kasten/core/recipe";
import { figure, sentence, short } from "../http";
import { passes, rope, stepChange, stretch, ways } from "./component";
import { amount, length, placeSchema, span, windRule } from "./lengths";

const check = z.strictObject({ feature: sentence, when: z.enum(moments), tolerance: sentence.optional() });
const turnsOrFibres = z.number().min(0).max(2000);
/** Fewest and most, in that order. */
const range = z
  .tuple([turnsOrFibres, turnsOrFibres])
  .refine(([least, most]) => least <= most, "The smaller number comes first");
const stepBase = {
  id: short,
  name: short,
  component: short.optional(),
  tieIn: z
    .strictObject({ at: placeSchema, wraps: figure("wraps").optional(), hold: z.enum(holds).optional() })
    .optional(),
  skills: z.array(short).max(10).optional(),
  tools: z.array(short).max(10).optional(),
  caution: sentence.optional(),
  tiedIn: short.optional(),
  instruction: sentence.optional(),
  stated: z.string().max(2000).optional(),
  spread: range.optional(),
  after: z
    .array(z.strictObject({ step: short, hard: z.boolean().optional(), because: sentence.optional() }))
    .max(20)
    .optional(),
  mayPrecede: short.optional(),
  bySize: z
    .array(z.strictObject({ sizes: span, set: stepChange }))
    .max(12)
    .optional(),
  methods: ways.optional(),
  because: sentence.optional(),
  guard: sentence.optional(),
  checks: z.array(check).max(12).optional(),
  coveredBy: short.optional(),
  doubt: sentence.optional(),
  views: z
    .array(z.strictObject({ says: z.enum(["do", "avoid"]), because: sentence, by: short.optional() }))
    .max(6)
    .optional(),
  rotary: z.strictObject({ fixedWay: sentence, minutes: figure("minutes") }).optional(),
};
export const zone = { from: placeSchema, to: placeSchema };
/** One step of a recipe. */
export const stepSchema = z.discriminatedUnion("do", [
  z.strictObject({
    ...stepBase,
    do: z.literal("seat"),
    from: placeSchema,
    count: figure("fibres").optional(),
    lashed: z.enum(["on top", "underneath"]).optional(),
    glue: short.optional(),
  }),
  z.strictObject({
    ...stepBase,
    do: z.literal("wind"),
    from: placeSchema,
    to: placeSchema.optional(),
    rule: windRule,
    passes: passes.optional(),
    stretch: stretch.optional(),
    rope: rope.optional(),
    ribbon: z.boolean().optional(),
    laid: z.strictObject(zone).optional(),
    take: z
      .discriminatedUnion("from", [
        z.strictObject({ from: z.literal("spool"), trimMm: figure("trimMm") }),
        z.strictObject({
          from: z.literal("pieces"),
          pieceMm: figure("pieceMm"),
          gripMm: figure("gripMm"),
          trimMm: figure("trimMm"),
        }),
        z.strictObject({ from: z.literal("feather") }),
        z.strictObject({
          from: z.literal("leftover"),
          startMm: figure("pieceMm"),
          leftMm: figure("leftMm"),
        }),
      ])
      .optional(),
    barb: z.tuple([length, length]).optional(),
    counter: z.boolean().optional(),
    clockwise: z.boolean().optional(),
    roundPost: z.boolean().optional(),
    intoBead: z.boolean().optional(),
    carries: short.optional(),
    sweep: z.enum(["back", "square", "forward"]).optional(),
    atMost: figure("atMostTurns").optional(),
    face: z.enum(["in", "out"]).optional(),
    fill: z.tuple([length, length]).optional(),
    shows: short.optional(),
    levels: z.strictObject({ butts: short.optional() }).optional(),
  }),
  z.strictObject({
    ...stepBase,
    do: z.literal("lay"),
    ...zone,
    amount,
    shown: length.optional(),
    attitude: z.enum(attitudes).optional(),
    face: z.enum(["in", "out"]).optional(),
    countedWhenWound: z.boolean().optional(),
    hanging: z.boolean().optional(),
    overTake: figure("overTake").optional(),
    trimMm: figure("trimMm").optional(),
    round: z.partialRecord(z.enum(sectors), z.number().int().min(1).max(99)).optional(),
    stance: z.enum(stances).optional(),
    setBy: sentence.optional(),
    free: length.optional(),
    stretch: stretch.optional(),
  }),
  z.strictObject({
    ...stepBase,
    do: z.literal("dress"),
    ...zone,
    fullness: z.tuple([length, length]).optional(),
    shape: z.enum(dubbedShapes).optional(),
    noodle: length.optional(),
    taper: z.tuple([figure("taper"), figure("taper")]).optional(),
    thickness: z.enum(noodleThicknesses).optional(),
    loopMm: figure("loopMm").optional(),
    loopLayers: figure("loopLayers").optional(),
    loopLoad: figure("loopLoad").optional(),
    trace: z.boolean().optional(),
    brushed: z.boolean().optional(),
  }),
  z.strictObject({ ...stepBase, do: z.literal("thread") }),
  z.strictObject({
    ...stepBase,
    do: z.literal("glue"),
    at: placeSchema,
    drops: figure("drops"),
    openMinutes: figure("minutes").optional(),
    along: z.strictObject({ ...zone, coats: z.number().int().min(1).max(9) }).optional(),
  }),
  z.strictObject({
    ...stepBase,
    do: z.literal("act"),
    act: z.enum(acts),
    at: placeSchema.optional(),
    minutes: figure("minutes"),
    direction: z.enum(["back", "forward"]).optional(),
    leave: length.optional(),
  }),
  z.strictObject({
    ...stepBase,
    do: z.literal("whip"),
    ...zone,
    turns: figure("fibres"),
    times: figure("layers").optional(),
  }),
]);

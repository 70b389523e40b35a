import { z } from "zod";
import { landmarks, partEnds } from "@kasten/core/hooks";
import { featherParts, measures, reaches } from "@kasten/core/recipe";
import { figure, hookSize, short } from "../http";

const plus = z
  .union([
    z.strictObject({ mm: figure("shiftMm") }),
    z.strictObject({ of: z.enum(["shank", "gape", "eye"]), times: figure("shiftTimes") }),
  ])
  .optional();
export const placeSchema = z.union([
  z.strictObject({ landmark: z.enum(landmarks), plus }),
  z.strictObject({ eyeLengths: figure("eyeLengths"), plus }),
  z.strictObject({ fraction: figure("fraction"), plus }),
  z.strictObject({ part: short, end: z.enum(partEnds), plus }),
]);
export const span = z.strictObject({ from: hookSize, to: hookSize });
export const bySize = z.array(z.strictObject({ sizes: span.optional(), value: short })).max(30);
/** A length that ends somewhere: there or so many mm past it, or a share of the way there. */
const past = { pastMm: figure("pastMm").optional() };
const ofWay = { share: figure("shareOfWay") };
const added = z
  .union([
    z.strictObject({ mm: figure("addedMm") }),
    z.strictObject({ of: z.enum(measures), times: figure("addedTimes") }),
  ])
  .optional();
const plainLength = z.union([
  z.strictObject({ mm: figure("lengthMm") }),
  z.strictObject({ of: z.enum(measures), times: figure("lengthTimes"), plus: added }),
  z.strictObject({ reach: z.enum(reaches), ...past }),
  z.strictObject({ reach: z.enum(reaches), ...ofWay }),
  z.strictObject({ to: placeSchema, ...past }),
  z.strictObject({ to: placeSchema, ...ofWay }),
]);
export const length = z.union([plainLength, z.strictObject({ between: z.tuple([plainLength, plainLength]) })]);
export const amount = z.union([
  z.strictObject({ fibres: figure("fibres") }),
  z.strictObject({ spanMm: figure("spanMm") }),
  z.strictObject({ clump: length }),
  z.strictObject({ slipWidth: length, layers: figure("layers").optional() }),
  z.strictObject({ strands: figure("ends"), folded: z.boolean() }),
  z.strictObject({ pieces: figure("fibres") }),
  z.strictObject({
    feathers: figure("feathers"),
    paired: z.boolean().optional(),
    part: z.enum(featherParts).optional(),
  }),
  z.strictObject({ patchMm2: figure("patchMm2") }),
]);
export const windRule = z.strictObject({
  touching: z.boolean().optional(),
  overlap: figure("overlap").optional(),
  turns: figure("turns").optional(),
  pitch: figure("pitchMm").optional(),
});

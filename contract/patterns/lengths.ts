import { z } from "zod";
import { landmarks } from "@kasten/core/hooks";
import { featherParts, measures, reaches } from "@kasten/core/recipe";
import { figure, short, size } from "../http";

export const placeSchema = z.union([
  z.strictObject({ landmark: z.enum(landmarks) }),
  z.strictObject({ eyeLengths: figure("eyeLengths") }),
  z.strictObject({ fraction: figure("fraction") }),
]);
export const span = z.strictObject({ from: size, to: size });
export const bySize = z.array(z.strictObject({ sizes: span.optional(), value: short })).max(30);
export const length = z.union([
  z.strictObject({ mm: figure("lengthMm") }),
  z.strictObject({ of: z.enum(measures), times: figure("lengthTimes") }),
  z.strictObject({ reach: z.enum(reaches), pastMm: figure("pastMm").optional() }),
]);
export const amount = z.union([
  z.strictObject({ fibres: figure("fibres") }),
  z.strictObject({ spanMm: figure("spanMm") }),
  z.strictObject({ clump: length }),
  z.strictObject({ slipWidth: length }),
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

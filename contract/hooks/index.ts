import { z } from "zod";
import { hookBends, hookEyes } from "@kasten/core/hooks";
import { done, endpoint, figure, idParams, hookSize, none } from "../http";

export const hookRowSchema = z.strictObject({
  size: z.string().max(6),
  shank: figure("shankMm").optional(),
  gape: figure("gapeMm").optional(),
  wire: figure("wireMm").optional(),
  eye: figure("eyeMm").optional(),
  mass: figure("hookMassMg").optional(),
});
/** A row as it is measured: of a size in which hooks are made. */
const measuredRow = hookRowSchema.extend({ size: hookSize });
export const hookFamilies = ["dry", "wet", "nymph", "pupa", "streamer", "low-water", "double", "large"] as const;

const text = z.string().max(200);
export const hookModelSchema = z.object({
  id: z.string(),
  name: z.string(),
  family: z.enum(hookFamilies),
  bend: z.enum(hookBends),
  /** Steps longer than standard in the shank, heavier in the wire, wider in the gape; negative the other way. */
  shankSteps: z.number().int(),
  wireSteps: z.number().int(),
  gapeSteps: z.number().int(),
  barbless: z.boolean(),
  points: z.union([z.literal(1), z.literal(2)]),
  eyeForm: z.enum(hookEyes),
  /** Colour and coating: bronze, black nickel. */
  finish: z.string(),
  /** Why this wire. */
  wireReason: z.string(),
  /** Hooks of another maker or model that are near, with what differs; never the same. */
  near: z.array(z.object({ model: z.string(), differs: z.string() })),
  rows: z.array(hookRowSchema),
  landmarks: z
    .object({ size: z.string(), point: figure("shankMm").optional(), barb: figure("shankMm").optional() })
    .optional(),
});
export type HookModelData = z.infer<typeof hookModelSchema>;

/** What other measurements change in the batches that are not finished. */
export const hookEffectSchema = z.object({
  batches: z.array(
    z.object({
      id: z.uuid(),
      number: z.number().int(),
      pattern: z.string(),
      size: z.string(),
      state: z.string(),
      /** Why it can no longer be tied as it stands, when it cannot. */
      fault: z.string().nullable(),
      changes: z.array(
        z.object({
          role: z.string(),
          materialName: z.string(),
          unit: z.string(),
          before: z.number(),
          after: z.number(),
        }),
      ),
    }),
  ),
});
export type HookEffect = z.infer<typeof hookEffectSchema>;

const base = { room: "hooks", params: idParams, query: none };
const rows = z.array(measuredRow).min(1).max(12);
export const measureHook = endpoint({
  ...base,
  id: "measureHook",
  method: "put",
  path: "/hooks/:id/sizes",
  summary: "Keep what was measured of a hook, and tell what that changes",
  permission: "measure hooks",
  body: z.strictObject({ rows }),
  reply: hookEffectSchema,
});
export const hookEffect = endpoint({
  ...base,
  id: "hookEffect",
  method: "post",
  path: "/hooks/:id/effect",
  summary: "What measurements would change in running batches, before they are kept",
  permission: "measure hooks",
  body: z.strictObject({ rows }),
  reply: hookEffectSchema,
});
export const forgetHookSize = endpoint({
  ...base,
  id: "forgetHookSize",
  method: "delete",
  path: "/hooks/:id/sizes/:size",
  summary: "Take a measured size back: the nominal figures hold again",
  permission: "measure hooks",
  params: idParams.extend({ size: z.string().max(8) }),
  body: none,
  reply: hookEffectSchema,
});
export const saveHook = endpoint({
  ...base,
  id: "saveHook",
  method: "put",
  path: "/hooks/:id",
  summary: "Add a hook model or change what is known of it",
  permission: "measure hooks",
  params: z.object({
    id: z
      .string()
      .max(20)
      .regex(/^[A-Z0-9][A-Z0-9-]{0,19}$/i, "Letters, digits and hyphens, at most 20"),
  }),
  body: z.strictObject({
    name: z.string().min(1).max(80),
    family: z.enum(hookFamilies),
    bend: z.enum(hookBends),
    shankSteps: z.number().int().min(-6).max(10),
    wireSteps: z.number().int().min(-6).max(6),
    gapeSteps: z.number().int().min(-4).max(4),
    barbless: z.boolean(),
    points: z.union([z.literal(1), z.literal(2)]),
    eyeForm: z.enum(hookEyes),
    finish: text,
    wireReason: text,
    near: z.array(z.strictObject({ model: text, differs: text })).max(12),
    /** Sizes that are kept of it: each becomes something in the cabinet; those that are there stay. */
    sizes: z.array(hookSize).max(30).optional(),
    /** Drawer of the sizes that are new. */
    drawer: z.string().max(20).optional(),
  }),
  reply: done,
});
export const hookEndpoints = [measureHook, hookEffect, forgetHookSize, saveHook];

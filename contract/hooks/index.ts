import { z } from "zod";
import { done, endpoint, idParams, none } from "../http";

const mm = z.number().positive().max(80);
export const hookRowSchema = z.object({ size: z.string(), shank: mm.optional(), gape: mm.optional(), wire: mm.optional(), eye: mm.optional() });
export const hookModelSchema = z.object({
  id: z.string(),
  name: z.string(),
  family: z.string(),
  bend: z.string(),
  shankSteps: z.number().int(),
  wireSteps: z.number().int(),
  barbless: z.boolean(),
  rows: z.array(hookRowSchema),
  landmarks: z.object({ size: z.string(), point: mm.optional(), barb: mm.optional() }).optional(),
});
export type HookModelData = z.infer<typeof hookModelSchema>;

export const measureHook = endpoint({
  id: "measureHook", method: "put", path: "/hooks/:id/sizes", summary: "Keep what was measured of a hook at one size", room: "hooks", permission: "measure hooks",
  params: idParams, query: none, body: hookRowSchema, reply: done,
});
export const hookEndpoints = [measureHook];

import { z } from "zod";
import { done, endpoint, none, rowVersion, uuidParams } from "../http";

export const tallyKinds = ["good", "reject", "undo"] as const;
export const rejectReasons = [
  "proportions",
  "crowded eye",
  "body uneven",
  "hackle wrong",
  "wing crooked",
  "thread cut",
  "hook failed",
  "other",
] as const;
/** What a reject cost: the fly with its hook, the materials but not the hook, or time only. */
export const losses = ["whole fly", "hook kept", "time only"] as const;
export const tallySchema = z.object({
  /** Made by the device; sent twice, it counts once. */
  id: z.uuid(),
  batch: z.uuid(),
  kind: z.enum(tallyKinds),
  reason: z.enum(rejectReasons).optional(),
  loss: z.enum(losses).optional(),
  /** The tally that an undo takes back. */
  undoes: z.uuid().optional(),
  at: z.iso.datetime(),
});
export type Tally = z.infer<typeof tallySchema>;
const taken = z.number().min(0).max(1_000_000_000_000);
const offcutMm = z.number().min(1, "At least a millimetre").max(100_000, "A hundred metres at most");
export const MOST_OFFCUTS = 24;
/** What a material came to. What is left out is booked as computed, and teaches nothing. */
const useSchema = z.object({
  key: z.string().max(80),
  used: taken,
  scrapped: taken,
  /** Of what comes back: lengths that are kept as remnants, each a lot of its own. */
  offcutsMm: z.array(offcutMm).max(MOST_OFFCUTS, `At most ${MOST_OFFCUTS} lengths`).default([]),
  /** Where it does not agree with the flies tied: why. */
  why: z.string().trim().max(200, "At most 200 characters").default(""),
});
export type KitUseSaid = z.infer<typeof useSchema>;
const base = { room: "bench", params: none, query: none };
export const sendTallies = endpoint({
  ...base,
  id: "sendTallies",
  method: "post",
  path: "/bench/tallies",
  summary: "Send tallies from a bench, in any order, as often as it takes",
  permission: "tie and tally",
  body: z.object({ tallies: z.array(tallySchema).min(1).max(500) }),
  reply: z.object({
    counts: z.array(z.object({ batch: z.uuid(), good: z.number(), rejected: z.number() })),
    refused: z.array(z.object({ id: z.uuid(), detail: z.string() })),
  }),
});
export const finishBatch = endpoint({
  ...base,
  params: uuidParams,
  id: "finishBatch",
  method: "post",
  path: "/batches/:id/finish",
  summary: "Finish a batch: what was used leaves the kit, good flies go to the bins",
  permission: "tie and tally",
  body: z.object({
    version: rowVersion,
    uses: z.array(useSchema).max(100),
    minutes: z.number().nonnegative().max(100000).optional(),
  }),
  reply: done,
});
export const drawMore = endpoint({
  ...base,
  params: uuidParams,
  id: "drawMore",
  method: "post",
  path: "/batches/:id/draw",
  summary: "Draw more of a material into the kit while tying",
  permission: "tie and tally",
  body: z.object({
    key: z.string().max(80),
    quantity: taken.refine((q) => q > 0, "More than nothing"),
    note: z.string().trim().max(200, "At most 200 characters").default(""),
  }),
  reply: done,
});
export const benchEndpoints = [sendTallies, finishBatch, drawMore];

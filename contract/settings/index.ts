import { z } from "zod";
import { isoDay } from "../http";

export const settingsSchema = z.object({
  shop: z.string(),
  timeZone: z.string(),
  serviceLevel: z.number(),
  tray: z.number().int(),
  windowDays: z.number().int(),
  restPerHour: z.number().int(),
  seasons: z.array(z.object({ name: z.string(), date: isoDay })),
  changeOver: z.object({ pattern: z.number(), thread: z.number(), hook: z.number() }),
  rackPlaces: z.number().int(),
  finishingPlaces: z.number().int(),
  stationsDown: z.array(z.string()),
});
export type Settings = z.infer<typeof settingsSchema>;

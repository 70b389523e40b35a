import { z } from "zod";
import { endpoint, none, realDay, rowVersion, short, versioned } from "../http";

/** Shared tools of which the plan knows, each with its places. */
export const stationNames = ["finishing", "mill"] as const;
export const stationSchema = z.object({
  name: z.enum(stationNames),
  places: z.number().int().min(1, "At least one place").max(40, "At most 40 places"),
  /** Why it is out of use; null while it works. */
  down: z.string().trim().min(1, "Say what is wrong with it").max(120).nullable(),
});
export type Station = z.infer<typeof stationSchema>;

export const sharedToolSchema = z.object({
  /** As steps and ways call it. */
  name: z.string().trim().min(1, "Name the tool as the steps call it").max(40, "At most 40 letters"),
  places: z.number().int().min(1, "At least one of it").max(40, "At most 40 of it"),
  down: z.string().trim().min(1, "Say what is wrong with it").max(120).nullable(),
});

/** From one day to another, both included. */
export const daysOff = z
  .object({ from: realDay, to: realDay, reason: z.string().max(80) })
  .refine(({ from, to }) => from <= to, { path: ["to"], error: "The last day is not before the first" });

const isTimeZone = (name: string): boolean => {
  try {
    return Boolean(Intl.DateTimeFormat("en", { timeZone: name }));
  } catch {
    return false; // said beside the field
  }
};
const change = z.number().min(0, "Not less than none").max(240, "At most 240 minutes");

const fields = z.object({
  shop: short,
  timeZone: z.string().max(60).refine(isTimeZone, "Give a time zone such as Europe/Berlin"),
  /** The sign that stands behind prices. */
  currency: z
    .string()
    .trim()
    .min(1, "Give the sign of your money")
    .max(4, "A sign of at most 4 letters, such as € or CHF"),
  /** What lengths are shown in where a person has not chosen. */
  units: z.enum(["mm", "in"]),
  serviceLevel: z
    .number()
    .min(0.5, "Less than 0.5 would leave every second batch short")
    .max(0.999, "At most 0.999: nothing is ever sure"),
  /** How probable a promise must be kept to be made. */
  promiseLevel: z
    .number()
    .min(0.5, "Less than 0.5 would break every second promise")
    .max(0.99, "At most 0.99: nothing is ever sure"),
  /** Of a hundred days on which somebody would work, how many they are away unforeseen. */
  awayPercent: z.number().min(0, "Not less than none").max(40, "At most 40 days in a hundred"),
  tray: z.number().int().min(12, "A tray holds a dozen at least").max(1200, "At most 1200 flies"),
  windowDays: z.number().int().min(0).max(120, "At most 120 days"),
  restPerHour: z.number().int().min(0).max(45, "At most 45 minutes: else nobody ties any more"),
  seasons: z.array(z.object({ name: short, date: realDay })).max(60),
  holidays: z.array(daysOff).max(120),
  changeOver: z.object({ pattern: change, thread: change, hook: change }),
  /** What comes off from so many dozen of a pattern in one order. */
  breaks: z
    .array(
      z.object({
        dozens: z.number().int().min(2, "From 2 dozen at least").max(500, "At most 500 dozen"),
        percent: z.number().min(0.5, "Half a per cent at least").max(60, "At most 60 per cent"),
      }),
    )
    .max(6, "At most six breaks")
    .refine((all) => new Set(all.map((b) => b.dozens)).size === all.length, "Each number of dozens once"),
  rackPlaces: z.number().int().min(12, "A rack holds a dozen at least").max(100_000),
  /** Tools of which the room has only some: whoever ties a batch that needs one has it all the while. */
  sharedTools: z
    .array(sharedToolSchema)
    .max(20, "At most twenty shared tools")
    .refine((all) => new Set(all.map((t) => t.name.toLowerCase())).size === all.length, "Each tool once"),
  stations: z
    .array(stationSchema)
    .length(stationNames.length, "Each station once")
    .refine((all) => new Set(all.map((s) => s.name)).size === all.length, "Each station once"),
});
const holdsATray = {
  path: ["rackPlaces"],
  error: "The rack must hold a whole tray: else a full batch could never dry, and the plan would leave it out",
};
export const settingsSchema = fields;
/** Settings as a person gives them: such that the plan stays possible. */
export const givenSettings = fields.refine((s) => s.rackPlaces >= s.tray, holdsATray);
export type Settings = z.infer<typeof settingsSchema>;

const base = { room: "settings", params: none, query: none };
export const readSettings = endpoint({
  ...base,
  id: "readSettings",
  method: "get",
  path: "/settings",
  summary: "The settings of the room, with their version",
  permission: "see the room",
  body: none,
  reply: settingsSchema.extend({ version: rowVersion }),
});
export const saveSettings = endpoint({
  ...base,
  id: "saveSettings",
  method: "put",
  path: "/settings",
  summary: "Change the settings of the room",
  permission: "set up the room",
  body: fields.extend(versioned.shape).refine((s) => s.rackPlaces >= s.tray, holdsATray),
  reply: settingsSchema.extend({ version: rowVersion }),
});
/** What still has to be done before the first batch, each with where. */
export const beginnings = [
  "people",
  "hours",
  "hooks",
  "materials",
  "stock",
  "patterns",
  "customers",
  "orders",
] as const;
export const readBeginnings = endpoint({
  ...base,
  id: "readBeginnings",
  method: "get",
  path: "/settings/beginnings",
  summary: "How far a new room is set up",
  permission: "see the room",
  body: none,
  reply: z.object({ steps: z.array(z.object({ step: z.enum(beginnings), count: z.number().int() })) }),
});
export const settingsEndpoints = [readSettings, saveSettings, readBeginnings];

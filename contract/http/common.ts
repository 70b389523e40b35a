import { short, size, table } from "./texts";
import { z } from "zod";

export const none = z.object({});
/** The largest number that a whole column holds. */
const MOST_WHOLE = 2_147_483_647;
export const idParams = z.object({ id: z.string().min(1).max(60) });
export const uuidParams = z.object({ id: z.uuid() });
export const isoDay = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, "Write the day as year-month-day");
/** A day that is in the calendar, in years for which orders can be written. */
export const realDay = z.iso
  .date("Give a day of the calendar as year-month-day")
  .refine((day) => day >= "2000-01-01" && day < "3000-01-01", "Give a day between the years 2000 and 2999");
/** The version of a row that a person saw; 0 where it is not there yet. */
export const rowVersion = z.number().int().min(0).max(MOST_WHOLE);
export const versioned = z.object({ version: rowVersion });
export const done = z.object({ ok: z.literal(true) });
export const pageQuery = z.object({
  cursor: z.string().max(40).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(50),
});
/** Whole flies, as many as one order line may hold. */
export const flies = z.number().int("Flies are whole").min(1, "At least one fly").max(6000, "At most 500 dozen");

export const skuSchema = z.object({
  pattern: z.string().max(60),
  variant: z.string().max(60),
  form: z.string().max(60),
  size,
});

/** Questions that a recipe of sixty steps may ask. */
const MOST_WAYS = 200;
/** Schools that differ from the pattern's, as "step/question". */
export const waysSchema = z
  .record(z.string().max(160), short)
  .refine((t) => Object.keys(t).length <= MOST_WAYS, `No more than ${MOST_WAYS} ways`)
  .meta({ maxProperties: MOST_WAYS });
/** What is asked of a fly beside its pattern: parts left out, materials taken, ways, parts that are bought. */
export const askedSchema = z.strictObject({
  leave: z.array(z.string().max(80)).max(40).optional(),
  use: table(short, 40).optional(),
  methods: waysSchema.optional(),
  buy: z.array(z.string().max(60)).max(20).optional(),
});

/** Why a person lets something pass that a customer's rule speaks against. */
export const reasonWords = z.string().trim().min(3, "Say why, in a few words").max(200);
/** Rules that somebody has let pass, by name and with the reason: seen at every later station. */
export const exceptionSchema = z.object({
  rules: z.array(z.string()),
  reason: z.string(),
  by: z.string(),
  at: z.string(),
});
export type Exception = z.infer<typeof exceptionSchema>;

export const eventSchema = z.object({
  id: z.number().int(),
  at: z.string(),
  person: z.string(),
  kind: z.string(),
  sentence: z.string(),
});
export type HistoryEvent = z.infer<typeof eventSchema>;

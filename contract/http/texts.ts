import { isHookSize } from "@kasten/core/hooks";
import { z } from "zod";

/** A name, an id, a code. */
export const short = z.string().min(1).max(80);
/** The same where it may still be empty. */
export const words = z.string().max(80);
export const sentence = z.string().max(400);
/** Values by name, no more of them than this. */
export const table = <T extends z.ZodType>(value: T, most: number) =>
  z
    .record(short, value)
    .refine((t) => Object.keys(t).length <= most, `No more than ${most} of them`)
    .meta({ maxProperties: most });
/** A hook size as it is written: 14, 2/0. */
export const size = z.string().max(6);
/** The same where a hook of that size is to be made or measured. */
const made = {
  error: ({ input }: { input?: unknown }) =>
    `“${String(input)}” is not a hook size. Hooks come in 32 to 1 and in 1/0 to 10/0`,
};
export const hookSize = size.refine(isHookSize, made);
/** The same where nobody may have said it yet. */
export const hookSizeOrNone = size.refine((text) => text === "" || isHookSize(text), made);

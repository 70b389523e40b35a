import { z } from "zod";

/** A name, an id, a code. */
export const short = z.string().min(1).max(80);
/** The same where it may still be empty. */
export const words = z.string().max(80);
export const sentence = z.string().max(400);
/** A hook size as it is written: 14, 2/0. */
export const size = z.string().max(6);

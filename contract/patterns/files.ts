import { z } from "zod";
import { materialSchema } from "../materials";
import { short } from "../http";
import { recipeSchema } from "./recipe";

/**
 * Changed only together with docs/schema: a reader of an older version is told which one it needs. Version 2 added
 * what a
 * recipe's words may say (places on parts, lengths that end somewhere, acts that lay a strand by); every file of
 * version 1
 * is one of version 2.
 */
export const PATTERN_FORMAT = 2;
const FORMATS_READ = [1, PATTERN_FORMAT] as const;
/** A pattern as it is written to a file. */
export const patternFileSchema = z.strictObject({
  id: z
    .string()
    .max(60)
    .regex(/^[a-z0-9][a-z0-9-]{0,59}$/, "Small letters, digits and hyphens, at most 60"),
  name: short,
  style: short,
  origin: z.string().max(200).optional(),
  species: z.string().max(200).optional(),
  recipe: recipeSchema,
});
export type PatternFile = z.infer<typeof patternFileSchema>;

/** A file of patterns: with the blends and other materials that they use, so that another room can tie them. */
export const patternBookSchema = z.strictObject({
  format: z.literal("kasten-patterns"),
  version: z.literal(FORMATS_READ),
  patterns: z.array(patternFileSchema).min(1).max(2000),
  materials: z.array(materialSchema).max(2000).optional(),
});
export type PatternBook = z.infer<typeof patternBookSchema>;

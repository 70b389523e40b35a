import { z } from "zod";
import { endpoint, idParams, none, rowVersion } from "../http";
import { patternBookSchema, patternFileSchema } from "./files";
import { recipeSchema } from "./recipe";

const base = { room: "patterns", params: none, query: none, body: none };
const idList = z
  .string()
  .max(6000)
  .transform((text) => text.split(",").filter(Boolean))
  .pipe(z.array(z.string().max(80)).max(60));
export const readRecipes = endpoint({
  ...base,
  id: "readRecipes",
  method: "get",
  path: "/patterns/recipes",
  summary: "Recipes, as pattern or pattern@version, by comma",
  permission: "see the room",
  query: z.object({ of: idList }),
  reply: z.object({
    recipes: z.array(
      z.object({ id: z.string(), version: z.number().int(), current: z.boolean(), recipe: recipeSchema }),
    ),
  }),
});
export const patternVersions = endpoint({
  ...base,
  id: "patternVersions",
  method: "get",
  path: "/patterns/:id/versions",
  summary: "The versions of a pattern, newest first, and the batches that are bound to each",
  permission: "see the room",
  params: idParams,
  reply: z.object({
    versions: z.array(
      z.object({
        version: z.number().int(),
        at: z.string(),
        person: z.string().nullable(),
        note: z.string(),
        batches: z.array(z.number().int()),
      }),
    ),
  }),
});
export const savePattern = endpoint({
  ...base,
  id: "savePattern",
  method: "put",
  path: "/patterns/:id",
  summary: "Save a pattern as a new version; base is the version it was made from, 0 for a new pattern",
  permission: "write patterns",
  params: idParams,
  body: z.object({ base: rowVersion, note: z.string().max(400), pattern: patternFileSchema }),
  reply: z.object({ version: z.number().int(), missing: z.array(z.string()) }),
});
export const exportPatterns = endpoint({
  ...base,
  id: "exportPatterns",
  method: "get",
  path: "/patterns/file",
  summary: "Patterns as an open file, with the materials that they use",
  permission: "see the room",
  query: z.object({ of: idList }),
  reply: patternBookSchema,
});
export const importPatterns = endpoint({
  ...base,
  id: "importPatterns",
  method: "post",
  path: "/patterns/file",
  summary: "Take in a file of patterns: all of it, or nothing",
  permission: "write patterns",
  body: patternBookSchema,
  reply: z.object({
    added: z.array(z.string()),
    renewed: z.array(z.string()),
    same: z.array(z.string()),
    materials: z.array(z.string()),
  }),
});
export const patternEndpoints = [readRecipes, patternVersions, savePattern, exportPatterns, importPatterns];

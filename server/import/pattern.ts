import { patternFileSchema } from "@kasten/contract/patterns";
import { insert, type Db } from "../database/rows";
import { patternEntity, patternVersionEntity } from "../recipes";

/** One pattern file; its first version. */
export async function importPattern(db: Db, person: { id: string }, json: unknown): Promise<void> {
  const { id, name, style, origin = "", species = "", recipe } = patternFileSchema.parse(json);
  await insert(db, patternEntity, { id, name, style, origin, species, version: 1 });
  await insert(db, patternVersionEntity, { patternId: id, version: 1, recipe, personId: person.id });
}

import { sizeWithin } from "@kasten/core/hooks";
import { missingFrom, sameContent, type Recipe } from "@kasten/core/recipe";
import { missingWords } from "@kasten/core/sentences";
import { changesBetween } from "@kasten/core/versions";
import type { PatternFile } from "@kasten/contract/patterns";
import { insert, locked, update, type Db } from "../database/rows";
import { notFound, Problem, refused, taken } from "../http/problems";
import { changedMeanwhile } from "../http/versions";
import { logEvent } from "../log";
import { patternEntity, patternVersionEntity, recipeKey, recipesOf } from "../recipes";
import { awaitedOf, versionRows } from "./queries";

type Who = { id: string };

export async function versionsOf(db: Db, id: string) {
  const versions = await versionRows(db, id);
  if (versions.length === 0) throw notFound("pattern");
  return versions.map((v) => ({ ...v, at: v.at.toISOString() }));
}

/** Open orders must stay possible: a version may not take away a colour, form or size that somebody waits for. */
async function guardOpenOrders(db: Db, id: string, recipe: Recipe): Promise<void> {
  const lost = (await awaitedOf(db, id)).filter(
    (l) =>
      !recipe.variants.some((v) => v.id === l.variant) ||
      !recipe.forms.some((f) => f.id === l.form) ||
      (recipe.sizes.from !== "" && recipe.sizes.to !== "" && !sizeWithin(l.size, recipe.sizes)),
  );
  const [first] = lost;
  if (first)
    throw refused(
      `Order ${lost.map((l) => l.order).join(", ")} waits for this pattern in ${first.variant}, ${first.form}, size ${first.size}, which this version no longer has. Keep it until the order is sent.`,
    );
}

/** A new version; the ones before stay as they are, and batches stay bound to theirs. */
export async function saveVersion(
  db: Db,
  person: Who,
  id: string,
  input: { base: number; note: string; pattern: PatternFile },
): Promise<{ version: number; missing: string[] }> {
  const { base, note, pattern } = input;
  const { name, style, origin = "", species = "", recipe } = pattern;
  if (pattern.id !== id) throw refused("The pattern in the body has another id than the address.");
  const now = await locked(db, patternEntity, { id });
  if (now && base === 0)
    throw taken("pattern", `A pattern “${now.name}” is here already. Give the new one another name.`);
  if (!now && base !== 0) throw notFound("pattern");
  if (now && now.version !== base) throw await otherVersion(db, id, base, now.version, recipe);
  if (now) await guardOpenOrders(db, id, recipe);
  const version = base + 1;
  const values = { name, style, origin, species, version };
  if (now) await update(db, patternEntity, { id }, values);
  else await insert(db, patternEntity, { id, ...values });
  await insert(db, patternVersionEntity, { patternId: id, version, recipe, personId: person.id, note });
  const told = now ? `Saved ${name} as version ${version}${note ? `: ${note}` : ""}` : `Wrote the pattern ${name}`;
  await logEvent(db, person, "pattern", id, now ? "changed" : "written", told);
  return { version, missing: missingFrom(recipe).map(missingWords) };
}

/** Somebody saved in the meantime: what theirs changed, so that nothing typed is lost. */
async function otherVersion(db: Db, id: string, base: number, current: number, mine: Recipe): Promise<Problem> {
  const both = await recipesOf(db, [
    { id, version: base },
    { id, version: current },
  ]);
  const theirs = both.get(recipeKey(id, current));
  const old = both.get(recipeKey(id, base));
  const changes = theirs && old ? changesBetween(old, theirs, (code) => code) : [];
  return changedMeanwhile(
    current,
    changes.map((c) => ({ field: c.where, yours: c.before ?? "", theirs: c.after ?? "" })),
    theirs && sameContent(theirs, mine)
      ? "Somebody saved just the same: open it again."
      : `Version ${current} was saved while you wrote on version ${base}. Look at what changed, and save yours on top of it if it still holds.`,
  );
}

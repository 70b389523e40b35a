import { DomainError } from "@kasten/core/errors";
import { sizeNumber, sizeWithin } from "@kasten/core/hooks";
import { changesBetween, missingFrom, sameContent, type Recipe } from "@kasten/core/patterns";
import type { PatternFile } from "@kasten/contract/patterns";
import type { EntityManager } from "typeorm";
import { row, rows } from "../database/source";
import { logEvent } from "../http/log";
import { notFound, Problem, refused } from "../http/problems";
import { recipeKey, recipesOf } from "./recipes";

type Who = { id: string };

export async function versionsOf(db: EntityManager, id: string) {
  const versions = await rows<{ version: number; at: Date; person: string | null; note: string; batches: number[] }>(
    db,
    `SELECT v.version, v.at, p.name AS person, v.note,
       COALESCE((SELECT json_agg(b.number ORDER BY b.number) FROM batch b WHERE b.pattern_id = v.pattern_id AND b.pattern_version = v.version AND b.state NOT IN ('finished', 'dissolved')), '[]') AS batches
     FROM pattern_version v LEFT JOIN person p ON p.id = v.person_id WHERE v.pattern_id = $1 ORDER BY v.version DESC`,
    [id],
  );
  if (versions.length === 0) throw notFound("pattern");
  return versions.map((v) => ({ ...v, at: v.at.toISOString() }));
}

/** Sizes that can be read, or a refusal that names the field. Empty ones are allowed: the pattern is then incomplete. */
function guardSizes(recipe: Recipe): void {
  const spans = [
    ["recipe.sizes", recipe.sizes] as const,
    ...recipe.steps.flatMap((s, i) =>
      (s.bySize ?? []).map((b, j) => [`recipe.steps.${i}.bySize.${j}.sizes`, b.sizes] as const),
    ),
  ];
  const errors = spans.flatMap(([path, span]) =>
    (["from", "to"] as const).flatMap((end) => {
      if (span[end] === "" && path === "recipe.sizes") return [];
      try {
        sizeNumber(span[end]);
        return [];
      } catch (error) {
        if (!(error instanceof DomainError)) throw error;
        return [
          {
            path: `${path}.${end}`,
            detail: `“${span[end]}” is not a hook size. Write a number such as 14, or an aught size such as 2/0.`,
          },
        ];
      }
    }),
  );
  if (errors.length > 0)
    throw new Problem(422, "invalid", "A size cannot be read", errors.map((e) => e.detail).join(" "), { errors });
}

/** Open orders must stay possible: a version may not take away a colour, form or size that somebody waits for. */
async function guardOpenOrders(db: EntityManager, id: string, recipe: Recipe): Promise<void> {
  const lines = await rows<{ order: number; variant: string; form: string; size: string }>(
    db,
    `SELECT DISTINCT o.number AS "order", l.variant, l.form, l.size FROM order_line l JOIN customer_order o ON o.id = l.order_id WHERE l.pattern_id = $1 AND o.closed_at IS NULL AND NOT l.cancelled`,
    [id],
  );
  const lost = lines.filter(
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
  db: EntityManager,
  person: Who,
  id: string,
  input: { base: number; note: string; pattern: PatternFile },
): Promise<{ version: number; missing: string[] }> {
  const { base, note, pattern } = input;
  if (pattern.id !== id) throw refused("The pattern in the body has another id than the address.");
  const recipe = pattern.recipe as Recipe;
  guardSizes(recipe);
  const now = await row<{ version: number; name: string }>(
    db,
    "SELECT version, name FROM pattern WHERE id = $1 FOR UPDATE",
    [id],
  );
  if (now && base === 0)
    throw new Problem(
      409,
      "taken",
      "That name is taken",
      `A pattern “${now.name}” is here already. Give the new one another name.`,
    );
  if (!now && base !== 0) throw notFound("pattern");
  if (now && now.version !== base) throw await otherVersion(db, id, base, now.version, recipe);
  if (now) await guardOpenOrders(db, id, recipe);
  const version = base + 1;
  const values = [id, pattern.name, pattern.style, pattern.origin ?? "", pattern.species ?? "", version];
  if (now)
    await db.query(
      "UPDATE pattern SET name = $2, style = $3, origin = $4, species = $5, version = $6 WHERE id = $1",
      values,
    );
  else
    await db.query(
      "INSERT INTO pattern (id, name, style, origin, species, version) VALUES ($1, $2, $3, $4, $5, $6)",
      values,
    );
  await db.query(
    "INSERT INTO pattern_version (pattern_id, version, recipe, person_id, note) VALUES ($1, $2, $3, $4, $5)",
    [id, version, JSON.stringify(recipe), person.id, note],
  );
  await logEvent(
    db,
    person,
    "pattern",
    id,
    now ? "changed" : "written",
    now ? `Saved ${pattern.name} as version ${version}${note ? `: ${note}` : ""}` : `Wrote the pattern ${pattern.name}`,
  );
  return { version, missing: missingFrom(recipe) };
}

/** Somebody saved in the meantime: what theirs changed, so that nothing typed is lost. */
async function otherVersion(
  db: EntityManager,
  id: string,
  base: number,
  current: number,
  mine: Recipe,
): Promise<Problem> {
  const both = await recipesOf(db, [
    { id, version: base },
    { id, version: current },
  ]);
  const theirs = both.get(recipeKey(id, current));
  const old = both.get(recipeKey(id, base));
  const changes =
    theirs && old
      ? changesBetween(old, theirs, (code) => code).map((c) => ({
          field: c.where,
          yours: c.before ?? "",
          theirs: c.after ?? "",
        }))
      : [];
  const clash = theirs && sameContent(theirs, mine);
  return new Problem(
    409,
    "stale",
    "Somebody else saved this pattern",
    clash
      ? "Somebody saved just the same: open it again."
      : `Version ${current} was saved while you wrote on version ${base}. Look at what changed, and save yours on top of it if it still holds.`,
    { changes, version: current },
  );
}

import { differencesBetween } from "@kasten/core/needs";
import { normalSize } from "@kasten/core/hooks";
import { hookOf } from "@kasten/core/recipe";
import type { HookEffect, HookModelData } from "@kasten/contract/hooks";
import type { Db } from "../database/rows";
import { computeBatch, openBatches, readLearned } from "../batches";
import { notFound } from "../http/problems";
import type { World } from "../world";

type Row = HookModelData["rows"][number];

const swapped = (world: World, id: string, change: (rows: Row[]) => Row[]): World => {
  const model = world.hooks.get(id);
  if (!model) throw notFound("hook");
  return { ...world, hooks: new Map([...world.hooks, [id, { ...model, rows: change(model.rows) }]]) };
};

/** The room as it would be with these measurements; what a row leaves out stays as it was. */
export const withRows = (world: World, id: string, measured: Row[]): World =>
  swapped(world, id, (rows) => {
    const by = new Map(rows.map((r) => [r.size, r]));
    for (const m of measured) {
      const size = normalSize(m.size);
      const given = Object.fromEntries(Object.entries(m).filter(([, v]) => v !== undefined));
      by.set(size, { ...by.get(size), ...given, size });
    }
    return [...by.values()];
  });

export const withoutRow = (world: World, id: string, size: string): World =>
  swapped(world, id, (rows) => rows.filter((r) => r.size !== size));

/** What the open batches on this hook would need more or less of. */
export async function effectOf(db: Db, id: string, before: World, after: World): Promise<HookEffect> {
  const learned = await readLearned(db);
  const open = (await openBatches(db)).filter((b) => {
    const recipe = before.recipes.get(`${b.pattern}@${b.patternVersion}`)?.recipe;
    return recipe !== undefined && hookOf(recipe, b) === id;
  });
  const batches = open.map((b) => {
    const [was, is] = [computeBatch(before, learned, b), computeBatch(after, learned, b)];
    return {
      id: b.id,
      number: b.number,
      pattern: b.patternName,
      size: b.size,
      state: b.state,
      fault: is.fault ?? null,
      changes: is.fault
        ? []
        : differencesBetween(was.requirements, is.requirements).map(
            ({ role, materialName, unit, before: x, after: y }) => ({ role, materialName, unit, before: x, after: y }),
          ),
    };
  });
  return { batches: batches.filter((b) => b.changes.length > 0 || b.fault !== null) };
}

import { plainParts, type Material, type OpenedBlends } from "@kasten/core/materials";
import { DomainError } from "@kasten/core/errors";
import { sentenceOf } from "@kasten/core/sentences";
import { sameContent, type Recipe } from "@kasten/core/recipe";
import { PATTERN_FORMAT, type PatternBook, type PatternFile } from "@kasten/contract/patterns";
import type { Db } from "../database/rows";
import { Problem } from "../http/problems";
import { drawerFor, insertMaterial, type KeptMaterial } from "../materials";
import { currentVersions } from "../recipes";
import { readWorld, type World } from "../world";
import { saveVersion } from "./versions";

type Who = { id: string };

/** Codes of a recipe's materials: of every size, colour and form, bought parts and alternates. */
export const codesOf = (recipe: Recipe): string[] => [...new Set(materialsNamedIn(recipe).map((m) => m.code))];

/** Patterns as a file, with what they are tied of; blends with their parts. Nothing asked for: all of them. */
export async function bookOf(db: Db, ids: string[]): Promise<PatternBook> {
  const world = await readWorld(db);
  const chosen = [...world.patterns.values()].filter((p) => ids.length === 0 || ids.includes(p.id));
  if (chosen.length === 0) throw new Problem("not-found", "Not found", "None of these patterns is here.");
  const codes = new Set(chosen.flatMap((p) => codesOf(p.recipe)));
  for (const code of [...codes]) addParts(code, world, codes);
  return {
    format: "kasten-patterns",
    version: PATTERN_FORMAT,
    patterns: chosen.map((p): PatternFile => ({
      id: p.id,
      name: p.name,
      style: p.style,
      ...(p.origin && { origin: p.origin }),
      ...(p.species && { species: p.species }),
      recipe: p.recipe,
    })),
    materials: [...codes].sort().flatMap((code) => withoutVersion(world.materials.get(code))),
  };
}

/** A file tells what a material is, not how often this room has changed it. */
function withoutVersion(material: KeptMaterial | undefined): Material[] {
  if (!material) return [];
  const { version: _version, ...plain } = material;
  return [plain];
}

function addParts(code: string, world: World, into: Set<string>): void {
  for (const part of Object.keys(world.materials.get(code)?.blend?.parts ?? {}))
    if (!into.has(part)) {
      into.add(part);
      addParts(part, world, into);
    }
}

interface Wrong {
  path: string;
  detail: string;
}

/** What is wrong with a file beyond its shape: blends that turn in circles, one id twice, hooks that nobody knows. */
function wrongIn(book: PatternBook, world: World): Wrong[] {
  const cabinet = new Map<string, Material>([
    ...world.materials,
    ...(book.materials ?? []).map((m): [string, Material] => [m.code, m]),
  ]);
  const wrong: Wrong[] = [];
  const seen = new Set<string>();
  book.patterns.forEach((p, i) => {
    if (seen.has(p.id)) wrong.push({ path: `patterns.${i}.id`, detail: `“${p.id}” stands twice in the file.` });
    seen.add(p.id);
    if (p.recipe.hookModel && !world.hooks.has(p.recipe.hookModel))
      wrong.push({
        path: `patterns.${i}.recipe.hookModel`,
        detail: `No hook model “${p.recipe.hookModel}” is here. Add it under Hooks first.`,
      });
    for (const { path, code } of materialsNamedIn(p.recipe))
      if (!cabinet.has(code))
        wrong.push({
          path: `patterns.${i}.recipe.${path}`,
          detail: `The material “${code}” is neither in the file nor in the cabinet.`,
        });
    const steps = new Set<string>();
    p.recipe.steps.forEach((s, j) => {
      if (steps.has(s.id))
        wrong.push({ path: `patterns.${i}.recipe.steps.${j}.id`, detail: `“${s.id}” names two steps.` });
      steps.add(s.id);
    });
  });
  const opened: OpenedBlends = new Map();
  (book.materials ?? []).forEach((m, i) => {
    try {
      plainParts(m.code, cabinet, opened);
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      wrong.push({ path: `materials.${i}.blend`, detail: sentenceOf(error) });
    }
  });
  return wrong;
}

async function addMaterials(db: Db, book: PatternBook, world: World): Promise<string[]> {
  const added = (book.materials ?? []).filter((m) => !world.materials.has(m.code));
  if (added.length === 0) return [];
  const drawer = await drawerFor(db);
  for (const m of added) await insertMaterial(db, m, drawer);
  return added.map((m) => m.code);
}

/**
 * Every material that a recipe names, with where it names it: its parts, what may take their place, and what colours
 * and forms swap.
 */
function materialsNamedIn(recipe: Pick<Recipe, "components" | "variants" | "forms">): { path: string; code: string }[] {
  const bySize = (path: string, list: { value: string }[]) =>
    list.map((m, k) => ({ path: `${path}.${k}.value`, code: m.value }));
  const swaps = (path: string, of: Record<string, { value: string }[]> | undefined) =>
    Object.entries(of ?? {}).flatMap(([id, list]) => bySize(`${path}.swaps.${id}`, list));
  return [
    ...recipe.components.flatMap((c, j) => [
      ...bySize(`components.${j}.material`, c.material),
      ...(c.alternates ?? []).map((a, k) => ({ path: `components.${j}.alternates.${k}.material`, code: a.material })),
      ...(c.bought ? [{ path: `components.${j}.bought.material`, code: c.bought.material }] : []),
    ]),
    ...recipe.variants.flatMap((v, j) => swaps(`variants.${j}`, v.swaps)),
    ...recipe.forms.flatMap((f, j) => swaps(`forms.${j}`, f.swaps)),
  ];
}

/**
 * Take in a file: every pattern, or none. A pattern that is here already gets a new version, unless nothing differs.
 */
export async function takeIn(
  db: Db,
  person: Who,
  book: PatternBook,
): Promise<{ added: string[]; renewed: string[]; same: string[]; materials: string[] }> {
  const world = await readWorld(db);
  const wrong = wrongIn(book, world);
  if (wrong.length > 0)
    throw new Problem(
      "import-refused",
      "Nothing was imported",
      wrong
        .map((w) => w.detail)
        .slice(0, 5)
        .join(" "),
      { errors: wrong },
    );
  const materials = await addMaterials(db, book, world);
  const result: { added: string[]; renewed: string[]; same: string[] } = { added: [], renewed: [], same: [] };
  const versions = await currentVersions(
    db,
    book.patterns.map((p) => p.id),
  );
  for (const pattern of book.patterns) {
    const here = world.patterns.get(pattern.id);
    if (here && isSame(here, pattern)) result.same.push(pattern.name);
    else {
      await saveVersion(db, person, pattern.id, { base: versions.get(pattern.id) ?? 0, note: "from a file", pattern });
      (here ? result.renewed : result.added).push(pattern.name);
    }
  }
  return { ...result, materials };
}

const isSame = (here: World["patterns"] extends Map<string, infer P> ? P : never, file: PatternFile): boolean =>
  here.name === file.name &&
  here.style === file.style &&
  here.origin === (file.origin ?? "") &&
  here.species === (file.species ?? "") &&
  sameContent(here.recipe, file.recipe);

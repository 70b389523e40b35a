import type { HookModel } from "@kasten/core/hooks";
import type { Material } from "@kasten/core/materials";
import type { Recipe } from "@kasten/core/patterns";
import { missingFrom } from "@kasten/core/patterns";
import type { Customer, PatternEntry, Settings } from "@kasten/contract/patterns";
import type { HookModelData } from "@kasten/contract/hooks";
import type { EntityManager } from "typeorm";
import { rows } from "../database/source";
import { recipeKey, recipesOf } from "./recipes";
import { readSettings } from "./settings";

/** All that the computation draws on, read with a fixed number of queries. */
export interface World {
  settings: Settings;
  materials: Map<string, Material>;
  hooks: Map<string, HookModelData & HookModel>;
  patterns: Map<string, PatternEntry & { recipe: Recipe }>;
  /** Recipes by "pattern@version", current ones and those of open batches. */
  recipes: Map<string, { recipe: Recipe; name: string }>;
}

interface MaterialRow {
  code: string;
  name: string;
  form: Material["form"];
  unit: Material["unit"];
  colour: string | null;
  colourName: string | null;
  lead: boolean;
  controlledSpecies: string | null;
  caution: string | null;
  measured: boolean;
  figures: Partial<Material>;
}

const toMaterial = ({ figures, colour, colourName, controlledSpecies, caution, ...rest }: MaterialRow): Material => ({
  ...figures,
  ...rest,
  colour: colour ?? undefined,
  colourName: colourName ?? undefined,
  controlledSpecies: controlledSpecies ?? undefined,
  caution: caution ?? undefined,
});

interface SizeRow {
  modelId: string;
  size: string;
  shank: number | null;
  gape: number | null;
  wire: number | null;
  eye: number | null;
  mass: number | null;
}

const mm = (um: number | null): number | undefined => (um === null ? undefined : um / 1000);

async function readHooks(db: EntityManager): Promise<World["hooks"]> {
  const models = await rows<
    Omit<HookModelData, "rows" | "landmarks"> & { landmarks: HookModelData["landmarks"] | null }
  >(
    db,
    `SELECT id, name, family, bend, shank_steps AS "shankSteps", wire_steps AS "wireSteps", gape_steps AS "gapeSteps", points, eye_form AS "eyeForm", finish, wire_reason AS "wireReason", near, barbless, landmarks FROM hook_model ORDER BY id`,
  );
  const sizes = await rows<SizeRow>(
    db,
    `SELECT model_id AS "modelId", size, shank_um AS shank, gape_um AS gape, wire_um AS wire, eye_um AS eye, mass_ug AS mass FROM hook_size`,
  );
  return new Map(
    models.map((m) => [
      m.id,
      {
        ...m,
        landmarks: m.landmarks ?? undefined,
        rows: sizes
          .filter((s) => s.modelId === m.id)
          .map((s) => ({
            size: s.size,
            shank: mm(s.shank),
            gape: mm(s.gape),
            wire: mm(s.wire),
            eye: mm(s.eye),
            mass: mm(s.mass),
          })),
      },
    ]),
  );
}

interface PatternRow {
  id: string;
  name: string;
  style: string;
  origin: string;
  species: string;
  version: number;
  current: boolean;
}

type OfRecipe = Omit<PatternEntry, "id" | "name" | "style" | "origin" | "species" | "version">;
/** What follows from a recipe alone is worked out once for as long as the recipe is kept. */
const derived = new WeakMap<Recipe, OfRecipe>();

/** What lists and orders need of a pattern. */
export function entryOf(p: Omit<PatternRow, "current">, recipe: Recipe): PatternEntry {
  const known = derived.get(recipe) ?? fromRecipe(recipe);
  derived.set(recipe, known);
  return { id: p.id, name: p.name, style: p.style, origin: p.origin, species: p.species, version: p.version, ...known };
}

function fromRecipe(recipe: Recipe): OfRecipe {
  const swapped = [...recipe.variants.map((v) => v.swaps), ...recipe.forms.map((f) => f.swaps ?? {})].flatMap((s) =>
    Object.values(s).flat(),
  );
  const own = recipe.components.flatMap((c) => [...c.material, ...(c.bought ? [{ value: c.bought.material }] : [])]);
  return {
    hookModel: recipe.hookModel,
    sizes: recipe.sizes,
    variants: recipe.variants.map(({ id, name }) => ({ id, name })),
    forms: recipe.forms.map(({ id, name }) => ({ id, name })),
    minutesPerFly: recipe.minutesPerFly,
    pricePerDozenCents: recipe.pricePerDozenCents,
    sample: recipe.sample ?? false,
    skills: [...new Set([...recipe.skills, ...recipe.steps.flatMap((s) => s.skills ?? [])])],
    materials: [...new Set([...own, ...swapped].map((m) => m.value))],
    missing: missingFrom(recipe),
  };
}

/** Newest version by pattern; patterns that are not there are left out. */
export const currentVersions = async (db: EntityManager, ids: string[]): Promise<Map<string, number>> =>
  new Map(
    (await rows<{ id: string; version: number }>(db, "SELECT id, version FROM pattern WHERE id = ANY($1)", [ids])).map(
      (r) => [r.id, r.version],
    ),
  );

export async function readWorld(db: EntityManager): Promise<World> {
  const settings = await readSettings(db);
  const hooks = await readHooks(db);
  const materials = await rows<MaterialRow>(
    db,
    `SELECT code, name, form, unit, colour, colour_name AS "colourName", lead, controlled_species AS "controlledSpecies", caution, measured, figures FROM material ORDER BY code`,
  );
  const versions = await rows<PatternRow>(
    db,
    `SELECT p.id, p.name, p.style, p.origin, p.species, v.version, v.version = p.version AS current FROM pattern p JOIN pattern_version v ON v.pattern_id = p.id
     WHERE v.version = p.version OR (v.pattern_id, v.version) IN (SELECT b.pattern_id, b.pattern_version FROM batch b WHERE b.state NOT IN ('finished', 'dissolved')) ORDER BY p.name`,
  );
  const recipes = await recipesOf(db, versions);
  const recipe = (v: PatternRow): Recipe => recipes.get(recipeKey(v.id, v.version)) as Recipe;
  return {
    settings,
    hooks,
    materials: new Map(materials.map((m) => [m.code, toMaterial(m)])),
    recipes: new Map(versions.map((v) => [recipeKey(v.id, v.version), { recipe: recipe(v), name: v.name }])),
    patterns: new Map(
      versions
        .filter((v) => v.current)
        .map(({ current: _current, ...v }) => [
          v.id,
          { ...entryOf(v, recipe({ ...v, current: true })), recipe: recipe({ ...v, current: true }) },
        ]),
    ),
  };
}

export const readCustomers = (db: EntityManager): Promise<Customer[]> =>
  rows<Customer>(db, "SELECT id, name, kind, rank, policy, destination, note FROM customer ORDER BY name");

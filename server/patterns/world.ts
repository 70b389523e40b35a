import type { HookModel } from "@kasten/core/hooks";
import type { Material } from "@kasten/core/materials";
import type { Recipe } from "@kasten/core/patterns";
import { missingFrom } from "@kasten/core/patterns";
import type { Customer, PatternData, Settings } from "@kasten/contract/patterns";
import type { HookModelData } from "@kasten/contract/hooks";
import type { EntityManager } from "typeorm";
import { rows } from "../database/source";
import { readSettings } from "./settings";

/** All that the computation draws on, read with a fixed number of queries. */
export interface World {
  settings: Settings;
  materials: Map<string, Material>;
  hooks: Map<string, HookModelData & HookModel>;
  patterns: Map<string, PatternData>;
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
  ...figures, ...rest, colour: colour ?? undefined, colourName: colourName ?? undefined, controlledSpecies: controlledSpecies ?? undefined, caution: caution ?? undefined,
});

interface SizeRow {
  modelId: string;
  size: string;
  shank: number | null;
  gape: number | null;
  wire: number | null;
  eye: number | null;
}

const mm = (um: number | null): number | undefined => (um === null ? undefined : um / 1000);

async function readHooks(db: EntityManager): Promise<World["hooks"]> {
  const models = await rows<Omit<HookModelData, "rows" | "landmarks"> & { landmarks: HookModelData["landmarks"] | null }>(
    db,
    `SELECT id, name, family, bend, shank_steps AS "shankSteps", wire_steps AS "wireSteps", barbless, landmarks FROM hook_model ORDER BY id`,
  );
  const sizes = await rows<SizeRow>(db, `SELECT model_id AS "modelId", size, shank_um AS shank, gape_um AS gape, wire_um AS wire, eye_um AS eye FROM hook_size`);
  return new Map(
    models.map((m) => [
      m.id,
      {
        ...m,
        landmarks: m.landmarks ?? undefined,
        rows: sizes.filter((s) => s.modelId === m.id).map((s) => ({ size: s.size, shank: mm(s.shank), gape: mm(s.gape), wire: mm(s.wire), eye: mm(s.eye) })),
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
  recipe: Recipe;
}

export async function readWorld(db: EntityManager): Promise<World> {
  const [settings, hooks, materials, versions] = [
    await readSettings(db),
    await readHooks(db),
    await rows<MaterialRow>(db, `SELECT code, name, form, unit, colour, colour_name AS "colourName", lead, controlled_species AS "controlledSpecies", caution, measured, figures FROM material ORDER BY code`),
    await rows<PatternRow>(
      db,
      `SELECT p.id, p.name, p.style, p.origin, p.species, v.version, v.version = p.version AS current, v.recipe FROM pattern p JOIN pattern_version v ON v.pattern_id = p.id
       WHERE v.version = p.version OR EXISTS (SELECT 1 FROM batch b WHERE b.pattern_id = p.id AND b.pattern_version = v.version AND b.state NOT IN ('finished', 'dissolved')) ORDER BY p.name`,
    ),
  ];
  return {
    settings,
    hooks,
    materials: new Map(materials.map((m) => [m.code, toMaterial(m)])),
    recipes: new Map(versions.map((v) => [`${v.id}@${v.version}`, { recipe: v.recipe, name: v.name }])),
    patterns: new Map(
      versions.filter((v) => v.current).map(({ current: _current, ...v }) => [v.id, { ...v, recipe: v.recipe as PatternData["recipe"], missing: missingFrom(v.recipe) }]),
    ),
  };
}

export const readCustomers = (db: EntityManager): Promise<Customer[]> => rows<Customer>(db, "SELECT id, name, kind, rank, policy, destination, note FROM customer ORDER BY name");

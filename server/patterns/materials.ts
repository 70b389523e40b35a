import { DomainError, sentenceOf } from "@kasten/core/errors";
import { plainParts, type Material } from "@kasten/core/materials";
import type { EntityManager } from "typeorm";
import { row } from "../database/source";
import { logEvent } from "../http/log";
import { Problem, refused } from "../http/problems";
import { readWorld } from "./world";

/** Materials that are only named wait here until somebody gives them a drawer of their own. */
const NEW_DRAWER = "NEW";

/** The drawer of that code, made when it is not there yet. */
export async function drawerFor(db: EntityManager, code = NEW_DRAWER): Promise<number> {
  const name = code === NEW_DRAWER ? "Newly named, no drawer yet" : `Drawer ${code}`;
  await db.query("INSERT INTO place (kind, code, name) VALUES ('drawer', $1, $2) ON CONFLICT (code) DO NOTHING", [
    code,
    name,
  ]);
  const drawer = await row<{ id: number; kind: string }>(db, "SELECT id, kind FROM place WHERE code = $1", [code]);
  if (drawer?.kind !== "drawer") throw refused(`“${code}” is not a drawer. Give a drawer's code, such as A12.`);
  return drawer.id;
}

const columnsOf = ({
  code,
  name,
  form,
  unit,
  colour,
  colourName,
  lead,
  controlledSpecies,
  caution,
  measured,
  ...figures
}: Material) =>
  [
    code,
    name,
    form,
    unit,
    colour ?? null,
    colourName ?? null,
    lead,
    controlledSpecies ?? null,
    caution ?? null,
    JSON.stringify(figures),
    measured,
  ] as const;

export const insertMaterial = (db: EntityManager, material: Material, drawer: number): Promise<unknown> =>
  db.query(
    "INSERT INTO material (code, name, form, unit, colour, colour_name, lead, controlled_species, caution, figures, measured, drawer_id) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)",
    [...columnsOf(material), drawer],
  );

/** Adds a material, or changes what is known of one. What is in stock keeps its unit. */
export async function keepMaterial(
  db: EntityManager,
  person: { id: string },
  code: string,
  material: Material,
  drawer: string | undefined,
): Promise<void> {
  if (material.code !== code) throw refused("The material in the body has another code than the address.");
  const world = await readWorld(db);
  guardBlend(new Map([...world.materials, [code, material]]), code);
  const known = world.materials.get(code);
  if (!known) await insertMaterial(db, material, await drawerFor(db, drawer));
  else {
    if (known.unit !== material.unit && (await row(db, "SELECT 1 FROM lot WHERE material_code = $1 LIMIT 1", [code])))
      throw refused(
        `${known.name} is in stock by another unit; its lots would no longer mean the same. Add it under a code of its own.`,
      );
    await db.query(
      "UPDATE material SET name = $2, form = $3, unit = $4, colour = $5, colour_name = $6, lead = $7, controlled_species = $8, caution = $9, figures = $10, measured = $11 WHERE code = $1",
      [...columnsOf(material)],
    );
    if (drawer !== undefined)
      await db.query("UPDATE material SET drawer_id = $2 WHERE code = $1", [code, await drawerFor(db, drawer)]);
  }
  await logEvent(
    db,
    person,
    "stock",
    code,
    known ? "described" : "added",
    known ? `Changed what is known of ${material.name}` : `Added ${material.name} to the cabinet`,
  );
}

/** A blend, and every blend that it is part of, must come down to plain materials that are there. */
function guardBlend(cabinet: Map<string, Material>, code: string): void {
  for (const [other, m] of cabinet) {
    if (other !== code && m.blend?.parts[code] === undefined) continue;
    try {
      plainParts(other, cabinet);
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      throw new Problem(422, "invalid", "The blend cannot be mixed", sentenceOf(error), {
        errors: [{ path: "material.blend.parts", detail: sentenceOf(error) }],
      });
    }
  }
}

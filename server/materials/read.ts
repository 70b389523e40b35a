import type { Material } from "@kasten/core/materials";
import type { Db } from "../database/rows";
import { materialEntity, type MaterialRow } from "./entities";

/** A material with the version of its row, which whoever changes it names. */
export type KeptMaterial = Material & { version: number };

const toMaterial = (row: MaterialRow): KeptMaterial => {
  const { figures, colour, colourName, controlledSpecies, caution, drawerId: _drawer, ...rest } = row;
  return {
    ...figures,
    ...rest,
    colour: colour ?? undefined,
    colourName: colourName ?? undefined,
    controlledSpecies: controlledSpecies ?? undefined,
    caution: caution ?? undefined,
  };
};

/** The whole cabinet, by code. */
export async function readMaterials(db: Db): Promise<Map<string, KeptMaterial>> {
  const rows = await db.getRepository(materialEntity).find({ order: { code: "ASC" } });
  return new Map(rows.map((m) => [m.code, toMaterial(m)]));
}

/** A material as its row has it. */
export function rowOf(material: Material, drawerId: number): Omit<MaterialRow, "version"> {
  const { code, name, form, unit, colour, colourName, lead, controlledSpecies, caution, measured, ...figures } =
    material;
  return {
    code,
    name,
    form,
    unit,
    colour: colour ?? null,
    colourName: colourName ?? null,
    lead,
    controlledSpecies: controlledSpecies ?? null,
    caution: caution ?? null,
    figures,
    measured,
    drawerId,
  };
}

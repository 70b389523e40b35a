import { EntitySchema } from "typeorm";
import type { Material } from "@kasten/core/materials";
import type { StockUnit } from "@kasten/core/units";
import { flag, int, jsonb, optional, refers, text, version } from "../database/columns";

/** What is asked for by name stands in columns of its own; the figures of a form in one of their own. */
export interface MaterialRow {
  code: string;
  name: string;
  form: Material["form"];
  unit: StockUnit;
  colour: string | null;
  colourName: string | null;
  lead: boolean;
  controlledSpecies: string | null;
  caution: string | null;
  figures: Partial<Material>;
  measured: boolean;
  drawerId: number;
  version: number;
}

export const materialEntity = new EntitySchema<MaterialRow>({
  name: "material",
  columns: {
    code: text({ primary: true }),
    name: text(),
    form: text(),
    unit: text(),
    colour: text(optional),
    colourName: text(optional),
    lead: flag(),
    controlledSpecies: text(optional),
    caution: text(optional),
    figures: jsonb({ default: {} }),
    measured: flag(),
    drawerId: int(refers("place")),
    version,
  },
  checks: [{ name: "material_unit_check", expression: "unit IN ('count', 'um', 'ug', 'nl')" }],
});

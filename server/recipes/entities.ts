import { EntitySchema } from "typeorm";
import type { Recipe } from "@kasten/core/recipe";
import { int, jsonb, optional, refers, text, uuid, written } from "../database/columns";

export interface PatternRow {
  id: string;
  name: string;
  style: string;
  origin: string;
  species: string;
  /** The newest version, counted by the room: not a column that TypeORM counts. */
  version: number;
}

export const patternEntity = new EntitySchema<PatternRow>({
  name: "pattern",
  columns: {
    id: text({ primary: true }),
    name: text({ unique: true }),
    style: text(),
    origin: text({ default: "" }),
    species: text({ default: "" }),
    version: int({ default: 1 }),
  },
});

export interface PatternVersionRow {
  patternId: string;
  version: number;
  recipe: Recipe;
  at: Date;
  personId: string | null;
  note: string;
}

/** Versions are kept as they are, for ever. */
export const patternVersionEntity = new EntitySchema<PatternVersionRow>({
  name: "pattern_version",
  columns: {
    patternId: text({ primary: true, ...refers("pattern") }),
    version: int({ primary: true }),
    recipe: jsonb(),
    at: written(),
    personId: uuid({ ...optional, ...refers("person") }),
    note: text({ default: "" }),
  },
});

export const patternEntities = [patternEntity, patternVersionEntity];

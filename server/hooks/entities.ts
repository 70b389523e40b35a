import { EntitySchema } from "typeorm";
import type { HookModelData } from "@kasten/contract/hooks";
import { flag, instant, int, jsonb, optional, refers, text, uuid } from "../database/columns";

export type HookModelRow = Omit<HookModelData, "rows" | "landmarks"> & {
  landmarks: NonNullable<HookModelData["landmarks"]> | null;
};

export const hookModelEntity = new EntitySchema<HookModelRow>({
  name: "hook_model",
  columns: {
    id: text({ primary: true }),
    name: text(),
    family: text(),
    bend: text({ default: "round" }),
    shankSteps: int({ default: 0 }),
    wireSteps: int({ default: 0 }),
    barbless: flag(),
    landmarks: jsonb(optional),
    gapeSteps: int({ default: 0 }),
    points: int({ default: 1 }),
    eyeForm: text({ default: "turned down" }),
    finish: text({ default: "" }),
    wireReason: text({ default: "" }),
    near: jsonb({ default: [] }),
  },
  checks: [
    { name: "hook_model_points_check", expression: "points IN (1, 2)" },
    { name: "hook_model_bend_check", expression: "bend IN ('round', 'curved')" },
  ],
});

/** A size in which a model is kept; what was measured of it in µm and µg. */
export interface HookSizeRow {
  modelId: string;
  size: string;
  shankUm: number | null;
  gapeUm: number | null;
  wireUm: number | null;
  eyeUm: number | null;
  massUg: number | null;
  measuredBy: string | null;
  measuredAt: Date | null;
}

const positive = (column: string) => ({ name: `hook_size_${column}_check`, expression: `${column} > 0` });

export const hookSizeEntity = new EntitySchema<HookSizeRow>({
  name: "hook_size",
  columns: {
    modelId: text({ primary: true, ...refers("hook_model") }),
    size: text({ primary: true }),
    shankUm: int(optional),
    gapeUm: int(optional),
    wireUm: int(optional),
    eyeUm: int(optional),
    measuredBy: uuid({ ...optional, ...refers("person") }),
    measuredAt: instant(optional),
    massUg: int(optional),
  },
  checks: ["shank_um", "gape_um", "wire_um", "eye_um", "mass_ug"].map(positive),
});

export const hookEntities = [hookModelEntity, hookSizeEntity];

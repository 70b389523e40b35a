import { hookBends, normalSize, type HookModel } from "@kasten/core/hooks";
import { hookEyes } from "@kasten/core/hooks";
import { hookFamilies, hookRowSchema, type HookModelData } from "@kasten/contract/hooks";
import { z } from "zod";
import { insertAll, type Db } from "../database/rows";
import { hookModelEntity, hookSizeEntity } from "../hooks";
import { flag, number, readCsv } from "./csv";

const modelRow = z.object({
  id: z.string(),
  name: z.string(),
  family: z.enum(hookFamilies),
  shank_steps: number,
  wire_steps: number,
  barbless: flag,
  bend: z.enum(hookBends),
  gape_steps: number.default(0),
  points: number.default(1),
  eye_form: z.enum(hookEyes).default("turned down"),
  finish: z.string().default(""),
  wire_reason: z.string().default(""),
  /** Near equivalents, "model: what differs", by semicolon. */
  near: z.string().default(""),
});
const sizeRow = z.object({
  model: z.string(),
  size: z.string(),
  shank_mm: number.optional(),
  gape_mm: number.optional(),
  wire_mm: number.optional(),
  eye_mm: number.optional(),
  mass_mg: number.optional(),
});

const um = (mm: number | undefined): number | null => (mm === undefined ? null : Math.round(mm * 1000));

/** A kept size as the contract has it: figures that a hook can have, or a refusal. */
const rowOf = (s: z.infer<typeof sizeRow>): HookModelData["rows"][number] =>
  hookRowSchema.parse({
    size: normalSize(s.size),
    shank: s.shank_mm,
    gape: s.gape_mm,
    wire: s.wire_mm,
    eye: s.eye_mm,
    mass: s.mass_mg,
  });

export async function importHooks(db: Db, models: string, sizes: string): Promise<void> {
  const read = readCsv("hook-models.csv", models, modelRow).map((m) => ({
    id: m.id,
    name: m.name,
    family: m.family,
    bend: m.bend,
    shankSteps: m.shank_steps,
    wireSteps: m.wire_steps,
    gapeSteps: m.gape_steps,
    barbless: m.barbless,
    points: m.points === 2 ? (2 as const) : (1 as const),
    eyeForm: m.eye_form,
    finish: m.finish,
    wireReason: m.wire_reason,
    near: nearOf(m.near),
  }));
  await insertAll(db, hookModelEntity, read);
  const kept = readCsv("hook-sizes.csv", sizes, sizeRow).map((s) => {
    const { size, shank, gape, wire, eye, mass } = rowOf(s);
    const figures = { shankUm: um(shank), gapeUm: um(gape), wireUm: um(wire), eyeUm: um(eye), massUg: um(mass) };
    return { modelId: s.model, size, ...figures };
  });
  await insertAll(db, hookSizeEntity, kept);
}

const nearOf = (text: string): { model: string; differs: string }[] =>
  text.split(";").flatMap((entry) => {
    const [model, ...differs] = entry.split(":").map((t) => t.trim());
    return model ? [{ model, differs: differs.join(": ") }] : [];
  });

/** The hook models of two files, without a database. */
export function hooksFrom(models: string, sizes: string): Map<string, HookModel> {
  const rows = readCsv("hook-sizes.csv", sizes, sizeRow);
  return new Map(
    readCsv("hook-models.csv", models, modelRow).map((m) => [
      m.id,
      {
        id: m.id,
        name: m.name,
        shankSteps: m.shank_steps,
        wireSteps: m.wire_steps,
        barbless: m.barbless,
        bend: m.bend,
        gapeSteps: m.gape_steps,
        points: m.points === 2 ? (2 as const) : (1 as const),
        rows: rows
          .filter((r) => r.model === m.id)
          .map(rowOf)
          .map(({ mass: _weighed, ...row }) => row),
      },
    ]),
  );
}

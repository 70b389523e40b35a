import { normalSize } from "@kasten/core/hooks";
import { forgetHookSize, hookEffect, measureHook, saveHook } from "@kasten/contract/hooks";
import { row } from "../database/source";
import type { Register } from "../http/handle";
import { logEvent } from "../http/log";
import { notFound } from "../http/problems";
import { readWorld } from "../patterns";
import { effectOf, withoutRow, withRows } from "./effect";

const thousandths = (value: number | undefined): number | null =>
  value === undefined ? null : Math.round(value * 1000);

const keepRow = `INSERT INTO hook_size (model_id, size, shank_um, gape_um, wire_um, eye_um, mass_ug, measured_by, measured_at) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, now())
  ON CONFLICT (model_id, size) DO UPDATE SET shank_um = COALESCE(excluded.shank_um, hook_size.shank_um), gape_um = COALESCE(excluded.gape_um, hook_size.gape_um),
    wire_um = COALESCE(excluded.wire_um, hook_size.wire_um), eye_um = COALESCE(excluded.eye_um, hook_size.eye_um), mass_ug = COALESCE(excluded.mass_ug, hook_size.mass_ug),
    measured_by = excluded.measured_by, measured_at = now()`;

export function hookRoutes(register: Register): void {
  register(hookEffect, async ({ db, params, body }) => {
    const world = await readWorld(db);
    return effectOf(db, params.id, world, withRows(world, params.id, body.rows));
  });
  register(measureHook, async ({ db, params, body, person }) => {
    const world = await readWorld(db);
    const model = world.hooks.get(params.id);
    if (!model) throw notFound("hook");
    const effect = await effectOf(db, params.id, world, withRows(world, params.id, body.rows));
    for (const r of body.rows)
      await db.query(keepRow, [
        params.id,
        normalSize(r.size),
        thousandths(r.shank),
        thousandths(r.gape),
        thousandths(r.wire),
        thousandths(r.eye),
        thousandths(r.mass),
        person.id,
      ]);
    await logEvent(
      db,
      person,
      "hook",
      params.id,
      "measured",
      `Measured ${model.name} at ${body.rows.length === 1 ? "size" : "sizes"} ${body.rows.map((r) => normalSize(r.size)).join(", ")}`,
    );
    return effect;
  });
  register(forgetHookSize, async ({ db, params, person }) => {
    const size = normalSize(params.size.replace("-", "/"));
    const world = await readWorld(db);
    const model = world.hooks.get(params.id);
    if (!model?.rows.some((r) => r.size === size)) throw notFound("measured size");
    const effect = await effectOf(db, params.id, world, withoutRow(world, params.id, size));
    await db.query(
      "UPDATE hook_size SET shank_um = NULL, gape_um = NULL, wire_um = NULL, eye_um = NULL, mass_ug = NULL WHERE model_id = $1 AND size = $2",
      [params.id, size],
    );
    await logEvent(
      db,
      person,
      "hook",
      params.id,
      "measured",
      `Took back what was measured of ${model.name} at size ${size}`,
    );
    return effect;
  });
  register(saveHook, async ({ db, params, body, person }) => {
    const there = await row(db, "SELECT 1 FROM hook_model WHERE id = $1", [params.id]);
    await db.query(
      `INSERT INTO hook_model (id, name, family, bend, shank_steps, wire_steps, gape_steps, barbless, points, eye_form, finish, wire_reason, near) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)
       ON CONFLICT (id) DO UPDATE SET name = $2, family = $3, bend = $4, shank_steps = $5, wire_steps = $6, gape_steps = $7, barbless = $8, points = $9, eye_form = $10, finish = $11, wire_reason = $12, near = $13`,
      [
        params.id,
        body.name,
        body.family,
        body.bend,
        body.shankSteps,
        body.wireSteps,
        body.gapeSteps,
        body.barbless,
        body.points,
        body.eyeForm,
        body.finish,
        body.wireReason,
        JSON.stringify(body.near),
      ],
    );
    await logEvent(
      db,
      person,
      "hook",
      params.id,
      there ? "changed" : "added",
      `${there ? "Changed" : "Added"} the hook ${body.name}`,
    );
    return { ok: true as const };
  });
}

import { normalSize } from "@kasten/core/hooks";
import { measureHook } from "@kasten/contract/hooks";
import { row } from "../database/source";
import type { Register } from "../http/handle";
import { logEvent } from "../http/log";
import { notFound } from "../http/problems";

const um = (mm: number | undefined): number | null => (mm === undefined ? null : Math.round(mm * 1000));

export function hookRoutes(register: Register): void {
  register(measureHook, async ({ db, params, body, person }) => {
    const model = await row<{ name: string }>(db, "SELECT name FROM hook_model WHERE id = $1", [params.id]);
    if (!model) throw notFound("hook");
    const size = normalSize(body.size);
    await db.query(
      `INSERT INTO hook_size (model_id, size, shank_um, gape_um, wire_um, eye_um, measured_by, measured_at) VALUES ($1, $2, $3, $4, $5, $6, $7, now())
       ON CONFLICT (model_id, size) DO UPDATE SET shank_um = COALESCE(excluded.shank_um, hook_size.shank_um), gape_um = COALESCE(excluded.gape_um, hook_size.gape_um),
         wire_um = COALESCE(excluded.wire_um, hook_size.wire_um), eye_um = COALESCE(excluded.eye_um, hook_size.eye_um), measured_by = excluded.measured_by, measured_at = now()`,
      [params.id, size, um(body.shank), um(body.gape), um(body.wire), um(body.eye), person.id],
    );
    await logEvent(db, person, "hook", params.id, "measured", `Measured ${model.name} at size ${size}`);
    return { ok: true as const };
  });
}

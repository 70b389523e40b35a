import { normalSize } from "@kasten/core/hooks";
import { hookCode } from "@kasten/core/needs";
import { forgetHookSize, hookEffect, measureHook, saveHook, type HookModelData } from "@kasten/contract/hooks";
import { insertNew, locked, update, type Db } from "../database/rows";
import type { Register } from "../http/handle";
import { notFound } from "../http/problems";
import { hookModelEntity, hookSizeEntity, type HookSizeRow } from "../hooks";
import { logEvent } from "../log";
import { drawerFor, insertMaterial, materialEntity } from "../materials";
import { readWorld } from "../world";
import { effectOf, withoutRow, withRows } from "./effect";

const thousandths = (value: number | undefined): number | undefined =>
  value === undefined ? undefined : Math.round(value * 1000);

/** What was measured of a size; what was not measured now stays as it was. */
export async function keepRow(
  db: Db,
  modelId: string,
  r: HookModelData["rows"][number],
  person: string,
): Promise<void> {
  const measured: Partial<HookSizeRow> = {
    shankUm: thousandths(r.shank),
    gapeUm: thousandths(r.gape),
    wireUm: thousandths(r.wire),
    eyeUm: thousandths(r.eye),
    massUg: thousandths(r.mass),
    measuredBy: person,
    measuredAt: new Date(),
  };
  const stated = Object.fromEntries(Object.entries(measured).filter(([, v]) => v !== undefined));
  await db.getRepository(hookSizeEntity).upsert({ modelId, size: normalSize(r.size), ...stated }, ["modelId", "size"]);
}

interface Kept {
  id: string;
  name: string;
  sizes: string[];
  drawer?: string;
}

/** Keeps a hook in sizes: each is something that lies in the cabinet. Those that are there stay as they are. */
export async function keepSizes(db: Db, { id, name, sizes, drawer }: Kept): Promise<void> {
  for (const size of new Set(sizes.map((s) => normalSize(s)))) {
    await insertNew(db, hookSizeEntity, { modelId: id, size });
    const code = hookCode(id, size);
    if (await db.getRepository(materialEntity).existsBy({ code })) continue;
    const hook = { code, name: `${name} hook, size ${size}`, form: "hook" as const, unit: "count" as const };
    await insertMaterial(db, { ...hook, measured: false, lead: false }, await drawerFor(db, drawer));
  }
}

export function measuringRoutes(register: Register): void {
  register(hookEffect, async ({ db, params, body }) => {
    const world = await readWorld(db);
    return effectOf(db, params.id, world, withRows(world, params.id, body.rows));
  });
  register(measureHook, async ({ db, params, body, person }) => {
    const world = await readWorld(db);
    const model = world.hooks.get(params.id);
    if (!model) throw notFound("hook");
    const effect = await effectOf(db, params.id, world, withRows(world, params.id, body.rows));
    for (const r of body.rows) await keepRow(db, params.id, r, person.id);
    const sizes = body.rows.map((r) => normalSize(r.size));
    const told = `Measured ${model.name} at ${sizes.length === 1 ? "size" : "sizes"} ${sizes.join(", ")}`;
    await logEvent(db, person, "hook", params.id, "measured", told);
    return effect;
  });
  register(forgetHookSize, async ({ db, params, person }) => {
    const size = normalSize(params.size.replace("-", "/"));
    const world = await readWorld(db);
    const model = world.hooks.get(params.id);
    if (!model?.rows.some((r) => r.size === size)) throw notFound("measured size");
    const effect = await effectOf(db, params.id, world, withoutRow(world, params.id, size));
    const nothing = { shankUm: null, gapeUm: null, wireUm: null, eyeUm: null, massUg: null };
    await update(db, hookSizeEntity, { modelId: params.id, size }, nothing);
    const told = `Took back what was measured of ${model.name} at size ${size}`;
    await logEvent(db, person, "hook", params.id, "measured", told);
    return effect;
  });
  register(saveHook, async ({ db, params: { id }, body, person }) => {
    const there = await locked(db, hookModelEntity, { id });
    const { sizes = [], drawer, ...facts } = body;
    await db.getRepository(hookModelEntity).upsert({ id, ...facts }, ["id"]);
    await keepSizes(db, { id, name: facts.name, sizes, drawer });
    const did = there ? "Changed" : "Added";
    await logEvent(db, person, "hook", id, there ? "changed" : "added", `${did} the hook ${body.name}`);
    return { ok: true as const };
  });
}

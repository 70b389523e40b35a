import type { HookModel } from "@kasten/core/hooks";
import { groupBy } from "@kasten/core/numeric";
import type { HookModelData } from "@kasten/contract/hooks";
import type { Db } from "../database/rows";
import { hookModelEntity, hookSizeEntity, type HookSizeRow } from "./entities";

export type KnownHook = HookModelData & HookModel;

const thousandth = (value: number | null): number | undefined => (value === null ? undefined : value / 1000);

const toRow = (s: HookSizeRow): HookModelData["rows"][number] => ({
  size: s.size,
  shank: thousandth(s.shankUm),
  gape: thousandth(s.gapeUm),
  wire: thousandth(s.wireUm),
  eye: thousandth(s.eyeUm),
  mass: thousandth(s.massUg),
});

/** Every hook model with the sizes in which it is kept, by its id. */
export async function readHooks(db: Db): Promise<Map<string, KnownHook>> {
  const models = await db.getRepository(hookModelEntity).find({ order: { id: "ASC" } });
  const sizes = groupBy(await db.getRepository(hookSizeEntity).find(), (s) => s.modelId);
  return new Map(
    models.map(({ landmarks, ...m }) => [
      m.id,
      { ...m, landmarks: landmarks ?? undefined, rows: (sizes.get(m.id) ?? []).map(toRow) },
    ]),
  );
}

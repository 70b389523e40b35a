import { addBobbin, listBobbins, loadBobbin, removeBobbin, unloadBobbin } from "@kasten/contract/stock";
import type { Register } from "../http/handle";
import { logEvent } from "../log";
import { add, load, readBobbins, remove, unload } from "./bobbins";

const ok = { ok: true as const };

export function bobbinRoutes(register: Register): void {
  register(listBobbins, async ({ db }) => ({ bobbins: await readBobbins(db) }));
  register(addBobbin, async ({ db, person, body }) => {
    const made = await add(db, body);
    await logEvent(db, person, "room", "bobbins", "added", `Added bobbin ${body.code}`);
    return made;
  });
  register(loadBobbin, async ({ db, person, params, body }) => {
    await load(db, person, params.id, body);
    return ok;
  });
  register(unloadBobbin, async ({ db, person, params }) => {
    await unload(db, person, params.id);
    return ok;
  });
  register(removeBobbin, async ({ db, person, params }) => {
    const code = await remove(db, params.id);
    await logEvent(db, person, "room", "bobbins", "removed", `Took bobbin ${code} out of use`);
    return ok;
  });
}

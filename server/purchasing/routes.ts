import { addSupplier, editSupplier, listSuppliers, setSources } from "@kasten/contract/purchasing";
import type { Register } from "../http/handle";
import { logEvent } from "../log";
import { changeSupplier, newSupplier, readSuppliers, writeSources } from "./suppliers";

export function purchasingRoutes(register: Register): void {
  register(listSuppliers, async ({ db }) => ({ suppliers: await readSuppliers(db) }));
  register(addSupplier, async ({ db, person, body }) => {
    const added = await newSupplier(db, body);
    await logEvent(db, person, "supplier", added.id, "added", `Added the supplier ${body.name}`);
    return added;
  });
  register(editSupplier, async ({ db, person, params, body }) => {
    const changed = await changeSupplier(db, params.id, body);
    await logEvent(db, person, "supplier", params.id, "changed", `Changed what is known of ${body.name}`);
    return changed;
  });
  register(setSources, async ({ db, person, params, body }) => {
    const name = await writeSources(db, params.id, body);
    await logEvent(db, person, "stock", params.id, "sources", `Said where ${name} is bought`);
    return { ok: true as const };
  });
}

import { materialPrices, saveMaterial } from "@kasten/contract/materials";
import type { Register } from "../http/handle";
import { keepMaterial } from "./keep";
import { pricesOfMaterials } from "./queries";

export function materialRoutes(register: Register): void {
  register(saveMaterial, async ({ db, person, params, body }) => {
    await keepMaterial(db, person, params.id, body);
    return { ok: true as const };
  });
  register(materialPrices, async ({ db }) => ({ prices: await pricesOfMaterials(db) }));
}

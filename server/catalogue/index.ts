import { catalogue } from "@kasten/contract/catalogue";
import { readCustomers } from "../customers";
import type { Register } from "../http/handle";
import { todayIn } from "../settings";
import { readWorld } from "../world";

export function catalogueRoutes(register: Register): void {
  register(catalogue, async ({ db }) => {
    const world = await readWorld(db);
    return {
      today: todayIn(world.settings.timeZone),
      settings: world.settings,
      patterns: [...world.patterns.values()].map(({ recipe: _recipe, ...entry }) => entry),
      materials: [...world.materials.values()],
      hooks: [...world.hooks.values()],
      customers: await readCustomers(db),
    };
  });
}

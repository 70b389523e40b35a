import { catalogue } from "@kasten/contract/patterns";
import type { Register } from "../http/handle";
import { todayIn } from "./settings";
import { readCustomers, readWorld } from "./world";

export function patternRoutes(register: Register): void {
  register(catalogue, async ({ db }) => {
    const world = await readWorld(db);
    return {
      today: todayIn(world.settings.timeZone),
      settings: world.settings,
      patterns: [...world.patterns.values()],
      materials: [...world.materials.values()],
      hooks: [...world.hooks.values()],
      customers: await readCustomers(db),
    };
  });
}

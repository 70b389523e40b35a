import { listSeasonNeeds, type Need } from "@kasten/contract/materials";
import { readLearned } from "../batches";
import type { Register } from "../http/handle";
import { lotsInDrawers } from "../ledger";
import { standingOrders } from "../orders";
import type { Outlook } from "../outlook";
import { arrivalsByMaterial, sourcesByMaterial } from "../purchasing";
import { todayIn } from "../settings";
import { readWorld } from "../world";
import { asksOf, sumOfAsks } from "./needs";

export function seasonRoutes(register: Register, { outlook }: { outlook: Outlook }): void {
  register(listSeasonNeeds, async ({ db }) => {
    const world = await readWorld(db);
    const { asks, unknown } = asksOf(world, await readLearned(db), await standingOrders(db));
    const materials = new Set(
      asks.flatMap(({ requirement: { material } }) => [
        material,
        ...Object.keys(world.materials.get(material)?.blend?.parts ?? {}),
      ]),
    );
    const { value } = await outlook.partOf<{ needs: Need[] }>(db, "needs");
    const needs = sumOfAsks(asks, {
      world,
      today: todayIn(world.settings.timeZone),
      lots: await lotsInDrawers(db, [...materials]),
      arrivals: await arrivalsByMaterial(db),
      sources: await sourcesByMaterial(db),
      open: value.needs,
    });
    return { needs, unknown };
  });
}

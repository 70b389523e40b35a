import { ruleBreaches } from "@kasten/core/orders";
import { hookOf, materialsOf } from "@kasten/core/recipe";
import { breachSentence } from "@kasten/core/sentences";
import type { World } from "../world";
import type { ComputedBatch } from "./compute";

/** What a batch takes of other materials, and leaves out, beside what its lines ask themselves. */
function ownChoices(
  { batch, recipe }: ComputedBatch,
  world: World,
): { taken: { material: string; part: string }[]; left: string[] } {
  const roleOf = (id: string) => recipe.components.find((c) => c.id === id)?.role ?? id;
  const nameOf = (code: string) => world.materials.get(code)?.name ?? world.hooks.get(code)?.name ?? code;
  const asked = batch.asked.use ?? {};
  return {
    taken: Object.entries(batch.use)
      .filter(([id, code]) => asked[id] !== code)
      .map(([id, code]) => ({ material: nameOf(code), part: roleOf(id) })),
    left: batch.leave.filter((id) => !(batch.asked.leave ?? []).includes(id)).map(roleOf),
  };
}

/**
 * What of a batch, as it would be tied, goes against the rules of a customer it is for, and nobody has let pass:
 * neither as the order was written nor for this batch. Each rule is told once for an order.
 */
export function breachesOf(world: World, computed: ComputedBatch): string[] {
  const { batch, recipe } = computed;
  const fly = {
    label: `${batch.patternName} ${batch.size}`,
    barbless: world.hooks.get(hookOf(recipe, batch))?.barbless ?? false,
    materials: materialsOf(recipe, batch, world.materials),
    ...ownChoices(computed, world),
  };
  const passed = new Set(batch.exceptions.flatMap((e) => e.rules));
  const all = batch.claims.flatMap((claim) =>
    ruleBreaches(claim, fly)
      .map(breachSentence)
      .filter((rule) => !claim.exception?.rules.includes(rule))
      .map((rule) => `${claim.customer}, order ${claim.order}: ${rule}`),
  );
  return [...new Set(all)].filter((rule) => !passed.has(rule));
}

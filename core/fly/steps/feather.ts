import { DomainError } from "../../errors";
import type { Material } from "../../materials";
import { methodFigures } from "../../methods";
import type { RecipeStep } from "../../recipe";
import type { FlyContext } from "../context";

/** Least that holds a wound feather, in mm of stem. */
const FEATHER_BOUND = 4;

/**
 * A wound feather as it is held: by the butt the pliers hold the usable tip; by the tip they hold the thick butt, which
 * is not usable anyway. Only a long hackle tied in by the butt is taken up again: what is left of a soft feather, or of
 * one that was tied in by its tip, has no tip to tie in.
 */
export function featherTake(c: FlyContext, step: RecipeStep, material: Material, bound: number) {
  const { feather } = material;
  if (!feather)
    throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the usable stem of “${material.name}”` });
  const held = Math.max(bound, FEATHER_BOUND);
  const byTip = c.school(step, "hackle tied in") === "tip";
  return {
    from: "feather" as const,
    usable: feather.usable,
    grip: byTip ? 0 : feather.grip,
    bound: byTip ? held + methodFigures.tipDoubledBack : held,
    ...((byTip || feather.soft) && { single: true }),
  };
}

import { bounds, guard } from "../../units";
import { DomainError } from "../../errors";
import type { RecipeStep } from "../../recipe";
import { DROP, type TyingStep } from "../../tying";
import type { FlyContext } from "../context";

/** A bead or eyes as they are seated, with the drop of glue that may fix them. */
export function resolveSeat(c: FlyContext, step: RecipeStep & { do: "seat" }): TyingStep {
  const { part, name } = c.material(step);
  if (!part)
    throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the diameter, length and weight of “${name}”` });
  guard("count", step.count, bounds.fibres);
  const count = step.count ?? 1;
  c.take(step, { kind: "pieces", each: count });
  if (step.glue !== undefined && c.school(step, "weighted eyes") === "glued")
    c.take(step, { kind: "volume", ul: DROP }, step.glue);
  return { id: step.id, name: step.name, do: "seat", from: step.from, part, count };
}

import type { Bench } from "../bench";
import { isSame } from "../say/common";
import type { Place } from "../../hooks";
import type { Role } from "../../recipe";

/** “With a turn of ostrich between them”: where two halves meet, and no end of the body. */
const isJoint = (step: { from: Place; to?: Place }, roles: ReadonlyMap<string, Role>): boolean =>
  "part" in step.from && roles.get(step.from.part) === "body" && isSame(step.from, step.to ?? step.from);

/** The body as far as it is there: where it was wound or dubbed last. */
export function lastBody(bench: Bench): { from: Place; to?: Place } | undefined {
  const roles = new Map(bench.components.map((c) => [c.id, c.role]));
  const body = bench.made.findLast(
    (m) =>
      (m.step.do === "wind" || m.step.do === "dress") &&
      (roles.get(m.step.component ?? "") === "body" || m.step.name === "body") &&
      !isJoint(m.step, roles),
  )?.step;
  return body && (body.do === "wind" || body.do === "dress") ? body : undefined;
}

/** The same, or the fibres of a tail that were wound on as the body. */
export function lastBodyOrTail(bench: Bench): { from: Place; to?: Place } | undefined {
  const body = lastBody(bench);
  if (body) return body;
  const tail = bench.made.findLast(
    ({ step }) => step.do === "wind" && step.to !== undefined && bench.component(step.component)?.role === "tail",
  )?.step;
  return tail?.do === "wind" ? tail : undefined;
}

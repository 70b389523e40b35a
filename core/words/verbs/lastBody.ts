import type { Bench } from "../bench";
import type { Place } from "../../hooks";

/** The body as far as it is there: where it was wound or dubbed last. */
export function lastBody(bench: Bench): { from: Place; to?: Place } | undefined {
  const roles = new Map(bench.components.map((c) => [c.id, c.role]));
  const body = bench.made.findLast(
    (m) =>
      (m.step.do === "wind" || m.step.do === "dress") &&
      (roles.get(m.step.component ?? "") === "body" || m.step.name === "body"),
  )?.step;
  return body && (body.do === "wind" || body.do === "dress") ? body : undefined;
}

import { isSame } from "../../numeric";
import type { Bench } from "../bench";
import type { Place } from "../../hooks";

type Zone = { from: Place; to?: Place };
/** “With a turn of ostrich between them”, “one turn of red wool in the middle”: a spot on a body, and no end of it. */
const isSpot = ({ from, to }: Zone): boolean => isSame(from, to ?? from);

/** The body as far as it is there: where it was wound or dubbed last. */
export function lastBody(bench: Bench): Zone | undefined {
  const roles = new Map(bench.components.map((c) => [c.id, c.role]));
  const bodies = bench.made.flatMap(({ step }) =>
    (step.do === "wind" || step.do === "dress") && (roles.get(step.component ?? "") === "body" || step.name === "body")
      ? [step]
      : [],
  );
  return bodies.findLast((b) => !isSpot(b)) ?? bodies.at(-1);
}

/** The same, or the fibres of a tail that were wound on as the body. */
export function lastBodyOrTail(bench: Bench): Zone | undefined {
  const body = lastBody(bench);
  if (body) return body;
  const tail = bench.made.findLast(
    ({ step }) =>
      step.do === "wind" &&
      step.carries !== undefined &&
      step.to !== undefined &&
      bench.component(step.component)?.role === "tail",
  )?.step;
  return tail?.do === "wind" ? tail : undefined;
}

import { isSame } from "../../numeric";
import type { Bench } from "../bench";
import type { Place } from "../../hooks";
import { alongShank, USUAL_FRONT } from "../settle";

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

/** A thorax has room where the body ends between these, in shanks from the eye. */
const NEAREST = 0.2;
const FURTHEST = 0.8;
/** So near the eye only the head has room in front of it, or a bead. */
const HEAD_EYES = 3;
const HEAD_SHARE = 0.25;
/** Where the body ends in front, if that was said; by another part it is no place of its own. */
export function bodyEnds(bench: Bench): Place | undefined {
  const { from, to } = lastBodyOrTail(bench) ?? {};
  if (!from || !to) return undefined;
  const front = alongShank(from) < alongShank(to) ? from : to;
  const isUsual = "fraction" in front && front.fraction === USUAL_FRONT && front.plus === undefined;
  const at = alongShank(front);
  // Behind the head it went over all: what is said to lie in front of it lies on it.
  const isAtHead =
    ("eyeLengths" in front && front.eyeLengths < HEAD_EYES) || ("fraction" in front && front.fraction < HEAD_SHARE);
  return isUsual || isAtHead || "part" in front || at < NEAREST || at > FURTHEST ? undefined : front;
}

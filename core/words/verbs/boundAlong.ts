import type { Place } from "../../hooks";
import type { Bench, Waiting } from "../bench";
import { alongShank } from "../settle";

/** So far in front of where it was tied in, in shanks, a strand is bound forward. */
const FORWARD = 0.3;

/** So far at least, in shanks, a strand that is bound along lies. */
const LEAST_BOUND = 0.02;
/** “Tied in at the bend, bound down to the bend”: it is bound down nowhere else. */
export const isBoundThere = (first: Place, goal: Place): boolean =>
  Math.abs(alongShank(first) - alongShank(goal)) < LEAST_BOUND;

/**
 * Where a strand lies that is bound down along the shank, and at which end it waits: always at the rear. Tied in at the
 * head it is bound back to there; tied in at the bend it is only its stub that is bound down on the way forward.
 *
 * @param first where it was tied in
 * @param goal how far it is bound from there
 * @returns `to` is where it waits
 */
export const boundAlong = (first: Place, goal: Place): { from: Place; to: Place } =>
  alongShank(first) - alongShank(goal) > FORWARD ? { from: goal, to: first } : { from: first, to: goal };

/**
 * Binds down what waits, from where it was tied in: there it waits from then on.
 *
 * @param to how far it is bound, and where the thread then hangs
 * @returns whether there was a piece to bind
 */
export function bindAlong(bench: Bench, waiting: Waiting, to: Place): boolean {
  const tied = bench.made.find((m) => m.step.id === waiting.step);
  if (tied?.step.do !== "lay") return false;
  const first = tied.step.tieIn?.at ?? tied.step.from;
  if (isBoundThere(first, to)) return true;
  const lies = boundAlong(first, to);
  tied.step = { ...tied.step, ...lies, tieIn: { ...tied.step.tieIn, at: lies.to } };
  waiting.at = lies.to;
  bench.hangs = to;
  return true;
}

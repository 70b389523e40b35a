import { piecePrior, SERVICE_LEVEL, startsFor, type Outcomes } from "./starts";
import { ceilSafe } from "../numeric";

/**
 * Whole pieces or feathers to issue for flies that take `perFly` of them (1/k when one serves k flies),
 * so that the sound ones suffice with the chance `level`.
 */
export function piecesToIssue(
  flies: number,
  perFly: number,
  known: Outcomes = piecePrior,
  level = SERVICE_LEVEL,
): { needed: number; issue: number } {
  const needed = ceilSafe(perFly * flies);
  return { needed, issue: startsFor(needed, known, level) };
}

import { completionsOf, costOf } from "./cost";
import { search } from "./solver";
import type { ScheduleProblem, ScheduleResult, SolveOptions } from "./types";

/**
 * A plan of all jobs that can be planned, as cheap as could be found: first as few jobs left out as possible, then as
 * little cost as possible. See docs/scheduling.md for the rules and the method.
 *
 * Deterministic: the same problem, seed and iterations give the same plan everywhere. Where the time budget ends the
 * search first, how far it came depends on the machine.
 *
 * @param problem all times in whole minutes from 0; windows may overlap and need no order. Not changed.
 * @param options see there; without iterations and without a budget ITERATIONS changes are tried
 * @returns every job either whole in `assignments` or in `unscheduled` with the reason; `checkSchedule` finds no
 *   fault in it
 * @throws DomainError SCHEDULE_INVALID for numbers that are none, names used twice, or minutes that are not whole
 */
export function solveSchedule(problem: ScheduleProblem, options: SolveOptions): ScheduleResult {
  const found = search(problem, options);
  const completions = completionsOf(problem, found.assignments);
  const cost = costOf(problem, found.assignments, completions);
  return {
    assignments: found.assignments,
    completions,
    cost,
    // Of floats summed in another order the bound could lie a hair above what it bounds.
    lowerBound: Math.min(found.lowerBound, cost.total),
    iterations: found.iterations,
    unscheduled: found.unscheduled,
  };
}

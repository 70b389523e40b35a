import type { Question, StepFacts } from "./question";
import { questions } from "./questions";
import { questionsOf } from "./school";

/** Questions that a tier answers once for all their work: their schools are the same on every step. */
export const habits: readonly Question[] = questions.filter((q) =>
  [
    "dubbing way",
    "hackle tied in",
    "hackle turns",
    "rib direction",
    "wire ends",
    "butts",
    "weighted eyes",
    "feather use",
    "tips",
    "pairing",
    "symmetry",
    "palmer",
    "fibre dose",
    "fibre ends",
    "securing",
    "feather face",
    "dubbing dose",
  ].includes(q.id),
);

/**
 * A tier's own ways on the steps of a fly, as a choice: each question that a step raises and this tier has an answer
 * to.
 * @param own school by question
 */
export function habitsOn(steps: StepFacts[], own: Record<string, string>): Record<string, string> {
  return Object.fromEntries(
    steps.flatMap((facts) =>
      questionsOf(facts).flatMap((q) => {
        const school = own[q.id];
        return school !== undefined && q.schools(facts).some((s) => s.id === school)
          ? [[`${facts.step.id}/${q.id}`, school]]
          : [];
      }),
    ),
  );
}

import { DomainError } from "../errors";
import type { FlyChoice } from "../recipe";
import type { Question, School, StepFacts } from "./question";
import { questions } from "./questions";

/** The questions that a step raises. */
export const questionsOf = (facts: StepFacts): Question[] => questions.filter((q) => q.raisedBy(facts));

/** The school that pays when so many flies are tied at once, or undefined. */
export const bulkSchool = (schools: School[], flies: number | undefined): School | undefined =>
  flies === undefined ? undefined : schools.find((s) => s.fromFlies !== undefined && flies >= s.fromFlies);

/**
 * The school by which a step is tied: the order's or the tier's choice, else the pattern's, else what pays for so many
 * flies, else what its quantities say.
 * @throws DomainError METHOD_UNKNOWN for a school that does not answer the question
 */
export function schoolOf(question: Question, facts: StepFacts, choice: Pick<FlyChoice, "methods" | "flies">): School {
  const schools = question.schools(facts);
  const id =
    choice.methods?.[`${facts.step.id}/${question.id}`] ??
    facts.step.methods?.[question.id] ??
    bulkSchool(schools, choice.flies)?.id ??
    question.usual(facts);
  const school = schools.find((s) => s.id === id);
  if (!school)
    throw new DomainError("METHOD_UNKNOWN", {
      step: facts.step.name,
      question: question.id,
      school: id,
      known: schools.map((s) => s.id),
    });
  return school;
}

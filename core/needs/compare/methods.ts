import type { ComposedFly } from "../../fly";
import { ownDressing, questionsOf, type School } from "../../methods";
import { dressings, type Dressing } from "../../recipe";
import { requirementsOf } from "../requirements";
import type { Knowledge } from "../taken";
import { compose, outcome, type FlyRequest, type Outcome } from "./outcome";

/** What another school would change. */
export interface MethodDifference extends Outcome {
  step: string;
  stepName: string;
  question: string;
  asks: string;
  changes: "quantities" | "order" | "direction" | "look";
  current: School;
  other: School;
}

/**
 * What each other school would change on a batch: for every question that a step raises, every other answer.
 * @param flies flies started
 * @returns in working order; an answer that cannot be tied says why
 */
export function methodDifferences(request: FlyRequest, flies: number, known: Knowledge = {}): MethodDifference[] {
  const fly = compose(request);
  const own = requirementsOf(fly, flies, known);
  return fly.steps.flatMap((s) => {
    const facts = { step: s.step, role: s.role, form: s.material?.form, recipe: request.recipe };
    return questionsOf(facts)
      .filter((q) => q.id !== "dressing")
      .flatMap((q) => {
        const schools = q.schools(facts);
        const current = schools.find((x) => s.methods.some((m) => m.question === q.id && m.school === x.id));
        if (!current) return [];
        return schools
          .filter((x) => x !== current)
          .map((other): MethodDifference => {
            const base = {
              step: s.id,
              stepName: s.name,
              question: q.id,
              asks: q.asks,
              changes: q.changes,
              current,
              other,
            };
            const choice = { ...request.choice, methods: { ...request.choice.methods, [`${s.id}/${q.id}`]: other.id } };
            return { ...base, ...outcome({ ...request, choice }, { fly, own }, flies, known) };
          });
      });
  });
}

/**
 * What it changes to dress the whole fly more sparsely or more fully, for every rating that the pattern allows.
 * @returns empty where the pattern allows only its own
 */
export function dressingDifferences(
  request: FlyRequest,
  flies: number,
  known: Knowledge = {},
): ({ dressing: Dressing } & Pick<Outcome, "massMg" | "differences" | "fault">)[] {
  const fly = compose(request);
  const own = requirementsOf(fly, flies, known);
  const steps = fly.steps.filter((s) => s.methods.some((m) => m.question === "dressing"));
  const now = steps[0]?.methods.find((m) => m.question === "dressing")?.school;
  if (steps.length === 0) return [];
  return dressings
    .filter((d) => d !== now && (d === ownDressing(request.recipe) || request.recipe.densityBand?.includes(d)))
    .map((dressing) => {
      const choice = { ...request.choice, methods: { ...request.choice.methods, ...dressedAs(fly, dressing) } };
      const { massMg, differences, fault } = outcome({ ...request, choice }, { fly, own }, flies, known);
      return { dressing, massMg, differences, fault };
    });
}

/** Every step of a fly dressed alike, as a choice of ways. */
export const dressedAs = (fly: ComposedFly, dressing: Dressing): Record<string, string> =>
  Object.fromEntries(
    fly.steps
      .filter((s) => s.methods.some((m) => m.question === "dressing"))
      .map((s) => [`${s.id}/dressing`, dressing]),
  );

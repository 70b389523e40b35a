import type { MaterialForm } from "../materials";
import { bulkStep } from "./figures";
import type { School, StepFacts } from "./question";
import { bulkSchool, questionsOf, schoolOf } from "./school";
import type { Check, FlyChoice, Recipe, RecipeStep, Role } from "../recipe";

/** By which school a step answers a question, with what that asks for. */
export interface Way {
  question: string;
  school: string;
  words: string;
  tools?: string[];
  checks?: Check[];
  /** Nobody chose it: it pays for so many flies. */
  inBulk?: boolean;
}

/** The pattern's own schools by step: a recipe is a version and does not change, so they are worked out once. */
const ownSchools = new WeakMap<
  RecipeStep,
  { recipe: Recipe; form?: string; role?: string; byFlies: Map<number, Map<string, School>> }
>();

/** By which schools the steps of one fly are tied. */
export class Schooling {
  private readonly schools = new Map<string, Map<string, School>>();
  /** An empty choice of ways, as every batch has one, is none. */
  private readonly hasOwnWays: boolean;

  constructor(
    private readonly recipe: Recipe,
    private readonly choice: Pick<FlyChoice, "methods" | "flies">,
    private readonly partOf: (step: RecipeStep) => { role?: Role; form?: MaterialForm },
  ) {
    this.hasOwnWays = Object.keys(choice.methods ?? {}).length > 0;
  }

  private facts(step: RecipeStep): StepFacts {
    return { step, ...this.partOf(step), recipe: this.recipe };
  }

  /** Settles the schools of a step, before anything is asked about it. @throws DomainError METHOD_UNKNOWN */
  settle(step: RecipeStep): void {
    this.schools.set(step.id, this.schoolsOf(step));
  }

  private schoolsOf(step: RecipeStep): Map<string, School> {
    const facts = this.facts(step);
    const kept = ownSchools.get(step);
    const known =
      kept && kept.recipe === this.recipe && kept.form === facts.form && kept.role === facts.role
        ? kept
        : { recipe: this.recipe, form: facts.form, role: facts.role, byFlies: new Map<number, Map<string, School>>() };
    const inBulk = bulkStep(this.choice.flies);
    const own = this.hasOwnWays ? undefined : known.byFlies.get(inBulk);
    if (own) return own;
    const schools = new Map(questionsOf(facts).map((q) => [q.id, schoolOf(q, facts, this.choice)]));
    if (!this.hasOwnWays) {
      known.byFlies.set(inBulk, schools);
      ownSchools.set(step, known);
    }
    return schools;
  }

  school(step: RecipeStep, question: string): School | undefined {
    return this.schools.get(step.id)?.get(question);
  }

  /** The school of each question that a step raises; in bulk where nobody chose it. */
  waysOf(step: RecipeStep): Way[] {
    return [...(this.schools.get(step.id) ?? [])].map(([question, s]) => ({
      question,
      school: s.id,
      words: s.words,
      ...(s.tools && { tools: s.tools }),
      ...(s.checks && { checks: s.checks }),
      ...(this.isInBulk(step, question, s) && { inBulk: true }),
    }));
  }

  private isInBulk(step: RecipeStep, question: string, school: School): boolean {
    const named = step.methods?.[question] ?? this.choice.methods?.[`${step.id}/${question}`];
    return named === undefined && bulkSchool([school], this.choice.flies) !== undefined;
  }

  /** Minutes that the schools of a step take more than the pattern's own, which are in its minutes already. */
  minutesOver(step: RecipeStep): number {
    if (!this.hasOwnWays && this.choice.flies === undefined) return 0;
    const facts = this.facts(step);
    return questionsOf(facts).reduce((sum, q) => {
      const now = this.school(step, q.id);
      const own = schoolOf(q, facts, {});
      return now && now.id !== own.id ? sum + (now.minutes ?? 0) - (own.minutes ?? 0) : sum;
    }, 0);
  }
}

import type { MaterialForm } from "@kasten/core/materials";
import { sayStep, readStep } from "@kasten/core/words";
import { changed, type RecipeStep, type Role, type StepChange } from "@kasten/core/recipe";

const changeable = ["amount", "shown", "rule", "passes", "stretch", "rope", "fullness", "noodle", "thickness"] as const;

/** What a few words would change in a step: quantities and ways, and only those that differ. */
export function sizeRuleOf(
  words: string,
  step: RecipeStep,
  role: Role | undefined,
  form: MaterialForm | undefined,
): StepChange {
  // A length that the words say takes the place of the step's own.
  const open = { ...step, shown: undefined } as RecipeStep;
  const read = readStep(`${sayStep(open)}, ${words}`, { id: step.id, component: step.component, role, form }).step;
  const alone = readStep(words, { id: step.id, component: step.component, role, form }).step ?? read;
  if (!alone) return {};
  const [next, now] = [alone as unknown as Record<string, unknown>, step as unknown as Record<string, unknown>];
  const quantities = Object.fromEntries(
    changeable
      .filter((k) => next[k] !== undefined && JSON.stringify(next[k]) !== JSON.stringify(now[k]))
      .map((k) => [k, next[k]]),
  ) as StepChange;
  // A size at which the feather becomes too long to wind changes the way, not only the amount.
  const ways = Object.entries(alone.methods ?? {}).filter(([question, school]) => step.methods?.[question] !== school);
  return ways.length > 0 ? { ...quantities, methods: Object.fromEntries(ways) } : quantities;
}

/** The same in words: the clauses that the rule makes different. */
export function sizeRuleWords(step: RecipeStep, set: StepChange): string {
  const usual = new Set(sayStep(step).split(", "));
  return sayStep(changed(step, set))
    .split(", ")
    .filter((c) => !usual.has(c))
    .join(", ");
}

import { isSame } from "../numeric";
import type { PrecedenceReason } from "../errors";
import type { Recipe } from "./recipe";
import type { RecipeStep } from "./step";

/** One step comes before another. Hard: there is no remedy later; soft: it is usual, and other orders are right too. */
export interface Precedence {
  first: string;
  then: string;
  hard: boolean;
  because: PrecedenceReason;
}

const reason = (code: Exclude<PrecedenceReason["code"], "PATTERN_SAYS">): PrecedenceReason => ({ code, details: {} });

/** Whether a piece lies just where thread is wound that starts later: tied in with it, and bound down by it. */
const liesUnder = (step: RecipeStep, thread: RecipeStep & { do: "wind" }): boolean =>
  step.do === "lay" &&
  thread.to !== undefined &&
  [thread.from, thread.to].every((end) => isSame(end, step.from) || isSame(end, step.to));

/**
 * The steps as a graph: what must or usually does come before what. Beads on the bare hook, materials bound in before
 * they are used, the knot last, and what the pattern itself says.
 */
export function precedences(recipe: Pick<Recipe, "steps" | "components">): Precedence[] {
  const role = new Map(recipe.components.map((c) => [c.id, c.role]));
  const name = new Map(recipe.steps.map((s) => [s.id, s.name]));
  const isBead = (s: RecipeStep) => s.do === "seat" && role.get(s.component ?? "") === "bead";
  const knots = recipe.steps.filter((s) => s.do === "whip");
  const lastKnot = knots[knots.length - 1];
  // Turns at one place, a dam or a lock, are wound of a thread that is there; what is wound along the shank starts it.
  const isAlong = (s: RecipeStep & { do: "wind" }): boolean => s.to !== undefined && !isSame(s.from, s.to);
  const started = recipe.steps.find(
    (s): s is RecipeStep & { do: "wind" } => s.do === "wind" && isAlong(s) && role.get(s.component ?? "") === "thread",
  );
  return recipe.steps.flatMap((step): Precedence[] => {
    const edges: Precedence[] = [];
    if (isBead(step))
      for (const other of recipe.steps)
        if (!isBead(other))
          edges.push({
            first: step.id,
            then: other.id,
            hard: true,
            because: reason("BEAD_ON_BARE_HOOK"),
          });
    if (
      started &&
      step !== started &&
      !liesUnder(step, started) &&
      (step.do === "lay" || step.do === "wind" || step.do === "dress") &&
      role.get(step.component ?? "") !== "weight"
    )
      edges.push({ first: started.id, then: step.id, hard: false, because: reason("THREAD_NOT_ON_YET") });
    if (step.tiedIn !== undefined && name.has(step.tiedIn))
      edges.push({ first: step.tiedIn, then: step.id, hard: true, because: reason("BOUND_IN_THERE") });
    if (step.do === "wind" && step.carries !== undefined && name.has(step.carries))
      edges.push({ first: step.carries, then: step.id, hard: true, because: reason("CARRIES_BUNDLE_ON") });
    if (step.do === "act" && step.act === "brush" && step.direction === "back")
      for (const rib of recipe.steps)
        if (rib.do === "wind" && role.get(rib.component ?? "") === "rib")
          edges.push({
            first: rib.id,
            then: step.id,
            hard: false,
            because: reason("BRUSHED_AFTER_RIB"),
          });
    if (step.coveredBy !== undefined && name.has(step.coveredBy))
      edges.push({ first: step.id, then: step.coveredBy, hard: false, because: reason("COVERED_THERE") });
    if (lastKnot && step !== lastKnot && step.do !== "act" && step.do !== "glue")
      edges.push({ first: step.id, then: lastKnot.id, hard: true, because: reason("NOTHING_AFTER_KNOT") });
    for (const after of step.after ?? [])
      if (name.has(after.step))
        edges.push({
          first: after.step,
          then: step.id,
          hard: after.hard ?? false,
          because: { code: "PATTERN_SAYS", details: { because: after.because } },
        });
    return edges;
  });
}

/** A precedence that an order breaks, with the names of its two steps. */
export interface OrderFault extends Precedence {
  names: { first: string; then: string };
}

/** What an order breaks; empty when it is one of the right ones. */
export function orderFaults(recipe: Pick<Recipe, "steps" | "components">): OrderFault[] {
  const at = new Map(recipe.steps.map((s, i) => [s.id, i]));
  const name = (id: string) => recipe.steps[at.get(id) ?? -1]?.name ?? id;
  return precedences(recipe)
    .filter((p) => (at.get(p.first) ?? 0) > (at.get(p.then) ?? 0))
    .map((p) => ({ ...p, names: { first: name(p.first), then: name(p.then) } }));
}

/** A circle in the graph, as the steps along it, or undefined. A pattern with one can never be tied. */
export function circleIn(recipe: Pick<Recipe, "steps" | "components">): string[] | undefined {
  const next = new Map<string, string[]>();
  for (const p of precedences(recipe)) if (p.hard) next.set(p.first, [...(next.get(p.first) ?? []), p.then]);
  const done = new Set<string>();
  const visit = (id: string, path: string[]): string[] | undefined => {
    const seen = path.indexOf(id);
    if (seen !== -1) return path.slice(seen);
    if (done.has(id)) return undefined;
    for (const then of next.get(id) ?? []) {
      const circle = visit(then, [...path, id]);
      if (circle) return circle;
    }
    done.add(id);
    return undefined;
  };
  for (const s of recipe.steps) {
    const circle = visit(s.id, []);
    if (circle) return circle;
  }
  return undefined;
}

/** The steps with one moved to another place in the list. The order may then be wrong: see orderFaults. */
export function moveStep(steps: RecipeStep[], from: number, to: number): RecipeStep[] {
  const rest = steps.filter((_, i) => i !== from);
  const step = steps[from];
  return step ? [...rest.slice(0, to), step, ...rest.slice(to)] : steps;
}

/** Between which places of the list a step may go without breaking a hard precedence, both included. */
export function roomToMove(
  recipe: Pick<Recipe, "steps" | "components">,
  index: number,
): { first: number; last: number } {
  const id = recipe.steps[index]?.id;
  const at = new Map(recipe.steps.map((s, i) => [s.id, i]));
  let [first, last] = [0, recipe.steps.length - 1];
  for (const p of precedences(recipe)) {
    if (!p.hard) continue;
    if (p.then === id) first = Math.max(first, (at.get(p.first) ?? 0) + 1);
    if (p.first === id) last = Math.min(last, (at.get(p.then) ?? recipe.steps.length) - 1);
  }
  return { first, last };
}

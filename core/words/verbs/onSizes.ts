import { sizeNumber, sizeWithin } from "../../hooks";
import type { RecipeStep, SizeSpan, StepChange } from "../../recipe";
import type { Bench, Telling } from "../bench";
import { spanOf } from "../clauses/common";
import type { Said } from "../said";
import { counted } from "../say/common";
import { amountWords } from "../say/lay";
import { sayLength } from "../say/length";
import { sayNumber } from "../say/number";

type Rule = NonNullable<RecipeStep["bySize"]>[number];

/** What holds for some sizes only becomes rules of the step; where two are of the same sizes, they are one. */
export function withSizes(step: RecipeStep, said: Said, bench: Bench): RecipeStep {
  const all = bench.facts.sizes;
  if (!all?.from) return step;
  const rules = [
    ...(said.onSizes ?? []).map(({ sizes, count }) => ({
      sizes,
      set: setCount(step, said.isOfBothSides ? 2 * count : count),
    })),
    ...(said.onThick ?? []).map(({ sizes, mm }) => ({ sizes, set: setThick(step, mm) })),
    ...(said.onLengths ?? []).map(({ sizes, rule }) => ({
      sizes,
      set: step.do === "lay" ? { shown: rule } : undefined,
    })),
  ];
  const spans = rules.flatMap(({ sizes, set }) => (set ? [{ sizes: spanOf(sizes, all), set }] : []));
  const bySize = inOrder(spans);
  return bySize.length > 0 ? { ...step, bySize } : step;
}

/**
 * Of the rules of a step the first that fits holds: a rule says also what the wider ones say that its sizes are within,
 * and stands before them.
 */
function inOrder(rules: readonly Rule[]): Rule[] {
  const width = ({ sizes: { from, to } }: Rule): number => Math.abs(sizeNumber(from) - sizeNumber(to));
  const isWithin = ({ sizes: own }: Rule, { sizes: wide }: Rule): boolean =>
    [own.from, own.to].every((size) => sizeWithin(size, wide));
  const merged = rules.map((rule) => {
    const around = rules.filter((wide) => isWithin(rule, wide)).sort((a, b) => width(b) - width(a));
    return { ...rule, set: around.reduce<StepChange>((set, wide) => ({ ...set, ...wide.set }), {}) };
  });
  const first = (rule: Rule): boolean =>
    merged.find(({ sizes: { from, to } }) => from === rule.sizes.from && to === rule.sizes.to) === rule;
  return merged.filter(first).reduce<Rule[]>((order, rule) => {
    const at = order.findIndex((wide) => isWithin(rule, wide));
    return at < 0 ? [...order, rule] : order.toSpliced(at, 0, rule);
  }, []);
}
function setCount(step: RecipeStep, count: number): StepChange | undefined {
  if (step.do === "wind") return { rule: { ...step.rule, turns: count } };
  if (step.do !== "lay") return undefined;
  if ("fibres" in step.amount) return { amount: { fibres: count } };
  return "strands" in step.amount ? { amount: { ...step.amount, strands: count } } : undefined;
}
/** How thick a bunch and how wide a slip is; of what is counted it is how long that is. */
function setThick(step: RecipeStep, mm: number): StepChange | undefined {
  if (step.do !== "lay") return undefined;
  if ("clump" in step.amount) return { amount: { ...step.amount, clump: { mm } } };
  if ("slipWidth" in step.amount) return { amount: { ...step.amount, slipWidth: { mm } } };
  return step.shown && "mm" in step.shown ? { shown: { mm } } : undefined;
}

/** What holds on some hooks, as it is shown beside its line. */
export const sizeNotes = ({ bySize = [] }: RecipeStep): string[] =>
  bySize.map(({ sizes: { from, to }, set }) => {
    const said = [
      ...(set.amount ? [amountWords(set.amount)] : []),
      ...(set.shown ? [`= ${sayLength(set.shown)}`] : []),
      ...(set.rule?.turns === undefined ? [] : [counted(sayNumber(set.rule.turns), "turn")]),
    ];
    return `on ${from === to ? from : `${from} to ${to}`}: ${said.join(", ")}`;
  });

/** “8 turns on 5”, of a fly that is tied in no 5: it may be something else than a size. */
export function askOtherSizes({ onSizes, onThick, onLengths }: Said, { bench, told, line }: Telling): void {
  const all = bench.facts.sizes;
  const rules = [...(onSizes ?? []), ...(onThick ?? []), ...(onLengths ?? [])];
  if (!all?.from || rules.length === 0) return;
  const [a, b] = [sizeNumber(all.from), sizeNumber(all.to)].sort((x, y) => x - y);
  const isWithin = ({ from = all.from, to = all.to }: Partial<SizeSpan>): boolean => {
    const [c, d] = [sizeNumber(from), sizeNumber(to)].sort((x, y) => x - y);
    return (c ?? 0) <= (b ?? 0) && (d ?? 0) >= (a ?? 0);
  };
  if (rules.some(({ sizes }) => isWithin(sizes))) return;
  const own = all.from === all.to ? all.from : `${all.from} to ${all.to}`;
  line.asks.push({
    at: [told.at, told.end],
    sentence: `What holds for some sizes here holds for none in which the fly is tied (${own}). Say it of those, or in other words.`,
    answers: [],
  });
}

import { timesAsMuch, type LayAmount, type LengthRule, type PlainLength, type RecipeStep } from "../recipe";

const scaledPlain = (rule: PlainLength, k: number): PlainLength =>
  "mm" in rule ? { mm: rule.mm * k } : "of" in rule ? timesAsMuch(rule, k) : rule;
const scaledLength = (rule: LengthRule, k: number): LengthRule =>
  "between" in rule
    ? { between: [scaledPlain(rule.between[0], k), scaledPlain(rule.between[1], k)] }
    : scaledPlain(rule, k);
const scaledPair = ([a, b]: [LengthRule, LengthRule], k: number): [LengthRule, LengthRule] => [
  scaledLength(a, k),
  scaledLength(b, k),
];
const wholeOf = (n: number, k: number): number => Math.max(1, Math.round(n * k));

function scaledAmount(amount: LayAmount, k: number): LayAmount {
  if ("fibres" in amount) return { fibres: wholeOf(amount.fibres, k) };
  if ("strands" in amount) return { strands: wholeOf(amount.strands, k), folded: amount.folded };
  if ("spanMm" in amount) return { spanMm: amount.spanMm * k };
  // A clump is named by its thickness: its section, not its thickness, holds the hair.
  if ("clump" in amount) return { clump: scaledLength(amount.clump, Math.sqrt(k)) };
  if ("patchMm2" in amount) return { patchMm2: amount.patchMm2 * k };
  return amount;
}

/**
 * A step dressed more densely or more sparsely: k times as many fibres, as much dubbing, as many turns of hackle.
 * Counts stay whole, turns go by halves; a shape keeps its proportions, its section growing by k.
 * @param k share of what the pattern says, > 0
 */
export function dressed(step: RecipeStep, k: number): RecipeStep {
  if (k === 1) return step;
  switch (step.do) {
    case "lay":
      return { ...step, amount: scaledAmount(step.amount, k) };
    case "dress":
      return {
        ...step,
        ...(step.noodle && { noodle: scaledLength(step.noodle, k) }),
        ...(step.fullness && {
          fullness: scaledPair(step.fullness, Math.sqrt(k)),
        }),
        ...(step.loopLoad !== undefined && { loopLoad: step.loopLoad * k }),
      };
    case "wind":
      return step.rule.turns === undefined
        ? step
        : { ...step, rule: { ...step.rule, turns: Math.max(0.5, Math.round(step.rule.turns * k * 2) / 2) } };
    default:
      return step;
  }
}

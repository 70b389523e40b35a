import { DomainError, sentenceOf } from "../errors";
import type { HookModel } from "../hooks";
import {
  composeFly,
  dressings,
  ownDressing,
  priceOf,
  questionsOf,
  type Dressing,
  type ComposedFly,
  type FlyChoice,
  type Materials,
  type Recipe,
  type RecipeStep,
  type Role,
  type School,
} from "../patterns";
import { threadStrand } from "../tying";
import type { StockUnit } from "./material";
import { requirementsOf, type Requirement } from "./requirements";
import type { Knowledge } from "./taken";
import { quantityWords } from "./words";

/** What one of two ways needs more (positive) or less of, in stock units. */
export interface Difference {
  key: string;
  role: Role;
  material: string;
  materialName: string;
  unit: StockUnit;
  before: number;
  after: number;
}

/** Requirements that differ, by part and material. */
export function differencesBetween(before: Requirement[], after: Requirement[]): Difference[] {
  const of = (list: Requirement[]) => new Map(list.map((r) => [`${r.key}/${r.material}`, r]));
  const [was, is] = [of(before), of(after)];
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((key) => {
    const [a, b] = [was.get(key), is.get(key)];
    const r = b ?? a;
    if (!r || a?.issue === b?.issue) return [];
    return [
      {
        key: r.key,
        role: r.role,
        material: r.material,
        materialName: r.materialName,
        unit: r.unit,
        before: a?.issue ?? 0,
        after: b?.issue ?? 0,
      },
    ];
  });
}

const counted = (d: Difference, n: number): string =>
  d.unit === "count" ? `${n} ${d.materialName}` : `${quantityWords(n, d.unit)} of ${d.materialName}`;

/** A difference as it is said: “saves 26 pheasant tail feather”. */
export const sayDifference = (d: Difference): string =>
  d.after < d.before ? `saves ${counted(d, d.before - d.after)}` : `takes ${counted(d, d.after - d.before)} more`;

export interface MethodDifference {
  step: string;
  stepName: string;
  question: string;
  asks: string;
  changes: "quantities" | "order" | "direction" | "look";
  current: School;
  other: School;
  /** For all flies of the batch. */
  minutes: number;
  massMg: number;
  differences: Difference[];
  sentence: string;
  /** Why the other way cannot be tied at this size. */
  fault?: string;
}

/** Everything that is asked about one fly of a pattern: which recipe, which choice, from which cabinet. */
export interface FlyRequest {
  recipe: Recipe;
  choice: FlyChoice;
  model: HookModel;
  materials: Materials;
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
            return { ...base, ...outcome({ ...request, choice }, fly, own, flies, known, other) };
          });
      });
  });
}

type Outcome = Pick<MethodDifference, "minutes" | "massMg" | "differences" | "sentence" | "fault">;

/**
 * What it changes to dress the whole fly more sparsely or more fully, for every rating that the pattern allows.
 * @returns empty where the pattern allows only its own
 */
export function dressingDifferences(
  request: FlyRequest,
  flies: number,
  known: Knowledge = {},
): { dressing: Dressing; massMg: number; differences: Difference[]; fault?: string }[] {
  const fly = compose(request);
  const own = requirementsOf(fly, flies, known);
  const steps = fly.steps.filter((s) => s.methods.some((m) => m.question === "dressing"));
  const now = steps[0]?.methods.find((m) => m.question === "dressing")?.school;
  if (steps.length === 0) return [];
  return dressings
    .filter((d) => d !== now && (d === ownDressing(request.recipe) || request.recipe.densityBand?.includes(d)))
    .map((dressing) => {
      const choice = { ...request.choice, methods: { ...request.choice.methods, ...dressedAs(fly, dressing) } };
      const { massMg, differences, fault } = outcome({ ...request, choice }, fly, own, flies, known, {
        id: dressing,
        words: dressing,
      });
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

const compose = ({ recipe, choice, model, materials }: FlyRequest): ComposedFly =>
  composeFly(recipe, choice, model, materials, { keepProfiles: true });

function outcome(
  request: FlyRequest,
  fly: ComposedFly,
  own: Requirement[],
  flies: number,
  known: Knowledge,
  other: School,
): Outcome {
  try {
    const then = compose(request);
    const differences = differencesBetween(own, requirementsOf(then, flies, known));
    const minutes = (then.minutes - fly.minutes) * flies;
    return {
      minutes,
      massMg: then.tied.mass.total - fly.tied.mass.total,
      differences,
      sentence: sentenceFor(other.words, differences, minutes),
    };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return {
      minutes: 0,
      massMg: 0,
      differences: [],
      fault: sentenceOf(error),
      sentence: `${other.words}: not possible here. ${sentenceOf(error)}`,
    };
  }
}

function sentenceFor(words: string, differences: Difference[], minutes: number): string {
  const effects = differences.map(sayDifference);
  if (Math.abs(minutes) >= 1) effects.push(`${Math.abs(Math.round(minutes))} minutes ${minutes > 0 ? "more" : "less"}`);
  return `${words}: ${effects.length > 0 ? effects.join(", ") : "the same quantities"}`;
}

export interface SubstituteJudgement {
  component: string;
  material: string;
  materialName: string;
  effect?: string;
  differences: Difference[];
  massMg: number;
  /** What the change takes away or leaves open, each with its remedy. */
  warnings: { about: "durability" | "gap" | "weight" | "strength" | "crowding" | "adhesive"; sentence: string }[];
  fault?: string;
}

/** A gap this deep, as a share of the gape, is felt by what is wound over it. */
const GAP_OF_GAPE = 0.03;
const WEIGHT_SHARE = 0.05;

/**
 * What happens when a component is tied of another material: quantities, weight, the hole it may leave, and whether a
 * measure for durability goes with it. Nothing is forbidden; what is lost is said with its remedy.
 */
export function judgeSubstitute(
  request: FlyRequest,
  component: string,
  material: string,
  flies: number,
  known: Knowledge = {},
): SubstituteJudgement {
  const part = request.recipe.components.find((c) => c.id === component);
  const alternate = part?.alternates?.find((a) => a.material === material);
  const base = {
    component,
    material,
    materialName: request.materials.get(material)?.name ?? material,
    effect: alternate?.effect,
  };
  try {
    const before = compose(request);
    const choice = { ...request.choice, use: { ...request.choice.use, [component]: material } };
    const after = compose({ ...request, choice });
    return {
      ...base,
      differences: differencesBetween(requirementsOf(before, flies, known), requirementsOf(after, flies, known)),
      massMg: after.tied.mass.total - before.tied.mass.total,
      warnings: [
        ...durabilityLost(before, after, component),
        ...gapLeft(before, after, component),
        ...weightChanged(before, after),
        ...newlyCrowded(before, after),
        ...otherGlue(before, after, component),
      ],
    };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { ...base, differences: [], massMg: 0, warnings: [], fault: sentenceOf(error) };
  }
}

type Warnings = SubstituteJudgement["warnings"];

function durabilityLost(before: ComposedFly, after: ComposedFly, component: string): Warnings {
  const warnings: Warnings = [];
  for (const s of before.steps.filter((x) => x.step.guard !== undefined)) {
    const then = after.steps.find((x) => x.id === s.id);
    const turned = s.step.do === "wind" && s.step.counter === true && then?.step.do === "wind" && !then.step.counter;
    if (!then || turned)
      warnings.push({
        about: "durability",
        sentence: `“${s.name}” ${s.step.guard ?? ""} and would be lost. Keep it, or add a counter-wound rib.`,
      });
  }
  const [was, is] = [before, after].map((f) => f.parts.find((p) => p.component === component)?.material);
  const [a, b] = [was?.qualities?.strength, is?.qualities?.strength];
  if (a !== undefined && b !== undefined && b < a) {
    const guarded = after.steps.some((s) => s.step.guard !== undefined);
    warnings.push({
      about: "strength",
      sentence: `${is?.name ?? "It"} is weaker than ${was?.name ?? "the original"}${guarded ? ": the guard that is there matters more." : ". Add a counter-wound rib over it."}`,
    });
  }
  return warnings;
}

function gapLeft(before: ComposedFly, after: ComposedFly, component: string): Warnings {
  const step = before.steps.findLast((s) => s.step.component === component);
  const [a, b] = [before, after].map((f) => f.tied.steps.find((r) => r.id === step?.id)?.after);
  if (!step || !a || !b) return [];
  const dx = before.tied.profile.step;
  let [deepest, missing] = [0, 0];
  a.forEach((d, i) => {
    const e = b[i] ?? d;
    deepest = Math.max(deepest, d - e);
    missing += Math.max(0, (Math.PI / 4) * (d * d - e * e)) * dx;
  });
  if (deepest < GAP_OF_GAPE * before.hook.gape) return [];
  const thread = before.tied.threads[0]?.thread;
  const metres = thread ? missing / threadStrand(thread).area / 1000 : 0;
  return [
    {
      about: "gap",
      sentence: `It leaves the fly up to ${deepest.toFixed(2)} mm thinner at “${step.name}”. Fill it with ${metres.toFixed(1)} m more thread, or with the butts left long.`,
    },
  ];
}

function weightChanged(before: ComposedFly, after: ComposedFly): Warnings {
  const change = after.tied.mass.total - before.tied.mass.total;
  if (Math.abs(change) < WEIGHT_SHARE * before.tied.mass.total) return [];
  return [
    {
      about: "weight",
      sentence: `The fly becomes ${Math.abs(change).toFixed(0)} mg ${change > 0 ? "heavier" : "lighter"}. Make up for it with turns of weight wire.`,
    },
  ];
}

/** What was not crowded before: a heavier thread whose head no longer fits, a fuller body over the point. */
function newlyCrowded(before: ComposedFly, after: ComposedFly): Warnings {
  const was = new Set(before.tied.warnings.map((w) => `${w.step}/${w.code}`));
  return after.tied.warnings
    .filter((w) => !was.has(`${w.step}/${w.code}`))
    .map((w) => ({ about: "crowding" as const, sentence: w.sentence }));
}

/** Thin glue creeps and sets at once, gel stays and leaves time: they are told apart, and neither is called the better. */
function otherGlue(before: ComposedFly, after: ComposedFly, component: string): Warnings {
  const [was, is] = [before, after].map((f) => f.parts.find((p) => p.component === component)?.material.liquid);
  if (was?.kind !== "glue" || is?.kind !== "glue" || was.body === is.body) return [];
  return [
    {
      about: "adhesive",
      sentence:
        is.body === "gel"
          ? "Gel stays where it is put and leaves time to set things straight; it does not soak into what is wound already."
          : "Thin glue creeps into what is wound and sets at once: one small drop, and nothing can be moved any more.",
    },
  ];
}

/**
 * What leaving out a part changes; with its price, which is the pattern's own.
 * @returns `fault` where the fly cannot be tied without it: it is not optional, or another length leans on it
 */
export function judgeLeavingOut(
  request: FlyRequest,
  component: string,
  flies: number,
  known: Knowledge = {},
): Pick<Outcome, "differences" | "minutes" | "massMg" | "fault"> & { priceCents: number } {
  const before = compose(request);
  const choice = { ...request.choice, leave: [...(request.choice.leave ?? []), component] };
  const { differences, minutes, massMg, fault } = outcome(
    { ...request, choice },
    before,
    requirementsOf(before, flies, known),
    flies,
    known,
    { id: "left out", words: "left out" },
  );
  return {
    differences,
    minutes,
    massMg,
    fault,
    priceCents: priceOf(request.recipe, choice) - priceOf(request.recipe, request.choice),
  };
}

/** What a batch needs where quantities were given as a range or hedged: everywhere the least, and everywhere the most. */
export interface QuantityRange {
  key: string;
  least: number;
  most: number;
}

/**
 * How far stated ranges leave the need open: “6 to 8 fibres”, “about 5 turns”.
 * @returns only the requirements that differ, none where every count is exact; `fault` where one end cannot be tied at this size
 */
export function rangesOf(
  request: FlyRequest,
  flies: number,
  known: Knowledge = {},
): { ranges: QuantityRange[]; fault?: string } {
  if (!request.recipe.steps.some((s) => s.spread)) return { ranges: [] };
  try {
    return { ranges: rangesBetweenEnds(request, flies, known) };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { ranges: [], fault: sentenceOf(error) };
  }
}

function rangesBetweenEnds(request: FlyRequest, flies: number, known: Knowledge): QuantityRange[] {
  const at = (end: 0 | 1) => {
    const recipe = { ...request.recipe, steps: request.recipe.steps.map((s) => atEnd(s, end)) };
    return new Map(requirementsOf(compose({ ...request, recipe }), flies, known).map((r) => [r.key, r.issue]));
  };
  const [low, high] = [at(0), at(1)];
  return [...low].flatMap(([key, a]) => {
    const b = high.get(key) ?? a;
    return a === b ? [] : [{ key, least: Math.min(a, b), most: Math.max(a, b) }];
  });
}

function atEnd(step: RecipeStep, end: 0 | 1): RecipeStep {
  const n = step.spread?.[end];
  if (n === undefined) return step;
  if (step.do === "wind") return { ...step, rule: { ...step.rule, turns: n } };
  if (step.do !== "lay") return step;
  return { ...step, amount: "strands" in step.amount ? { ...step.amount, strands: n } : { fibres: n } };
}

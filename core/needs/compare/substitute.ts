import { DomainError, type Coded } from "../../errors";
import type { ComposedFly } from "../../fly";
import { threadStrand, type Warning } from "../../tying";
import { requirementsOf } from "../requirements";
import type { Knowledge } from "../taken";
import { differencesBetween, type Difference } from "./differences";
import { compose, type FlyRequest } from "./outcome";

export interface SubstituteJudgement {
  component: string;
  material: string;
  materialName: string;
  effect?: string;
  differences: Difference[];
  massMg: number;
  /** What the change takes away or leaves open. */
  warnings: SubstituteWarning[];
  /** Why it cannot be tied so. */
  fault?: DomainError;
}

/** What is lost or left open where another material is tied. */
export interface SubstituteWarningDetails {
  /** The step `name` guarded something, in the pattern's words, and would go or turn round. */
  DURABILITY_LOST: { name: string; guard: string };
  /** `was` and `is` are materials; `guarded` where a guard stays on the fly. */
  STRENGTH_LOST: { was: string; is: string; guarded: boolean };
  GAP_LEFT: { name: string; thinnerMm: number; threadMetres: number };
  WEIGHT_CHANGED: { byMg: number };
  NEWLY_CROWDED: { warning: Warning };
  OTHER_GLUE: { body: "thin" | "gel" };
}
export type SubstituteWarning = Coded<SubstituteWarningDetails>;

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
    return { ...base, differences: [], massMg: 0, warnings: [], fault: error };
  }
}

type Warnings = SubstituteWarning[];

function durabilityLost(before: ComposedFly, after: ComposedFly, component: string): Warnings {
  const warnings: Warnings = [];
  for (const s of before.steps.filter((x) => x.step.guard !== undefined)) {
    const then = after.steps.find((x) => x.id === s.id);
    const turned = s.step.do === "wind" && s.step.counter === true && then?.step.do === "wind" && !then.step.counter;
    if (!then || turned)
      warnings.push({ code: "DURABILITY_LOST", details: { name: s.name, guard: s.step.guard ?? "" } });
  }
  const [was, is] = [before, after].map((f) => f.parts.find((p) => p.component === component)?.material);
  const [a, b] = [was?.qualities?.strength, is?.qualities?.strength];
  if (a !== undefined && b !== undefined && b < a) {
    const guarded = after.steps.some((s) => s.step.guard !== undefined);
    warnings.push({
      code: "STRENGTH_LOST",
      details: { was: was?.name ?? "", is: is?.name ?? "", guarded },
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
  return [{ code: "GAP_LEFT", details: { name: step.name, thinnerMm: deepest, threadMetres: metres } }];
}

function weightChanged(before: ComposedFly, after: ComposedFly): Warnings {
  const change = after.tied.mass.total - before.tied.mass.total;
  if (Math.abs(change) < WEIGHT_SHARE * before.tied.mass.total) return [];
  return [{ code: "WEIGHT_CHANGED", details: { byMg: change } }];
}

/** What was not crowded before: a heavier thread whose head no longer fits, a fuller body over the point. */
function newlyCrowded(before: ComposedFly, after: ComposedFly): Warnings {
  const was = new Set(before.tied.warnings.map((w) => `${w.step}/${w.code}`));
  return after.tied.warnings
    .filter((w) => !was.has(`${w.step}/${w.code}`))
    .map((warning) => ({ code: "NEWLY_CROWDED" as const, details: { warning } }));
}

/**
 * Thin glue creeps and sets at once, gel stays and leaves time: they are told apart, and neither is called the better.
 */
function otherGlue(before: ComposedFly, after: ComposedFly, component: string): Warnings {
  const [was, is] = [before, after].map((f) => f.parts.find((p) => p.component === component)?.material.liquid);
  if (was?.kind !== "glue" || is?.kind !== "glue" || was.body === is.body) return [];
  return [{ code: "OTHER_GLUE", details: { body: is.body === "gel" ? "gel" : "thin" } }];
}

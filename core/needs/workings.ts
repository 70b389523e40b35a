import { setting, term, type Derivation, type Source } from "../derivation";
import type { ComposedFly } from "../fly";
import { issueQuantity, type Calibration } from "../learning";
import { basePerCore } from "../units";
import type { Requirement } from "./requirements";
import { contextOf, piecesPerFly, type Knowledge } from "./taken";
import { workingOfUse } from "./useWorkings";

const knownFrom = (c: Calibration): Source =>
  c.batches > 0 ? { from: "learned", batches: c.batches } : { from: "setting" };

/** What the working of a requirement is made of, whichever way it is counted. */
interface Working {
  requirement: Requirement;
  context: ReturnType<typeof contextOf>;
  flies: number;
  started: ReturnType<typeof term>;
  /** What is lost before the vise. */
  lost: ReturnType<typeof term>[];
  parts: Derivation[];
}

/** The working of a requirement: what one fly takes, step by step, then from one fly to the batch. */
export function workingOf(
  requirement: Requirement,
  fly: ComposedFly,
  flies: number,
  known: Knowledge = {},
): Derivation {
  const material = fly.parts.find((p) => p.component === requirement.component)?.material ?? {
    code: requirement.material,
  };
  const { component, role, uses } = requirement;
  const context = contextOf(flies, { component, role, material, uses }, known);
  const lostAs = `lost before the vise: ${"prepLoss" in material ? (material.prepLoss?.what ?? "") : ""}`;
  const lostFrom: Source = { from: "material", where: requirement.materialName };
  const lost = context.prepLoss > 0 ? [term(lostAs, 100 * context.prepLoss, "%", lostFrom)] : [];
  const parts = uses.map(({ step, use }) => {
    const entered = asEntered(fly, step);
    return { ...workingOfUse(fly, step, use, context), ...(entered !== undefined && { entered }) };
  });
  const isCounted = uses.every(({ use }) => piecesPerFly(use, Math.exp(context.calibration.m)) !== undefined);
  const working: Working = { requirement, context, flies, started: term("flies started", flies, "flies"), lost, parts };
  return isCounted ? ofPieces(working) : ofLengths(working);
}

/** Whole pieces: as many as leave enough of them sound. */
function ofPieces({ requirement, context: c, started, lost, parts }: Working): Derivation {
  const brokenFrom: Source = c.counted > 0 ? { from: "learned", batches: c.counted } : setting;
  const pieceBase = requirement.cutTo === undefined ? 1 : requirement.cutTo * basePerCore.um;
  return {
    formula: "Whole pieces",
    written: "the smallest n with P(at least ⌈m · flies⌉ of n are sound) ≥ level",
    inputs: [
      started,
      term("m, taken by each fly", requirement.perFly / (requirement.cutTo ?? 1), "pieces"),
      ...(requirement.cutTo === undefined ? [] : [term("cut to", requirement.cutTo, "mm", knownFrom(c.calibration))]),
      ...lost,
      term(`sound, prior of ${c.breaksAs} and log`, c.pieces.good, "pieces", brokenFrom),
      term(`spoiled, prior of ${c.breaksAs} and log`, c.pieces.bad, "pieces", brokenFrom),
      term("level", 100 * c.level, "%", setting),
    ],
    through: [{ name: "needed, ⌈m · flies⌉", value: requirement.net / pieceBase, unit: "pieces" }],
    result: { name: "to issue", value: requirement.issue / pieceBase, unit: "pieces" },
    parts,
  };
}

/** Lengths and masses: what is used, and what it may be more. */
function ofLengths({ requirement, context: c, flies, started, lost, parts }: Working): Derivation {
  const q = issueQuantity(flies, requirement.perFly, c.calibration, c.level);
  const unit = requirement.unit === "um" ? "mm" : requirement.unit === "ug" ? "mg" : "µl";
  return {
    formula: "Lengths and masses",
    written: "N · use · exp(m + z · √(v + 0.08² + 0.15²/N)), rounded up to what the drawer gives out",
    inputs: [
      started,
      term("use of one fly", requirement.perFly, unit),
      ...lost,
      term("m, mean of ln κ", c.calibration.m, "", knownFrom(c.calibration)),
      term("v, variance of ln κ", c.calibration.v, "", knownFrom(c.calibration)),
      term("level", 100 * c.level, "%", setting),
    ],
    through: [
      { name: "N · use", value: flies * requirement.perFly, unit },
      { name: "z of the level", value: q.z, unit: "" },
      { name: "spread of ln use", value: q.spread, unit: "" },
      { name: "quantity", value: q.issue, unit },
    ],
    result: { name: "to issue", value: requirement.issue / basePerCore[requirement.unit], unit },
    parts,
  };
}

/**
 * The quantity in the words of whoever entered it; undefined where they were not kept because nothing was to be read
 * into them.
 */
function asEntered(fly: ComposedFly, stepId: string): string | undefined {
  const step = fly.steps.find((s) => s.id === stepId)?.step;
  if (!step || (step.stated === undefined && !step.spread)) return undefined;
  const spread = step.spread ? `${step.spread[0]} to ${step.spread[1]}, computed with the middle` : "";
  return [step.stated ? `“${step.stated}”` : "", spread].filter(Boolean).join(": ");
}

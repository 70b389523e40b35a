import { DomainError } from "../../errors";
import { spotOf, zoneOf } from "../../hooks";
import { diameterAt, heapUp, ledgeIn } from "../profile";
import { ribbonOf, ropeOf, ropeStrandLength, type Strand } from "../strand";
import { feathersPerFly, fliesPerPiece, fromSpool } from "../take";
import type { StepResult, TyingStep } from "../types";
import type { Vise } from "../vise";
import {
  pitchToUseUp,
  stretchToUse,
  turnsToUseUp,
  wind,
  roundPostMm,
  windAtSpot,
  windRoundPost,
  windToFill,
  type WindResult,
  type WindRule,
} from "../wind";

type WindStep = TyingStep & { do: "wind" };

/** A strand, a rope of strands or the thread itself is wound, its own tie-in bound down first. */
export function runWind(vise: Vise, step: WindStep): StepResult {
  const strand = strandOfStep(vise, step);
  if (step.laid) vise.bind(strand.area, step.laid.from, step.laid.to);
  const under = diameterAt(vise.profile, vise.at(step.from));
  const before = step.smooth ? vise.profile.d.slice() : undefined;
  const wound = windOn(vise, step, strand);
  const base: StepResult = {
    id: step.id,
    name: step.name,
    do: "wind",
    under,
    from: wound.from,
    to: wound.to,
    length: wound.length,
    turns: wound.turns,
    pitch: wound.pitch,
    cover: wound.cover,
    growth: wound.growth,
    growthMm: 2 * strand.thickness * wound.growth * (step.passes ?? 1),
    perPass: wound.perPass,
    stretch: wound.length > 0 ? wound.length / wound.unstretched : 1,
    ...(before && { ledge: ledgeIn({ ...vise.profile, d: before }, wound.from, wound.to) }),
  };
  if (step.strand === "thread") {
    vise.use.windings += wound.length;
    if (wound.from === wound.to) heapUp(vise.profile, wound.from, wound.length * strand.area, vise.beadMm);
    return base;
  }
  // What was measured by its leftover was drawn tight where it is bound, too.
  const tightened = step.tookMm === undefined ? 1 : wound.length / wound.unstretched;
  const bound = (step.take?.bound ?? 0) / tightened;
  vise.mass.materials += strand.massPerMm * (wound.unstretched + bound);
  return { ...base, bound, ...taken(step, wound, bound) };
}

function strandOfStep(vise: Vise, step: WindStep): Strand {
  if (step.strand === "thread") return vise.strandAs(step.aspect);
  return step.ribbon ? ribbonOf(step.strand, step.rope ?? 1) : ropeOf(step.strand, step.rope ?? 1);
}

function windOn(vise: Vise, step: WindStep, strand: Strand): WindResult {
  const a = vise.at(step.from);
  if (step.roundMm !== undefined) return windPost(step, strand, a, step.roundMm);
  const b = step.to === undefined ? undefined : vise.at(step.to);
  if (b === undefined) return windTouching(vise, step, strand, a);
  return Math.abs(b - a) < 1e-9 ? windSpot(vise, step, strand, a) : windZone(vise, step, strand, a, b);
}

function windPost(step: WindStep, strand: Strand, at: number, postMm: number): WindResult {
  const turns =
    step.useUp === undefined
      ? step.rule.turns
      : Math.min(step.atMost ?? Infinity, step.useUp / roundPostMm(strand, postMm));
  if (turns === undefined)
    throw new DomainError("STEP_NEEDS", { step: step.name, missing: "how many turns go round the post" });
  return windRoundPost(strand, at, postMm, turns, step.stretch);
}

function windSpot({ profile, hook, beadMm }: Vise, step: WindStep, strand: Strand, a: number): WindResult {
  const at = spotOf(a, hook, beadMm);
  const turns =
    step.useUp === undefined
      ? (step.rule.turns ?? 0)
      : Math.min(step.atMost ?? Infinity, turnsToUseUp(profile, strand, at, step.useUp));
  return windAtSpot(profile, strand, at, turns, step.stretch);
}

function windZone(vise: Vise, step: WindStep, strand: Strand, a: number, b: number): WindResult {
  const { profile, hook, beadMm } = vise;
  const whole = zoneOf(a, b, hook, beadMm);
  // Thread crosses the eyes; what is built up over the shank ends behind them.
  const zone = step.strand === "thread" ? whole : vise.behindHard(whole);
  const passes = step.passes ?? 1;
  if (step.fill) return windToFill(profile, strand, zone, step.fill);
  if (step.tookMm !== undefined) {
    const stretch = stretchToUse(profile, strand, zone, step.rule, passes, step.tookMm, step.take?.bound);
    return wind(profile, strand, zone, step.rule, { passes, stretch });
  }
  const closest = (zone.to - zone.from) / (step.atMost ?? Infinity);
  const rule: WindRule =
    step.useUp === undefined
      ? step.rule
      : { pitch: Math.max(closest, pitchToUseUp(profile, strand, zone, step.useUp)) };
  return wind(profile, strand, zone, rule, { passes, stretch: step.stretch ?? 1 });
}

/** Touching with so many turns: it ends where they end. Turns pushed into a bead lie on the bare wire there. */
function windTouching({ profile, beadMm, hook }: Vise, step: WindStep, strand: Strand, a: number): WindResult {
  if (!(step.rule.touching && step.rule.turns))
    throw new DomainError("STEP_NEEDS", { step: step.name, missing: "an end, or touching with a number of turns" });
  if (a < -1e-9) throw new DomainError("ZONE_OVER_EYE", { fromMm: a });
  const options = { passes: step.passes ?? 1, stretch: step.stretch ?? 1 };
  const from = Math.max(a, beadMm);
  const inside = from > beadMm + 1e-9 ? 0 : Math.min(step.rule.turns, (step.cavityMm ?? 0) / strand.width);
  const insideMm = inside * Math.PI * (hook.wire + strand.core);
  if (step.rule.turns - inside < LEAST_TURN) {
    const hidden = windAtSpot(profile, strand, from, step.rule.turns, step.stretch);
    return { ...hidden, length: insideMm, unstretched: insideMm / options.stretch, perPass: [insideMm] };
  }
  const wound = wind(profile, strand, { from }, { ...step.rule, turns: step.rule.turns - inside }, options);
  return {
    ...wound,
    length: wound.length + insideMm,
    unstretched: wound.unstretched + insideMm / options.stretch,
    turns: wound.turns + inside,
    perPass: [insideMm + (wound.perPass[0] ?? 0), ...wound.perPass.slice(1)],
  };
}
/** Less than this of a turn is none. */
const LEAST_TURN = 0.05;

function taken(
  step: WindStep,
  { length, unstretched }: { length: number; unstretched: number },
  bound: number,
): Partial<StepResult> {
  const rope = step.rope ?? 1;
  const one = ropeStrandLength(unstretched + bound, step.ribbon ? 1 : rope);
  const common = { strands: rope, strandLength: one };
  switch (step.take?.from) {
    case undefined:
      return { ...common, use: one };
    case "spool":
      return { ...common, use: fromSpool({ length: one, trim: step.take.trim }), trim: step.take.trim };
    case "pieces":
      return { ...common, fliesPerPiece: fliesPerPiece(step.take, { length: one }) };
    case "feather":
      return { ...common, feathers: feathersPerFly(step.take, { length, bound }) };
  }
}

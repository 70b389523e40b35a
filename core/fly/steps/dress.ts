import { bounds, guard } from "../../units";
import { DomainError } from "../../errors";
import type { Material } from "../../materials";
import { methodFigures } from "../../methods";
import type { DubbedShape, NoodleThickness, RecipeStep } from "../../recipe";
import { DEFAULT_DUBBING_LOSS, type DressRule, type TyingStep } from "../../tying";
import type { FlyContext } from "../context";
import { spanning } from "../order";

type DressStep = RecipeStep & { do: "dress" };

/** Fullness along a dubbed shape, as shares of its fullest, from the end named first. */
const shapes: Record<DubbedShape, number[]> = {
  slim: [1, 0.85],
  tapered: [1, 0.5],
  cigar: [0.6, 0.95, 1, 0.85, 0.5],
  ball: [0.45, 0.9, 1, 0.9, 0.45],
};

/** Line density of a noodle in mg/mm as people name it; docs/arithmetic.md, "Dress". */
export const noodleDensities: Record<NoodleThickness, number> = { sparse: 0.04, medium: 0.1, full: 0.14 };

/** Dubbing as it is put on: twisted, in a loop or touched, by its noodle or by the finished shape. */
export function resolveDress(c: FlyContext, step: DressStep): TyingStep {
  const material = c.material(step);
  if (!material.dubbing)
    throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the packed density of “${material.name}”` });
  if (step.trace) return traceOf(c, step, material);
  const { density, lineDensity, loss = DEFAULT_DUBBING_LOSS } = material.dubbing;
  const way = c.school(step, "dubbing way");
  return {
    id: step.id,
    name: step.name,
    do: "dress",
    from: step.from,
    to: step.to,
    rule: ruleOf(c, step),
    dubbing: {
      density,
      lineDensity: loadOf(c, step) ?? (step.thickness ? noodleDensities[step.thickness] : lineDensity),
      loss: lossOf(c, step, way === "touched" ? methodFigures.touchedLoss : loss),
    },
    loop: way === "loop" ? (step.loopMm ?? "as the noodle") : undefined,
  };
}

/** Put on amply and reduced, some of what was put on comes off again and is lost as well. */
const lossOf = (c: FlyContext, step: DressStep, loss: number): number =>
  c.school(step, "dubbing dose") === "reduced" ? 1 - (1 - loss) * (1 - methodFigures.reducedLoss) : loss;

/** Flies that a packet makes by traces, where nobody has counted yet, and what a packet weighs: nominal. */
const TRACES_A_PACKET = 200;
const PACKET_MG = 1000;

/** A trace is never weighed and fills nothing: the packet ties so many flies. */
function traceOf(c: FlyContext, step: DressStep, { unit, fliesPerPacket = TRACES_A_PACKET }: Material): TyingStep {
  // A drawer that counts by weight is charged an even share of a packet.
  c.take(step, unit === "ug" ? { kind: "mass", mg: PACKET_MG / fliesPerPacket } : { kind: "packets", fliesPerPacket });
  // At the zone's rear end, which is on the shank even where a bead covers its front.
  return { id: step.id, name: step.name, do: "act", at: spanning(c.hook, step).to };
}

/** mg a mm of a loop that says what it carries, where it is a loop that is tied. */
const loadOf = (c: FlyContext, step: DressStep): number | undefined =>
  step.loopMm !== undefined && c.school(step, "dubbing way") === "loop" ? step.loopLoad : undefined;

function ruleOf(c: FlyContext, step: DressStep): DressRule {
  guard("loop", step.loopMm, bounds.loopMm);
  guard("layers of the loop", step.loopLayers, bounds.loopLayers);
  guard("load of the loop", step.loopLoad, bounds.loopLoad);
  if (loadOf(c, step) !== undefined) return { noodle: (step.loopMm ?? 0) * (step.loopLayers ?? 1) };
  const byShape = step.fullness && c.school(step, "dubbing amount") !== "noodle";
  if (step.noodle && !byShape) {
    // A noodle that is said to make a shape lies as the shape does: its volume as the square of the fullness.
    const taper = step.taper ?? (step.shape && shapes[step.shape].map((share) => share * share));
    return { noodle: c.lengths.mm(step.noodle), ...(taper && { taper }) };
  }
  if (!step.fullness)
    throw new DomainError("STEP_NEEDS", { step: step.name, missing: "how full, or how long a noodle" });
  const [a, b] = [c.lengths.mm(step.fullness[0]), c.lengths.mm(step.fullness[1])];
  if (!step.shape) return { target: [a, b] };
  const full = Math.max(a, b);
  return { target: shapes[step.shape].map((share) => share * full) };
}

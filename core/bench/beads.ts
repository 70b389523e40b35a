import type { Material } from "../materials";
import { beadFaults, exchangeBead, meanDiameter, type BeadExchange, type BeadFault } from "../tying";
import type { ComposedFly } from "../fly";

export interface BeadJudgement extends BeadExchange {
  from: Material;
  to: Material;
  /** Turns of weight wire on the fly now. */
  turnsNow: number;
  wire: Material;
  roomMm: number;
  /** Where the bead does not go on this hook. */
  faults: BeadFault[];
}

/** Nominal length of shank behind the bead that weight wire may take: from the bead to where the body ends. */
const WEIGHT_ROOM_OF_SHANK = 0.6;

/**
 * Another bead on this fly: the turns of weight wire that make up for it, and whether they fit.
 *
 * @param wire the weight wire to count in; the fly's own where it has one
 * @returns undefined when the fly has no bead, or one of the materials is not what it should be
 */
export function judgeBead(fly: ComposedFly, bead: Material, wire: Material | undefined): BeadJudgement | undefined {
  const seat = fly.steps.find((s) => s.role === "bead" && s.material?.part);
  const from = seat?.material;
  const weight = fly.steps.find((s) => s.role === "weight" && s.step.do === "wind");
  const used = weight?.material ?? wire;
  if (!from?.part || !bead.part || !used?.strand?.density) return undefined;
  const turnsNow = weight ? (fly.tied.steps.find((r) => r.id === weight.id)?.turns ?? 0) : 0;
  const { width: diameter, density } = used.strand;
  const behindMm = meanBehind(fly, bead.part.length);
  const free = WEIGHT_ROOM_OF_SHANK * fly.hook.shank - bead.part.length - turnsNow * diameter;
  const roomMm = Math.max(0, free + (bead.part.cavityMm ?? 0));
  const exchange = exchangeBead({
    massOld: from.part.mass,
    massNew: bead.part.mass,
    wire: { diameter, density },
    behindMm,
    roomMm,
    turnsThere: Math.floor(turnsNow + 1e-9),
  });
  return { ...exchange, from, to: bead, turnsNow, wire: used, roomMm, faults: beadFaults(bead.part, fly.hook) };
}

/** D just behind the new bead as the turns find it: the wire and its thread base, before the weight goes on. */
function meanBehind(fly: ComposedFly, beadLength: number): number {
  const at = fly.steps.findIndex((s) => s.role === "weight");
  const before = fly.tied.steps.filter((r) => r.do !== "seat" && r.after).slice(0, at === -1 ? 1 : Math.max(1, at));
  const bare = before.find((r) => r.do === "wind" && r.strands === undefined)?.after;
  if (!bare) return fly.hook.wire;
  return meanDiameter({ ...fly.tied.profile, d: bare }, beadLength, beadLength + fly.hook.eye);
}

/** What is wrong with the bead that the fly has, at the step that seats it. */
export function ownBeadFaults(fly: ComposedFly): { step: string; fault: BeadFault }[] {
  return fly.steps.flatMap((s) =>
    s.role === "bead" && s.material?.part
      ? beadFaults(s.material.part, fly.hook).map((fault) => ({ step: s.id, fault }))
      : [],
  );
}

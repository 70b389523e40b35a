import { DomainError } from "../errors";
import { strandOf } from "../tying";
import type { Material } from "./material";

/** A blend of blends of blends is still mixed by somebody; deeper than that it is a slip. */
export const MOST_BLEND_DEPTH = 6;

type Cabinet = ReadonlyMap<string, Pick<Material, "blend">>;
type Shares = Readonly<Record<string, number>>;

/**
 * A blend by its plainest parts: parts that are blends themselves are opened up, shares multiplied.
 *
 * @param opened what was opened before in the same cabinet: a part that many blends share is opened once
 * @returns shares that add up to 1, by material code
 * @throws DomainError BLEND_CYCLE when a blend would be mixed from itself; BLEND_EMPTY for one without parts;
 *   BLEND_TOO_DEEP beyond `MOST_BLEND_DEPTH` blends within each other; MATERIAL_UNKNOWN for a part that is not there
 */
export function plainParts(code: string, materials: Cabinet, opened: OpenedBlends = new Map()): Shares {
  return open(code, materials, opened, []).shares;
}

/** Blends of one cabinet that were opened up, by code. */
export type OpenedBlends = Map<string, Opened>;

/** A material opened up, and how many blends stand within each other in it: 0 for a plain one. */
interface Opened {
  shares: Shares;
  depth: number;
}

function open(code: string, materials: Cabinet, opened: OpenedBlends, through: string[]): Opened {
  const known = opened.get(code);
  if (known) {
    guardDepth(through[0] ?? code, through.length + known.depth);
    return known;
  }
  if (through.includes(code))
    throw new DomainError("BLEND_CYCLE", { blend: code, through: [...through.slice(through.indexOf(code) + 1), code] });
  const material = materials.get(code);
  if (!material) throw new DomainError("MATERIAL_UNKNOWN", { material: code, component: "blend" });
  const made = material.blend ? mixed(code, material.blend.parts, materials, opened, through) : plain(code);
  opened.set(code, made);
  return made;
}

const plain = (code: string): Opened => ({ shares: { [code]: 1 }, depth: 0 });

function mixed(
  code: string,
  parts: Record<string, number>,
  materials: Cabinet,
  opened: OpenedBlends,
  through: string[],
): Opened {
  if (Object.keys(parts).length === 0) throw new DomainError("BLEND_EMPTY", { blend: code });
  guardDepth(through[0] ?? code, through.length + 1);
  const whole = Object.values(parts).reduce((a, b) => a + b, 0);
  const shares: Record<string, number> = {};
  let depth = 1;
  for (const [part, share] of Object.entries(parts)) {
    const inner = open(part, materials, opened, [...through, code]);
    depth = Math.max(depth, inner.depth + 1);
    for (const [plainCode, innerShare] of Object.entries(inner.shares))
      shares[plainCode] = (shares[plainCode] ?? 0) + (innerShare * share) / whole;
  }
  return { shares, depth };
}

function guardDepth(blend: string, depth: number): void {
  if (depth > MOST_BLEND_DEPTH) throw new DomainError("BLEND_TOO_DEEP", { blend, most: MOST_BLEND_DEPTH });
}

type Part = Pick<Material, "name" | "unit" | "strand">;
const massPerMm = ({ strand }: Part): number => (strand ? strandOf(strand).massPerMm : 0);

/** Whether a part can go into the mill by its mass: of a yarn somebody has to know the mass of a millimetre. */
export const isMillable = (part: Part): boolean => part.unit !== "um" || massPerMm(part) > 0;

/**
 * What a mass of a blend's part is in the unit of its drawer: mg as they are; yarn that is chopped for it in mm, by its
 * mass per mm.
 * @returns mg or mm
 * @throws DomainError STEP_NEEDS for a yarn whose mass per mm nobody knows
 */
export function partQuantity(part: Part, mg: number): number {
  if (part.unit !== "um") return mg;
  if (!isMillable(part))
    throw new DomainError("STEP_NEEDS", {
      step: "chopping for the mill",
      missing: `the mass of a millimetre of “${part.name}”`,
    });
  return mg / massPerMm(part);
}

import { DomainError } from "../errors";
import { fibresPerFeather, strandOf } from "../tying";
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

type Part = Pick<Material, "name" | "unit" | "strand" | "feather" | "fibreMm">;
const massPerMm = ({ strand }: Part): number => (strand ? strandOf(strand).massPerMm : 0);

/** Of a feather: its fibres, as long as its longest; as its stem, where nobody has measured that. */
const massOfFeather = (part: Part): number =>
  part.feather ? fibresPerFeather(part.feather) * (part.fibreMm ?? part.feather.usable) * massPerMm(part) : 0;

/** mg in a mm, or in a feather; 0 where nobody can know it. */
const massOfUnit = (part: Part): number =>
  part.unit === "ug" ? 1 : part.unit === "um" ? massPerMm(part) : part.unit === "count" ? massOfFeather(part) : 0;

/**
 * Whether a part can be mixed in by its mass: of a yarn somebody has to know the mass of a millimetre, of a feather how
 * many fibres of which length it has.
 */
export const isMillable = (part: Part): boolean => massOfUnit(part) > 0;

/**
 * What a mass of a blend's part is in the unit of its drawer: mg as they are; yarn that is chopped for it in mm, by its
 * mass per mm; feathers by the mass of their fibres.
 * @returns mg, mm or feathers
 * @throws DomainError STEP_NEEDS where nobody knows what a millimetre or a piece of it weighs
 */
export function partQuantity(part: Part, mg: number): number {
  if (!isMillable(part))
    throw new DomainError("STEP_NEEDS", {
      step: "mixing it in",
      missing:
        part.unit === "um" ? `the mass of a millimetre of “${part.name}”` : `what one piece of “${part.name}” weighs`,
    });
  return mg / massOfUnit(part);
}

/** A material that lies in a loop with others, and its share of what the loop carries. */
export interface Layer {
  material: Material;
  share: number;
}

/**
 * What lies over each other in a loop instead of being milled; a layer may itself be a blend of the mill.
 * @returns shares that add up to 1; none where the material is not laid
 * @throws DomainError BLEND_EMPTY, BLEND_TOO_DEEP, MATERIAL_UNKNOWN
 */
export function layersOf(material: Material, materials: ReadonlyMap<string, Material>, depth = 0): Layer[] {
  if (!material.blend?.laid) return [];
  const parts = Object.entries(material.blend.parts);
  if (parts.length === 0) throw new DomainError("BLEND_EMPTY", { blend: material.code });
  guardDepth(material.code, depth + 1);
  const whole = parts.reduce((sum, [, share]) => sum + share, 0);
  return parts.flatMap(([code, part]) => {
    const layer = materials.get(code);
    if (!layer) throw new DomainError("MATERIAL_UNKNOWN", { material: code, component: "blend" });
    const inner = layersOf(layer, materials, depth + 1);
    const share = part / whole;
    return inner.length > 0 ? inner.map((l) => ({ ...l, share: l.share * share })) : [{ material: layer, share }];
  });
}

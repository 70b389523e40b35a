import { DomainError } from "../errors";
import { strandOf } from "../tying";
import type { Material } from "./material";

/**
 * A blend by its plainest parts: parts that are blends themselves are opened up, shares multiplied.
 * @returns shares that add up to 1, by material code
 * @throws DomainError BLEND_CYCLE when a blend would be mixed from itself; BLEND_EMPTY for one without parts;
 *   MATERIAL_UNKNOWN for a part that is not there
 */
export function plainParts(
  code: string,
  materials: ReadonlyMap<string, Pick<Material, "blend">>,
  through: string[] = [],
): Record<string, number> {
  if (through.includes(code))
    throw new DomainError("BLEND_CYCLE", { blend: code, through: [...through.slice(through.indexOf(code) + 1), code] });
  const material = materials.get(code);
  if (!material) throw new DomainError("MATERIAL_UNKNOWN", { material: code, component: "blend" });
  if (!material.blend) return { [code]: 1 };
  if (Object.keys(material.blend.parts).length === 0) throw new DomainError("BLEND_EMPTY", { blend: code });
  const whole = Object.values(material.blend.parts).reduce((a, b) => a + b, 0);
  const shares: Record<string, number> = {};
  for (const [part, share] of Object.entries(material.blend.parts))
    for (const [plain, inner] of Object.entries(plainParts(part, materials, [...through, code])))
      shares[plain] = (shares[plain] ?? 0) + (inner * share) / whole;
  return shares;
}

/**
 * What a mass of a blend's part is in the unit of its drawer: mg as they are; yarn that is chopped for it in mm, by its
 * mass per mm.
 * @returns mg or mm
 * @throws DomainError STEP_NEEDS for a yarn whose mass per mm nobody knows
 */
export function partQuantity(part: Pick<Material, "name" | "unit" | "strand">, mg: number): number {
  if (part.unit !== "um") return mg;
  const massPerMm = part.strand ? strandOf(part.strand).massPerMm : 0;
  if (!(massPerMm > 0))
    throw new DomainError("STEP_NEEDS", {
      step: "chopping for the mill",
      missing: `the mass of a millimetre of “${part.name}”`,
    });
  return mg / massPerMm;
}

import { DomainError } from "../errors";
import type { Material } from "./material";

/**
 * A blend by its plainest parts: parts that are blends themselves are opened up, shares multiplied.
 * @returns shares that add up to 1, by material code
 * @throws DomainError BLEND_CYCLE when a blend would be mixed from itself; MATERIAL_UNKNOWN for a part that is not there
 */
export function plainParts(code: string, materials: ReadonlyMap<string, Pick<Material, "blend">>, through: string[] = []): Record<string, number> {
  if (through.includes(code)) throw new DomainError("BLEND_CYCLE", { blend: code, through: [...through.slice(through.indexOf(code) + 1), code] });
  const material = materials.get(code);
  if (!material) throw new DomainError("MATERIAL_UNKNOWN", { material: code, component: "blend" });
  if (!material.blend) return { [code]: 1 };
  const whole = Object.values(material.blend.parts).reduce((a, b) => a + b, 0);
  const shares: Record<string, number> = {};
  for (const [part, share] of Object.entries(material.blend.parts))
    for (const [plain, inner] of Object.entries(plainParts(part, materials, [...through, code]))) shares[plain] = (shares[plain] ?? 0) + (inner * share) / whole;
  return shares;
}

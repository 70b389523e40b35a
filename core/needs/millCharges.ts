import { isMillable, partQuantity, type Material, type Materials } from "../materials";
import { blendCharge } from "../tying";
import { basePerCore, nothing, quantityOf, type Quantity } from "../units";
import { benchWords } from "./benchWords";
import type { Requirement } from "./requirements";

/** So many times what is missing is milled: the rest is stock for the next batch. */
export const BLEND_RESERVE = 1.1;

/** So much of one part of a blend, in the unit in which the drawer counts it. */
export interface BlendPart {
  material: Material;
  quantity: Quantity;
}

/**
 * What blends that are still to be milled take of their parts, one batch after another: what a charge leaves over
 * serves the next before another one is milled.
 */
export class MillCharges {
  private readonly over = new Map<string, number>();

  constructor(private readonly materials: Materials) {}

  /**
   * The parts for so much that is missing of a blend; none where an earlier charge left enough, or where it is no
   * blend. A part that cannot be milled is left out: the mill says why.
   * @param missing of the blend, µg
   */
  partsFor(code: string, missing: number): BlendPart[] {
    const blend = this.materials.get(code)?.blend;
    const over = this.over.get(code) ?? 0;
    if (!blend || missing <= over) {
      if (blend) this.over.set(code, over - missing);
      return [];
    }
    const short = missing - over;
    const { charge, parts } = blendCharge((short / basePerCore.ug) * BLEND_RESERVE, blend.leastChargeMg, blend.parts);
    this.over.set(code, charge * basePerCore.ug - short);
    return Object.entries(parts).flatMap(([part, mg]) => {
      const material = this.materials.get(part);
      if (!material || !isMillable(material)) return [];
      const quantity = quantityOf(partQuantity(material, mg), material.unit, "to issue");
      return quantity > nothing ? [{ material, quantity }] : [];
    });
  }
}

/** A part of a blend as a batch asks for it: as much as the mill takes, without an allowance of its own. */
export function partRequirement(blend: Requirement, { material, quantity: much }: BlendPart): Requirement {
  const requirement = {
    key: `${blend.key}/${material.code}`,
    component: blend.component,
    role: blend.role,
    material: material.code,
    materialName: material.name,
    unit: material.unit,
    alternates: [],
    // Any piece of a yarn will do: it is chopped.
    perFly: 1,
    net: much,
    expected: much,
    issue: much,
    teaches: false,
    uses: [],
  };
  return { ...requirement, words: benchWords(requirement, material.form) };
}

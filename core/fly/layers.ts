import { partQuantity, type Layer } from "../materials";
import type { FlyPart } from "./types";

/**
 * One layer of what is laid in a loop, as a part of its own: it comes from its own drawer, in that drawer's unit.
 * @throws DomainError STEP_NEEDS where nobody knows what a piece of it weighs
 */
export function layerPart(part: FlyPart, { material, share }: Layer): FlyPart {
  const uses = part.uses.flatMap(({ step, use }): FlyPart["uses"] => {
    if (use.kind !== "mass") return [];
    const mg = use.mg * share;
    return [{ step, use: { kind: "layer", share, mg, each: partQuantity(material, mg), unit: material.unit } }];
  });
  return { ...part, material, alternates: [], uses, layers: [], area: undefined };
}

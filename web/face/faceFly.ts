import { composeFly, type ComposedFly } from "@kasten/core/fly";
import type { HookModel } from "@kasten/core/hooks";
import { sizesBetween } from "@kasten/core/hooks";
import type { Material } from "@kasten/core/materials";
import { requirementsOf, type Requirement } from "@kasten/core/needs";
import type { FlyChoice, Recipe } from "@kasten/core/recipe";
import kept from "./fly.json";

/** A pattern of the demo room with the hook and the materials that it needs, for whoever is not signed in yet. */
interface Kept {
  name: string;
  recipe: Recipe;
  choice: FlyChoice;
  model: HookModel;
  materials: Material[];
}
const fly = kept as unknown as Kept;
const materials = new Map(fly.materials.map((m) => [m.code, m]));
const DOZEN = 12;

export const faceName = fly.name;
export const faceSizes: string[] = sizesBetween(fly.recipe.sizes);

/** The fly on a hook size, and what so many dozens of it take: by the very computation that the room works with. */
export function faceAt(size: string, dozens: number): { fly: ComposedFly; needs: Requirement[] } {
  const composed = composeFly(fly.recipe, { ...fly.choice, size }, fly.model, materials);
  return { fly: composed, needs: requirementsOf(composed, dozens * DOZEN).filter((r) => r.role !== "hook") };
}

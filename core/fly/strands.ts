import { DomainError } from "../errors";
import type { Material } from "../materials";
import { strandOf, threadStrand, type Strand } from "../tying";
import type { RecipeStep } from "../recipe";

/** Forms of material whose turns splay out instead of piling up; yarn is pile too but keeps its growth. */
const cappedForms = new Set(["herl", "chenille", "hackle"]);
const pileForms = new Set(["herl", "chenille", "yarn", "hackle"]);

/** Strands by material: the same material is wound and laid again and again. */
const strands = new WeakMap<Material, Strand>();

/** The strand of a material as a step winds or lays it. @throws DomainError STEP_NEEDS when nobody knows its width */
export function strandFor(material: Material, step: RecipeStep): Strand {
  const known = strands.get(material) ?? made(material);
  if (!known)
    throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the width and thickness of “${material.name}”` });
  strands.set(material, known);
  return known;
}

function made({ strand, thread, form }: Material): Strand | undefined {
  if (strand) return strandOf({ ...strand, capped: cappedForms.has(form), pile: pileForms.has(form) });
  return thread && threadStrand(thread);
}

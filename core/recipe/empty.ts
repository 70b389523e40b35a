import type { Recipe } from "./recipe";

/** A recipe that nobody has told anything of. */
export const emptyRecipe = (): Recipe => ({
  hookModel: "",
  sizes: { from: "", to: "" },
  components: [{ id: "hook", role: "hook", material: [] }],
  steps: [],
  variants: [{ id: "standard", name: "standard", swaps: {} }],
  forms: [{ id: "standard", name: "standard", omit: [] }],
  finish: { state: "not stated" },
  minutesPerFly: 0,
  stepByStepFactor: 0.9,
  skills: [],
  pricePerDozenCents: 0,
});

import { readRecipe, sayStep, type RecipeReading } from "..";
import type { Component, RecipeStep } from "../../recipe";
import { cabinet, hooks } from "./cabinet";

const readings = new Map<string, RecipeReading>();
/** Each text is read once, whatever is then asked of its reading. */
export function read(text: string): RecipeReading {
  const known = readings.get(text) ?? readRecipe(text, { materials: cabinet, hooks });
  readings.set(text, known);
  return known;
}

export const partOf = ({ recipe }: RecipeReading, { component }: RecipeStep): Component | undefined =>
  recipe.components.find((c) => c.id === component);
/** The name of what a part is of, whether the cabinet has it or the recipe describes it. */
export const stuffOf = ({ newMaterials }: RecipeReading, part: Component | undefined): string => {
  const code = part?.material[0]?.value ?? "";
  return (newMaterials.find((m) => m.code === code) ?? cabinet.get(code))?.name ?? "";
};

/** Each step, as it is said back. */
export const stepsOf = (text: string): string[] => read(text).recipe.steps.map((s) => sayStep(s));
/** Each step behind its part: “tail: 6 fibres …”. */
export const stepsByPart = (text: string): string[] => {
  const reading = read(text);
  return reading.recipe.steps.map((s) => `${partOf(reading, s)?.role ?? ""}: ${sayStep(s)}`);
};
/** Each step behind its part and what that is of: “tail, red wool: 2 strands …”. */
export const stepsByStuff = (text: string): string[] => {
  const reading = read(text);
  return reading.recipe.steps.map((s) => {
    const part = partOf(reading, s);
    return `${part?.role ?? ""}, ${stuffOf(reading, part)}: ${sayStep(s)}`;
  });
};
/** All that is asked. */
export const asksOf = (text: string): string[] => read(text).lines.flatMap((l) => l.asks.map((a) => a.sentence));

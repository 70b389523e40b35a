import { sayStep, type RecipeReading } from "..";
import { cabinet } from "./cabinet";

/** What came of each line: its steps with their part and material, and a question mark where something is asked. */
export function outcome({ lines, recipe, newMaterials }: RecipeReading): string[] {
  const named = new Map([...cabinet, ...newMaterials.map((m) => [m.code, m] as const)]);
  const said = lines.flatMap((l, i) => [
    ...(l.asks.length > 0 ? [`${i + 1}?`] : []),
    ...l.steps.map((id) => {
      const step = recipe.steps.find((s) => s.id === id);
      const part = recipe.components.find((c) => c.id === step?.component);
      const of = named.get(part?.material[0]?.value ?? "");
      const isNew = of !== undefined && newMaterials.includes(of);
      return `${i + 1} ${[part?.role, of && `${of.name}${isNew ? ` (new, ${of.form})` : ""}`].filter(Boolean).join(", ")}: ${step ? sayStep(step) : ""}`;
    }),
  ]);
  const { finish } = recipe;
  const coats = finish.state === "given" ? [finish, ...(finish.then ?? [])].map((c) => c.coats).join("+") : "";
  return [
    `hook ${recipe.hookModel || "?"} ${recipe.sizes.from}-${recipe.sizes.to}`,
    ...said,
    `finish ${finish.state} ${coats}`.trim(),
  ];
}

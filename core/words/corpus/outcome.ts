import { sayStep, type RecipeReading } from "..";
import type { Component, RecipeStep } from "../../recipe";
import { cabinet } from "./cabinet";

type NameOf = (code: string) => string;

/** Sizes that a part or a step is otherwise on: what of, and how much. */
function onSizes(part: Component | undefined, step: RecipeStep | undefined, nameOf: NameOf): string[] {
  const [, ...more] = part?.material ?? [];
  return [
    ...more.map(({ sizes, value }) => `${nameOf(value)} on ${sizes?.from ?? "all"} to ${sizes?.to ?? "all"}`),
    ...(step?.bySize ?? []).map(({ sizes, set }) => {
      const changed = step && sayStep({ ...step, bySize: undefined, ...set } as RecipeStep);
      return `on ${sizes.from} to ${sizes.to} ${changed ?? ""}`;
    }),
  ];
}

/** What a choice may change of a part: whether it can be left out, and what does as well. */
const choicesOf = (part: Component | undefined, nameOf: NameOf): string[] => [
  ...(part?.optional ? ["may be left out"] : []),
  ...(part?.alternates ?? []).map((a) => `or ${nameOf(a.material)}`),
  ...(part?.area === undefined ? [] : [`from the ${part.area}`]),
];

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
      const nameOf: NameOf = (code) => named.get(code)?.name ?? code;
      const more = [...choicesOf(part, nameOf), ...onSizes(part, step, nameOf)].map((w) => `; ${w}`).join("");
      return `${i + 1} ${[part?.role, of && `${of.name}${isNew ? ` (new, ${of.form})` : ""}`].filter(Boolean).join(", ")}: ${step ? sayStep(step) : ""}${more}`;
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

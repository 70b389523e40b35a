import { areaOf, type Material } from "../../materials";
import type { Coat, Recipe, RecipeStep } from "../../recipe";
import { counted } from "./common";
import { sayWanted } from "./hook";
import { sayStep } from "./step";
import type { KnownHook } from "../hook";

/** Names of materials by their codes. */
export type Named = ReadonlyMap<string, Pick<Material, "name">>;

/** A step as one line of a recipe: what is done, to which part, of what it is tied, and how. */
export function sayLine(step: RecipeStep, recipe: Pick<Recipe, "components">, materials: Named): string {
  const component = recipe.components.find((c) => c.id === step.component);
  const part = component?.role ?? "part";
  const code = component?.material[0]?.value;
  const name = code === undefined ? undefined : materials.get(code)?.name;
  const of = name === undefined ? "" : `${name}, `;
  const from = component?.area === undefined ? "" : `from the ${areaOf(component.area)} of the skin, `;
  const how = sayStep(step);
  switch (step.do) {
    case "seat":
      return `mount the ${part}: ${of}${how}`;
    case "wind":
      return `wind the ${part}: ${of}${from}${how}`;
    case "dress":
      return `dub the ${part}: ${of}${from}${how}`;
    case "lay":
      return step.tiedIn === undefined ? `tie in the ${part}: ${of}${from}${how}` : `take over the ${part}: ${how}`;
    case "thread":
      return `change to ${name ?? "another thread"}`;
    case "glue":
      return `put on ${name ?? "glue"}: ${how}`;
    case "act":
      return component ? how.replace(step.act, `${step.act} the ${part}`) : how;
    case "whip":
      return how;
  }
}

/** A line of a recipe with the steps that it makes. */
export interface SaidLine {
  text: string;
  steps: string[];
}

/** A recipe as lines: as they were typed, or said by the program where nobody typed them. */
export function sayRecipe(recipe: Recipe, materials: Named): SaidLine[] {
  if (recipe.told && isWhole(recipe)) return recipe.told.map(({ text, steps }) => ({ text, steps: [...steps] }));
  return recipe.steps.map((s) => ({ text: sayLine(s, recipe, materials), steps: [s.id] }));
}

/** Whether what was typed tells all the steps that there are: a step that was made elsewhere is in no line. */
function isWhole({ told = [], steps }: Recipe): boolean {
  const made = new Set(told.flatMap((l) => l.steps));
  return steps.every((s) => made.has(s.id)) && made.size === steps.length;
}

/** The line that names the hook and the sizes. */
export function sayHook(
  { hookModel, hookWanted = {}, sizes }: Pick<Recipe, "hookModel" | "hookWanted" | "sizes">,
  hooks: Iterable<KnownHook>,
): string {
  const model = [...hooks].find((h) => h.id === hookModel);
  const span = sizes.from === sizes.to ? `size ${sizes.from}` : `sizes ${sizes.from} to ${sizes.to}`;
  return [`Hook: ${model?.name ?? hookModel}`, ...(sizes.from ? [span] : []), ...sayWanted(hookWanted)].join(", ");
}

/** The line that tells the finish; undefined where nobody has said. */
export function sayFinish(
  { finish, components }: Pick<Recipe, "finish" | "components">,
  materials: Named,
): string | undefined {
  if (finish.state === "not stated") return undefined;
  if (finish.state === "none") return "Finish: none";
  const name = (coat: Coat): string =>
    materials.get(components.find((c) => c.id === coat.component)?.material[0]?.value ?? "")?.name ?? "lacquer";
  const coats = [finish, ...(finish.then ?? [])].map((c) => `${name(c)}, ${counted(c.coats, "coat")}`);
  return `Finish: ${coats.join("; ")}`;
}

import { sayStep, readLine, readStep, type StepReading } from "@kasten/core/words";
import { type Component, type Recipe, type RecipeStep } from "@kasten/core/recipe";
import type { Material } from "@kasten/core/materials";
import type { PatternFile } from "@kasten/contract/patterns";

/** A step as it is being written: its words, and the step that they last made. */
export interface DraftRow {
  id: string;
  component?: string;
  text: string;
  /** The step when its words were last understood; everything that the words do not say is kept from it. */
  was?: RecipeStep;
}

/** A pattern as it is being written. Kept on the device until it is saved, so that nothing typed is lost. */
export interface Draft {
  /** The version it was made from; 0 for a new pattern. */
  base: number;
  name: string;
  style: string;
  origin: string;
  species: string;
  recipe: Recipe;
  rows: DraftRow[];
}

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

export const draftOf = (p: {
  name: string;
  style: string;
  origin: string;
  species: string;
  recipe: Recipe;
  version: number;
}): Draft => ({
  base: p.version,
  name: p.name,
  style: p.style,
  origin: p.origin,
  species: p.species,
  recipe: structuredClone(p.recipe),
  rows: p.recipe.steps.map((s) => ({ id: s.id, component: s.component, text: sayStep(s), was: structuredClone(s) })),
});

/** How one row is understood, in its place in the list. */
export function readRow(
  draft: Draft,
  index: number,
  materials: ReadonlyMap<string, Material>,
  numberWords: Record<string, number>,
  family?: string,
): StepReading {
  const row = draft.rows[index] as DraftRow;
  const component = draft.recipe.components.find((c) => c.id === row.component);
  const code = component?.material[0]?.value;
  const form = code === undefined ? undefined : materials.get(code)?.form;
  const boundIn = draft.rows
    .slice(0, index)
    .findLast(
      (r) =>
        r.component !== undefined &&
        r.component === row.component &&
        r.was?.do === "lay" &&
        (r.was.countedWhenWound === true || r.was.hanging === true),
    )?.id;
  const isKnot = row.component === undefined && row.was?.do === "whip";
  return readStep(row.text, {
    id: row.id,
    was: row.was,
    component: row.component,
    role: component?.role ?? (isKnot ? "thread" : undefined),
    form: form ?? (isKnot ? "thread" : undefined),
    boundIn,
    numberWords,
    family,
  });
}

/** The recipe that the rows make; a row that is not understood counts as it was last understood. */
export function recipeOfDraft(draft: Draft, readings: StepReading[]): Recipe {
  return { ...draft.recipe, steps: draft.rows.flatMap((row, i) => readings[i]?.step ?? row.was ?? []) };
}

/** The name, or the name with the first number that is free. */
export const unique = (wanted: string, taken: Iterable<string>): string => {
  const used = new Set(taken);
  if (!used.has(wanted)) return wanted;
  let n = 2;
  while (used.has(`${wanted}-${n}`)) n++;
  return `${wanted}-${n}`;
};

export const slug = (text: string): string =>
  text
    .toLowerCase()
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 60);

/** What a whole typed line would add: a row, and the part that it needs if the pattern has none of it yet. */
export function addLine(
  draft: Draft,
  text: string,
  materials: ReadonlyMap<string, Material>,
  numberWords: Record<string, number>,
  family?: string,
): { row: DraftRow; component?: Component; problem?: string } {
  const used = draft.recipe.components;
  const materialOf = (c: Component | undefined) => (c?.material[0] ? materials.get(c.material[0].value) : undefined);
  const line = readLine(text, {
    materials: materials.values(),
    ofRole: (role) => materialOf(used.find((c) => c.role === role)),
    step: { id: "new", numberWords, family },
  });
  if (line.role === "thread" && /\bwhip|knot\b/i.test(text))
    return {
      row: {
        id: unique(
          "whip",
          draft.rows.map((r) => r.id),
        ),
        text: line.how,
        was: line.reading.step,
      },
    };
  const isAct = line.role === undefined && line.reading.step?.do === "act";
  if (isAct)
    return {
      row: {
        id: unique(
          "act",
          draft.rows.map((r) => r.id),
        ),
        text,
        was: line.reading.step,
      },
    };
  if (line.role === undefined)
    return {
      row: { id: "", text },
      problem: "Begin with the part: “tail: olive pheasant tail, 6 fibres, = half shank”, or “whip finish, 5 turns”.",
    };
  const there = used.find(
    (c) => c.role === line.role && (!line.material || c.material.some((m) => m.value === line.material?.code)),
  );
  const component: Component | undefined = there
    ? undefined
    : {
        id: unique(
          slug(line.role),
          used.map((c) => c.id),
        ),
        role: line.role,
        material: line.material ? [{ value: line.material.code }] : [],
        ...(line.material ? {} : { asStated: text }),
      };
  const id = unique(
    slug(line.role),
    draft.rows.map((r) => r.id),
  );
  return {
    row: {
      id,
      component: (there ?? component)?.id,
      text:
        line.reading.step && line.reading.assumed.some((a) => a.endsWith(" hook"))
          ? sayStep(line.reading.step)
          : line.how,
      was:
        line.reading.step &&
        ({ ...line.reading.step, id, name: line.role, component: (there ?? component)?.id } as RecipeStep),
    },
    component,
  };
}

/**
 * The file that is saved. Components that no step, finish or glue uses any more are taken out, but for the hook and the
 * thread.
 */
export function fileOf(draft: Draft, id: string, recipe: Recipe): PatternFile {
  const finish =
    recipe.finish.state === "given"
      ? [recipe.finish.component, ...(recipe.finish.then ?? []).map((c) => c.component)]
      : [];
  const used = new Set([
    ...recipe.steps.flatMap((s) => [s.component, s.do === "seat" ? s.glue : undefined]),
    ...finish,
  ]);
  const components = recipe.components.filter(
    (c) =>
      used.has(c.id) || c.role === "hook" || c.role === "thread" || c.role === "finish" || c.asStated !== undefined,
  );
  return JSON.parse(
    JSON.stringify({
      id,
      name: draft.name.trim(),
      style: draft.style.trim(),
      origin: draft.origin,
      species: draft.species,
      recipe: { ...recipe, components },
    }),
  ) as PatternFile;
}

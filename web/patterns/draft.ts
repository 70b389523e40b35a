import {
  matchLines,
  readRecipe,
  sayFinish,
  sayHook,
  sayLine,
  sayRecipe,
  type KnownHook,
  type RecipeReading,
} from "@kasten/core/words";
import { emptyRecipe, type Component, type Recipe, type RecipeStep } from "@kasten/core/recipe";
import type { Material } from "@kasten/core/materials";
import type { PatternFile } from "@kasten/contract/patterns";

/** A line as it was when it was last read, with the steps that it made or once made. */
export interface DraftLine {
  text: string;
  ids: string[];
}

/** A pattern as it is being written. Kept on the device until it is saved, so that nothing typed is lost. */
export interface Draft {
  /** The version it was made from; 0 for a new pattern. */
  base: number;
  name: string;
  style: string;
  origin: string;
  species: string;
  /** The recipe as one text, a line a step. */
  text: string;
  lines: DraftLine[];
  /** What was last read of it; everything that no words say is kept here. */
  recipe: Recipe;
  /** Steps that a half-typed line makes no more, kept until it does again. */
  past: RecipeStep[];
}

export interface Room {
  materials: ReadonlyMap<string, Material>;
  hooks: Iterable<KnownHook>;
  numberWords: Record<string, number>;
}

export const emptyDraft = (): Draft => ({
  base: 0,
  name: "",
  style: "",
  origin: "",
  species: "",
  text: "",
  lines: [],
  recipe: emptyRecipe(),
  past: [],
});

export function draftOf(
  p: { name: string; style: string; origin: string; species: string; recipe: Recipe; version: number },
  materials: Room["materials"],
): Draft {
  const lines = sayRecipe(p.recipe, materials);
  return {
    base: p.version,
    name: p.name,
    style: p.style,
    origin: p.origin,
    species: p.species,
    text: lines.map((l) => l.text).join("\n"),
    lines: lines.map((l) => ({ text: l.text, ids: l.steps })),
    recipe: structuredClone(p.recipe),
    past: [],
  };
}

/** A draft of which nothing is read yet: its lines as they stand, and the recipe as it was. */
export const nothingRead = ({ text, recipe }: Draft): RecipeReading => ({
  lines: linesOf(text).map((line) => ({
    ...{ text: line, kind: "aside", steps: [], components: [] },
    ...{ marks: [], asks: [], assumed: [], notes: [] },
  })),
  recipe,
  newMaterials: [],
});

/** The recipe that a draft's text makes, line by line; a line that was only changed keeps what no words say of it. */
export function readDraft(draft: Draft, room: Room): RecipeReading {
  const ids = idsOf(draft);
  return readRecipe(draft.text, {
    ...room,
    was: { ...draft.recipe, steps: [...draft.recipe.steps, ...draft.past] },
    stepsOfLine: (i) => ids[i] ?? [],
  });
}

const linesOf = (text: string): string[] => text.split("\n");

/** The steps that each line made when it was read before. */
function idsOf(draft: Draft): string[][] {
  const now = linesOf(draft.text);
  const before = matchLines(
    draft.lines.map((l) => l.text),
    now,
  );
  return now.map((_, i) => draft.lines[before[i] ?? -1]?.ids ?? []);
}

/**
 * The draft with what was read of it as what the next reading starts from. Nothing that was told of a step is dropped.
 */
export function settled(draft: Draft, reading: RecipeReading): Draft {
  const ids = idsOf(draft);
  const lines = reading.lines.map((l, i): DraftLine => ({
    text: l.text,
    ids: l.steps.length > 0 ? l.steps : (ids[i] ?? []),
  }));
  const made = new Set(reading.recipe.steps.map((s) => s.id));
  const wanted = new Set(lines.flatMap((l) => l.ids));
  const past = [...draft.recipe.steps, ...draft.past].filter(
    (s, i, all) => !made.has(s.id) && wanted.has(s.id) && all.findIndex((x) => x.id === s.id) === i,
  );
  return { ...draft, recipe: reading.recipe, lines, past };
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

/** The text with one line of it said anew, where the program said it before: words that somebody typed stay. */
export function resaid(draft: Draft, before: Recipe, after: Recipe, materials: Room["materials"]): string {
  const was = new Map(before.steps.map((s) => [s.id, s]));
  const is = new Map(after.steps.map((s) => [s.id, s]));
  const ids = idsOf(draft);
  return linesOf(draft.text)
    .map((text, i) => {
      const [old, now] = [was.get(ids[i]?.[0] ?? ""), is.get(ids[i]?.[0] ?? "")];
      if (!old || !now || ids[i]?.length !== 1) return text;
      return text.trim() === sayLine(old, before, materials) ? sayLine(now, after, materials) : text;
    })
    .join("\n");
}

/** The text after the hook or the finish was changed beside it: the line that told it tells the new one. */
export function withFact(
  draft: Draft,
  reading: RecipeReading,
  about: "hook" | "finish",
  recipe: Recipe,
  room: Room,
): string {
  const at = reading.lines.findIndex((l) => l.about === about);
  if (at === -1) return draft.text;
  const said = about === "hook" ? sayHook(recipe, room.hooks) : sayFinish(recipe, room.materials);
  return linesOf(draft.text)
    .flatMap((text, i) => (i !== at ? [text] : said === undefined ? [] : [said]))
    .join("\n");
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
    (c: Component) =>
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

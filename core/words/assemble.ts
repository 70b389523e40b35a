import { deepCopy } from "./copy";
import type { HookWanted } from "../hooks";
import type { Material } from "../materials";
import { emptyRecipe, type Recipe, type ToldLine } from "../recipe";
import type { Reading, RecipeLine } from "./reading";
import { sayLine } from "./say/recipe";

/** The recipe that the bench has made, with what no words say kept from the recipe before. */
export function assemble(r: Reading): Recipe {
  const { bench, context } = r;
  const was = context.was ?? emptyRecipe();
  const used = new Set(bench.made.flatMap((m) => [m.step.component, m.step.do === "seat" ? m.step.glue : undefined]));
  const finish = bench.finish.state !== "not stated" ? keptDry(bench.finish, was.finish) : was.finish;
  const coats = finish.state === "given" ? [finish.component, ...(finish.then ?? []).map((c) => c.component)] : [];
  const components = bench.components.filter(
    (c) =>
      c.role === "hook" || c.role === "thread" || used.has(c.id) || coats.includes(c.id) || bench.declared.has(c.id),
  );
  // What no line was about before is none of the lines' to take away.
  const told = new Set(was.steps.flatMap((s) => s.component ?? []));
  for (const c of was.components)
    if (!told.has(c.id) && c.role !== "finish" && !components.some((x) => x.id === c.id)) components.push(deepCopy(c));
  // The finish of a recipe that says none in its words keeps its product.
  for (const id of coats) {
    const own = was.components.find((c) => c.id === id);
    if (own && !components.some((c) => c.id === id)) components.push(deepCopy(own));
  }
  const sizes = bench.facts.sizes ?? was.sizes;
  const rank = new Map(was.components.map((c, i) => [c.id, i]));
  components.sort((a, b) => (rank.get(a.id) ?? rank.size) - (rank.get(b.id) ?? rank.size));
  return {
    ...was,
    hookModel: bench.facts.hookModel ?? was.hookModel,
    hookWanted: bench.facts.hookWanted ? stated(bench.facts.hookWanted) : was.hookWanted,
    sizes,
    components,
    steps: bench.made.map((m) => m.step),
    finish,
    told: toldOf(r.out),
  };
}

/** The lines as the recipe keeps them. */
export const toldOf = (lines: readonly RecipeLine[]): ToldLine[] =>
  lines.map((l) => ({
    text: l.text,
    steps: l.steps,
    ...(l.asks.length > 0 && { asks: l.asks.map((a) => a.sentence.slice(0, 400)) }),
  }));

/** What is said of the hook; absent where that is nothing. */
const stated = (wanted: HookWanted): HookWanted | undefined => (Object.keys(wanted).length > 0 ? wanted : undefined);

function named(r: Reading): ReadonlyMap<string, Material> {
  return r.bench.newMaterials.length === 0
    ? r.context.materials
    : new Map([...r.context.materials, ...r.bench.newMaterials.map((m) => [m.code, m] as const)]);
}

/** As it was said is kept beside what was made of it, where the words are not the program's own. */
export function markStated(r: Reading, recipe: Recipe): void {
  const materials = named(r);
  const byId = new Map(recipe.steps.map((s) => [s.id, s]));
  r.out.forEach((line) => {
    const steps = line.steps.flatMap((id) => byId.get(id) ?? []);
    const typed = line.text.trim().slice(0, 2000);
    for (const s of steps) {
      const own = sayLine(s, recipe, materials);
      const was = r.context.was?.steps.find((w) => w.id === s.id);
      if (typed !== own) s.stated = typed;
      else if (was?.stated !== undefined && was.stated !== typed) s.stated = was.stated;
      else delete s.stated;
    }
  });
}

/** Coats that are the same as before keep the minutes that somebody set. */
function keptDry(now: Recipe["finish"], was: Recipe["finish"]): Recipe["finish"] {
  if (now.state !== "given" || was.state !== "given" || now.component !== was.component) return now;
  return { ...now, dryMinutes: was.dryMinutes };
}

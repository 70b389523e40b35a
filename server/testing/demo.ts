import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { HookModel } from "@kasten/core/hooks";
import { missingFrom, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import { hooksFrom, materialsFrom } from "../import";

export const demoFolder = join(process.env.KASTEN_ROOT ?? process.cwd(), "demo");
const text = (name: string) => readFileSync(join(demoFolder, name), "utf8");

/** The demo room's cabinet and patterns, without a database. */
export function demoCabinet() {
  const hooks = hooksFrom(text("hook-models.csv"), text("hook-sizes.csv"));
  const patterns = readdirSync(join(demoFolder, "patterns")).map(
    (f) => JSON.parse(text(join("patterns", f))) as { id: string; name: string; recipe: Recipe },
  );
  return { hooks, materials: materialsFrom(text("materials.csv")), patterns };
}

/** Every fly that the demo patterns describe: each measured size, colour and weight form. */
export function demoFlies(
  cabinet = demoCabinet(),
): { name: string; recipe: Recipe; model: HookModel; choice: FlyChoice }[] {
  return cabinet.patterns
    .filter((p) => missingFrom(p.recipe).length === 0)
    .flatMap(({ name, recipe }) => {
      const model = cabinet.hooks.get(recipe.hookModel);
      if (!model) throw new Error(`no hook ${recipe.hookModel}`);
      return recipe.variants.flatMap((v) =>
        recipe.forms.flatMap((f) =>
          [recipe.sizes.from, recipe.sizes.to].map((size) => ({
            name,
            recipe,
            model,
            choice: { size, variant: v.id, form: f.id },
          })),
        ),
      );
    });
}

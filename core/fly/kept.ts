import type { HookModel } from "../hooks";
import type { Materials } from "../materials";
import { bulkStep } from "../methods";
import { askedKey, type FlyChoice, type Recipe } from "../recipe";
import { composeFly } from "./compose";
import type { ComposedFly } from "./types";

/**
 * Composed flies of one cabinet and one set of hooks, kept by their content: the same recipe, choice and way of tying
 * in bulk are the same fly. Where a material or a hook changes, another keeper begins.
 */
export class KeptFlies {
  private readonly kept = new Map<string, ComposedFly>();

  /** @param most flies kept at once; the one that was not asked for the longest goes first */
  constructor(private readonly most: number) {}

  /**
   * The fly of a choice: composed when it is asked for first.
   * @param recipeKey names the recipe's content: a pattern and its version
   * @throws DomainError as `composeFly`
   */
  fly(recipeKey: string, recipe: Recipe, choice: FlyChoice, model: HookModel, materials: Materials): ComposedFly {
    const key = contentKey(recipeKey, choice, model);
    const known = this.kept.get(key);
    // Put back at the end: a map keeps the order in which its keys came.
    this.kept.delete(key);
    const fly = known ?? composeFly(recipe, choice, model, materials);
    this.kept.set(key, fly);
    for (const [oldest] of this.kept) {
      if (this.kept.size <= this.most) break;
      this.kept.delete(oldest);
    }
    return fly;
  }
}

/** Everything that makes two composed flies different; their number only counts where it changes a way of tying. */
const contentKey = (recipeKey: string, c: FlyChoice, model: HookModel): string =>
  JSON.stringify([
    recipeKey,
    model.id,
    c.size,
    c.variant,
    c.form,
    askedKey(c),
    c.flies === undefined ? null : bulkStep(c.flies),
  ]);

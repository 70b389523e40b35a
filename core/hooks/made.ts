import { DomainError } from "../errors";
import type { HookModel } from "./geometry";
import { compareSizes, normalSize, sizeNumber, type HookSize } from "./size";

/** Sizes in which a model is kept, the largest hook first; none for a model of which no size is known. */
const sizesOf = (model: Pick<HookModel, "rows">): HookSize[] =>
  model.rows
    .map((r) => normalSize(r.size))
    .sort(compareSizes)
    .reverse();

/**
 * Whether a model comes in a size. One without sizes of its own is taken to come in all.
 * @throws DomainError HOOK_SIZE_UNREADABLE
 */
function comesIn(model: Pick<HookModel, "rows">, size: HookSize): boolean {
  const n = sizeNumber(size);
  return model.rows.length === 0 || model.rows.some((r) => sizeNumber(r.size) === n);
}

/**
 * What stands against taking hooks of a model in a size: HOOK_SIZE_NOT_MADE with the sizes that there are, or nothing.
 * @throws DomainError HOOK_SIZE_UNREADABLE
 */
export function notMade(model: Pick<HookModel, "rows" | "name">, size: HookSize): DomainError | undefined {
  if (comesIn(model, size)) return undefined;
  return new DomainError("HOOK_SIZE_NOT_MADE", { hook: model.name, size: normalSize(size), sizes: sizesOf(model) });
}

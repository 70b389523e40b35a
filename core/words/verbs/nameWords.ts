import type { Bench, Waiting } from "../bench";

/** The words of the name of what waits, in small letters. */
export const nameWords = (bench: Bench, w: Waiting): string[] =>
  (bench.materialOf(bench.component(w.component))?.name ?? "").toLowerCase().split(/[^\p{L}\d]+/u);

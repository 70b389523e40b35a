import { drawFly, svgFile } from "@kasten/core/drawing";
import type { ComposedFly } from "@kasten/core/fly";

const MOST_KEPT = 400;
/** Drawn flies as images, newest last: scrolling back over a long list draws nothing anew. */
const kept = new Map<string, string>();

/** The address of a fly's picture, drawn once for its key; the oldest are let go. */
export function flyImage(key: string, fly: () => ComposedFly | undefined, title: string): string | undefined {
  const known = kept.get(key);
  if (known !== undefined) {
    kept.delete(key);
    kept.set(key, known);
    return known;
  }
  const composed = fly();
  if (!composed) return undefined;
  const seed = key.split("|")[0]?.split("@")[0] ?? key;
  const url = URL.createObjectURL(new Blob([svgFile(drawFly(composed, { seed }), title)], { type: "image/svg+xml" }));
  kept.set(key, url);
  for (const [old, gone] of kept) {
    if (kept.size <= MOST_KEPT) break;
    kept.delete(old);
    URL.revokeObjectURL(gone);
  }
  return url;
}

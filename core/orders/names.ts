import { nearest } from "./nearest";
import type { Span } from "./spans";

/** The longest run of words that is (nearly) one of the names; undefined when nothing comes close. */
export function findName<T>(
  words: Span[],
  all: readonly T[],
  nameOf: (t: T) => string,
  least: number,
): { item: T; from: number; to: number; like: number } | undefined {
  let best: { item: T; from: number; to: number; like: number } | undefined;
  for (let from = 0; from < words.length; from++)
    for (let to = Math.min(words.length, from + 5); to > from; to--) {
      const text = words
        .slice(from, to)
        .map((w) => w.text)
        .join(" ");
      const [hit] = nearest(text, all, nameOf, { most: 1, least });
      if (hit && (!best || hit.like > best.like + 1e-9 || (hit.like === best.like && to - from > best.to - best.from)))
        best = { ...hit, from, to };
    }
  return best;
}

/** From this likeness on a name is taken without a question. */
export const SURE = 0.84;

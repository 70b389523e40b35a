import { distance } from "fastest-levenshtein";

const fold = (text: string): string =>
  text
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^a-z0-9/ ]+/g, " ")
    .replace(/\s+/g, " ")
    .trim();

/** Likeness of two names from 0 to 1: edits against the longer, and shared beginnings of words. */
export function likeness(a: string, b: string): number {
  const [x, y] = [fold(a), fold(b)];
  if (x === "" || y === "") return 0;
  if (x === y) return 1;
  const edits = 1 - distance(x, y) / Math.max(x.length, y.length);
  const words = y.split(" ");
  const given = x.split(" ");
  const begun =
    given.filter((g) => g.length > 1 && words.some((w) => w.startsWith(g))).length /
    Math.max(given.length, words.length);
  return Math.max(edits, 0.95 * begun);
}

/** The names most like `text`, best first, at least `least` alike. */
export function nearest<T>(
  text: string,
  all: readonly T[],
  nameOf: (item: T) => string,
  { most = 3, least = 0.35 } = {},
): { item: T; like: number }[] {
  return all
    .map((item) => ({ item, like: likeness(text, nameOf(item)) }))
    .filter((c) => c.like >= least)
    .sort((a, b) => b.like - a.like)
    .slice(0, most);
}

export { fold };

import { distance } from "fastest-levenshtein";
import { remembered } from "./remembered";

const isPlain = /^[a-z0-9]*$/;
/** In small letters without accents and signs. */
export const fold = (text: string): string => (isPlain.test(text) ? text : folding(text));
const folding = remembered(
  (text) =>
    text
      .toLowerCase()
      .replaceAll("ß", "ss")
      .normalize("NFKD")
      .replace(/\p{M}+/gu, "")
      .replace(/[^a-z0-9/ ]+/g, " ")
      // “Pike & Perch” and “Pike and Perch” are one.
      .replace(/ and(?= )/g, "")
      .replace(/\s+/g, " ")
      .trim(),
  // Names are the same thousands from one letter typed to the next.
  20_000,
);

/** A beginning of fewer letters could be that of too many words. */
const LEAST_BEGUN = 3;
const BEGUN_LIKE = 0.95;

function foldedLikeness(x: string, y: string): number {
  if (x === "" || y === "") return 0;
  if (x === y) return 1;
  const longer = Math.max(x.length, y.length);
  const edits = 1 - distance(x, y) / longer;
  const words = y.split(" ");
  const given = x.split(" ");
  const begun =
    given.filter((g) => g.length >= LEAST_BEGUN && words.some((w) => w.startsWith(g))).length /
    Math.max(given.length, words.length);
  return Math.max(edits, BEGUN_LIKE * begun);
}

/** Likeness of two names from 0 to 1: edits against the longer, and shared beginnings of words. */
export const likeness = (a: string, b: string): number => foldedLikeness(fold(a), fold(b));

/** The names most like `text`, best first, at least `least` alike. */
export function nearest<T>(
  text: string,
  all: readonly T[],
  nameOf: (item: T) => string,
  { most = 3, least = 0.35 } = {},
): { item: T; like: number }[] {
  const x = fold(text);
  return all
    .map((item) => ({ item, like: foldedLikeness(x, fold(nameOf(item))) }))
    .filter((c) => c.like >= least)
    .sort((a, b) => b.like - a.like)
    .slice(0, most);
}

import { allOf, englishOnes } from "../numeric";
import { wordsOfFlies } from "./flyWords";
import { numberOf } from "./numbers";
import { sizeOf } from "./sizes";
import type { Catalogue } from "./types";

const SIZE = String.raw`#?\d{1,2}(?:\/0)?(?:'?s)?`;
const WORD = String.raw`\p{L}[\p{L}-]+`;
const AND = String.raw`\s*(?:,|&|\+)\s*(?:(?:and|und)\s+)?|\s+(?:and|und)\s+`;
const listOf = (item: string, parted: string): string => `${item}(?:(?:${parted})${item})+`;
const NUMBER = String.raw`(?:\d{1,2}½?|½|(?<!\p{L})(?:${Object.keys(englishOnes).join("|")})(?!\p{L}))`;
const LIST = `${listOf(SIZE, `${AND}|\\s*/\\s*|\\s+`)}|${listOf(WORD, `${AND}|\\s*/\\s*`)}`;
/** Parted by strokes there are three at least: “2/3 dz” is two thirds of one. */
const COUNTS = `${listOf(NUMBER, `${AND}|\\s+`)}|${NUMBER}(?:\\s*/\\s*${NUMBER}){2,}`;
const COUNTED = new RegExp(
  String.raw`(?<=[\p{L}\ds]\s*[,:=(–-]\s*\(?)(${COUNTS})\s*(?:(dozens?|doz|dzn?|dzs|dtzd?|dutzend)|flies|pcs|pieces|stück|stk)(?!\p{L})\.?`,
  "giu",
);
const AHEAD = new RegExp(String.raw`(?<![\p{L}\d#/.-])(${LIST})\s*[,:=(–-]\s*\(?$`, "iu");
/** So many characters at most are a list. */
const LONGEST = 80;
const itemsIn = (list: string): string[] =>
  list.match(/[\p{L}\d½'-]+(?:\/0)?/gu)?.filter((w) => !/^(?:and|und)$/iu.test(w)) ?? [];

/**
 * “10, 12, 14: 2, 3, 2 dozen”, “red, black and olive: 3, 2, 1 dz”: how many of each of a list, in its order.
 *
 * @returns where such numbers stand, and how many flies each counts: as many as sizes or colours stand ahead of them
 */
export function countsInTurn(text: string, { patterns }: Catalogue): { at: [number, number]; flies: number[] }[] {
  const { isColour } = wordsOfFlies(patterns);
  return allOf(COUNTED, text).flatMap((m) => {
    const [, said = "", dozens] = m;
    const list = AHEAD.exec(text.slice(Math.max(0, m.index - LONGEST), m.index))?.[1] ?? "";
    const items = itemsIn(list);
    const inTurn = itemsIn(said).map((n) => (numberOf(n) ?? NaN) * (dozens === undefined ? 1 : 12));
    const isList = items.every(isColour) || items.every((w) => sizeOf(w) !== undefined);
    if (!isList || items.length !== inTurn.length || !inTurn.every((n) => Number.isInteger(n) && n > 0)) return [];
    const at: [number, number] = [m.index, m.index + m[0].length];
    return [{ at, flies: inTurn }];
  });
}

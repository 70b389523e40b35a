import { isSame } from "../../numeric";
import type { Place } from "../../hooks";
import type { LengthRule, RecipeStep } from "../../recipe";
import { sayLength } from "./length";
import { sayPlace } from "./place";

/** “1 turn”, “5 turns”. */
export const counted = (n: number | string, one: string, many = `${one}s`): string =>
  `${n} ${Number(n) === 1 ? one : many}`;

const isBehind = (p: Place): boolean => "landmark" in p && p.landmark !== "eye";
/** A share is counted from the eye; from behind, “to two thirds of the shank” would be as much of it. */
const reached = (to: Place): string =>
  "fraction" in to && to.plus === undefined && to.fraction > 0.5 && to.fraction < 1 ? " behind the eye" : "";
export const spanWords = (s: { from: Place; to: Place }): string =>
  `from ${sayPlace(s.from)} to ${sayPlace(s.to)}${isBehind(s.from) ? reached(s.to) : ""}`;

export const tieInWords = (t: NonNullable<RecipeStep["tieIn"]>): string =>
  `tied in at ${sayPlace(t.at)}${t.hold === undefined ? "" : ` as a ${t.hold === "final" ? "final hold" : t.hold}`}${t.wraps === undefined ? "" : ` with ${counted(t.wraps, "wrap")}`}`;

/** Two lengths from end to end; one where they are the same. */
export const pairWords = ([a, b]: [LengthRule, LengthRule]): string =>
  isSame(a, b) ? sayLength(a) : `${sayLength(a)} to ${sayLength(b)}`;

import type { Place } from "../../hooks";
import { holds, type RecipeStep } from "../../recipe";
import { clause, numberIn, placeIn, putIf, wordIn, zoneIn } from "../said";
import { NUMBER, PLACE, sayPlace } from "../text";

/** From one place to another; not where it is a length that follows. */
export const zone = clause(
  `(?:from\\s+)?(${PLACE})\\s+to\\s+(${PLACE})(?!\\s+(?:full|wide|long))`,
  "from mid-shank to bend",
  (s, [a, b]) => putIf(s, zoneIn(a, b)),
);

export const tiedIn = clause(
  `tied\\s+in\\s+at\\s+(${PLACE})(?:\\s+as\\s+(?:a\\s+)?(loose\\s+hold|lock|final)(?:\\s+hold)?)?(?:\\s+(?:with|by)\\s+(${NUMBER})\\s+wraps?)?`,
  "tied in at bend with 5 wraps",
  (s, [place, held, wraps]) => {
    const [at, hold, n] = [placeIn(place), wordIn(holds, held), numberIn(wraps, 1)];
    if (!at || (wraps !== undefined && n === undefined)) return false;
    s.tieIn = { at, ...(n !== undefined && { wraps: n }), ...(hold && { hold }) };
    return true;
  },
);

export const wraps = clause(`(${NUMBER})\\s+wraps?`, "5 wraps", (s, [text]) => {
  const n = numberIn(text, 1);
  return putIf(s, n === undefined ? undefined : { wraps: n });
});

export const from = clause(`from\\s+(${PLACE})`, "from the eye", (s, [place]) => {
  const at = placeIn(place);
  return putIf(s, at && { from: at });
});

export const spanWords = (s: { from: Place; to: Place }): string => `from ${sayPlace(s.from)} to ${sayPlace(s.to)}`;

export const tieInWords = (t: NonNullable<RecipeStep["tieIn"]>): string =>
  `tied in at ${sayPlace(t.at)}${t.hold === undefined ? "" : ` as a ${t.hold === "final" ? "final hold" : t.hold}`}${t.wraps === undefined ? "" : ` with ${counted(t.wraps, "wrap")}`}`;

/** “1 turn”, “5 turns”. */
export const counted = (n: number | string, one: string, many = `${one}s`): string =>
  `${n} ${Number(n) === 1 ? one : many}`;

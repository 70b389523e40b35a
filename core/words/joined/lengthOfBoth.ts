import type { Said } from "../said";
import type { Told } from "../told";

/** Two that are named in one breath, with nothing told of the first alone. */
const inOneBreath =
  /^\s*(?:and|with|plus|&|\+|(?:mixed|along|together)\s+with|over|under|above|beneath|on\s+top\s+of)\s[^,;:.]*$/;

/** Whether anything says how long it is, or where it lies. */
const isLong = ({ shown, size, sameLength, like, plusMm, thick }: Said): boolean =>
  (shown ?? size ?? sameLength ?? like ?? plusMm ?? thick) !== undefined;
const isPlaced = ({ from, to, there, begin, end, tieIn }: Said): boolean =>
  (from ?? to ?? there ?? begin ?? end ?? tieIn?.at) !== undefined;

/** “6 strands of grey bucktail and 2 of pearl flash, twice the shank”: what stands behind the comma is of both. */
export const withLengthOfBoth = (all: Told[], text: string): Told[] =>
  all.map((t, n) => {
    const next = all[n + 1];
    if (t.kind !== "lay" || next?.kind !== "lay" || next.verb !== undefined) return t;
    const [one, two] = [t.description, next.description];
    if (!one || !two || !inOneBreath.test(text.slice(one.end, two.at)) || isLong(t.said)) return t;
    // “Two strands of tinsel over a slip of goose, 3 mm”: so wide is the slip.
    if (next.said.isSlips || t.role === "wing case") return t;
    const { shown, attitude, from, to, there, begin, end, tieIn } = next.said;
    if (!shown || !/^\s*,/.test(text.slice(two.end, next.end))) return t;
    const place = isPlaced(t.said) ? {} : { from, to, there, begin, end, tieIn };
    const own = Object.entries({ shown, ...place, attitude: t.said.attitude ?? attitude });
    return { ...t, said: { ...t.said, ...Object.fromEntries(own.filter(([, is]) => is !== undefined)) } };
  });

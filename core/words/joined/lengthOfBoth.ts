import type { Said } from "../said";
import type { Told } from "../told";
import { A_COUNT } from "../text/number";

/** Two that are named in one breath, with nothing told of the first alone. */
const inOneBreath =
  /^\s*(?:,?\s*(?:and\s+)?then|and|with|plus|&|\+|(?:mixed|along|together)\s+with|over|under|above|beneath|on\s+top\s+of)\s[^,;:.]*$/;

/** “20 olive hairs, 8 peacock herls, 7 cm”: two that are counted, and one length behind them. */
const counted = new RegExp(
  `^\\s*,\\s*(?:and\\s+|then\\s+)*${A_COUNT}\\s+(?:strands\\s+of\\s+|fib(?:re|er)s\\s+of\\s+|hairs\\s+of\\s+)?$`,
);

/** Whether anything says how long it is, or where it lies. */
const isLong = ({ shown, size, sameLength, like, plusMm, thick }: Said): boolean =>
  (shown ?? size ?? sameLength ?? like ?? plusMm ?? thick) !== undefined;
const isPlaced = ({ from, to, there, begin, end, tieIn }: Said): boolean =>
  (from ?? to ?? there ?? begin ?? end ?? tieIn?.at) !== undefined;

/**
 * “6 strands of grey bucktail and 2 of pearl flash, twice the shank”: what stands behind the comma is of both, and
 * of as many as are named in that breath.
 */
export function withLengthOfBoth(all: Told[], text: string): Told[] {
  const out = [...all];
  const given = new Set<number>();
  for (let n = all.length - 2; n >= 0; n--) {
    const [t, next] = [out[n], out[n + 1]];
    const own = t && next && saidBehind(t, next, text, given.has(n + 1));
    if (!own) continue;
    out[n] = { ...t, said: { ...t.said, ...own } };
    given.add(n);
  }
  return out;
}

/** “…, all 60 mm long”: of each that the line ties in. */
const saysOfAll = /,\s*(?:and\s+)?all\s+(?:of\s+them\s+)?(?=(?:\d|about|as|the|one|twice|half|to|level|equal)\b)/;
/** What is tied in another time is told of by itself. */
const tiesAgain = /\b(?:tie|bind|add|lash|catch|fix|put|lay)\b/;

/** What the second says behind its comma, or was given by a third, of the first as well. */
function saidBehind(t: Told, next: Told, text: string, isGiven: boolean): Partial<Said> | undefined {
  const [one, two] = [t.description, next.description];
  if (t.kind !== "lay" || next.kind !== "lay" || !one || !two || isLong(t.said)) return undefined;
  const between = text.slice(one.end, two.at);
  const isGoneOn = next.verb === undefined || (next.verb === t.verb && !tiesAgain.test(between));
  const isOfAll = isGiven || saysOfAll.test(text.slice(two.end, next.end));
  const isListed = t.role === next.role && counted.test(between);
  if (!isGoneOn || !(isOfAll || isListed || inOneBreath.test(between))) return undefined;
  // “Two strands of tinsel over a slip of goose, 3 mm”: so wide is the slip.
  if (next.said.isSlips || t.role === "wing case") return undefined;
  const { shown, attitude, from, to, there, begin, end, tieIn } = next.said;
  if (!shown || !(isOfAll || /^\s*,/.test(text.slice(two.end, next.end)))) return undefined;
  const place = isPlaced(t.said) ? {} : { from, to, there, begin, end, tieIn };
  const own = Object.entries({ shown, ...place, attitude: t.said.attitude ?? attitude });
  return Object.fromEntries(own.filter(([, is]) => is !== undefined));
}

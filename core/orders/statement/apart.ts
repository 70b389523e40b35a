import { type OrderReading, namesFlyIn } from "./reading";
import type { Span } from "../spans";
import { quantitiesIn } from "../quantity";
import { wordsOfFlies } from "../flyWords";

/** “(3 tan, 2 grey)”, “(four olive and four grey)” */
const IN_BRACKETS = /\(([^()]*)\)/gu;
const COUNT_AND_WORD = /^\s*(?:\d{1,2}|\p{L}+)\s+(?:(?:in|of|x)\s+)?(\p{L}[\p{L}-]+)\s*$/u;
const JOINT = /(?:\s*[,;.+&]|\s+(?:and|und|plus))+\s*$/iu;

/**
 * “5 dozen Boathouse Sedge (3 tan, 2 grey), all 14, and 2 dozen Dusk Sedge in 16”: behind colours in brackets, of
 * which each has its number, another fly's quantity begins another statement.
 */
export function apart(o: OrderReading, { text, start, end }: Span): [Span, Span] | undefined {
  const { isColour } = wordsOfFlies(o.catalogue.patterns);
  const isCounted = (part: string): boolean => isColour(COUNT_AND_WORD.exec(part)?.[1]);
  const bracket = [...text.matchAll(IN_BRACKETS)].find((m) => {
    const parts = (m[1] ?? "").split(/,|&|(?<!\p{L})(?:and|und)(?!\p{L})/iu);
    return parts.length > 1 && parts.every(isCounted);
  });
  if (!bracket) return undefined;
  const behind = start + bracket.index + bracket[0].length;
  const next = quantitiesIn(text, start, o.catalogue).find(
    (q) => q.at[0] >= behind && namesFlyIn(o, text.slice(q.at[1] - start)),
  );
  if (!next || !namesFlyIn(o, text.slice(0, bracket.index))) return undefined;
  const own = text.slice(0, next.at[0] - start).replace(JOINT, "");
  return [
    { text: own, start, end: start + own.length },
    { text: text.slice(next.at[0] - start), start: next.at[0], end },
  ];
}

/** “…, 6 Lodgers 10 rust”: a number that says no unit, and a fly behind it. */
const NUMBER_AND_FLY = /(?:[,;]\s+|\s\/\s+|\s(?:and|und|plus|&)\s+)(?=(\d{1,3})\s+(?:x\s+)?(\p{L}[\p{L}'’ -]*))/giu;
const BEGINS_SO = /^\s*\d{1,3}\s+(?:x\s+)?\p{L}{3}/u;
/** Such a number could be the next size of the fly before it. */
const couldBeSize = (n: number): boolean => n % 2 === 0 && n >= 8 && n <= 20;

/**
 * “1 dz Slate Wisp 12 slate, 6 Copper Lodger 10 rust”: the second number says no unit; it is asked of what, in a
 * statement of its own.
 */
export function countedBehind(o: OrderReading, { text, start, end }: Span): [Span, Span] | undefined {
  const quantities = quantitiesIn(text, start, o.catalogue);
  const [first] = quantities;
  if (!first && !BEGINS_SO.test(text)) return undefined;
  const joint = [...text.matchAll(NUMBER_AND_FLY)].find(
    (m) =>
      start + m.index >= (first?.at[1] ?? start) &&
      !couldBeSize(Number(m[1])) &&
      // With a unit it is a quantity as any other.
      !quantities.some((q) => q.at[0] === start + m.index + m[0].length) &&
      namesFlyIn(o, m[2] ?? ""),
  );
  if (!joint) return undefined;
  // “10 dz: 5 Tar Pupa black, 5 Old Pilot”: those are what it is made of.
  const ahead = text.slice((first?.at[1] ?? start) - start, joint.index);
  if (!namesFlyIn(o, first ? (ahead.split(/[\d,;:()]/u)[0] ?? "") : ahead)) return undefined;
  const behind = joint.index + joint[0].length;
  return [
    { text: text.slice(0, joint.index), start, end: start + joint.index },
    { text: text.slice(behind), start: start + behind, end },
  ];
}

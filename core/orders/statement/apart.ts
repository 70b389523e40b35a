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

import { match } from "../parse";
import type { Told, Next, Span } from "../told";
import { isColour } from "../../materials";
import { isStop } from "../lexicon/stops";
import { A_COUNT } from "../text/number";

const wordsOfStuff = new Set(
  "copper goose duck mallard teal peacock ostrich partridge grouse starling hare rabbit mole muskrat beaver seal squirrel fox deer elk calf goat badger turkey pheasant heron swan crow mink otter opossum wool cotton nylon poly film".split(
    " ",
  ),
);

const theWord = match(
  "(?:(?:the|that|this)\\s+(?:same\\s+)?|same\\s+|(?<=\\b(?:turns?|wraps?|strands?|lengths?)\\s+of\\s+))([a-z]{3,})",
);

const goesOn = new RegExp(
  `^\\s*(?:$|[,;.:)]|(?:but|only|just|again|forward|back|over|to|in|with|up|down|off|and|on|round|around|through|from|behind|at|along|for|so|until|then|by|as|under|${A_COUNT}(?=\\s+(?:[a-z]+\\s+)?turns?\\b)|\\d+)\\b)`,
);
/** How a feather is marked, by which it is called as by a colour. */
const markings = new Set(["grizzle", "grizzly", "badger", "furnace", "cree"]);

export const sameSource = match(
  "the\\s+same\\s+(tail|wing|flank|neck|cape|saddle|hide|patch)(?=\\s*(?:[,.;]|$)|\\s+(?:for|as|tied|in)\\b)",
);

/** “Wind the brown four turns, then the grizzle through it”: another of what waits to be wound. */
export const isReferenceToo = ({ verb, description }: Told, text: string, at: number): boolean =>
  verb === "wind" &&
  description?.isReference === true &&
  /(?:,\s*(?:and\s+)?(?:then\s+)?|\band\s+(?:then\s+)?)$/.test(text.slice(0, at)) &&
  referredTo(text, at) !== undefined;

/** “the copper”, “the goose”: a word of a material that the recipe has named before; the bench knows which. */
export function referenceAt(
  told: Told,
  text: string,
  at: number,
  isNamed?: (noun: string) => boolean,
): Next | undefined {
  const source = told.description || !/\b(?:of|from)\s+$/.test(text.slice(0, at)) ? undefined : sameSource(text, at);
  if (source) {
    // “a slip of the same tail”: of the feather from which something was taken before.
    told.description = { at, end: source.end, text: source.value[0] ?? "", isReference: true };
    told.understood.push({ at, end: source.end });
    return { told, end: source.end };
  }
  const found = told.description ? undefined : referredTo(text, at, isNamed);
  if (!found) return undefined;
  told.description = { ...found, text: text.slice(found.at, found.end), isReference: true };
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
}

/** The word by which something is called, behind its article. */
function referredTo(text: string, at: number, isNamed?: (noun: string) => boolean): Span | undefined {
  const found = theWord(text, at);
  const word = found?.value[0] ?? "";
  const isCalled = isColour(word) || markings.has(word) || wordsOfStuff.has(word) || isNamed?.(word);
  if (!found || !isCalled || !goesOn.test(text.slice(found.end))) return undefined;
  const begin = found.end - word.length;
  return isStop(text, begin) ? undefined : { at: begin, end: found.end };
}

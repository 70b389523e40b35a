import { match } from "../parse";
import type { Told, Next } from "../told";
import { isColour } from "../../materials";
import { isStop } from "../lexicon/stops";

const wordsOfStuff = new Set(
  "copper goose duck mallard teal peacock ostrich partridge grouse starling hare rabbit mole muskrat beaver seal squirrel fox deer elk calf goat badger turkey pheasant heron swan crow mink otter opossum wool cotton nylon poly film".split(
    " ",
  ),
);

const theWord = match(
  "(?:(?:the|that|this)\\s+(?:same\\s+)?|same\\s+|(?<=\\b(?:turns?|wraps?|strands?|lengths?)\\s+of\\s+))([a-z]{3,})",
);

const goesOn =
  /^\s*(?:$|[,;.:)]|(?:but|only|just|again|forward|back|over|to|in|with|up|down|off|and|on|round|around|through|from|behind|at|along|for|so|until|then|by|as|under|\d+)\b)/;

export const sameSource = match(
  "the\\s+same\\s+(tail|wing|flank|neck|cape|saddle|hide|patch)(?=\\s*(?:[,.;]|$)|\\s+(?:for|as|tied|in)\\b)",
);

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
  const found = told.description ? undefined : theWord(text, at);
  const word = found?.value[0] ?? "";
  if (!found || !(isColour(word) || wordsOfStuff.has(word) || isNamed?.(word)) || !goesOn.test(text.slice(found.end)))
    return undefined;
  const begin = found.end - word.length;
  if (isStop(text, begin)) return undefined;
  told.description = { at: begin, end: found.end, text: text.slice(begin, found.end), isReference: true };
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
}

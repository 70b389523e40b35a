import { words } from "../parse";
import { MANNER } from "../lexicon/manner";
import { verbGoingOnAt } from "../verbs";

export const manner = words(MANNER);

const takenBack = /^\.+\s+(?:no|nope|sorry|oops|wait|scratch\s+that|i\s+mean)\b/;
/** Where a clause of the line may end: a sentence always ends there. */
export const stopsHere = (text: string, at: number): "sentence" | "clause" | undefined => {
  const c = text[at];
  // “0.025 in. lead”: the stop of a unit ends no sentence.
  if (c === "." && /\d\s*(?:in|den)$/.test(text.slice(Math.max(0, at - 12), at)) && /^\.\s+[a-z]/.test(text.slice(at)))
    return undefined;
  // “No. 12” is a size.
  if (c === "." && /\bno$/.test(text.slice(Math.max(0, at - 3), at)) && /^\.\s*\d/.test(text.slice(at)))
    return undefined;
  // “elk... no, snowshoe”: what is taken back stands in the same sentence.
  if (c === "." && text[at - 1] === "." && takenBack.test(text.slice(at))) return undefined;
  if (c === "." || c === "!" || c === "?") return /\s/.test(text[at + 1] ?? " ") ? "sentence" : undefined;
  if (c === ";" || c === "," || c === "(" || c === ")" || c === ":") return "clause";
  if (c === "-" && /\s/.test(text[at - 1] ?? "") && /\s/.test(text[at + 1] ?? "")) return "clause";
  return undefined;
};

export const joins = words("\\+|and|then|with|plus|over|under|beside|but|before|after|while");

export function endOfSentence(text: string, at: number, to: number): number {
  for (let i = at; i < to; i++) if (stopsHere(text, i) === "sentence") return i;
  return to;
}

const nextClause = /,\s+(?:and\s+|then\s+)*|\s(?:and|then)\s+/g;

/** Up to where another thing is done: what is told there is no matter of this verb. */
export function endOfClause(text: string, from: number, to: number): number {
  for (const m of text.slice(from, to).matchAll(nextClause)) {
    const at = from + m.index + m[0].length;
    if (verbGoingOnAt(text, at) && !manner(text, at)) return from + m.index;
  }
  return to;
}

/** A verb begins another thing only where a clause begins. */
export function isAtClause(text: string, at: number): boolean {
  const before = text.slice(Math.max(0, at - 24), at);
  return /(?:^|[,;.:(]|\b(?:and|then|now|next|finally|but|also|before|i|you|we|to\s+finish))\s*$/.test(before);
}

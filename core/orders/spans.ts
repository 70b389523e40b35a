import { allOf } from "../numeric";
import { remembered } from "./remembered";
/** A stretch of the typed text. */
export interface Span {
  text: string;
  start: number;
  end: number;
}

/** The words of a span, each where it stands; marks at their edges do not belong to them. */
export const wordsOf = ({ text, start }: Span): Span[] =>
  wordsIn(text).map((w) => ({ text: w.text, start: start + w.start, end: start + w.end }));

const wordsIn = remembered((text): readonly Span[] =>
  allOf(/[^\s,;:|()\uE000]+/gu, text).flatMap((m) => {
    const clean = m[0].replace(/^[.!?"'“”„*•·–-]+(?=\p{L}|#)/u, "").replace(/[.!?"'“”*/]+$/u, "");
    const from = m.index + m[0].indexOf(clean);
    return clean === "" ? [] : [{ text: clean, start: from, end: from + clean.length }];
  }),
);

/** Pieces of a text between what `cut` finds, without the blanks at their ends; none is empty. */
export function piecesOf(text: string, start: number, cut: RegExp): Span[] {
  const pieces: Span[] = [];
  let from = 0;
  const add = (to: number): void => {
    const piece = text.slice(from, to);
    const lead = piece.length - piece.trimStart().length;
    if (piece.trim())
      pieces.push({ text: piece.trim(), start: start + from + lead, end: start + from + lead + piece.trim().length });
  };
  for (const m of allOf(cut, text)) {
    add(m.index);
    from = m.index + m[0].length;
  }
  add(text.length);
  return pieces;
}

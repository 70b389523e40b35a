import type { ReadOrder } from "./types";

/** Stands for each sign within a quotation while the rest is read: nothing in it is a number, a day or a name. */
const WITHIN = "\uE002";
const QUOTED = /[“"„]([^”"“\n]{1,200})[”"“]/gu;

/** The text with what stands in quotation marks covered, sign by sign: a wish in these words, whatever they say. */
export const covered = (text: string): string =>
  text.replace(QUOTED, (whole, inside: string) =>
    // A mark above a mark means “the same” in lists: between two of them there is no word.
    /[\p{L}\d]/u.test(inside) ? whole.charAt(0) + WITHIN.repeat(inside.length) + whole.charAt(whole.length - 1) : whole,
  );

/** Puts the words back into what was read of a covered text. */
export function uncover(order: ReadOrder, text: string): void {
  const own = ([from, to]: readonly [number, number]): string => text.slice(from, to).trim();
  const back = (words: string, at: readonly [number, number]): string => (words.includes(WITHIN) ? own(at) : words);
  for (const line of order.lines) {
    line.text = back(line.text, line.at);
    line.wishes = line.wishes.map((w) =>
      w.words.includes(WITHIN) ? { ...w, words: own([w.at[0] + 1, w.at[1] - 1]) } : w,
    );
  }
  for (const { understood, doubts } of [order, ...order.lines]) {
    for (const u of understood) if (u.label.includes(WITHIN)) u.label = `wish: ${own([u.at[0] + 1, u.at[1] - 1])}`;
    for (const d of doubts) {
      if ("words" in d.details) d.details.words = back(d.details.words, d.at);
      d.candidates = d.candidates.filter((c) => !c.text.includes(WITHIN));
    }
  }
}

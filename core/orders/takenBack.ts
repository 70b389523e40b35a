import type { Quantity } from "./quantity";
import type { Stretch } from "./stretch";
import type { Understood } from "./types";

const NO = "(?:no|nope|nein|sorry|oops|ups|wait|moment|correction|korrektur|entschuldigung)";
const RATHER =
  "(?:make\\s+(?:it|that|them)|i\\s+meant?|i\\s+mean|we\\s+meant?|or\\s+rather|rather|better|lieber|doch\\s+lieber|ich\\s+meine|besser)";
/** “…, no, make that …”, “… – sorry, …”: what stood before is taken back by what stands behind. */
const TAKEN_BACK = new RegExp(
  `(?:[,;.:–—-]|\\s)\\s*(?:${NO}(?:[\\s,;:.–—-]+${NO})*(?:[\\s,;:.–—-]+${RATHER})?|(?<=[,;.–—-]\\s*)${RATHER})[\\s,;:.–—-]*$`,
  "iu",
);

/** Where words begin that take back what stands before them; undefined where the text does not end with such. */
export const takenBackAt = (text: string): number | undefined => TAKEN_BACK.exec(text)?.index;

/**
 * “3 dz Tar Pupa 14 red, no make that 4 dz”: the later quantity holds, where the first one stood. The words that take
 * it back are taken out, and shown as that.
 */
export function withoutTakenBack(
  stretch: Stretch,
  quantities: readonly Quantity[],
  understood: Understood[],
): Quantity[] {
  return quantities.reduce<Quantity[]>((held, q) => {
    const before = held.at(-1);
    const between = before && stretch.text.slice(before.at[1] - stretch.start, q.at[0] - stretch.start);
    const at = between === undefined ? undefined : takenBackAt(between);
    if (!before || at === undefined) return [...held, q];
    const words: [number, number] = [before.at[1] + at, q.at[1]];
    stretch.takeOut(words);
    understood.push({ field: "quantity", at: words, label: "taken back" });
    return held.with(-1, { ...q, at: before.at });
  }, []);
}

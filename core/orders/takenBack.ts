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
 * “3 dz Tar Pupa 14 red, no make that 4 dz”: the later quantity holds. What is taken back is taken out, and shown as
 * that.
 */
export function withoutTakenBack(
  stretch: Stretch,
  quantities: readonly Quantity[],
  understood: Understood[],
): Quantity[] {
  return quantities.filter((q, i) => {
    const next = quantities[i + 1];
    const between = next && stretch.text.slice(q.at[1] - stretch.start, next.at[0] - stretch.start);
    const at = between === undefined ? undefined : takenBackAt(between);
    if (!next || at === undefined) return true;
    for (const span of [q.at, [q.at[1] + at, next.at[0]] as [number, number]]) {
      stretch.takeOut(span);
      understood.push({ field: "quantity", at: span, label: "taken back" });
    }
    return false;
  });
}

import { type OrderReading, namesFlyIn } from "./reading";
import { quantitiesIn } from "../quantity";
import type { Span } from "../spans";

const SIZE = String.raw`#?\d{1,2}(?:\/0)?(?:'?s)?`;
const SIZES_ALONE = new RegExp(
  String.raw`^(?:please\s+)?(?:in\s+)?(?:sizes?|sz|größen?|gr\.?|hooks?)\s+${SIZE}(?:(?:\s*(?:,|&|/|-|–)\s*|\s*,?\s+(?:and|und|to|bis)\s+)${SIZE})*$`,
  "iu",
);
const OF_EACH = /(?<!\p{L})(?:of\s+)?(?:each|apiece|every\s+size|per\s+size|je(?:weils)?|jede[rn]?)(?!\p{L})/iu;

/**
 * “Harbour Nymph, weighted, in olive. Sizes 10 and 12. One dozen each.”: a sentence that names a fly, and those behind
 * it that only say in what sizes, or how many of each, are one.
 */
export function joined(o: OrderReading, sentences: readonly Span[]): Span[] {
  const made: Span[] = [];
  for (const sentence of sentences) {
    const last = made.at(-1);
    if (last && goesOn(o, last, sentence)) made[made.length - 1] = inOne(o.text, last, sentence);
    else made.push(sentence);
  }
  return made;
}

/** “4 dozen Copper Lodgers in rust? Half of them size 12, the other half 14.” */
const HALVES = /^half(?:\s+of\s+(?:them|these|those))?\s+[^.;]{1,30}[\s,](?:the\s+other\s+)?half\s+[^.;]{1,20}[.!]?$/iu;

function goesOn(o: OrderReading, before: Span, { text }: Span): boolean {
  if (HALVES.test(text) && !HALVES.test(before.text))
    return quantitiesIn(before.text, before.start, o.catalogue).length === 1 && namesFlyIn(o, before.text);
  const isOpen = quantitiesIn(before.text, before.start, o.catalogue).length === 0 && namesFlyIn(o, before.text);
  if (!isOpen || namesFlyIn(o, text)) return false;
  const [quantity, another] = quantitiesIn(text, 0, o.catalogue);
  if (quantity) return another === undefined && OF_EACH.test(text);
  return SIZES_ALONE.test(text.replace(/[.!]\s*$/, ""));
}

/** Both, with a comma in place of the point between them. */
function inOne(text: string, { start, end }: Span, next: Span): Span {
  const between = text.slice(end, next.start).replace(/^\s*[.!?]?/, (mark) => mark.replace(/[.!?]/, ","));
  const own = text.slice(start, end).replace(/[.!?]$/, ",");
  return { text: `${own}${own.endsWith(",") ? between.replace(",", " ") : between}${next.text}`, start, end: next.end };
}

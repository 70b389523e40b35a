import { addMonths, format, lastDayOfMonth, parseISO } from "date-fns";
import { fold, type ReadOrder } from "@kasten/core/orders";
import type { Catalogue } from "@kasten/core/orders";
import type { TextOffer, TextOffers } from "../editor";

const MOST = 40;
const MONTHS = 6;

/** The word, or the last few, that the cursor stands at the end of: names have blanks in them. */
function typedAt(text: string, at: number): { from: number; words: string }[] {
  const before = text.slice(0, at);
  const chunk = /[^\n;,]*$/.exec(before)?.[0] ?? "";
  const starts = [...chunk.matchAll(/(?<=^|\s)\S/g)].map((m) => m.index);
  return starts.map((i) => ({ from: at - chunk.length + i, words: chunk.slice(i) }));
}

/** Days that are near: of each month to come the one whose number is typed. */
function daysFor(words: string, today: string): TextOffer[] {
  const number = /^(\d{1,2})(?:\s+\p{L}*)?$/u.exec(words)?.[1];
  if (number === undefined) return [];
  const first = parseISO(`${today.slice(0, 7)}-01`);
  return Array.from({ length: MONTHS }, (_, i) => addMonths(first, i))
    .filter((m) => Number(number) >= 1 && Number(number) <= lastDayOfMonth(m).getDate())
    .map((m) => new Date(m.getFullYear(), m.getMonth(), Number(number)))
    .filter((d) => format(d, "yyyy-MM-dd") > today)
    .map((d) => ({ label: format(d, "d MMM"), note: format(d, "EEEE, yyyy") }));
}

/**
 * What may be meant by what is being typed in an order: patterns, the sizes and colours of the pattern on this line,
 * customers, days. What fits the place comes first.
 * @param at where the cursor stands, in letters from the beginning
 */
export function orderOffers(text: string, at: number, read: ReadOrder, catalogue: Catalogue): TextOffers | undefined {
  const line = read.lines.find((l) => l.at[0] <= at && at <= l.at[1] + 1);
  const pattern = catalogue.patterns.find((p) => p.id === line?.pattern);
  const isHead = text.slice(0, at).includes(";");
  const all: TextOffer[] = [
    ...(pattern?.variants ?? []).map((v) => ({ label: v.name, note: `colour of ${pattern?.name}`, first: true })),
    ...(pattern && pattern.forms.length > 1 ? pattern.forms : []).map((f) => ({
      label: f.name,
      note: `weight of ${pattern?.name}`,
      first: true,
    })),
    ...catalogue.customers.map((c) => ({ label: c.name, note: "customer", first: isHead })),
    ...catalogue.seasons.map((s) => ({ label: s.name, note: s.date, first: isHead })),
    ...catalogue.patterns.map((p) => ({ label: p.name, note: `${p.sizes.from} to ${p.sizes.to}`, first: !isHead })),
  ];
  for (const { from, words } of typedAt(text, at)) {
    const begun = fold(words);
    if (begun.length < 2) continue;
    // What is there in whole needs nothing more; its last word alone would find it again.
    if (all.some((o) => fold(o.label) === begun)) return undefined;
    const offers = all.filter((o) => {
      const label = fold(o.label);
      return label.startsWith(begun) || label.includes(` ${begun}`);
    });
    if (offers.length > 0) return { from, offers: offers.slice(0, MOST) };
    const days = daysFor(words, catalogue.today);
    if (isHead && days.some((d) => fold(d.label) === begun)) return undefined;
    if (isHead && days.length > 0) return { from, offers: days };
  }
  return undefined;
}

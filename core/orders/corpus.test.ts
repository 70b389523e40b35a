import { describe, expect, test } from "vitest";
import { thorough } from "../testing/thorough";
import { typedOtherwise } from "../testing/typedOtherwise";
import { isWhole, readOrder, wishWords } from ".";
import { anotherCatalogue } from "./corpus/another";
import { catalogue } from "./corpus/catalogue";
import { ordersOf } from "./corpus/entries";
import type { Catalogue, Doubt, ReadOrder } from "./types";
import { findWish } from "./wishes";

const files: [string, Catalogue][] = [
  ...["before.txt", "after.txt", "spoken.txt", "last.txt", "fresh.txt", "shops.txt"].map(
    (file): [string, Catalogue] => [file, catalogue],
  ),
  ["desk.txt", catalogue],
  ["traps.txt", catalogue],
  ["winter.txt", catalogue],
  ["mail.txt", catalogue],
  ["pier.txt", catalogue],
  ["towpath.txt", catalogue],
  ["lamppost.txt", catalogue],
  ["boathouse.txt", anotherCatalogue],
  ["chandlery.txt", anotherCatalogue],
  ["storehouse.txt", anotherCatalogue],
  ["cellar.txt", anotherCatalogue],
  ["landing.txt", anotherCatalogue],
  ["slipway.txt", anotherCatalogue],
  ["ferry.txt", anotherCatalogue],
  ["causeway.txt", anotherCatalogue],
  ["gangway.txt", anotherCatalogue],
  ["keel.txt", anotherCatalogue],
  ["thwart.txt", anotherCatalogue],
  ["sternpost.txt", anotherCatalogue],
  ["ropewalk.txt", anotherCatalogue],
  ["lockgate.txt", catalogue],
  ["sailloft.txt", catalogue],
  ["stairhead.txt", catalogue],
  ["wherry.txt", catalogue],
  ["weighbridge.txt", catalogue],
  ["packingslip.txt", catalogue],
  ["phrases.txt", catalogue],
  ["composed.txt", catalogue],
  ["towrope.txt", catalogue],
  ["tideline.txt", catalogue],
  ["mooring.txt", catalogue],
  ["tollhouse.txt", catalogue],
  ["ferryhouse.txt", catalogue],
  ["bollard.txt", anotherCatalogue],
  ["fender.txt", anotherCatalogue],
  ["breakwater.txt", anotherCatalogue],
  ["groyne.txt", anotherCatalogue],
  ["capstan.txt", anotherCatalogue],
  ["rooms.txt", anotherCatalogue],
  ["letters.txt", anotherCatalogue],
  ["counter.txt", anotherCatalogue],
  ["quay.txt", anotherCatalogue],
  ["jetty.txt", anotherCatalogue],
  ["spring.txt", anotherCatalogue],
  ["halyard.txt", anotherCatalogue],
  ["moorings.txt", anotherCatalogue],
  ["binnacle.txt", anotherCatalogue],
  ["hawser.txt", anotherCatalogue],
  ["painter.txt", anotherCatalogue],
  ["windlass.txt", anotherCatalogue],
  ["gridiron.txt", anotherCatalogue],
];

const readings = new Map<Catalogue, Map<string, ReadOrder>>();
/** Each text is read once, whatever is then asked of its reading. */
function read(text: string, book: Catalogue): ReadOrder {
  const ofBook = readings.get(book) ?? new Map<string, ReadOrder>();
  readings.set(book, ofBook);
  const order = ofBook.get(text) ?? readOrder(text, book);
  ofBook.set(text, order);
  return order;
}

function outcome(text: string, catalogue: Catalogue): string[] {
  const order = read(text, catalogue);
  if (!isWhole(order)) return [...order.doubts, ...order.lines.flatMap((l) => l.doubts)].map((d) => `? ${d.code}`);
  const lines = order.lines.map((l) => {
    const wishes = wishWords(l);
    const policy = l.policy ? ` !${l.policy}` : "";
    return `= ${l.flies ?? ""} ${l.pattern ?? ""} ${l.size ?? ""} ${l.variant ?? ""} ${l.form ?? ""}${policy}${wishes ? ` (${wishes})` : ""}${l.due ? ` by ${l.due}` : ""}`;
  });
  return [...lines, `= for ${order.customer ?? ""} by ${order.due ?? ""}`];
}

describe.each(files)("orders as they are written: %s", (file, book) => {
  test.each(ordersOf(file))("$text", ({ text, wanted }) => {
    const got = outcome(text, book);
    if (wanted[0]?.startsWith("?")) expect(got).toEqual(expect.arrayContaining(wanted));
    else expect(got).toEqual(wanted);
  });
});

/** All texts twice: one in four, and all of them where there is time. */
const EVERY = thorough ? 1 : 4;
describe("an order that can be saved", () => {
  const whole = files.flatMap(([file, book]) =>
    ordersOf(file)
      .filter(({ wanted }) => !wanted[0]?.startsWith("?"))
      .map(({ text }) => ({ text, book })),
  );
  const ofOrders = [
    ...typedOtherwise,
    { how: "with “&” for “and”", of: (text: string) => text.replace(/ and /g, " & ") },
    { how: "with “and” for “&”", of: (text: string) => text.replace(/ & /g, " and ") },
    { how: "shouted", mayAsk: true as const, of: (text: string) => text.toUpperCase() },
  ];
  const kindOf = (said: string): string =>
    said.toLowerCase().replace(/\s+/g, " ").replaceAll(" & ", " and ").replaceAll("’", "'");
  const tried = whole
    .filter((_, i) => i % EVERY === 0)
    .map((one, i) => ({ ...one, ...(ofOrders[i % ofOrders.length] ?? ofOrders[0]) }))
    .flatMap(({ of, mayAsk = false, ...one }) => (of ? [{ ...one, mayAsk, typed: of(one.text) }] : []))
    .filter(({ text, typed }) => typed !== text);

  test.each(tried)("says the same $how: $text", ({ text, book, typed, mayAsk }) => {
    const order = readOrder(typed, book);
    const asks = [...order.doubts, ...order.lines.flatMap((l) => l.doubts)];
    // Where it may be asked about, it is never another.
    if (asks.length === 0 || !mayAsk) expect(outcome(typed, book).map(kindOf)).toEqual(outcome(text, book).map(kindOf));
    else expect(isWhole(order)).toBe(false);
  });
});

describe("what is wished", () => {
  const all = files.flatMap(([file, book]) => ordersOf(file).map(({ text }) => ({ text, book })));
  const overlaps = (a: readonly [number, number], b: readonly [number, number]): boolean => a[0] < b[1] && b[0] < a[1];

  test.each(all)("is read as a wish or asked about, never set aside: $text", ({ text, book }) => {
    const order = read(text, book);
    const kept = order.lines.flatMap((l) => [...l.understood, ...l.doubts, ...l.wishes]);
    const seen = [...kept, ...order.understood, ...order.doubts, ...order.asides.filter((a) => a.why !== "courtesy")];
    let left = text;
    for (let wish = findWish(left, 0); wish; wish = findWish(left, 0)) {
      const { at, words } = wish;
      expect(
        seen.some((s) => overlaps(s.at, at)),
        words,
      ).toBe(true);
      left = left.slice(0, at[0]) + " ".repeat(at[1] - at[0]) + left.slice(at[1]);
    }
  });
});

const wordsOf = (d: Doubt): string | undefined => ("words" in d.details ? d.details.words : undefined);
describe("an answer that is offered", () => {
  const asked = files.flatMap(([file, book]) =>
    ordersOf(file).flatMap(({ text }) => {
      const order = read(text, book);
      return [...order.doubts, ...order.lines.flatMap((l) => l.doubts)].flatMap((doubt) =>
        doubt.candidates.map((answer) => ({ text, book, doubt, answer })),
      );
    }),
  );
  test.each(asked)("settles the question: $doubt.code, $answer.label", ({ text, book, doubt, answer }) => {
    const answered = text.slice(0, doubt.at[0]) + answer.text + text.slice(doubt.at[1]);
    const asked = (of: string) => {
      const order = read(of, book);
      // Once it is known what thirty count, it may be asked what twelve of them do: of other words.
      return [...order.doubts, ...order.lines.flatMap((l) => l.doubts)].filter(
        (d) => d.code === doubt.code && d.field === doubt.field && wordsOf(d) === wordsOf(doubt),
      ).length;
    };
    // The same may be asked of several lines; each answer settles its own.
    expect(asked(answered), text).toBeLessThan(asked(text));
  });
});

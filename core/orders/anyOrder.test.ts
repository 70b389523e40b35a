import { doubtSentence } from "../sentences";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { isWhole, readOrder, type Catalogue } from ".";

const catalogue: Catalogue = {
  today: "2026-11-23",
  patterns: [
    {
      id: "lodger",
      name: "Copper Lodger",
      sizes: { from: "10", to: "16" },
      variants: [
        { id: "olive", name: "olive" },
        { id: "rust", name: "rust" },
      ],
      forms: [
        { id: "weighted", name: "weighted" },
        { id: "light", name: "unweighted" },
      ],
    },
    {
      id: "wisp",
      name: "Slate Wisp",
      sizes: { from: "10", to: "18" },
      variants: [
        { id: "slate", name: "slate" },
        { id: "amber", name: "amber" },
      ],
      forms: [{ id: "plain", name: "standard" }],
    },
    {
      id: "wharf",
      name: "Wharf Lantern",
      sizes: { from: "2", to: "3/0" },
      variants: [{ id: "pearl", name: "pearl" }],
      forms: [{ id: "plain", name: "standard" }],
    },
  ],
  customers: [
    { id: "mere", name: "Hollow Mere Lodge" },
    { id: "quay", name: "Quayhead Tackle" },
    { id: "ida", name: "Ida Pellworth" },
  ],
  seasons: [{ name: "char run", date: "2027-04-18" }],
  numberWords: {},
};
const sizesOf: Record<string, string[]> = {
  lodger: ["10", "12", "14", "16"],
  wisp: ["10", "12", "14", "16", "18"],
  wharf: ["2", "1/0", "3/0"],
};
const line = fc.constantFrom(...catalogue.patterns).chain((p) =>
  fc.record({
    pattern: fc.constant(p),
    size: fc.constantFrom(...(sizesOf[p.id] ?? [])),
    variant: fc.constantFrom(...p.variants),
    form: fc.constantFrom(...p.forms),
    dozens: fc.integer({ min: 1, max: 200 }),
    singles: fc.integer({ min: 0, max: 11 }),
  }),
);
const order = fc.record({
  lines: fc.array(line, { minLength: 1, maxLength: 8 }),
  customer: fc.constantFrom(...catalogue.customers),
  days: fc.integer({ min: 1, max: 90 }),
});
type AnyOrder = typeof order extends fc.Arbitrary<infer O> ? O : never;
type AnyLine = AnyOrder["lines"][number];

/** A line in one of the ways in which people write it. */
const ways: ((l: AnyLine) => string)[] = [
  (l) =>
    `${l.dozens}dz${l.singles ? ` + ${l.singles}` : ""} ${l.pattern.name} ${l.size} ${l.variant.name}${l.pattern.forms.length > 1 ? ` ${l.form.name}` : ""}`,
  (l) =>
    `${l.dozens} dozen${l.singles ? `+${l.singles}` : ""} ${l.pattern.name.toLowerCase()} #${l.size} ${l.variant.name.toUpperCase()}${l.pattern.forms.length > 1 ? ` ${l.form.name}` : ""}`,
  (l) =>
    `${l.dozens * 12 + l.singles} flies ${l.pattern.name} ${l.pattern.forms.length > 1 ? `${l.form.name} ` : ""}${l.variant.name} ${l.size}`,
];
const written = (o: AnyOrder, way: number, between: string): string =>
  `${o.lines.map((l, i) => ways[(way + i) % ways.length]?.(l)).join(between)}; ${o.customer.name}, in ${o.days} days`;

describe("any order that can be written", () => {
  test("is read as it was meant, however it is written", () => {
    fc.assert(
      fc.property(order, fc.integer({ min: 0, max: 2 }), fc.constantFrom(", ", "\n", "; "), (o, way, between) => {
        const text = written(o, way, between);
        const read = readOrder(text, catalogue);
        expect([...read.doubts, ...read.lines.flatMap((l) => l.doubts)].map(doubtSentence), text).toEqual([]);
        expect(isWhole(read)).toBe(true);
        expect(
          read.lines.map((l) => [l.flies, l.pattern, l.size, l.variant, l.form]),
          text,
        ).toEqual(o.lines.map((l) => [l.dozens * 12 + l.singles, l.pattern.id, l.size, l.variant.id, l.form.id]));
        expect(read.customer).toBe(o.customer.id);
      }),
      { numRuns: 300 },
    );
  });

  test("every part that was understood, and every doubt, stands where it says in the text", () => {
    fc.assert(
      fc.property(
        order,
        fc.integer({ min: 0, max: 2 }),
        fc.constantFrom("", "a few dozen gulls", "7 parrots", "size 99"),
        (o, way, strange) => {
          const text = `${written(o, way, ", ")}${strange ? `, ${strange}` : ""}`;
          const read = readOrder(text, catalogue);
          const spans = [
            ...read.understood,
            ...read.doubts,
            ...read.lines.flatMap((l) => [...l.understood, ...l.doubts]),
          ].map((x) => x.at);
          for (const [from, to] of spans) {
            expect(from).toBeGreaterThanOrEqual(0);
            expect(to).toBeGreaterThanOrEqual(from);
            expect(to).toBeLessThanOrEqual(text.length);
          }
          if (strange) expect(isWhole(read)).toBe(false);
        },
      ),
      { numRuns: 200 },
    );
  });

  test("whatever is typed, it is read without stumbling, and no line has more flies than a line holds", () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 120 }),
          fc
            .array(
              fc.constantFrom(
                "6dz",
                "Copper",
                "Lodger",
                "14",
                "olive",
                ";",
                ",",
                "\t",
                "\n",
                "-3",
                "1e9",
                "half",
                "a couple dozen",
                "in",
                "weeks",
                "12/0",
                "Ida",
              ),
              { maxLength: 20 },
            )
            .map((w) => w.join(" ")),
        ),
        (text) => {
          for (const l of readOrder(text, catalogue).lines)
            if (l.flies !== undefined) expect(l.flies > 0 && l.flies <= 6000 && Number.isInteger(l.flies)).toBe(true);
        },
      ),
      { numRuns: 500 },
    );
  });
});

import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { DomainError } from "../errors";
import {
  acceptsClass,
  byPriority,
  gradeSkin,
  shareFeathers,
  usableFeathers,
  type FeatherClass,
  type FeatherDemand,
} from ".";

const classOf = (mm: number, count: number): FeatherClass => ({
  id: String(mm),
  fromMm: mm - 0.5,
  toMm: mm + 0.5,
  count,
});
const metOf = (share: ReturnType<typeof shareFeathers>): Record<string, number> =>
  Object.fromEntries(share.demands.map((d) => [d.id, d.met]));

describe("sharing feathers by class", () => {
  const classes = [classOf(6, 10), classOf(7, 14), classOf(8, 9), classOf(9, 4)];
  const demands: FeatherDemand[] = [
    { id: "D", due: "2027-03-09", rank: 3, order: 12, barbMm: [7.8, 9.5], feathers: 9 },
    { id: "C", due: "2027-03-04", rank: 1, order: 14, barbMm: [5.6, 7.2], feathers: 10 },
    { id: "A", due: "2027-03-01", rank: 1, order: 11, barbMm: [6, 8], feathers: 12 },
    { id: "B", due: "2027-03-01", rank: 2, order: 10, barbMm: [6.7, 7.4], feathers: 8 },
  ];
  test("the first moves to other classes to make room for the third", () => {
    const share = shareFeathers(classes, demands);
    expect(share.demands.map((d) => d.id)).toEqual(["A", "B", "C", "D"]);
    expect(metOf(share)).toEqual({ A: 12, B: 8, C: 10, D: 7 });
    expect(share.left.every((l) => l.feathers === 0)).toBe(true);
    expect(share.demands.at(-1)).toMatchObject({ met: 7, short: 2 });
  });
  test("the class that fails first is the small one, while larger feathers remain", () => {
    const share = shareFeathers(
      [classOf(6, 10), classOf(9, 100)],
      [
        { id: "dry 16", due: "2027-03-01", rank: 1, order: 1, barbMm: [5, 7], feathers: 8 },
        { id: "dry 18", due: "2027-03-02", rank: 1, order: 2, barbMm: [5, 6.5], feathers: 6 },
        { id: "wet 8", due: "2027-03-03", rank: 1, order: 3, barbMm: [8, 12], feathers: 20 },
      ],
    );
    expect(share.failsFirst).toEqual({ class: "6", at: "dry 18" });
    expect(share.left).toEqual([
      { class: "6", feathers: 0 },
      { class: "9", feathers: 80 },
    ]);
  });
  test("nothing fails while every class that is wanted has feathers left", () =>
    expect(
      shareFeathers(classes, [{ ...demands[0], id: "x", due: "", rank: 1, order: 1, feathers: 1 }]).failsFirst,
    ).toBe(undefined));
  test("classes that others cannot use go first, then the smaller", () => {
    const only = { due: "2027-03-01", rank: 1, order: 1 };
    const share = shareFeathers(
      [classOf(6, 5), classOf(7, 5), classOf(8, 5)],
      [
        { ...only, id: "all", barbMm: [5, 9], feathers: 7 },
        { ...only, id: "six", due: "2027-03-02", barbMm: [6, 6], feathers: 1 },
      ],
    );
    expect(share.demands[0]?.takes).toEqual([
      { class: "7", feathers: 5 },
      { class: "8", feathers: 2 },
    ]);
  });
  test("sides are apart, and a middle on the end of an interval counts", () => {
    const sided: FeatherClass[] = [
      { ...classOf(20, 6), id: "20 left", side: "left" },
      { ...classOf(20, 5), id: "20 right", side: "right" },
    ];
    const wing = { due: "2027-03-01", rank: 1, order: 1, barbMm: [20, 24] as const, feathers: 6 };
    const share = shareFeathers(sided, [
      { ...wing, id: "left", side: "left" },
      { ...wing, id: "right", side: "right" },
    ]);
    expect(metOf(share)).toEqual({ left: 6, right: 5 });
  });
  test("what is unusable is not shared out", () => {
    expect(usableFeathers({ count: 10, unusable: 0.3 })).toBe(7);
    expect(usableFeathers({ count: 7, unusable: 0.5 })).toBe(3);
    const share = shareFeathers(
      [{ ...classOf(6, 10), unusable: 0.3 }],
      [{ ...demands[2], barbMm: undefined } as FeatherDemand],
    );
    expect(share.demands[0]).toMatchObject({ met: 7, short: 5 });
  });
  test("only the named classes, such as those of one dye lot", () => {
    const one = { ...demands[2], only: new Set(["7"]) } as FeatherDemand;
    expect(shareFeathers(classes, [one]).demands[0]?.takes).toEqual([{ class: "7", feathers: 12 }]);
  });
  test.each([
    ["half a feather", classes, [{ ...demands[0], feathers: 2.5 }], "FIGURE_OUT_OF_BOUNDS"],
    ["less than none", classes, [{ ...demands[0], feathers: -1 }], "FIGURE_OUT_OF_BOUNDS"],
    ["an interval the wrong way round", classes, [{ ...demands[0], barbMm: [9, 7] as const }], "FIGURE_OUT_OF_BOUNDS"],
    ["a class the wrong way round", [{ ...classOf(6, 1), toMm: 2 }], [], "FIGURE_OUT_OF_BOUNDS"],
    ["a share above one", [{ ...classOf(6, 1), unusable: 1.2 }], [], "FIGURE_OUT_OF_BOUNDS"],
    ["a class named twice", [classOf(6, 1), classOf(6, 2)], [], "NAMED_TWICE"],
  ])("%s is refused", (_what, c, d, code) =>
    expect(() => shareFeathers(c as FeatherClass[], d as FeatherDemand[])).toThrow(
      expect.objectContaining({ code }) as DomainError,
    ),
  );
});

const classesArb = fc.uniqueArray(
  fc.record({
    mm: fc.integer({ min: 5, max: 12 }),
    count: fc.integer({ min: 0, max: 6 }),
  }),
  { minLength: 1, maxLength: 5, selector: (c) => c.mm },
);
const demandsArb = fc.array(
  fc.record({
    from: fc.integer({ min: 4, max: 12 }),
    span: fc.integer({ min: 0, max: 5 }),
    feathers: fc.integer({ min: 0, max: 6 }),
    due: fc.integer({ min: 1, max: 3 }),
  }),
  { maxLength: 5 },
);
const problemOf = (
  classes: { mm: number; count: number }[],
  demands: { from: number; span: number; feathers: number; due: number }[],
): [FeatherClass[], FeatherDemand[]] => [
  classes.map((c) => classOf(c.mm, c.count)),
  demands.map((d, i) => ({
    id: `d${i}`,
    due: `2027-03-0${d.due}`,
    rank: 1,
    order: i,
    barbMm: [d.from, d.from + d.span] as const,
    feathers: d.feathers,
  })),
];

/** The most of the first so many demands that can be met together, by Hall's theorem: over every set of classes. */
function mostTogether(classes: FeatherClass[], wanted: { demand: FeatherDemand; feathers: number }[]): number {
  let least = Infinity;
  for (let set = 0; set < 1 << classes.length; set++) {
    const isIn = (i: number) => (set & (1 << i)) !== 0;
    const capacity = classes.reduce((sum, c, i) => sum + (isIn(i) ? c.count : 0), 0);
    const outside = wanted.reduce(
      (sum, { demand, feathers }) => sum + (classes.some((c, i) => !isIn(i) && acceptsClass(demand, c)) ? feathers : 0),
      0,
    );
    least = Math.min(least, capacity + outside);
  }
  return least;
}

describe("sharing feathers, for any problem", () => {
  test("each demand gets as many as can be had beside those before it", () =>
    fc.assert(
      fc.property(classesArb, demandsArb, (c, d) => {
        const [classes, demands] = problemOf(c, d);
        const share = shareFeathers(classes, demands);
        const before: { demand: FeatherDemand; feathers: number }[] = [];
        for (const demand of [...demands].sort(byPriority)) {
          const most = mostTogether(classes, [...before, { demand, feathers: demand.feathers }]);
          const had = before.reduce((sum, b) => sum + b.feathers, 0);
          const met = share.demands.find((x) => x.id === demand.id)?.met ?? -1;
          expect(met).toBe(most - had);
          before.push({ demand, feathers: met });
        }
      }),
      { numRuns: 400 },
    ));
  test("nothing is taken twice, from nowhere, or from a class that is not accepted", () =>
    fc.assert(
      fc.property(classesArb, demandsArb, (c, d) => {
        const [classes, demands] = problemOf(c, d);
        const share = shareFeathers(classes, demands);
        for (const { id, count } of classes) {
          const taken = share.demands.flatMap((x) => x.takes).filter((t) => t.class === id);
          const left = share.left.find((l) => l.class === id)?.feathers ?? -1;
          expect(taken.reduce((sum, t) => sum + t.feathers, 0) + left).toBe(count);
        }
        for (const x of share.demands)
          for (const t of x.takes) {
            const demand = demands.find((y) => y.id === x.id);
            const from = classes.find((y) => y.id === t.class);
            expect(demand && from && acceptsClass(demand, from)).toBe(true);
          }
      }),
    ));
  test("more stock never meets fewer needs, and the order of equal priorities does not change the total", () =>
    fc.assert(
      fc.property(classesArb, demandsArb, fc.nat(4), (c, d, which) => {
        const [classes, demands] = problemOf(c, d);
        const total = (share: ReturnType<typeof shareFeathers>) => share.demands.reduce((sum, x) => sum + x.met, 0);
        const now = total(shareFeathers(classes, demands));
        const more = classes.map((x, i) => (i === which % classes.length ? { ...x, count: x.count + 3 } : x));
        expect(total(shareFeathers(more, demands))).toBeGreaterThanOrEqual(now);
        expect(
          total(
            shareFeathers(
              classes,
              demands.map((x, i) => ({ ...x, order: demands.length - i })),
            ),
          ),
        ).toBe(now);
      }),
    ));
});

describe("grading a skin by a sample", () => {
  const sample = [
    { fromMm: 5, toMm: 6, sampled: 12, spoilt: 3 },
    { fromMm: 6, toMm: 7, sampled: 20, spoilt: 0 },
    { fromMm: 7, toMm: 9, sampled: 8, spoilt: 1 },
  ];
  test("each class has its share of the skin, and they add up to it", () => {
    const classes = gradeSkin(sample, 331);
    expect(classes.map((c) => c.count)).toEqual([99, 166, 66]);
    expect(classes.map((c) => c.unusable)).toEqual([0.25, 0, 0.125]);
    expect(classes.reduce((sum, c) => sum + c.count, 0)).toBe(331);
  });
  test("the spread is that of drawing without putting back: none when every feather was looked at", () => {
    const [small] = gradeSkin(sample, 331);
    expect(small?.deviation).toBeCloseTo(331 * Math.sqrt(((0.3 * 0.7) / 40) * (291 / 330)), 6);
    expect(gradeSkin(sample, 40).every((c) => c.deviation === 0)).toBe(true);
  });
  test("a skin with fewer feathers than were sampled, or nothing sampled, is refused", () => {
    expect(() => gradeSkin(sample, 39)).toThrow(DomainError);
    expect(() => gradeSkin([{ fromMm: 5, toMm: 6, sampled: 0, spoilt: 0 }], 10)).toThrow(DomainError);
    expect(() => gradeSkin([{ fromMm: 5, toMm: 6, sampled: 2, spoilt: 3 }], 10)).toThrow(DomainError);
  });
});

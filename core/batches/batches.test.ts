import { gateSentence } from "../sentences";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { gather, gateReasons, mergeClaims, mostOwedFor, splitClaims, type Need } from ".";
import { chanceOfEnough, startsFor } from "../learning";

const record = fc.record({ good: fc.integer({ min: 5, max: 300 }), bad: fc.integer({ min: 1, max: 20 }) });
const owed = fc.integer({ min: 1, max: 240 });

describe("startsFor", () => {
  test("merging two batches of whole dozens never needs more starts than apart", () => {
    for (const known of [
      { good: 48, bad: 2 },
      { good: 200, bad: 10 },
      { good: 30, bad: 3 },
      { good: 300, bad: 4 },
    ])
      for (let a = 12; a <= 144; a += 12)
        for (let b = a; b <= 144; b += 12)
          expect(startsFor(a + b, known), `${a} + ${b}`).toBeLessThanOrEqual(startsFor(a, known) + startsFor(b, known));
  });

  // A quantile is not quite subadditive: with a single fly to add, the whole numbers can fall one apart.
  test("merging any two batches needs at most one start more than apart", () =>
    fc.assert(
      fc.property(owed, owed, record, (a, b, known) => {
        fc.pre(known.good > 3 * known.bad);
        expect(startsFor(a + b, known)).toBeLessThanOrEqual(startsFor(a, known) + startsFor(b, known) + 1);
      }),
      { seed: 11, numRuns: 300 },
    ));

  test("is the smallest number that suffices, by direct summation", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 8, max: 60 }),
        fc.integer({ min: 1, max: 6 }),
        fc.double({ min: 0.5, max: 0.97, noNaN: true }),
        (t, good, bad, level) => {
          const n = startsFor(t, { good, bad }, level);
          expect(direct(n, t, good, bad)).toBeGreaterThanOrEqual(level - 1e-9);
          if (n > t) expect(direct(n - 1, t, good, bad)).toBeLessThan(level);
        },
      ),
      { numRuns: 200, seed: 3 },
    ));

  /** P(at least t of n) from the definition: each draw's chance follows from those before it. */
  function direct(n: number, t: number, good: number, bad: number): number {
    let chances = [1];
    for (let i = 0; i < n; i++) {
      const next = new Array<number>(i + 2).fill(0);
      chances.forEach((p, g) => {
        const win = (good + g) / (good + bad + i);
        next[g + 1] = (next[g + 1] ?? 0) + p * win;
        next[g] = (next[g] ?? 0) + p * (1 - win);
      });
      chances = next;
    }
    return chances.slice(t).reduce((a, b) => a + b, 0);
  }

  test("large and lopsided records neither underflow nor take long", () => {
    expect(chanceOfEnough(5000, 10, { good: 3, bad: 400 })).toBeGreaterThan(0.9);
    expect(chanceOfEnough(6000, 5990, { good: 2.5, bad: 900.5 })).toBeLessThan(1e-6);
    expect(startsFor(6000, { good: 480, bad: 20 })).toBeGreaterThan(6000);
  });

  test.each([
    [0, 0],
    [1, 1],
  ])("%i owed", (t, least) => expect(startsFor(t)).toBeGreaterThanOrEqual(least));
  test.each([[-1], [1.5]])("refuses %s owed", (t) => expect(() => startsFor(t)).toThrow(/QUANTITY_INVALID/));
  test("refuses a level of 1 and an empty record", () => {
    expect(() => startsFor(12, undefined, 1)).toThrow(/PROBABILITY_INVALID/);
    expect(() => startsFor(12, { good: 0, bad: 1 })).toThrow(/PROBABILITY_INVALID/);
  });
});

const sku = { pattern: "p", variant: "v", form: "f", size: "14" };
const need = (line: string, flies: number, due: string, more: Partial<Need> = {}): Need => ({
  line,
  sku,
  flies,
  due,
  rank: 1,
  order: Number(line),
  ...more,
});
const rules = () => ({ most: 120, windowDays: 10 });
const ids = () => {
  let i = 0;
  return () => `n${++i}`;
};

describe("gather", () => {
  test("puts the same fly with nearby days together, and another day or colour apart", () => {
    const batches = gather(
      [
        need("1", 36, "2027-01-10"),
        need("2", 24, "2027-01-18"),
        need("3", 24, "2027-02-20"),
        need("4", 12, "2027-01-10", { sku: { ...sku, variant: "w" } }),
      ],
      [],
      rules,
      ids(),
    );
    expect(batches.map((b) => b.claims.map((c) => `${c.line}:${c.flies}`).join(" "))).toEqual([
      "1:36 2:24",
      "4:12",
      "3:24",
    ]);
  });

  test("lines that ask for different flies of one kind share no batch", () => {
    const asked = (askedKey: string) => ({ sku: { ...sku, askedKey } });
    const batches = gather(
      [
        need("1", 24, "2027-01-10"),
        need("2", 24, "2027-01-11", asked("no flash")),
        need("3", 12, "2027-01-12", asked("no flash")),
      ],
      [],
      rules,
      ids(),
    );
    expect(batches.map((b) => b.claims.map((c) => c.line).join(" "))).toEqual(["1", "2 3"]);
  });
  test("a line that asks for something else leaves its batch", () => {
    const planned = [
      {
        id: "b",
        sku,
        claims: [
          { line: "1", flies: 24 },
          { line: "2", flies: 12 },
        ],
        held: false,
      },
    ];
    const now = [need("1", 24, "2027-01-10"), need("2", 12, "2027-01-11", { sku: { ...sku, askedKey: "sparse" } })];
    const batches = gather(now, planned, rules, ids());
    expect(batches.map((b) => [b.id, b.claims.map((c) => c.line).join(" ")])).toEqual([
      ["b", "1"],
      ["n1", "2"],
    ]);
  });

  test("divides what is larger than a tray in whole dozens", () => {
    const batches = gather([need("1", 300, "2027-01-10")], [], rules, ids());
    expect(batches.map((b) => b.claims[0]?.flies)).toEqual([120, 120, 60]);
  });

  test("leaves batches made by hand alone, keeps claims that still hold, drops the rest", () => {
    const planned = [
      { id: "hand", sku, claims: [{ line: "1", flies: 12 }], held: true },
      {
        id: "own",
        sku,
        claims: [
          { line: "2", flies: 48 },
          { line: "gone", flies: 24 },
        ],
        held: false,
      },
    ];
    const batches = gather([need("1", 24, "2027-01-10"), need("2", 36, "2027-01-12")], planned, rules, ids());
    expect(batches).toEqual([
      { ...planned[0], claims: [{ line: "1", flies: 12 }] },
      {
        ...planned[1],
        claims: [
          { line: "2", flies: 36 },
          { line: "1", flies: 12 },
        ],
      },
    ]);
  });

  test("whatever the needs, every fly is claimed once and no tray overflows", () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ flies: fc.integer({ min: 1, max: 400 }), day: fc.integer({ min: 1, max: 60 }) }), {
          maxLength: 14,
        }),
        (list) => {
          const needs = list.map((n, i) =>
            need(String(i), n.flies, new Date(Date.UTC(2027, 0, n.day)).toISOString().slice(0, 10)),
          );
          const batches = gather(needs, [], rules, ids());
          for (const b of batches) expect(b.claims.reduce((s, c) => s + c.flies, 0)).toBeLessThanOrEqual(120);
          for (const n of needs)
            expect(
              batches
                .flatMap((b) => b.claims)
                .filter((c) => c.line === n.line)
                .reduce((s, c) => s + c.flies, 0),
            ).toBe(n.flies);
          expect(gather(needs, batches, rules, ids())).toEqual(batches);
        },
      ),
    ));

  test("a tray holds the rejects too", () => {
    expect(mostOwedFor(144)).toBe(132);
    expect(startsFor(mostOwedFor(144))).toBeLessThanOrEqual(144);
    expect(mostOwedFor(5)).toBe(12);
  });

  test("splitting and merging keep every claim", () => {
    const claims = [
      { line: "1", flies: 30 },
      { line: "2", flies: 18 },
    ];
    const { off, stay } = splitClaims(claims, 36);
    expect(off).toEqual([
      { line: "1", flies: 30 },
      { line: "2", flies: 6 },
    ]);
    expect(mergeClaims([off, stay])).toEqual(claims);
  });
});

test("the gate names every reason", () => {
  const clear = {
    notPromised: [],
    missingFromPattern: [],
    shortages: [],
    mixedLots: [],
    skills: ["palmer"],
    peopleAble: 1,
    stationsDown: [],
  };
  expect(gateReasons(clear)).toEqual([]);
  expect(
    gateReasons({
      ...clear,
      shortages: [{ material: "hooks", quantity: 4, unit: "count" }],
      mixedLots: ["floss"],
      peopleAble: 0,
      stationsDown: ["mill"],
      missingFromPattern: [{ code: "FINISH_NOT_STATED", details: {} }],
    }).map(gateSentence),
  ).toEqual([
    "The pattern is incomplete: the finish is not stated: name it, or say that there is none on purpose.",
    "Short of 4 of hooks: reserve it, or see what to do beside it.",
    "The floss would mix dye lots. Choose one lot, or say that mixing is accepted.",
    "Nobody in the room has every skill that it asks for: palmer.",
    "The mill station is down.",
  ]);
});

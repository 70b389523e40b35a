import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { DomainError } from "../errors";
import { cutList, type CutStock, type CutWanted } from ".";

const rules = { keepMm: 40 };
const remnant = (id: string, lengthMm: number): CutStock => ({ id, lengthMm });
const fresh = (id: string, lengthMm: number): CutStock => ({ id, lengthMm, fresh: true });

describe("cutting lengths", () => {
  test("two from one, one from the other", () => {
    const list = cutList([remnant("a", 130), remnant("b", 65)], [{ lengthMm: 60, count: 3 }], rules);
    expect(list).toMatchObject({ cutMm: 180, fromRemnantsMm: 180, wasteMm: 15, proved: true, uncut: [] });
    expect(list.cuts.map((c) => [c.stock, c.pieces[0]?.count, c.leftMm, c.kept])).toEqual([
      ["b", 1, 5, false],
      ["a", 2, 10, false],
    ]);
  });
  test("remnants go first, and the spool is begun only for the rest", () => {
    const list = cutList(
      [fresh("spool", 20_000), remnant("a", 100), remnant("b", 70)],
      [{ lengthMm: 64.1, count: 38 }],
      rules,
    );
    expect(list.fromRemnantsMm).toBeCloseTo(128.2, 9);
    expect(list.cuts.map((c) => [c.stock, c.pieces[0]?.count])).toEqual([
      ["b", 1],
      ["a", 1],
      ["spool", 36],
    ]);
    expect(list.cuts.at(-1)).toMatchObject({ kept: true });
  });
  test("what wastes less is preferred: a rest that is long enough is kept", () => {
    const list = cutList([remnant("a", 100), remnant("b", 105)], [{ lengthMm: 62, count: 1 }], rules);
    expect(list).toMatchObject({ wasteMm: 0, proved: true });
    expect(list.cuts).toEqual([{ stock: "b", pieces: [{ lengthMm: 62, count: 1 }], leftMm: 43, kept: true }]);
  });
  test("filling the first as full as it goes would waste the second", () => {
    const list = cutList(
      [remnant("a", 100), remnant("b", 90)],
      [
        { lengthMm: 50, count: 2 },
        { lengthMm: 45, count: 2 },
      ],
      { keepMm: 1000 },
    );
    expect(list).toMatchObject({ cutMm: 190, wasteMm: 0, proved: true });
  });
  test("each cut may lose something", () => {
    const list = cutList([remnant("a", 121)], [{ lengthMm: 60, count: 2 }], { keepMm: 10, lostMm: 1 });
    expect(list).toMatchObject({ cutMm: 60, uncut: [{ lengthMm: 60, count: 1 }] });
    expect(cutList([remnant("a", 122)], [{ lengthMm: 60, count: 2 }], { keepMm: 10, lostMm: 1 }).uncut).toEqual([]);
  });
  test("what fits nowhere is said, and the rest is cut", () => {
    const list = cutList(
      [remnant("a", 50)],
      [
        { lengthMm: 60, count: 2 },
        { lengthMm: 20, count: 2 },
      ],
      rules,
    );
    expect(list.uncut).toEqual([{ lengthMm: 60, count: 2 }]);
    expect(list.cutMm).toBe(40);
  });
  test("sixty pieces of eight lengths from thirty remnants", () => {
    const stock = Array.from({ length: 30 }, (_, i) => remnant(`r${i}`, 90 + ((i * 37) % 160)));
    const wanted = Array.from({ length: 8 }, (_, i) => ({ lengthMm: 32 + i * 7, count: i < 4 ? 8 : 7 }));
    const list = cutList(stock, wanted, rules);
    expect(list.proved).toBe(true);
    expect(list.uncut).toEqual([]);
  });
  test("a search that is cut short says how much better a list could be at most", () => {
    const stock = Array.from({ length: 25 }, (_, i) => remnant(`r${i}`, 101.3 + ((i * 37.7) % 80)));
    const wanted = Array.from({ length: 40 }, (_, i) => ({ lengthMm: 41.1 + ((i * 13.3) % 37), count: 1 }));
    const list = cutList(stock, wanted, { keepMm: 10_000, most: 300 });
    expect(list.proved).toBe(false);
    expect(list.bound.cutMm).toBeGreaterThanOrEqual(list.cutMm);
    expect(list.cutMm).toBeGreaterThan(0.97 * list.bound.cutMm);
  });
  test.each([
    ["a length of nothing", [remnant("a", 0)], [{ lengthMm: 6, count: 1 }]],
    ["a piece below nothing", [remnant("a", 50)], [{ lengthMm: -6, count: 1 }]],
    ["half a piece", [remnant("a", 50)], [{ lengthMm: 6, count: 1.5 }]],
    ["more pieces than anybody cuts", [remnant("a", 50)], [{ lengthMm: 6, count: 1e9 }]],
  ])("%s is refused", (_what, stock, wanted) => expect(() => cutList(stock, wanted, rules)).toThrow(DomainError));
});

/** Every way of giving each piece to a length or to none; the best by the same three goals. */
function exhaustive(stock: CutStock[], wanted: CutWanted[], keepMm: number): [number, number, number] {
  const pieces = wanted.flatMap((w) => Array.from({ length: w.count }, () => w.lengthMm));
  let best: [number, number, number] = [-1, -1, Infinity];
  const used = stock.map(() => 0);
  const go = (i: number): void => {
    const length = pieces[i];
    if (length === undefined) {
      const cut = used.reduce((sum, u) => sum + u, 0);
      const remnants = used.reduce((sum, u, s) => sum + (stock[s]?.fresh ? 0 : u), 0);
      const waste = used.reduce((sum, u, s) => {
        const left = (stock[s]?.lengthMm ?? 0) - u;
        return sum + (u > 0 && left < keepMm ? left : 0);
      }, 0);
      const value: [number, number, number] = [cut, remnants, waste];
      const d = value.map((v, k) => v - (best[k] ?? 0));
      if ((d[0] ?? 0) > 0 || (d[0] === 0 && ((d[1] ?? 0) > 0 || (d[1] === 0 && (d[2] ?? 0) < 0)))) best = value;
      return;
    }
    go(i + 1);
    stock.forEach((s, k) => {
      if ((used[k] ?? 0) + length > s.lengthMm) return;
      used[k] = (used[k] ?? 0) + length;
      go(i + 1);
      used[k] = (used[k] ?? 0) - length;
    });
  };
  go(0);
  return best;
}

describe("cut lists, for any problem", () => {
  const stockArb = fc.array(fc.record({ lengthMm: fc.integer({ min: 10, max: 60 }), fresh: fc.boolean() }), {
    minLength: 1,
    maxLength: 3,
  });
  const wantedArb = fc.array(
    fc.record({ lengthMm: fc.integer({ min: 5, max: 40 }), count: fc.integer({ min: 0, max: 3 }) }),
    { minLength: 1, maxLength: 3 },
  );
  test("none is better by trying all", () =>
    fc.assert(
      fc.property(stockArb, wantedArb, fc.integer({ min: 0, max: 30 }), (s, wanted, keepMm) => {
        const stock = s.map((x, i) => ({ ...x, id: `s${i}` }));
        const list = cutList(stock, wanted, { keepMm });
        expect(list.proved).toBe(true);
        expect([list.cutMm, list.fromRemnantsMm, list.wasteMm]).toEqual(exhaustive(stock, wanted, keepMm));
      }),
      { numRuns: 150 },
    ));
  test("no length is cut beyond itself, and every piece is cut once or told", () =>
    fc.assert(
      fc.property(stockArb, wantedArb, fc.integer({ min: 0, max: 3 }), (s, wanted, lostMm) => {
        const stock = s.map((x, i) => ({ ...x, id: `s${i}` }));
        const list = cutList(stock, wanted, { keepMm: 20, lostMm });
        for (const c of list.cuts) {
          const length = stock.find((x) => x.id === c.stock)?.lengthMm ?? 0;
          const used = c.pieces.reduce((sum, p) => sum + p.count * (p.lengthMm + lostMm), 0);
          expect(used + c.leftMm).toBeCloseTo(length, 9);
          expect(c.leftMm).toBeGreaterThanOrEqual(0);
        }
        const told = [...list.cuts.flatMap((c) => c.pieces), ...list.uncut];
        for (const lengthMm of new Set(wanted.map((w) => w.lengthMm))) {
          const sum = (all: CutWanted[]) => all.reduce((n, p) => n + (p.lengthMm === lengthMm ? p.count : 0), 0);
          expect(sum(told)).toBe(sum(wanted));
        }
      }),
    ));
});

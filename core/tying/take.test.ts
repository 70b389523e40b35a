import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { codeOf } from "../testing/refusal";
import {
  blendCharge,
  clumpMass,
  DROP,
  feathersForFibres,
  feathersPerFly,
  fibresInSpan,
  fibresPerFeather,
  fliesPerPiece,
  fromSpool,
  liquidVolume,
  pairs,
  slipsPerFeather,
  strandPieces,
} from ".";

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe("what one use takes from stock", () => {
  test("from the spool: wound, at rest, with what is bound and thrown away", () => {
    expect(fromSpool({ length: 90 })).toBe(90);
    expect(fromSpool({ length: 90, stretch: 1.5, bound: 7, trim: 20 })).toBe(87);
  });
  test("a piece ties as many flies as fit, and one more millimetre never ties fewer", () =>
    fc.assert(
      fc.property(mm(40, 400), mm(5, 30), mm(0, 10), (piece, length, grip) => {
        const k = fliesPerPiece({ piece, grip }, { length });
        expect(k * length + grip).toBeLessThanOrEqual(piece + 1e-6);
        expect((k + 1) * length + grip).toBeGreaterThan(piece - 1e-6);
        expect(fliesPerPiece({ piece: piece + 1, grip }, { length })).toBeGreaterThanOrEqual(k);
      }),
    ));
  test("what a fly is learned to take more shortens what a piece ties, not the piece", () => {
    expect(
      [1, 1.2, 2].map((kappa) => fliesPerPiece({ piece: 100, grip: 10 }, { length: 28, bound: 2 }, kappa)),
    ).toEqual([3, 2, 1]);
    expect(codeOf(() => fliesPerPiece({ piece: 100, grip: 10 }, { length: 28, bound: 2 }, 3.1))).toBe(
      "PIECE_TOO_SHORT",
    );
  });
  test("a feather ties several flies, or several feathers one fly, and between them nothing is lost", () => {
    expect(feathersPerFly({ usable: 60, grip: 15 }, { length: 18, bound: 4 })).toEqual({ fliesPerFeather: 2 });
    expect(feathersPerFly({ usable: 60, grip: 15 }, { length: 41, bound: 4 })).toEqual({ fliesPerFeather: 1 });
    expect(feathersPerFly({ usable: 60, grip: 15 }, { length: 42, bound: 4 })).toEqual({ feathersPerFly: 2 });
    expect(feathersPerFly({ usable: 60, grip: 15 }, { length: 83, bound: 4 })).toEqual({ feathersPerFly: 3 });
    expect(codeOf(() => feathersPerFly({ usable: 19, grip: 15 }, { length: 10, bound: 4 }))).toBe("FEATHER_TOO_SHORT");
  });
  test("fibres pooled never take more feathers than each for whole flies only", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 20, max: 200 }),
        (uses, n, each) => {
          const pooled = feathersForFibres(uses, n, each);
          expect(pooled).toBeLessThanOrEqual(feathersForFibres(uses, n, each, false));
          expect(pooled * each).toBeGreaterThanOrEqual(uses * n);
          expect((pooled - 1) * each).toBeLessThan(uses * n);
        },
      ),
    ));
  test("a feather with too few fibres for one fly serves only in a pool", () => {
    expect(feathersForFibres(3, 30, 20)).toBe(5);
    expect(codeOf(() => feathersForFibres(3, 30, 20, false))).toBe("FIBRES_TOO_FEW");
  });
  test("fibres of a feather, of a span of stem, slips of a width", () => {
    expect(fibresPerFeather({ span: 40, perMm: 2.5, sides: 2, unusable: 0.1 })).toBe(180);
    expect([fibresInSpan(3, 2.5), fibresInSpan(3.4, 2.5), fibresInSpan(3.1, 2.5)]).toEqual([8, 9, 8]);
    expect([slipsPerFeather(50, 3), slipsPerFeather(51, 3), slipsPerFeather(3, 3)]).toEqual([16, 17, 1]);
  });
  test("pairs are as many as the smaller side has, class by class", () => {
    expect(pairs({ "9–11": 12, "11–13": 3 }, { "9–11": 7, "13–15": 20 })).toEqual({
      byClass: { "9–11": 7, "11–13": 0, "13–15": 0 },
      total: 7,
    });
    expect(pairs({}, {})).toEqual({ byClass: {}, total: 0 });
  });
  test("folded, a piece of twice the length gives two ends; an odd end takes a piece more", () => {
    expect(strandPieces({ hank: 250, piece: 60, ends: 4, folded: false })).toEqual({
      piecesPerStrand: 4,
      piecesPerFly: 4,
    });
    expect(strandPieces({ hank: 250, piece: 60, ends: 4, folded: true })).toEqual({
      piecesPerStrand: 2,
      piecesPerFly: 2,
    });
    expect(strandPieces({ hank: 250, piece: 60, ends: 5, folded: true }).piecesPerFly).toBe(3);
    expect(codeOf(() => strandPieces({ hank: 100, piece: 60, ends: 2, folded: true }))).toBe("PIECE_TOO_SHORT");
  });
  test("a clump twice as thick weighs four times as much, one twice as long twice", () => {
    expect(clumpMass(2, 30, 1.3)).toBeCloseTo(4 * clumpMass(1, 30, 1.3), 9);
    expect(clumpMass(1, 60, 1.3)).toBeCloseTo(2 * clumpMass(1, 30, 1.3), 9);
  });
  test("a coat never takes less than a drop, and resin lies thicker than lacquer", () => {
    expect(liquidVolume("lacquer", 1, 1, 3)).toBe(3 * DROP);
    expect(liquidVolume("resin", 4, 3, 1)).toBeCloseTo(2 * liquidVolume("lacquer", 4, 3, 1), 9);
    expect(liquidVolume("lacquer", 4, 3, 0)).toBe(0);
  });
  test("a charge of the mill is split by its parts, and what is over is told", () =>
    fc.assert(
      fc.property(
        mm(0, 5000),
        mm(0, 3000),
        fc.array(mm(0.05, 9), { minLength: 1, maxLength: 6 }),
        (need, least, shares) => {
          const { charge, parts, leftOver } = blendCharge(
            need,
            least,
            Object.fromEntries(shares.map((s, i) => [`part ${i}`, s])),
          );
          expect(charge).toBe(Math.max(need, least));
          expect(Object.values(parts).reduce((a, b) => a + b, 0)).toBeCloseTo(charge, 6);
          expect(leftOver).toBeCloseTo(charge - need, 9);
          shares.forEach((s, i) => {
            expect((parts[`part ${i}`] ?? 0) * (shares[0] ?? 1)).toBeCloseTo((parts["part 0"] ?? 0) * s, 5);
          });
        },
      ),
    ));
});

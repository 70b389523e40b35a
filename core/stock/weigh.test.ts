import { describe, expect, test } from "vitest";
import { DomainError } from "../errors";
import { plusMinusWithSample, weighLine, weighPacket, weighPieces, weighThread, weighWire } from ".";

const hooks = { grossMg: 24_050, tareMg: 12_040, sampleCount: 5, sampleMg: 210, readabilityMg: 10 };

describe("pieces by weight", () => {
  test("five hooks in the sample on a scale of 10 mg", () => {
    const w = weighPieces(hooks);
    expect(w.amount).toBeCloseTo(285.952, 3);
    expect(2 * w.deviation).toBeCloseTo(9.40568, 5);
    expect([w.shown, w.plusMinus, w.pieceMg]).toEqual([286, 10, 42]);
    expect(w.advice).toEqual({ weigh: 20, plusMinus: 4 });
    expect(plusMinusWithSample(hooks, 20)).toBe(4);
  });
  test("twenty beads that differ by 3 % need no larger sample than a hundred", () => {
    const w = weighPieces({
      grossMg: 30_412,
      tareMg: 2150,
      sampleCount: 20,
      sampleMg: 2448,
      readabilityMg: 1,
      spread: 0.03,
    });
    expect(w.amount).toBeCloseTo(230.899, 3);
    expect([w.shown, w.plusMinus]).toEqual([231, 4]);
  });
  test("the advised sample gives the ± that is promised, and at most half of the one before", () => {
    const { advice, plusMinus } = weighPieces(hooks);
    const weigh = advice?.weigh ?? 0;
    const again = weighPieces({ ...hooks, sampleCount: weigh, sampleMg: 42 * weigh });
    expect(again.plusMinus).toBe(advice?.plusMinus);
    expect(again.plusMinus * 2).toBeLessThanOrEqual(plusMinus);
  });
  test("nothing is advised when the count is sure to a piece, nor a sample larger than what is there", () => {
    expect(weighPieces({ ...hooks, readabilityMg: 0.1, sampleCount: 50, sampleMg: 2100 }).advice).toBeUndefined();
    expect(weighPieces({ ...hooks, grossMg: 12_040 + 8 * 42 }).advice).toBeUndefined();
  });
  test("an empty dish holds none", () => expect(weighPieces({ ...hooks, grossMg: 12_040 }).shown).toBe(0));
  test.each([
    ["a sample that weighs nothing", { sampleMg: 0 }],
    ["a sample below nothing", { sampleMg: -210 }],
    ["a gross below its tare", { grossMg: 12_000 }],
    ["a sample of none", { sampleCount: 0 }],
    ["a sample of half a hook", { sampleCount: 2.5 }],
    ["a scale without a last digit", { readabilityMg: 0 }],
    ["a reading that is no number", { grossMg: Number.NaN }],
    ["a negative tare", { tareMg: -1 }],
    ["a spread below nothing", { spread: -0.1 }],
  ])("%s is refused", (_what, wrong) =>
    expect(() => weighPieces({ ...hooks, ...wrong })).toThrow(
      expect.objectContaining({ code: "FIGURE_OUT_OF_BOUNDS" }) as DomainError,
    ),
  );
});

describe("lengths by weight", () => {
  test("thread left on a spool: the denier is the larger part of the ±", () => {
    const w = weighThread({ grossMg: 1350, tareMg: 0, denier: 70, readabilityMg: 10 });
    expect(w.amount / 1000).toBeCloseTo(173.571, 3);
    expect((2 * w.deviation) / 1000).toBeCloseTo(17.373, 3);
  });
  test("copper wire of 0.19 mm", () => {
    const w = weighWire({ grossMg: 9000, tareMg: 6000, density: 8.96, diameterMm: 0.19, readabilityMg: 10 });
    expect(w.amount).toBeCloseTo(3000 / (8.96 * (Math.PI / 4) * 0.19 ** 2), 6);
    expect(w.deviation / w.amount).toBeCloseTo(Math.hypot(10 / Math.sqrt(12) / 3000, 0.04), 9);
  });
  test("chenille by its line density, a packet by its grams", () => {
    expect(weighLine({ grossMg: 900, tareMg: 0, lineDensity: 0.18, readabilityMg: 10 }).shown).toBe(5000);
    const packet = weighPacket({ grossMg: 2600, tareMg: 600, readabilityMg: 100 });
    expect([packet.shown, packet.plusMinus]).toEqual([2000, 82]);
  });
  test("an empty spool is as sure as its reading", () =>
    expect(weighThread({ grossMg: 500, tareMg: 500, denier: 70, readabilityMg: 10 })).toMatchObject({ shown: 0 }));
  test.each([
    ["a denier of none", () => weighThread({ grossMg: 9, tareMg: 0, denier: 0, readabilityMg: 1 })],
    [
      "a wire without a diameter",
      () => weighWire({ grossMg: 9, tareMg: 0, density: 9, diameterMm: 0, readabilityMg: 1 }),
    ],
    ["a spool lighter than empty", () => weighThread({ grossMg: 9, tareMg: 10, denier: 70, readabilityMg: 1 })],
  ])("%s is refused", (_what, weigh) =>
    expect(weigh).toThrow(expect.objectContaining({ code: "FIGURE_OUT_OF_BOUNDS" }) as DomainError),
  );
});

import { ceilSafe, roundHalfUp } from "../numeric";
import { guard } from "../units";

/** A scale's last digit; one reading is anywhere within it, so its standard deviation is e/√12. */
export interface Scale {
  readabilityMg: number;
}

/** What a weighing gave, with how far it may be off. */
export interface Weighed {
  /** Not rounded: pieces, or mm. */
  amount: number;
  /** Standard deviation of the amount. */
  deviation: number;
  /** The whole count, or whole mm, that is shown. */
  shown: number;
  /** Two standard deviations, rounded up to a whole piece or mm. */
  plusMinus: number;
}

/** A larger sample, and what ± it would give. */
export interface SampleAdvice {
  weigh: number;
  plusMinus: number;
}

export interface WeighedPieces extends Weighed {
  /** Mass of one piece by the sample, mg. */
  pieceMg: number;
  /**
   * Said when a sample that can be counted by hand would at least halve the ±; otherwise the sample is large enough.
   */
  advice?: SampleAdvice;
}

/** How much pieces of one kind differ among themselves, as a share of their mass. */
export const PIECE_SPREAD = 0.02;
/** A label's denier is within 5 %, a wire's diameter within 2 %. */
const DENIER_SPREAD = 0.05;
const DIAMETER_SPREAD = 0.02;
/** Denier is the mass in g of 9,000 m: τ/9000 mg a mm. */
const MM_PER_DENIER_MG = 9000;
const MOST_MG = 100_000_000;
const MOST_PIECES = 1_000_000;

/** Samples that a person would count out by hand. */
const SAMPLES = [10, 20, 50, 100, 200];

const shown = (amount: number, variance: number): Weighed => {
  const deviation = Math.sqrt(variance);
  return { amount, deviation, shown: roundHalfUp(amount), plusMinus: ceilSafe(2 * deviation) };
};

const readingVariance = ({ readabilityMg: e }: Scale): number => (e * e) / 12;

function guardNet(grossMg: number, tareMg: number, scale: Scale): number {
  guard("the scale's last digit", scale.readabilityMg, { least: 0.001, most: 100_000, unit: "mg" });
  guard("the tare", tareMg, { least: 0, most: MOST_MG, unit: "mg" });
  guard("the weight on the scale", grossMg, { least: tareMg, most: MOST_MG, unit: "mg" });
  return grossMg - tareMg;
}

export interface PiecesOnScale extends Scale {
  grossMg: number;
  /** What the drawer insert or dish weighs, on the same scale. */
  tareMg: number;
  /** So many were counted by hand and weighed by themselves, on a zeroed scale. */
  sampleCount: number;
  sampleMg: number;
  /** The pieces' own spread, as a share of their mass. */
  spread?: number;
}

/**
 * Count pieces on a scale by a sample that was counted by hand: u = w/n, N = (gross − tare)/u,
 * var N = (2·e²/12)/u² + N²·(e²/12)/w² + c²·(N + N²/n).
 *
 * @param o masses in mg, ≥ 0; sampleCount whole, from 1; sampleMg > 0; spread in [0, 1], {@link PIECE_SPREAD} by itself
 * @returns the count with its ±; `advice` when a larger sample would be worth the counting
 * @throws DomainError FIGURE_OUT_OF_BOUNDS for a sample that weighs nothing, a gross below the tare, a count of none
 * @example weighPieces({ grossMg: 24050, tareMg: 12040, sampleCount: 5, sampleMg: 210, readabilityMg: 10 })
 *   // shown 286, plusMinus 10, advice { weigh: 20, plusMinus: 4 }
 *
 * Source: propagation of the readings' uniform error and of the pieces' own spread, to first order.
 */
export function weighPieces(o: PiecesOnScale): WeighedPieces {
  const net = guardNet(o.grossMg, o.tareMg, o);
  guard("the number in the sample", o.sampleCount, { least: 1, most: MOST_PIECES, whole: true });
  guard("the sample's weight", o.sampleMg, { least: o.readabilityMg / 10, most: MOST_MG, unit: "mg" });
  guard("the pieces' spread", o.spread, { least: 0, most: 1 });
  const pieceMg = o.sampleMg / o.sampleCount;
  const amount = net / pieceMg;
  const weighed = shown(amount, varianceOfCount(o, amount, o.sampleCount));
  return { ...weighed, pieceMg, ...adviceFor(o, amount, weighed.plusMinus) };
}

/** The variance of a count, had `n` pieces been in the sample. */
function varianceOfCount(o: PiecesOnScale, count: number, n: number): number {
  const reading = readingVariance(o);
  const pieceMg = o.sampleMg / o.sampleCount;
  const spread = o.spread ?? PIECE_SPREAD;
  return (
    (2 * reading) / pieceMg ** 2 + (count ** 2 * reading) / (pieceMg * n) ** 2 + spread ** 2 * (count + count ** 2 / n)
  );
}

/** The smallest larger sample that at least halves the ±; nothing when the count is exact to a piece already. */
function adviceFor(o: PiecesOnScale, count: number, plusMinus: number): { advice?: SampleAdvice } {
  if (plusMinus <= 1) return {};
  for (const weigh of SAMPLES) {
    if (weigh <= o.sampleCount || weigh > count) continue;
    const better = ceilSafe(2 * Math.sqrt(varianceOfCount(o, count, weigh)));
    if (2 * better <= plusMinus) return { advice: { weigh, plusMinus: better } };
  }
  return {};
}

/**
 * The ± of a count had `weigh` pieces been in the sample: “weigh 20 instead of 5 and this becomes ± 4”.
 * @throws DomainError as {@link weighPieces}
 */
export function plusMinusWithSample(o: PiecesOnScale, weigh: number): number {
  guard("the number in the sample", weigh, { least: 1, most: MOST_PIECES, whole: true });
  return ceilSafe(2 * Math.sqrt(varianceOfCount(o, weighPieces(o).amount, weigh)));
}

export interface SpoolOnScale extends Scale {
  grossMg: number;
  /** What the empty spool weighs; 0 for what is off its spool. */
  tareMg: number;
}

/**
 * Length of thread or floss by its mass: 9000·m/τ, relative variance (e²/12)/m² + 0.05².
 * @param o masses in mg; denier > 0
 * @returns mm; nothing on the spool gives 0 ± the reading's own error
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 */
export function weighThread(o: SpoolOnScale & { denier: number }): Weighed {
  const net = guardNet(o.grossMg, o.tareMg, o);
  guard("the denier", o.denier, { least: 1, most: 20_000, unit: "denier" });
  const mmPerMg = MM_PER_DENIER_MG / o.denier;
  return byLength(net, mmPerMg, readingVariance(o), DENIER_SPREAD);
}

/**
 * Length of round wire by its mass: m/(ρ·π/4·d²), relative variance (e²/12)/m² + (2·0.02)².
 * @param o masses in mg; density in mg/mm³; diameterMm > 0
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 */
export function weighWire(o: SpoolOnScale & { density: number; diameterMm: number }): Weighed {
  const net = guardNet(o.grossMg, o.tareMg, o);
  guard("the density", o.density, { least: 0.1, most: 25, unit: "mg/mm³" });
  guard("the diameter", o.diameterMm, { least: 0.01, most: 10, unit: "mm" });
  const mmPerMg = 1 / (o.density * (Math.PI / 4) * o.diameterMm ** 2);
  return byLength(net, mmPerMg, readingVariance(o), 2 * DIAMETER_SPREAD);
}

/**
 * Length of anything of a known line density (chenille, yarn, tinsel), mg a mm; its spread is taken as thread's.
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 */
export function weighLine(o: SpoolOnScale & { lineDensity: number }): Weighed {
  const net = guardNet(o.grossMg, o.tareMg, o);
  guard("the line density", o.lineDensity, { least: 0.00001, most: 100, unit: "mg/mm" });
  return byLength(net, 1 / o.lineDensity, readingVariance(o), DENIER_SPREAD);
}

/** mm = net · mmPerMg, varied by the reading and by what a mm weighs. */
const byLength = (netMg: number, mmPerMg: number, reading: number, spread: number): Weighed =>
  shown(netMg * mmPerMg, mmPerMg ** 2 * (reading + (spread * netMg) ** 2));

/**
 * A packet by its grams: net = gross − tare, two readings' error and nothing else. In mg.
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 */
export function weighPacket(o: SpoolOnScale): Weighed {
  const net = guardNet(o.grossMg, o.tareMg, o);
  return shown(net, (o.tareMg > 0 ? 2 : 1) * readingVariance(o));
}

import { bounds, guard } from "../units";
import { DomainError } from "../errors";
import { ceilSafe, floorSafe, roundHalfUp } from "../numeric";

/** What one use takes from stock, all lengths in mm. Source: docs/arithmetic.md, "What one use takes". */

/** From the spool: L/σ + bound + trim. */
export function fromSpool(use: { length: number; stretch?: number; bound?: number; trim?: number }): number {
  guard("stretch", use.stretch, bounds.stretch);
  guard("bound", use.bound, bounds.boundMm);
  guard("trim", use.trim, bounds.trimMm);
  return use.length / (use.stretch ?? 1) + (use.bound ?? 0) + (use.trim ?? 0);
}

/**
 * Flies from one cut piece: ⌊(P − grip − trim)/(L/σ + bound)⌋. Learned κ multiplies what the fly takes, not the piece.
 * @throws DomainError PIECE_TOO_SHORT when not even one fly comes of it
 */
export function fliesPerPiece(
  piece: { piece: number; grip?: number; trim?: number },
  use: { length: number; stretch?: number; bound?: number },
  kappa = 1,
): number {
  guard("piece", piece.piece, bounds.hankMm);
  guard("grip", piece.grip, bounds.gripMm);
  guard("trim", piece.trim, bounds.trimMm);
  const perFly = kappa * (use.length / (use.stretch ?? 1) + (use.bound ?? 0));
  const waste = (piece.grip ?? 0) + (piece.trim ?? 0);
  const k = floorSafe((piece.piece - waste) / perFly);
  if (k < 1) throw new DomainError("PIECE_TOO_SHORT", { pieceMm: piece.piece, neededMm: perFly + waste });
  return k;
}

/**
 * Feathers per fly for a wound hackle: 1/k where one feather ties k flies, a whole number where a fly needs several.
 * @param feather.single it serves one fly: soft, or tied in by its tip
 * @throws DomainError FEATHER_TOO_SHORT when holding and binding use up the stem
 */
export function feathersPerFly(
  feather: { usable: number; grip?: number; single?: boolean },
  use: { length: number; bound?: number },
  kappa = 1,
): { fliesPerFeather: number } | { feathersPerFly: number } {
  guard("usable stem", feather.usable, bounds.usableMm);
  guard("grip", feather.grip, bounds.featherGripMm);
  const grip = feather.grip ?? 0;
  const bound = kappa * (use.bound ?? 0);
  const length = kappa * use.length;
  const free = feather.usable - grip - bound;
  if (free <= 0) throw new DomainError("FEATHER_TOO_SHORT", { usableMm: feather.usable, neededMm: grip + bound });
  const all = floorSafe((feather.usable - grip) / (length + bound));
  const k = feather.single ? Math.min(1, all) : all;
  return k >= 1 ? { fliesPerFeather: k } : { feathersPerFly: ceilSafe(length / free) };
}

/** Usable fibres of one feather: span × f × sides × (1 − unusable), each side with its own f where they differ. */
export const fibresPerFeather = (feather: {
  span: number;
  perMm: number;
  sides: number;
  unusable?: number;
  otherPerMm?: number;
}): number => {
  const perMm = feather.perMm + (feather.sides > 1 ? (feather.otherPerMm ?? feather.perMm) : 0);
  return feather.span * perMm * (1 - (feather.unusable ?? 0));
};

/** Fibres in a span of stem, one side: round(s·f). */
export const fibresInSpan = (spanMm: number, perMm: number): number => roundHalfUp(spanMm * perMm);

/**
 * Feathers for so many uses of n fibres. Pooled, leftovers go to the next fly; else each feather serves whole flies
 * only.
 * @throws DomainError FIBRES_TOO_FEW when one feather cannot serve one fly and they are not pooled
 */
export function feathersForFibres(uses: number, perFly: number, perFeather: number, pooled = true): number {
  if (!(perFeather > 0 && perFly > 0)) throw new DomainError("FIBRES_TOO_FEW", { perFeather, perFly });
  if (pooled) return ceilSafe((uses * perFly) / perFeather);
  const k = floorSafe(perFeather / perFly);
  if (k < 1) throw new DomainError("FIBRES_TOO_FEW", { perFeather, perFly });
  return ceilSafe(uses / k);
}

/**
 * Slips of a width from one feather: ⌊span / width⌋.
 * @throws DomainError FIGURE_OUT_OF_BOUNDS for a width of nothing, SLIP_TOO_WIDE for one wider than the feather
 */
export function slipsPerFeather(usableSpan: number, width: number): number {
  guard("slip", width, bounds.slipWidthMm);
  const slips = floorSafe(usableSpan / width);
  if (slips < 1) throw new DomainError("SLIP_TOO_WIDE", { widthMm: width, spanMm: usableSpan });
  return slips;
}

/** Pairs from lefts and rights of each length class: the smaller side decides. */
export function pairs(
  left: Record<string, number>,
  right: Record<string, number>,
): { byClass: Record<string, number>; total: number } {
  const byClass = Object.fromEntries(
    [...new Set([...Object.keys(left), ...Object.keys(right)])].map((c) => [c, Math.min(left[c] ?? 0, right[c] ?? 0)]),
  );
  return { byClass, total: Object.values(byClass).reduce((a, b) => a + b, 0) };
}

/** Strands with so many ends showing: folded round the thread, a piece of twice the length gives two ends. */
export function strandPieces(s: { hank: number; piece: number; ends: number; folded: boolean }): {
  piecesPerStrand: number;
  piecesPerFly: number;
} {
  guard("strand of the hank", s.hank, bounds.hankMm);
  guard("piece", s.piece, bounds.hankMm);
  guard("ends", s.ends, bounds.ends);
  const length = s.folded ? 2 * s.piece : s.piece;
  const piecesPerStrand = floorSafe(s.hank / length);
  if (piecesPerStrand < 1) throw new DomainError("PIECE_TOO_SHORT", { pieceMm: s.hank, neededMm: length });
  return { piecesPerStrand, piecesPerFly: s.folded ? ceilSafe(s.ends / 2) : s.ends };
}

/** Share of a squeezed clump that is hair; the rest is air between them. */
export const HAIR_PACKING = 0.6;

/** Hair by compressed clump: mass in mg = π/4·q²·length·ρ·0.6. */
export function clumpMass(compressedMm: number, lengthMm: number, density: number): number {
  guard("clump", compressedMm, bounds.clumpMm);
  guard("length of the clump", lengthMm, bounds.pieceMm);
  guard("density", density, bounds.density);
  return (Math.PI / 4) * compressedMm ** 2 * lengthMm * density * HAIR_PACKING;
}

/** A drop from the needle, in µl; also the least that a coat takes. */
export const DROP = 3;

/** Film in mm that a liquid leaves on the head. */
export const liquidFilm = { lacquer: 0.1, resin: 0.2, glue: 0.05 } as const;
export type LiquidKind = keyof typeof liquidFilm;

/** Microlitres per fly: coats · max(3, π·D·ℓ·h/0.15); most of it stays on the needle. */
export function liquidVolume(kind: LiquidKind, headDiameter: number, headLength: number, coats: number): number {
  guard("coats", coats, bounds.coats);
  return coats * Math.max(DROP, (Math.PI * headDiameter * headLength * liquidFilm[kind]) / 0.15);
}

/** Share of what a brush takes up that stays on a stretch it is drawn along. */
const BRUSHED_ON = 0.5;

/** Microlitres of coats brushed along a stretch: coats · max(3, π·D·ℓ·h/0.5); a brush wastes less than a needle. */
export function brushedVolume(kind: LiquidKind, diameter: number, lengthMm: number, coats: number): number {
  guard("coats", coats, bounds.coats);
  return coats * Math.max(DROP, (Math.PI * diameter * lengthMm * liquidFilm[kind]) / BRUSHED_ON);
}

/**
 * A batch's blend in one charge of the mill: the need, but no less than the mill takes, split by parts.
 * @returns mg; what is left over becomes stock of the blend
 */
export function blendCharge(
  needMg: number,
  leastChargeMg: number,
  parts: Record<string, number>,
): {
  charge: number;
  parts: Record<string, number>;
  leftOver: number;
} {
  const charge = Math.max(needMg, leastChargeMg);
  const whole = Object.values(parts).reduce((a, b) => a + b, 0);
  return {
    charge,
    parts: Object.fromEntries(Object.entries(parts).map(([name, share]) => [name, (charge * share) / whole])),
    leftOver: charge - needMg,
  };
}

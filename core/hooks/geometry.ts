import { valueAt, nth } from "../numeric";
import type { Source } from "../derivation";
import { DomainError } from "../errors";
import { nominalRows } from "./nominal";
import { formatSize, sizeNumber, type HookSize } from "./size";

export const hookQuantities = ["shank", "gape", "wire", "eye"] as const;
export type HookQuantity = (typeof hookQuantities)[number];

export const hookBends = ["round", "curved"] as const;
export type HookBend = (typeof hookBends)[number];

export const hookEyes = ["straight", "turned down", "turned up", "returned along the shank"] as const;
export type HookEye = (typeof hookEyes)[number];

/** One measured size of a model, in mm. What was not measured is left out. */
export interface HookRow {
  size: HookSize;
  shank?: number;
  gape?: number;
  wire?: number;
  eye?: number;
  /** Weighed mass of one bare hook, in mg. */
  mass?: number;
}

/** A hook as made: its family in steps away from standard, and what was measured of it here. */
export interface HookModel {
  id: string;
  name: string;
  /** n of nXL; negative for nXS. Changes the shank only. */
  shankSteps: number;
  /** n of nX heavy; negative for nX fine. Changes the wire only. */
  wireSteps: number;
  barbless: boolean;
  /** How the wire runs: straight to a round bend, or curved so that a body continues round it. */
  bend?: HookBend;
  /** Points: a double has two. */
  points?: 1 | 2;
  /** n steps wider (negative: narrower) in the gape than its family; changes the gape only. */
  gapeSteps?: number;
  eyeForm?: HookEye;
  /** Colour and coating: bronze, black nickel. */
  finish?: string;
  rows: HookRow[];
  /** Point and barb measured at one size, as mm behind the eye; kept as fractions of the shank elsewhere. */
  landmarks?: { size: HookSize; point?: number; barb?: number };
}

/** A hook of one size, in mm; landmarks are distances behind the eye. */
export interface HookGeometry {
  size: HookSize;
  shank: number;
  gape: number;
  wire: number;
  eye: number;
  point: number;
  barb: number;
  barbless: boolean;
  bend: HookBend;
  points: 1 | 2;
  /** Mass of the bare hook as weighed, in mg; absent when it was not, and then reckoned from the wire. */
  weighed?: number;
  sources: Record<HookQuantity, Source>;
}

/** How far, in size numbers, values may be extended beyond the sizes that are known. */
const REACH = 2;

type Known = { n: number; value: number };

/** Linear in the logarithm against the size number; beyond the ends, the nearest two are extended. */
function interpolate(known: Known[], n: number): number {
  const upper = known.findIndex((k) => k.n >= n);
  const j = upper === -1 ? known.length - 1 : Math.max(1, upper);
  const a = nth(known, j - 1);
  const b = nth(known, j);
  const t = (n - a.n) / (b.n - a.n);
  return Math.exp(Math.log(a.value) * (1 - t) + Math.log(b.value) * t);
}

/** Refuses a size further than REACH beyond the known ones, naming the sizes that would bring it within. */
function guardReach(known: Known[], n: number, size: HookSize, quantity: string): void {
  const first = nth(known, 0).n;
  const last = nth(known, known.length - 1).n;
  if (n >= first - REACH && n <= last + REACH) return;
  const measure = [...new Set([formatSize(n), formatSize(n > last ? n - REACH : n + REACH)])].map((s) => `size ${s}`);
  throw new DomainError("HOOK_SIZE_TOO_FAR", { size, quantity, measure });
}

/** Something for each quantity of a hook. */
const forEach = <T>(of: (q: HookQuantity, column: number) => T): Record<HookQuantity, T> => ({
  shank: of("shank", 1),
  gape: of("gape", 2),
  wire: of("wire", 3),
  eye: of("eye", 4),
});

const nominalKnown = forEach((_q, column): Known[] =>
  nominalRows.map((row) => ({ n: row[0], value: valueAt(row, column) })),
);

/** A longer shank is the shank of a larger size; a heavier wire is the wire of a larger size. */
const familyShift = (model: HookModel, q: HookQuantity): number =>
  q === "shank" ? model.shankSteps : q === "wire" ? model.wireSteps : q === "gape" ? (model.gapeSteps ?? 0) : 0;

function nominal(model: HookModel, q: HookQuantity, n: number, size: HookSize): number {
  const shifted = n - familyShift(model, q);
  guardReach(nominalKnown[q], shifted, size, q);
  return interpolate(nominalKnown[q], shifted);
}

function resolve(model: HookModel, q: HookQuantity, size: HookSize): { value: number; source: Source } {
  const n = sizeNumber(size);
  const known = model.rows
    .flatMap((row) => (row[q] === undefined ? [] : [{ n: sizeNumber(row.size), value: row[q] }]))
    .sort((a, b) => a.n - b.n);
  const exact = known.find((k) => k.n === n);
  if (exact) return { value: exact.value, source: { from: "measured", where: `size ${size}` } };
  const only = known[0];
  if (!only) return { value: nominal(model, q, n, size), source: { from: "nominal" } };
  const where = known.map((k) => formatSize(k.n)).join(", ");
  if (known.length === 1) {
    const ratio = nominal(model, q, n, size) / nominal(model, q, only.n, formatSize(only.n));
    return { value: only.value * ratio, source: { from: "measured", where: `size ${where}, by the nominal ratio` } };
  }
  guardReach(known, n, size, q);
  return {
    value: interpolate(known, n),
    source: {
      from: "measured",
      where: `${n < only.n || n > nth(known, known.length - 1).n ? "extended" : "interpolated"} from sizes ${where}`,
    },
  };
}

/**
 * A model at one size: measured where it was measured here, interpolated between, nominal otherwise.
 *
 * @param model rows in any order; each quantity uses the rows that have it
 * @param size any readable size
 * @returns mm; `sources` says for each quantity whether it is measured or nominal
 * @throws DomainError HOOK_SIZE_UNREADABLE, HOOK_SIZE_TOO_FAR (names the size to measure)
 *
 * Source: log-linear interpolation between sizes; point S − 0.43·G and barb S − 0.19·G (docs/arithmetic.md, Hooks).
 */
export function hookAt(model: HookModel, size: HookSize): HookGeometry {
  const found = forEach((q) => resolve(model, q, size));
  const shank = found.shank.value;
  const gape = found.gape.value;
  const own = model.landmarks;
  const ownShank = own ? resolve(model, "shank", own.size).value : 0;
  const place = (measured: number | undefined, factor: number) =>
    measured === undefined ? shank - factor * gape : (measured / ownShank) * shank;
  return {
    size: formatSize(sizeNumber(size)),
    shank,
    gape,
    wire: found.wire.value,
    eye: found.eye.value,
    point: place(own?.point, 0.43),
    barb: place(own?.barb, 0.19),
    barbless: model.barbless,
    bend: model.bend ?? "round",
    points: model.points ?? 1,
    weighed: model.rows.find((r) => r.mass !== undefined && sizeNumber(r.size) === sizeNumber(size))?.mass,
    sources: forEach((q) => found[q].source),
  };
}

/**
 * Mass of a bare hook in mg: as weighed, else from its wire: 7.8·π/4·d²·(2·E + S + 2.57·G), a second bend counted.
 */
export const hookMass = (hook: HookGeometry): number =>
  hook.weighed ?? STEEL * (Math.PI / 4) * hook.wire ** 2 * (2 * hook.eye + hook.shank + 2.57 * hook.gape * hook.points);

const STEEL = 7.8;

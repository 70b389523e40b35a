import { bounds, guard } from "../units";
import { valueAt } from "../numeric";
import { midpoint, stationAt, stationsOf, type Profile } from "./profile";

/** Dubbing as it is packed on the thread: ρ_p in mg/mm³, the noodle's line density λ in mg/mm. */
export interface Dubbing {
  density: number;
  lineDensity: number;
  /** Share that falls on the bench, 0 ≤ loss < 1. */
  loss?: number;
}

export const DEFAULT_DUBBING_LOSS = 0.3;

export interface DressResult {
  from: number;
  to: number;
  /** mm³ of packed dubbing on the fly. */
  volume: number;
  /** mg taken from the packet, with the loss. */
  mass: number;
  /** mg that stays on the fly. */
  massOnFly: number;
  /** mm of noodle: as stated, or the equivalent of the fullness. */
  noodle: number;
  /** D after it in the first and last station of the zone. */
  endDiameters: [number, number];
  /** True when the body was as full as that already. */
  nothingToFill: boolean;
}

/**
 * What is dressed: towards a fullness in mm at equally spaced places of the zone, both ends included (two of them are a
 * straight taper, three or more a shape), or with a noodle of a length in mm.
 */
export type DressRule =
  | { target: number[] }
  /**
   * `taper`: in which proportion its volume lies at equally spaced places of the zone, from the end named first; evenly
   * without it.
   */
  | { noodle: number; taper?: readonly number[] };

/**
 * Dub over [from, to): by fullness D becomes max(T, D); by noodle D holds the noodle's volume, spread evenly or as it
 * tapers.
 * Each school gets the other's figure.
 *
 * @param profile changed in place
 * @returns mass with the loss, and `noodle` either way
 * @throws DomainError FIGURE_OUT_OF_BOUNDS for a loss, noodle, fullness or density that cannot be
 *
 * Source: V = Σ π/4·(max(T, D)² − D²)·Δx and ℓ·λ/ρ (docs/arithmetic.md, Dress).
 */
export function dress(
  profile: Profile,
  dubbing: Dubbing,
  zone: { from: number; to: number; turned?: boolean },
  rule: DressRule,
): DressResult {
  const loss = dubbing.loss ?? DEFAULT_DUBBING_LOSS;
  guard("loss", loss, bounds.share);
  guard("packed density", dubbing.density, bounds.density);
  guard("line density", dubbing.lineDensity, bounds.lineDensity);
  const [first, last] = stationsOf(profile, zone.from, zone.to);
  const volume =
    "noodle" in rule
      ? byNoodle(profile, dubbing, zone, rule, first, last)
      : byFullness(profile, zone, rule.target, first, last);
  const massOnFly = volume * dubbing.density;
  return {
    from: zone.from,
    to: zone.to,
    volume,
    mass: massOnFly / (1 - loss),
    massOnFly,
    noodle: "noodle" in rule ? rule.noodle : massOnFly / dubbing.lineDensity,
    endDiameters: [stationAt(profile.d, first), stationAt(profile.d, last - 1)],
    nothingToFill: volume <= 0,
  };
}

function byFullness(
  profile: Profile,
  zone: { from: number; to: number; turned?: boolean },
  target: number[],
  first: number,
  last: number,
): number {
  for (const full of target) guard("fullness", full, bounds.fullnessMm);
  const along = zone.turned ? [...target].reverse() : target;
  const span = zone.to - zone.from;
  const dx = span / (last - first);
  let sum = 0;
  for (let i = first; i < last; i++) {
    const t = (midpoint(profile, i) - zone.from) / span;
    const full = between(along, t);
    const d = stationAt(profile.d, i);
    if (full > d) {
      sum += full * full - d * d;
      profile.d[i] = full;
    }
    profile.body[i] = Math.max(stationAt(profile.body, i), full);
  }
  return (Math.PI / 4) * sum * dx;
}

/** Linear between equally spaced values, t from 0 to 1. */
function between(values: number[], t: number): number {
  const at = t * (values.length - 1);
  const i = Math.min(values.length - 2, Math.floor(at));
  const a = valueAt(values, i);
  return a + (valueAt(values, i + 1) - a) * (at - i);
}

function byNoodle(
  profile: Profile,
  dubbing: Dubbing,
  zone: { from: number; to: number; turned?: boolean },
  { noodle, taper = [1, 1] }: { noodle: number; taper?: readonly number[] },
  first: number,
  last: number,
): number {
  guard("noodle", noodle, bounds.noodleMm);
  for (const share of taper) guard("taper of the noodle", share, bounds.taper);
  const volume = (noodle * dubbing.lineDensity) / dubbing.density;
  const added = (4 * volume) / (Math.PI * (zone.to - zone.from));
  const along = zone.turned ? [...taper].reverse() : [...taper];
  const stations = last - first;
  const shareAt = (i: number): number => between(along, (i - first + 0.5) / stations);
  let whole = 0;
  for (let i = first; i < last; i++) whole += shareAt(i);
  for (let i = first; i < last; i++) {
    const own = (added * shareAt(i) * stations) / whole;
    profile.d[i] = Math.sqrt(stationAt(profile.d, i) ** 2 + own);
    profile.body[i] = Math.sqrt(stationAt(profile.body, i) ** 2 + own);
  }
  return volume;
}

import { bounds, guard } from "../units";
import { DomainError } from "../errors";
import { halved } from "../numeric";
import { diameterAt, meanDiameter, midpoint, stationAt, stationsOf, type Profile } from "./profile";
import { stretched, type Strand } from "./strand";

/** How a winding is stated: exactly one of these, or touching together with turns. */
export interface WindRule {
  touching?: boolean;
  /** Share of its width by which each turn lies on the one before, 0 ≤ o < 1. */
  overlap?: number;
  turns?: number;
  /** Distance from turn to turn in mm. */
  pitch?: number;
}

export interface WindOptions {
  /** 1 one way, 2 there and back. Turns and pitch are per pass. */
  passes?: number;
  /** σ ≥ 1: length under tension ÷ length at rest. */
  stretch?: number;
}

export interface WindResult {
  from: number;
  to: number;
  /** Wound length in mm, under tension. */
  length: number;
  /** The same at rest: what leaves the spool. */
  unstretched: number;
  /** Over all passes. */
  turns: number;
  pitch: number;
  cover: number;
  growth: number;
  perPass: number[];
}

/** Deepest pile of turns that a zone holds. */
const MOST_COVER = 12;
/** Forgives what rounding adds to a figure that stands just at its limit. */
const SLACK = 1e-9;

/** Exactly one way of stating it; touching and turns together mean a zone that ends where the turns end. */
export function guardRule(rule: WindRule): void {
  const given = (["touching", "overlap", "turns", "pitch"] as const).filter(
    (k) => rule[k] !== undefined && rule[k] !== false,
  );
  const isTouchingTurns = given.length === 2 && rule.touching === true && rule.turns !== undefined;
  if (given.length !== 1 && !isTouchingTurns) throw new DomainError("WIND_RULE_INVALID", { given });
  guard("turns", rule.turns, bounds.turns);
  guard("pitch", rule.pitch, bounds.pitchMm);
  guard("overlap", rule.overlap, bounds.overlap);
}

/** Growth of the fly's radius, in layers, under a cover c = w/p: open turns add nothing, touching ones a layer. */
export function growthOf(cover: number, capped: boolean): number {
  const g = cover <= 0.75 ? 0 : cover < 0.95 ? (cover * (cover - 0.75)) / 0.2 : cover;
  return capped ? Math.min(1, g) : g;
}

const pitchOf = (rule: WindRule, width: number, span: number): number => {
  if (rule.pitch !== undefined) return rule.pitch;
  if (rule.overlap !== undefined) return width * (1 - rule.overlap);
  if (rule.turns !== undefined && !rule.touching) return span / rule.turns;
  return width;
};

/**
 * Wind a strand over [from, to) and let the fly grow under it.
 *
 * @param profile changed in place: D + 2·t·g over the zone, after each pass
 * @param zone in mm, already clipped; `to` is undefined for touching with N turns
 * @returns lengths in mm; `turns` counts all passes
 * @throws DomainError WIND_RULE_INVALID, STRETCH_INVALID, TOO_MANY_TURNS, ZONE_BEYOND_PROFILE
 *
 * Source: a helix on the outside diameter, L = Σ √((π·(D + t_c·max(1, g)))² + p²)·Δx/p (docs/arithmetic.md, Wind).
 */
export function wind(
  profile: Profile,
  strandAtRest: Strand,
  zone: { from: number; to?: number },
  rule: WindRule,
  { passes = 1, stretch = 1 }: WindOptions = {},
): WindResult {
  guardRule(rule);
  guard("passes", passes, bounds.passes);
  if (!(stretch >= 1 && stretch <= bounds.stretch.most)) throw new DomainError("STRETCH_INVALID", { stretch });
  const strand = stretched(strandAtRest, stretch);
  const from = zone.from;
  const to = zone.to ?? from + (rule.turns ?? 0) * strand.width;
  if (to > profile.end + 1e-9) throw new DomainError("ZONE_BEYOND_PROFILE", { toMm: to, endMm: profile.end });
  const pitch = pitchOf(rule, strand.width, to - from);
  const cover = strand.width / pitch;
  const turnsPerPass = (to - from) / pitch;
  if (cover > MOST_COVER + SLACK) throw new DomainError("TOO_MANY_TURNS", { turns: turnsPerPass, cover });
  const growth = growthOf(cover, strand.capped);
  const perPass: number[] = [];
  for (let pass = 0; pass < passes; pass++) perPass.push(onePass(profile, strand, from, to, pitch, growth));
  const length = perPass.reduce((sum, l) => sum + l, 0);
  return {
    from,
    to,
    length,
    unstretched: length / stretch,
    turns: passes * turnsPerPass,
    pitch,
    cover,
    growth,
    perPass,
  };
}

function onePass(profile: Profile, strand: Strand, from: number, to: number, pitch: number, growth: number): number {
  const [first, last] = stationsOf(profile, from, to);
  const dx = (to - from) / (last - first);
  const lift = strand.core * Math.max(1, growth);
  const grown = 2 * strand.thickness * growth;
  const bodyGrown = strand.pile ? grown / 2 : grown;
  const { d, body } = profile;
  const p2 = pitch * pitch;
  let sum = 0;
  for (let i = first; i < last; i++) {
    const round = Math.PI * (stationAt(d, i) + lift);
    sum += Math.sqrt(round * round + p2);
    d[i] = stationAt(d, i) + grown;
    body[i] = stationAt(body, i) + bodyGrown;
  }
  return (sum * dx) / pitch;
}

/**
 * Turns at one spot: L = N·π·(D̄ + t_c), D̄ the mean of D over the strand's width. D is not changed.
 */
export function windAtSpot(profile: Profile, strand: Strand, at: number, turns: number, stretch = 1): WindResult {
  guard("turns", turns, bounds.turns);
  if (!(stretch >= 1 && stretch <= bounds.stretch.most)) throw new DomainError("STRETCH_INVALID", { stretch });
  const s = stretched(strand, stretch);
  const length = turns * Math.PI * (meanDiameter(profile, at, at + s.width) + s.core);
  return { ...SPOT, from: at, to: at, length, unstretched: length / stretch, turns, perPass: [length] };
}

/** At one spot nothing is covered. */
const SPOT = { pitch: 0, cover: 0, growth: 0 } as const;

/**
 * Wind a strand round a post that stands on the shank, each turn under the one before: none climbs on another, and the
 * shank does not grow.
 *
 * @param postMm thickness of the post in mm
 * @throws DomainError OUT_OF_BOUNDS for an absurd number of turns; STRETCH_INVALID
 */
export function windRoundPost(strand: Strand, at: number, postMm: number, turns: number, stretch = 1): WindResult {
  guard("turns", turns, bounds.turns);
  if (!(stretch >= 1 && stretch <= bounds.stretch.most)) throw new DomainError("STRETCH_INVALID", { stretch });
  const length = turns * roundPostMm(strand, postMm);
  return { ...SPOT, from: at, to: at, length, unstretched: length / stretch, turns, perPass: [length] };
}

/** One turn round a post, in mm. */
export const roundPostMm = (strand: Strand, postMm: number): number => Math.PI * (postMm + strand.core);

/**
 * Wind a strand, layer on touching layer, until the fly is as full as a straight line from one target to the other: the
 * ramp behind weight, the gap behind a bead. Where it is as full already, nothing is wound.
 *
 * @param profile changed in place: D becomes max(T, D)
 * @param targets diameters in mm at the zone's two ends, in the order in which the zone was given
 * @returns length V/A and the turns that it makes; a length of 0 when there is nothing to fill
 *
 * Source: touching layers leave no room between them, so the length is the volume over the strand's own section w·t
 * (docs/arithmetic.md, Wind).
 */
export function windToFill(
  profile: Profile,
  strand: Strand,
  zone: { from: number; to: number; turned?: boolean },
  targets: readonly [number, number],
): WindResult {
  const [first, last] = stationsOf(profile, zone.from, zone.to);
  const span = zone.to - zone.from;
  const dx = span / (last - first);
  const [a, b] = zone.turned ? [targets[1], targets[0]] : targets;
  let [volume, turns, deepest] = [0, 0, 0];
  for (let i = first; i < last; i++) {
    const full = a + ((b - a) * (midpoint(profile, i) - zone.from)) / span;
    const d = stationAt(profile.d, i);
    if (full <= d) continue;
    const layers = (full - d) / (2 * strand.thickness);
    volume += (Math.PI / 4) * (full * full - d * d) * dx;
    turns += (layers * dx) / strand.width;
    deepest = Math.max(deepest, layers);
    profile.d[i] = full;
    profile.body[i] = Math.max(stationAt(profile.body, i), full);
  }
  const length = volume / (strand.width * strand.thickness);
  return {
    from: zone.from,
    to: zone.to,
    length,
    unstretched: length,
    turns,
    pitch: strand.width,
    cover: 1,
    growth: deepest,
    perPass: [length],
  };
}

/** Tightest that a stretch material is pulled. */
const MOST_STRETCH = 8;

/**
 * The stretch under which a winding uses up so many mm of the piece at rest: starting piece less leftover piece, as a
 * stretch material is measured at the bench, (L + bound) / used. A tighter strand is longer over its length at rest and
 * thinner, so it always takes less; found by halving.
 *
 * @param usedMm what went on the fly, at rest, what is bound included
 * @returns σ ≥ 1
 * @throws DomainError LEFTOVER_IMPOSSIBLE when no stretch between 1 and 8 takes just that; where touching turns take
 *   less at rest already, with the overlap that would use it up
 */
export function stretchToUse(
  profile: Profile,
  strand: Strand,
  zone: { from: number; to?: number },
  rule: WindRule,
  passes: number,
  usedMm: number,
  boundMm = 0,
): number {
  const onCopy = (by: WindRule, stretch: number): WindResult =>
    wind({ ...profile, d: profile.d.slice(), body: profile.body.slice() }, strand, zone, by, { passes, stretch });
  const takenAt = (stretch: number): number => onCopy(rule, stretch).unstretched + boundMm / stretch;
  const [most, least] = [takenAt(1), takenAt(MOST_STRETCH)];
  const MEASURED = 1e-6;
  if (!(usedMm <= most + MEASURED && usedMm >= least - MEASURED)) {
    const overlap =
      rule.touching && usedMm > most
        ? overlapToUse((o) => onCopy({ overlap: o }, 1).length, usedMm - boundMm)
        : undefined;
    throw new DomainError("LEFTOVER_IMPOSSIBLE", { usedMm, mostMm: most, leastMm: least, overlap });
  }
  return halved(1, MOST_STRETCH, (stretch) => takenAt(stretch) > usedMm);
}

/** Closest overlap that is sought, short of the deepest pile that a zone holds. */
const MOST_OVERLAP = 0.9;

/** The overlap at which an unstretched winding uses up so many mm; undefined where none does. */
function overlapToUse(takenAt: (overlap: number) => number, usedMm: number): number | undefined {
  if (takenAt(MOST_OVERLAP) < usedMm) return undefined;
  return halved(0, MOST_OVERLAP, (overlap) => takenAt(overlap) < usedMm);
}

/** Turns at one spot that use up so many mm. */
export const turnsToUseUp = (profile: Profile, strand: Strand, at: number, lengthMm: number): number =>
  lengthMm / (Math.PI * (meanDiameter(profile, at, at + strand.width) + strand.core));

/**
 * The pitch at which one pass over a zone uses up so many mm, by halving: a closer pitch always takes more.
 * Never closer than the deepest pile that a zone holds, never wider than one turn.
 */
export function pitchToUseUp(
  profile: Profile,
  strand: Strand,
  zone: { from: number; to: number },
  lengthMm: number,
): number {
  const [first, last] = stationsOf(profile, zone.from, zone.to);
  const lengthAt = (pitch: number): number => {
    const lift = strand.core * Math.max(1, growthOf(strand.width / pitch, strand.capped));
    let sum = 0;
    for (let i = first; i < last; i++) sum += Math.hypot(Math.PI * (stationAt(profile.d, i) + lift), pitch);
    return (sum * (zone.to - zone.from)) / (last - first) / pitch;
  };
  return halved(strand.width / MOST_COVER, zone.to - zone.from, (pitch) => lengthAt(pitch) > lengthMm);
}

/** Thread of a tie-in: N wraps on what lies there before the step. */
export const tieInThread = (profile: Profile, at: number, wraps: number, thread: Strand): number =>
  wraps * Math.PI * (diameterAt(profile, at) + thread.thickness);

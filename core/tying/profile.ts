import { valueAt } from "../numeric";
import { profileEnd, type HookGeometry } from "../hooks";

/** Stations at which the outside diameter is held, equally spaced from the eye into the bend. */
export const STATIONS = 250;

/**
 * The fly as it grows: outside diameter D at the midpoints of equal stations. `body` is a second profile for judging
 * crowding, in which seats add nothing and pile grows by half.
 */
export interface Profile {
  end: number;
  step: number;
  d: number[];
  body: number[];
}

/** The bare hook: D is the wire everywhere. */
export function bareProfile(hook: HookGeometry): Profile {
  const end = profileEnd(hook);
  return {
    end,
    step: end / STATIONS,
    d: new Array<number>(STATIONS).fill(hook.wire),
    body: new Array<number>(STATIONS).fill(hook.wire),
  };
}

/** First and one-past-last station of [a, b): those with a ≤ midpoint < b, or the one holding its middle. */
export function stationsOf(profile: Profile, a: number, b: number): [number, number] {
  const SLACK = 1e-9;
  const first = Math.max(0, Math.ceil(a / profile.step - 0.5 - SLACK));
  const last = Math.min(STATIONS, Math.ceil(b / profile.step - 0.5 - SLACK));
  if (last > first) return [first, last];
  const middle = Math.min(STATIONS - 1, Math.max(0, Math.floor((a + b) / 2 / profile.step)));
  return [middle, middle + 1];
}

/** Midpoint of station i, in mm behind the eye. */
export const midpoint = (profile: Profile, i: number): number => (i + 0.5) * profile.step;

/** D at x: linear between the two nearest midpoints, constant beyond the first and last. */
export function diameterAt(profile: Profile, x: number, d: number[] = profile.d): number {
  const at = x / profile.step - 0.5;
  if (at <= 0) return valueAt(d, 0);
  if (at >= STATIONS - 1) return valueAt(d, STATIONS - 1);
  const i = Math.floor(at);
  const t = at - i;
  return valueAt(d, i) * (1 - t) + valueAt(d, i + 1) * t;
}

/** Mean of D over the stations of [a, b). */
export function meanDiameter(profile: Profile, a: number, b: number): number {
  const [first, last] = stationsOf(profile, a, b);
  let sum = 0;
  for (let i = first; i < last; i++) sum += valueAt(profile.d, i);
  return sum / (last - first);
}

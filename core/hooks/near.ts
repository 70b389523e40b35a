import { DomainError } from "../errors";
import { hookAt, type HookGeometry, type HookModel } from "./geometry";
import { formatSize, sizeNumber, type HookSize } from "./size";

/** Another hook that could be tied on instead, compared by its figures at one size: near, never identical. */
export interface NearHook {
  id: string;
  name: string;
  /** How many steps longer (negative: shorter) its shank is. */
  steps: number;
  shankMm: number;
  gapeMm: number;
  wireMm: number;
  /** What differs, in words; empty when only the maker does. */
  differs: string[];
  /** Within the pattern's tolerance in every respect. */
  fits: boolean;
}

/** Shares by which gape and wire may be off before a hook no longer counts as the same. */
const GAPE_OFF = 0.08;
const WIRE_OFF = 0.15;
/** Beyond this many steps of shank, or this share of gape, a hook is another hook and not listed. */
const FURTHEST_STEPS = 3;
const FURTHEST_GAPE = 0.3;

const plain: HookModel = { id: "nominal", name: "nominal", shankSteps: 0, wireSteps: 0, barbless: false, rows: [] };

/** ln of what one step does to the shank at a size, by the nominal table. */
function stepOfShank(size: HookSize): number {
  const n = sizeNumber(size);
  const [longer, shorter] = [hookAt(plain, formatSize(n - 1)), hookAt(plain, formatSize(n + 1))];
  return Math.log(longer.shank / shorter.shank) / 2;
}

/**
 * Hooks that come near a model at a size, nearest first, with what differs.
 *
 * @param tolerance steps by which the shank may be longer or shorter (a pattern's own), ≥ 0
 * @returns only hooks whose figures are known at that size; a hook never comes near itself
 */
export function nearHooks(
  model: HookModel,
  size: HookSize,
  others: Iterable<HookModel>,
  tolerance: number,
): NearHook[] {
  const own = hookAt(model, size);
  const step = stepOfShank(size);
  const found = [...others].flatMap((other): { near: NearHook; far: number }[] => {
    const at = other.id === model.id || !isMadeNear(other, size) ? undefined : known(other, size);
    if (!at) return [];
    const near = compare(other, own, at, step, tolerance);
    const far =
      Math.abs(near.steps) / FURTHEST_STEPS +
      Math.abs(near.gapeMm) / own.gape +
      Math.abs(near.wireMm) / own.wire / 2 +
      (near.differs.length > 0 ? 0.01 * near.differs.length : 0);
    return Math.abs(near.steps) > FURTHEST_STEPS || Math.abs(near.gapeMm) > FURTHEST_GAPE * own.gape
      ? []
      : [{ near, far }];
  });
  return found.sort((a, b) => Number(b.near.fits) - Number(a.near.fits) || a.far - b.far).map((f) => f.near);
}

/** Whether a model comes in sizes about this one; a model without sizes of its own is taken to come in all. */
function isMadeNear(model: HookModel, size: HookSize): boolean {
  const kept = model.rows.map((r) => sizeNumber(r.size));
  const n = sizeNumber(size);
  return kept.length === 0 || (n >= Math.min(...kept) - 2 && n <= Math.max(...kept) + 2);
}

function known(model: HookModel, size: HookSize): HookGeometry | undefined {
  try {
    return hookAt(model, size);
  } catch (error) {
    if (error instanceof DomainError) return undefined;
    throw error;
  }
}

/** Below this a difference is the caliper's. */
const CALIPER_MM = 0.05;

function compare(other: HookModel, own: HookGeometry, at: HookGeometry, step: number, tolerance: number): NearHook {
  const [shankMm, gapeMm, wireMm] = [at.shank - own.shank, at.gape - own.gape, at.wire - own.wire];
  const steps = Math.log(at.shank / own.shank) / step;
  const whole = Math.round(steps);
  const differs: string[] = [];
  const more = (mm: number, up: string, down: string): string =>
    `${Math.abs(mm).toFixed(mm === wireMm ? 2 : 1)} mm ${mm > 0 ? up : down}`;
  if (Math.abs(shankMm) > CALIPER_MM)
    differs.push(
      `shank ${more(shankMm, "longer", "shorter")}${whole === 0 ? "" : ` (${Math.abs(whole)} ${Math.abs(whole) === 1 ? "step" : "steps"})`}`,
    );
  if (Math.abs(gapeMm) > CALIPER_MM) differs.push(`gape ${more(gapeMm, "wider", "narrower")}`);
  if (Math.abs(wireMm) > CALIPER_MM / 5) differs.push(`wire ${more(wireMm, "heavier", "finer")}`);
  if (at.barbless !== own.barbless) differs.push(at.barbless ? "barbless" : "barbed");
  if (at.bend !== own.bend) differs.push(`${at.bend} bend`);
  if (at.points !== own.points) differs.push(at.points === 2 ? "two points" : "one point");
  const fits =
    Math.abs(whole) <= tolerance &&
    Math.abs(gapeMm) <= GAPE_OFF * own.gape &&
    Math.abs(wireMm) <= WIRE_OFF * own.wire &&
    at.bend === own.bend &&
    at.points === own.points;
  return { id: other.id, name: other.name, steps: whole, shankMm, gapeMm, wireMm, differs, fits };
}

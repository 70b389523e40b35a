import type { Coded } from "../../errors";
import type { ComposedFly } from "../../fly";
import type { Material } from "../../materials";
import { threadStrand, type Warning } from "../../tying";

export const qualities = ["strength", "mobility", "floats"] as const;
export type Quality = (typeof qualities)[number];

/** What a changed choice takes away from a fly, or leaves open. */
export interface TakenAwayDetails {
  /** The step `name` guarded something, in the pattern's words, and would go or turn round. */
  DURABILITY_LOST: { name: string; guard: string };
  /** `was` and `is` are materials; `guarded` where a guard stays on the fly. */
  STRENGTH_LOST: { was: string; is: string; guarded: boolean };
  /** Ratings from 1 to 5 of what was there and of what is: `is` is absent where the part is left out. */
  QUALITY_CHANGED: { quality: Quality; was: number; is?: number; name: string };
  GAP_LEFT: { name: string; thinnerMm: number; threadMetres: number };
  WEIGHT_CHANGED: { byMg: number };
  NEWLY_CROWDED: { warning: Warning };
  OTHER_GLUE: { body: "thin" | "gel" };
}
export type TakenAway = Coded<TakenAwayDetails>;

/** A gap this deep, as a share of the gape, is felt by what is wound over it. */
const GAP_OF_GAPE = 0.03;
const WEIGHT_SHARE = 0.05;

/**
 * What a changed fly has lost against the fly as it was: guards, strength, liveliness, what it floats on, fullness,
 * weight, room. Nothing is forbidden; what is lost is said with its remedy.
 *
 * @param before @param after composed with `keepProfiles`
 * @returns in the order of what matters most; empty where nothing is lost
 */
export function takenAway(before: ComposedFly, after: ComposedFly): TakenAway[] {
  const changed = changedParts(before, after);
  return [
    ...guardsLost(before, after),
    ...changed.flatMap((c) => strengthLost(c, after)),
    ...changed.flatMap(qualitiesChanged),
    ...changed.flatMap((c) => gapLeft(before, after, c.component)),
    ...weightChanged(before, after),
    ...newlyCrowded(before, after),
    ...changed.flatMap(otherGlue),
  ];
}

/** A part that is tied of another material, or of none. */
interface Changed {
  component: string;
  was: Material;
  is?: Material;
}

function changedParts(before: ComposedFly, after: ComposedFly): Changed[] {
  const now = new Map(after.parts.map((p) => [p.component, p.material]));
  return before.parts
    .filter((p) => now.get(p.component)?.code !== p.material.code)
    .map((p) => ({ component: p.component, was: p.material, is: now.get(p.component) }));
}

/** Steps that guard something and are no longer there, or no longer cross what they guard. */
function guardsLost(before: ComposedFly, after: ComposedFly): TakenAway[] {
  const now = new Map(after.steps.map((s) => [s.id, s]));
  return before.steps.flatMap((s): TakenAway[] => {
    const { guard } = s.step;
    if (guard === undefined) return [];
    const then = now.get(s.id);
    const isTurned = then !== undefined && crosses(before, s.id) && !crosses(after, s.id);
    const isGone = then === undefined || wayOf(then) !== wayOf(s);
    return isGone || isTurned ? [{ code: "DURABILITY_LOST", details: { name: s.name, guard } }] : [];
  });
}

/** Ways that are themselves what guards: glue under eyes, thread flattened, a bundle carried on. */
const wayOf = (s: ComposedFly["steps"][number]): string =>
  s.methods
    .filter((m) => m.question === "weighted eyes" || m.question === "hackle tied in")
    .map((m) => m.school)
    .join();

/** Whether a winding runs against what the others on this fly do: a counter-wind that locks. */
function crosses(fly: ComposedFly, id: string): boolean {
  const s = fly.steps.find((x) => x.id === id);
  if (s?.step.do !== "wind" || s.clockwise === undefined) return false;
  const against = s.methods.find((m) => m.question === "rib direction")?.school;
  return against === undefined ? s.step.counter === true : against === "against";
}

function strengthLost({ was, is }: Changed, after: ComposedFly): TakenAway[] {
  const [a, b] = [was.qualities?.strength, is?.qualities?.strength];
  if (is === undefined || a === undefined || b === undefined || b >= a) return [];
  const guarded = after.steps.some((s) => s.step.guard !== undefined);
  return [{ code: "STRENGTH_LOST", details: { was: was.name, is: is.name, guarded } }];
}

function qualitiesChanged({ was, is }: Changed): TakenAway[] {
  return qualities.flatMap((quality): TakenAway[] => {
    const [a, b] = [was.qualities?.[quality], is?.qualities?.[quality]];
    if (a === undefined || (is !== undefined && (b === undefined || b === a))) return [];
    // Weaker is told with its remedy; a part that floats or moves hardly at all is not missed for that.
    if (is !== undefined && quality === "strength" && b !== undefined && b < a) return [];
    if (is === undefined && (quality === "strength" || a < FELT)) return [];
    return [{ code: "QUALITY_CHANGED", details: { quality, was: a, is: b, name: (is ?? was).name } }];
  });
}
/** From this rating on a part gives the fly something that is missed without it. */
const FELT = 4;

function gapLeft(before: ComposedFly, after: ComposedFly, component: string): TakenAway[] {
  const step = before.steps.findLast((s) => s.step.component === component);
  const [a, b] = [before, after].map(
    (f) => (f.tied.steps.find((r) => r.id === step?.id) ?? lastBefore(before, f, step?.id))?.after,
  );
  if (!step || !a || !b) return [];
  const dx = before.tied.profile.step;
  let [deepest, missing] = [0, 0];
  a.forEach((d, i) => {
    const e = b[i] ?? d;
    deepest = Math.max(deepest, d - e);
    missing += Math.max(0, (Math.PI / 4) * (d * d - e * e)) * dx;
  });
  if (deepest < GAP_OF_GAPE * before.hook.gape) return [];
  const thread = before.tied.threads[0]?.thread;
  const metres = thread ? missing / threadStrand(thread).area / 1000 : 0;
  return [{ code: "GAP_LEFT", details: { name: step.name, thinnerMm: deepest, threadMetres: metres } }];
}

/** Of a step that is no longer there: the one that stood before it and is. */
function lastBefore(before: ComposedFly, after: ComposedFly, id: string | undefined) {
  const at = before.tied.steps.findIndex((r) => r.id === id);
  const here = new Map(after.tied.steps.map((r) => [r.id, r]));
  return before.tied.steps
    .slice(0, Math.max(0, at))
    .flatMap((r) => here.get(r.id) ?? [])
    .at(-1);
}

function weightChanged(before: ComposedFly, after: ComposedFly): TakenAway[] {
  const change = after.tied.mass.total - before.tied.mass.total;
  if (Math.abs(change) < WEIGHT_SHARE * before.tied.mass.total) return [];
  return [{ code: "WEIGHT_CHANGED", details: { byMg: change } }];
}

/** What was not crowded before: a heavier thread whose head no longer fits, a fuller body over the point. */
function newlyCrowded(before: ComposedFly, after: ComposedFly): TakenAway[] {
  const was = new Set(before.tied.warnings.map((w) => `${w.step}/${w.code}`));
  return after.tied.warnings
    .filter((w) => !was.has(`${w.step}/${w.code}`))
    .map((warning) => ({ code: "NEWLY_CROWDED" as const, details: { warning } }));
}

/**
 * Thin glue creeps and sets at once, gel stays and leaves time: they are told apart, and neither is called the better.
 */
function otherGlue({ was, is }: Changed): TakenAway[] {
  if (was.liquid?.kind !== "glue" || is?.liquid?.kind !== "glue" || was.liquid.body === is.liquid.body) return [];
  return [{ code: "OTHER_GLUE", details: { body: is.liquid.body === "gel" ? "gel" : "thin" } }];
}

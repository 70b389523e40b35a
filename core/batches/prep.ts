import type { ComposedFly, FlyStep } from "../fly";
import type { Material } from "../materials";

export const prepKinds = [
  "bead hooks",
  "sort hackle",
  "pair slips",
  "pair feathers",
  "trim feathers",
  "clean hair",
  "stack bundles",
  "break fibre",
  "level herls",
  "lay out loops",
  "mill blend",
  "cut lengths",
  "make parts",
] as const;
export type PrepKind = (typeof prepKinds)[number];

/** Work away from the vise, done once for a batch. Minutes are estimates until the room has its own. */
export interface PrepTask {
  kind: PrepKind;
  component: string;
  /** Code and name of what it is done to. */
  material: string;
  materialName: string;
  title: string;
  /** Shared tool that it holds, if any. */
  station?: "mill";
  /** What comes out of it, in pieces. */
  units: number;
  minutes: number;
}

/** How much longer the room takes for a kind of preparation than was reckoned: 1 until it has logged some. */
export type PrepPace = (kind: PrepKind) => number;
const asReckoned: PrepPace = () => 1;

interface PrepRate {
  fixed: number;
  perUnit: number;
  title: (units: number, material: string) => string;
  station?: "mill";
}

const rates: Record<PrepKind, PrepRate> = {
  "bead hooks": { fixed: 3, perUnit: 0.12, title: (n, m) => `Put ${n} × ${m} on hooks` },
  "sort hackle": { fixed: 4, perUnit: 0.35, title: (n, m) => `Sort and strip ${n} feathers of ${m} by barb length` },
  "pair slips": { fixed: 4, perUnit: 0.5, title: (n, m) => `Pair ${n} left with right slips of ${m}` },
  "pair feathers": { fixed: 4, perUnit: 0.4, title: (n, m) => `Pair ${n} left with right feathers of ${m}` },
  "trim feathers": {
    fixed: 2,
    perUnit: 0.2,
    title: (n, m) => `Trim ${n} feathers of ${m}: fluff and stringy tips off, the centre out where it is not wanted`,
  },
  "clean hair": {
    fixed: 3,
    perUnit: 0.25,
    title: (n, m) => `Clear ${n} clumps of ${m} of underfur, and cull what is short or broken`,
  },
  "stack bundles": { fixed: 3, perUnit: 0.3, title: (n, m) => `Stack ${n} bundles of ${m}, their tips level` },
  "break fibre": {
    fixed: 2,
    perUnit: 0.06,
    title: (n, m) => `Break ${m} down by hand for ${n} flies: its fibre is too long for these hooks`,
  },
  "level herls": { fixed: 2, perUnit: 0.15, title: (n, m) => `Level the tips for ${n} ropes of ${m}` },
  "lay out loops": {
    fixed: 5,
    perUnit: 0.5,
    title: (n, m) => `Lay out ${n} layers of ${m} flat, as wide as the loop, their edges cleaned`,
  },
  "mill blend": { fixed: 15, perUnit: 0, title: (_n, m) => `Mill the blend ${m}`, station: "mill" },
  "cut lengths": { fixed: 2, perUnit: 0.08, title: (n, m) => `Cut ${n} lengths of ${m}` },
  "make parts": { fixed: 0, perUnit: 1, title: (n, m) => `Make ${n} of ${m}` },
};

/**
 * Minutes of a kind of preparation for so many pieces, before the room’s own pace; a made part has minutes of its own.
 */
export const prepMinutes = (kind: PrepKind, units: number): number => rates[kind].fixed + rates[kind].perUnit * units;

interface Prepared {
  code: string;
  name: string;
}

function task(
  kind: PrepKind,
  component: string,
  { code, name }: Prepared,
  units: number,
  { pace, minutes = prepMinutes(kind, units), title }: { pace: PrepPace; minutes?: number; title?: string },
): PrepTask {
  const rate = rates[kind];
  return {
    kind,
    component,
    material: code,
    materialName: name,
    title: title ?? rate.title(units, name),
    station: rate.station,
    units,
    minutes: Math.ceil(minutes * pace(kind)),
  };
}

const isOfSchool = ({ methods }: FlyStep, question: string, school: string): boolean =>
  methods.some((w) => w.question === question && w.school === school);

/** Dubbing of fibre longer than so many shanks does not twist onto the thread; in a loop it may. */
const LONG_IN_SHANKS = 1.5;
const isTooLong = ({ hook }: ComposedFly, { form, fibreMm = 0 }: Material): boolean =>
  form === "dubbing" && fibreMm > LONG_IN_SHANKS * hook.shank;
const isTwistedOn = (s: FlyStep): boolean => s.step.do === "dress" && !isOfSchool(s, "dubbing way", "loop");

/** Layers of fibre that are laid out for a loop of one fly; none where it is dubbed in another way. */
const layerCount = (s: FlyStep): number =>
  s.step.do === "dress" && s.step.loopLoad && isOfSchool(s, "dubbing way", "loop") ? (s.step.loopLayers ?? 1) : 0;

/**
 * The preparation of a batch: what its components ask for, once for all flies started.
 * @param pace how much longer the room takes than is reckoned, by kind
 * @param ready components that come prepared from a drawer: beads on their hooks
 */
export function prepTasks(
  fly: ComposedFly,
  flies: number,
  pace: PrepPace = asReckoned,
  ready: ReadonlySet<string> = new Set(),
): PrepTask[] {
  if (flies === 0) return [];
  const steps = new Map(fly.steps.map((s) => [s.id, s]));
  return fly.parts.flatMap((part): PrepTask[] => {
    const { component, material } = part;
    if (ready.has(component)) return [];
    const one = (kind: PrepKind, units = flies) => [task(kind, component, material, units, { pace })];
    if (part.made && part.makeMinutes > 0) {
      const title = `Make the ${part.role} of ${material.name} for ${flies} flies`;
      return [task("make parts", component, material, flies, { pace, minutes: part.makeMinutes * flies, title })];
    }
    if (material.form === "bead") return one("bead hooks");
    const own = part.uses.flatMap((u) => steps.get(u.step) ?? []);
    // A loop that says what it carries is laid out beforehand; one that is filled by eye is not.
    const layers = own.reduce((sum, s) => sum + layerCount(s), 0);
    const loops = layers > 0 ? one("lay out loops", flies * layers) : [];
    if (material.form === "blend" && part.layers.length === 0) return [...one("mill blend", 1), ...loops];
    if (loops.length > 0) return loops;
    if (isTooLong(fly, material) && own.some(isTwistedOn)) return one("break fibre");
    const bundled = own.filter((s) => isOfSchool(s, "tips", "bundled")).length;
    const bundles = bundled > 0 ? one("stack bundles", flies * bundled) : [];
    if (material.form === "herl" && own.some(({ step }) => step.do === "wind" && (step.rope ?? 1) > 1))
      return one("level herls");
    const kinds = new Set(part.uses.map((u) => u.use.kind));
    if (kinds.has("wound feather")) return one("sort hackle");
    if (kinds.has("slips")) return one("pair slips");
    if (material.form === "hair") return [...one("clean hair"), ...bundles];
    if (bundles.length > 0) return bundles;
    const whole = part.uses.flatMap(({ use }) => (use.kind === "feathers" ? [use] : []));
    const [first] = whole;
    // Half a feather is still taken off a whole one.
    const each = whole.reduce((sum, u) => sum + u.each, 0);
    if (first)
      return one(
        first.paired ? "pair feathers" : "trim feathers",
        Math.ceil(first.paired ? (flies * each) / 2 : flies * each),
      );
    if (kinds.has("cut") || kinds.has("strands")) return one("cut lengths");
    return [];
  });
}

/** A task of an open batch. */
export interface OpenPrep extends PrepTask {
  batch: string;
}

/** Tasks of several batches that are one piece of work: the same thing done to the same material. */
export interface PrepGroup {
  kind: PrepKind;
  material: string;
  materialName: string;
  title: string;
  station?: "mill";
  tasks: OpenPrep[];
  units: number;
  /** All at once: what is fixed is spent once. */
  minutes: number;
  /** One batch after another. */
  apart: number;
}

/**
 * What can be prepared for several batches at once.
 *
 * @param tasks not yet done, in the order in which the batches come
 * @param pace as for `prepTasks`
 * @returns groups in the order of their first task; minutes never more than apart
 */
export function gatherPrep(tasks: readonly OpenPrep[], pace: PrepPace = asReckoned): PrepGroup[] {
  const groups = new Map<string, OpenPrep[]>();
  for (const t of tasks) {
    const key = `${t.kind}|${t.material}`;
    groups.set(key, [...(groups.get(key) ?? []), t]);
  }
  return [...groups.values()].flatMap((own) => {
    const [first] = own;
    if (!first) return [];
    const { kind, material, materialName, station } = first;
    // One charge of the mill is one piece of work, however many batches share it.
    const units = kind === "mill blend" ? 1 : own.reduce((sum, t) => sum + t.units, 0);
    const apart = own.reduce((sum, t) => sum + t.minutes, 0);
    const saved = (own.length - 1) * rates[kind].fixed * pace(kind);
    const minutes = Math.max(1, Math.ceil(apart - saved));
    const title = rates[kind].title(units, materialName);
    return [
      { kind, material, materialName, title, station, tasks: own, units, minutes: Math.min(minutes, apart), apart },
    ];
  });
}

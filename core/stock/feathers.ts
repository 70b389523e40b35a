import type { Side } from "../materials";
import { floorSafe, refuseTwice } from "../numeric";
import { guard } from "../units";

/** Feathers of one skin (or of the whole cabinet) whose barbs or fibres are about as long. */
export interface FeatherClass {
  id: string;
  /** Length of its barbs or fibres, mm, ends included. */
  fromMm: number;
  toMm: number;
  /** Feathers counted or estimated; whole. */
  count: number;
  /** Share that cannot be tied with, in [0, 1]. */
  unusable?: number;
  /** Only where sides matter. */
  side?: Side;
}

/** What a batch asks for, and how it stands in line. */
export interface FeatherDemand {
  id: string;
  /** ISO day; the earlier goes first, then the customer's rank (1 before 2), then the order's number. */
  due: string;
  rank: number;
  order: number;
  /** Feathers for the shortest class that it accepts; whole. */
  feathers: number;
  /** Wanted length, mm, ends included; without it every class will do. */
  barbMm?: readonly [number, number];
  side?: Side;
  /** Only these classes, such as those of one dye lot; without it any. */
  only?: ReadonlySet<string>;
}

export interface FeatherShare {
  /** In order of priority. */
  demands: {
    id: string;
    met: number;
    short: number;
    takes: { class: string; feathers: number }[];
  }[];
  /** What is left of each class, in the order in which the classes were given. */
  left: { class: string; feathers: number }[];
  /** The class that runs out first, going through the demands in order, and the demand at which it does. */
  failsFirst?: { class: string; at: string };
}

const SLACK_MM = 1e-9;

/** ⌊count·(1 − unusable)⌋ */
export const usableFeathers = ({ count, unusable = 0 }: Pick<FeatherClass, "count" | "unusable">): number =>
  floorSafe(count * (1 - unusable));

/** Whether the middle of a class lies in a wanted interval, ends included; both in mm. */
export function isMiddleWithin([from, to]: readonly [number, number], wanted: readonly [number, number]): boolean {
  const middle = (from + to) / 2;
  return middle >= wanted[0] - SLACK_MM && middle <= wanted[1] + SLACK_MM;
}

/** A class is accepted when its middle lies in the wanted interval, and it is of the wanted side. */
export function acceptsClass(demand: Omit<FeatherDemand, "feathers">, c: FeatherClass): boolean {
  if (demand.side && c.side !== demand.side) return false;
  if (demand.only && !demand.only.has(c.id)) return false;
  return !demand.barbMm || isMiddleWithin([c.fromMm, c.toMm], demand.barbMm);
}

/** By due day, then the customer's rank, then the order's number; what is equal stays as it was given. */
export const byPriority = (
  a: Pick<FeatherDemand, "due" | "rank" | "order">,
  b: Pick<FeatherDemand, "due" | "rank" | "order">,
): number => a.due.localeCompare(b.due) || a.rank - b.rank || a.order - b.order;

function guardAll(classes: readonly FeatherClass[], demands: readonly FeatherDemand[]): void {
  for (const c of classes) {
    guard("the feathers of a class", c.count, { least: 0, most: 10_000_000, whole: true });
    guard("the unusable share", c.unusable, { least: 0, most: 1 });
    guard("the shorter end of a class", c.fromMm, { least: 0, most: 1000, unit: "mm" });
    guard("the longer end of a class", c.toMm, { least: c.fromMm, most: 1000, unit: "mm" });
  }
  for (const d of demands) {
    guard("the feathers of a batch", d.feathers, { least: 0, most: 10_000_000, whole: true });
    if (d.barbMm)
      guard("the longer end of what is wanted", d.barbMm[1], { least: d.barbMm[0], most: 1000, unit: "mm" });
  }
  refuseTwice(
    classes.map((c) => c.id),
    "a class of feathers",
  );
  refuseTwice(
    demands.map((d) => d.id),
    "a batch's feathers",
  );
}

/**
 * Share feathers of several classes out among batches that accept some of them.
 *
 * Each feather wanted is a unit; which units can be met together is a transversal matroid, so taking them in order of
 * priority and keeping each one that can still be matched (moving earlier ones to other classes where needed) meets as
 * many as can be met, and as many of the first as can be met, of the second with the first kept, and so on.
 *
 * @param classes ids once each; counts whole, ≥ 0; lengths in mm, the shorter first
 * @param demands ids once each; feathers whole, ≥ 0
 * @returns every demand in order of priority with what it gets; among equally good ways, classes that the fewest
 *   demands
 *   can use are taken first, then the smaller
 * @throws DomainError FIGURE_OUT_OF_BOUNDS, NAMED_TWICE
 * @example shareFeathers(
 *   [{ id: "6", fromMm: 5.5, toMm: 6.5, count: 10 }, { id: "8", fromMm: 7.5, toMm: 8.5, count: 9 }],
 *   [{ id: "A", due: "2027-03-01", rank: 1, order: 1, barbMm: [6, 8], feathers: 12 },
 *    { id: "B", due: "2027-03-02", rank: 1, order: 2, barbMm: [6, 6], feathers: 7 }],
 * ) // A gets 12 (3 of class 6, 9 of class 8), B gets 7
 *
 * Source: augmenting paths in a bipartite graph (L. R. Ford, D. R. Fulkerson 1956), many units at a time; greedy
 * optimality on matroids (J. Edmonds 1971). Cost: at most demands · classes augmentations of demands · classes each.
 */
export function shareFeathers(classes: readonly FeatherClass[], demands: readonly FeatherDemand[]): FeatherShare {
  guardAll(classes, demands);
  const ordered = [...demands].sort(byPriority);
  const sharing = new Sharing(classes, ordered);
  let failsFirst: FeatherShare["failsFirst"];
  ordered.forEach((d, i) => {
    sharing.meet(i, d.feathers);
    const out = failsFirst ? undefined : sharing.firstExhausted();
    if (out !== undefined) failsFirst = { class: out, at: d.id };
  });
  return { ...sharing.result(), ...(failsFirst && { failsFirst }) };
}

/** The flow of feathers from classes to demands, while it grows. Indices of classes and demands throughout. */
class Sharing {
  /** taken[d][c]: feathers of class c that demand d has. */
  private readonly taken: Int32Array[];
  private readonly free: Int32Array;
  /** Classes that each demand accepts, the ones least wanted elsewhere first, then the smaller. */
  private readonly accepted: number[][];
  /** Whether anybody could use it; a class that nobody wants does not run out. */
  private readonly wanted: boolean[];

  constructor(
    private readonly classes: readonly FeatherClass[],
    private readonly demands: readonly FeatherDemand[],
  ) {
    this.taken = demands.map(() => new Int32Array(classes.length));
    this.free = Int32Array.from(classes, usableFeathers);
    const fits = demands.map((d) => classes.flatMap((c, i) => (acceptsClass(d, c) ? [i] : [])));
    const uses = new Int32Array(classes.length);
    for (const list of fits) for (const c of list) uses[c] = (uses[c] ?? 0) + 1;
    const middle = (c: number): number => ((classes[c]?.fromMm ?? 0) + (classes[c]?.toMm ?? 0)) / 2;
    const at = (c: number): number => uses[c] ?? 0;
    this.accepted = fits.map((list) => list.sort((a, b) => at(a) - at(b) || middle(a) - middle(b) || a - b));
    this.wanted = classes.map((_, c) => at(c) > 0 && (this.free[c] ?? 0) > 0);
  }

  /** Gives a demand as many feathers as it asks for, or as many as can be had without taking any from those before. */
  meet(demand: number, feathers: number): void {
    let open = feathers;
    while (open > 0) {
      const moved = this.augment(demand, open);
      if (moved === 0) return;
      open -= moved;
    }
  }

  /**
   * One augmenting path, found breadth first from the demand: a class it accepts with feathers left, or one from which
   * another demand can move to a class of its own, and so on. @returns feathers gained, 0 when there is no path
   */
  private augment(demand: number, most: number): number {
    const from = new Int32Array(this.classes.length).fill(-1);
    const seen = new Uint8Array(this.demands.length);
    seen[demand] = 1;
    const queue = [demand];
    for (let d = queue.shift(); d !== undefined; d = queue.shift())
      for (const c of this.accepted[d] ?? []) {
        if (from[c] !== -1) continue;
        from[c] = d;
        if ((this.free[c] ?? 0) > 0) return this.push(demand, c, from, most);
        this.taken.forEach((has, other) => {
          if (seen[other] || !((has[c] ?? 0) > 0)) return;
          seen[other] = 1;
          this.cameBy[other] = c;
          queue.push(other);
        });
      }
    return 0;
  }
  /** The class that a demand gives up on the path being looked for. */
  private readonly cameBy: number[] = [];

  private push(demand: number, last: number, from: Int32Array, most: number): number {
    let amount = Math.min(most, this.free[last] ?? 0);
    const path: { demand: number; gets: number; gives?: number }[] = [];
    for (let c = last; ;) {
      const d = from[c] ?? demand;
      if (d === demand) {
        path.push({ demand: d, gets: c });
        break;
      }
      const gives = this.cameBy[d] ?? 0;
      amount = Math.min(amount, this.taken[d]?.[gives] ?? 0);
      path.push({ demand: d, gets: c, gives });
      c = gives;
    }
    for (const { demand: d, gets, gives } of path) {
      const has = this.taken[d];
      if (!has) continue;
      has[gets] = (has[gets] ?? 0) + amount;
      if (gives !== undefined) has[gives] = (has[gives] ?? 0) - amount;
    }
    this.free[last] = (this.free[last] ?? 0) - amount;
    return amount;
  }

  /** The smallest wanted class of which not one more feather could be had, by whatever moving about. */
  firstExhausted(): string | undefined {
    let first: FeatherClass | undefined;
    this.classes.forEach((c, i) => {
      if (!this.wanted[i] || this.canGiveMore(i)) return;
      if (!first || c.fromMm + c.toMm < first.fromMm + first.toMm) first = c;
    });
    return first?.id;
  }

  private canGiveMore(start: number): boolean {
    const seen = new Uint8Array(this.classes.length);
    const queue = [start];
    seen[start] = 1;
    for (let c = queue.pop(); c !== undefined; c = queue.pop()) {
      if ((this.free[c] ?? 0) > 0) return true;
      this.taken.forEach((has, d) => {
        if (!((has[c ?? 0] ?? 0) > 0)) return;
        for (const other of this.accepted[d] ?? [])
          if (!seen[other]) {
            seen[other] = 1;
            queue.push(other);
          }
      });
    }
    return false;
  }

  result(): Omit<FeatherShare, "failsFirst"> {
    return {
      demands: this.demands.map((d, i) => {
        const takes = this.classes.flatMap((c, j) => {
          const feathers = this.taken[i]?.[j] ?? 0;
          return feathers > 0 ? [{ class: c.id, feathers }] : [];
        });
        const met = takes.reduce((sum, t) => sum + t.feathers, 0);
        return { id: d.id, met, short: d.feathers - met, takes };
      }),
      left: this.classes.map((c, i) => ({ class: c.id, feathers: this.free[i] ?? 0 })),
    };
  }
}

/** A sample of a skin, as it was sorted with a ruler: feathers in each class, and how many of them are no good. */
export interface SampledClass {
  fromMm: number;
  toMm: number;
  side?: Side;
  sampled: number;
  spoilt: number;
}

/**
 * A skin's classes from a sample: each class has its share of the whole skin, rounded so that the classes add up to it
 * (largest remainders), and its own unusable share.
 *
 * @param sample feathers drawn at random from the skin; the sampled ones add up to at least 1
 * @param total feathers on the skin, estimated or learned; whole, at least as many as were sampled
 * @returns one class per row of the sample, with `deviation`: the standard deviation of its count, from a sample
 *   without
 *   putting back: total·√(p(1 − p)/n · (total − n)/(total − 1))
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 *
 * Source: sampling without replacement (hypergeometric variance).
 */
export function gradeSkin(
  sample: readonly SampledClass[],
  total: number,
): (Omit<FeatherClass, "id"> & { deviation: number })[] {
  for (const c of sample) {
    guard("the feathers sampled", c.sampled, { least: 0, most: 100_000, whole: true });
    guard("the spoilt ones among them", c.spoilt, { least: 0, most: c.sampled, whole: true });
    guard("the longer end of a class", c.toMm, { least: c.fromMm, most: 1000, unit: "mm" });
  }
  const n = sample.reduce((sum, c) => sum + c.sampled, 0);
  guard("the feathers sampled in all", n, { least: 1, most: 100_000, whole: true });
  guard("the feathers on the skin", total, { least: n, most: 10_000_000, whole: true });
  const exact = sample.map((c) => (total * c.sampled) / n);
  const counts = exact.map(Math.floor);
  const missing = total - counts.reduce((sum, x) => sum + x, 0);
  const byRemainder = exact
    .map((x, i) => ({ i, rest: x - Math.floor(x) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (const { i } of byRemainder.slice(0, missing)) counts[i] = (counts[i] ?? 0) + 1;
  return sample.map(({ fromMm, toMm, side, sampled, spoilt }, i) => {
    const p = sampled / n;
    const unseen = total > 1 ? (total - n) / (total - 1) : 0;
    return {
      fromMm,
      toMm,
      ...(side && { side }),
      count: counts[i] ?? 0,
      unusable: sampled > 0 ? spoilt / sampled : 0,
      deviation: total * Math.sqrt(((p * (1 - p)) / n) * unseen),
    };
  });
}

import { assignmentCost } from "./assignment";
import type { Model } from "./model";
import { mainOperations } from "./outline";

/** More jobs than this are not put into places of an order: their bound is that of each alone. */
const MOST_JOBS = 220;
const MOST_GROUPS = 8;

/**
 * A true lower bound on the cost of a plan of all jobs of a model: no plan that holds them all can cost less.
 *
 * Each job alone needs what its operations, with whoever is quickest, and its drying need. Together they need more:
 * of the jobs whose main work only a certain group of people can do, the k-th to be through with it is not earlier
 * than the group, all at once and without a pause, could do the k smallest. Which job is the k-th is left to an
 * assignment problem. To this come the change-overs that every thread, hook and pattern needs once, and the end of
 * all work.
 *
 * @param isQuick each job alone, and no more: at once, and less
 */
export function lowerBound(m: Model, isQuick = false): number {
  const { objective } = m.problem;
  const alone = new Float64Array(m.jobs);
  const ends = new Float64Array(m.jobs);
  const heads = earliestEnds(m);
  for (let j = 0; j < m.jobs; j++) {
    let end = 0;
    for (let o = m.firstOp[j]!; o < m.firstOp[j + 1]!; o++) end = Math.max(end, heads[o]! + m.dry[o]!);
    ends[j] = end;
    alone[j] = priceAt(m, j, end);
  }
  const tails = leastTails(m);
  const sumAlone = alone.reduce((sum, c) => sum + c, 0);
  let together = sumAlone;
  let latest = ends.reduce((most, e) => Math.max(most, e), 0);
  for (const group of isQuick ? [] : groupsOf(m)) {
    const inGroup = new Set(group.jobs);
    const rest = alone.reduce((sum, c, j) => sum + (inGroup.has(j) ? 0 : c), 0);
    if (m.jobs <= MOST_JOBS && group.jobs.length > 1)
      together = Math.max(together, rest + costInOrder(m, group, heads, tails, ends));
    latest = Math.max(latest, endOfLoad(m, group, heads, tails));
  }
  return together + objective.makespan * latest + objective.setup * leastChangeOvers(m);
}

function priceAt(m: Model, j: number, at: number): number {
  const { objective } = m.problem;
  return objective.tardiness * m.weight[j]! * Math.max(0, at - m.due[j]!) + objective.flow * (at - m.given0[j]!);
}

/** When each operation could end at the earliest, with the room to itself. */
function earliestEnds(m: Model): Float64Array {
  const ends = new Float64Array(m.ops).fill(-1);
  const endOf = (o: number): number => {
    if (ends[o]! >= 0) return ends[o]!;
    let ready = m.release[m.jobOf[o]!]!;
    for (const before of m.predsOf(o)) ready = Math.max(ready, endOf(before) + m.dry[before]!);
    let end = Infinity;
    for (let c = m.choicesFrom[o]!; c < m.choicesFrom[o + 1]!; c++) {
      const p = m.choices[c]!;
      const minutes = m.minutes[o * m.people + p]!;
      end = Math.min(end, m.hours.clockAt(p, m.hours.indexAt(p, ready) + minutes - 1) + 1);
    }
    return (ends[o] = end);
  };
  for (let o = 0; o < m.ops; o++) endOf(o);
  return ends;
}

/** Minutes that are left at least, after the end of each operation, to the end of its job. */
function leastTails(m: Model): Float64Array {
  const tails = new Float64Array(m.ops);
  for (let j = 0; j < m.jobs; j++)
    for (let o = m.firstOp[j + 1]! - 1; o >= m.firstOp[j]!; o--) {
      tails[o] = Math.max(tails[o]!, m.dry[o]!);
      for (const before of m.predsOf(o))
        tails[before] = Math.max(tails[before]!, m.dry[before]! + m.leastMinutes(o) + tails[o]!);
    }
  return tails;
}

/** Jobs with one operation each that nobody but some people can do. */
interface Group {
  people: number[];
  jobs: number[];
  /** The operation of each job. */
  ops: number[];
}

function groupsOf(m: Model): Group[] {
  const main = [...mainOperations(m)];
  const peopleOf = (o: number): Int32Array => m.choices.subarray(m.choicesFrom[o], m.choicesFrom[o + 1]);
  const sets = new Map<string, number[]>();
  for (const o of main) {
    const people = [...peopleOf(o)].sort((a, b) => a - b);
    sets.set(people.join(), people);
  }
  if (m.isChain.every((c) => c === 1) && m.choices.length === m.ops)
    for (let p = 0; p < m.people; p++) sets.set(String(p), [p]);
  sets.set(
    "all",
    Array.from({ length: m.people }, (_, p) => p),
  );
  const groups = [...sets.values()].map((people): Group => {
    const own = new Set(people);
    const isOwn = (o: number) => peopleOf(o).every((p) => own.has(p));
    const pairs = main.flatMap((o, j): [number, number][] => {
      if (isOwn(o)) return [[j, o]];
      // In a shop every person has an operation of nearly every job.
      for (let x = m.firstOp[j]!; x < m.firstOp[j + 1]!; x++) if (isOwn(x)) return [[j, x]];
      return [];
    });
    return { people, jobs: pairs.map(([j]) => j), ops: pairs.map(([, o]) => o) };
  });
  return groups.sort((a, b) => b.jobs.length - a.jobs.length).slice(0, Math.max(MOST_GROUPS, m.people));
}

/** When a group, working all at once from the first minute on which there is something to do, has done so much. */
function whenDone(m: Model, people: number[], from: number, minutes: number): number {
  let low = from;
  let high = m.problem.horizon * 2 + minutes;
  const before = people.reduce((sum, p) => sum + m.hours.indexAt(p, from), 0);
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    const done = people.reduce((sum, p) => sum + m.hours.indexAt(p, middle), 0) - before;
    if (done >= minutes) high = middle;
    else low = middle + 1;
  }
  return low;
}

function costInOrder(m: Model, group: Group, heads: Float64Array, tails: Float64Array, ends: Float64Array): number {
  const { people, jobs, ops } = group;
  const works = ops.map((o) => m.leastMinutes(o)).sort((a, b) => a - b);
  const first = firstBegin(m, group, heads);
  let sum = 0;
  const through = works.map((w) => whenDone(m, people, first, (sum += w)));
  return assignmentCost(jobs.length, (i, k) => {
    const j = jobs[i]!;
    return priceAt(m, j, Math.max(ends[j]!, through[k]! + tails[ops[i]!]!));
  });
}

/** The earliest minute at which one of a group's operations could begin. */
function firstBegin(m: Model, { ops }: Group, heads: Float64Array): number {
  let first = Infinity;
  for (const o of ops) {
    let ready = m.release[m.jobOf[o]!]!;
    for (const before of m.predsOf(o)) ready = Math.max(ready, heads[before]! + m.dry[before]!);
    first = Math.min(first, ready);
  }
  return first;
}

function endOfLoad(m: Model, group: Group, heads: Float64Array, tails: Float64Array): number {
  const all = group.ops.reduce((sum, o) => sum + m.leastMinutes(o), 0);
  const tail = group.ops.reduce((least, o) => Math.min(least, tails[o]!), Infinity);
  return group.ops.length === 0 ? 0 : whenDone(m, group.people, firstBegin(m, group, heads), all) + tail;
}

/** Each pattern, thread and hook that nobody has set up at first, nor ready on a bobbin, must be set up once. */
function leastChangeOvers(m: Model): number {
  const { setup, people, readyThreads = [] } = m.problem;
  const used = m.given.flatMap((j) => j.operations).flatMap((o) => o.setupState ?? []);
  return (["pattern", "thread", "hook"] as const).reduce((sum, part) => {
    const there = new Set(people.map((p) => p.setupState?.[part]));
    if (part === "thread") for (const thread of readyThreads) there.add(thread);
    const needed = new Set(used.map((s) => s[part]).filter((s) => !there.has(s)));
    return sum + setup[part] * needed.size;
  }, 0);
}

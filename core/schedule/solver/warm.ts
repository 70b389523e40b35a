import type { PlannedOperation } from "../types";
import { construct } from "./construct";
import { NONE, type Model } from "./model";
import { Plan } from "./plan";

/** At so many times of the plan a job that is new is tried, the others left in their order: that is quick. */
const PLACES = 24;
/** The best of these are tried so that the others go ahead where they can. */
const MOST_TRIED = 6;
/**
 * Operations looked at to put new jobs, of all of them together. Where more are new, as in a room that has far more
 * work than hours, the last due stay behind everything, and take what the others leave.
 */
const MOST_WORK = 8_000_000;

/**
 * A plan in the order of one that was made before. Operations of which it knows nothing follow their job as they can;
 * whole jobs of which it knows nothing are put, the first due first, where they cost least.
 */
export function planFrom(m: Model, start: PlannedOperation[]): Plan {
  const plan = new Plan(m);
  const known = knownOf(m, start);
  const who = Int32Array.from(known.who, (p, o) => (p === NONE ? quickest(m, o) : p));
  const isNew = (j: number): boolean => {
    for (let o = m.firstOp[j]!; o < m.firstOp[j + 1]!; o++) if (known.start[o]! < Infinity) return false;
    return true;
  };
  const fresh = Array.from({ length: m.jobs }, (_, j) => j).filter(isNew);
  const isFresh = new Set(fresh);
  // At first the new ones stand behind everything, in the order in which they are due.
  fresh.sort((a, b) => m.due[a]! - m.due[b]! || m.weight[b]! - m.weight[a]! || a - b);
  const behind = fresh.flatMap((j) => operationsOf(m, j));
  const listBy = (given: Float64Array): Int32Array => {
    const keys = withNeighbours(m, given);
    const list = Array.from({ length: m.ops }, (_, o) => o).filter((o) => !isFresh.has(m.jobOf[o]!));
    return Int32Array.from([...list.sort((a, b) => keys[a]! - keys[b]! || a - b), ...behind]);
  };
  plan.set(listBy(known.start), who);
  if (m.mindsRacks) {
    // Where racks are full it matters when work ends, not when it begins.
    const byStart = { list: plan.list.slice(), who: plan.who.slice(), cost: plan.cost };
    plan.set(listBy(known.end), who);
    if (plan.cost > byStart.cost) plan.set(byStart.list, byStart.who);
  }
  putWhileWorth(m, plan, fresh);
  return plan;
}

/** Puts one new job after the other, as thoroughly as what is left of the work allows. */
function putWhileWorth(m: Model, plan: Plan, fresh: readonly number[]): void {
  let work = MOST_WORK;
  const quick = m.people * (PLACES + 1) * m.ops;
  const thorough = quick + MOST_TRIED * m.ops * m.jobs;
  for (const j of fresh) {
    if (work < quick) return;
    const isThorough = work >= thorough;
    putWhereCheapest(m, plan, j, isThorough);
    work -= isThorough ? thorough : quick;
  }
}

interface Known {
  who: Int32Array;
  /** When each operation begins; Infinity where nothing is known of it. */
  start: Float64Array;
  /** The same, but of those that put flies on a rack when they end. */
  end: Float64Array;
}

function knownOf(m: Model, start: PlannedOperation[]): Known {
  const opAt = new Map(m.given.flatMap((j) => j.operations).map((o, i) => [o.id, i]));
  const personAt = new Map(m.problem.people.map((p, i) => [p.id, i]));
  const who = new Int32Array(m.ops).fill(NONE);
  const begins = new Float64Array(m.ops).fill(Infinity);
  const ends = new Float64Array(m.ops).fill(Infinity);
  for (const { operation, person, start: minute, end } of start) {
    const o = opAt.get(operation);
    if (o === undefined) continue;
    const p = personAt.get(person);
    begins[o] = minute;
    ends[o] = m.rack[o]! >= 0 ? end : minute;
    if (p !== undefined && m.choices.subarray(m.choicesFrom[o], m.choicesFrom[o + 1]).includes(p)) who[o] = p;
  }
  return { who, start: begins, end: ends };
}

/** Of a job that is known in part, what is new comes right behind what it follows, or before what follows it. */
function withNeighbours(m: Model, key: Float64Array): Float64Array {
  const keys = key.slice();
  for (let o = m.ops - 2; o >= 0; o--)
    if (keys[o] === Infinity && m.jobOf[o] === m.jobOf[o + 1]) keys[o] = keys[o + 1]!;
  for (let o = 1; o < m.ops; o++) if (keys[o] === Infinity && m.jobOf[o] === m.jobOf[o - 1]) keys[o] = keys[o - 1]!;
  return keys;
}

function quickest(m: Model, o: number): number {
  let best = m.choices[m.choicesFrom[o]!]!;
  for (let c = m.choicesFrom[o]!; c < m.choicesFrom[o + 1]!; c++) {
    const p = m.choices[c]!;
    if (m.minutes[o * m.people + p]! < m.minutes[o * m.people + best]!) best = p;
  }
  return best;
}

const operationsOf = (m: Model, j: number): number[] =>
  Array.from({ length: m.firstOp[j + 1]! - m.firstOp[j]! }, (_, i) => m.firstOp[j]! + i);

/** Where the operations of a new job could go: with whom, and when each would begin if nobody had anything else. */
interface Spot {
  who: Int32Array;
  keys: Float64Array;
}

/**
 * Tries a job at some times of the plan, its main work with each who can do it, and keeps the cheapest. Each of its
 * operations comes when its time does, and what is pushed back by it lets others go ahead: the plan is followed only
 * as far as nobody has to wait for it. Where that is too much work it stands in the list where that costs least.
 */
function putWhereCheapest(m: Model, plan: Plan, j: number, isThorough: boolean): void {
  const own = operationsOf(m, j);
  const rest = plan.list.filter((o) => m.jobOf[o] !== j);
  const keys = new Float64Array(m.ops);
  for (const o of rest) keys[o] = m.hours.clockAt(plan.who[o]!, plan.index[o]!);
  const spots = spotsFor(m, plan, own, rest, keys);
  const quick = spots.map((spot, i) => ({ i, cost: costAt(m, plan, own, rest, spot) }));
  quick.sort((a, b) => a.cost - b.cost || a.i - b.i);
  let best = { list: plan.list.slice(), who: plan.who.slice(), cost: plan.cost };
  if (!isThorough) {
    const spot = spots[quick[0]!.i]!;
    plan.set(listWith(m, own, rest, spot.keys), spot.who);
    if (plan.cost >= best.cost) plan.set(best.list, best.who);
    return;
  }
  for (const { i } of quick.slice(0, MOST_TRIED)) {
    const { who, keys: rank } = spots[i]!;
    construct(m, plan.decoder, { name: "due first" }, undefined, { who, rank });
    plan.set(plan.decoder.order.slice(), who);
    if (plan.cost < best.cost) best = { list: plan.list.slice(), who: plan.who.slice(), cost: plan.cost };
  }
  plan.set(best.list, best.who);
}

function spotsFor(m: Model, plan: Plan, own: number[], rest: Int32Array, known: Float64Array): Spot[] {
  const main = own.reduce((most, o) => (m.leastMinutes(o) > m.leastMinutes(most) ? o : most));
  const times = Array.from(rest, (o) => known[o]!).sort((a, b) => a - b);
  const release = m.release[m.jobOf[main]!]!;
  const spots: Spot[] = [];
  for (const p of m.choices.subarray(m.choicesFrom[main], m.choicesFrom[main + 1])) {
    let before = NONE;
    for (let i = 0; i <= PLACES; i++) {
      const from = i === 0 ? 0 : (times[Math.round(((times.length - 1) * i) / PLACES)] ?? 0);
      let ready = Math.max(release, from);
      if (ready === before) continue;
      before = ready;
      const who = plan.who.slice();
      const keys = known.slice();
      for (const o of own) {
        who[o] = o === main ? p : soonest(m, o, ready);
        const index = m.hours.indexAt(who[o]!, ready);
        keys[o] = m.hours.clockAt(who[o]!, index);
        ready = m.hours.clockAt(who[o]!, index + m.minutes[o * m.people + who[o]!]! - 1) + 1 + m.dry[o]!;
      }
      spots.push({ who, keys });
    }
  }
  return spots;
}

/** What the plan would cost with a job at a spot, if nobody went ahead of anybody for it. */
function costAt(m: Model, plan: Plan, own: number[], rest: Int32Array, { who, keys }: Spot): number {
  const list = listWith(m, own, rest, keys);
  plan.decoder.who.set(who);
  plan.decoder.forget(0);
  return plan.decoder.run(list, m.ops);
}

/** The list with the operations of a job where their time comes. */
function listWith(m: Model, own: number[], rest: Int32Array, keys: Float64Array): Int32Array {
  const list = new Int32Array(m.ops);
  let written = 0;
  let next = 0;
  for (const o of rest) {
    while (next < own.length && keys[own[next]!]! <= keys[o]!) list[written++] = own[next++]!;
    list[written++] = o;
  }
  while (next < own.length) list[written++] = own[next++]!;
  return list;
}

/** Who would be through with an operation first, if they had nothing else to do. */
function soonest(m: Model, o: number, ready: number): number {
  let best = NONE;
  let least = Infinity;
  for (const p of m.choices.subarray(m.choicesFrom[o], m.choicesFrom[o + 1])) {
    const end = m.hours.clockAt(p, m.hours.indexAt(p, ready) + m.minutes[o * m.people + p]! - 1);
    if (end >= least) continue;
    least = end;
    best = p;
  }
  return best;
}

import type { UnscheduledReason } from "../types";
import { construct } from "./construct";
import { Decoder } from "./decoder";
import { Model } from "./model";
import type { Plan } from "./plan";

/** What stays of a plan when the jobs that have no place within the horizon are taken out of it. */
export interface Rest {
  list: Int32Array;
  left: { job: number; reason: UnscheduledReason }[];
}

/** So many of the jobs left out are tried once more in what the others leave free: those that are due first. */
const MOST_TRIES = 300;

/**
 * Takes out what does not fit, and puts back what fits after all. The plan's decoder holds the rest when it is done.
 */
export function withoutLeftOut(m: Model, plan: Plan): Rest {
  const { decoder } = plan;
  let list = plan.list.slice();
  const out = new Set<number>();
  const run = (wanted: Int32Array): number[] => {
    decoder.forget(0);
    decoder.isAbsent.fill(1);
    for (const o of wanted) decoder.isAbsent[m.jobOf[o]!] = 0;
    decoder.run(wanted, wanted.length);
    return [...new Set([...wanted].map((o) => m.jobOf[o]!))].filter((j) => decoder.isLeftOut(j));
  };
  for (let left = run(list); left.length > 0; left = run(list)) {
    for (const j of left) out.add(j);
    list = list.filter((o) => !out.has(m.jobOf[o]!));
  }
  const byDue = [...out].sort((a, b) => m.due[a]! - m.due[b]! || m.weight[b]! - m.weight[a]! || a - b);
  for (const j of byDue.slice(0, MOST_TRIES)) {
    const own = plan.list.filter((o) => m.jobOf[o] === j);
    const longer = Int32Array.from([...list, ...own]);
    if (run(longer).length > 0) continue;
    list = longer;
    out.delete(j);
  }
  run(list);
  // As it was done: a pinned operation may have come before its turn.
  list = decoder.order.slice(0, decoder.count);
  const left = byDue.filter((j) => out.has(j));
  const isRacks = left.length > 0 && m.mindsRacks && isRackFullest(m);
  return { list, left: left.map((job) => ({ job, reason: reasonFor(m, job, isRacks) })) };
}

/**
 * Why a job found no place: seen from what it meets when it is alone, and when racks have no end of places.
 * @param isRacks whether of all that is short the racks are what is shortest
 */
function reasonFor(m: Model, j: number, isRacks: boolean): UnscheduledReason {
  const job = m.given[j]!;
  if (job.operations.some((o) => o.pinned)) return { code: "PIN_IMPOSSIBLE", details: {} };
  const alone = new Model(m.problem, [job], m.hours);
  const decoder = new Decoder(alone);
  construct(alone, decoder, { name: "due first", isEager: true });
  const late = job.operations.find((_, i) => decoder.end[i]! > m.problem.horizon);
  if (late) return { code: "HOURS_USED_UP", details: { kind: late.kind } };
  const main = job.operations.reduce((most, o) => (longest(o.choices) > longest(most.choices) ? o : most));
  return isRacks && job.operations.some((o) => o.dry)
    ? { code: "RACK_FULL", details: {} }
    : { code: "HOURS_USED_UP", details: { kind: main.kind } };
}

const longest = (choices: { minutes: number }[]): number => Math.max(0, ...choices.map((c) => c.minutes));

/** Whether flies ask for more of the racks' time than people are asked for of theirs. */
function isRackFullest(m: Model): boolean {
  const { horizon } = m.problem;
  let onRacks = 0;
  let work = 0;
  for (let o = 0; o < m.ops; o++) {
    onRacks += m.rack[o]! >= 0 ? m.places[o]! * m.dry[o]! : 0;
    work += m.leastMinutes(o);
  }
  const places = m.rackPlaces.reduce((sum, r) => sum + r, 0) * horizon;
  const hours = m.hours.total.reduce((sum, t) => sum + t, 0);
  return onRacks / Math.max(1, places) > work / Math.max(1, hours);
}

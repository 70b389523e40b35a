import { Calendar } from "../calendar";
import type { ScheduleJob, ScheduleOperation, ScheduleProblem } from "../types";

/** A plan in the making. */
interface State {
  /** Operations of each job that are placed. */
  done: number[];
  /** Working minutes of each person that are taken. */
  free: number[];
  /** What they have set up: that of an operation, by its index; −1 for nothing. */
  setUp: number[];
  stationFree: number[];
  /** When what follows in each job may begin. */
  ready: number[];
  latest: number;
  cost: number;
}

/**
 * The least that a plan of all jobs can cost, by exhaustive search: every order in which the operations can be begun,
 * with everyone who can do them. Of two beginnings with the same work done and the same set up, one that is nowhere
 * later and costs no more is enough; what cannot end below `atMost` is not followed.
 *
 * For small rooms only: operations in a chain, stations of one place, racks with room for all, nothing pinned.
 * @param atMost what some plan costs
 * @returns the cost of the best plan; `atMost` where none is cheaper
 */
export function leastCost(problem: ScheduleProblem, atMost: number): number {
  const search = new Exhaustive(problem, atMost);
  return search.run();
}

class Exhaustive {
  private readonly calendars: Calendar[];
  private readonly people: Map<string, number>;
  private readonly stations: Map<string, number>;
  private readonly setUps: ScheduleOperation[];
  private least: number;

  constructor(
    private readonly problem: ScheduleProblem,
    atMost: number,
  ) {
    this.calendars = problem.people.map((p) => new Calendar(p.windows));
    this.people = new Map(problem.people.map((p, i) => [p.id, i]));
    this.stations = new Map(problem.stations.map((s, i) => [s.id, i]));
    this.setUps = problem.jobs.flatMap((j) => j.operations).filter((o) => o.setupState);
    this.least = atMost;
  }

  run(): number {
    const { jobs, people, stations } = this.problem;
    let layer: State[] = [
      {
        done: jobs.map(() => 0),
        free: people.map(() => 0),
        setUp: people.map(() => -1),
        stationFree: stations.map(() => 0),
        ready: jobs.map((j) => j.release),
        latest: 0,
        cost: 0,
      },
    ];
    for (let left = jobs.reduce((sum, j) => sum + j.operations.length, 0); left > 0; left--) {
      const kept = new Map<string, State[]>();
      for (const state of layer) for (const next of this.followers(state)) keep(kept, next);
      layer = [...kept.values()].flat();
    }
    for (const s of layer) this.least = Math.min(this.least, s.cost);
    return this.least;
  }

  private *followers(state: State): Generator<State> {
    for (const [j, job] of this.problem.jobs.entries()) {
      const o = job.operations[state.done[j] ?? 0];
      if (!o) continue;
      for (const { person, minutes } of o.choices) {
        const next = this.placed(state, j, job, o, this.people.get(person) ?? 0, minutes);
        if (next && next.cost + this.leastRest(next) < this.least - 1e-9) yield next;
      }
    }
  }

  private placed(s: State, j: number, job: ScheduleJob, o: ScheduleOperation, p: number, minutes: number) {
    const { objective, setup: change, stations } = this.problem;
    const calendar = this.calendars[p];
    const station = o.station === undefined ? undefined : this.stations.get(o.station);
    if (!calendar || (station !== undefined && stations[station]?.capacity !== 1)) return undefined;
    const before = this.setUps[s.setUp[p] ?? -1]?.setupState;
    const parts = ["pattern", "thread", "hook"] as const;
    const setup = parts.reduce((sum, k) => sum + (o.setupState && before?.[k] !== o.setupState[k] ? change[k] : 0), 0);
    const from = Math.max(s.ready[j] ?? 0, station === undefined ? 0 : (s.stationFree[station] ?? 0));
    const index = Math.max((s.free[p] ?? 0) + setup, calendar.indexAt(from));
    const last = calendar.clockAt(index + minutes - 1);
    if (last === undefined) return undefined;
    const end = last + 1;
    const over = end + (o.dry?.minutes ?? 0);
    const isOver = job.operations.length === (s.done[j] ?? 0) + 1;
    const late = isOver ? job.weight * Math.max(0, over - job.due) : 0;
    const latest = Math.max(s.latest, isOver ? over : 0);
    const flow = isOver ? over - job.release : 0;
    return {
      done: s.done.with(j, (s.done[j] ?? 0) + 1),
      free: s.free.with(p, index + minutes),
      setUp: o.setupState ? s.setUp.with(p, this.setUps.indexOf(o)) : s.setUp,
      stationFree: station === undefined ? s.stationFree : s.stationFree.with(station, end),
      ready: s.ready.with(j, over),
      latest,
      cost:
        s.cost +
        objective.tardiness * late +
        objective.setup * setup +
        objective.flow * flow +
        objective.makespan * (latest - s.latest),
    };
  }

  /** What the jobs that are not over cost at least, if nothing but their own work had to be waited for. */
  private leastRest(s: State): number {
    const { jobs, objective } = this.problem;
    return jobs.reduce((sum, job, j) => {
      const rest = job.operations.slice(s.done[j] ?? 0);
      if (rest.length === 0) return sum;
      const at = rest.reduce(
        (t, o) => t + Math.min(...o.choices.map((c) => c.minutes)) + (o.dry?.minutes ?? 0),
        s.ready[j] ?? 0,
      );
      return sum + objective.tardiness * job.weight * Math.max(0, at - job.due) + objective.flow * (at - job.release);
    }, 0);
  }
}

/** Keeps a beginning unless another is as good everywhere, in place of those that it is as good as. */
function keep(kept: Map<string, State[]>, next: State): void {
  const key = `${next.done.join()}|${next.setUp.join()}`;
  const others = kept.get(key) ?? [];
  if (others.some((o) => isNoWorse(o, next))) return;
  kept.set(key, [...others.filter((o) => !isNoWorse(next, o)), next]);
}

const isNoWorse = (a: State, b: State): boolean =>
  a.cost <= b.cost &&
  a.latest <= b.latest &&
  a.free.every((x, i) => x <= (b.free[i] ?? 0)) &&
  a.stationFree.every((x, i) => x <= (b.stationFree[i] ?? 0)) &&
  a.ready.every((x, i) => x <= (b.ready[i] ?? 0));

import type { Model } from "./model";
import type { Plan } from "./plan";
import type { Random } from "../../numeric";

/** Of each job: who does its main work, and how early among what that person does. */
export interface Outline {
  /** The main operation of each job. */
  main: Int32Array;
  /** The jobs of each person, in their order. */
  turns: number[][];
  /** When the main operation of each job begins. */
  starts: Float64Array;
}

/**
 * The main operation of each job is the one that takes longest: tying. The order of these decides nearly all where it
 * is most of the work, and much of it where it is not; and an outline, in which all else is a wait before and after
 * it, is tried a hundred times as fast as a whole plan.
 */
export function mainOperations(m: Model): Int32Array {
  return Int32Array.from({ length: m.jobs }, (_, j) => {
    let main = m.firstOp[j]!;
    for (let o = main + 1; o < m.firstOp[j + 1]!; o++) if (m.leastMinutes(o) > m.leastMinutes(main)) main = o;
    return main;
  });
}

/**
 * The order of the main operations, improved by annealing. What happens before and after them is taken from a whole
 * plan: when each could begin, how long it took from its end to the end of the job, and how much of their hours
 * people spend on everything else.
 */
export class OutlineSearch {
  private readonly head: Float64Array;
  private readonly tail: Float64Array;
  private readonly slow: Float64Array;
  private readonly turns: number[][];
  private readonly by: Int32Array;
  /** What the turns of each person cost. */
  private readonly costs: Float64Array;

  constructor(
    private readonly m: Model,
    plan: Plan,
    private readonly main: Int32Array,
    lean = 1,
  ) {
    this.head = new Float64Array(m.jobs);
    this.tail = new Float64Array(m.jobs);
    this.by = Int32Array.from(main, (o) => plan.who[o]!);
    const whole = new Float64Array(m.people);
    const own = new Float64Array(m.people);
    for (let o = 0; o < m.ops; o++) {
      const p = plan.who[o]!;
      const minutes = m.minutes[o * m.people + p]!;
      whole[p]! += minutes;
      if (main[m.jobOf[o]!] === o) own[p]! += minutes;
    }
    this.slow = whole.map((w, p) => (own[p]! > 0 ? w / own[p]! : 1));
    for (let j = 0; j < m.jobs; j++) {
      const o = main[j]!;
      const first = m.firstOp[j]!;
      // Preparation can be done as soon as the job is released: it does not wait as it did in the plan.
      let head = m.release[j]!;
      for (let x = first; x < o; x++) head += plan.end[x]! - this.startOf(plan, x) + m.dry[x]!;
      this.head[j] = head;
      const last = m.firstOp[j + 1]! - 1;
      let least = m.dry[o]!;
      for (let x = o + 1; x <= last; x++) least += m.leastMinutes(x) + m.dry[x]!;
      const was = Math.max(least, plan.end[last]! + m.dry[last]! - plan.end[o]!);
      this.tail[j] = least + lean * (was - least);
    }
    this.turns = Array.from({ length: m.people }, () => []);
    const inTime = Array.from(main.keys()).sort((a, b) => plan.end[main[a]!]! - plan.end[main[b]!]! || a - b);
    for (const j of inTime) this.turns[this.by[j]!]!.push(j);
    this.costs = Float64Array.from(this.turns, (_, p) => this.costOf(p));
  }

  private startOf(plan: Plan, o: number): number {
    return this.m.hours.clockAt(plan.who[o]!, plan.index[o]!);
  }

  /** What the jobs of a person cost when they do them in this order. */
  private costOf(p: number): number {
    const { m } = this;
    const { objective, horizon } = m.problem;
    let free = 0;
    let state = m.initial[p]!;
    let cost = 0;
    for (const j of this.turns[p]!) {
      const o = this.main[j]!;
      const change = m.changeOverTo(state, m.setup[o]!);
      if (m.setup[o]! >= 0) state = m.setup[o]!;
      const ready = m.hours.indexAt(p, this.head[j]!);
      free = Math.max(free + change, ready) + Math.ceil(m.minutes[o * m.people + p]! * this.slow[p]!);
      const end = m.hours.clockAt(p, free - 1) + 1;
      const at = end + this.tail[j]!;
      const late = at - m.due[j]!;
      cost += objective.setup * change + objective.flow * at;
      if (late > 0) cost += objective.tardiness * m.weight[j]! * late;
      if (end > horizon) cost += 1e9 + 1e6 * (end - horizon);
    }
    return cost;
  }

  /** @param most how many changes are tried */
  run(random: Random, most: number, isOver: () => boolean, warmth = 0.3): Outline {
    const { turns, costs, m, by } = this;
    let cost = costs.reduce((sum, c) => sum + c, 0);
    let best = cost;
    let bestTurns = turns.map((t) => [...t]);
    const hot = Math.max(1, (cost / m.jobs) * warmth);
    const cold = hot / 300;
    for (let i = 0; i < most; i++) {
      if (i % 512 === 0 && isOver()) break;
      const heat = hot * (cold / hot) ** (i / most);
      const limit = -heat * Math.log(1 - random.next());
      const j = random.below(m.jobs);
      const p = by[j]!;
      const at = turns[p]!.indexOf(j);
      const isSwap = random.below(3) === 0;
      const o = this.main[j]!;
      const from = m.choicesFrom[o]!;
      const q = random.below(2) === 0 ? p : m.choices[from + random.below(m.choicesFrom[o + 1]! - from)]!;
      const list = turns[q]!;
      let to =
        p === q ? at + this.step(random) : this.placeIn(list, turns[p]!.length > 1 ? at / turns[p]!.length : 0, random);
      to = Math.max(0, Math.min(list.length - (p === q ? 1 : 0), to));
      const other = list[to];
      if (isSwap && other !== undefined && other !== j) {
        if (p !== q && m.minutes[this.main[other]! * m.people + p] === 0) continue;
        list[to] = j;
        turns[p]![at] = other;
        by[j] = q;
        by[other] = p;
        const [a, b] = [this.costOf(p), p === q ? 0 : this.costOf(q)];
        const more = a - costs[p]! + (p === q ? 0 : b - costs[q]!);
        if (more <= limit) {
          cost += more;
          costs[p] = a;
          if (p !== q) costs[q] = b;
        } else {
          turns[p]![at] = j;
          list[to] = other;
          by[j] = p;
          by[other] = q;
        }
      } else {
        if (p === q && to === at) continue;
        turns[p]!.splice(at, 1);
        list.splice(to, 0, j);
        by[j] = q;
        const [a, b] = [this.costOf(p), p === q ? 0 : this.costOf(q)];
        const more = a - costs[p]! + (p === q ? 0 : b - costs[q]!);
        if (more <= limit) {
          cost += more;
          costs[p] = a;
          if (p !== q) costs[q] = b;
        } else {
          list.splice(to, 1);
          turns[p]!.splice(at, 0, j);
          by[j] = p;
        }
      }
      if (cost < best - 1e-6) {
        best = cost;
        bestTurns = turns.map((t) => [...t]);
      }
    }
    bestTurns.forEach((t, p) => (turns[p] = t));
    return { main: this.main, turns: bestTurns, starts: this.starts() };
  }

  private starts(): Float64Array {
    const { m } = this;
    const starts = new Float64Array(m.jobs);
    this.turns.forEach((jobs, p) => {
      let free = 0;
      for (const j of jobs) {
        const begin = Math.max(free, m.hours.indexAt(p, this.head[j]!));
        starts[j] = m.hours.clockAt(p, begin);
        free = begin + Math.ceil(m.minutes[this.main[j]! * m.people + p]! * this.slow[p]!);
      }
    });
    return starts;
  }

  private step(random: Random): number {
    const far = 1 + Math.floor(1 / (random.next() + 0.03));
    return random.below(2) === 0 ? far : -far;
  }

  private placeIn(list: number[], part: number, random: Random): number {
    return Math.round(part * list.length) + (random.below(7) - 3);
  }
}

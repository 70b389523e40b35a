import type { Model } from "./model";
import { NONE } from "./model";
import { Moves } from "./moves";
import type { Plan } from "./plan";
import type { Random } from "../../numeric";

/** How long a search goes on. */
export interface Effort {
  /** Between 0 and 1: how much of its time or its iterations is over. 1 ends it. */
  spent: (iterations: number) => number;
  /** How many changes will be tried, where that is known. */
  expected?: number;
  /** So few changes are tried that hardly any may be spent on seeing what they usually cost. */
  isShort?: boolean;
  /** Told now and then. */
  told: (iterations: number, cost: number) => void;
  /** No plan can cost less: there is nothing to look for below it. */
  bound: number;
}

/** The best list of a search, and who does what in it. */
export interface Found {
  list: Int32Array;
  who: Int32Array;
  cost: number;
  iterations: number;
}

const LOOK_EVERY = 64;
const STRAIGHTEN_EVERY = 100;

/**
 * Simulated annealing with returns to the best plan: a change that costs more is kept with probability exp(−Δ ÷ T),
 * and T falls over the time that is given. The drawn number is turned into the most that a plan may cost before it is
 * placed, so that most of what is refused is seen to be too dear half way.
 *
 * Source: S. Kirkpatrick, C. D. Gelatt and M. P. Vecchi, Science 220 (1983); the changes along critical paths follow
 * P. J. M. van Laarhoven, E. H. L. Aarts and J. K. Lenstra, Operations Research 40 (1992), and E. Nowicki and C.
 * Smutnicki, Management Science 42 (1996).
 */
export function anneal(m: Model, plan: Plan, random: Random, effort: Effort): Found {
  const moves = new Moves(m, plan, random);
  const best: Found = { list: plan.list.slice(), who: plan.who.slice(), cost: plan.cost, iterations: 0 };
  const [hot, cold] = temperatures(m, plan, moves, best, effort);
  const begun = Math.min(0.99, effort.spent(0));
  let iterations = 0;
  let heat = hot;
  let kept = 0;
  for (;;) {
    if (iterations % LOOK_EVERY === 0) {
      const spent = effort.spent(iterations);
      if (spent >= 1 || best.cost <= effort.bound) break;
      heat = hot * (cold / hot) ** ((spent - begun) / (1 - begun));
      effort.told(iterations, best.cost);
    }
    iterations++;
    const most = plan.cost - heat * Math.log(1 - random.next());
    const from = moves.draw(most);
    if (from === NONE) continue;
    if (plan.try(from, most)) {
      moves.forget();
      if (plan.cost < best.cost) {
        best.cost = plan.cost;
        best.list.set(plan.list);
        best.who.set(plan.who);
      }
      if (++kept % STRAIGHTEN_EVERY === 0) plan.straighten();
    }
    plan.reset();
  }
  plan.set(best.list, best.who);
  best.iterations = iterations;
  return best;
}

const SAMPLES = 200;
const MOST_SAMPLES = 2000;
const WARM_UP = 0.02;

/** From what change usually costs: so hot that a quarter of the usual ones are kept, and so cold that hardly any is. */
function temperatures(m: Model, plan: Plan, moves: Moves, start: Found, effort: Effort): [hot: number, cold: number] {
  const dearer: number[] = [];
  const begun = effort.spent(0);
  // The first changes are slow, as the program is still being compiled: only the second half is timed.
  let middle = begun;
  let timed = 0;
  const isWarm = () => effort.expected !== undefined || effort.spent(0) >= Math.min(1, begun + WARM_UP);
  const samples = effort.isShort ? SAMPLES / 8 : SAMPLES;
  for (let i = 0; i < samples || !isWarm(); i++) {
    timed++;
    if (middle === begun && i >= samples / 2 && effort.spent(0) > begun + WARM_UP / 2) {
      middle = effort.spent(0);
      timed = 0;
    }
    const from = moves.draw(Infinity);
    if (from === NONE) continue;
    const before = plan.cost;
    plan.try(from, before + start.cost);
    moves.forget();
    plan.reset();
    const more = plan.cost - before;
    if (more > 0 && more < 1e9 && dearer.length < MOST_SAMPLES) dearer.push(more);
    if (plan.cost > start.cost * 2 + 1) {
      plan.set(start.list, start.who);
      plan.reset();
    }
  }
  plan.set(start.list, start.who);
  plan.reset();
  moves.forget();
  dearer.sort((a, b) => a - b);
  const usual = dearer[Math.floor(dearer.length / 2)] ?? Math.max(1, start.cost / 100);
  const typical = Math.min(usual, start.cost / m.jobs);
  const left = effort.expected ?? (timed * (1 - effort.spent(0))) / Math.max(1e-9, effort.spent(0) - middle);
  const many = Math.min(1, left / m.ops / 100);
  return [typical * HOT * many, Math.max(typical * COLD * many, 1e-6)];
}
const HOT = 0.6;
const COLD = 0.02;

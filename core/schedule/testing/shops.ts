import type { ScheduleProblem } from "../types";

/**
 * Public benchmark problems as problems of this class: one person for each machine, no change-overs, only the end of
 * all work counts. Made anew from their published generator and seeds.
 *
 * Source: É. Taillard, European Journal of Operational Research 64 (1993), pp. 278–285.
 */
class Generator {
  constructor(private state: number) {}

  /** A whole number from low to high, by the minimal standard generator. */
  next(low: number, high: number): number {
    const [m, a, b, c] = [2147483647, 16807, 127773, 2836];
    const k = Math.floor(this.state / b);
    this.state = a * (this.state % b) - k * c;
    if (this.state < 0) this.state += m;
    return low + Math.floor((this.state / m) * (high - low + 1));
  }
}

export interface Benchmark {
  problem: ScheduleProblem;
  /** The best makespan that is known; of the flow shops, with the same order on all machines. */
  best: number;
}

const flowSeeds = [
  873654221, 379008056, 1866992158, 216771124, 495070989, 402959317, 1369363414, 2021925980, 573109518, 88325120,
];
const flowBest = [1278, 1359, 1081, 1293, 1235, 1195, 1234, 1206, 1230, 1108];

/** The ten flow shops of 20 jobs and 5 machines. */
export function flowShops(): Benchmark[] {
  return flowSeeds.map((seed, i) => {
    const random = new Generator(seed);
    const minutes = grid(5, 20, () => random.next(1, 99));
    return {
      best: flowBest[i] ?? 0,
      problem: shop(
        20,
        5,
        (_, k) => k,
        (j, k) => minutes[k]?.[j] ?? 1,
      ),
    };
  });
}

const jobSeeds: [times: number, machines: number][] = [
  [840612802, 398197754],
  [1314640371, 386720536],
  [1227221349, 316176388],
  [342269428, 1806358582],
  [1603221416, 1501949241],
  [1357584978, 1734077082],
];
const jobBest = [1231, 1244, 1218, 1175, 1224, 1238];

/** The first six job shops of 15 jobs and 15 machines. */
export function jobShops(): Benchmark[] {
  return jobSeeds.map(([times, machines], i) => {
    const random = new Generator(times);
    const minutes = grid(15, 15, () => random.next(1, 99));
    const shuffle = new Generator(machines);
    const order = Array.from({ length: 15 }, () => {
      const row = Array.from({ length: 15 }, (_, k) => k);
      row.forEach((_, k) => {
        const other = shuffle.next(k, 14);
        [row[k], row[other]] = [row[other] ?? 0, row[k] ?? 0];
      });
      return row;
    });
    return {
      best: jobBest[i] ?? 0,
      problem: shop(
        15,
        15,
        (j, k) => order[j]?.[k] ?? 0,
        (j, k) => minutes[j]?.[k] ?? 1,
      ),
    };
  });
}

const grid = (rows: number, columns: number, of: () => number): number[][] =>
  Array.from({ length: rows }, () => Array.from({ length: columns }, of));

function shop(
  jobs: number,
  machines: number,
  who: (j: number, k: number) => number,
  minutes: (j: number, k: number) => number,
): ScheduleProblem {
  const horizon = 100_000;
  return {
    horizon,
    people: Array.from({ length: machines }, (_, i) => ({ id: `m${i}`, windows: [[0, horizon]] })),
    stations: [],
    racks: [],
    jobs: Array.from({ length: jobs }, (_, j) => ({
      id: `j${j}`,
      release: 0,
      due: 0,
      weight: 1,
      operations: Array.from({ length: machines }, (_, k) => ({
        id: `j${j}.${k}`,
        kind: "tie" as const,
        choices: [{ person: `m${who(j, k)}`, minutes: minutes(j, k) }],
      })),
    })),
    setup: { pattern: 0, thread: 0, hook: 0 },
    objective: { tardiness: 0, setup: 0, flow: 0, makespan: 1 },
  };
}

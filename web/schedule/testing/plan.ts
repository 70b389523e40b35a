import type { Plan } from "@kasten/contract/schedule";
import type { Trial } from "../plan.worker";
import * as things from "../../testing/things";

/** A small plan for mounted screens: two people, three batches, eight days. */
export const DAY = 1440;
export const [ada, bo] = [things.id(1), things.id(2)];
export const batch = (n: number, of: Partial<Plan["batches"][number]> = {}): Plan["batches"][number] => ({
  id: things.id(10 + n),
  number: n,
  patternName: "Yard Nymph",
  size: "12",
  owed: 24,
  left: 26,
  due: "2026-11-30",
  ready: "2026-11-25",
  readyAt: 3 * DAY,
  lateDays: 0,
  held: null,
  waitsFor: null,
  odds: 0.97,
  day90: "2026-11-26",
  breaks: "",
  pin: null,
  ...of,
});
export const work = (n: number, of: Partial<Plan["work"][number]> = {}): Plan["work"][number] => ({
  id: `${things.id(10 + n)}:tie`,
  batch: things.id(10 + n),
  number: n,
  patternName: "Yard Nymph",
  size: "12",
  kind: "tie",
  person: ada,
  setupStart: 540,
  start: 550,
  end: 700,
  setupMinutes: 10,
  dryUntil: null,
  colour: null,
  ...of,
});
export const plan = (of: Partial<Plan> = {}): Plan => ({
  days: Array.from({ length: 10 }, (_, i) => ({ minute: i * DAY, date: `2026-11-${23 + i}` })).slice(0, 8),
  origin: "2026-11-22T23:00:00Z",
  now: 500,
  people: [
    {
      id: ada,
      name: "Ada Quarry",
      windows: [
        [540, 720],
        [DAY + 540, DAY + 720],
      ],
    },
    { id: bo, name: "Bo Fell", windows: [[600, 720]] },
  ],
  work: [work(1), work(2, { person: bo, start: 620, end: 700 })],
  batches: [batch(1), batch(2), batch(3)],
  cost: { total: 100, tardiness: 0, setup: 10, flow: 50, makespan: 40 },
  lowerBound: 80,
  changeOverMinutes: 20,
  violations: [],
  revision: 7,
  published: null,
  differences: [],
  ...of,
});
export const over = (lateDays: number) => ({ at: 4 * DAY, lateBy: lateDays * DAY });
export const trialOf = (of: Partial<Trial> = {}): Trial => ({
  plan: {
    assignments: [{ operation: work(1).id, person: bo, setupStart: 600, start: 610, end: 700, setupMinutes: 0 }],
    completions: [],
    cost: { total: 0, tardiness: 0, setup: 0, flow: 0, makespan: 0 },
    lowerBound: 0,
    iterations: 0,
    unscheduled: [],
  },
  difference: { jobs: [], setupMinutes: 0, cost: 0 },
  odds: {},
  broken: [],
  ...of,
});

import { describe, expect, test } from "vitest";
import { checkSchedule } from "../check";
import { solveSchedule } from "../solve";
import { tyingRoom } from "../testing/rooms";
import type { ScheduleOperation, ScheduleProblem } from "../types";
import { assignmentCost } from "./assignment";
import { lowerBound } from "./bound";
import { construct, rules } from "./construct";
import { Hours, inOrder } from "./hours";
import { Model, NONE } from "./model";
import { Moves } from "./moves";
import { Plan } from "./plan";
import { RackLine } from "./rackLine";
import { Random } from "../../numeric";

const begun = (problem: ScheduleProblem): Plan => {
  const m = new Model(problem, problem.jobs);
  const plan = new Plan(m);
  construct(m, plan.decoder, { name: "due first", isEager: true });
  plan.set(plan.decoder.order.slice(), plan.decoder.who.slice());
  plan.reset();
  return plan;
};

describe("Hours", () => {
  const windows: [number, number][] = [
    [200, 300],
    [60, 160],
    [140, 170],
    [390, 900],
  ];
  test("windows are put in order, joined where they overlap and cut off at the horizon", () =>
    expect(inOrder([...windows, [-20, 5], [7, 7]], 400)).toEqual([
      [0, 5],
      [60, 170],
      [200, 300],
      [390, 400],
    ]));
  test("index and minute are each other's inverse, up to the horizon and beyond it, with tables and without", () => {
    const small = new Hours([windows, [[0, 400]], []], 400);
    const large = new Hours(
      Array.from({ length: 25_000 }, () => windows),
      400,
    );
    for (const hours of [small, large]) {
      for (let i = 0; i < hours.total[0]! + 30; i++) expect(hours.indexAt(0, hours.clockAt(0, i))).toBe(i);
      expect([59, 60, 169, 170, 199, 200, 400, 410].map((t) => hours.indexAt(0, t))).toEqual([
        0, 0, 109, 110, 110, 110, 220, 230,
      ]);
    }
    expect(small.indexAt(2, 100)).toBe(0);
    expect(small.clockAt(2, 3), "nobody's hours begin at the horizon").toBe(403);
    expect([59, 60, 169, 170, 400].map((t) => small.isWorking(0, t))).toEqual([false, true, true, false, false]);
  });
});

describe("RackLine", () => {
  test("tells from when there is room: for good, for a while, or not before somebody takes flies off", () => {
    const rack = new RackLine();
    const wait = { at: 0, by: 0 };
    rack.clear();
    rack.change(100, 30, 1);
    rack.change(200, -30, 2);
    rack.change(150, 20, 3);
    expect(rack.freeFrom(0, RackLine.FOR_EVER, 15, wait), "twenty stay for good").toBe(false);
    expect(rack.freeFrom(0, RackLine.FOR_EVER, 20, wait)).toBe(true);
    expect(wait).toEqual({ at: 200, by: 2 });
    expect(rack.freeFrom(10, 90, 0, wait)).toBe(true);
    expect(wait, "dry again before the others come").toEqual({ at: 10, by: -1 });
    expect(rack.freeFrom(10, 91, 0, wait), "a minute too long").toBe(false);
    expect(rack.freeFrom(120, 500, 49, wait)).toBe(true);
    expect(wait).toEqual({ at: 200, by: 2 });
  });
});

describe("assignmentCost", () => {
  const byTrying = (costs: number[][], used = 0, i = 0): number =>
    i === costs.length
      ? 0
      : Math.min(
          ...costs[i]!.flatMap((c, k) => (used & (1 << k) ? [] : [c + byTrying(costs, used | (1 << k), i + 1)])),
        );
  test("is the least of all assignments (fixed seeds)", () => {
    for (let seed = 1; seed <= 60; seed++) {
      const random = new Random(seed);
      const n = random.below(7);
      const costs = Array.from({ length: n }, () => Array.from({ length: n }, () => random.below(50)));
      expect(
        assignmentCost(n, (i, k) => costs[i]![k]!),
        `seed ${seed}`,
      ).toBe(byTrying(costs));
    }
  });
});

describe("a plan under search", () => {
  const orderFault = (m: Model, list: Int32Array): string | undefined => {
    const at = new Int32Array(m.ops).fill(NONE);
    list.forEach((o, i) => (at[o] = i));
    if (at.includes(NONE)) return "an operation is missing";
    for (let o = 0; o < m.ops; o++)
      for (const before of m.predsOf(o)) if (at[before]! > at[o]!) return `${o} stands before ${before}`;
    return undefined;
  };
  test.each([
    ["with racks", tyingRoom(3, { jobs: 12, people: 3, days: 14, rack: 100 })],
    ["with parallel ties", withParallel(tyingRoom(4, { jobs: 9, people: 3, days: 14, rack: 100 }))],
    ["with pins", withPin(tyingRoom(5, { jobs: 9, people: 3, days: 14, rack: 400 }))],
  ])(
    "whatever is changed, the list holds each operation once behind what it waits for, and costs what it costs afresh: %s",
    (_, problem) => {
      const plan = begun(problem);
      const random = new Random(11);
      const moves = new Moves(plan.m, plan, random);
      const fresh = new Plan(plan.m);
      let kept = 0;
      for (let i = 0; i < 1500; i++) {
        const from = moves.draw(Infinity);
        if (from === NONE) continue;
        expect(orderFault(plan.m, plan.next), `change ${i}`).toBeUndefined();
        for (let k = 0; k < from; k++) expect(plan.next[k]).toBe(plan.list[k]);
        if (plan.try(from, plan.cost * 1.05 + 100)) {
          kept++;
          moves.forget();
          fresh.set(plan.list, plan.who);
          expect(fresh.cost, `change ${i}`).toBeCloseTo(plan.cost, 4);
        }
        plan.reset();
      }
      expect(kept).toBeGreaterThan(100);
    },
  );
  test("in the order of time the list makes the same plan", () => {
    const plan = begun(tyingRoom(6, { jobs: 14, people: 4, days: 14, rack: 120 }));
    const before = plan.cost;
    plan.straighten();
    expect(plan.cost).toBeCloseTo(before, 6);
    const begin = (o: number) =>
      plan.m.rack[o]! >= 0 ? plan.end[o]! : plan.m.hours.clockAt(plan.who[o]!, plan.index[o]!);
    const times = [...plan.list].map(begin);
    expect(times).toEqual([...times].sort((a, b) => a - b));
  });
});

describe("lowerBound", () => {
  test("is never above what any plan costs, and near the best one for a few batches (fixed seeds)", () => {
    let near = 0;
    for (let seed = 1; seed <= 12; seed++) {
      const problem = tyingRoom(seed, { jobs: 5, people: 3, days: 20, rack: 200 });
      const m = new Model(problem, problem.jobs);
      const bound = lowerBound(m);
      const plan = new Plan(m);
      for (const rule of rules) {
        construct(m, plan.decoder, rule);
        expect(plan.decoder.total(), `seed ${seed}, ${rule.name}`).toBeGreaterThanOrEqual(bound - 1e-6);
      }
      const best = solveSchedule(problem, { seed: 1, iterations: 3000 });
      expect(best.cost.total).toBeGreaterThanOrEqual(bound - 1e-6);
      near += best.lowerBound / best.cost.total / 12;
    }
    expect(near).toBeGreaterThan(0.6);
  });
});

/** A tie shared between two people: two operations that may run at the same time, both before the coat. */
function withParallel(problem: ScheduleProblem): ScheduleProblem {
  return {
    ...problem,
    jobs: problem.jobs.map((j) => ({
      ...j,
      operations: j.operations.flatMap((o): ScheduleOperation[] => {
        const prep = j.operations.find((x) => x.kind === "prep")?.id ?? "";
        if (o.kind === "tie") return [o, { ...o, id: `${o.id}2`, after: [prep] }];
        return o.kind === "coat" ? [{ ...o, after: [`${j.id}.tie`, `${j.id}.tie2`] }] : [o];
      }),
    })),
  };
}

function withPin(problem: ScheduleProblem): ScheduleProblem {
  return {
    ...problem,
    jobs: problem.jobs.map((j, i) => {
      if (i > 0) return j;
      const operations = j.operations.map((o) =>
        o.kind === "tie" ? { ...o, pinned: { person: o.choices[0]!.person, start: 2 * 1440 + 8 * 60 + 7 } } : o,
      );
      return { ...j, release: 0, operations };
    }),
  };
}

describe("the search", () => {
  test("parallel operations, pins and racks come out as the rules want them, whatever the seed", () => {
    for (let seed = 1; seed <= 6; seed++) {
      const room = tyingRoom(seed, { jobs: 8, people: 3, days: 20, rack: 96 });
      for (const problem of [withParallel(room), withPin(room), withPin(withParallel(room))]) {
        const result = solveSchedule(problem, { seed, iterations: 1500 });
        expect(checkSchedule(problem, result), `seed ${seed}`).toEqual([]);
      }
    }
  });
});

import { describe, expect, test } from "vitest";
import { groupBy } from "../numeric";
import { checkSchedule } from "./check";
import { solveSchedule } from "./solve";
import { tyingRoom } from "./testing/rooms";
import type { ScheduleProblem, ScheduleResult } from "./types";
import { waysOut } from "./waysOut";
import { differenceOf, whatIf, withChanges } from "./whatIf";

const day = 1440;
const roomOf = (seed: number) => tyingRoom(seed, { jobs: 14, people: 3, days: 60, rack: seed % 2 === 0 ? 120 : 5000 });
const solved = (problem: ScheduleProblem, iterations = 1500) => solveSchedule(problem, { seed: 1, iterations });
/** Of each person, what they do in which order. */
const turns = (r: ScheduleResult) =>
  new Map(
    [...groupBy(r.assignments, (a) => a.person)].map(([p, own]) => [
      p,
      [...own].sort((a, b) => a.start - b.start).map((a) => a.operation),
    ]),
  );

describe("a plan to begin with", () => {
  test("is made again as it was when nothing is tried", () => {
    for (let seed = 1; seed <= 12; seed++) {
      const problem = roomOf(seed);
      const plan = solved(problem);
      const again = solveSchedule(problem, { seed: 9, iterations: 0, start: plan.assignments });
      // Where two begin at once, which comes first is not told by their times: a few minutes may be lost.
      expect(again.cost.total, `room ${seed}`).toBeLessThanOrEqual(plan.cost.total * 1.0005);
      if (again.cost.total === plan.cost.total) expect(turns(again)).toEqual(turns(plan));
      expect(checkSchedule(problem, again)).toEqual([]);
    }
  });
  test("is never made worse, and what is tried about it stays near it", () => {
    for (let seed = 1; seed <= 6; seed++) {
      const problem = roomOf(seed);
      const plan = solved(problem, 300);
      const better = solveSchedule(problem, { seed: 1, iterations: 2000, start: plan.assignments, isRepair: true });
      expect(better.cost.total, `room ${seed}`).toBeLessThanOrEqual(plan.cost.total + 1e-9);
      expect(checkSchedule(problem, better)).toEqual([]);
    }
  });
  test("takes in jobs that it does not know, and passes over those that are gone", () => {
    const problem = roomOf(3);
    const plan = solved({ ...problem, jobs: problem.jobs.slice(0, 11) });
    const later = { ...problem, jobs: problem.jobs.slice(2) };
    const result = solveSchedule(later, { seed: 1, iterations: 0, start: plan.assignments });
    expect(checkSchedule(later, result)).toEqual([]);
    expect(result.completions).toHaveLength(12);
  });
  test("gives the work of whoever has gone to somebody else", () => {
    const problem = roomOf(5);
    const plan = solved(problem);
    const [gone] = problem.people;
    const later = {
      ...problem,
      people: problem.people.slice(1),
      jobs: problem.jobs.map((j) => ({
        ...j,
        operations: j.operations.map((o) => ({ ...o, choices: o.choices.filter((c) => c.person !== gone?.id) })),
      })),
    };
    const result = solveSchedule(later, { seed: 1, iterations: 0, start: plan.assignments });
    expect(checkSchedule(later, result)).toEqual([]);
    expect(result.assignments.some((a) => a.person === gone?.id)).toBe(false);
  });
});

describe("what if", () => {
  const problem = roomOf(2);
  const plan = solved(problem);
  const tie = problem.jobs[4]!.operations[1]!;

  test("somebody does it then: it stays just there, and the rest is planned about it", () => {
    const { person } = tie.choices[0]!;
    const { problem: other, plan: moved } = whatIf(
      problem,
      plan,
      [{ do: "move", operation: tie.id, person, start: 12 * day + 100 }],
      { seed: 1, iterations: 800 },
    );
    expect(checkSchedule(other, moved)).toEqual([]);
    const at = moved.assignments.find((a) => a.operation === tie.id);
    expect(at?.person).toBe(person);
    // Nobody works at 1:40 in the night: the first working minute after it.
    expect(at?.start).toBe(
      problem.people.find((p) => p.id === person)?.windows.find(([a]) => a >= 12 * day + 100)?.[0],
    );
    expect(differenceOf(plan, moved).jobs.map((j) => j.job)).toContain("j4");
  });
  test("is not before what must come first", () => {
    const [p] = tie.choices;
    const moved = withChanges(problem, [{ do: "move", operation: tie.id, person: p!.person, start: 0 }]);
    const pinned = moved.jobs[4]!.operations[1]!.pinned!;
    const prep = problem.jobs[4]!.operations[0]!;
    expect(pinned.start).toBeGreaterThanOrEqual(
      problem.jobs[4]!.release + Math.min(...prep.choices.map((c) => c.minutes)),
    );
  });
  test("two do it at the same time: each their share, and what follows waits for both", () => {
    const at = problem.jobs.findIndex((j) => j.operations[1]!.choices.length > 1);
    const [, both] = problem.jobs[at]!.operations;
    if (!both) throw new Error("nobody shares a fly");
    const shares = both.choices.slice(0, 2).map((c) => ({ person: c.person, share: 0.5 }));
    const own = withChanges(problem, [{ do: "split", operation: both.id, shares }]).jobs[at]!.operations;
    expect(own.map((o) => o.id.replace(/^j\d+\./, ""))).toEqual(["prep", "tie", "tie2", "coat", "inspect", "pack"]);
    expect(own[1]!.choices[0]!.minutes).toBe(Math.ceil(both.choices[0]!.minutes / 2));
    const after = own.slice(1, 4).map((o) => o.after?.map((id) => id.replace(/^j\d+\./, "")));
    expect(after).toEqual([["prep"], ["prep"], ["tie", "tie2"]]);
    const result = whatIf(problem, plan, [{ do: "split", operation: both.id, shares }], { seed: 1, iterations: 300 });
    expect(checkSchedule(result.problem, result.plan)).toEqual([]);
    for (const bad of [shares.slice(0, 1), shares.map((s) => ({ ...s, share: 0.7 }))])
      expect(() => withChanges(problem, [{ do: "split", operation: both.id, shares: bad }])).toThrow(
        expect.objectContaining({ code: "SCHEDULE_INVALID" }),
      );
  });
  test("somebody is away: nothing of theirs is left in that time", () => {
    const person = plan.assignments[0]!.person;
    const { problem: other, plan: without } = whatIf(problem, plan, [{ do: "away", person, from: 0, to: 8 * day }], {
      seed: 1,
      iterations: 500,
    });
    expect(checkSchedule(other, without)).toEqual([]);
    expect(without.assignments.filter((a) => a.person === person && a.setupStart < 8 * day)).toEqual([]);
    expect(other.people.find((p) => p.id === person)?.windows[0]?.[0]).toBeGreaterThanOrEqual(8 * day);
  });
  test("hours are added once, also where they overlap those that are worked", () => {
    const [ada] = problem.people;
    const minutes = (p: ScheduleProblem) => p.people[0]!.windows.reduce((sum, [a, b]) => sum + b - a, 0);
    const longer = withChanges(problem, [{ do: "work", person: ada!.id, from: 15 * 60, to: 18 * 60 }]);
    // 15 to 16 was worked already, but for ten minutes of rest.
    expect(minutes(longer) - minutes(problem)).toBe(130);
  });
  test.each([
    [{ do: "give", operation: "nothing", person: "p0" }],
    [{ do: "give", operation: "j4.tie", person: "nobody" }],
    [{ do: "away", person: "nobody", from: 0, to: 10 }],
    [{ do: "places", station: "nothing", places: 2 }],
    [{ do: "move", operation: "j4.tie", person: tie.choices[0]!.person, start: 59 * day + 1439 }],
  ] as const)("of what is not there is refused: %j", (change) => {
    expect(() => withChanges(problem, [change])).toThrow(expect.objectContaining({ code: "SCHEDULE_INVALID" }));
  });
  test("a difference from itself is none", () => {
    expect(differenceOf(plan, plan)).toEqual({ jobs: [], setupMinutes: 0, cost: 0 });
  });
});

describe("ways out of lateness", () => {
  /** Two tiers from Monday to Friday, four hours a day; one batch of 20 hours due on Saturday night. */
  const week = (days: number[]): [number, number][] => days.map((d) => [d * day + 480, d * day + 720]);
  const work = [0, 1, 2, 3, 4, 7, 8, 9, 10, 11];
  const late = (choices: { person: string; minutes: number }[]): ScheduleProblem => ({
    horizon: 14 * day,
    people: [
      { id: "ada", windows: week(work) },
      { id: "bo", windows: week(work) },
    ],
    stations: [],
    racks: [],
    jobs: [{ id: "b", release: 0, due: 6 * day, weight: 1, operations: [{ id: "b:tie", kind: "tie", choices }] }],
    setup: { pattern: 0, thread: 0, hook: 0 },
    objective: { tardiness: 1, setup: 1, flow: 0.001, makespan: 0 },
  });
  const ways = (problem: ScheduleProblem) => waysOut(problem, solved(problem, 50), "b", { seed: 1, iterations: 100 });

  test("are none for what is on time", () => {
    expect(ways(late([{ person: "ada", minutes: 1000 }]))).toEqual([]);
  });
  test("are an evening or the Saturday morning, each tried, where two hours are missing", () => {
    const found = ways(late([{ person: "ada", minutes: 1320 }]));
    expect(found.every((w) => w.lateBy === 0 && w.harmed.length === 0)).toBe(true);
    expect(found.map((w) => w.changes)).toContainEqual([
      { do: "work", person: "ada", from: 5 * day + 540, to: 5 * day + 780 },
    ]);
    expect(found.map((w) => w.changes)).toContainEqual([{ do: "work", person: "ada", from: 720, to: 840 }]);
  });
  test("are materials that come sooner, just as much as is needed, where these are what is waited for", () => {
    const problem = late([{ person: "ada", minutes: 600 }]);
    problem.jobs[0] = { ...problem.jobs[0]!, release: 4 * day };
    expect(ways(problem).map((w) => w.changes)).toContainEqual([{ do: "deliver", job: "b", at: 2 * day }]);
  });
  test("are not an evening where four hours are missing", () => {
    const found = ways(late([{ person: "ada", minutes: 1440 }]));
    expect(found.map((w) => w.changes.map((c) => c.do === "work" && c.to - c.from))).toEqual([[240]]);
  });
  test("say what helps most where nothing helps enough", () => {
    const found = ways(late([{ person: "ada", minutes: 2000 }]));
    expect(found.length).toBeGreaterThan(0);
    expect(found.every((w) => w.lateBy > 0)).toBe(true);
  });
});

import { unscheduledSentence } from "../sentences";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { Calendar, checkSchedule, dispatch, type ScheduleProblem } from ".";

const setup = { pattern: 6, thread: 3, hook: 2 };
const objective = { tardiness: 10, setup: 1, flow: 0.01, makespan: 0.1 };

/** One person, two windows, one job that is tied, coated and packed. */
const small = (): ScheduleProblem => ({
  horizon: 4000,
  people: [
    {
      id: "ada",
      windows: [
        [60, 160],
        [200, 300],
      ],
    },
  ],
  stations: [{ id: "lacquer", capacity: 1 }],
  racks: [{ id: "rack", places: 24 }],
  setup,
  objective,
  jobs: [
    {
      id: "b1",
      release: 0,
      due: 250,
      weight: 1,
      operations: [
        {
          id: "b1.tie",
          kind: "tie",
          choices: [{ person: "ada", minutes: 60 }],
          setupState: { pattern: "p", thread: "t", hook: "h" },
        },
        {
          id: "b1.coat",
          kind: "coat",
          choices: [{ person: "ada", minutes: 10 }],
          station: "lacquer",
          dry: { minutes: 90, rack: "rack", places: 24 },
        },
        { id: "b1.pack", kind: "pack", choices: [{ person: "ada", minutes: 5 }] },
      ],
    },
  ],
});

describe("Calendar", () => {
  const calendar = new Calendar([
    [10, 20],
    [30, 35],
  ]);
  test.each([
    [0, 0],
    [10, 0],
    [15, 5],
    [20, 10],
    [25, 10],
    [30, 10],
    [34, 14],
    [99, 15],
  ])("at minute %i, %i working minutes have gone", (t, i) => expect(calendar.indexAt(t)).toBe(i));
  test.each([
    [0, 10],
    [9, 19],
    [10, 30],
    [14, 34],
    [15, undefined],
    [-1, undefined],
  ])("working minute %i is at %s", (i, t) => expect(calendar.clockAt(i)).toBe(t));
});

describe("dispatch", () => {
  test("by hand: change-over, tie, coat, drying through the pause, pack", () => {
    const result = dispatch(small());
    expect(checkSchedule(small(), result)).toEqual([]);
    const at = Object.fromEntries(
      result.assignments.map((a) => [a.operation, [a.setupStart, a.start, a.end, a.dryUntil]]),
    );
    expect(at).toEqual({
      "b1.tie": [60, 71, 131, undefined],
      "b1.coat": [131, 131, 141, 231],
      "b1.pack": [231, 231, 236, undefined],
    });
    expect(result.completions).toEqual([{ job: "b1", at: 236, lateBy: 0 }]);
  });

  test("says why a job cannot be planned, and plans the rest", () => {
    const problem = small();
    const [b1] = problem.jobs;
    if (!b1) throw new Error("no job");
    problem.jobs.push(
      { ...b1, id: "b2", operations: [{ id: "b2.tie", kind: "tie", choices: [] }] },
      { ...b1, id: "b3", operations: [{ id: "b3.tie", kind: "tie", choices: [{ person: "ada", minutes: 900 }] }] },
      {
        ...b1,
        id: "b4",
        operations: [
          {
            id: "b4.coat",
            kind: "coat",
            choices: [{ person: "ada", minutes: 5 }],
            dry: { minutes: 5, rack: "rack", places: 25 },
          },
        ],
      },
    );
    const result = dispatch(problem);
    expect(checkSchedule(problem, result)).toEqual([]);
    expect(result.completions.map((c) => c.job)).toEqual(["b1"]);
    expect(Object.fromEntries(result.unscheduled.map((u) => [u.job, unscheduledSentence(u.reason)]))).toEqual({
      b2: expect.stringContaining("Nobody in the room"),
      b3: expect.stringContaining("enough hours"),
      b4: expect.stringContaining("25 places"),
    });
  });

  const oneOf = (id: string, more: Partial<ScheduleProblem["jobs"][number]> = {}) => ({
    id,
    release: 0,
    due: 1000,
    weight: 1,
    operations: [{ id: `${id}.tie`, kind: "tie" as const, choices: [{ person: "ada", minutes: 10 }] }],
    ...more,
  });
  test("of more work than there are hours for, what is due first is planned, and the rest says why", () => {
    const jobs = Array.from({ length: 1500 }, (_, i) => oneOf(`b${i}`, { due: 100 + ((i * 7919) % 1500) }));
    const problem = { ...small(), jobs };
    const result = dispatch(problem);
    expect(checkSchedule(problem, result)).toEqual([]);
    // Two hundred working minutes, ten each.
    expect(result.completions).toHaveLength(20);
    expect(result.unscheduled).toHaveLength(1480);
    expect(new Set(result.unscheduled.map((u) => u.reason.code))).toEqual(new Set(["HOURS_USED_UP"]));
    const due = new Map(jobs.map((j) => [j.id, j.due]));
    expect(Math.max(...result.completions.map((c) => due.get(c.job) ?? 0))).toBe(119);
  });
  test("work that could not be finished is not begun: its hours go to what can be", () => {
    const [whole] = small().jobs;
    if (!whole) throw new Error("no job");
    const slow = (id: string) => ({
      ...whole,
      id,
      due: 10,
      operations: whole.operations.map((o) => ({
        ...o,
        id: o.id.replace("b1", id),
        ...(o.dry && { dry: { ...o.dry, minutes: 9000 } }),
      })),
    });
    const problem = { ...small(), jobs: [slow("s1"), slow("s2"), oneOf("quick"), whole] };
    const result = dispatch(problem);
    expect(checkSchedule(problem, result)).toEqual([]);
    expect(result.completions.map((c) => c.job).sort()).toEqual(["b1", "quick"]);
    expect(result.assignments.find((a) => a.operation === "b1.tie")?.setupStart).toBe(60);
  });
  test("a pinned operation is where it is pinned, or the job is left out", () => {
    const pinned = (id: string, start: number) =>
      oneOf(id, {
        operations: [
          { id: `${id}.tie`, kind: "tie", choices: [{ person: "ada", minutes: 10 }], pinned: { person: "ada", start } },
        ],
      });
    const problem = { ...small(), jobs: [pinned("in", 100), pinned("out", 170), oneOf("free")] };
    const result = dispatch(problem);
    expect(checkSchedule(problem, result)).toEqual([]);
    expect(result.assignments.find((a) => a.operation === "in.tie")?.start).toBe(100);
    expect(result.unscheduled).toEqual([{ job: "out", reason: { code: "PIN_IMPOSSIBLE", details: {} } }]);
  });

  test("the check finds what is wrong with a plan", () => {
    const problem = small();
    const good = dispatch(problem);
    const change = (operation: string, by: object) => ({
      ...good,
      assignments: good.assignments.map((a) => (a.operation === operation ? { ...a, ...by } : a)),
    });
    expect(checkSchedule(problem, change("b1.pack", { start: 225, setupStart: 225, end: 230 })).join()).toContain(
      "before b1.coat is over",
    );
    expect(checkSchedule(problem, change("b1.tie", { setupMinutes: 3 })).join()).toContain("wrong change-over");
    expect(checkSchedule(problem, change("b1.tie", { start: 150 })).join()).toContain("minutes, not 60");
    expect(checkSchedule(problem, { ...good, cost: { ...good.cost, total: 1 } }).join()).toContain("the cost is");
    expect(checkSchedule(problem, { ...good, lowerBound: 1e9 }).join()).toContain("lower bound");
    expect(checkSchedule({ ...problem, racks: [{ id: "rack", places: 12 }] }, good).join()).toContain(
      "rack holds 24 of 12",
    );
    expect(checkSchedule(problem, { ...good, assignments: [] }).join()).toContain("neither planned nor left out");
  });

  test("whatever the problem, the plan can be worked (random problems, independent check)", () => {
    const window = fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 20, max: 120 }));
    const job = fc.record({
      release: fc.integer({ min: 0, max: 300 }),
      due: fc.integer({ min: 50, max: 2000 }),
      weight: fc.integer({ min: 1, max: 4 }),
      tie: fc.integer({ min: 5, max: 150 }),
      dry: fc.integer({ min: 1, max: 400 }),
      places: fc.integer({ min: 1, max: 30 }),
      pattern: fc.constantFrom("p", "q"),
      thread: fc.constantFrom("t", "u"),
      both: fc.boolean(),
    });
    fc.assert(
      fc.property(
        fc.array(fc.array(window, { minLength: 1, maxLength: 12 }), { minLength: 1, maxLength: 3 }),
        fc.array(job, { maxLength: 9 }),
        (hours, jobs) => {
          const people = hours.map((ws, i) => {
            let t = 0;
            const windows = ws.map(([gap, length]): [number, number] => {
              const start = t + gap + 1;
              t = start + length;
              return [start, t];
            });
            return { id: `p${i}`, windows };
          });
          const problem: ScheduleProblem = {
            horizon: 3000,
            people,
            stations: [{ id: "lacquer", capacity: 1 }],
            racks: [{ id: "rack", places: 36 }],
            setup,
            objective,
            jobs: jobs.map((j, i) => ({
              id: `b${i}`,
              release: j.release,
              due: j.due,
              weight: j.weight,
              operations: [
                {
                  id: `b${i}.tie`,
                  kind: "tie",
                  setupState: { pattern: j.pattern, thread: j.thread, hook: "h" },
                  choices: people.slice(0, j.both ? 3 : 1).map((p) => ({ person: p.id, minutes: j.tie })),
                },
                {
                  id: `b${i}.coat`,
                  kind: "coat",
                  station: "lacquer",
                  choices: people.map((p) => ({ person: p.id, minutes: 7 })),
                  dry: { minutes: j.dry, rack: "rack", places: j.places },
                },
                { id: `b${i}.pack`, kind: "pack", choices: people.map((p) => ({ person: p.id, minutes: 4 })) },
              ],
            })),
          };
          const result = dispatch(problem);
          expect(checkSchedule(problem, result)).toEqual([]);
          expect(dispatch(problem)).toEqual(result);
        },
      ),
      { numRuns: 150, seed: 7 },
    );
  });
});

import { describe, expect, test } from "vitest";
import {
  checkSchedule,
  jobOf,
  lateDays,
  problemOf,
  promise,
  solveSchedule,
  windowsOf,
  type PlannableBatch,
  type PlanningPerson,
  type ScheduleProblem,
} from ".";

const solved = (problem: ScheduleProblem) => solveSchedule(problem, { seed: 1, iterations: 300 });
const days = Array.from({ length: 30 }, (_, i) => ({ minute: i * 1440, weekday: (i % 7) + 1 }));
const weekdays = [1, 2, 3, 4, 5].map((day) => ({ day, from: 540, to: 720 }));
const person = (id: string, more: Partial<PlanningPerson> = {}): PlanningPerson => ({
  id,
  role: "tier",
  skills: ["dubbing"],
  pace: 1,
  windows: windowsOf(weekdays, days, 0, 10),
  ...more,
});
const batch = (id: string, more: Partial<PlannableBatch> = {}): PlannableBatch => ({
  id,
  pattern: id,
  thread: "t",
  hook: "h",
  left: 24,
  flies: 24,
  release: 0,
  due: 10 * 1440,
  weight: 1,
  minutesPerFly: 5,
  modeFactor: 1,
  skills: ["dubbing"],
  prep: [{ minutes: 10 }],
  coats: [240],
  ...more,
});
const rules = {
  horizon: 30 * 1440,
  setup: { pattern: 6, thread: 3, hook: 2 },
  rackPlaces: 100,
  stations: [
    { id: "finishing", capacity: 1 },
    { id: "mill", capacity: 1 },
  ],
};

describe("windowsOf", () => {
  test("takes a rest off every hour and begins now", () => {
    expect(windowsOf([{ day: 1, from: 540, to: 690 }], days.slice(0, 7), 0, 10)).toEqual([
      [540, 590],
      [600, 650],
      [660, 690],
    ]);
    expect(windowsOf([{ day: 1, from: 540, to: 660 }], days.slice(0, 7), 610, 10)).toEqual([[610, 650]]);
  });
  test("keeps to the weekday, and to the day's true beginning when the clocks change", () => {
    const changed = [
      { minute: 0, weekday: 6 },
      { minute: 1380, weekday: 7 },
    ];
    expect(windowsOf([{ day: 7, from: 600, to: 650 }], changed, 0, 0)).toEqual([[1980, 2030]]);
  });
});

describe("jobOf", () => {
  test("asks only those with every skill, at their own pace, and the shop only to pack", () => {
    const people = [
      person("ada"),
      person("ben", { skills: [] }),
      person("cy", { pace: 1.5 }),
      person("dee", { role: "shop" }),
    ];
    const job = jobOf(batch("b"), people);
    const kinds = job.operations.map((o) => o.kind);
    expect(kinds).toEqual(["prep", "tie", "coat", "inspect", "pack"]);
    const choices = (kind: string) =>
      job.operations.find((o) => o.kind === kind)?.choices.map((c) => [c.person, c.minutes]);
    expect(choices("tie")).toEqual([
      ["ada", 126],
      ["cy", 189],
    ]);
    expect(choices("pack")?.map((c) => c[0])).toEqual(["ada", "ben", "cy", "dee"]);
  });
  test("what has been begun stays with whoever began it, and needs only what is left", () => {
    const job = jobOf(batch("b", { begunBy: "ben", left: 4 }), [person("ada"), person("ben", { skills: [] })]);
    expect(job.operations.find((o) => o.kind === "tie")?.choices).toEqual([{ person: "ben", minutes: 26 }]);
  });
  test("whoever has begun a batch has it set up: no change-over before it, the whole before another", () => {
    const problem = problemOf(
      [batch("b", { begunBy: "ada", due: 1440 }), batch("c", { thread: "other" })],
      [person("ada")],
      rules,
    );
    expect(problem.people[0]?.setupState).toEqual({ pattern: "b", thread: "t", hook: "h" });
    const minutes = new Map(solved(problem).assignments.map((a) => [a.operation, a.setupMinutes]));
    expect([minutes.get("b:tie"), minutes.get("c:tie")]).toEqual([0, 9]);
  });
  test("is tied by whom it is given to, from when on, and at a tool that there is only one of", () => {
    const two = [person("ada"), person("ben")];
    const own = (of: Partial<PlannableBatch>) => jobOf(batch("b", of), two).operations.find((o) => o.kind === "tie");
    expect(own({ pin: { person: "ben" } })).toMatchObject({ choices: [{ person: "ben" }] });
    expect(own({ pin: { person: "ben" } })?.pinned).toBeUndefined();
    expect(own({ pin: { person: "ben", start: 700 } })?.pinned).toEqual({ person: "ben", start: 700 });
    expect(own({ pin: { person: "gone" } })?.choices).toEqual([]);
    expect(own({ begunBy: "ada", pin: { person: "ben", start: 700 } })).toMatchObject({ choices: [{ person: "ada" }] });
    expect(own({ tool: "tool: rotary vise" })?.station).toBe("tool: rotary vise");
  });
  test("is tied by several at the same time, in the shares that were said of what is left", () => {
    const two = [person("ada"), person("ben", { pace: 2 })];
    const shares = [
      { person: "ada", flies: 12 },
      { person: "ben", flies: 24 },
    ];
    const job = jobOf(batch("b", { shares, left: 27 }), two);
    const ties = job.operations.filter((o) => o.kind === "tie");
    expect(ties.map((o) => o.choices)).toEqual([
      [{ person: "ada", minutes: 6 + 9 * 5 }],
      [{ person: "ben", minutes: 12 + 18 * 10 }],
    ]);
    expect(ties[1]?.after).toEqual(["b:prep0"]);
    expect(job.operations.find((o) => o.kind === "coat")?.after).toEqual(["b:tie", "b:tie2"]);
    const last = jobOf(batch("b", { shares, left: 1 }), two).operations.filter((o) => o.kind === "tie");
    expect(
      last.map((o) => [o.id, o.choices[0]?.person]),
      "the last fly is nobody else's",
    ).toEqual([["b:tie", "ben"]]);
    const bare = jobOf(batch("b", { shares, prep: [], coats: [] }), two).operations;
    expect([bare[1]?.after, bare.find((o) => o.kind === "inspect")?.after]).toEqual([[], ["b:tie", "b:tie2"]]);
    const problem = problemOf([batch("b", { shares }), batch("c")], two, rules);
    expect(checkSchedule(problem, solved(problem))).toEqual([]);
  });
  test("takes as long as was learned of each person", () => {
    const [tie] = jobOf(batch("b", { prep: [], minutesBy: { ada: 4, ben: 6 } }), [
      person("ada"),
      person("ben", { pace: 2 }),
      person("cy", { pace: 1.5 }),
    ]).operations;
    expect(tie?.choices.map((c) => c.minutes)).toEqual([6 + 24 * 4, 12 + 24 * 6, 9 + 24 * 7.5]);
  });
  test("a batch that is all tied goes straight to its coats", () =>
    expect(jobOf(batch("b", { left: 0, prep: [] }), [person("ada")]).operations[0]?.kind).toBe("coat"));
});

describe("promise", () => {
  const people = [person("ada")];
  const planned = problemOf([batch("a"), batch("b"), batch("c")], people, rules);
  const plan = solved(planned);
  const idle = problemOf([], people, rules);
  const effort = { seed: 1, iterations: 300 };
  const fresh = (id: string, of: Partial<PlannableBatch> = {}, who = people) => ({
    job: jobOf(batch(id, of), who),
    release0: 0,
  });
  const ask = (problem: ScheduleProblem, ...news: ReturnType<typeof fresh>[]) =>
    promise(problem, solved(problem), news, effort);

  test("makes nobody late who was on time, and its plan can be worked", () => {
    for (const due of [2, 3, 4, 6]) {
      const tight = problemOf([batch("a", { due: due * 1440 }), batch("b", { due: due * 1440 })], people, rules);
      const before = solved(tight);
      const { problem, plan: after } = promise(tight, before, [fresh("new")], effort);
      expect(checkSchedule(problem, after)).toEqual([]);
      for (const c of before.completions) {
        const lateBy = after.completions.find((x) => x.job === c.job)?.lateBy ?? Infinity;
        expect(lateDays(lateBy), `${c.job}, due in ${due}`).toBeLessThanOrEqual(lateDays(c.lateBy));
      }
    }
  });
  test("comes before what has time, and after what has none", () => {
    const alone = ask(idle, fresh("new")).jobs[0]?.at ?? 0;
    const loose = ask(problemOf([batch("a"), batch("b")], people, rules), fresh("new")).jobs[0]?.at;
    expect(loose).toBeLessThanOrEqual(alone + 20);
    const tight = problemOf([batch("a", { due: 2 * 1440 }), batch("b", { due: 3 * 1440 })], people, rules);
    expect(ask(tight, fresh("new")).jobs[0]?.at).toBeGreaterThan(alone + 300);
  });
  test("names what holds it: material, skill, hours", () => {
    const late = ask(planned, fresh("new", { release: 20 * 1440 })).jobs[0];
    expect(late?.holds).toBe("material");
    expect(late?.at).toBeGreaterThan(20 * 1440);
    expect(ask(planned, fresh("new", { skills: ["slip wings"] })).jobs).toEqual([{ job: "new", holds: "skill" }]);
    const busy = problemOf(
      Array.from({ length: 12 }, (_, i) => batch(`b${i}`, { due: (i + 2) * 1440, weight: 3 })),
      people,
      rules,
    );
    expect(ask(busy, fresh("new")).jobs[0]?.holds).toBe("hours");
  });
  test("waits for the station and for room on the rack", () => {
    const closed = { ...idle, stations: idle.stations.map((s) => ({ ...s, capacity: s.id === "finishing" ? 0 : 1 })) };
    expect(ask(closed, fresh("new")).jobs[0]?.at).toBeUndefined();
    // It is tied already: its coat cannot wait for the next day, and then it is on the rack until the end of the week.
    const tied = batch("a", { left: 0, prep: [], flies: 90, coats: [4 * 1440], due: 5 * 1440, weight: 3 });
    const full = problemOf([tied], people, rules);
    const free = { ...full, racks: [{ id: "rack", places: 1000 }] };
    const at = (problem: ScheduleProblem) => ask(problem, fresh("new", { coats: [60] })).jobs[0]?.at ?? 0;
    expect(at(full)).toBeGreaterThan(at(free));
  });
  test("made together share the hours; one that fits nowhere takes none from the others", () => {
    const two = ask(idle, fresh("x"), fresh("y")).jobs;
    const alone = ask(idle, fresh("x")).jobs[0]?.at ?? 0;
    expect(Math.min(...two.map((j) => j.at ?? 0))).toBe(alone);
    expect(Math.max(...two.map((j) => j.at ?? 0))).toBeGreaterThan(alone);
    const huge = ask(planned, fresh("x"), fresh("huge", { left: 5000, flies: 5000 }), fresh("y")).jobs;
    expect(huge.map((j) => j.at === undefined)).toEqual([false, true, false]);
  });
  test("in a room of more work than hours, what has a place keeps it, and what has none is not asked", () => {
    const many = problemOf(
      Array.from({ length: 60 }, (_, i) => batch(`b${i}`, { due: (2 + (i % 20)) * 1440 })),
      people,
      rules,
    );
    const before = solved(many);
    expect(before.unscheduled.length).toBeGreaterThan(20);
    const { jobs, problem, plan: after } = promise(many, before, [fresh("new"), fresh("one", { left: 1 })], effort);
    expect(checkSchedule(problem, after)).toEqual([]);
    const kept = new Set(before.completions.map((c) => c.job));
    for (const job of kept) expect(after.completions.map((c) => c.job)).toContain(job);
    const left = new Set(before.unscheduled.map((u) => u.job));
    expect(problem.jobs.some((j) => left.has(j.id))).toBe(false);
    expect(jobs.map((j) => j.job)).toEqual(["new", "one"]);
    for (const j of jobs) if (j.at === undefined) expect(j.holds).toBe("hours");
  });
  test("with a target, presses for no less, and leaves the others more of their time", () => {
    const before = solved(planned);
    const long = fresh("new", { left: 96, flies: 96 });
    const soon = promise(planned, before, [long], effort);
    const later = promise(planned, before, [long], { ...effort, targets: new Map([["new", 9 * 1440]]) });
    expect(later.jobs[0]?.at).toBeGreaterThan(soon.jobs[0]?.at ?? Infinity);
    expect(later.jobs[0]?.at).toBeLessThanOrEqual(9 * 1440);
    const others = (p: typeof soon) => p.plan.completions.reduce((sum, c) => sum + (c.job === "new" ? 0 : c.at), 0);
    expect(others(later)).toBeLessThan(others(soon));
  });
  test("does not hang on which of several plans that are as good it is asked of", () => {
    const many = problemOf(
      Array.from({ length: 14 }, (_, i) => batch(`b${i}`, { due: (6 + i) * 1440 })),
      people,
      rules,
    );
    const at = [1, 2, 3].map((seed) => {
      const plan = solveSchedule(many, { seed, iterations: 2000 });
      return promise(many, plan, [fresh("new")], { seed: 1, iterations: 2000 }).jobs[0]?.at ?? 0;
    });
    expect(Math.max(...at) - Math.min(...at)).toBeLessThanOrEqual(1440);
  });
  test("of nothing new is the plan as it was", () => {
    expect(promise(planned, plan, [], effort).plan).toBe(plan);
  });
});

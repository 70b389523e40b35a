import { describe, expect, test } from "vitest";
import {
  checkSchedule,
  freeOf,
  jobOf,
  problemOf,
  promise,
  Promises,
  solveSchedule,
  windowsOf,
  without,
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

test("without cuts busy stretches out", () =>
  expect(
    without(
      [
        [0, 100],
        [200, 300],
      ],
      [
        [20, 40],
        [90, 210],
        [290, 400],
      ],
    ),
  ).toEqual([
    [0, 20],
    [40, 90],
    [210, 290],
  ]));

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
  test("a batch that is all tied goes straight to its coats", () =>
    expect(jobOf(batch("b", { left: 0, prep: [] }), [person("ada")]).operations[0]?.kind).toBe("coat"));
});

describe("promise", () => {
  const people = [person("ada")];
  const planned = problemOf([batch("a"), batch("b"), batch("c")], people, rules);
  const plan = solved(planned);
  test("the plan that it leans on can be worked", () => expect(checkSchedule(planned, plan)).toEqual([]));
  test("comes after what is planned when there is one bench, and never before it could be done alone", () => {
    const job = jobOf(batch("new", { due: rules.horizon }), people);
    const busy = promise(freeOf(planned, plan), job, 0);
    const idle = problemOf([], people, rules);
    const alone = promise(freeOf(idle, solved(idle)), job, 0);
    expect(busy.at).toBeGreaterThan(alone.at ?? Infinity);
    expect(busy.holds).toBe("hours");
  });
  test("names what holds it: material, skill", () => {
    const late = promise(
      freeOf(planned, plan),
      jobOf(batch("new", { release: 20 * 1440, due: rules.horizon }), people),
      0,
    );
    expect(late.holds).toBe("material");
    expect(late.at).toBeGreaterThan(20 * 1440);
    expect(promise(freeOf(planned, plan), jobOf(batch("new", { skills: ["slip wings"] }), people), 0)).toEqual({
      holds: "skill",
    });
  });
  test("waits for a finishing place and for room on the rack that the plan takes", () => {
    const alone = promise(freeOf(problemOf([], people, rules), solved(problemOf([], people, rules))), quick(), 0);
    const free = freeOf(planned, plan);
    const at = (taken: typeof free.taken) => promise({ ...free, people, hours: people, taken }, quick(), 0).at ?? 0;
    const [station] = free.stations;
    const [rack] = free.racks;
    if (!station || !rack) throw new Error("no station or rack");
    expect(at({ stations: {}, racks: {} })).toBe(alone.at);
    expect(at({ stations: { [station.id]: [[0, 5 * 1440]] }, racks: {} })).toBeGreaterThan(5 * 1440);
    const full = { from: 0, until: 6 * 1440, places: rack.places };
    expect(at({ stations: {}, racks: { [rack.id]: [full] } })).toBeGreaterThan(6 * 1440);
    function quick() {
      return jobOf(batch("new", { due: rules.horizon }), people);
    }
  });
  test("made together do not share the same hours, and one that fits nowhere takes none", () => {
    const free = freeOf(problemOf([], people, rules), solved(problemOf([], people, rules)));
    const one = (id: string, of: Parameters<typeof batch>[1] = {}) =>
      jobOf(batch(id, { due: rules.horizon, ...of }), people);
    const together = new Promises(free);
    const [first, second] = [together.add(one("x"), 0).at ?? 0, together.add(one("y"), 0).at ?? 0];
    expect(first).toBe(promise(free, one("x"), 0).at);
    expect(second).toBeGreaterThan(first);
    const between = new Promises(free);
    between.add(one("x"), 0);
    expect(between.add(one("huge", { left: 5000, flies: 5000 }), 0).at).toBeUndefined();
    expect(between.add(one("y"), 0).at, "as if it had not been asked").toBe(second);
  });
  test("says so when no day holds it", () =>
    expect(
      promise(freeOf(planned, plan), jobOf(batch("new", { left: 5000, flies: 5000 }), people), 0).at,
    ).toBeUndefined());
});

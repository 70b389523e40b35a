import { Random } from "../../numeric";
import type { ScheduleOperation, ScheduleProblem } from "../types";

/**
 * A made-up room for tests and timing: batches with preparation, tying, a coat, inspection and packing, people with
 * days of four or eight hours, one mill, one finishing bench. The same seed is the same room.
 */
export function tyingRoom(
  seed: number,
  size: { jobs: number; people: number; days: number; rack: number; within?: number },
): ScheduleProblem {
  const random = new Random(seed * 7919 + 1);
  const between = (a: number, b: number) => a + random.below(b - a + 1);
  const { jobs, days } = size;
  const people = Array.from({ length: size.people }, (_, i) => {
    const windows: [number, number][] = [];
    for (let d = 0; d < days; d++)
      if (d % 7 < 5)
        for (let h = 8; h < (i % 2 === 0 ? 16 : 12); h++) windows.push([d * 1440 + h * 60, d * 1440 + h * 60 + 50]);
    return { id: `p${i}`, windows };
  });
  const anybody = (minutes: number) => people.map((p) => ({ person: p.id, minutes }));
  return {
    horizon: days * 1440,
    people,
    stations: [
      { id: "finishing", capacity: 1 },
      { id: "mill", capacity: 1 },
    ],
    racks: [{ id: "rack", places: size.rack }],
    setup: { pattern: 6, thread: 3, hook: 2 },
    objective: { tardiness: 1, setup: 0.5, flow: 0.001, makespan: 0.01 },
    jobs: Array.from({ length: jobs }, (_, j) => {
      const pattern = between(0, Math.max(2, Math.floor(jobs / 5)));
      const flies = between(1, 8) * 12;
      const perFly = between(3, 9);
      const tiers = people.filter(() => random.next() < 0.6);
      const who = tiers.length > 0 ? tiers : [people[random.below(people.length)]!];
      const release = between(0, Math.floor(days * 0.3)) * 1440;
      return {
        id: `j${j}`,
        release,
        due: release + between(2, Math.max(3, Math.floor(days * (size.within ?? 0.5)))) * 1440,
        weight: between(1, 3),
        operations: [
          {
            id: `j${j}.prep`,
            kind: "prep" as const,
            choices: anybody(between(10, 40)),
            station: random.next() < 0.4 ? "mill" : undefined,
          },
          {
            id: `j${j}.tie`,
            kind: "tie" as const,
            choices: who.map((p) => ({
              person: p.id,
              minutes: Math.ceil(flies * perFly * (0.8 + random.next() * 0.5)),
            })),
            setupState: { pattern: `f${pattern}`, thread: `t${pattern % 3}`, hook: `h${between(0, 2)}` },
          },
          {
            id: `j${j}.coat`,
            kind: "coat" as const,
            choices: anybody(2 + Math.ceil(flies * 0.15)),
            station: "finishing",
            dry: { minutes: [90, 480, 1440][between(0, 2)]!, rack: "rack", places: flies },
          },
          { id: `j${j}.inspect`, kind: "inspect" as const, choices: anybody(Math.ceil(flies * 0.2)) },
          { id: `j${j}.pack`, kind: "pack" as const, choices: anybody(2 + Math.ceil(flies * 0.05)) },
        ],
      };
    }),
  };
}

/** A room with work of some kinds only. */
export const only = (problem: ScheduleProblem, kinds: ScheduleOperation["kind"][]): ScheduleProblem => ({
  ...problem,
  jobs: problem.jobs.map((j) => ({ ...j, operations: j.operations.filter((o) => kinds.includes(o.kind)) })),
});

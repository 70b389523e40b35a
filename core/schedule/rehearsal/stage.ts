import type { ScheduleOperation, ScheduleProblem, ScheduleResult } from "../types";
import type { Knowledge } from "./types";

/** An operation as it is played: in the order of the plan, with the numbers of what may turn out otherwise. */
export interface Act {
  job: number;
  person: number;
  /** Working minutes as planned. */
  minutes: number;
  changeOver: number;
  plannedEnd: number;
  /** Acts that it waits for, by their places. */
  after: number[];
  station: number;
  rack: number;
  places: number;
  dry: number;
  pinnedAt: number;
  /** The errors of its minutes, its own and those that it shares: which chance each is, and how large. */
  errors: { chance: number; sd: number }[];
  /** Flies that may have to be tied again. */
  again: { chance: number; missing: number[]; minutesPerFly: number } | undefined;
  /** The act whose flies leave the rack when this one begins; −1 for none. */
  frees: number;
  isLast: boolean;
}

/** A plan made ready to be played through. */
export interface Stage {
  acts: Act[];
  jobs: { id: string; release: number; due: number; arrivals: { chance: number; at: number; daysLate: number[] }[] }[];
  people: { id: string; absence: number }[];
  stations: number[];
  racks: number[];
  /** What may turn out otherwise, by its number, but for the days on which people are away. */
  things: string[];
}

/** Acts in an order in which each comes behind all that it can wait for. */
export function stageOf(problem: ScheduleProblem, result: ScheduleResult, knowledge: Knowledge): Stage {
  const chances = new Map<string, number>();
  const chanceOf = (name: string): number => {
    const known = chances.get(name) ?? chances.size;
    chances.set(name, known);
    return known;
  };
  const at = new Map(result.assignments.map((a) => [a.operation, a]));
  const personAt = new Map(problem.people.map((p, i) => [p.id, i]));
  const stationAt = new Map(problem.stations.map((s, i) => [s.id, i]));
  const rackAt = new Map(problem.racks.map((r, i) => [r.id, i]));
  const planned = problem.jobs.filter((j) => j.operations.length > 0 && j.operations.every((o) => at.has(o.id)));
  const wholes = planned.flatMap((job, j) =>
    job.operations.flatMap((operation, k) => {
      const assignment = at.get(operation.id);
      return assignment ? [{ job, j, k, operation, assignment }] : [];
    }),
  );
  const key = ({ operation, assignment }: (typeof wholes)[number]) =>
    operation.dry ? assignment.end : assignment.start;
  wholes.sort((a, b) => key(a) - key(b) || a.assignment.end - b.assignment.end || a.j - b.j || a.k - b.k);
  const place = new Map(wholes.map((w, i) => [w.operation.id, i]));
  const acts = wholes.map(({ job, j, k, operation, assignment }): Act => {
    const before = k > 0 ? job.operations[k - 1] : undefined;
    const known = knowledge.minutes[operation.id];
    const flies = knowledge.flies[job.id];
    return {
      job: j,
      person: personAt.get(assignment.person) ?? 0,
      minutes: minutesOf(operation, assignment.person),
      changeOver: assignment.setupMinutes,
      plannedEnd: assignment.end,
      after: (operation.after ?? (before ? [before.id] : [])).flatMap((id) => place.get(id) ?? []),
      station: operation.station === undefined ? -1 : (stationAt.get(operation.station) ?? -1),
      rack: operation.dry ? (rackAt.get(operation.dry.rack) ?? -1) : -1,
      places: operation.dry?.places ?? 0,
      dry: operation.dry?.minutes ?? 0,
      pinnedAt: operation.pinned?.start ?? 0,
      errors: [
        ...(known ? [{ chance: chanceOf(`own ${operation.id}`), sd: known.own }] : []),
        ...(known?.shares ?? []).map(({ name, sd }) => ({ chance: chanceOf(`shared ${name}`), sd })),
      ].filter((e) => e.sd > 0),
      again:
        flies?.operation === operation.id && flies.missing.length > 0
          ? { chance: chanceOf(`flies ${job.id}`), missing: flies.missing, minutesPerFly: flies.minutesPerFly }
          : undefined,
      frees: before?.dry ? (place.get(before.id) ?? -1) : -1,
      isLast: k === job.operations.length - 1,
    };
  });
  const jobs = planned.map(({ id, release, due }) => ({
    id,
    release: Math.max(0, release),
    due,
    arrivals: (knowledge.waits[id] ?? []).flatMap((name) => {
      const known = knowledge.arrivals[name];
      return known ? [{ chance: chanceOf(`arrival ${name}`), ...known }] : [];
    }),
  }));
  const people = problem.people.map(({ id }) => ({ id, absence: knowledge.absence[id] ?? 0 }));
  return {
    acts,
    jobs,
    people,
    stations: problem.stations.map((s) => s.capacity),
    racks: problem.racks.map((r) => r.places),
    things: [...chances.keys()],
  };
}

const minutesOf = ({ choices }: ScheduleOperation, person: string): number =>
  choices.find((c) => c.person === person)?.minutes ?? 0;

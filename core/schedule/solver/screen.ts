import { DomainError } from "../../errors";
import type { ScheduleJob, ScheduleOperation, ScheduleProblem, UnscheduledReason } from "../types";
import { Hours } from "./hours";

/**
 * Refuses what is no problem at all: numbers that are none, times that are not whole minutes, names used twice.
 * @throws DomainError SCHEDULE_INVALID
 */
export function refuseAbsurd(problem: ScheduleProblem): void {
  const fail = (reason: string): never => {
    throw new DomainError("SCHEDULE_INVALID", { reason });
  };
  const whole = (value: number, name: string, least: number): void => {
    if (!Number.isSafeInteger(value) || value < least || value > MOST)
      fail(`${name} must be a whole number from ${least} to ${MOST}, not ${value}.`);
  };
  const positive = (value: number, name: string): void => {
    if (!(value >= 0) || !Number.isFinite(value)) fail(`${name} must be nought or more, not ${value}.`);
  };
  const once = (ids: string[], name: string): void => {
    if (new Set(ids).size < ids.length) fail(`Every ${name} needs a name of its own.`);
  };
  whole(problem.horizon, "The horizon", 0);
  for (const [name, value] of Object.entries(problem.setup)) whole(value, `The change-over of the ${name}`, 0);
  for (const [name, value] of Object.entries(problem.objective)) positive(value, `The weight of ${name}`);
  for (const { id, windows } of problem.people)
    for (const [start, end] of windows) {
      whole(start, `The beginning of a window of ${id}`, -MOST);
      whole(end, `The end of a window of ${id}`, -MOST);
    }
  for (const { id, capacity } of problem.stations) whole(capacity, `The places of ${id}`, 0);
  for (const { id, places } of problem.racks) whole(places, `The places of ${id}`, 0);
  once(
    problem.people.map((p) => p.id),
    "person",
  );
  once(
    problem.jobs.map((j) => j.id),
    "job",
  );
  const operations = problem.jobs.flatMap((j) => j.operations);
  once(
    operations.map((o) => o.id),
    "operation",
  );
  for (const j of problem.jobs) {
    whole(j.release, `The release of ${j.id}`, -MOST);
    whole(j.due, `The due minute of ${j.id}`, -MOST);
    positive(j.weight, `The weight of ${j.id}`);
  }
  for (const o of operations) {
    for (const c of o.choices) whole(c.minutes, `The minutes of ${o.id}`, 1);
    if (o.dry) {
      whole(o.dry.minutes, `The drying of ${o.id}`, 0);
      whole(o.dry.places, `The places of ${o.id} on the rack`, 0);
    }
    if (o.pinned) whole(o.pinned.start, `The minute at which ${o.id} is pinned`, -MOST);
  }
}
/** Minutes of nine hundred years: sums of a few of them are still exact in 32 bits. */
const MOST = 500_000_000;

/** Why no plan can hold a job, whatever else there is to do; undefined where one might. */
export function whyImpossible(problem: ScheduleProblem): (job: ScheduleJob) => UnscheduledReason | undefined {
  const personAt = new Map(problem.people.map((p, i) => [p.id, i]));
  const stations = new Map(problem.stations.map((s) => [s.id, s.capacity]));
  const racks = new Map(problem.racks.map((r) => [r.id, r.places]));
  const hours = new Hours(
    problem.people.map((p) => p.windows),
    problem.horizon,
  );
  const why = (o: ScheduleOperation): UnscheduledReason | undefined => {
    if (!o.choices.some((c) => personAt.has(c.person))) return { code: "NOBODY_CAN", details: { kind: o.kind } };
    if (o.station !== undefined && !((stations.get(o.station) ?? 0) >= 1))
      return { code: "STATION_CLOSED", details: { station: o.station } };
    if (o.dry && (racks.get(o.dry.rack) ?? 0) < o.dry.places)
      return { code: "RACK_TOO_SMALL", details: { places: o.dry.places } };
    if (!o.pinned) return undefined;
    const person = personAt.get(o.pinned.person);
    const isThere = person !== undefined && o.choices.some((c) => c.person === o.pinned?.person);
    return isThere && hours.isWorking(person, o.pinned.start) ? undefined : { code: "PIN_IMPOSSIBLE", details: {} };
  };
  return (job) => {
    for (const o of job.operations) {
      const reason = why(o);
      if (reason) return reason;
    }
    if (job.operations.length === 0) return { code: "NOTHING_TO_DO", details: {} };
    if (isCircular(job)) return { code: "ORDER_IMPOSSIBLE", details: {} };
    const late = tooLateAlone(job, personAt, hours);
    return late && { code: "HOURS_USED_UP", details: { kind: late.kind } };
  };
}

/** Whether an operation waits for one that is not of its job, or for itself in a circle. */
function isCircular(job: ScheduleJob): boolean {
  const waits = new Map(
    job.operations.map((o, i) => [o.id, o.after ?? job.operations.slice(Math.max(0, i - 1), i).map((p) => p.id)]),
  );
  const done = new Set<string>();
  for (let before = -1; before < done.size;) {
    before = done.size;
    for (const [id, after] of waits) if (after.every((a) => done.has(a))) done.add(id);
  }
  return done.size < waits.size;
}

/** The first operation that would not end within the horizon if the job had the whole room to itself. */
function tooLateAlone(
  job: ScheduleJob,
  personAt: ReadonlyMap<string, number>,
  hours: Hours,
): ScheduleOperation | undefined {
  const over = new Map<string, number>();
  const open = [...job.operations];
  const previous = new Map(job.operations.map((o, i) => [o.id, job.operations[i - 1]?.id]));
  while (open.length > 0) {
    const k = open.findIndex((o) => (o.after ?? [previous.get(o.id)]).every((id) => id === undefined || over.has(id)));
    const o = open.splice(Math.max(0, k), 1)[0];
    if (!o) return undefined;
    const ready = Math.max(
      0,
      job.release,
      ...(o.after ?? [previous.get(o.id)]).map((id) => (id === undefined ? 0 : (over.get(id) ?? 0))),
    );
    const ends = o.choices.flatMap((c) => {
      const p = personAt.get(c.person);
      return p === undefined ? [] : [hours.clockAt(p, hours.indexAt(p, ready) + c.minutes - 1) + 1];
    });
    const end = Math.min(...ends);
    if (end > hours.horizon) return o;
    over.set(o.id, end + (o.dry?.minutes ?? 0));
  }
  return undefined;
}

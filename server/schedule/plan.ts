import { unscheduledSentence } from "@kasten/core/sentences";
import { groupBy } from "@kasten/core/numeric";
import type { Role } from "@kasten/core/recipe";
import { checkSchedule, type ScheduleResult } from "@kasten/core/schedule";
import type { Batch } from "@kasten/contract/batches";
import type { Plan } from "@kasten/contract/schedule";
import type { ComputedBatch } from "../batches";
import { stationDownFor, type Planning } from "./build";

const operationBatch = (operation: string): string => operation.slice(0, operation.indexOf(":"));

/** The colour by which a batch is known in the plan: of its body, else its thorax, else its thread. */
function colourOf({ fly }: ComputedBatch): string | null {
  const of = (role: Role) => fly?.parts.find((p) => p.role === role)?.material.colour;
  return of("body") ?? of("thorax") ?? of("thread") ?? null;
}

function workOf({ problem, room }: Planning, result: ScheduleResult): Plan["work"] {
  const computed = new Map(room.batches.map((c) => [c.batch.id, c]));
  const kinds = new Map(problem.jobs.flatMap((j) => j.operations.map((o) => [o.id, o.kind] as const)));
  return result.assignments.map(({ operation, person, setupStart, start, end, setupMinutes, dryUntil = null }) => {
    const id = operationBatch(operation);
    const c = computed.get(id);
    return {
      batch: id,
      number: c?.batch.number ?? 0,
      patternName: c?.batch.patternName ?? "",
      size: c?.batch.size ?? "",
      kind: kinds.get(operation) ?? "",
      person,
      setupStart,
      start,
      end,
      setupMinutes,
      dryUntil,
      colour: c ? colourOf(c) : null,
    };
  });
}

function batchesOf({ room, frame, shortages, prepDone }: Planning, result: ScheduleResult): Plan["batches"] {
  const completed = new Map(result.completions.map((c) => [c.job, c]));
  const left = new Map(result.unscheduled.map((u) => [u.job, unscheduledSentence(u.reason)]));
  const waiting = groupBy(shortages, (s) => s.batch);
  return room.batches.map((computed) => {
    const { batch, fault } = computed;
    const { id, number, patternName, size, owed, due } = batch;
    const down = stationDownFor(computed, room.world.settings, prepDone);
    const c = completed.get(id);
    const waits = waiting.get(id) ?? [];
    const waitsFor = waits.map((w) => room.world.materials.get(w.material)?.name ?? w.material).join(", ");
    return {
      id,
      number,
      patternName,
      size,
      owed,
      due,
      ready: c ? frame.dayOf(c.at - 1) : null,
      readyAt: c?.at ?? null,
      lateDays: c ? Math.ceil(c.lateBy / 1440) : 0,
      held: fault ?? (down ? `The ${down.name} is out of use: ${down.down ?? ""}` : (left.get(id) ?? null)),
      waitsFor: waitsFor || null,
    };
  });
}

/** A plan as its page shows it. */
export function toPlan(planning: Planning, result: ScheduleResult): Plan {
  const { problem, frame, people, planners, room } = planning;
  const windows = new Map(planners.map((p) => [p.id, p.windows]));
  return {
    days: frame.days.slice(0, -1).map((d, i) => ({ minute: d.minute, date: frame.dates[i] ?? "" })),
    now: frame.now,
    people: people.map(({ id, name }) => ({
      id,
      name,
      windows: merged(windows.get(id) ?? [], room.world.settings.restPerHour),
    })),
    work: workOf(planning, result),
    batches: batchesOf(planning, result),
    cost: result.cost,
    lowerBound: result.lowerBound,
    changeOverMinutes: result.assignments.reduce((sum, a) => sum + a.setupMinutes, 0),
    violations: checkSchedule(problem, result),
  };
}

/** Windows as people see them: the rest in each hour is not a gap in the day. */
const merged = (windows: [number, number][], rest: number): [number, number][] =>
  windows.reduce<[number, number][]>((all, [start, end]) => {
    const last = all[all.length - 1];
    if (last && start - last[1] <= rest) last[1] = end;
    else all.push([start, end]);
    return all;
  }, []);

/** Orders that wait for a batch which is late or has no place in the plan. */
export function lateOrders({ room }: Planning, plan: Plan): string[] {
  const late = new Set(plan.batches.filter((b) => b.lateDays > 0 || b.held !== null).map((b) => b.id));
  const waiting = room.batches.filter((c) => late.has(c.batch.id)).flatMap((c) => c.batch.claims);
  return [...new Set(waiting.map((c) => c.orderId))];
}

const MOST_TURNS = 4;

/** For each person what comes next by the plan and is still to be released. */
export function turnsOf({ room, people }: Planning, plan: Plan): { id: string; batches: Batch[] }[] {
  const planned = new Map(room.batches.filter((c) => c.batch.state === "planned").map((c) => [c.batch.id, c.batch]));
  const ties = groupBy(
    plan.work.filter((w) => w.kind === "tie").sort((a, b) => a.start - b.start),
    (w) => w.person,
  );
  return people.map(({ id }) => ({
    id,
    batches: (ties.get(id) ?? []).flatMap((w) => planned.get(w.batch) ?? []).slice(0, MOST_TURNS),
  }));
}

import { checkSchedule, dispatch } from "@kasten/core/schedule";
import { readPlan, type Plan } from "@kasten/contract/schedule";
import type { Register } from "../http/handle";
import { readPlanning, type Planning } from "./build";

const operationBatch = (operation: string): string => operation.slice(0, operation.indexOf(":"));

function toPlan(planning: Planning): Plan {
  const { problem, frame, people, room } = planning;
  const result = dispatch(problem);
  const computed = new Map(room.batches.map((c) => [c.batch.id, c]));
  const kinds = new Map(problem.jobs.flatMap((j) => j.operations.map((o) => [o.id, o.kind] as const)));
  const colourOf = (id: string) => {
    const parts = computed.get(id)?.fly?.parts ?? [];
    return (
      (
        parts.find((p) => p.role === "body") ??
        parts.find((p) => p.role === "thorax") ??
        parts.find((p) => p.role === "thread")
      )?.material.colour ?? null
    );
  };
  const at = new Map(result.completions.map((c) => [c.job, c]));
  const left = new Map(result.unscheduled.map((u) => [u.job, u.reason]));
  return {
    days: frame.days.slice(0, -1).map((d, i) => ({ minute: d.minute, date: frame.dates[i] ?? "" })),
    now: frame.now,
    people: people.map((p) => ({
      id: p.id,
      name: p.name,
      windows: merged(planning.planners.find((x) => x.id === p.id)?.windows ?? [], room.world.settings.restPerHour),
    })),
    work: result.assignments.map((a) => {
      const id = operationBatch(a.operation);
      const b = computed.get(id)?.batch;
      return {
        batch: id,
        number: b?.number ?? 0,
        patternName: b?.patternName ?? "",
        size: b?.size ?? "",
        kind: kinds.get(a.operation) ?? "",
        person: a.person,
        setupStart: a.setupStart,
        start: a.start,
        end: a.end,
        setupMinutes: a.setupMinutes,
        dryUntil: a.dryUntil ?? null,
        colour: colourOf(id),
      };
    }),
    batches: room.batches.map(({ batch, fault }) => {
      const c = at.get(batch.id);
      const waits = planning.shortages.filter((s) => s.batch === batch.id);
      const waitsFor = waits.map((w) => room.world.materials.get(w.material)?.name ?? w.material).join(", ");
      return {
        id: batch.id,
        number: batch.number,
        patternName: batch.patternName,
        size: batch.size,
        owed: batch.owed,
        due: batch.due,
        ready: c ? frame.dayOf(c.at - 1) : null,
        readyAt: c?.at ?? null,
        lateDays: c ? Math.ceil(c.lateBy / 1440) : 0,
        held: fault ?? left.get(batch.id) ?? null,
        waitsFor: waitsFor || null,
      };
    }),
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

export function scheduleRoutes(register: Register): void {
  register(readPlan, async ({ db }) => toPlan(await readPlanning(db)));
}

import { breaksWords, unscheduledSentence } from "@kasten/core/sentences";
import { groupBy } from "@kasten/core/numeric";
import type { Role } from "@kasten/core/recipe";
import { checkSchedule, lateDays, type Group, type Rehearsal, type ScheduleResult } from "@kasten/core/schedule";
import type { Batch } from "@kasten/contract/batches";
import type { ReplyOf } from "@kasten/contract/http";
import type { Plan, readOdds } from "@kasten/contract/schedule";
import { skillsOf, type ComputedBatch } from "../batches";
import { isoInstant } from "../database/rows";
import { stationDownFor, type Planning } from "./build";

/** The batch that an operation is of: its name begins with it. */
export const operationBatch = (operation: string): string => operation.slice(0, operation.indexOf(":"));

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
      id: operation,
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

function batchesOf(planning: Planning, result: ScheduleResult, rehearsal: Rehearsal): Plan["batches"] {
  const { room, frame, shortages, prepDone } = planning;
  const rehearsed = new Map(rehearsal.jobs.map((j) => [j.job, j]));
  const completed = new Map(result.completions.map((c) => [c.job, c]));
  const left = new Map(result.unscheduled.map((u) => [u.job, unscheduledSentence(u.reason)]));
  const waiting = groupBy(shortages, (s) => s.batch);
  return room.batches.map((computed) => {
    const { batch, fault } = computed;
    const { id, number, patternName, size, owed, due } = batch;
    const down = stationDownFor(computed, room.world.settings, prepDone);
    const c = completed.get(id);
    const waits = waiting.get(id) ?? [];
    const played = rehearsed.get(id);
    // A material that two parts of a fly ask for is waited for once.
    const names = waits.map((w) => room.world.materials.get(w.material)?.name ?? w.material);
    const waitsFor = [...new Set(names)].join(", ");
    return {
      id,
      number,
      patternName,
      size,
      owed,
      left: Math.max(0, batch.starts - batch.good - batch.rejected),
      due,
      ready: c ? frame.dayOf(c.at - 1) : null,
      readyAt: c?.at ?? null,
      lateDays: c ? lateDays(c.lateBy) : 0,
      held: fault ?? (down ? `The ${down.name} is out of use: ${down.down ?? ""}` : (left.get(id) ?? null)),
      waitsFor: waitsFor || null,
      odds: played?.onTime ?? null,
      day90: played ? frame.dayOf(played.day90 - 1) : null,
      breaks: played ? breaksWords(played) : "",
      pin: pinOf(planning, computed),
    };
  });
}

/** A pin as people see it, with why it binds nobody any more where it does not. */
function pinOf({ pins, people, frame }: Planning, c: ComputedBatch): Plan["batches"][number]["pin"] {
  const pin = pins.get(c.batch.id);
  if (!pin) return null;
  const tiers = pin.shares.length > 0 ? pin.shares.map((x) => x.person) : [pin.personId];
  const isPast = pin.at !== null && frame.minuteAt(pin.at) < frame.now;
  const faults = tiers.flatMap((id) => {
    const person = people.find((p) => p.id === id);
    if (!person) return ["Whoever was to tie it does not work here any more."];
    const lacks = skillsOf(c).filter((s) => !person.skills.includes(s));
    return lacks.length > 0 ? [`${person.name} lacks ${lacks.join(", ")}.`] : [];
  });
  const fault = faults.length > 0 ? faults.join(" ") : isPast ? "Its time has passed." : null;
  return { person: pin.personId, at: pin.at && isoInstant(pin.at), shares: pin.shares, fault };
}

/** What a plan is shown with: its odds, and how it stands to what was published. */
export interface Beside {
  rehearsal: Rehearsal;
  revision: number;
  published: Plan["published"];
  differences: Plan["differences"];
}

/** A plan as its page shows it. */
export function toPlan(planning: Planning, result: ScheduleResult, { rehearsal, ...beside }: Beside): Plan {
  const { problem, frame, people, planners, room } = planning;
  const windows = new Map(planners.map((p) => [p.id, p.windows]));
  return {
    days: frame.days.slice(0, -1).map((d, i) => ({ minute: d.minute, date: frame.dates[i] ?? "" })),
    origin: isoInstant(frame.origin),
    now: frame.now,
    people: people.map(({ id, name }) => ({
      id,
      name,
      windows: merged(windows.get(id) ?? [], room.world.settings.restPerHour),
    })),
    work: workOf(planning, result),
    batches: batchesOf(planning, result, rehearsal),
    cost: result.cost,
    lowerBound: result.lowerBound,
    changeOverMinutes: result.assignments.reduce((sum, a) => sum + a.setupMinutes, 0),
    violations: checkSchedule(problem, result),
    ...beside,
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

/** The batches of each order: they are on time together. */
export function orderGroups({ room }: Planning): Group[] {
  const jobs = new Map<string, string[]>();
  for (const { batch } of room.batches)
    for (const { orderId } of batch.claims) jobs.set(orderId, [...(jobs.get(orderId) ?? []), batch.id]);
  return [...jobs].map(([group, list]) => ({ group, jobs: list }));
}

export type OrderOdds = ReplyOf<typeof readOdds>["orders"];

/** How probable it is that all batches of an order are ready on its day; none where one has no place in the plan. */
export function oddsOfOrders(planning: Planning, plan: Plan, { groups }: Rehearsal): OrderOdds {
  const byBatch = new Map(plan.batches.map((b) => [b.id, b]));
  const played = new Map(groups.map((g) => [g.group, g]));
  return orderGroups(planning).map(({ group, jobs }) => {
    const own = jobs.flatMap((id) => byBatch.get(id) ?? []);
    const held = own.find((b) => b.odds === null);
    const weakest = own.reduce((a, b) => ((b.odds ?? 0) < (a.odds ?? 0) ? b : a), own[0] ?? { odds: 1, breaks: "" });
    const odds = held ? 0 : (played.get(group)?.onTime ?? 0);
    return { id: group, odds, breaks: held ? (held.held ?? "") : weakest.breaks };
  });
}

/** What holds each order whose day has passed: the material that it waits for, a fault, or what the batch waits for. */
export function lateCauses({ room, frame }: Planning, plan: Plan): { order: string; cause: string }[] {
  const today = frame.dayOf(frame.now);
  const byBatch = new Map(plan.batches.map((b) => [b.id, b]));
  const causes = new Map<string, string>();
  for (const { batch } of room.batches) {
    const b = byBatch.get(batch.id);
    const cause = b?.waitsFor ? "material" : b?.held ? "no place in the plan" : "hours";
    for (const c of batch.claims) if (c.due < today && !causes.has(c.orderId)) causes.set(c.orderId, cause);
  }
  return [...causes].map(([order, cause]) => ({ order, cause }));
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

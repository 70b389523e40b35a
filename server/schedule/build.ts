import { groupBy } from "@kasten/core/numeric";
import { coatsOf } from "@kasten/core/fly";
import { hookOf } from "@kasten/core/recipe";
import {
  problemOf,
  windowsOf,
  type PlannableBatch,
  type PlanningPerson,
  type ScheduleProblem,
} from "@kasten/core/schedule";
import type { Need } from "@kasten/contract/materials";
import type { Settings } from "@kasten/contract/settings";
import type { Person } from "@kasten/contract/team";
import { skillsOf, type ComputedBatch } from "../batches";
import type { Db } from "../database/rows";
import { readRoom, shareOut, type Room, type Shortage } from "../needs";
import { activePeople } from "../team";
import { frameOf, HORIZON_DAYS, type Frame } from "./frame";
import { preparedKeys, rankByCustomer, tyingBy } from "./queries";

const DAY_MINUTES = 1440;
/** Rank of a customer of whom nothing else is known. */
const USUAL_RANK = 3;

/** Beyond all days: what waits for it has no place in the plan. */
const NEVER = HORIZON_DAYS * DAY_MINUTES;

const prepKey = (batch: string, t: { kind: string; component: string }) => `${batch}|${t.kind}|${t.component}`;

export interface Planning {
  room: Room;
  frame: Frame;
  people: Person[];
  planners: PlanningPerson[];
  needs: Need[];
  shortages: Shortage[];
  batches: PlannableBatch[];
  prepDone: ReadonlySet<string>;
  problem: ScheduleProblem;
}

/** What the plan needs to know of a batch beside what was computed of it. */
export interface Circumstances {
  /** Minute at which its materials are there, and what it needs works. */
  release: number;
  prepDone: ReadonlySet<string>;
  rank: number;
  begunBy?: string;
}

export function plannable(c: ComputedBatch, frame: Frame, around: Circumstances): PlannableBatch {
  const { batch, recipe, fly } = c;
  const isDone = (t: ComputedBatch["prep"][number]) => around.prepDone.has(prepKey(batch.id, t));
  return {
    id: batch.id,
    pattern: batch.pattern,
    thread: fly?.parts.find((p) => p.role === "thread")?.material.code ?? "",
    hook: `${hookOf(recipe, batch)} ${batch.size}`,
    left: Math.max(0, batch.starts - batch.good - batch.rejected),
    flies: batch.starts,
    release: Math.max(frame.now, around.release),
    due: frame.endOf(batch.due),
    weight: Math.max(1, 4 - around.rank),
    // The minutes of the fly as it is chosen: without what is left out, by its ways.
    minutesPerFly: fly?.minutes ?? recipe.minutesPerFly,
    modeFactor: batch.mode === "step by step" ? recipe.stepByStepFactor : 1,
    skills: skillsOf(c),
    prep: c.prep.filter((t) => !isDone(t)).map((t) => ({ minutes: t.minutes, station: t.station })),
    coats: coatsOf(recipe, fly),
    begunBy: around.begunBy,
  };
}

/** Minute at which the last of what a batch waits for is there; beyond the horizon where nobody knows when. */
function releaseOf(waits: Shortage[], frame: Frame): number {
  return Math.max(0, ...waits.map((w) => (w.arrives ? frame.minuteOf(w.arrives) : NEVER)));
}

/** A station out of use that a batch cannot do without. */
export function stationDownFor(
  { batch, recipe, prep, fly }: ComputedBatch,
  settings: Settings,
  prepDone: ReadonlySet<string>,
): Settings["stations"][number] | undefined {
  const needed = new Set<string>(
    prep.flatMap((t) => (t.station && !prepDone.has(prepKey(batch.id, t)) ? [t.station] : [])),
  );
  if (coatsOf(recipe, fly).length > 0) needed.add("finishing");
  return settings.stations.find((s) => s.down !== null && needed.has(s.name));
}

/** The whole room as a problem: open batches over the people's hours, each released when its materials are there. */
export async function readPlanning(db: Db, now: Date = new Date()): Promise<Planning> {
  const room = await readRoom(db);
  const { needs, shortages } = shareOut(room);
  const people = await activePeople(db);
  const [prepDone, ranks, begun] = [await preparedKeys(db), await rankByCustomer(db), await tyingBy(db)];
  const { settings } = room.world;
  const waiting = groupBy(shortages, (s) => s.batch);
  const frame = frameOf(settings.timeZone, now);
  const days = frame.days.slice(0, HORIZON_DAYS);
  const minutesOff = (off: Settings["holidays"]) =>
    off.map((o) => ({ from: frame.minuteOf(o.from), to: frame.endOf(o.to) }));
  const closed = minutesOff(settings.holidays);
  const planners = people.map(({ id, role, skills, pace, hours, absences }): PlanningPerson => {
    const off = [...closed, ...minutesOff(absences)];
    return { id, role, skills, pace, windows: windowsOf(hours, days, frame.now, settings.restPerHour, off) };
  });
  const batches = room.batches
    .filter((c) => !c.fault)
    .map((c) =>
      plannable(c, frame, {
        release:
          stationDownFor(c, settings, prepDone) === undefined ? releaseOf(waiting.get(c.batch.id) ?? [], frame) : NEVER,
        prepDone,
        rank: Math.min(...c.batch.claims.map((x) => ranks.get(x.customer) ?? USUAL_RANK), USUAL_RANK),
        begunBy: begun.get(c.batch.id),
      }),
    );
  const { changeOver: setup, rackPlaces } = settings;
  const stations = settings.stations.map((s) => ({ id: s.name, capacity: s.places }));
  const rules = { horizon: HORIZON_DAYS * DAY_MINUTES, setup, rackPlaces, stations };
  return {
    room,
    frame,
    people,
    planners,
    needs,
    shortages,
    batches,
    prepDone,
    problem: problemOf(batches, planners, rules),
  };
}

import { hookOf } from "@kasten/core/patterns";
import { TZDate } from "@date-fns/tz";
import { addDays } from "date-fns";
import type { ComputedBatch } from "../batches";
import {
  problemOf,
  windowsOf,
  type Day,
  type PlannableBatch,
  type PlanningPerson,
  type ScheduleProblem,
} from "@kasten/core/schedule";
import type { Person } from "@kasten/contract/team";
import type { EntityManager } from "typeorm";
import { rows } from "../database/source";
import { readRoom, shareOut, type Room, type Shortage } from "../materials";
import { allPeople } from "../team";

export const HORIZON_DAYS = 110;
const MINUTE = 60_000;

/** The plan's days: minute 0 is the start of today in the shop's time zone. */
export interface Frame {
  origin: Date;
  now: number;
  days: Day[];
  minuteOf: (isoDay: string) => number;
  /** The end of a day: what is ready on the day promised is in time. */
  endOf: (isoDay: string) => number;
  dates: string[];
  dayOf: (minute: number) => string;
}

export function frameOf(timeZone: string, now: Date): Frame {
  const local = new TZDate(now.getTime(), timeZone);
  const midnight = new TZDate(local.getFullYear(), local.getMonth(), local.getDate(), timeZone);
  const starts = Array.from({ length: HORIZON_DAYS + 1 }, (_, i) => addDays(midnight, i));
  const minute = (d: Date) => Math.round((d.getTime() - midnight.getTime()) / MINUTE);
  const iso = (d: Date) =>
    `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, "0")}-${String(d.getDate()).padStart(2, "0")}`;
  const byIso = new Map(starts.map((d) => [iso(d), minute(d)]));
  const minuteOf = (day: string) => byIso.get(day) ?? (day < iso(midnight) ? 0 : (HORIZON_DAYS + 30) * 1440);
  return {
    origin: new Date(midnight.getTime()),
    now: minute(now),
    days: starts.map((d) => ({ minute: minute(d), weekday: d.getDay() === 0 ? 7 : d.getDay() })),
    minuteOf,
    endOf: (day) =>
      day < iso(midnight)
        ? 0
        : (byIso.get(iso(addDays(new TZDate(`${day}T00:00:00`, timeZone), 1))) ?? minuteOf(day) + 1440),
    dates: starts.map(iso),
    dayOf: (m) =>
      iso(
        starts[
          Math.min(
            starts.length - 1,
            starts.findLastIndex((d) => minute(d) <= m),
          )
        ] ?? midnight,
      ),
  };
}

export interface Planning {
  room: Room;
  frame: Frame;
  people: Person[];
  planners: PlanningPerson[];
  shortages: Shortage[];
  batches: PlannableBatch[];
  problem: ScheduleProblem;
}

export function plannable(
  c: ComputedBatch,
  frame: Frame,
  release: number,
  prepDone: Set<string>,
  rank: number,
  begunBy?: string,
): PlannableBatch {
  const { batch, recipe, fly } = c;
  const done = batch.good + batch.rejected;
  return {
    id: batch.id,
    pattern: batch.pattern,
    thread: fly?.parts.find((p) => p.role === "thread")?.material.code ?? "",
    hook: `${hookOf(recipe, batch)} ${batch.size}`,
    left: Math.max(0, batch.starts - done),
    flies: batch.starts,
    release: Math.max(frame.now, release),
    due: frame.endOf(batch.due),
    weight: Math.max(1, 4 - rank),
    minutesPerFly: recipe.minutesPerFly,
    modeFactor: batch.mode === "step by step" ? recipe.stepByStepFactor : 1,
    skills: [
      ...new Set([
        ...recipe.skills,
        ...recipe.steps.flatMap((s) => (s.component && batch.buy.includes(s.component) ? [] : (s.skills ?? []))),
      ]),
    ],
    prep: c.prep
      .filter((t) => !prepDone.has(`${batch.id}|${t.kind}|${t.component}`))
      .map((t) => ({ minutes: t.minutes, station: t.station })),
    coats: recipe.finish.state === "given" ? recipe.finish.coats : 0,
    dryMinutes: recipe.finish.state === "given" ? recipe.finish.dryMinutes : 0,
    begunBy,
  };
}

/** The whole room as a problem: open batches over the people's hours, each released when its materials are there. */
export async function readPlanning(db: EntityManager, now: Date = new Date()): Promise<Planning> {
  const room = await readRoom(db);
  const { shortages } = shareOut(room);
  const people = await allPeople(db);
  const prep = await rows<{ key: string }>(
    db,
    "SELECT bp.batch_id || '|' || bp.kind || '|' || bp.component AS key FROM batch_prep bp JOIN batch b ON b.id = bp.batch_id WHERE b.state NOT IN ('finished', 'dissolved')",
  );
  const ranks = new Map(
    (await rows<{ name: string; rank: number }>(db, "SELECT name, rank FROM customer")).map((c) => [c.name, c.rank]),
  );
  const begun = new Map(
    (
      await rows<{ batch: string; person: string }>(
        db,
        "SELECT DISTINCT ON (t.batch_id) t.batch_id AS batch, t.person_id AS person FROM tally t JOIN batch b ON b.id = t.batch_id WHERE b.state = 'tying' ORDER BY t.batch_id, t.at DESC",
      )
    ).map((t) => [t.batch, t.person]),
  );
  const frame = frameOf(room.world.settings.timeZone, now);
  const { settings } = room.world;
  const planners: PlanningPerson[] = people.map((p) => ({
    id: p.id,
    role: p.role,
    skills: p.skills,
    pace: p.pace,
    windows: windowsOf(p.hours, frame.days.slice(0, HORIZON_DAYS), frame.now, settings.restPerHour),
  }));
  const prepDone = new Set(prep.map((p) => p.key));
  const batches = room.batches
    .filter((c) => !c.fault)
    .map((c) => {
      const waits = shortages.filter((s) => s.batch === c.batch.id);
      const release =
        waits.length === 0
          ? 0
          : Math.max(...waits.map((w) => (w.arrives ? frame.minuteOf(w.arrives) : HORIZON_DAYS * 1440)));
      return plannable(
        c,
        frame,
        release,
        prepDone,
        Math.min(...c.batch.claims.map((x) => ranks.get(x.customer) ?? 3), 3),
        begun.get(c.batch.id),
      );
    });
  const rules = {
    horizon: HORIZON_DAYS * 1440,
    setup: settings.changeOver,
    rackPlaces: settings.rackPlaces,
    finishingPlaces: settings.finishingPlaces,
  };
  return { room, frame, people, planners, shortages, batches, problem: problemOf(batches, planners, rules) };
}

import { groupBy } from "@kasten/core/numeric";
import { hookOf } from "@kasten/core/recipe";
import {
  problemOf,
  windowsOf,
  type PlannableBatch,
  type PlanningPerson,
  type ScheduleProblem,
} from "@kasten/core/schedule";
import type { Need } from "@kasten/contract/materials";
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

export interface Planning {
  room: Room;
  frame: Frame;
  people: Person[];
  planners: PlanningPerson[];
  needs: Need[];
  shortages: Shortage[];
  batches: PlannableBatch[];
  problem: ScheduleProblem;
}

/** What the plan needs to know of a batch beside what was computed of it. */
export interface Circumstances {
  /** Minute at which its materials are there. */
  release: number;
  prepDone: ReadonlySet<string>;
  rank: number;
  begunBy?: string;
}

export function plannable(c: ComputedBatch, frame: Frame, around: Circumstances): PlannableBatch {
  const { batch, recipe, fly } = c;
  const isDone = (t: ComputedBatch["prep"][number]) => around.prepDone.has(`${batch.id}|${t.kind}|${t.component}`);
  const finish = recipe.finish.state === "given" ? recipe.finish : undefined;
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
    minutesPerFly: recipe.minutesPerFly,
    modeFactor: batch.mode === "step by step" ? recipe.stepByStepFactor : 1,
    skills: skillsOf(c),
    prep: c.prep.filter((t) => !isDone(t)).map((t) => ({ minutes: t.minutes, station: t.station })),
    coats: finish?.coats ?? 0,
    dryMinutes: finish?.dryMinutes ?? 0,
    begunBy: around.begunBy,
  };
}

/** Minute at which the last of what a batch waits for is there; beyond the horizon where nobody knows when. */
function releaseOf(waits: Shortage[], frame: Frame): number {
  return Math.max(0, ...waits.map((w) => (w.arrives ? frame.minuteOf(w.arrives) : HORIZON_DAYS * DAY_MINUTES)));
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
  const planners = people.map(({ id, role, skills, pace, hours }): PlanningPerson => {
    return { id, role, skills, pace, windows: windowsOf(hours, days, frame.now, settings.restPerHour) };
  });
  const batches = room.batches
    .filter((c) => !c.fault)
    .map((c) =>
      plannable(c, frame, {
        release: releaseOf(waiting.get(c.batch.id) ?? [], frame),
        prepDone,
        rank: Math.min(...c.batch.claims.map((x) => ranks.get(x.customer) ?? USUAL_RANK), USUAL_RANK),
        begunBy: begun.get(c.batch.id),
      }),
    );
  const { changeOver: setup, rackPlaces, finishingPlaces } = settings;
  const rules = { horizon: HORIZON_DAYS * DAY_MINUTES, setup, rackPlaces, finishingPlaces };
  return { room, frame, people, planners, needs, shortages, batches, problem: problemOf(batches, planners, rules) };
}

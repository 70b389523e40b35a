import { groupBy } from "@kasten/core/numeric";
import { coatsOf } from "@kasten/core/fly";
import { hookOf } from "@kasten/core/recipe";
import {
  DAY_MINUTES,
  joined,
  problemOf,
  windowsOf,
  type PlannableBatch,
  type PlanningPerson,
  type ScheduleProblem,
} from "@kasten/core/schedule";
import type { Need } from "@kasten/contract/materials";
import type { Settings } from "@kasten/contract/settings";
import type { Person } from "@kasten/contract/team";
import { modeFactorOf, readTiming, sharedToolsOf, skillsOf, type ComputedBatch, type Timing } from "../batches";
import type { Db } from "../database/rows";
import { readRoom, shareOut, type Room, type Shortage } from "../needs";
import { latenessByName } from "../purchasing";
import { activePeople } from "../team";
import type { Effort } from "./effort";
import type { PlanPinRow } from "./entities";
import { frameOf, HORIZON_DAYS, type Frame } from "./frame";
import { openPins, preparedKeys, rankByCustomer, tyingBy } from "./queries";

/** Rank of a customer of whom nothing else is known. */
const USUAL_RANK = 3;

/** Beyond all days: what waits for it has no place in the plan. */
const NEVER = HORIZON_DAYS * DAY_MINUTES;

/** One task of one batch. */
export const prepKey = (batch: string, t: { kind: string; component: string }) => `${batch}|${t.kind}|${t.component}`;

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
  timing: Timing;
  pins: ReadonlyMap<string, PlanPinRow>;
  /** By how many days each supplier's deliveries were late, by name. */
  lateness: ReadonlyMap<string, number[]>;
  /** How hard its plan is looked for. */
  effort: Effort;
}

/** What the plan needs to know of a batch beside what was computed of it. */
export interface Circumstances {
  /** Minute at which its materials are there, and what it needs works. */
  release: number;
  prepDone: ReadonlySet<string>;
  rank: number;
  begunBy?: string;
  pin?: PlanPinRow;
}

/** Who could be asked to tie, and what is known of their minutes. */
export interface Tiers {
  planners: PlanningPerson[];
  timing: Timing;
  settings: Settings;
}

export function plannable(c: ComputedBatch, frame: Frame, around: Circumstances, tiers: Tiers): PlannableBatch {
  const { batch, recipe, fly } = c;
  const left = Math.max(0, batch.starts - batch.good - batch.rejected);
  const factor = modeFactorOf(batch, recipe);
  const [tool] = sharedToolsOf(c, tiers.settings);
  const isDone = (t: ComputedBatch["prep"][number]) => around.prepDone.has(prepKey(batch.id, t));
  return {
    id: batch.id,
    pattern: batch.pattern,
    thread: fly?.parts.find((p) => p.role === "thread")?.material.code ?? "",
    hook: `${hookOf(recipe, batch)} ${batch.size}`,
    left,
    flies: batch.starts,
    release: Math.max(frame.now, around.release),
    due: frame.endOf(batch.due),
    weight: Math.max(1, 4 - around.rank),
    // The minutes of the fly as it is chosen: without what is left out, by its ways.
    minutesPerFly: fly?.minutes ?? recipe.minutesPerFly,
    minutesBy: Object.fromEntries(tiers.planners.map(({ id }) => [id, tiers.timing.perFly(c, id, left) / factor])),
    modeFactor: factor,
    skills: skillsOf(c),
    tool: tool && toolStation(tool.name),
    prep: c.prep.filter((t) => !isDone(t)).map((t) => ({ minutes: t.minutes, station: t.station })),
    coats: coatsOf(recipe, fly),
    begunBy: around.begunBy,
    ...(around.pin &&
      (around.pin.shares.length > 0 ? { shares: around.pin.shares } : { pin: pinOf(around.pin, frame) })),
  };
}

/** A person's windows with the hours of single days, rests taken off as always; each minute once. */
function withExtra(
  windows: [number, number][],
  extra: Person["extraHours"],
  frame: Frame,
  restPerHour: number,
): [number, number][] {
  const more = extra.flatMap(({ day, from, to }) => {
    const at = frame.days[frame.dates.indexOf(day)];
    return at ? windowsOf([{ day: at.weekday, from, to }], [at], frame.now, restPerHour) : [];
  });
  return joined([...windows, ...more]);
}

/** A pin as the plan takes it: a time that has passed binds nobody any more, the person still does. */
function pinOf({ personId, at }: PlanPinRow, frame: Frame): PlannableBatch["pin"] {
  const start = at === null ? undefined : frame.minuteAt(at);
  return { person: personId, ...(start !== undefined && start >= frame.now && { start }) };
}

/** Minute at which the last of what a batch waits for is there; beyond the horizon where nobody knows when. */
function releaseOf(waits: Shortage[], frame: Frame): number {
  return Math.max(0, ...waits.map((w) => (w.arrives ? frame.minuteOf(w.arrives) : NEVER)));
}

const toolStation = (name: string): string => `tool: ${name}`;

/** A station or a shared tool out of use that a batch cannot do without. */
export function stationDownFor(
  { batch, recipe, prep, fly }: ComputedBatch,
  settings: Settings,
  prepDone: ReadonlySet<string>,
): { name: string; down: string | null } | undefined {
  const needed = new Set<string>(
    prep.flatMap((t) => (t.station && !prepDone.has(prepKey(batch.id, t)) ? [t.station] : [])),
  );
  if (coatsOf(recipe, fly).length > 0) needed.add("finishing");
  const isTied = batch.starts <= batch.good + batch.rejected;
  const tools = isTied ? [] : sharedToolsOf({ fly }, settings);
  return [...settings.stations.filter((s) => needed.has(s.name)), ...tools].find((s) => s.down !== null);
}

/** What lies on a loaded bobbin: changing to such a thread takes no minutes. */
const loadedMaterials = (lots: Room["lots"]): string[] =>
  [...lots].filter(([, list]) => list.some((l) => l.loaded)).map(([material]) => material);

/** Blends that are there when the batch takes its turn: they are not milled again. */
const blendsThere = ({ batches }: Room, shortages: Shortage[]): string[] => {
  const short = new Set(shortages.map((s) => `${s.batch}|${s.material}`));
  return batches.flatMap(({ batch, prep, requirements }) =>
    prep
      .filter((t) => t.kind === "mill blend")
      .filter((t) => requirements.every((r) => r.component !== t.component || !short.has(`${batch.id}|${r.material}`)))
      .map((t) => prepKey(batch.id, t)),
  );
};

/** The whole room as a problem: open batches over the people's hours, each released when its materials are there. */
export async function readPlanning(db: Db, now: Date, effort: Effort): Promise<Planning> {
  const room = await readRoom(db);
  const { needs, shortages } = shareOut(room);
  const people = await activePeople(db);
  const [logged, ranks, begun] = [await preparedKeys(db), await rankByCustomer(db), await tyingBy(db)];
  const prepDone = new Set([...logged, ...blendsThere(room, shortages)]);
  const pins = await openPins(db);
  const timing = await readTiming(db, room.world, people);
  const { settings } = room.world;
  const waiting = groupBy(shortages, (s) => s.batch);
  const frame = frameOf(settings.timeZone, now);
  const days = frame.days.slice(0, HORIZON_DAYS);
  const minutesOff = (off: Settings["holidays"]) =>
    off.map((o) => ({ from: frame.minuteOf(o.from), to: frame.endOf(o.to) }));
  const closed = minutesOff(settings.holidays);
  const planners = people.map(({ id, role, skills, pace, hours, absences, extraHours }): PlanningPerson => {
    const off = [...closed, ...minutesOff(absences)];
    const week = windowsOf(hours, days, frame.now, settings.restPerHour, off);
    return { id, role, skills, pace, windows: withExtra(week, extraHours, frame, settings.restPerHour) };
  });
  const circumstances = (c: ComputedBatch): Circumstances => ({
    release:
      stationDownFor(c, settings, prepDone) === undefined ? releaseOf(waiting.get(c.batch.id) ?? [], frame) : NEVER,
    prepDone,
    rank: Math.min(...c.batch.claims.map((x) => ranks.get(x.customer) ?? USUAL_RANK), USUAL_RANK),
    begunBy: begun.get(c.batch.id),
    pin: pins.get(c.batch.id),
  });
  const batches = room.batches
    .filter((c) => !c.fault)
    .map((c) => plannable(c, frame, circumstances(c), { planners, timing, settings }));
  const { changeOver: setup, rackPlaces } = settings;
  const stations = [
    ...settings.stations.map((s) => ({ id: s.name as string, capacity: s.places })),
    ...settings.sharedTools.map((t) => ({ id: toolStation(t.name), capacity: t.places })),
  ];
  const readyThreads = loadedMaterials(room.lots);
  const rules = { horizon: HORIZON_DAYS * DAY_MINUTES, setup, readyThreads, rackPlaces, stations };
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
    timing,
    pins,
    lateness: await latenessByName(db),
    effort,
  };
}

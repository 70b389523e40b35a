import { rehearse, solveSchedule, type Rehearsal, type ScheduleResult } from "@kasten/core/schedule";
import type { Batch, sumBatches } from "@kasten/contract/batches";
import type { ReplyOf } from "@kasten/contract/http";
import type { DataSource } from "typeorm";
import type { Plan } from "@kasten/contract/schedule";
import { coverOf, stockOutlook } from "../needs";
import type { Db } from "../database/rows";
import {
  basisOf,
  differencesOf,
  draftOf,
  FULL_EFFORT,
  keepLateBy,
  keepPlanOrder,
  knowledgeOf,
  lastVersion,
  lateCauses,
  lateOrders,
  oddsOfOrders,
  orderGroups,
  prepWork,
  promiseLines,
  readPlanning,
  readPlanOrder,
  SEED,
  shareOf,
  standingOf,
  toPlan,
  turnsOf,
  type Basis,
  type Effort,
  type Line,
  type OrderOdds,
  type Planning,
  type PromisedLines,
} from "../schedule";
import type { Part } from "./entities";
import { findPart, isFirst, keepPart, newestChange, tellParts } from "./queries";

/** So often a plan is played through: odds to about one in a hundred. */
const RUNS = 800;

/**
 * Computes what the open batches need, what the stock covers, and the plan, and keeps them. What is read is the room of
 * one moment; it takes no lock that a change could wait for.
 */
export async function reckon(
  source: DataSource,
  { now = new Date(), effort = FULL_EFFORT }: { now?: Date; effort?: Effort } = {},
): Promise<void> {
  await source.transaction(async (alone) => {
    if (!(await isFirst(alone))) return;
    const began = performance.now();
    const change = await newestChange(source.manager);
    const planning = await source.transaction("REPEATABLE READ", (db) => readPlanning(db, now, effort));
    const docs = await docsOf(source.manager, planning);
    const tookMs = Math.round(performance.now() - began);
    await source.transaction(async (db) => {
      const renewed: Part[] = [];
      for (const part of parts)
        if (await keepPart(db, { part, change, at: now, tookMs, doc: JSON.stringify(docs[part]) })) renewed.push(part);
      await tellParts(db, renewed);
    });
  });
}

interface Shown {
  plan: Plan;
  odds: OrderOdds;
  rehearsal: Rehearsal;
}

/** All that is kept, from one reading of the room. */
async function docsOf(db: Db, planning: Planning): Promise<Record<Part, unknown>> {
  const before = await readPlanOrder(db);
  const version = await lastVersion(db);
  const draft = draftOf(planning, before?.work);
  const revision = await keepPlanOrder(db, before, draft);
  // What was published, as it now runs: in its order, with what has come since where it costs least.
  const runs = version
    ? solveSchedule(planning.problem, { seed: SEED, iterations: 0, start: version.doc.work })
    : undefined;
  const knowledge = knowledgeOf(planning, draft);
  const published = await standingOf(db, version, planning, runs);
  const shown = (result: ScheduleResult, known = knowledge): Shown => {
    const rehearsal = rehearse(planning.problem, result, known, {
      seed: SEED,
      runs: shareOf(RUNS, planning.effort),
      goesAhead: true,
      level: planning.room.world.settings.promiseLevel,
      groups: orderGroups(planning),
    });
    const plan = toPlan(planning, result, { rehearsal, revision, published, differences: [] });
    return { plan, odds: oddsOfOrders(planning, plan, rehearsal), rehearsal };
  };
  const { plan, odds, rehearsal } = shown(draft);
  const inForce = runs ? shown(runs, knowledgeOf(planning, runs)) : undefined;
  plan.differences = version ? differencesOf(planning, version, plan) : [];
  const worked = inForce?.plan ?? plan;
  await keepLateBy(db, planning.room.today, lateCauses(planning, worked));
  return {
    needs: { needs: planning.needs },
    cover: [...coverOf(planning.room)],
    sums: sumsOf(planning.room.batches.map((c) => c.batch)),
    plan,
    published: inForce?.plan ?? null,
    problem: { revision, problem: planning.problem, assignments: draft.assignments, knowledge },
    late: { orders: lateOrders(planning, worked) },
    odds: { orders: inForce?.odds ?? odds },
    turns: { people: turnsOf(planning, worked) },
    basis: basisOf(planning, draft, knowledge, rehearsal),
    preparations: prepWork(planning),
    stock: stockOutlook(planning.room, startsOf(planning, worked)),
  };
}

/** The day on which a batch is begun, by the plan. */
function startsOf({ frame }: Planning, { work }: Plan): (batch: string) => string | undefined {
  const first = new Map<string, number>();
  for (const w of work) first.set(w.batch, Math.min(first.get(w.batch) ?? Infinity, w.start));
  return (batch) => {
    const minute = first.get(batch);
    return minute === undefined ? undefined : frame.dayOf(minute);
  };
}

interface KeptBasis {
  revision: string;
  at: Date;
  basis: Basis;
}
/** In one order, as every writer of them has it. */
const parts: Part[] = [
  "basis",
  "cover",
  "late",
  "needs",
  "odds",
  "plan",
  "preparations",
  "problem",
  "published",
  "stock",
  "sums",
  "turns",
];

function sumsOf(batches: Batch[]): ReplyOf<typeof sumBatches> {
  const sum = (of: (b: Batch) => number) => batches.reduce((total, b) => total + of(b), 0);
  return {
    batches: batches.length,
    owed: sum((b) => b.owed),
    starts: sum((b) => b.starts),
    minutes: sum((b) => b.minutes),
  };
}

const read = new WeakMap<DataSource, KeptBasis>();

/** The basis as it is kept, from memory when it is still the same. */
async function readBasis(source: DataSource): Promise<KeptBasis> {
  const known = read.get(source);
  const found = await findPart(source.manager, "basis", known?.revision);
  if (found?.doc == null && known) return known;
  if (found?.doc == null) throw new Error("No plan has been made yet: reckon first.");
  // What this program wrote itself, in the shape named here.
  const fresh = { revision: found.revision, at: found.at, basis: JSON.parse(found.doc) as Basis };
  read.set(source, fresh);
  return fresh;
}

/** The earliest days of some lines, against the plan as it is kept. */
export async function promised(
  source: DataSource,
  lines: Line[],
  { now = new Date(), effort = FULL_EFFORT }: { now?: Date; effort?: Effort } = {},
): Promise<PromisedLines> {
  const { at, basis } = await readBasis(source);
  return promiseLines(source.manager, basis, at, now, lines, effort);
}

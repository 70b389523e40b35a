import { chanceOfEnough, gateReasons } from "@kasten/core/batches";
import { allocate, hookCode, quantityWords, workingOf, type Requirement } from "@kasten/core/materials";
import { nearHooks } from "@kasten/core/hooks";
import { hookOf, missingFrom, notPromised } from "@kasten/core/patterns";
import type { Working, RequirementData } from "@kasten/contract/materials";
import type { BatchDetail } from "@kasten/contract/batches";
import type { EntityManager } from "typeorm";
import { rows } from "../database/source";
import { historyOf } from "../http/log";
import { notFound } from "../http/problems";
import {
  allocateFor,
  freeFor,
  lotsInDrawers,
  proposalFor,
  proposalWords,
  pulledRows,
  reservedRows,
  sourcesByMaterial,
  type ReservedRow,
  type SourceRow,
  type StockedLot,
} from "../materials";
import { readWorld, todayIn, type World } from "../patterns";
import { allPeople } from "../team";
import { computeBatch, type ComputedBatch } from "./compute";
import { readLearned, type Learned } from "./knowledge";
import { batchById } from "./open";

/** Everything about one batch that its page, its pull sheet and its gate need. */
export interface BatchRoom {
  world: World;
  today: string;
  computed: ComputedBatch;
  learned: Learned;
  lots: Map<string, StockedLot[]>;
  reserved: ReservedRow[];
  pulled: Map<string, number>;
  sources: Map<string, SourceRow[]>;
}

export async function readBatchRoom(db: EntityManager, id: string): Promise<BatchRoom> {
  const open = await batchById(db, id);
  if (!open) throw notFound("batch");
  const world = await readWorld(db);
  const learned = await readLearned(db);
  return {
    world,
    today: todayIn(world.settings.timeZone),
    computed: computeBatch(world, learned, open),
    learned,
    lots: await lotsInDrawers(db),
    reserved: await reservedRows(db, id),
    pulled: new Map((await pulledRows(db, id)).map((p) => [p.key, p.quantity])),
    sources: await sourcesByMaterial(db),
  };
}

export const reservedFor = (room: BatchRoom, key: string): number =>
  room.reserved.filter((r) => r.key === key).reduce((sum, r) => sum + r.quantity, 0);

/** Still to be reserved of a requirement: what is neither reserved nor in the kit. */
export const missingOf = (room: BatchRoom, r: Requirement): number =>
  Math.max(0, r.issue - reservedFor(room, r.key) - (room.pulled.get(r.key) ?? 0));

/** The next thing to do about a shortage, as a sentence. */
function remedyFor(
  room: BatchRoom,
  r: Requirement,
  short: number,
  needsMixing: boolean,
): { remedy: string | null; earliest: string | null } {
  if (short <= 0) return { remedy: null, earliest: null };
  if (needsMixing)
    return {
      remedy: "There is enough only by mixing dye lots. Accept that for this batch, or order the whole in one lot.",
      earliest: room.today,
    };
  const blend = room.world.materials.get(r.material)?.blend;
  if (blend)
    return {
      remedy: `Mill it: ${Object.entries(blend.parts)
        .map(([code, share]) => `${Math.round(share * 100)} % ${room.world.materials.get(code)?.name ?? code}`)
        .join(", ")}. Log the milling under preparation.`,
      earliest: room.today,
    };
  if (r.component === "hook") return hookRemedy(room, r, short);
  const alternate = r.alternates.find(
    (code) =>
      allocate({ quantity: short, side: r.side, barb: r.barb, mixLots: false }, room.lots.get(code) ?? []).short === 0,
  );
  const proposal = proposalFor(short, room.sources.get(r.material), room.today);
  const words = proposal
    ? proposalWords(proposal)
    : `No supplier is known for it: find ${quantityWords(short, r.unit)}.`;
  const allowed = alternate
    ? ` Or ask the customer: ${room.world.materials.get(alternate)?.name ?? alternate} is there and does the same.`
    : "";
  return { remedy: words + allowed, earliest: proposal?.arrives ?? null };
}

/** A short hook: buy it, or tie on one that comes near enough and is there. */
function hookRemedy(
  room: BatchRoom,
  r: Requirement,
  short: number,
): { remedy: string | null; earliest: string | null } {
  const { recipe, batch } = room.computed;
  const proposal = proposalFor(short, room.sources.get(r.material), room.today);
  const model = room.world.hooks.get(hookOf(recipe, batch));
  const near = model
    ? nearHooks(model, batch.size, room.world.hooks.values(), recipe.shankTolerance ?? 0).filter((h) => h.fits)
    : [];
  const there = near.find(
    (h) => allocate({ quantity: r.issue, mixLots: true }, room.lots.get(hookCode(h.id, batch.size)) ?? []).short === 0,
  );
  const words = proposal
    ? proposalWords(proposal)
    : `No supplier is known for it: find ${quantityWords(short, r.unit)}.`;
  return {
    remedy: there
      ? `${words} Or tie it on ${there.name}, which is there: ${there.differs.join(", ") || "the same figures"}.`
      : words,
    earliest: proposal?.arrives ?? null,
  };
}

function toData(room: BatchRoom, r: Requirement): RequirementData {
  const { computed, world } = room;
  const missing = missingOf(room, r);
  const plan = allocateFor(r, missing, computed.batch.mixLots, room.lots);
  const material = world.materials.get(r.material);
  const { uses: _uses, alternates: _alternates, barb: _barb, cutTo: _cutTo, teaches: _teaches, side, ...numbers } = r;
  return {
    ...numbers,
    side: side ?? null,
    colour: material?.colour ?? null,
    working: (computed.fly
      ? workingOf(r, computed.fly, computed.batch.starts, computed.known)
      : emptyWorking) as Working,
    reserved: room.reserved
      .filter((x) => x.key === r.key)
      .map(({ lot, lotCode, dyeLot, place, quantity }) => ({ lot, lotCode, dyeLot, place, quantity })),
    pulled: room.pulled.get(r.key) ?? 0,
    free: freeFor(r, room.lots),
    short: plan.short,
    ...remedyFor(room, r, plan.short, plan.needsMixing),
    caution: material?.caution ?? null,
    lead: material?.lead ?? false,
  };
}

const emptyWorking: Working = {
  formula: "",
  written: "",
  inputs: [],
  through: [],
  result: { name: "", value: 0, unit: "" },
};

/** What holds the batch back from the bench. */
export function gateOf(room: BatchRoom, people: { role: string; skills: string[] }[]): string[] {
  const { batch, recipe, requirements, fault } = room.computed;
  const skills = [
    ...new Set([
      ...recipe.skills,
      ...recipe.steps.flatMap((s) => (s.component && batch.buy.includes(s.component) ? [] : (s.skills ?? []))),
    ]),
  ];
  const stations = new Set([
    ...room.computed.prep.flatMap((t) => (t.station ? [t.station] : [])),
    ...(recipe.finish.state === "given" ? ["finishing"] : []),
  ]);
  const mixed = requirements.filter(
    (r) => new Set(room.reserved.filter((x) => x.key === r.key && x.dyeLot).map((x) => x.dyeLot)).size > 1,
  );
  return [
    ...(fault ? [fault] : []),
    ...notPromised(recipe, batch, room.world.materials),
    ...gateReasons({
      missingFromPattern: missingFrom(recipe),
      shortages: requirements
        .filter((r) => missingOf(room, r) > 0)
        .map(
          (r) =>
            `${quantityWords(missingOf(room, r), r.unit)} of ${r.materialName}${r.side ? `, ${r.side}` : ""}: reserve it, or see what to do beside it`,
        ),
      mixedLots: batch.mixLots ? [] : mixed.map((r) => r.materialName),
      skills,
      peopleAble: people.filter((p) => p.role !== "shop" && skills.every((s) => p.skills.includes(s))).length,
      stationsDown: room.world.settings.stationsDown.filter((s) => stations.has(s)),
    }),
  ];
}

export async function batchDetail(db: EntityManager, id: string): Promise<BatchDetail> {
  const room = await readBatchRoom(db, id);
  const { batch, recipe, requirements, prep } = room.computed;
  const outcomes = room.learned.outcomes(batch.pattern);
  const level = room.world.settings.serviceLevel;
  const done = await rows<{ kind: string; component: string; by: string }>(
    db,
    "SELECT bp.kind, bp.component, p.name AS by FROM batch_prep bp JOIN person p ON p.id = bp.person_id WHERE bp.batch_id = $1",
    [id],
  );
  const data = requirements.map((r) => toData(room, r));
  return {
    ...batch,
    requirements: data,
    prep: prep.map((t) => {
      const by = done.find((d) => d.kind === t.kind && d.component === t.component)?.by ?? null;
      return { ...t, station: t.station ?? null, done: by !== null, doneBy: by };
    }),
    held_back: batch.state === "planned" ? gateOf(room, await allPeople(db)) : [],
    history: await historyOf(db, "batch", id),
    startsWorking: {
      owed: batch.owed,
      good: outcomes.good,
      bad: outcomes.bad,
      level,
      chance: chanceOfEnough(batch.starts, batch.owed, outcomes),
      batches: outcomes.batches,
    },
    buyable: recipe.components.flatMap((c) =>
      c.bought
        ? [
            {
              component: c.id,
              role: c.role,
              bought: room.world.materials.get(c.bought.material)?.name ?? c.bought.material,
              makeMinutes: c.makeMinutes ?? 0,
            },
          ]
        : [],
    ),
    newestVersion: room.world.patterns.get(batch.pattern)?.version ?? batch.patternVersion,
    cautions: [
      ...new Set([
        ...data.flatMap((r) => (r.caution ? [r.caution] : [])),
        ...recipe.steps.flatMap((s) => (s.caution ? [s.caution] : [])),
      ]),
    ],
  };
}

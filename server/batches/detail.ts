import type { PrepTask } from "@kasten/core/batches";
import { chanceOfEnough, EIGHT_OF_TEN } from "@kasten/core/learning";
import { isSpooled } from "@kasten/core/materials";
import { workingOf, type Requirement } from "@kasten/core/needs";
import type { Derivation } from "@kasten/core/derivation";
import { traitWords } from "@kasten/core/stock";
import { basePerCore, less, nothing, sumOf } from "@kasten/core/units";
import type { RequirementData } from "@kasten/contract/materials";
import type { BatchDetail } from "@kasten/contract/batches";
import type { Person } from "@kasten/contract/team";
import type { Db } from "../database/rows";
import type { ReservedRow } from "../ledger";
import { historyOf } from "../log";
import { activePeople } from "../team";
import { allocateFor, freeFor } from "./allocation";
import { breachesOf } from "./breaches";
import { skillsOf } from "./compute";
import { gateOf } from "./gate";
import { preparedOf, tiedOf } from "./queries";
import { remedyFor } from "./remedy";
import { missingOf, readBatchRoom, type BatchRoom } from "./room";
import { readTiming } from "./timing";

const emptyWorking: Derivation = {
  formula: "",
  written: "",
  inputs: [],
  through: [],
  result: { name: "", value: 0, unit: "" },
};

/** How many lengths of a requirement are cut from a lot; of a remnant, what is left of it then. */
function cutOf({ cutTo }: Requirement, x: ReservedRow): RequirementData["reserved"][number]["cut"] {
  if (cutTo === undefined) return null;
  const lengths = Math.round(x.quantity / (cutTo * basePerCore.um));
  return { lengths, ofMm: cutTo, leftMm: x.remnant ? less(x.there, x.quantity) / basePerCore.um : null };
}

function toData(room: BatchRoom, r: Requirement): RequirementData {
  const { computed, world } = room;
  const plan = allocateFor(r, missingOf(room, r), computed.batch.mixLots, room.lots);
  const material = world.materials.get(r.material);
  const { key, component, role, materialName, unit, side = null, perFly, net, expected, issue, words } = r;
  return {
    key,
    component,
    role,
    material: r.material,
    materialName,
    unit,
    side,
    perFly,
    net,
    expected,
    issue,
    words,
    colour: material?.colour ?? null,
    working: computed.fly ? workingOf(r, computed.fly, computed.batch.starts, computed.known) : emptyWorking,
    reserved: room.reserved
      .filter((x) => x.key === key)
      .map((x) => ({
        lot: x.lot,
        lotCode: x.lotCode,
        dyeLot: x.dyeLot,
        place: x.place,
        quantity: x.quantity,
        cut: cutOf(r, x),
        about: traitWords(x.traits),
      })),
    pulled: room.pulled.get(key) ?? nothing,
    free: freeFor(r, room.lots),
    short: plan.short,
    ...remedyFor(room, r, plan),
    caution: material?.caution ?? null,
    lead: material?.lead ?? false,
  };
}

function buyableOf({ world, computed }: BatchRoom): BatchDetail["buyable"] {
  return computed.recipe.components.flatMap(({ id, role, bought, makeMinutes = 0 }) =>
    bought
      ? [{ component: id, role, bought: world.materials.get(bought.material)?.name ?? bought.material, makeMinutes }]
      : [],
  );
}

/** A blend that is there for it is not milled again. */
function isNeeded(room: BatchRoom, { kind, component }: PrepTask): boolean {
  if (kind !== "mill blend") return true;
  const r = room.computed.requirements.find((x) => x.component === component);
  return !r || allocateFor(r, missingOf(room, r), room.computed.batch.mixLots, room.lots).short > nothing;
}

async function prepOf(db: Db, room: BatchRoom): Promise<BatchDetail["prep"]> {
  const { computed } = room;
  const done = await preparedOf(db, computed.batch.id);
  return computed.prep.map((t) => {
    const doneBy = done.find((d) => d.kind === t.kind && d.component === t.component)?.by ?? null;
    return { ...t, station: t.station ?? null, needed: isNeeded(room, t), done: doneBy !== null, doneBy };
  });
}

/** Threads, wires and flosses of a batch, each with the loaded bobbins that have it: the others are to be loaded. */
const bobbinsOf = ({ computed, lots, world }: BatchRoom): BatchDetail["bobbins"] =>
  [...new Map(computed.requirements.map((r) => [r.material, r])).values()]
    .filter((r) => isSpooled(world.materials.get(r.material)?.form ?? "hook"))
    .map((r) => ({
      material: r.material,
      name: r.materialName,
      colour: world.materials.get(r.material)?.colour ?? null,
      loaded: (lots.get(r.material) ?? []).filter((l) => l.loaded).map((l) => l.drawer),
    }));

/** Minutes a fly that each of those who can tie a batch is reckoned with. */
async function tiersOf(db: Db, room: BatchRoom, people: Person[]): Promise<BatchDetail["tiers"]> {
  const skills = skillsOf(room.computed);
  const able = people.filter((p) => p.role !== "shop" && skills.every((s) => p.skills.includes(s)));
  const timing = await readTiming(db, room.world, people);
  return able
    .map(({ id: person, name }) => {
      const { perFly, own, shares, batches } = timing.ahead(room.computed, person, room.computed.batch.starts);
      const sd = Math.sqrt(shares.reduce((sum, s) => sum + s.sd ** 2, own ** 2));
      const [low, high] = [-1, 1].map((z) => perFly * Math.exp(z * EIGHT_OF_TEN * sd)) as [number, number];
      return { person, name, perFly, low, high, batches };
    })
    .sort((a, b) => a.perFly - b.perFly);
}

export async function batchDetail(db: Db, id: string): Promise<BatchDetail> {
  const room = await readBatchRoom(db, id);
  const { batch, recipe, requirements } = room.computed;
  const outcomes = room.learned.outcomes(batch.pattern);
  const data = requirements.map((r) => toData(room, r));
  const people = await activePeople(db);
  return {
    ...batch,
    requirements: data,
    prep: await prepOf(db, room),
    tied: await tiedOf(db, batch),
    bobbins: bobbinsOf(room),
    kitOffers: room.computed.kitOffers.map((material) => ({
      material,
      name: room.world.materials.get(material)?.name ?? material,
      free: sumOf((room.lots.get(material) ?? []).map((l) => l.free)),
      taken: batch.kitParts.includes(material),
    })),
    held_back: batch.state === "planned" ? gateOf(room, people) : [],
    history: await historyOf(db, "batch", id),
    startsWorking: {
      owed: batch.owed,
      good: outcomes.good,
      bad: outcomes.bad,
      level: room.world.settings.serviceLevel,
      chance: chanceOfEnough(batch.starts, batch.owed, outcomes),
      batches: outcomes.batches,
    },
    breaches: breachesOf(room.world, room.computed),
    buyable: buyableOf(room),
    tiers: room.computed.fault ? [] : await tiersOf(db, room, people),
    newestVersion: room.world.patterns.get(batch.pattern)?.version ?? batch.patternVersion,
    cautions: [
      ...new Set([
        ...data.flatMap((r) => (r.caution ? [r.caution] : [])),
        ...recipe.steps.flatMap((s) => (s.caution ? [s.caution] : [])),
      ]),
    ],
  };
}

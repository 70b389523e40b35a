import { chanceOfEnough } from "@kasten/core/learning";
import { workingOf, type Requirement } from "@kasten/core/needs";
import type { Derivation } from "@kasten/core/derivation";
import { basePerCore, less, nothing } from "@kasten/core/units";
import type { RequirementData } from "@kasten/contract/materials";
import type { BatchDetail } from "@kasten/contract/batches";
import type { Db } from "../database/rows";
import type { ReservedRow } from "../ledger";
import { historyOf } from "../log";
import { activePeople } from "../team";
import { allocateFor, freeFor } from "./allocation";
import { breachesOf } from "./breaches";
import { gateOf } from "./gate";
import { preparedOf } from "./queries";
import { remedyFor } from "./remedy";
import { missingOf, readBatchRoom, type BatchRoom } from "./room";

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

async function prepOf(db: Db, { computed }: BatchRoom): Promise<BatchDetail["prep"]> {
  const done = await preparedOf(db, computed.batch.id);
  return computed.prep.map((t) => {
    const doneBy = done.find((d) => d.kind === t.kind && d.component === t.component)?.by ?? null;
    return { ...t, station: t.station ?? null, done: doneBy !== null, doneBy };
  });
}

export async function batchDetail(db: Db, id: string): Promise<BatchDetail> {
  const room = await readBatchRoom(db, id);
  const { batch, recipe, requirements } = room.computed;
  const outcomes = room.learned.outcomes(batch.pattern);
  const data = requirements.map((r) => toData(room, r));
  return {
    ...batch,
    requirements: data,
    prep: await prepOf(db, room),
    held_back: batch.state === "planned" ? gateOf(room, await activePeople(db)) : [],
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
    newestVersion: room.world.patterns.get(batch.pattern)?.version ?? batch.patternVersion,
    cautions: [
      ...new Set([
        ...data.flatMap((r) => (r.caution ? [r.caution] : [])),
        ...recipe.steps.flatMap((s) => (s.caution ? [s.caution] : [])),
      ]),
    ],
  };
}

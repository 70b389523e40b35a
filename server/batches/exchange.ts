import type { Requirement } from "@kasten/core/needs";
import { lotKey } from "@kasten/core/stock";
import { less, nothing, quantity, sumOf, type Quantity } from "@kasten/core/units";
import type { Db } from "../database/rows";
import { giveBack, putBy, reservedOfMaterial, type StockedLot } from "../ledger";
import { allocateFor, shareLots, type ClassDemand } from "./allocation";
import { logEvent } from "../log";
import { computeBatch } from "./compute";
import { openBatchesById } from "./queries";
import type { BatchRoom } from "./room";

/** So much of a lot in a place. */
interface Take {
  lot: string;
  place: number;
  quantity: Quantity;
}

/**
 * Reserves feathers of a class of which too few are free, by moving other batches' reservations to classes that they
 * can use as well: nobody has fewer than before. Called with the lots of the material locked.
 *
 * @returns what this batch gets in all of the missing; nothing where enough is free, or where moving gives no more:
 *   then
 *   nothing was done
 */
export async function exchange(
  db: Db,
  person: { id: string },
  room: BatchRoom,
  requirement: Requirement,
  missing: Quantity,
): Promise<Quantity> {
  const own = room.computed.batch;
  const free = allocateFor(requirement, missing, own.mixLots, room.lots);
  if (free.short === nothing) return nothing;
  const others = await othersOf(db, room, requirement);
  const lots = withReserved(room.lots.get(requirement.material) ?? [], others);
  const mine: ClassDemand = {
    id: "",
    requirement,
    missing,
    mixLots: own.mixLots,
    due: "9999-12-31",
    rank: others.length,
  };
  const share = shareLots([...others.map((o) => o.demand), mine], lots);
  const got = share.demands.find((d) => d.id === "");
  // Only where moving gives more than is free as it is.
  if (
    !got ||
    got.short >= free.short ||
    others.some((o) => (share.demands.find((d) => d.id === o.demand.id)?.short ?? 1) > 0)
  )
    return nothing;
  const byClass = new Map(lots.map((l) => [lotKey(l), l]));
  const takesOf = (id: string): Take[] =>
    (share.demands.find((d) => d.id === id)?.takes ?? []).flatMap((t) => {
      const lot = byClass.get(t.class);
      return lot ? [{ lot: lot.lot, place: lot.place, quantity: quantity(t.feathers, "count") }] : [];
    });
  const moved = others.filter((o) => !isSame(o.takes, takesOf(o.demand.id)));
  for (const o of moved) await giveBack(db, { batchId: o.batch, key: o.key });
  for (const o of moved)
    for (const t of takesOf(o.demand.id))
      await putBy(db, { lotId: t.lot, placeId: t.place, quantity: t.quantity, batchId: o.batch, key: o.key });
  for (const batch of new Set(moved.map((o) => o.batch))) {
    const told = `Its ${requirement.materialName} comes from other lots now, so that batch ${own.number} has its class`;
    await logEvent(db, person, "batch", batch, "exchanged", told);
  }
  for (const t of takesOf(""))
    await putBy(db, { lotId: t.lot, placeId: t.place, quantity: t.quantity, batchId: own.id, key: requirement.key });
  const left = new Map(share.left.map((l) => [l.class, l.feathers]));
  for (const l of room.lots.get(requirement.material) ?? []) l.free = quantity(left.get(lotKey(l)) ?? l.free, "count");
  return quantity(got.met, "count");
}

interface Other {
  batch: string;
  key: string;
  takes: Take[];
  demand: ClassDemand;
}

/** What other batches have put by of the material and have not pulled yet, as demands that keep all of it. */
async function othersOf(db: Db, room: BatchRoom, requirement: Requirement): Promise<Other[]> {
  const rows = (await reservedOfMaterial(db, requirement.material)).filter((r) => r.batch !== room.computed.batch.id);
  const batches = await openBatchesById(db, [...new Set(rows.map((r) => r.batch))]);
  const others: Other[] = [];
  for (const b of batches) {
    const computed = computeBatch(room.world, room.learned, b);
    for (const asked of computed.requirements.filter((r) => r.material === requirement.material)) {
      const takes = rows.filter((r) => r.batch === b.id && r.key === asked.key);
      if (takes.length === 0) continue;
      others.push({
        batch: b.id,
        key: asked.key,
        takes,
        demand: {
          id: `${b.id}|${asked.key}`,
          requirement: asked,
          missing: sumOf(takes.map((t) => t.quantity)),
          mixLots: b.mixLots,
          due: computed.batch.due,
          rank: others.length,
        },
      });
    }
  }
  return others;
}

/** The lots with what others have put by counted as free: it is about to be shared out anew. */
function withReserved(lots: StockedLot[], others: Other[]): StockedLot[] {
  const back = new Map<string, Quantity>();
  for (const t of others.flatMap((o) => o.takes))
    back.set(lotKey(t), sumOf([back.get(lotKey(t)) ?? nothing, t.quantity]));
  return lots.map((l) => ({ ...l, free: sumOf([l.free, back.get(lotKey(l)) ?? nothing]) }));
}

const isSame = (a: Take[], b: Take[]): boolean => {
  const amounts = new Map(b.map((t) => [lotKey(t), t.quantity]));
  return a.length === b.length && a.every((t) => less(t.quantity, amounts.get(lotKey(t)) ?? nothing) === nothing);
};

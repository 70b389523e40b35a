import type { MaterialOutlook } from "@kasten/contract/stock";
import { lotKey } from "@kasten/core/stock";
import { less, quantityOf } from "@kasten/core/units";
import { acceptedMm, shareLots, type ClassDemand } from "../batches";
import type { StockedLot } from "../ledger";
import { asksOf, classDemands, standingOf, type Room } from "./needs";

/** What the coming work does to one material, kept with the rest of the outlook. */
export type KeptOutlook = Pick<MaterialOutlook, "needs" | "share">;

/**
 * For each material that the open batches need: when how much of it leaves the drawer, and, where classes are asked
 * for, how its lots are shared out.
 * @param startOf the day on which a batch is begun by the plan; where it has none, the day it is due
 */
export function stockOutlook(room: Room, startOf: (batch: string) => string | undefined): [string, KeptOutlook][] {
  const byMaterial = new Map<string, KeptOutlook>();
  for (const c of room.batches)
    for (const r of asksOf(room, c)) {
      const { batch } = c;
      const { needed } = standingOf(room, batch.id, r);
      if (needed <= 0) continue;
      const kept = byMaterial.get(r.material) ?? { needs: [], share: null };
      byMaterial.set(r.material, kept);
      kept.needs.push({
        day: startOf(batch.id) ?? batch.due,
        quantity: needed,
        batch: batch.id,
        number: batch.number,
        pattern: `${batch.patternName} ${batch.size}`,
        piece: r.unit === "um" ? quantityOf(r.cutTo ?? r.perFly, "um") : null,
      });
    }
  for (const [material, demands] of classDemands(room)) {
    const kept = byMaterial.get(material);
    if (kept) kept.share = shareOf(room, material, demands);
  }
  return [...byMaterial];
}

/** What a batch accepts, as it is drawn: fibres have no upper end but that of the longest class. */
function shownInterval({ requirement }: ClassDemand, lots: StockedLot[]): [number, number] | null {
  const accepted = acceptedMm(requirement);
  if (!accepted) return null;
  const longest = Math.max(accepted[0], ...lots.flatMap((l) => l.barb?.[1] ?? []));
  return [accepted[0], Math.min(accepted[1], longest)];
}

function shareOf(room: Room, material: string, demands: ClassDemand[]): KeptOutlook["share"] {
  const lots = room.lots.get(material) ?? [];
  const share = shareLots(demands, lots);
  const batches = new Map(room.batches.map((b) => [b.batch.id, b.batch]));
  const left = new Map(share.left.map((l) => [l.class, l.feathers]));
  const asked = new Map(demands.map((d) => [d.id, d]));
  return {
    classes: lots.map((l) => {
      const id = lotKey(l);
      return {
        id,
        lot: l.lot,
        code: l.code,
        barb: l.barb ?? null,
        side: l.side ?? null,
        there: l.quantity,
        reserved: less(l.quantity, l.free),
        left: left.get(id) ?? 0,
      };
    }),
    demands: share.demands.flatMap(({ id, met, short, takes }) => {
      const [batchId = ""] = id.split("|");
      const batch = batches.get(batchId);
      const d = asked.get(id);
      if (!batch || !d || d.missing === 0) return [];
      return [
        {
          batch: batchId,
          number: batch.number,
          pattern: `${batch.patternName} ${batch.size}`,
          due: batch.due,
          barb: shownInterval(d, lots),
          wanted: d.missing,
          met,
          short,
          takes,
        },
      ];
    }),
    failsFirst: share.failsFirst?.class ?? null,
  };
}

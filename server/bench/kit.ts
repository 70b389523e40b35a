import { fliesDressed, hooksSpent, reconcile, type KitUse, type Tied } from "@kasten/core/batches";
import { quantityWords } from "@kasten/core/materials";
import type { Requirement } from "@kasten/core/needs";
import { discrepancySentence } from "@kasten/core/sentences";
import { basePerCore, less, lesser, nothing, quantity, quantityOf, sumOf, type Quantity } from "@kasten/core/units";
import type { KitUseSaid } from "@kasten/contract/bench";
import { batchUseEntity, type BatchRoom, type OpenBatch, type TaughtUse } from "../batches";
import { insert, type Db } from "../database/rows";
import { refused } from "../http/problems";
import { bench, kitLots, makeRemnant, move, scrap, type KitLot } from "../ledger";

type Who = { id: string };
type AtBench = OpenBatch & { kitId: number };

/** What of one material was taken, and what became of it. */
interface Closed {
  r: Requirement;
  lots: KitLot[];
  taken: Quantity;
  used: Quantity;
  scrapped: Quantity;
  /** As somebody said it; undefined where nobody did. */
  said: KitUseSaid | undefined;
}

/**
 * Used leaves the kit for the flies, spoiled goes to scrap, the rest back to the drawer it came from, lengths that are
 * kept as remnants of their own. It must add up, and agree with the flies tied.
 *
 * @returns what it teaches: what somebody counted or measured, and was not the end of the kit
 */
export async function closeKit(
  db: Db,
  person: Who,
  room: BatchRoom,
  open: AtBench,
  tied: Tied,
  uses: KitUseSaid[],
): Promise<TaughtUse[]> {
  const lots = await kitLots(db, open.id, open.kitId);
  const closed = room.computed.requirements.map((r) => closedOf(r, lots, tied, uses));
  const discrepancies = reconcile(tied, closed.map(asKitUse));
  if (discrepancies.length > 0) throw refused(discrepancies.map(discrepancySentence).join(" "));
  const taught: TaughtUse[] = [];
  for (const c of closed) {
    await emptyKit(db, person, open, c);
    if (c.taken === nothing) continue;
    const flies = open.good + open.rejected;
    const computed = teaches(c) ? computedFor(c.r, fliesDressed(tied)) : null;
    const { r, taken, used, scrapped, said } = c;
    taught.push({ component: r.component, material: r.material, used, scrapped, computed, ...countedAs(r) });
    await insert(db, batchUseEntity, {
      batchId: open.id,
      key: r.key,
      component: r.component,
      materialCode: r.material,
      flies,
      computed,
      taken,
      used,
      scrapped,
      returned: less(taken, used, scrapped),
      why: said?.why ?? "",
    });
  }
  return taught;
}

const computedFor = (r: Requirement, flies: number): Quantity =>
  quantity(Math.max(1, r.perFly * flies * basePerCore[r.unit]), r.unit);

/** A figure that nobody touched repeats the computation, and a kit that was used up says only “at least so much”. */
const teaches = ({ r, said, taken, used, scrapped }: Closed): boolean =>
  r.teaches && said !== undefined && (r.unit === "count" || less(taken, used, scrapped) > nothing);

/** Whether a material is measured, counted in pieces, or cut into pieces, which is both. */
const countedAs = (r: Requirement): Pick<TaughtUse, "isMeasured" | "piece"> => ({
  isMeasured: r.unit !== "count",
  ...(r.unit === "count" && { piece: quantity(1, "count") }),
  ...(r.cutTo !== undefined && { piece: quantityOf(r.cutTo, "um") }),
});

/** Pieces of which every fly takes so many whole ones; undefined for what is measured or shared between flies. */
const piecesOf = (r: Requirement): number | undefined =>
  r.unit === "count" && r.uses.every(({ use }) => use.kind === "pieces")
    ? r.uses.reduce((sum, { use }) => sum + (use.kind === "pieces" ? use.each : 0), 0)
    : undefined;

const isHook = (r: Requirement): boolean => r.component === "hook";

const asKitUse = ({ r, taken, used, scrapped, said }: Closed): KitUse => ({
  key: r.key,
  material: r.materialName,
  unit: r.unit,
  isHook: isHook(r),
  piecesPerFly: piecesOf(r),
  taken,
  used,
  spoilt: scrapped,
  explained: Boolean(said?.why),
});

/** What was used and spoiled: as was said, else as computed and no more than was in the kit. */
function closedOf(r: Requirement, all: KitLot[], tied: Tied, uses: KitUseSaid[]): Closed {
  const lots = all.filter((l) => l.key === r.key);
  const taken = sumOf(lots.map((l) => l.quantity));
  const said = uses.find((u) => u.key === r.key);
  if (said) {
    const [used, scrapped] = [quantity(said.used, r.unit), quantity(said.scrapped, r.unit)];
    return { r, lots, taken, used, scrapped, said };
  }
  const flies = isHook(r) ? hooksSpent(tied) : fliesDressed(tied);
  const computed = quantityOf((piecesOf(r) ?? r.perFly) * flies, r.unit);
  return { r, lots, taken, used: lesser(taken, computed), scrapped: nothing, said };
}

async function emptyKit(db: Db, person: Who, { id: batch, kitId: from }: AtBench, closed: Closed): Promise<void> {
  const { r, said } = closed;
  const [benchPlace, scrapPlace] = [await bench(db), await scrap(db)];
  const back: { lot: string; drawer: number; quantity: Quantity }[] = [];
  let [openUse, openScrap] = [closed.used, closed.scrapped];
  for (const l of closed.lots) {
    const forUse = lesser(openUse, l.quantity);
    const forScrap = lesser(openScrap, less(l.quantity, forUse));
    const parts = [
      { quantity: forUse, to: benchPlace, reason: "tied on flies" },
      { quantity: forScrap, to: scrapPlace, reason: "spoiled" },
    ];
    for (const p of parts)
      if (p.quantity > nothing) await move(db, person, { lot: l.lot, from, batch, key: r.key, ...p });
    back.push({ lot: l.lot, drawer: l.drawer, quantity: less(l.quantity, forUse, forScrap) });
    openUse = less(openUse, forUse);
    openScrap = less(openScrap, forScrap);
  }
  await keepOffcuts(db, person, { from, batch, r, back }, said?.offcutsMm ?? []);
  for (const b of back)
    if (b.quantity > nothing)
      await move(db, person, {
        lot: b.lot,
        from,
        to: b.drawer,
        quantity: b.quantity,
        reason: "returned",
        batch,
        key: r.key,
      });
}

/** Each length that is worth keeping becomes a remnant, a lot of its own; taken off what goes back. */
async function keepOffcuts(
  db: Db,
  person: Who,
  kit: { from: number; batch: string; r: Requirement; back: { lot: string; drawer: number; quantity: Quantity }[] },
  lengthsMm: number[],
): Promise<void> {
  const { from, batch, r, back } = kit;
  if (lengthsMm.length > 0 && r.unit !== "um") throw refused(`${r.materialName} is not measured by length.`);
  for (const mm of lengthsMm) {
    const length = quantityOf(mm, "um");
    const source = back.find((b) => b.quantity >= length);
    if (!source) {
      const rest = quantityWords(sumOf(back.map((b) => b.quantity)), r.unit);
      throw refused(
        `A remnant of ${mm} mm of ${r.materialName} cannot be among the ${rest} that come back. Correct what was used, or the length.`,
      );
    }
    const key = r.key;
    await makeRemnant(db, person, { lot: source.lot, from, to: source.drawer, quantity: length, batch, key });
    source.quantity = less(source.quantity, length);
  }
}

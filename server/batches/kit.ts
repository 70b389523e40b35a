import { allocate } from "@kasten/core/stock";
import { quantityWords } from "@kasten/core/materials";
import { nothing, quantity } from "@kasten/core/units";
import type { Db } from "../database/rows";
import { conflict, notFound, refused } from "../http/problems";
import { dyeLotsInKit, kitLots, lockLotsOfBatch, markOpened, move } from "../ledger";
import { logEvent } from "../log";
import { todayIn } from "../settings";
import { changeBatch, lockedBatch } from "./lock";
import { demandOf } from "./allocation";
import { readBatchRoom } from "./room";

type Who = { id: string };

/**
 * More of a material leaves its drawers for the kit while a batch is tied: a remnant or an opened lot first, as when
 * it was reserved, and of the dye lot that is in the kit already.
 */
export async function drawMore(
  db: Db,
  person: Who,
  id: string,
  { key, quantity: wanted, note }: { key: string; quantity: number; note: string },
): Promise<void> {
  const batch = await lockedBatch(db, id, ["pulled", "tying"]);
  const { kitId } = batch;
  if (kitId === null) throw conflict(`Batch ${batch.number} has no kit.`);
  const room = await readBatchRoom(db, id, { locks: true });
  const r = room.computed.requirements.find((x) => x.key === key);
  if (!r) throw notFound("material of this batch");
  const much = quantity(wanted, r.unit);
  if (much === nothing) throw refused(`That is less than the smallest amount of ${r.materialName} that is counted.`);
  const begun = batch.mixLots ? [] : await dyeLotsInKit(db, id, key);
  const species = room.world.materials.get(r.material)?.controlledSpecies;
  const lots = (room.lots.get(r.material) ?? [])
    .filter((l) => begun.length === 0 || begun.includes(l.dyeLot))
    .filter((l) => species === undefined || l.hasPapers);
  const { take, short } = allocate({ ...demandOf(r, much, batch.mixLots), piece: undefined }, lots);
  if (short > nothing)
    throw conflict(
      `${quantityWords(short, r.unit)} of ${r.materialName}${species === undefined ? "" : ", with papers,"}${begun.some(Boolean) ? `, dye lot ${begun.join(", ")},` : ""} is not free in the drawers. Receive some, give back what another batch has put by, or draw less.`,
    );
  for (const t of take)
    await move(db, person, {
      lot: t.lot,
      quantity: t.quantity,
      from: t.place,
      to: kitId,
      reason: "drawn while tying",
      note,
      batch: id,
      key,
    });
  const today = todayIn(room.world.settings.timeZone);
  await markOpened(
    db,
    take.map((t) => t.lot),
    today,
  );
  const told = `Drew ${quantityWords(much, r.unit)} of ${r.materialName} more for batch ${batch.number}${note ? `: ${note}` : ""}`;
  await logEvent(db, person, "batch", id, "drawn", told);
}

/** Takes a release back: what was pulled returns to its drawers, what is put by stays so, and it is planned again. */
export async function takeBack(db: Db, person: Who, id: string, version: number): Promise<void> {
  const batch = await lockedBatch(db, id, ["released", "pulled", "tying"], version);
  if (batch.good + batch.rejected > 0)
    throw conflict(
      `Flies of batch ${batch.number} have been tallied. Finish it with what was tied; what is owed beyond that becomes a new batch.`,
    );
  await lockLotsOfBatch(db, id);
  const lots = batch.kitId === null ? [] : await kitLots(db, id, batch.kitId);
  for (const { lot, quantity: much, drawer: to, key } of lots)
    await move(db, person, {
      lot,
      quantity: much,
      from: batch.kitId ?? to,
      to,
      reason: "put back",
      note: "its release was taken back",
      batch: id,
      key,
    });
  await changeBatch(db, id, { state: "planned", starts: null, held: true });
  const told = `Took the release of batch ${batch.number} back${lots.length > 0 ? "; its kit is in the drawers again" : ""}`;
  await logEvent(db, person, "batch", id, "taken back", told);
}

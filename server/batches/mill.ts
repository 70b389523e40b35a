import { quantityWords, partQuantity } from "@kasten/core/materials";
import { allocate } from "@kasten/core/stock";
import { blendCharge } from "@kasten/core/tying";
import { basePerCore, nothing, quantity, quantityOf } from "@kasten/core/units";
import type { Db } from "../database/rows";
import { conflict, notFound } from "../http/problems";
import { insertLot, mill, move } from "../ledger";
import { materialEntity } from "../materials";
import { allocateFor } from "./allocation";
import { missingOf, type BatchRoom } from "./room";

/** Beyond what the batches need now: kept as stock for the next. */
const BLEND_RESERVE = 1.1;

/**
 * Mills what is missing of a blend, and a reserve, in one charge: parts out of the drawers, one new lot of the blend
 * in.
 */
export async function millBlend(db: Db, person: { id: string }, room: BatchRoom, component: string): Promise<void> {
  const r = room.computed.requirements.find((x) => x.component === component);
  const blend = r && room.world.materials.get(r.material)?.blend;
  if (!r || !blend) throw notFound("blend");
  const { id: batch, number, mixLots } = room.computed.batch;
  const plan = allocateFor(r, missingOf(room, r), mixLots, room.lots);
  if (plan.short === 0) return;
  const need = (plan.short / basePerCore.ug) * BLEND_RESERVE;
  const charge = blendCharge(need, blend.leastChargeMg, blend.parts);
  const from = await mill(db);
  let made = 0;
  for (const [code, mg] of Object.entries(charge.parts)) {
    await takePart(db, person, room, code, mg, from);
    made += quantityOf(mg, "ug", "to issue");
  }
  const material = await db.getRepository(materialEntity).findOneByOrFail({ code: r.material });
  const code = `${r.material}-${number}-${Date.now().toString(36)}`;
  const lot = await insertLot(db, { code, material: r.material, dyeLot: `mill ${number}`, batch });
  const note = "blend made in one charge";
  await move(db, person, {
    lot,
    quantity: quantity(made, "ug"),
    from,
    to: material.drawerId,
    reason: "milled",
    note,
    batch,
  });
}

/** So much of one part leaves its drawer for the mill. */
async function takePart(db: Db, person: { id: string }, room: BatchRoom, code: string, mg: number, to: number) {
  const part = room.world.materials.get(code);
  const unit = part?.unit ?? "ug";
  const needed = quantityOf(part ? partQuantity(part, mg) : mg, unit, "to issue");
  const lots = room.lots.get(code) ?? [];
  const { take, short } = allocate({ quantity: needed, mixLots: false }, lots);
  if (short > nothing)
    throw conflict(
      `The mill needs ${quantityWords(needed, unit)} of ${part?.name ?? code}; ${quantityWords(short, unit)} is missing. Receive some first.`,
    );
  const batch = room.computed.batch.id;
  for (const t of take)
    await move(db, person, { lot: t.lot, quantity: t.quantity, from: t.place, to, reason: "milled", batch });
}

import { quantityWords, partQuantity, type Material } from "@kasten/core/materials";
import { allocate } from "@kasten/core/stock";
import { blendCharge } from "@kasten/core/tying";
import { basePerCore, less, nothing, quantity, quantityOf, type Quantity } from "@kasten/core/units";
import type { Db } from "../database/rows";
import { conflict, fieldProblem, refused } from "../http/problems";
import { freeLotCode, insertLot, mill, move, type StockedLot } from "../ledger";
import { materialEntity } from "../materials";

/** Beyond what the batches need now: kept as stock for the next. */
const BLEND_RESERVE = 1.1;
/** A scale and a draught may make a little more of it than went in. */
const MOST_OUT = 1.02;

/** One charge of the mill. */
export interface MillCharge {
  blend: Material;
  /** What is still missing of it, for all batches that share the charge. */
  short: Quantity;
  lots: Map<string, StockedLot[]>;
  materials: ReadonlyMap<string, Material>;
  /** The batch that it is made for, where it is only one. */
  batch?: string;
  run: string;
  /** What came out, weighed; by itself all that went in. */
  out?: number;
}

/**
 * Mills what is missing of a blend, and a reserve, in one charge: parts out of the drawers, one new lot of the blend
 * in. @returns what was lost in the mill
 */
export async function millBlend(db: Db, person: { id: string }, charge: MillCharge): Promise<Quantity> {
  const { blend, short, run, batch } = charge;
  if (!blend.blend) throw refused(`${blend.name} is not a blend.`);
  const need = (short / basePerCore.ug) * BLEND_RESERVE;
  const { parts } = blendCharge(need, blend.blend.leastChargeMg, blend.blend.parts);
  const from = await mill(db);
  let inside = 0;
  for (const [code, mg] of Object.entries(parts)) {
    await takePart(db, person, charge, code, mg, from);
    inside += quantityOf(mg, "ug", "to issue");
  }
  const made = quantity(charge.out ?? inside, "ug");
  if (made > inside * MOST_OUT)
    throw fieldProblem(
      "Not milled",
      "out",
      `More came out than the ${quantityWords(quantity(inside, "ug"), "ug")} that went in. Weigh it again.`,
    );
  if (made === nothing) throw fieldProblem("Not milled", "out", "Something must have come out of the mill.");
  const material = await db.getRepository(materialEntity).findOneByOrFail({ code: blend.code });
  const code = await freeLotCode(db, `${blend.code}-M`);
  const lot = await insertLot(db, { code, material: blend.code, dyeLot: code, batch, runId: run });
  const note = "blend made in one charge";
  await move(db, person, { lot, quantity: made, from, to: material.drawerId, reason: "milled", note, batch });
  return less(quantity(inside, "ug"), made);
}

/** So much of one part leaves its drawer for the mill. */
async function takePart(
  db: Db,
  person: { id: string },
  { materials, lots: stocked, batch }: MillCharge,
  code: string,
  mg: number,
  to: number,
): Promise<void> {
  const part = materials.get(code);
  const unit = part?.unit ?? "ug";
  const needed = quantityOf(part ? partQuantity(part, mg) : mg, unit, "to issue");
  const { take, short } = allocate({ quantity: needed, mixLots: false }, stocked.get(code) ?? []);
  if (short > nothing)
    throw conflict(
      `The mill needs ${quantityWords(needed, unit)} of ${part?.name ?? code}; ${quantityWords(short, unit)} is missing. Receive some first.`,
    );
  for (const t of take)
    await move(db, person, { lot: t.lot, quantity: t.quantity, from: t.place, to, reason: "milled", batch });
}

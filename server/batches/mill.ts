import { BLEND_RESERVE } from "@kasten/core/needs";
import { quantityWords, partQuantity, type Material } from "@kasten/core/materials";
import { allocate } from "@kasten/core/stock";
import { blendCharge } from "@kasten/core/tying";
import { basePerCore, less, nothing, quantity, quantityOf, sumOf, type Quantity } from "@kasten/core/units";
import { In } from "typeorm";
import type { Db } from "../database/rows";
import { conflict, fieldProblem, refused } from "../http/problems";
import { freeLotCode, insertLot, lotEntity, mill, move, type StockedLot } from "../ledger";
import { materialEntity } from "../materials";

/** A scale and a draught may make a little more of it than went in. */
const MOST_OUT = 1.02;

/** So much of a lot in one place. */
interface Taken {
  lot: string;
  place: number;
  quantity: Quantity;
}

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
  /** Of earlier charges: what is left of them goes into this one, and so much less is milled afresh. */
  leftovers?: StockedLot[];
  /** What came out, weighed; by itself all that went in. */
  out?: number;
}

/**
 * Mills what is missing of a blend, and a reserve, in one charge: parts out of the drawers, one new lot of the blend
 * in. @returns what was lost in the mill
 */
export async function millBlend(db: Db, person: { id: string }, charge: MillCharge): Promise<Quantity> {
  const { blend, short, run, batch, leftovers = [] } = charge;
  if (!blend.blend) throw refused(`${blend.name} is not a blend.`);
  const need = (short / basePerCore.ug) * BLEND_RESERVE;
  const left = sumOf(leftovers.map((l) => l.free));
  const fresh = (mg: number): number => Math.max(0, mg - left / basePerCore.ug);
  const { parts } = blendCharge(fresh(need), fresh(blend.blend.leastChargeMg), blend.blend.parts);
  const from = await mill(db);
  const taken = leftovers.map(({ lot, place, free }) => ({ lot, place, quantity: free }));
  let inside: number = left;
  for (const [code, mg] of Object.entries(parts).filter(([, share]) => share > 0)) {
    taken.push(...partOf(charge, code, mg));
    inside += quantityOf(mg, "ug", "to issue");
  }
  for (const t of taken)
    await move(db, person, { lot: t.lot, quantity: t.quantity, from: t.place, to: from, reason: "milled", batch });
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
  const priceCents = await costOf(db, taken);
  const priceFor = priceCents === null ? null : made;
  const lot = await insertLot(db, {
    code,
    material: blend.code,
    dyeLot: code,
    batch,
    runId: run,
    priceCents,
    priceFor,
  });
  const note = "blend made in one charge";
  await move(db, person, { lot, quantity: made, from, to: material.drawerId, reason: "milled", note, batch });
  return less(quantity(inside, "ug"), made);
}

/** From which lots so much of one part comes. */
function partOf({ materials, lots: stocked }: MillCharge, code: string, mg: number): Taken[] {
  const part = materials.get(code);
  const unit = part?.unit ?? "ug";
  const needed = quantityOf(part ? partQuantity(part, mg) : mg, unit, "to issue");
  const { take, short } = allocate({ quantity: needed, mixLots: false }, stocked.get(code) ?? []);
  if (short > nothing)
    throw conflict(
      `The mill needs ${quantityWords(needed, unit)} of ${part?.name ?? code}; ${quantityWords(short, unit)} is missing. Receive some first.`,
    );
  return take;
}

/** What went in has cost, in the smallest coin; unknown as soon as it is so of one lot. */
async function costOf(db: Db, taken: readonly Taken[]): Promise<number | null> {
  const lots = await db.getRepository(lotEntity).findBy({ id: In(taken.map((t) => t.lot)) });
  const rates = new Map(lots.map((l) => [l.id, l.priceFor ? (l.priceCents ?? NaN) / l.priceFor : NaN]));
  const cents = taken.reduce((sum, t) => sum + t.quantity * (rates.get(t.lot) ?? NaN), 0);
  return Number.isNaN(cents) ? null : Math.round(cents);
}

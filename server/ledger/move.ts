import type { Side } from "@kasten/core/materials";
import type { LotTraits } from "@kasten/core/stock";
import type { Quantity } from "@kasten/core/units";
import { insert, type Db } from "../database/rows";
import { lotEntity, movementEntity, reservationEntity, type FlyKind, type ReservationRow } from "./entities";
import { lockLotsOfBatch } from "./queries";

export interface NewMovement {
  lot: string;
  quantity: Quantity;
  from: number;
  to: number;
  reason: string;
  note?: string;
  batch?: string;
  key?: string;
  line?: string;
  parcel?: string;
  at?: Date;
}

/** Writes one movement. The database refuses what cannot be: a negative drawer, nothing moved, a place to itself. */
export async function move(db: Db, person: { id: string }, m: NewMovement): Promise<void> {
  await insert(db, movementEntity, {
    at: m.at,
    personId: person.id,
    reason: m.reason,
    note: m.note,
    lotId: m.lot,
    quantity: m.quantity,
    fromPlace: m.from,
    toPlace: m.to,
    batchId: m.batch,
    batchKey: m.key,
    orderLineId: m.line,
    parcelId: m.parcel,
  });
}

export interface NewLot {
  code: string;
  material: string;
  dyeLot?: string;
  grade?: string;
  side?: Side | null;
  /** Barb length from and to, mm. */
  barb?: [number, number] | null;
  receivedAt?: Date;
  /** What was paid, and for how much of it, in base units; left out where nobody knows. */
  priceCents?: number | null;
  priceFor?: Quantity | null;
  remnant?: boolean;
  batch?: string;
  soldAs?: string;
  supplierId?: string | null;
  openedOn?: string | null;
  expiresOn?: string | null;
  apartUntil?: string | null;
  origin?: string;
  papers?: string;
  note?: string;
  traits?: LotTraits;
  /** The skin of which it is one class. */
  skinId?: string;
  purchaseLineId?: string;
  runId?: string;
}

const um = (mm: number): number => Math.round(mm * 1000);

export async function insertLot(db: Db, { material, barb, batch, ...l }: NewLot): Promise<string> {
  const class_ = barb ? { barbFromUm: um(barb[0]), barbToUm: um(barb[1]) } : {};
  return (await insert(db, lotEntity, { ...l, ...class_, materialCode: material, batchId: batch })).id;
}

/** A name for a lot that has none: that of its material or of the lot it was made of, and a number that is free. */
export async function freeLotCode(db: Db, stem: string): Promise<string> {
  for (let n = 1; ; n++) {
    const code = `${stem}-${n}`;
    if (!(await db.getRepository(lotEntity).existsBy({ code }))) return code;
  }
}

export async function insertFlyLot(
  db: Db,
  code: string,
  { pattern, variant, form, size }: FlyKind,
  batch: string | null,
  at?: Date,
): Promise<string> {
  const lot = { code, patternId: pattern, variant, form, size, batchId: batch, receivedAt: at };
  return (await insert(db, lotEntity, lot)).id;
}

/** Puts so much of a lot by, for a batch or for an order line. The database refuses more than is free. */
export async function putBy(
  db: Db,
  r: Partial<ReservationRow> & Pick<ReservationRow, "lotId" | "placeId" | "quantity">,
) {
  await insert(db, reservationEntity, r);
}

/** Gives reservations back: of a batch, of one of its keys, or one by its id. */
export async function giveBack(db: Db, which: { id: string } | { batchId: string; key?: string; lotId?: string }) {
  if ("batchId" in which) await lockLotsOfBatch(db, which.batchId);
  await db.getRepository(reservationEntity).delete(which);
}

/** Flies put by for an order line, the oldest reservation first. */
export const putByFor = (db: Db, orderLineId: string): Promise<ReservationRow[]> =>
  db.getRepository(reservationEntity).find({ where: { orderLineId }, order: { id: "ASC" } });

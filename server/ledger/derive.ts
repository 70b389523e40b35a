import type { Quantity } from "@kasten/core/units";
import type { Db } from "../database/rows";
import { lotEntity, type LotRow } from "./entities";
import { freeLotCode, insertLot, move, type NewLot } from "./move";
import { sorting } from "./places";

/** The class of a lot: its barb or fibre length from and to, mm; null where nobody has sorted it. */
export const barbOf = (l: Pick<LotRow, "barbFromUm" | "barbToUm">): [number, number] | null =>
  l.barbFromUm !== null && l.barbToUm !== null ? [l.barbFromUm / 1000, l.barbToUm / 1000] : null;

/** A new lot that has everything from another, but for what is said otherwise. */
export async function lotLike(
  db: Db,
  lot: LotRow & { materialCode: string },
  { code, ...changes }: Partial<NewLot>,
): Promise<{ id: string; code: string }> {
  const named = code === undefined || code === "" ? await freeLotCode(db, lot.code) : code;
  const id = await insertLot(db, {
    code: named,
    material: lot.materialCode,
    dyeLot: lot.dyeLot,
    grade: lot.grade,
    side: lot.side,
    barb: barbOf(lot),
    receivedAt: lot.receivedAt,
    priceCents: lot.priceCents,
    priceFor: lot.priceFor,
    remnant: lot.remnant,
    soldAs: lot.soldAs,
    supplierId: lot.supplierId,
    openedOn: lot.openedOn,
    expiresOn: lot.expiresOn,
    apartUntil: lot.apartUntil,
    origin: lot.origin,
    papers: lot.papers,
    traits: lot.traits,
    ...changes,
  });
  return { id, code: named };
}

/** So much of a lot becomes another lot, by way of the sorting table; both ends of it stand in the ledger. */
export async function turnInto(
  db: Db,
  person: { id: string },
  what: { lot: string; into: string; quantity: Quantity; from: number; to: number; reason: string; note?: string },
  of: { batch?: string; key?: string } = {},
): Promise<void> {
  const between = await sorting(db);
  const { lot, into, quantity, from, to, reason, note } = what;
  await move(db, person, { lot, quantity, from, to: between, reason, note, ...of });
  await move(db, person, {
    lot: into,
    quantity,
    from: between,
    to,
    reason,
    note,
    ...(of.batch && { batch: of.batch }),
  });
}

/** A length that came back from a kit becomes a remnant in the drawer. */
export async function makeRemnant(
  db: Db,
  person: { id: string },
  {
    lot,
    batch,
    key,
    ...what
  }: { lot: string; from: number; to: number; quantity: Quantity; batch: string; key: string },
): Promise<void> {
  const source = await db.getRepository(lotEntity).findOneByOrFail({ id: lot });
  const { materialCode } = source;
  if (materialCode === null) throw new Error(`lot ${source.code} is of flies`);
  const made = await lotLike(db, { ...source, materialCode }, { remnant: true });
  const note = `cut off lot ${source.code}`;
  await turnInto(db, person, { ...what, lot, into: made.id, reason: "kept as a remnant", note }, { batch, key });
}

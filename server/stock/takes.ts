import { quantityWords } from "@kasten/core/materials";
import { less, quantity, type Quantity } from "@kasten/core/units";
import type { closeTake, countInTake, StockTake } from "@kasten/contract/stock";
import { groupBy } from "@kasten/core/numeric";
import type { BodyOf, ReplyOf } from "@kasten/contract/http";
import { insert, isoInstant, locked, update, type Db } from "../database/rows";
import { conflict, notFound, refused } from "../http/problems";
import {
  lockLots,
  lotEntity,
  stockCountEntity,
  stockTakeCountEntity,
  stockTakeEntity,
  type StockTakeRow,
} from "../ledger";
import { logEvent } from "../log";
import { materialEntity } from "../materials";
import { nameOf } from "../team";
import { putRight } from "./lots";
import { lockedBalance } from "./lotQueries";
import { countedInTake, lotsToCount } from "./takeQueries";

type Who = { id: string };

export async function start(db: Db, person: Who, blind: boolean): Promise<{ id: string }> {
  const open = await db.getRepository(stockTakeEntity).createQueryBuilder("t").where("t.doneAt IS NULL").getOne();
  if (open)
    throw conflict(
      `${await nameOf(db, open.personId)} has begun a stock-take already. Go on with that one, or close it.`,
    );
  const { id } = await insert(db, stockTakeEntity, { personId: person.id, blind });
  await logEvent(db, person, "stock", "stock-take", "begun", `Began a stock-take${blind ? ", blind" : ""}`);
  return { id };
}

async function openTake(db: Db, id: string): Promise<StockTakeRow> {
  const take = await locked(db, stockTakeEntity, { id });
  if (!take) throw notFound("stock-take");
  if (take.doneAt) throw conflict("This stock-take is closed. Begin another, or count the lot by itself.");
  return take;
}

/** A stock-take as it is walked: drawer by drawer. Blind, nothing is told of a lot before it is counted. */
export async function readOne(db: Db, id: string): Promise<StockTake> {
  const take = await db.getRepository(stockTakeEntity).findOneBy({ id });
  if (!take) throw notFound("stock-take");
  const lots = await lotsToCount(db, id);
  const drawers = [...groupBy(lots, (l) => l.drawer)].map(([code, list]) => ({
    code,
    name: list[0]?.drawerName ?? code,
    lots: list.map(({ drawer: _drawer, drawerName: _name, expected, ...l }) => ({
      ...l,
      expected: take.blind && l.counted === null ? null : expected,
    })),
  }));
  return {
    id,
    startedAt: isoInstant(take.startedAt),
    by: await nameOf(db, take.personId),
    blind: take.blind,
    done: take.doneAt !== null,
    drawers,
  };
}

/** Keeps a count; that of somebody else is not written over unless it is said. */
export async function countOne(db: Db, person: Who, id: string, body: BodyOf<typeof countInTake>): Promise<void> {
  await openTake(db, id);
  const lot = await db.getRepository(lotEntity).findOneBy({ id: body.lot });
  if (!lot?.materialCode) throw notFound("lot");
  const there = await lockedBalance(db, { lot: body.lot, place: body.place, material: lot.materialCode });
  if (!there) throw notFound("lot in that place");
  const key = { takeId: id, lotId: body.lot, placeId: body.place };
  const counts = db.getRepository(stockTakeCountEntity);
  const before = await counts.findOneBy(key);
  if (before && before.personId !== person.id && !body.again)
    throw conflict(
      `${await nameOf(db, before.personId)} has counted ${quantityWords(before.counted, there.unit)} of lot ${lot.code} already. Count it together, or say that yours holds.`,
    );
  const row = {
    ...key,
    personId: person.id,
    at: new Date(),
    counted: quantity(body.counted, there.unit),
    expected: there.quantity,
    plusMinus: quantity(body.plusMinus, there.unit),
    how: body.how,
    note: body.note,
  };
  await counts.upsert(row, ["takeId", "lotId", "placeId"]);
}

/**
 * Puts the ledger right by what was counted: by the difference to what it held at that moment, so that what was pulled
 * since stays pulled. All of it, or nothing.
 */
export async function close(
  db: Db,
  person: Who,
  id: string,
  body: BodyOf<typeof closeTake>,
): Promise<ReplyOf<typeof closeTake>> {
  await openTake(db, id);
  const counts = await countedInTake(db, id);
  await lockLots(
    db,
    counts.map((c) => c.lotId),
  );
  const wrong: string[] = [];
  let [changed, worthCents] = [0, 0];
  for (const c of counts) {
    const material = await db.getRepository(materialEntity).findOneByOrFail({ code: c.material });
    const there = await lockedBalance(db, { lot: c.lotId, place: c.placeId, material: c.material });
    if (!there) continue;
    const now = Math.max(0, there.quantity + c.counted - c.expected);
    if (now < there.reserved) {
      wrong.push(
        `${quantityWords(there.reserved, material.unit)} of lot ${c.code} are put by for batches, and fewer were counted.`,
      );
      continue;
    }
    const { personId, lotId, placeId, counted, expected, plusMinus, how, note, at } = c;
    await insert(db, stockCountEntity, { personId, lotId, placeId, counted, expected, plusMinus, how, note, at });
    if (now === there.quantity) continue;
    changed++;
    if (c.priceCents !== null && c.priceFor)
      worthCents += Math.round(((now - there.quantity) * c.priceCents) / c.priceFor);
    const to = quantity(now, material.unit);
    await putRight(db, person, lotId, placeId, {
      from: there.quantity,
      to,
      reason: "stock-take",
      note: note || body.note || differenceWords(there.quantity, to),
    });
  }
  if (wrong.length > 0) throw refused(`${wrong.slice(0, 5).join(" ")} Give those claims back first, then close it.`);
  await update(db, stockTakeEntity, { id }, { doneAt: new Date() });
  const worth = worthCents === 0 ? "" : `, worth ${(worthCents / 100).toFixed(2)}`;
  const told = `Closed a stock-take: ${counts.length} lots counted, ${changed} put right${worth}`;
  await logEvent(db, person, "stock", "stock-take", "closed", told);
  return { counted: counts.length, changed, worthCents };
}

const differenceWords = (from: Quantity, to: Quantity): string =>
  less(to, from) > 0 ? "more than booked" : "less than booked";

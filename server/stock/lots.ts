import { quantityWords } from "@kasten/core/materials";
import { gradeSkin, usableFeathers, type SampledClass } from "@kasten/core/stock";
import { less, nothing, quantity, type Quantity, type StockUnit } from "@kasten/core/units";
import type {
  countLot,
  describeLot,
  gradeLot,
  letGoLot,
  mergeLot,
  scrapLot,
  splitLot,
  transferLot,
} from "@kasten/contract/stock";
import type { BodyOf } from "@kasten/contract/http";
import { insert, locked, update, type Db } from "../database/rows";
import { conflict, fieldProblem, notFound, refused } from "../http/problems";
import { stale } from "../http/versions";
import {
  counted,
  lotEntity,
  lotLike,
  move,
  placeEntity,
  scrap,
  stockCountEntity,
  turnInto,
  type LotRow,
} from "../ledger";
import { logEvent } from "../log";
import { drawerFor, materialEntity, type MaterialRow } from "../materials";
import { supplierEntity } from "../purchasing";
import { lockedBalance, placesOf } from "./lotQueries";

type Who = { id: string };
type Known = LotRow & { materialCode: string; material: MaterialRow };

/** A lot of a material, locked until the transaction ends, so that two people never count it against each other. */
async function lockedLot(db: Db, id: string): Promise<Known> {
  const lot = await locked(db, lotEntity, { id });
  if (!lot?.materialCode) throw notFound("lot");
  const { materialCode } = lot;
  const material = await db.getRepository(materialEntity).findOneByOrFail({ code: materialCode });
  return { ...lot, materialCode, material };
}

export async function describe(db: Db, person: Who, id: string, body: BodyOf<typeof describeLot>): Promise<void> {
  const lot = await lockedLot(db, id);
  const { version, ...facts } = body;
  if (lot.version !== version)
    throw stale(lot.version, lot, facts, ["soldAs", "dyeLot", "grade", "priceCents", "expiresOn", "papers", "note"]);
  if (facts.supplierId && !(await db.getRepository(supplierEntity).existsBy({ id: facts.supplierId })))
    throw fieldProblem("Not kept", "supplierId", "There is no such supplier any more. Choose another.");
  if (lot.apartUntil && !facts.apartUntil)
    throw fieldProblem("Not kept", "apartUntil", "It is kept apart. Let it go with what you looked at instead.");
  const priceFor = facts.priceFor === null ? null : quantity(facts.priceFor, lot.material.unit);
  await update(db, lotEntity, { id }, { ...facts, priceFor });
  await logEvent(db, person, "stock", lot.material.code, "lot described", `Said what is known of lot ${lot.code}`);
}

export async function letGo(db: Db, person: Who, id: string, body: BodyOf<typeof letGoLot>): Promise<void> {
  const lot = await lockedLot(db, id);
  if (lot.version !== body.version) throw stale(lot.version, lot, {}, ["apartUntil"]);
  if (!lot.apartUntil) throw refused(`Lot ${lot.code} is not kept apart.`);
  await update(db, lotEntity, { id }, { apartUntil: null });
  await logEvent(db, person, "stock", lot.material.code, "let go", `Let lot ${lot.code} join its drawer: ${body.note}`);
}

/** So much of a lot in a place, not reserved, in the unit of its material. */
async function freeThere(db: Db, lot: Known, place: number): Promise<{ free: Quantity; kind: string; name: string }> {
  const there = await lockedBalance(db, { lot: lot.id, place, material: lot.material.code });
  const where = await db.getRepository(placeEntity).findOneBy({ id: place });
  if (!there || !where) throw notFound("lot in that place");
  if (where.kind !== "drawer") throw refused(`Lot ${lot.code} lies in ${where.name}: take it from a drawer.`);
  return { free: less(there.quantity, there.reserved), kind: where.kind, name: where.name };
}

async function taken(db: Db, lot: Known, place: number, wanted: number): Promise<Quantity> {
  const { free, name } = await freeThere(db, lot, place);
  const much = quantity(wanted, lot.material.unit);
  if (much > free)
    throw conflict(
      `Of lot ${lot.code} only ${words(free, lot.material.unit)} in ${name} are put by for nobody. Give back a reservation first, or take less.`,
    );
  return much;
}

const words = (q: Quantity, unit: StockUnit): string => quantityWords(q, unit);

export async function transfer(db: Db, person: Who, id: string, body: BodyOf<typeof transferLot>): Promise<void> {
  const lot = await lockedLot(db, id);
  const much = await taken(db, lot, body.place, body.quantity);
  const to = await drawerFor(db, body.drawer);
  if (to === body.place) throw fieldProblem("Not moved", "drawer", "It lies there already. Give another drawer.");
  await move(db, person, { lot: id, quantity: much, from: body.place, to, reason: "transferred", note: body.note });
  const told = `Put ${words(much, lot.material.unit)} of lot ${lot.code} into drawer ${body.drawer}`;
  await logEvent(db, person, "stock", lot.material.code, "transferred", told);
}

export async function throwAway(db: Db, person: Who, id: string, body: BodyOf<typeof scrapLot>): Promise<void> {
  const lot = await lockedLot(db, id);
  const much = await taken(db, lot, body.place, body.quantity);
  const to = await scrap(db);
  await move(db, person, { lot: id, quantity: much, from: body.place, to, reason: "scrapped", note: body.note });
  const told = `Threw away ${words(much, lot.material.unit)} of lot ${lot.code}: ${body.note}`;
  await logEvent(db, person, "stock", lot.material.code, "scrapped", told);
}

export async function split(
  db: Db,
  person: Who,
  id: string,
  body: BodyOf<typeof splitLot>,
): Promise<{ id: string; code: string }> {
  const lot = await lockedLot(db, id);
  const much = await taken(db, lot, body.place, body.quantity);
  const { id: made, code } = await lotLike(db, lot, {
    code: body.lot,
    remnant: body.remnant || lot.remnant,
    note: body.note,
    ...(body.grade !== undefined && { grade: body.grade }),
  });
  const to = body.drawer === undefined ? body.place : await drawerFor(db, body.drawer);
  const note = `from lot ${lot.code}${body.note ? `: ${body.note}` : ""}`;
  const from = body.place;
  await turnInto(db, person, { lot: id, into: made, quantity: much, from, to, reason: "split", note });
  const told = `Made lot ${code} of ${words(much, lot.material.unit)} from lot ${lot.code}`;
  await logEvent(db, person, "stock", lot.material.code, "split", told);
  return { id: made, code };
}

/** Puts the ledger right to what was counted, and keeps the count with how sure it is. */
export async function count(db: Db, person: Who, id: string, body: BodyOf<typeof countLot>): Promise<void> {
  const lot = await lockedLot(db, id);
  const { place, how, note } = body;
  const there = await lockedBalance(db, { lot: id, place, material: lot.material.code });
  if (!there) throw notFound("lot in that place");
  const unit = lot.material.unit;
  const now = quantity(body.counted, unit);
  if (now < there.reserved)
    throw conflict(
      `${words(there.reserved, unit)} of lot ${lot.code} are put by for batches; only ${words(now, unit)} were counted. Give back a claim below first, then count again.`,
    );
  await insert(db, stockCountEntity, {
    personId: person.id,
    lotId: id,
    placeId: place,
    counted: now,
    expected: there.quantity,
    plusMinus: quantity(body.plusMinus, unit),
    how,
    note,
  });
  await putRight(db, person, id, place, {
    from: there.quantity,
    to: now,
    reason: "count corrected",
    note: note || how,
  });
  const told = `${how === "weighed" ? "Weighed" : how === "counted" ? "Counted" : "Judged"} ${words(now, unit)} of lot ${lot.code}${note ? `: ${note}` : ""}`;
  await logEvent(db, person, "stock", lot.material.code, "counted", told);
}

export async function putRight(
  db: Db,
  person: Who,
  lot: string,
  place: number,
  { from, to, reason, note }: { from: Quantity; to: Quantity; reason: string; note: string },
): Promise<void> {
  const [more, fewer] = [less(to, from), less(from, to)];
  if (more === nothing && fewer === nothing) return;
  const corrections = await counted(db);
  const way = more > nothing ? { from: corrections, to: place } : { from: place, to: corrections };
  await move(db, person, { lot, quantity: more > nothing ? more : fewer, ...way, reason, note });
}

/**
 * A skin sorted by a sample: the whole is put right to what was estimated, each class becomes a lot of its own in the
 * same drawer, and what cannot be tied with is scrapped. Sorted again, the classes that are there get what is added.
 */
export async function grade(db: Db, person: Who, id: string, body: BodyOf<typeof gradeLot>): Promise<void> {
  const lot = await lockedLot(db, id);
  if (lot.material.unit !== "count") throw refused(`${lot.material.name} is not counted by the feather.`);
  if (lot.skinId) throw refused(`Lot ${lot.code} is one class of a skin already. Sort the skin itself.`);
  const there = await lockedBalance(db, { lot: id, place: body.place, material: lot.material.code });
  if (!there) throw notFound("lot in that place");
  if (there.reserved > nothing)
    throw conflict(`Feathers of lot ${lot.code} are put by for batches. Give those claims back first, then sort it.`);
  const total = quantity(body.total, "count");
  await putRight(db, person, id, body.place, {
    from: there.quantity,
    to: total,
    reason: "count corrected",
    note: "estimated as it was sorted",
  });
  const sample = body.classes.map(({ side, ...c }): SampledClass => ({ ...c, ...(side && { side }) }));
  const bin = await scrap(db);
  const told: string[] = [];
  for (const c of gradeSkin(sample, total)) {
    const usable = usableFeathers(c);
    const from = { lot: id, from: body.place };
    if (c.count > usable)
      await move(db, person, {
        ...from,
        quantity: quantity(c.count - usable, "count"),
        to: bin,
        reason: "culled",
        note: `class ${c.fromMm}–${c.toMm} mm`,
      });
    if (usable === 0) continue;
    const class_ = await classLot(db, lot, c);
    const note = body.note || `sorted from ${lot.code}`;
    const much = quantity(usable, "count");
    await turnInto(db, person, { ...from, into: class_, quantity: much, to: body.place, reason: "sorted", note });
    told.push(`${usable} of ${c.fromMm}–${c.toMm} mm${c.side ? ` ${c.side}` : ""}`);
  }
  const sentence = `Sorted lot ${lot.code}, ${total} feathers: ${told.join(", ")}`;
  await logEvent(db, person, "stock", lot.material.code, "sorted", sentence);
}

/** The lot of a class of a skin; made when it is not there yet. */
async function classLot(db: Db, skin: Known, c: Pick<SampledClass, "fromMm" | "toMm" | "side">): Promise<string> {
  const side = c.side ?? null;
  const [barbFromUm, barbToUm] = [Math.round(c.fromMm * 1000), Math.round(c.toMm * 1000)];
  const mine = (await db.getRepository(lotEntity).findBy({ skinId: skin.id })).find(
    (l) => l.barbFromUm === barbFromUm && l.barbToUm === barbToUm && l.side === side,
  );
  if (mine) return mine.id;
  const name = `${skin.code} ${c.fromMm}–${c.toMm}${side ? ` ${side}` : ""}`;
  const made = await lotLike(db, skin, { code: name, side, barb: [c.fromMm, c.toMm], skinId: skin.id });
  return made.id;
}

/** What must not be lost by putting two lots together: that one is to be looked at, is past its day, has no papers. */
function guardAlike(lot: Known, into: Known): void {
  for (const l of [lot, into])
    if (l.apartUntil) throw refused(`Lot ${l.code} is kept apart. Look at it and let it go before it joins another.`);
  if (lot.expiresOn !== into.expiresOn && [lot, into].some((l) => l.expiresOn !== null))
    throw refused("They are good until different days: together nobody could tell which is which.");
  if (lot.material.controlledSpecies && lot.papers !== into.papers)
    throw refused(
      `${lot.material.controlledSpecies} is controlled, and the two have different papers: what covers one does not cover the other.`,
    );
}

/** What is free of a lot in drawers becomes part of another lot of the same material; both keep their history. */
export async function merge(db: Db, person: Who, id: string, body: BodyOf<typeof mergeLot>): Promise<void> {
  if (id === body.into) throw fieldProblem("Not put together", "into", "That is the same lot. Choose another.");
  // In one order, so that two people who put the same two together never wait for each other.
  const both = new Map<string, Known>();
  for (const each of [id, body.into].sort()) both.set(each, await lockedLot(db, each));
  const [lot, into] = [both.get(id), both.get(body.into)];
  if (!lot || !into) throw notFound("lot");
  if (lot.materialCode !== into.materialCode)
    throw refused(`Lot ${into.code} is of ${into.material.name}: only lots of one material are put together.`);
  if (lot.dyeLot !== into.dyeLot && !body.mixDyeLots)
    throw refused(
      `Lot ${lot.code} is dye lot “${lot.dyeLot}” and lot ${into.code} “${into.dyeLot}”. Say that they may be mixed, or leave them apart.`,
    );
  if (lot.side !== into.side || lot.barbFromUm !== into.barbFromUm || lot.barbToUm !== into.barbToUm)
    throw refused("They are of different sides or classes: together nobody could tell them apart.");
  guardAlike(lot, into);
  const there = (await placesOf(db, id)).filter((p) => p.kind === "drawer");
  const note = `with lot ${into.code}${body.note ? `: ${body.note}` : ""}`;
  let moved = 0;
  for (const p of there) {
    const { free } = await freeThere(db, lot, p.placeId);
    const [from, to] = [p.placeId, p.placeId];
    if (free === nothing) continue;
    await turnInto(db, person, { lot: id, into: into.id, quantity: free, from, to, reason: "put together", note });
    moved += free;
  }
  if (moved === 0) throw conflict(`Nothing of lot ${lot.code} in a drawer is free: all of it is put by for batches.`);
  const unit = lot.material.unit;
  const told = `Put ${words(quantity(moved, unit), unit)} of lot ${lot.code} together with lot ${into.code}`;
  await logEvent(db, person, "stock", lot.material.code, "put together", told);
}

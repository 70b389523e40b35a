import { isSpooled, quantityWords } from "@kasten/core/materials";
import { less, nothing, quantity } from "@kasten/core/units";
import type { BodyOf } from "@kasten/contract/http";
import type { addBobbin, Bobbin, loadBobbin } from "@kasten/contract/stock";
import { insert, locked, type Db } from "../database/rows";
import { conflict, notFound, refused, taken } from "../http/problems";
import { lockLots, lotEntity, move, movementEntity, placeEntity, type PlaceRow } from "../ledger";
import { logEvent } from "../log";
import { materialEntity } from "../materials";
import { loadedBobbins } from "./bobbinQueries";
import { lockedBalance } from "./lotQueries";

type Who = { id: string };

export const readBobbins = async (db: Db): Promise<Bobbin[]> => {
  const loads = await loadedBobbins(db);
  const all = await db.getRepository(placeEntity).find({ where: { bobbin: true }, order: { code: "ASC" } });
  return all.map(({ id, code }) => {
    const { place: _place, ...load } = loads.find((l) => l.place === id) ?? { place: id };
    return { id, code, load: "lot" in load ? load : null };
  });
};

export async function add(db: Db, { code }: BodyOf<typeof addBobbin>): Promise<{ id: number }> {
  if (await db.getRepository(placeEntity).existsBy({ code }))
    throw taken("bobbin", `“${code}” is the code of another bobbin or of a drawer. Give it its own, such as B7.`);
  return { id: (await insert(db, placeEntity, { kind: "drawer", code, name: `Bobbin ${code}`, bobbin: true })).id };
}

async function bobbinById(db: Db, id: number): Promise<PlaceRow> {
  const place = await locked(db, placeEntity, { id });
  if (!place?.bobbin) throw notFound("bobbin");
  return place;
}

const loadOf = async (db: Db, id: number) => (await loadedBobbins(db)).find((l) => l.place === id);

/** One lot is wound onto an empty bobbin; what is put by for a batch stays where it was reserved. */
export async function load(db: Db, person: Who, id: number, body: BodyOf<typeof loadBobbin>): Promise<void> {
  await lockLots(db, [body.lot]);
  const bobbin = await bobbinById(db, id);
  const there = await loadOf(db, id);
  if (there)
    throw conflict(
      `Bobbin ${bobbin.code} has ${there.name} on it, lot ${there.lotCode}. Unload it first, or take another.`,
    );
  const lot = await db.getRepository(lotEntity).findOneBy({ id: body.lot });
  if (!lot?.materialCode) throw notFound("lot");
  const material = await db.getRepository(materialEntity).findOneByOrFail({ code: lot.materialCode });
  if (!isSpooled(material.form)) throw refused(`${material.name} is not wound on a bobbin.`);
  const from = await db.getRepository(placeEntity).findOneBy({ id: body.place });
  const balance = await lockedBalance(db, { lot: lot.id, place: body.place, material: material.code });
  if (!balance || from?.kind !== "drawer" || from.bobbin) throw notFound("lot in that drawer");
  const free = less(balance.quantity, balance.reserved);
  const much = body.quantity === undefined ? free : quantity(body.quantity, material.unit);
  const words = (q: typeof free): string => quantityWords(q, material.unit);
  if (much > free || free === nothing)
    throw conflict(
      `Of lot ${lot.code} only ${words(free)} in ${from.name} are put by for nobody. Load that, or another lot.`,
    );
  await move(db, person, { lot: lot.id, quantity: much, from: body.place, to: id, reason: "loaded" });
  const told = `Loaded bobbin ${bobbin.code} with ${words(much)} of lot ${lot.code}`;
  await logEvent(db, person, "stock", material.code, "loaded", told);
}

/** What is left goes back to the drawer of its material. */
export async function unload(db: Db, person: Who, id: number): Promise<void> {
  const first = await loadOf(db, id);
  if (first) await lockLots(db, [first.lot]);
  const bobbin = await bobbinById(db, id);
  const there = await loadOf(db, id);
  if (!there) throw conflict(`Bobbin ${bobbin.code} is empty.`);
  if (there.reserved > 0)
    throw conflict(`Batches have some of what is on bobbin ${bobbin.code} put by: give those reservations back first.`);
  const { drawerId } = await db.getRepository(materialEntity).findOneByOrFail({ code: there.material });
  await move(db, person, { lot: there.lot, quantity: there.quantity, from: id, to: drawerId, reason: "unloaded" });
  const told = `Unloaded bobbin ${bobbin.code}: ${quantityWords(there.quantity, there.unit)} of lot ${there.lotCode}`;
  await logEvent(db, person, "stock", there.material, "unloaded", told);
}

/** Takes an empty bobbin out; one that stands in the ledger stays, empty. */
export async function remove(db: Db, id: number): Promise<string> {
  const bobbin = await bobbinById(db, id);
  if (await loadOf(db, id)) throw refused(`Bobbin ${bobbin.code} is loaded. Unload it first.`);
  const moved = await db.getRepository(movementEntity).existsBy([{ fromPlace: id }, { toPlace: id }]);
  if (moved) throw refused(`Bobbin ${bobbin.code} stands in the ledger: something has been on it. It stays, empty.`);
  await db.getRepository(placeEntity).delete({ id });
  return bobbin.code;
}

import { quantityWords } from "@kasten/core/materials";
import { less, nothing, quantity } from "@kasten/core/units";
import {
  correctStock,
  listStock,
  readStock,
  receiveStock,
  type StockDetail,
  type StockItem,
} from "@kasten/contract/stock";
import type { BodyOf } from "@kasten/contract/http";
import type { Db } from "../database/rows";
import type { Register } from "../http/handle";
import { notFound, refused } from "../http/problems";
import { counted, fliesOnShelf, insertLot, move, placeId } from "../ledger";
import { logEvent } from "../log";
import { materialEntity } from "../materials";
import type { Cover } from "../needs";
import type { Outlook } from "../outlook";
import { sourcesByMaterial } from "../purchasing";
import { countedItems, lockedBalance, lotsOf, movementsOf, type CountedItem } from "./queries";

type Who = { id: string };

const withCover = (item: CountedItem, c: Cover | undefined): StockItem => ({
  ...item,
  needed: c?.needed ?? 0,
  coversDozens: c?.coversDozens ?? null,
});

async function detail(db: Db, outlook: Outlook, code: string): Promise<StockDetail> {
  const [item] = await countedItems(db, code);
  const material = await db.getRepository(materialEntity).findOneBy({ code });
  if (!item || !material) throw notFound("material");
  const { colourName, caution, measured } = material;
  const sources = (await sourcesByMaterial(db, code)).get(code) ?? [];
  return {
    ...withCover(item, (await outlook.cover(db)).get(code)),
    colourName,
    caution,
    measured,
    lotList: await lotsOf(db, code),
    movements: await movementsOf(db, code),
    sources: sources.map(({ supplier, pack, unit, priceCents, leadDays }) => ({
      supplier,
      packWords: quantityWords(pack, unit),
      priceCents,
      leadDays,
    })),
  };
}

async function receive(db: Db, person: Who, code: string, body: BodyOf<typeof receiveStock>): Promise<void> {
  const material = await db.getRepository(materialEntity).findOneBy({ code });
  if (!material) throw notFound("material");
  const received = quantity(body.quantity, material.unit);
  if (received === nothing) throw refused(`That is less than the smallest amount of ${material.name} that is counted.`);
  const { lot: name, dyeLot, grade, side, barb, priceCents, note } = body;
  const lot = await insertLot(db, { code: name, material: code, dyeLot, grade, side, barb, priceCents });
  const supplier = (await sourcesByMaterial(db, code)).get(code)?.[0]?.supplier;
  const from = await placeId(db, "supplier", `SUP-${supplier ?? "unknown"}`, supplier ?? "Unknown supplier");
  await move(db, person, { lot, quantity: received, from, to: material.drawerId, reason: "received", note });
  const told = `Received ${quantityWords(received, material.unit)} of ${material.name}, lot ${name}`;
  await logEvent(db, person, "stock", code, "received", told);
}

async function correct(db: Db, person: Who, material: string, body: BodyOf<typeof correctStock>): Promise<void> {
  const { lot, place, note } = body;
  const there = await lockedBalance(db, { lot, place, material });
  if (!there) throw notFound("lot in that place");
  const now = quantity(body.counted, there.unit);
  const [more, fewer] = [less(now, there.quantity), less(there.quantity, now)];
  if (more === nothing && fewer === nothing) return;
  const corrections = await counted(db);
  const between = more > nothing ? { from: corrections, to: place } : { from: place, to: corrections };
  const difference = more > nothing ? more : fewer;
  await move(db, person, { lot, quantity: difference, ...between, reason: "count corrected", note });
  const by = `${more > nothing ? "more" : "less"} by ${quantityWords(difference, there.unit)}`;
  const told = `Counted ${quantityWords(now, there.unit)} of ${there.name}, ${by}: ${note}`;
  await logEvent(db, person, "stock", material, "corrected", told);
}

export function stockRoutes(register: Register, { outlook }: { outlook: Outlook }): void {
  register(listStock, async ({ db }) => {
    const cover = await outlook.cover(db);
    return {
      items: (await countedItems(db)).map((i) => withCover(i, cover.get(i.code))),
      fliesOnShelf: await fliesOnShelf(db),
    };
  });
  register(readStock, ({ db, params }) => detail(db, outlook, params.id));
  register(receiveStock, async ({ db, person, params, body }) => {
    await receive(db, person, params.id, body);
    return { ok: true as const };
  });
  register(correctStock, async ({ db, person, params, body }) => {
    await correct(db, person, params.id, body);
    return { ok: true as const };
  });
}

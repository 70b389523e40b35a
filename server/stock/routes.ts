import { fliesLeft } from "@kasten/core/learning";
import { quantityWords } from "@kasten/core/materials";
import { nothing, quantity } from "@kasten/core/units";
import {
  addDrawers,
  arrangeDrawers,
  countIn,
  findStock,
  identifyFound,
  keepFound,
  listDrawers,
  listStock,
  nameDrawer,
  readOutlook,
  readStock,
  receiveStock,
  removeDrawer,
  salvage,
  type StockDetail,
  type StockItem,
} from "@kasten/contract/stock";
import type { BodyOf } from "@kasten/contract/http";
import type { Db } from "../database/rows";
import type { Register } from "../http/handle";
import { fieldProblem, notFound, refused } from "../http/problems";
import { counted, fliesOnShelf, freeLotCode, insertLot, move, placeId } from "../ledger";
import { logEvent } from "../log";
import { drawerFor, materialEntity } from "../materials";
import type { Cover } from "../needs";
import type { Outlook } from "../outlook";
import { sourcesByMaterial, supplierEntity } from "../purchasing";
import { bobbinRoutes } from "./bobbinRoutes";
import { arrange, putUp, readDrawers, rename, takeOut } from "./drawers";
import { findIn } from "./find";
import { found, identify, takeSalvaged } from "./found";
import { lotRoutes } from "./lotRoutes";
import { takeRoutes } from "./takeRoutes";
import { materialOutlook } from "./outlook";
import { skinYield, tiedLots } from "./yieldQueries";
import { countedItems, lotsOf, lotsToLookAt, movementsOf, type CountedItem } from "./queries";

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
    fliesLeft: fliesLeft(item.quantity, await tiedLots(db, code)) ?? null,
    skinYield: await skinYield(db, code),
    lotList: await lotsOf(db, code),
    movements: await movementsOf(db, { material: code }),
    sources: sources.map(({ unit, material: _code, ...s }) => ({ ...s, packWords: quantityWords(s.pack, unit) })),
  };
}

async function receive(db: Db, person: Who, code: string, body: BodyOf<typeof receiveStock>): Promise<void> {
  const material = await db.getRepository(materialEntity).findOneBy({ code });
  if (!material) throw notFound("material");
  const received = quantity(body.quantity, material.unit);
  if (received === nothing) throw refused(`That is less than the smallest amount of ${material.name} that is counted.`);
  const {
    lot: name,
    dyeLot,
    grade,
    side,
    barb,
    priceCents,
    note,
    soldAs,
    origin,
    papers,
    expiresOn,
    apartUntil,
  } = body;
  const sources = (await sourcesByMaterial(db, code)).get(code) ?? [];
  const sender = await senderOf(db, body.supplier, sources);
  const lot = await insertLot(db, {
    code: name,
    material: code,
    dyeLot,
    grade,
    side,
    barb,
    priceCents,
    priceFor: priceCents === null ? null : received,
    soldAs,
    origin,
    papers,
    expiresOn,
    apartUntil,
    supplierId: sender?.id,
  });
  const supplier = sender?.name;
  const from = await placeId(db, "supplier", `SUP-${supplier ?? "unknown"}`, supplier ?? "Unknown supplier");
  await move(db, person, { lot, quantity: received, from, to: material.drawerId, reason: "received", note });
  const told = `Received ${quantityWords(received, material.unit)} of ${material.name}, lot ${name}`;
  await logEvent(db, person, "stock", code, "received", told);
}

/** Who sent a delivery: whoever is named, else the quickest source, else nobody knows. */
async function senderOf(
  db: Db,
  id: string | undefined,
  sources: { supplier: string; supplierId: string }[],
): Promise<{ id: string; name: string } | undefined> {
  const [usual] = sources;
  if (id === undefined) return usual && { id: usual.supplierId, name: usual.supplier };
  const named = await db.getRepository(supplierEntity).findOneBy({ id });
  if (!named) throw fieldProblem("Not received", "supplier", "There is no such supplier any more. Choose another.");
  return named;
}

/** What lies in a drawer and came from nobody that the room buys from: an opening balance, a gift, something found. */
async function countedIn(db: Db, person: Who, code: string, body: BodyOf<typeof countIn>): Promise<void> {
  const material = await db.getRepository(materialEntity).findOneBy({ code });
  if (!material) throw notFound("material");
  const there = quantity(body.quantity, material.unit);
  if (there === nothing) throw refused(`That is less than the smallest amount of ${material.name} that is counted.`);
  const name = body.lot.trim() || (await freeLotCode(db, code));
  const drawer = body.drawer === undefined ? material.drawerId : await drawerFor(db, body.drawer);
  const lot = await insertLot(db, { code: name, material: code, dyeLot: body.dyeLot });
  const note = body.note || "opening balance";
  await move(db, person, { lot, quantity: there, from: await counted(db), to: drawer, reason: "counted in", note });
  const told = `Counted in ${quantityWords(there, material.unit)} of ${material.name}, lot ${name}: ${note}`;
  await logEvent(db, person, "stock", code, "counted in", told);
}

const ok = { ok: true as const };
const MOST_NAMED = 6;
const sample = (codes: string[]): string =>
  codes.slice(0, MOST_NAMED).join(", ") + (codes.length > MOST_NAMED ? ` and ${codes.length - MOST_NAMED} more` : "");

export function stockRoutes(register: Register, { outlook }: { outlook: Outlook }): void {
  register(listStock, async ({ db }) => {
    const cover = await outlook.cover(db);
    return {
      items: (await countedItems(db)).map((i) => withCover(i, cover.get(i.code))),
      waiting: await lotsToLookAt(db),
      fliesOnShelf: await fliesOnShelf(db),
    };
  });
  register(readStock, ({ db, params }) => detail(db, outlook, params.id));
  register(receiveStock, async ({ db, person, params, body }) => {
    await receive(db, person, params.id, body);
    return ok;
  });
  register(countIn, async ({ db, person, params, body }) => {
    await countedIn(db, person, params.id, body);
    return ok;
  });
  register(listDrawers, ({ db }) => readDrawers(db));
  register(addDrawers, async ({ db, person, body }) => {
    const added = await putUp(db, body.codes);
    if (added.length > 0)
      await logEvent(db, person, "room", "drawers", "added", `Put up ${added.length} drawers: ${sample(added)}`);
    return { added };
  });
  register(arrangeDrawers, async ({ db, person, body }) => {
    await arrange(db, body.drawers);
    await logEvent(db, person, "room", "drawers", "arranged", `Arranged the wall of ${body.drawers.length} drawers`);
    return ok;
  });
  register(nameDrawer, async ({ db, person, params, body }) => {
    const code = await rename(db, params.id, body.name);
    await logEvent(db, person, "room", "drawers", "named", `Named drawer ${code} “${body.name}”`);
    return ok;
  });
  register(removeDrawer, async ({ db, person, params }) => {
    const code = await takeOut(db, params.id);
    await logEvent(db, person, "room", "drawers", "removed", `Took out the empty drawer ${code}`);
    return ok;
  });
  register(readOutlook, ({ db, params }) => materialOutlook(db, outlook, params.id));
  register(findStock, async ({ db, query }) => ({ found: await findIn(db, query.q) }));
  register(keepFound, ({ db, person, body }) => found(db, person, body));
  register(identifyFound, async ({ db, person, params, body }) => {
    await identify(db, person, params.id, body);
    return ok;
  });
  register(salvage, ({ db, person, params, body }) => takeSalvaged(db, person, params.id, body));
  bobbinRoutes(register);
  lotRoutes(register, outlook);
  takeRoutes(register);
}

import { fliesLeft } from "@kasten/core/learning";
import { centsPerUsable } from "@kasten/core/stock";
import type { StockUnit } from "@kasten/core/units";
import type { LotPage } from "@kasten/contract/stock";
import { isoInstant, type Db } from "../database/rows";
import { notFound } from "../http/problems";
import { barbOf, lotEntity, type LotRow } from "../ledger";
import { materialEntity } from "../materials";
import type { KeptOutlook } from "../needs";
import type { Outlook } from "../outlook";
import { supplierEntity } from "../purchasing";
import { batchesOfLot, classesOf, claimsOn, countsOf, photoTakenAt, placesOf } from "./lotQueries";
import { movementsOf } from "./queries";
import { tiedLots } from "./yieldQueries";

/** What one usable piece costs; of what is measured nobody asks. */
const usableCents = ({ priceCents, priceFor, traits }: LotRow, unit: StockUnit): number | null =>
  unit === "count" && priceCents !== null && priceFor !== null
    ? (centsPerUsable(priceCents, priceFor, traits.unusable) ?? null)
    : null;

const MOST_SHOWN = 100;
const MOST_MADE = 8;

/** Open batches of which a remnant still holds whole lengths, those that it serves best first. */
const stillMakes = (there: number, kept: KeptOutlook | undefined): LotPage["stillMakes"] =>
  (kept?.needs ?? [])
    .flatMap(({ batch, number, pattern, piece }) => {
      const lengths = piece === null || piece <= 0 ? 0 : Math.floor(there / piece);
      return lengths > 0 ? [{ batch, number, pattern, lengths }] : [];
    })
    .sort((a, b) => b.lengths - a.lengths || a.number - b.number)
    .slice(0, MOST_MADE);

/** A lot as its page shows it. */
export async function lotPage(db: Db, outlook: Outlook, id: string): Promise<LotPage> {
  const lot = await db.getRepository(lotEntity).findOneBy({ id });
  if (!lot?.materialCode) throw notFound("lot");
  const material = await db.getRepository(materialEntity).findOneByOrFail({ code: lot.materialCode });
  const supplier = lot.supplierId
    ? await db.getRepository(supplierEntity).findOneBy({ id: lot.supplierId })
    : undefined;
  const skin = lot.skinId ? await db.getRepository(lotEntity).findOneBy({ id: lot.skinId }) : undefined;
  const claims = await claimsOn(db, id);
  const places = await placesOf(db, id);
  const there = places.reduce((sum, p) => sum + p.quantity, 0);
  const { code, name, form, unit, colour, caution, lead, controlledSpecies, figures } = material;
  const photo = await photoTakenAt(db, id);
  return {
    id,
    code: lot.code,
    material: {
      code,
      name,
      form,
      unit,
      colour,
      caution,
      lead,
      species: controlledSpecies,
      standing: figures.standing ?? null,
    },
    centsPerUsable: usableCents(lot, unit),
    stillMakes: lot.remnant ? stillMakes(there, (await outlook.stock(db)).get(code)) : [],
    fliesLeft: fliesLeft(there, await tiedLots(db, code)) ?? null,
    photoAt: photo ? isoInstant(photo) : null,
    traits: lot.traits,
    soldAs: lot.soldAs as LotPage["soldAs"],
    supplierId: lot.supplierId,
    supplier: supplier?.name ?? null,
    dyeLot: lot.dyeLot,
    grade: lot.grade,
    priceCents: lot.priceCents,
    priceFor: lot.priceFor,
    openedOn: lot.openedOn,
    expiresOn: lot.expiresOn,
    apartUntil: lot.apartUntil,
    origin: lot.origin,
    papers: lot.papers,
    note: lot.note,
    receivedAt: isoInstant(lot.receivedAt),
    remnant: lot.remnant,
    side: lot.side,
    barb: barbOf(lot),
    skin: skin ? { id: skin.id, code: skin.code } : null,
    classes: await classesOf(db, id),
    places: places.map((p) => ({
      ...p,
      claims: claims.filter((c) => c.placeId === p.placeId).map(({ placeId: _placeId, ...c }) => c),
    })),
    movements: (await movementsOf(db, { lot: id }, MOST_SHOWN)).map(({ lot: _lot, ...m }) => m),
    batches: await batchesOfLot(db, id),
    counts: await countsOf(db, id),
    version: lot.version,
  };
}

import { quantity, type StockUnit } from "@kasten/core/units";
import type { setSources, Source, Supplier } from "@kasten/contract/purchasing";
import type { BodyOf } from "@kasten/contract/http";
import { insertAll, insertNew, locked, update, type Db } from "../database/rows";
import { fieldProblem, notFound, taken } from "../http/problems";
import { slugOf } from "../http/slug";
import { stale } from "../http/versions";
import { materialEntity } from "../materials";
import { materialSourceEntity, supplierEntity, type MaterialSourceRow } from "./entities";
import { materialsBySupplier, pricedSources, type PricedSource } from "./queries";

const nameTaken = () => taken("supplier", "A supplier of that name is there already. Add what tells the two apart.");

export async function readSuppliers(db: Db): Promise<(Supplier & { materials: number })[]> {
  const counts = await materialsBySupplier(db);
  const all = await db.getRepository(supplierEntity).find({ order: { name: "ASC" } });
  return all.map((s) => ({ ...s, materials: counts.get(s.id) ?? 0 }));
}

/** The supplier of that name, added where there is none. */
export async function supplierNamed(db: Db, name: string): Promise<string> {
  const there = await db.getRepository(supplierEntity).findOneBy({ name });
  return there?.id ?? (await addNamed(db, name, noTerms)).id;
}

/** What is said of a supplier beside the name. */
type Terms = Omit<Supplier, "id" | "name" | "version">;
const noTerms: Terms = { note: "", minimumCents: 0, freightCents: 0, freeFromCents: null, byLetter: false };

async function addNamed(db: Db, name: string, terms: Terms): Promise<Supplier> {
  const stem = slugOf(name) || "supplier";
  for (let n = 1; ; n++) {
    if (await db.getRepository(supplierEntity).existsBy({ name })) throw nameTaken();
    const added = { id: n === 1 ? stem : `${stem}-${n}`, name, ...terms, version: 1 };
    if (await insertNew(db, supplierEntity, added)) return added;
  }
}
export const newSupplier = (db: Db, { name, ...terms }: Terms & { name: string }) => addNamed(db, name, terms);

export async function changeSupplier(db: Db, id: string, { version, ...changes }: Omit<Supplier, "id">) {
  const before = await locked(db, supplierEntity, { id });
  if (!before) throw notFound("supplier");
  const other = await db.getRepository(supplierEntity).findOneBy({ name: changes.name });
  if (other && other.id !== id) throw nameTaken();
  if ((await update(db, supplierEntity, { id, version }, changes)) === 0)
    throw stale(before.version, before, changes, [
      "name",
      "note",
      "minimumCents",
      "freightCents",
      "freeFromCents",
      "byLetter",
    ]);
  return { id, ...changes, version: version + 1 };
}

/** All sources of a material in place of those that it had. @returns its name */
export async function writeSources(db: Db, code: string, { sources }: BodyOf<typeof setSources>): Promise<string> {
  const material = await locked(db, materialEntity, { code });
  if (!material) throw notFound("material");
  const known = new Set((await db.getRepository(supplierEntity).find()).map((s) => s.id));
  const at = sources.findIndex((s) => !known.has(s.supplier));
  if (at !== -1)
    throw fieldProblem("Not kept", `sources.${at}.supplier`, "There is no such supplier any more. Choose another.");
  await db.getRepository(materialSourceEntity).delete({ materialCode: code });
  await insertAll(
    db,
    materialSourceEntity,
    sources.map((s) => rowOfSource(code, material.unit, s)),
  );
  return material.name;
}

const rowOfSource = (materialCode: string, unit: StockUnit, { supplier, ...s }: Source): MaterialSourceRow => ({
  ...s,
  materialCode,
  supplierId: supplier,
  pack: quantity(s.pack, unit),
});

/** One source of a material, in place of what that supplier had before; the others stay. */
export async function keepSource(db: Db, code: string, unit: StockUnit, source: Source): Promise<void> {
  await db.getRepository(materialSourceEntity).upsert(rowOfSource(code, unit, source), ["materialCode", "supplierId"]);
}

/** What every supplier asks for every material, as the importer of price lists reads it. */
export const priceRows = async (db: Db): Promise<PriceRow[]> =>
  (await pricedSources(db)).map(({ breaks, season, priceCents, ...s }) => ({
    ...s,
    price: (priceCents / 100).toFixed(2),
    breaks: breaks.map((b) => `${b.fromPacks}=${(b.cents / 100).toFixed(2)}`).join("/"),
    season_from: season?.from ?? "",
    season_to: season?.to ?? "",
  }));
type PriceRow = Omit<PricedSource, "breaks" | "season" | "priceCents"> & {
  price: string;
  breaks: string;
  season_from: number | "";
  season_to: number | "";
};

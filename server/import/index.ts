import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { makeUpAll } from "../batches";
import type { Db } from "../database/rows";
import { importPurchases, importSources, importSuppliers } from "./buying";
import { importDrawers } from "./drawers";
import { importHooks } from "./hooks";
import { importLots } from "./lots";
import { importMaterials } from "./materials";
import { importPattern } from "./pattern";
import { importCustomers, importPeople, importSettings } from "./people";
import { importProgress } from "./progress";
import { importHistory } from "./history";
import { importOrders } from "./orders";

/** Loads a whole room from a folder of open files (see docs/formats.md), in one transaction: all of it or nothing. */
export async function loadFolder(db: Db, folder: string, now: Date): Promise<void> {
  const text = (name: string) => readFileSync(join(folder, name), "utf8");
  const json = (name: string): unknown => JSON.parse(text(name));
  await importSettings(db, json("settings.json"), now);
  const people = await importPeople(db, json("people.json"));
  const owner = people.find((p) => p.role === "owner") ?? people[0];
  const shop = people.find((p) => p.role === "shop") ?? owner;
  if (!owner || !shop) throw new Error("people.json names nobody");
  await importHooks(db, text("hook-models.csv"), text("hook-sizes.csv"));
  await importDrawers(db, text("drawers.csv"));
  await importMaterials(db, text("materials.csv"));
  await importSuppliers(db, text("suppliers.csv"));
  await importSources(db, text("sources.csv"));
  await importLots(db, owner, text("lots.csv"), now);
  await importPurchases(db, owner, text("purchases.csv"), now);
  for (const file of readdirSync(join(folder, "patterns")).sort())
    if (file.endsWith(".json")) await importPattern(db, owner, json(join("patterns", file)));
  await importCustomers(db, text("customers.csv"));
  await importHistory(db, text("history.csv"), now);
  await importOrders(db, shop, text("orders.csv"), now);
  await makeUpAll(db);
  await importProgress(db, text("progress.csv"), now);
}

export { hooksFrom } from "./hooks";
export { materialsFrom, perFileUnit } from "./materials";
export * from "./csv";
export { catalogueOf } from "./orders";

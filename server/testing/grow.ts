import { readFileSync } from "node:fs";
import { join } from "node:path";
import Papa from "papaparse";
import type { DataSource } from "typeorm";
import type { Db } from "../database/rows";
import { loadFolder } from "../import";
import { importOrders } from "../import/orders";
import { openDatabase } from "../source";
import { allPeople, isNobodyThere } from "../team";
import { growHistory, growLog, growStock } from "./growQueries";
import { demoFolder } from "./demo";

/** Stock does not grow with the orders for ever: a large room buys larger lots. */
const MOST_LOTS = 10;
const DAYS_ASKED = 90;
const LOG_OF_A_ROOM_TEN_TIMES = 36_500;

/**
 * The demo room, so many times as large: its orders again for later days, its history and its stock again, and ten
 * years of log for each hundred.
 */
async function grow(source: DataSource, factor: number, now: Date): Promise<void> {
  if (await isNobodyThere(source.manager)) await source.transaction((db) => loadFolder(db, demoFolder, now));
  const people = await allPeople(source.manager);
  const shop = people.find((p) => p.role === "shop") ?? people[0];
  if (!shop) throw new Error("nobody is in the room");
  for (let k = 1; k < factor; k++) {
    await source.transaction((db) => moreOrders(db, shop, k, now));
    if (k % 10 === 0) console.log(`  ${k} of ${factor}`);
  }
  await source.transaction(async (db) => {
    await db.query("SET LOCAL statement_timeout = 0");
    await growStock(db, Math.min(MOST_LOTS, factor) - 1);
    await growHistory(db, factor - 1);
    await growLog(db, Math.round((factor / 10) * LOG_OF_A_ROOM_TEN_TIMES));
  });
  await source.query("ANALYZE");
}

/** The demo's orders once more, for other days. */
async function moreOrders(db: Db, shop: { id: string }, k: number, now: Date): Promise<void> {
  const text = readFileSync(join(demoFolder, "orders.csv"), "utf8");
  const { data } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
  const later = data.map((o) => ({
    ...o,
    due_in_days: 7 + ((Number(o.due_in_days) + 7 * k) % DAYS_ASKED),
    due_reason: "",
  }));
  await importOrders(db, shop, Papa.unparse(later), now);
}

const [url, factor] = [process.env.DATABASE_URL ?? "", Number(process.argv[2])];
if (!url || !Number.isInteger(factor) || factor < 1 || factor > 1000)
  throw new Error("Give DATABASE_URL and a factor from 1 to 1000.");
const source = await openDatabase(url);
const began = performance.now();
await grow(source, factor, new Date());
const [size] = await source.query(
  `SELECT (SELECT count(*) FROM customer_order WHERE closed_at IS NULL) AS orders,
     (SELECT count(*) FROM batch WHERE state NOT IN ('finished', 'dissolved')) AS open,
     (SELECT count(*) FROM batch WHERE state = 'finished') AS finished, (SELECT count(*) FROM tally) AS tallies,
     (SELECT count(*) FROM lot) AS lots, (SELECT count(*) FROM event) AS events`,
);
console.log(`Grown ${factor} times in ${((performance.now() - began) / 1000).toFixed(0)} s: ${JSON.stringify(size)}`);
await source.destroy();

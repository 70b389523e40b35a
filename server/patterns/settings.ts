import type { Settings } from "@kasten/contract/patterns";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import type { EntityManager } from "typeorm";
import { row } from "../database/source";

export const defaultSettings: Settings = {
  shop: "Tying room",
  timeZone: "Europe/Berlin",
  serviceLevel: 0.9,
  tray: 144,
  windowDays: 10,
  restPerHour: 10,
  seasons: [],
  changeOver: { pattern: 6, thread: 3, hook: 2 },
  rackPlaces: 480,
  finishingPlaces: 1,
  stationsDown: [],
};

export async function readSettings(db: EntityManager): Promise<Settings> {
  const kept = await row<{ value: Partial<Settings> }>(db, "SELECT value FROM setting WHERE key = 'shop'");
  return { ...defaultSettings, ...kept?.value };
}

export const writeSetting = (db: EntityManager, key: string, value: unknown): Promise<unknown> =>
  db.query("INSERT INTO setting (key, value) VALUES ($1, $2) ON CONFLICT (key) DO UPDATE SET value = excluded.value", [
    key,
    JSON.stringify(value),
  ]);

export const isDemo = async (db: EntityManager): Promise<boolean> =>
  (await row(db, "SELECT 1 FROM setting WHERE key = 'demo'")) !== undefined;

/** Today's date in the shop's time zone. */
export const todayIn = (timeZone: string, now: Date = new Date()): string =>
  format(new TZDate(now.getTime(), timeZone), "yyyy-MM-dd");

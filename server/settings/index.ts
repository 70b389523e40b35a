import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import type { Settings } from "@kasten/contract/settings";
import { insertNew, update, type Db } from "../database/rows";
import { settingEntity } from "./entities";

export const defaultSettings: Settings = {
  shop: "Tying room",
  timeZone: "Europe/Berlin",
  serviceLevel: 0.9,
  promiseLevel: 0.9,
  awayPercent: 2,
  tray: 144,
  windowDays: 10,
  restPerHour: 10,
  currency: "€",
  units: "mm",
  seasons: [],
  holidays: [],
  breaks: [],
  changeOver: { pattern: 6, thread: 3, hook: 2 },
  rackPlaces: 480,
  sharedTools: [],
  stations: [
    { name: "finishing", places: 1, down: null },
    { name: "mill", places: 1, down: null },
  ],
};

/** Settings by their key; each is written by this room alone, in the shape named here. */
interface SettingValues {
  shop: Partial<Settings>;
  demo: true;
  "session secret": string;
}

async function valueOf<K extends keyof SettingValues>(db: Db, key: K): Promise<SettingValues[K] | undefined> {
  const kept = await db.getRepository(settingEntity).findOneBy({ key });
  return kept === null ? undefined : (kept.value as SettingValues[K]);
}

export async function readSettings(db: Db): Promise<Settings> {
  return { ...defaultSettings, ...(await valueOf(db, "shop")) };
}

/** The settings with the version that whoever changes them names; 0 where none have been given yet. */
export async function settingsWithVersion(db: Db): Promise<Settings & { version: number }> {
  const kept = await db.getRepository(settingEntity).findOneBy({ key: "shop" });
  return { ...defaultSettings, ...(kept?.value as Partial<Settings> | undefined), version: kept?.version ?? 0 };
}

/** Writes the settings from the version that a person saw. @returns whether they were still so */
export async function writeSettings(db: Db, settings: Settings, version: number): Promise<boolean> {
  if (version === 0 && (await insertNew(db, settingEntity, { key: "shop", value: settings }))) return true;
  return (await update(db, settingEntity, { key: "shop", version }, { value: settings })) === 1;
}

export async function writeSetting<K extends keyof SettingValues>(
  db: Db,
  key: K,
  value: SettingValues[K],
): Promise<void> {
  await db.getRepository(settingEntity).upsert({ key, value }, ["key"]);
}

export const isDemo = async (db: Db): Promise<boolean> => (await valueOf(db, "demo")) !== undefined;

/** Shared by all servers on one database: made at the first start, kept there, never committed. */
export async function sessionSecret(db: Db, fresh: () => string): Promise<string> {
  const value = { key: "session secret", value: fresh() };
  await db.createQueryBuilder().insert().into(settingEntity).values(value).orIgnore().execute();
  return (await valueOf(db, "session secret")) ?? value.value;
}

/** Today's date in the shop's time zone. */
export const todayIn = (timeZone: string, now: Date = new Date()): string =>
  format(new TZDate(now.getTime(), timeZone), "yyyy-MM-dd");

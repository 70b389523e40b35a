import { isDeepStrictEqual } from "node:util";
import { readBeginnings, readSettings, saveSettings, type Settings } from "@kasten/contract/settings";
import type { BodyOf, ReplyOf } from "@kasten/contract/http";
import { customerEntity } from "../customers";
import type { Db } from "../database/rows";
import type { Register } from "../http/handle";
import { stale } from "../http/versions";
import { hookSizeEntity } from "../hooks";
import { balanceEntity } from "../ledger";
import { logEvent } from "../log";
import { materialEntity } from "../materials";
import { orderEntity } from "../orders";
import { patternEntity } from "../recipes";
import { settingsWithVersion, writeSettings } from "../settings";
import { activePeople } from "../team";

/** What each setting is called in the log. */
const names: Record<keyof Settings, string> = {
  shop: "the name of the room",
  timeZone: "the time zone",
  currency: "the money",
  units: "the units",
  serviceLevel: "the service level",
  promiseLevel: "how sure a promise is",
  awayPercent: "how often somebody is away",
  tray: "the tray",
  windowDays: "how far days may lie apart in a batch",
  restPerHour: "the rest in every hour",
  seasons: "the seasons",
  holidays: "the holidays",
  changeOver: "the change-overs",
  rackPlaces: "the rack",
  breaks: "what comes off for many dozen",
  sharedTools: "the shared tools",
  stations: "the stations",
};

async function save(db: Db, person: { id: string }, { version, ...given }: BodyOf<typeof saveSettings>) {
  const before = await settingsWithVersion(db);
  const keys = Object.keys(names) as (keyof Settings)[];
  if (!(await writeSettings(db, given, version))) throw stale(before.version, before, given, keys);
  const changed = keys.filter((k) => !isDeepStrictEqual(before[k], given[k]));
  if (changed.length > 0)
    await logEvent(db, person, "room", "settings", "changed", `Changed ${changed.map((k) => names[k]).join(", ")}`);
  return settingsWithVersion(db);
}

/** How far a new room is set up: so many of each there are. */
async function beginnings(db: Db): Promise<ReplyOf<typeof readBeginnings>> {
  const people = await activePeople(db);
  const count = (entity: Parameters<Db["getRepository"]>[0]) => db.getRepository(entity).count();
  const steps: ReplyOf<typeof readBeginnings>["steps"] = [
    { step: "people", count: people.length },
    { step: "hours", count: people.filter((p) => p.hours.length > 0).length },
    { step: "hooks", count: await count(hookSizeEntity) },
    { step: "materials", count: await count(materialEntity) },
    { step: "stock", count: await count(balanceEntity) },
    { step: "patterns", count: await count(patternEntity) },
    { step: "customers", count: await count(customerEntity) },
    { step: "orders", count: await count(orderEntity) },
  ];
  return { steps };
}

export function setupRoutes(register: Register): void {
  register(readBeginnings, ({ db }) => beginnings(db));
  register(readSettings, ({ db }) => settingsWithVersion(db));
  register(saveSettings, ({ db, person, body }) => save(db, person, body));
}

import { createHash, randomBytes } from "node:crypto";
import ical, { ICalCalendarMethod } from "ical-generator";
import { workedIn } from "@kasten/core/schedule";
import type { Plan } from "@kasten/contract/schedule";
import { isoInstant, type Db } from "../database/rows";
import { notFound } from "../http/problems";
import { logEvent } from "../log";
import type { Outlook } from "../outlook";
import { calendarKeyEntity, frameOf } from "../schedule";
import { readSettings } from "../settings";
import { activePersonById } from "../team";

type Who = { id: string };
const KEY_BYTES = 24;
/** How often a calendar is asked to look again. */
const AGAIN_SECONDS = 1800;

/** Of a long random key a plain hash is enough: it cannot be guessed. */
const hashOf = (key: string): string => createHash("sha256").update(key).digest("base64url");

export async function calendarKey(db: Db, person: string): Promise<{ madeAt: string | null }> {
  const kept = await db.getRepository(calendarKeyEntity).findOneBy({ personId: person });
  return { madeAt: kept ? isoInstant(kept.madeAt) : null };
}

/** Makes a secret address; the one before is no longer answered. */
export async function makeKey(db: Db, who: Who): Promise<{ path: string; madeAt: string }> {
  const key = randomBytes(KEY_BYTES).toString("base64url");
  const madeAt = new Date();
  await db.getRepository(calendarKeyEntity).upsert({ personId: who.id, hash: hashOf(key), madeAt }, ["personId"]);
  await logEvent(db, who, "person", who.id, "calendar", "Made a calendar address of their plan");
  return { path: `/api/calendars/${key}.ics`, madeAt: isoInstant(madeAt) };
}

export async function endKey(db: Db, who: Who): Promise<void> {
  const { affected } = await db.getRepository(calendarKeyEntity).delete({ personId: who.id });
  if (affected) await logEvent(db, who, "person", who.id, "calendar", "Ended the calendar address of their plan");
}

/** The plan of whoever a secret address belongs to, as a calendar. */
export async function calendarByKey(db: Db, outlook: Outlook, key: string): Promise<string> {
  const kept = await db.getRepository(calendarKeyEntity).findOneBy({ hash: hashOf(key) });
  const person = kept && (await activePersonById(db, kept.personId));
  if (!person) throw notFound("calendar");
  return calendarOf(db, outlook, person);
}

const verbs: Record<string, string> = { prep: "Prepare", tie: "Tie", coat: "Coat", inspect: "Inspect", pack: "Pack" };

/** A person’s work as iCalendar: of the published plan as it now runs, or of the draft while there is none. */
export async function calendarOf(db: Db, outlook: Outlook, person: { id: string; name: string }): Promise<string> {
  const { shop, timeZone } = await readSettings(db);
  const published = await outlook.partOf<Plan | null>(db, "published");
  const { value: plan, at } = published.value
    ? { value: published.value, at: published.at }
    : await outlook.partOf<Plan>(db, "plan");
  const { instantOf } = frameOf(timeZone, at);
  const windows = plan.people.find((p) => p.id === person.id)?.windows ?? [];
  const due = new Map(plan.batches.map((b) => [b.id, b]));
  const calendar = ical({
    name: `${person.name}: ${shop}`,
    method: ICalCalendarMethod.PUBLISH,
    ttl: AGAIN_SECONDS,
    prodId: { company: "Kasten", product: "plan" },
  });
  for (const w of plan.work.filter((x) => x.person === person.id))
    for (const [i, [from, to]] of workedIn(windows, w.start, w.end).entries()) {
      const batch = due.get(w.batch);
      const changeOver = i === 0 && w.setupMinutes > 0 ? ` Change-over ${w.setupMinutes} minutes before.` : "";
      calendar.createEvent({
        id: `${w.id}:${i}@kasten`,
        stamp: at,
        start: instantOf(from),
        end: instantOf(to),
        summary: `${verbs[w.kind] ?? w.kind}: ${w.patternName} ${w.size}, batch ${w.number}`,
        description: `Due ${batch?.due ?? ""}.${changeOver}`,
      });
    }
  return calendar.toString();
}

import type { HistoryEvent } from "@kasten/contract/http";
import { insert, isoInstant, type Db } from "../database/rows";
import { eventEntity, type Subject } from "./entities";
import { eventPage, type EventCursor } from "./queries";

export type { Subject } from "./entities";

/** Writes who did what into the log, in the same transaction; every open page hears of it. */
export async function logEvent(
  db: Db,
  person: { id: string },
  subject: Subject,
  subjectId: string,
  kind: string,
  sentence: string,
  at: Date = new Date(),
): Promise<void> {
  await insert(db, eventEntity, { at, personId: person.id, subject, subjectId, kind, sentence });
}

export type LoggedEvent = HistoryEvent & { subject: Subject; subjectId: string };

/** Events, newest first; of one thing where a subject is given. */
export async function events(db: Db, cursor: EventCursor): Promise<LoggedEvent[]> {
  return (await eventPage(db, cursor)).map(({ at, ...e }) => ({ ...e, at: isoInstant(at) }));
}

const MOST_HISTORY = 100;

/** The history of one thing, newest first. */
export const historyOf = async (db: Db, subject: Subject, id: string): Promise<HistoryEvent[]> =>
  (await events(db, { subject, subjectId: id, limit: MOST_HISTORY })).map(
    ({ subject: _subject, subjectId: _id, ...e }) => e,
  );

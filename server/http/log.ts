import type { EntityManager } from "typeorm";
import type { HistoryEvent } from "@kasten/contract/http";
import { rows } from "../database/source";

export type Subject = "order" | "batch" | "stock" | "pattern" | "hook" | "person" | "parcel" | "customer";

/** Writes who did what into the log, in the same transaction; every open page hears of it. */
export async function logEvent(
  db: EntityManager,
  person: { id: string },
  subject: Subject,
  subjectId: string,
  kind: string,
  sentence: string,
  at: Date = new Date(),
): Promise<void> {
  await db.query(
    "INSERT INTO event (at, person_id, subject, subject_id, kind, sentence) VALUES ($1, $2, $3, $4, $5, $6)",
    [at, person.id, subject, subjectId, kind, sentence],
  );
}

/** The history of one thing, newest first. */
export const historyOf = (db: EntityManager, subject: Subject, id: string): Promise<HistoryEvent[]> =>
  rows<HistoryEvent>(
    db,
    `SELECT e.id, to_char(e.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS at, p.name AS person, e.kind, e.sentence
     FROM event e JOIN person p ON p.id = e.person_id WHERE e.subject = $1 AND e.subject_id = $2 ORDER BY e.id DESC LIMIT 100`,
    [subject, id],
  );

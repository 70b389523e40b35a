import type { Db } from "../database/rows";
import { eventEntity, type EventRow } from "./entities";

export interface EventCursor {
  subject?: EventRow["subject"];
  subjectId?: string;
  /** Only those before this one. */
  before?: number;
  limit: number;
}

/** Events with the name of who did it, newest first. */
export function eventPage(
  db: Db,
  { subject, subjectId, before, limit }: EventCursor,
): Promise<(Omit<EventRow, "personId"> & { person: string })[]> {
  const query = db
    .createQueryBuilder(eventEntity, "e")
    .innerJoin("person", "p", "p.id = e.personId")
    .select("e.id", "id")
    .addSelect("e.at", "at")
    .addSelect("p.name", "person")
    .addSelect("e.subject", "subject")
    .addSelect("e.subjectId", "subjectId")
    .addSelect("e.kind", "kind")
    .addSelect("e.sentence", "sentence")
    .orderBy("e.id", "DESC")
    .limit(limit);
  if (subject !== undefined)
    query.andWhere("e.subject = :subject AND e.subjectId = :subjectId", { subject, subjectId });
  if (before !== undefined) query.andWhere("e.id < :before", { before });
  return query.getRawMany();
}

import { EntitySchema } from "typeorm";
import { bigint, refers, text, uuid, written } from "../database/columns";

export const subjects = [
  "order",
  "batch",
  "stock",
  "pattern",
  "hook",
  "person",
  "parcel",
  "customer",
  "room",
  "supplier",
  "purchase",
  "plan",
] as const;
export type Subject = (typeof subjects)[number];

export interface EventRow {
  id: number;
  at: Date;
  personId: string;
  subject: Subject;
  subjectId: string;
  kind: string;
  sentence: string;
}

/** Who did what. A trigger tells every open page of it. */
export const eventEntity = new EntitySchema<EventRow>({
  name: "event",
  columns: {
    id: bigint({ primary: true, generated: "increment" }),
    at: written(),
    personId: uuid(refers("person")),
    subject: text(),
    subjectId: text(),
    kind: text(),
    sentence: text(),
  },
  indices: [{ name: "event_subject", columns: ["subject", "subjectId", "id"] }],
});

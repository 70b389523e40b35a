import { EntitySchema } from "typeorm";
import { int, jsonb, optional, refers, text, uuid, written } from "../database/columns";

export interface RequestKeyRow {
  key: string;
  personId: string | null;
  fingerprint: string;
  status: number | null;
  reply: unknown;
  at: Date;
}

/** Changes by their key, with the reply that a repeat is given. */
export const requestKeyEntity = new EntitySchema<RequestKeyRow>({
  name: "request_key",
  columns: {
    key: text({ primary: true }),
    personId: uuid({ ...optional, ...refers("person") }),
    fingerprint: text(),
    status: int(optional),
    reply: jsonb(optional),
    at: written(),
  },
  indices: [{ name: "request_key_at", columns: ["at"] }],
});

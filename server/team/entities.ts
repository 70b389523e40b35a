import { EntitySchema } from "typeorm";
import type { Person } from "@kasten/contract/team";
import {
  instant,
  int,
  jsonb,
  numeric,
  optional,
  refers,
  text,
  uuid,
  uuidKey,
  version,
  written,
} from "../database/columns";

export interface PersonRow extends Omit<Person, "endedAt"> {
  passwordHash: string;
  endedAt: Date | null;
}

/** The password's hash is read only where it is asked for by name. */
export const personEntity = new EntitySchema<PersonRow>({
  name: "person",
  columns: {
    id: uuidKey,
    login: text({ unique: true }),
    name: text(),
    role: text(),
    passwordHash: text({ select: false }),
    skills: jsonb({ default: [] }),
    hours: jsonb({ default: [] }),
    pace: numeric({ default: 1 }),
    handed: text({ default: "right" }),
    numberWords: jsonb({ default: {} }),
    methods: jsonb({ default: {} }),
    endedAt: instant(optional),
    version,
  },
  checks: [
    { name: "person_role_check", expression: "role IN ('owner', 'tier', 'shop')" },
    { name: "person_pace_check", expression: "pace > 0" },
    { name: "person_handed_check", expression: "handed IN ('left', 'right')" },
  ],
});

/** Addresses from which a person has signed in: there, the wrong tries of strangers do not count. */
export interface KnownAddressRow {
  personId: string;
  address: string;
  at: Date;
}
export const knownAddressEntity = new EntitySchema<KnownAddressRow>({
  name: "known_address",
  columns: {
    personId: uuid({ primary: true, ...refers("person") }),
    address: text({ primary: true }),
    at: written(),
  },
  indices: [{ name: "known_address_at", columns: ["at"] }],
});

/** Tries to sign in that have not succeeded, or not yet. */
export interface SignInFailureRow {
  id: number;
  login: string;
  address: string;
  at: Date;
}

export const signInFailureEntity = new EntitySchema<SignInFailureRow>({
  name: "sign_in_failure",
  columns: { id: int({ primary: true, generated: "increment" }), login: text(), address: text(), at: written() },
  indices: [{ name: "sign_in_failure_at", columns: ["at"] }],
});

export const teamEntities = [personEntity, knownAddressEntity, signInFailureEntity];

import { EntitySchema } from "typeorm";
import type { Person } from "@kasten/contract/team";
import {
  bigint,
  flag,
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
    absences: jsonb({ default: [] }),
    extraHours: jsonb({ default: [] }),
    learns: flag(),
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

/** Tries to sign in, counted by name and by address until they are forgotten; written by the limiter. */
export interface SignInTryRow {
  key: string;
  points: number;
  /** Milliseconds since 1970. */
  expire: number | null;
}

export const signInTryEntity = new EntitySchema<SignInTryRow>({
  name: "sign_in_try",
  columns: { key: text({ primary: true }), points: int({ default: 0 }), expire: bigint(optional) },
});

export const teamEntities = [personEntity, knownAddressEntity, signInTryEntity];

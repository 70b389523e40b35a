import type { Person } from "@kasten/contract/team";
import { locked, update, type Db } from "../database/rows";
import { notFound, Problem } from "../http/problems";
import { logEvent } from "../log";
import { personEntity } from "./entities";
import { activePeople, personById } from "./people";
import { endSessions, lockOwners } from "./queries";

type Who = { id: string };

async function known(db: Db, id: string): Promise<Person> {
  await locked(db, personEntity, { id });
  const person = await personById(db, id);
  if (!person) throw notFound("person");
  return person;
}

/** Somebody must be able to manage people: the last owner stays one. */
export async function guardLastOwner(db: Db, id: string): Promise<void> {
  await lockOwners(db);
  const owners = (await activePeople(db)).filter((p) => p.role === "owner");
  if (owners.length === 1 && owners[0]?.id === id)
    throw new Problem(
      "last-owner",
      "Not possible",
      "This is the last owner. Make somebody else an owner first, then change this one.",
    );
}

/** The owner gives a person a new password, to be told face to face. */
export async function reset(db: Db, by: Who, id: string, passwordHash: string): Promise<void> {
  const person = await known(db, id);
  await update(db, personEntity, { id }, { passwordHash });
  await endSessions(db, id);
  await logEvent(db, by, "person", id, "password", `Gave ${person.name} a new password`);
}

/** Ends a person's access: nobody signs in as them, and nobody is signed in as them. What they did stays. */
export async function end(db: Db, by: Who, id: string): Promise<Person> {
  await guardLastOwner(db, id);
  const person = await known(db, id);
  if (person.endedAt === null) {
    await update(db, personEntity, { id }, { endedAt: new Date() });
    await logEvent(db, by, "person", id, "ended", `Ended the access of ${person.name}`);
  }
  await endSessions(db, id);
  return known(db, id);
}

export async function readmit(db: Db, by: Who, id: string): Promise<Person> {
  const person = await known(db, id);
  if (person.endedAt === null) return person;
  await update(db, personEntity, { id }, { endedAt: null });
  await logEvent(db, by, "person", id, "readmitted", `Let ${person.name} sign in again`);
  return known(db, id);
}

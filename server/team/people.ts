import type { Person } from "@kasten/contract/team";
import { IsNull } from "typeorm";
import { insert, isoInstant, type Db } from "../database/rows";
import { personEntity, type PersonRow } from "./entities";

const toPerson = ({
  passwordHash: _hash,
  ...p
}: Omit<PersonRow, "passwordHash"> & { passwordHash?: string }): Person => ({
  ...p,
  endedAt: p.endedAt && isoInstant(p.endedAt),
});

/** A person, also one whose access has ended. */
export async function personById(db: Db, id: string): Promise<Person | undefined> {
  const found = await db.getRepository(personEntity).findOneBy({ id });
  return found ? toPerson(found) : undefined;
}

/** A person who may be signed in. */
export async function activePersonById(db: Db, id: string): Promise<Person | undefined> {
  const found = await db.getRepository(personEntity).findOneBy({ id, endedAt: IsNull() });
  return found ? toPerson(found) : undefined;
}

/** Everyone there is, also those whose access has ended: their names stand in the log. */
export const allPeople = async (db: Db): Promise<Person[]> =>
  (await db.getRepository(personEntity).find({ order: { role: "ASC", name: "ASC" } })).map(toPerson);

/** Those who work in the room. */
export const activePeople = async (db: Db): Promise<Person[]> =>
  (await allPeople(db)).filter((p) => p.endedAt === null);

/** A person's name, for what is to be seen by name. */
export const nameOf = async (db: Db, id: string): Promise<string> =>
  (await db.getRepository(personEntity).findOne({ where: { id }, select: { name: true } }))?.name ?? "";

export const isNobodyThere = async (db: Db): Promise<boolean> => !(await db.getRepository(personEntity).exists());

export type NewPerson = Omit<
  Person,
  "id" | "version" | "methods" | "endedAt" | "absences" | "extraHours" | "learns"
> & {
  passwordHash: string;
  absences?: Person["absences"];
  extraHours?: Person["extraHours"];
  learns?: boolean;
  methods?: Record<string, string>;
};

export const loginOf = (typed: string): string => typed.trim().toLowerCase();

export async function insertPerson(
  db: Db,
  { login, methods = {}, absences = [], extraHours = [], learns = false, ...p }: NewPerson,
): Promise<Person> {
  const added = await insert(db, personEntity, { ...p, login: loginOf(login), methods, absences, extraHours, learns });
  return toPerson({ ...added, endedAt: null });
}

/** Who may sign in under that name, with the hash that the password is tried against. */
export const signingIn = async (db: Db, login: string): Promise<{ id: string; passwordHash: string } | undefined> =>
  (await db.getRepository(personEntity).findOne({
    where: { login: loginOf(login), endedAt: IsNull() },
    select: { id: true, passwordHash: true },
  })) ?? undefined;

/** Who signs in under that name. */
export async function personByLogin(db: Db, login: string): Promise<Person | undefined> {
  const found = await db.getRepository(personEntity).findOneBy({ login });
  return found ? toPerson(found) : undefined;
}

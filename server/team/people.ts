import { hash, verify } from "@node-rs/argon2";
import type { Person } from "@kasten/contract/team";
import type { EntityManager } from "typeorm";
import { row, rows } from "../database/source";

const columns = `id, login, name, role, skills, hours, pace, handed, number_words AS "numberWords", methods, version`;

export const personById = (db: EntityManager, id: string): Promise<Person | undefined> =>
  row<Person>(db, `SELECT ${columns} FROM person WHERE id = $1`, [id]);
export const allPeople = (db: EntityManager): Promise<Person[]> =>
  rows<Person>(db, `SELECT ${columns} FROM person ORDER BY role, name`);

export type NewPerson = Omit<Person, "id" | "version" | "methods"> & {
  password: string;
  methods?: Record<string, string>;
};

export async function insertPerson(db: EntityManager, p: NewPerson): Promise<Person> {
  const inserted = await row<Person>(
    db,
    `INSERT INTO person (login, name, role, password_hash, skills, hours, pace, handed, number_words, methods) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) RETURNING ${columns}`,
    [
      p.login.toLowerCase(),
      p.name,
      p.role,
      await hashPassword(p.password),
      JSON.stringify(p.skills),
      JSON.stringify(p.hours),
      p.pace,
      p.handed,
      JSON.stringify(p.numberWords),
      JSON.stringify(p.methods ?? {}),
    ],
  );
  if (!inserted) throw new Error("person was not inserted");
  return inserted;
}

/** argon2id with 19 MiB and two passes, as the current OWASP advice has it. */
const hashPassword = (password: string): Promise<string> =>
  hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

let decoy: Promise<string> | undefined;

/** The person whose login and password these are. An unknown login takes as long as a wrong password. */
export async function personByPassword(
  db: EntityManager,
  login: string,
  password: string,
): Promise<string | undefined> {
  const found = await row<{ id: string; passwordHash: string }>(
    db,
    `SELECT id, password_hash AS "passwordHash" FROM person WHERE login = $1`,
    [login.trim().toLowerCase()],
  );
  decoy ??= hashPassword("nobody signs in with this");
  const right = await verify(found?.passwordHash ?? (await decoy), password);
  return found && right ? found.id : undefined;
}

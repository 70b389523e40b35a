import { hash, verify } from "@node-rs/argon2";
import type { Person } from "@kasten/contract/team";
import { insert, type Db } from "../database/rows";
import { personEntity } from "./entities";

export const personById = async (db: Db, id: string): Promise<Person | undefined> =>
  (await db.getRepository(personEntity).findOneBy({ id })) ?? undefined;
export const allPeople = (db: Db): Promise<Person[]> =>
  db.getRepository(personEntity).find({ order: { role: "ASC", name: "ASC" } });
export const isNobodyThere = async (db: Db): Promise<boolean> => !(await db.getRepository(personEntity).exists());

export type NewPerson = Omit<Person, "id" | "version" | "methods"> & {
  password: string;
  methods?: Record<string, string>;
};

export async function insertPerson(db: Db, { password, ...p }: NewPerson): Promise<Person> {
  const { passwordHash: _hash, ...person } = await insert(db, personEntity, {
    ...p,
    login: p.login.toLowerCase(),
    methods: p.methods ?? {},
    passwordHash: await hashPassword(password),
  });
  return person;
}

/** argon2id with 19 MiB and two passes, as the current OWASP advice has it. */
const hashPassword = (password: string): Promise<string> =>
  hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

let decoy: Promise<string> | undefined;

/** The person whose login and password these are. An unknown login takes as long as a wrong password. */
export async function personByPassword(db: Db, login: string, password: string): Promise<string | undefined> {
  const found = await db
    .getRepository(personEntity)
    .findOne({ where: { login: login.trim().toLowerCase() }, select: { id: true, passwordHash: true } });
  decoy ??= hashPassword("nobody signs in with this");
  const right = await verify(found?.passwordHash ?? (await decoy), password);
  return found && right ? found.id : undefined;
}

/** Who signs in under that name. */
export const personByLogin = async (db: Db, login: string): Promise<Person | undefined> =>
  (await db.getRepository(personEntity).findOneBy({ login })) ?? undefined;

import { randomBytes, timingSafeEqual } from "node:crypto";
import type { Request } from "express";
import type { BodyOf, ReplyOf } from "@kasten/contract/http";
import type { changePassword, me, setUp, signIn } from "@kasten/contract/team";
import { update, type Db } from "../database/rows";
import { Problem } from "../http/problems";
import { isDemo } from "../settings";
import { personEntity } from "./entities";
import { hashPassword, isPassword } from "./passwords";
import { activePeople, activePersonById, insertPerson, isNobodyThere, loginOf, signingIn } from "./people";
import { endSessions, lockOwners } from "./queries";
import { countTry, succeeded } from "./tries";

/** A fresh session id at every change of person, so that one planted before cannot be used after. */
export const startSession = (request: Request, person: string): Promise<void> =>
  new Promise((resolve, reject) => {
    request.session.regenerate((error: Error | undefined) => {
      if (error) return reject(error);
      request.session.person = person;
      request.session.save((saveError: Error | undefined) => (saveError ? reject(saveError) : resolve()));
    });
  });

export const endSession = (request: Request): Promise<void> =>
  new Promise<void>((resolve, reject) =>
    request.session.destroy((error: Error | undefined) => (error ? reject(error) : resolve())),
  );

export async function whoAmI(db: Db, id: string | undefined): Promise<ReplyOf<typeof me>> {
  const people = (await isDemo(db)) ? await activePeople(db) : [];
  return {
    person: (id && (await activePersonById(db, id))) || null,
    demo: people.map(({ id: demoId, name, role, skills }) => ({ id: demoId, name, role, skills })),
    isNew: await isNobodyThere(db),
  };
}

/** The person whose name and password these are, every try counted before it is made. */
async function byPassword(db: Db, request: Request, typed: string, password: string): Promise<string> {
  const [login, address] = [loginOf(typed), request.ip ?? ""];
  const one = await countTry(db, login, address);
  const found = await signingIn(db, login);
  if (!(await isPassword(found?.passwordHash, password)) || !found)
    throw new Problem(
      "wrong-password",
      "Not signed in",
      "That name and password do not belong together. Try again, or ask the owner.",
    );
  await succeeded(db, found.id, one);
  return found.id;
}

export async function enter(db: Db, request: Request, { login, password }: BodyOf<typeof signIn>) {
  const id = await byPassword(db, request, login, password);
  await startSession(request, id);
  return whoAmI(db, id);
}

/** Printed when an empty installation starts; without it nobody can make themselves its owner. */
export const setUpCode = randomBytes(9).toString("base64url");

function sameCode(given: string): boolean {
  const [a, b] = [Buffer.from(given), Buffer.from(setUpCode)];
  return a.length === b.length && timingSafeEqual(a, b);
}

/**
 * Makes the first owner, once. Whoever lost the answer may send it again: with the same name and password it signs in.
 */
export async function begin(db: Db, request: Request, body: BodyOf<typeof setUp>) {
  if (!sameCode(body.code))
    throw new Problem(
      (await isNobodyThere(db)) ? "wrong-code" : "not-new",
      "Not allowed",
      "That is not the code which the server printed when it started. An installation that has its owner takes no other.",
    );
  const passwordHash = (await isNobodyThere(db)) ? await hashPassword(body.password) : undefined;
  const id = passwordHash === undefined ? undefined : await firstOwner(db, body, passwordHash);
  if (id === undefined) return again(db, request, body);
  await startSession(request, id);
  return whoAmI(db, id);
}

/** The owner, unless somebody else was first. */
const firstOwner = (db: Db, { name, login }: BodyOf<typeof setUp>, passwordHash: string): Promise<string | undefined> =>
  db.transaction(async (tx) => {
    await lockOwners(tx);
    if (!(await isNobodyThere(tx))) return undefined;
    const usual = { skills: [], hours: [], pace: 1, handed: "right" as const, numberWords: {}, role: "owner" as const };
    return (await insertPerson(tx, { ...usual, name, login, passwordHash })).id;
  });

async function again(db: Db, request: Request, body: BodyOf<typeof setUp>) {
  try {
    return await enter(db, request, body);
  } catch (error) {
    if (!(error instanceof Problem) || error.type !== "wrong-password") throw error;
    throw new Problem("not-new", "Not allowed", "This installation has its owner already. Ask them for an account.");
  }
}

/** A new password for oneself: who else is signed in with the old one, is no longer. */
export async function renewPassword(
  db: Db,
  request: Request,
  person: { id: string; login: string },
  { current, password }: BodyOf<typeof changePassword>,
): Promise<void> {
  await byPassword(db, request, person.login, current);
  const passwordHash = await hashPassword(password);
  await db.transaction(async (tx) => {
    await update(tx, personEntity, { id: person.id }, { passwordHash });
    await endSessions(tx, person.id);
  });
  await startSession(request, person.id);
}

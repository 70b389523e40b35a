import { randomBytes, timingSafeEqual } from "node:crypto";
import type { Request } from "express";
import type { ReplyOf } from "@kasten/contract/http";
import { addPerson, editPerson, listPeople, me, setUp, signIn, signInDemo, signOut } from "@kasten/contract/team";
import { locked, update, type Db } from "../database/rows";
import type { Register } from "../http/handle";
import { notFound, Problem } from "../http/problems";
import { stale } from "../http/versions";
import { logEvent } from "../log";
import { isDemo } from "../settings";
import { personEntity } from "./entities";
import { allPeople, insertPerson, isNobodyThere, personById, personByPassword } from "./people";

/** A fresh session id at every change of person, so that one planted before cannot be used after. */
const startSession = (request: Request, person: string): Promise<void> =>
  new Promise((resolve, reject) => {
    request.session.regenerate((error: Error | undefined) => {
      if (error) return reject(error);
      request.session.person = person;
      request.session.save((saveError: Error | undefined) => (saveError ? reject(saveError) : resolve()));
    });
  });

async function whoAmI(db: Db, id: string | undefined): Promise<ReplyOf<typeof me>> {
  const people = (await isDemo(db)) ? await allPeople(db) : [];
  return {
    person: (id && (await personById(db, id))) || null,
    demo: people.map(({ id: demoId, name, role, skills }) => ({ id: demoId, name, role, skills })),
    isNew: await isNobodyThere(db),
  };
}

/** Printed when an empty installation starts; without it nobody can make themselves its owner. */
export const setUpCode = randomBytes(9).toString("base64url");

const sameCode = (given: string): boolean =>
  given.length === setUpCode.length && timingSafeEqual(Buffer.from(given), Buffer.from(setUpCode));

function sessionRoutes(register: Register): void {
  register(me, ({ db, person }) => whoAmI(db, person.id));
  register(signIn, async ({ db, body, request }) => {
    const id = await personByPassword(db, body.login, body.password);
    if (!id)
      throw new Problem(
        "wrong-password",
        "Not signed in",
        "That name and password do not belong together. Try again, or ask the owner.",
      );
    await startSession(request, id);
    return whoAmI(db, id);
  });
  register(signInDemo, async ({ db, body, request }) => {
    if (!(await isDemo(db)))
      throw new Problem("not-a-demo", "Not allowed", "Only a demo installation signs people in without a password.");
    const person = await personById(db, body.person);
    if (!person) throw notFound("person");
    await startSession(request, person.id);
    return whoAmI(db, person.id);
  });
  register(signOut, async ({ request }) => {
    await new Promise<void>((resolve, reject) =>
      request.session.destroy((error: Error | undefined) => (error ? reject(error) : resolve())),
    );
    return { ok: true as const };
  });
  register(setUp, async ({ db, body, request }) => {
    if (!(await isNobodyThere(db)))
      throw new Problem("not-new", "Not allowed", "This installation has its owner already. Ask them for an account.");
    if (!sameCode(body.code))
      throw new Problem("wrong-code", "Not allowed", "That is not the code which the server printed when it started.");
    const { code: _code, ...given } = body;
    const usual = { skills: [], hours: [], pace: 1, handed: "right" as const, numberWords: {} };
    const owner = await insertPerson(db, { ...given, ...usual, role: "owner" });
    await startSession(request, owner.id);
    return whoAmI(db, owner.id);
  });
}

export function teamRoutes(register: Register): void {
  sessionRoutes(register);
  register(listPeople, async ({ db }) => ({ people: await allPeople(db) }));
  register(addPerson, async ({ db, body, person }) => {
    const added = await insertPerson(db, body);
    await logEvent(db, person, "person", added.id, "added", `Added ${added.name}`);
    return added;
  });
  register(editPerson, async ({ db, params, body, person }) => {
    const before = await locked(db, personEntity, { id: params.id });
    if (!before) throw notFound("person");
    const { version, ...changes } = body;
    if ((await update(db, personEntity, { id: params.id, version }, changes)) === 0)
      throw stale(before.version, before, body, ["name", "role", "pace", "handed"]);
    const told = `Changed the hours, skills, ways or words of ${body.name}`;
    await logEvent(db, person, "person", params.id, "changed", told);
    return (await personById(db, params.id)) ?? before;
  });
}

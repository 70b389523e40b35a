import { randomBytes, timingSafeEqual } from "node:crypto";
import type { Request } from "express";
import type { EntityManager } from "typeorm";
import { addPerson, editPerson, listPeople, me, setUp, signIn, signInDemo, signOut } from "@kasten/contract/team";
import { row, rows } from "../database/source";
import type { Register } from "../http/handle";
import { logEvent } from "../http/log";
import { notFound, Problem } from "../http/problems";
import { stale } from "../http/versions";
import { isDemo } from "../patterns";
import { allPeople, insertPerson, personById, personByPassword } from "./people";

/** A fresh session id at every change of person, so that one planted before cannot be used after. */
const startSession = (request: Request, person: string): Promise<void> =>
  new Promise((resolve, reject) => {
    request.session.regenerate((error: Error | undefined) => {
      if (error) return reject(error);
      request.session.person = person;
      request.session.save((saveError: Error | undefined) => (saveError ? reject(saveError) : resolve()));
    });
  });

async function whoAmI(db: EntityManager, id: string | undefined) {
  const demo = await isDemo(db);
  const people = demo
    ? await rows<{ id: string; name: string; role: "owner"; skills: string[] }>(
        db,
        "SELECT id, name, role, skills FROM person ORDER BY role, name",
      )
    : [];
  const anyone = await row<{ n: number }>(db, "SELECT count(*)::int AS n FROM person");
  return { person: (id && (await personById(db, id))) || null, demo: people, isNew: anyone?.n === 0 };
}

/** Printed when an empty installation starts; without it nobody can make themselves its owner. */
export const setUpCode = randomBytes(9).toString("base64url");

const sameCode = (given: string): boolean =>
  given.length === setUpCode.length && timingSafeEqual(Buffer.from(given), Buffer.from(setUpCode));

export function teamRoutes(register: Register): void {
  register(me, ({ db, person }) => whoAmI(db, person.id));
  register(signIn, async ({ db, body, request }) => {
    const id = await personByPassword(db, body.login, body.password);
    if (!id)
      throw new Problem(
        401,
        "wrong-password",
        "Not signed in",
        "That name and password do not belong together. Try again, or ask the owner.",
      );
    await startSession(request, id);
    return whoAmI(db, id);
  });
  register(signInDemo, async ({ db, body, request }) => {
    if (!(await isDemo(db)))
      throw new Problem(
        403,
        "not-a-demo",
        "Not allowed",
        "Only a demo installation signs people in without a password.",
      );
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
    const { isNew } = await whoAmI(db, undefined);
    if (!isNew)
      throw new Problem(
        403,
        "not-new",
        "Not allowed",
        "This installation has its owner already. Ask them for an account.",
      );
    if (!sameCode(body.code))
      throw new Problem(
        403,
        "wrong-code",
        "Not allowed",
        "That is not the code which the server printed when it started.",
      );
    const owner = await insertPerson(db, {
      ...body,
      role: "owner",
      skills: [],
      hours: [],
      pace: 1,
      handed: "right",
      numberWords: {},
    });
    await startSession(request, owner.id);
    return whoAmI(db, owner.id);
  });
  register(listPeople, async ({ db }) => ({ people: await allPeople(db) }));
  register(addPerson, async ({ db, body, person }) => {
    const added = await insertPerson(db, body);
    await logEvent(db, person, "person", added.id, "added", `Added ${added.name}`);
    return added;
  });
  register(editPerson, async ({ db, params, body, person }) => {
    const before = await personById(db, params.id);
    if (!before) throw notFound("person");
    if (before.version !== body.version) throw stale(before.version, before, body, ["name", "role", "pace", "handed"]);
    await db.query(
      "UPDATE person SET name = $2, role = $3, skills = $4, hours = $5, pace = $6, handed = $7, number_words = $8, methods = COALESCE($9, methods), version = version + 1 WHERE id = $1",
      [
        params.id,
        body.name,
        body.role,
        JSON.stringify(body.skills),
        JSON.stringify(body.hours),
        body.pace,
        body.handed,
        JSON.stringify(body.numberWords),
        body.methods ? JSON.stringify(body.methods) : null,
      ],
    );
    await logEvent(
      db,
      person,
      "person",
      params.id,
      "changed",
      `Changed the hours, skills, ways or words of ${body.name}`,
    );
    return (await personById(db, params.id)) ?? before;
  });
}

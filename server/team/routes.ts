import {
  addExtraHours,
  addPerson,
  changePassword,
  editPerson,
  endAccess,
  giveAccess,
  listPeople,
  me,
  resetPassword,
  setUp,
  signIn,
  signInDemo,
  signOut,
} from "@kasten/contract/team";
import { locked, update } from "../database/rows";
import type { Register } from "../http/handle";
import { notFound, Problem, refused } from "../http/problems";
import { stale } from "../http/versions";
import { logEvent } from "../log";
import { isDemo } from "../settings";
import { end, guardLastOwner, readmit, reset } from "./access";
import { personEntity } from "./entities";
import { hashPassword } from "./passwords";
import { activePersonById, allPeople, insertPerson, personById } from "./people";
import { endStreams } from "./queries";
import { begin, endSession, enter, renewPassword, startSession, whoAmI } from "./session";

const ok = { ok: true as const };

function sessionRoutes(register: Register): void {
  register(me, ({ db, person }) => whoAmI(db, person.id));
  register(signIn, ({ db, body, request }) => enter(db, request, body));
  register(setUp, ({ db, body, request }) => begin(db, request, body));
  register(signInDemo, async ({ db, body, request }) => {
    if (!(await isDemo(db)))
      throw new Problem("not-a-demo", "Not allowed", "Only a demo installation signs people in without a password.");
    const person = await activePersonById(db, body.person);
    if (!person) throw notFound("person");
    await startSession(request, person.id);
    return whoAmI(db, person.id);
  });
  register(signOut, async ({ db, request }) => {
    const { sessionID } = request;
    await endSession(request);
    await endStreams(db, sessionID);
    return ok;
  });
  register(changePassword, async ({ db, person, body, request }) => {
    await renewPassword(db, request, person, body);
    return ok;
  });
}

function accessRoutes(register: Register): void {
  register.prepared(
    resetPassword,
    ({ body }) => hashPassword(body.password),
    async ({ db, person, params, prepared }) => {
      await reset(db, person, params.id, prepared);
      return ok;
    },
  );
  register(endAccess, ({ db, person, params }) => end(db, person, params.id));
  register(giveAccess, ({ db, person, params }) => readmit(db, person, params.id));
}

/** Days with extra hours that are kept of one person. */
const MOST_EXTRA = 120;

export function teamRoutes(register: Register): void {
  sessionRoutes(register);
  accessRoutes(register);
  register(listPeople, async ({ db }) => ({ people: await allPeople(db) }));
  register.prepared(
    addPerson,
    ({ body }) => hashPassword(body.password),
    async ({ db, body: { password: _password, ...body }, person, prepared }) => {
      const added = await insertPerson(db, { ...body, passwordHash: prepared });
      await logEvent(db, person, "person", added.id, "added", `Added ${added.name}`);
      return added;
    },
  );
  register(addExtraHours, async ({ db, params, body, person }) => {
    const before = await locked(db, personEntity, { id: params.id });
    if (!before) throw notFound("person");
    if (before.extraHours.length >= MOST_EXTRA)
      throw refused(`${before.name} has extra hours on ${MOST_EXTRA} days already: take out those that are over.`);
    await update(db, personEntity, { id: params.id }, { extraHours: [...before.extraHours, body] });
    await logEvent(db, person, "person", params.id, "changed", `${before.name} works extra hours on ${body.day}`);
    const after = await personById(db, params.id);
    if (!after) throw notFound("person");
    return after;
  });
  register(editPerson, async ({ db, params, body, person }) => {
    if (body.role !== "owner") await guardLastOwner(db, params.id);
    const before = await locked(db, personEntity, { id: params.id });
    if (!before) throw notFound("person");
    const { version, ...changes } = body;
    if ((await update(db, personEntity, { id: params.id, version }, changes)) === 0)
      throw stale(before.version, before, body, ["name", "role", "pace", "handed"]);
    const told = `Changed the hours, skills, ways or words of ${body.name}`;
    await logEvent(db, person, "person", params.id, "changed", told);
    const after = await personById(db, params.id);
    if (!after) throw notFound("person");
    return after;
  });
}

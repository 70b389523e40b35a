import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, beforeEach, describe, expect, test } from "vitest";
import {
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
} from "@kasten/contract/team";
import { Client, openTestRoom, type TestRoom } from "../testing/app";
import { setUpCode } from "./session";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom({ trustProxy: true });
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());
beforeEach(() => room.source.query("DELETE FROM sign_in_try"));

const password = "a long enough one";
const newcomer = (login: string) => ({
  name: `Nele ${login}`,
  login,
  password,
  role: "tier" as const,
  skills: [],
  hours: [],
  pace: 1,
  handed: "left" as const,
  numberWords: {},
});
const from = (address: string) => ({ "X-Forwarded-For": address });
const enter = async (login: string, word = password, address = "10.0.0.1") => {
  const client = new Client(room.base);
  await client.ok(signIn, { body: { login, password: word }, headers: from(address) });
  return client;
};
const tryToEnter = (login: string, word: string, address: string) =>
  new Client(room.base).send(signIn, { body: { login, password: word }, headers: from(address) });
const isIn = async (client: Client) => (await client.ok(me)).person !== null;

describe("a password", () => {
  test("is changed by whoever knows it; it ends the other sessions and not this one", async () => {
    await owner.ok(addPerson, { body: newcomer("own") });
    const [here, elsewhere] = [await enter("own"), await enter("own")];
    const next = "another long one";
    const wrong = await here.refused(changePassword, { body: { current: "not it", password: next } });
    expect([wrong.type, await isIn(elsewhere)]).toEqual(["wrong-password", true]);
    await here.ok(changePassword, { body: { current: password, password: next } });
    expect([await isIn(here), await isIn(elsewhere)]).toEqual([true, false]);
    expect(await tryToEnter("own", password, "10.0.0.1")).toBe(401);
    expect(await isIn(await enter(" OWN ", next))).toBe(true);
  });
  test("is given anew by the owner, and by nobody else; it ends every session", async () => {
    const { id } = await owner.ok(addPerson, { body: newcomer("reset") });
    const nele = await enter("reset");
    const body = { password: "told face to face" };
    expect((await nele.refused(resetPassword, { params: { id }, body })).status).toBe(403);
    await owner.ok(resetPassword, { params: { id }, body });
    expect(await isIn(nele)).toBe(false);
    expect(await isIn(await enter("reset", body.password))).toBe(true);
  });
  test("leaves nothing behind but its hash: not in a kept reply, not in a fingerprint", async () => {
    const key = randomUUID();
    const added = await owner.ok(addPerson, { body: newcomer("kept"), key });
    const again = await owner.ok(addPerson, { body: { ...newcomer("kept"), password: "quite another one" }, key });
    expect(again, "the password is no part of what tells a change").toEqual(added);
    await enter("kept");
    const [{ n }] = await room.source.query("SELECT count(*)::int AS n FROM request_key WHERE person_id IS NULL");
    expect(n).toBe(0);
  });
});

describe("access", () => {
  test("ends with all sessions, and can be given again", async () => {
    const { id } = await owner.ok(addPerson, { body: newcomer("gone") });
    const nele = await enter("gone");
    expect((await owner.ok(endAccess, { params: { id } })).endedAt).not.toBeNull();
    expect(await isIn(nele)).toBe(false);
    expect(await tryToEnter("gone", password, "10.0.0.1")).toBe(401);
    expect((await owner.ok(listPeople)).people.find((p) => p.id === id)?.name).toBe("Nele gone");
    await owner.ok(giveAccess, { params: { id } });
    expect(await isIn(await enter("gone"))).toBe(true);
  });
  test("the last owner stays one, also when two are undone at once", async () => {
    const { people } = await owner.ok(listPeople);
    const [last] = people.filter((p) => p.role === "owner");
    if (!last) throw new Error("no owner");
    const { id, login: _login, endedAt: _ended, ...rest } = last;
    expect((await owner.refused(endAccess, { params: { id } })).type).toBe("last-owner");
    const shop = { params: { id }, body: { ...rest, role: "shop" as const } };
    expect((await owner.refused(editPerson, shop)).type).toBe("last-owner");
    const second = await owner.ok(addPerson, { body: { ...newcomer("second"), role: "owner" } });
    const other = await enter("second");
    const ended = await Promise.all([
      owner.send(endAccess, { params: { id: second.id } }),
      other.send(endAccess, { params: { id } }),
    ]);
    expect(ended.filter((s) => s === 200)).toHaveLength(1);
    await room.source.query("UPDATE person SET ended_at = NULL WHERE id = $1", [id]);
    owner = await room.signedIn("owner");
  });
});

describe("guesses", () => {
  test("are counted before they are tried: of 60 at once five are", async () => {
    await owner.ok(addPerson, { body: newcomer("many") });
    const statuses = await Promise.all(
      Array.from({ length: 60 }, (_, i) => tryToEnter("many", `guess ${i}`, `10.1.0.${i}`)),
    );
    expect(statuses.filter((s) => s === 401)).toHaveLength(5);
    expect(statuses.filter((s) => s === 429)).toHaveLength(55);
    expect(await tryToEnter("many", password, "10.2.0.1"), "also the right one, from where nobody is known").toBe(429);
  });
  test("of strangers do not lock a person out from where they signed in before", async () => {
    await owner.ok(addPerson, { body: newcomer("home") });
    await enter("home", password, "10.3.0.1");
    for (let i = 0; i < 7; i++) await tryToEnter("home", "wrong", "10.4.0.9");
    expect(await tryToEnter("home", password, "10.4.0.9")).toBe(429);
    expect(await isIn(await enter("home", password, "10.3.0.1"))).toBe(true);
  });
  test("under many names from one address are stopped too", async () => {
    const statuses = [];
    for (let i = 0; i < 22; i++) statuses.push(await tryToEnter(`nobody ${i}`, "wrong", "10.5.0.1"));
    expect(statuses.slice(0, 20)).toEqual(Array(20).fill(401));
    expect(statuses.slice(20)).toEqual([429, 429]);
  });
});

describe("setting up", () => {
  let empty: TestRoom;
  beforeAll(async () => {
    empty = await openTestRoom({ demo: false });
  });
  afterAll(() => empty.stop());
  const body = (login: string) => ({ code: setUpCode, name: "Ada Quarry", login, password });
  test("makes one owner of ten who come at once, and lets that one in again who lost the answer", async () => {
    const logins = Array.from({ length: 10 }, (_, i) => `ada${i}`);
    const sent = await Promise.all(logins.map((l) => new Client(empty.base).send(setUp, { body: body(l) })));
    expect(sent.filter((s) => s === 200)).toHaveLength(1);
    const [{ n }] = await empty.source.query("SELECT count(*)::int AS n FROM person");
    expect(n).toBe(1);
    await empty.source.query("DELETE FROM sign_in_try");
    const first = logins[sent.indexOf(200)] ?? "";
    const again = await new Client(empty.base).ok(setUp, { body: body(first) });
    expect(again.person?.login).toBe(first);
  });
});

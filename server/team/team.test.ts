import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addPerson, editPerson, listPeople, me, setUp, signIn, signInDemo, signOut } from "@kasten/contract/team";
import type { BodyOf } from "@kasten/contract/http";
import { Client, openTestRoom, type TestRoom } from "../testing/app";
import { setUpCode } from "./session";

const newcomer: BodyOf<typeof addPerson> = {
  name: "Nele Brandt",
  login: "nele",
  password: "a long enough one",
  role: "tier",
  skills: ["dubbing"],
  hours: [{ day: 1, from: 540, to: 720 }],
  pace: 1,
  handed: "left",
  numberWords: { few: 3 },
};

describe("a new installation", () => {
  let room: TestRoom;
  beforeAll(async () => {
    room = await openTestRoom({ demo: false });
  });
  afterAll(() => room.stop());
  const owner = { name: "Ada Quarry", login: "ada", password: "a long enough one" };

  test("makes its owner by the printed code and by nothing else, once", async () => {
    const first = new Client(room.base);
    expect(await first.ok(me)).toMatchObject({ person: null, demo: [], isNew: true });
    for (const code of ["", "x".repeat(setUpCode.length), setUpCode.slice(1)])
      expect((await first.refused(setUp, { body: { ...owner, code } })).type).toBe("wrong-code");
    const made = await first.ok(setUp, { body: { ...owner, code: setUpCode } });
    expect(made).toMatchObject({ person: { name: "Ada Quarry", role: "owner" }, isNew: false });
    expect((await first.ok(me)).person?.login).toBe("ada");
    const second = new Client(room.base);
    expect((await second.refused(setUp, { body: { ...owner, login: "eve", code: setUpCode } })).type).toBe("not-new");
  });
  test("lets nobody in without a password, as a demo would", async () => {
    const stranger = new Client(room.base);
    const ada = new Client(room.base);
    const { person } = await ada.ok(signIn, { body: { login: "ada", password: owner.password } });
    expect((await stranger.refused(signInDemo, { body: { person: person?.id ?? "" } })).type).toBe("not-a-demo");
    expect((await stranger.ok(me)).person).toBeNull();
  });
});

describe("people", () => {
  let room: TestRoom;
  let owner: Client;
  beforeAll(async () => {
    room = await openTestRoom();
    owner = await room.signedIn("owner");
  });
  afterAll(() => room.stop());

  test("are added and changed by the owner alone; a sign-in name is given once", async () => {
    const added = await owner.ok(addPerson, { body: newcomer });
    expect(added).toMatchObject({ name: "Nele Brandt", numberWords: { few: 3 }, methods: {} });
    expect(JSON.stringify(added)).not.toContain("password");
    expect((await owner.refused(addPerson, { body: { ...newcomer, login: "NELE" } })).status).toBe(409);
    const tier = await room.signedIn("tier");
    expect((await tier.refused(addPerson, { body: { ...newcomer, login: "other" } })).status).toBe(403);
    const { login: _login, password: _password, ...edit } = newcomer;
    expect((await tier.refused(editPerson, { params: { id: added.id }, body: { ...edit, version: 1 } })).status).toBe(
      403,
    );
  });
  const absurd: [string, Partial<typeof newcomer>, string][] = [
    ["a ninth day of the week", { hours: [{ day: 9, from: 0, to: 60 }] }, "hours.0.day"],
    ["hours beyond midnight", { hours: [{ day: 1, from: 600, to: 1500 }] }, "hours.0.to"],
    ["hours that end before they begin", { hours: [{ day: 1, from: 720, to: 540 }] }, "hours.0.to"],
    ["a short password", { password: "short" }, "password"],
  ];
  test.each(absurd)("%s is refused by its path", async (_what, change, path) => {
    const refusal = await owner.refused(addPerson, { body: { ...newcomer, login: "somebody", ...change } });
    expect(refusal.errors?.map((e) => e.path)).toContain(path);
  });
  test("signing out ends the session, also for a copy of its cookie", async () => {
    const tier = await room.signedIn("tier");
    expect((await tier.ok(listPeople)).people.length).toBeGreaterThan(4);
    await tier.ok(signOut);
    expect((await tier.refused(listPeople)).type).toBe("not-signed-in");
  });
});

import { setTimeout as pause } from "node:timers/promises";
import pg from "pg";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addCustomer, editCustomer } from "@kasten/contract/customers";
import { me } from "@kasten/contract/team";
import { CONNECTIONS, openDatabase } from "../source";
import { openTestRoom, type TestRoom } from "../testing/app";
import { Problem, problemOf } from "./problems";
import { retried } from "./retry";

const collision = (code: string) => Object.assign(new Error("met another"), { code });

test.each(["40P01", "40001", "55P03"])("%s is tried again, and nobody hears of it", async (code) => {
  let tries = 0;
  const done = await retried(
    () => (++tries < 4 ? Promise.reject(collision(code)) : Promise.resolve("done")),
    () => 0,
  );
  expect([done, tries]).toEqual(["done", 4]);
});
test("whoever meets others for ever is told that they are busy", async () => {
  let tries = 0;
  const refusal = await retried(
    () => {
      tries++;
      return Promise.reject(collision("40P01"));
    },
    () => 0,
  ).catch((e: unknown) => e);
  expect(refusal).toBeInstanceOf(Problem);
  expect([(refusal as Problem).type, tries]).toEqual(["busy", 6]);
});
test("a rule that is broken is broken at once", async () => {
  let tries = 0;
  await expect(retried(() => Promise.reject(collision(`2350${++tries}`)))).rejects.toThrow("met another");
  expect(tries).toBe(1);
});

let room: TestRoom;
beforeAll(async () => {
  room = await openTestRoom();
});
afterAll(() => room.stop());

test("two who lock each other's rows both come through", async () => {
  const found: { id: string }[] = await room.source.query("SELECT id FROM customer ORDER BY id LIMIT 2");
  const ids = found.map((r) => r.id);
  let waiting = 0;
  let bothHaveOne: () => void = () => {};
  const both = new Promise<void>((resolve) => (bothHaveOne = resolve));
  const change = (order: string[]) => {
    let isFirstTry = true;
    return retried(() =>
      room.source.transaction(async (db) => {
        for (const [i, id] of order.entries()) {
          await db.query("UPDATE customer SET note = note || 'x' WHERE id = $1", [id]);
          if (i > 0 || !isFirstTry) continue;
          isFirstTry = false;
          if (++waiting === 2) bothHaveOne();
          await both;
        }
      }),
    );
  };
  await Promise.all([change(ids), change([...ids].reverse())]);
  const after: { note: string }[] = await room.source.query("SELECT note FROM customer WHERE id = ANY($1)", [ids]);
  expect(after.map((r) => r.note.slice(-2))).toEqual(["xx", "xx"]);
});

test("whoever waits behind a lock for long is answered: the room is crowded, and its database is not away", async () => {
  const owner = await room.signedIn("owner");
  const { id, ...body } = await owner.ok(addCustomer, {
    body: {
      name: "Crowded Landing",
      kind: "shop",
      rank: 3,
      policy: "tier",
      destination: { noLead: false, barblessOnly: false, forbiddenSpecies: [] },
      discount: 0,
      note: "",
    },
  });
  const holder = new pg.Client({ connectionString: room.url });
  // Inside a transaction the server's activity is seen as it was at its beginning.
  const watcher = new pg.Client({ connectionString: room.url });
  await Promise.all([holder.connect(), watcher.connect()]);
  await holder.query("BEGIN");
  await holder.query("SELECT 1 FROM customer WHERE id = $1 FOR UPDATE", [id]);
  const changes = Array.from({ length: CONNECTIONS + 1 }, () => owner.send(editCustomer, { params: { id }, body }));
  const waiting = async (): Promise<number> => {
    const found = await watcher.query<{ n: number }>(
      "SELECT count(*)::int AS n FROM pg_stat_activity WHERE datname = current_database() AND wait_event_type = 'Lock'",
    );
    return found.rows[0]?.n ?? 0;
  };
  while ((await waiting()) < CONNECTIONS) await pause(20);
  const read = owner.ok(me);
  await pause(3300);
  await holder.query("ROLLBACK");
  await Promise.all([holder.end(), watcher.end()]);
  expect((await read).person?.name).toBeDefined();
  const statuses = await Promise.all(changes);
  expect(statuses.filter((s) => s === 200)).toHaveLength(1);
  expect(statuses.filter((s) => s === 409)).toHaveLength(CONNECTIONS);
}, 40_000);

test("a connection that does not become free in time says that there is too much to do", async () => {
  const narrow = await openDatabase(room.url, { migrate: false, poolSize: 1, connectMs: 2000 });
  const busy = narrow.query("SELECT pg_sleep(3)");
  const refusal: unknown = await narrow.query("SELECT 1").catch((e: unknown) => e);
  expect(problemOf(refusal)).toMatchObject({ type: "busy", status: 503 });
  await busy;
  await narrow.destroy();
});

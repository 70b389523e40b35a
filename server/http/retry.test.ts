import { afterAll, beforeAll, expect, test } from "vitest";
import { openTestRoom, type TestRoom } from "../testing/app";
import { Problem } from "./problems";
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

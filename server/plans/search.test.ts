import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { readPlan, readSearch, startSearch, stopSearch, type PlanSearch } from "@kasten/contract/schedule";
import type { SearchControl } from "../schedule";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

async function until(is: (s: PlanSearch) => boolean, asks = owner): Promise<PlanSearch> {
  for (;;) {
    const { search } = await asks.ok(readSearch);
    if (search && is(search)) return search;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
const isOver = (s: PlanSearch) => s.state !== "waiting" && s.state !== "running";

test("nothing was looked for in a new room, and there is nothing to stop", async () => {
  expect(await owner.ok(readSearch)).toEqual({ search: null });
  expect(await owner.refused(stopSearch)).toMatchObject({ status: 404 });
});

test("a search goes through the queue, is told while it runs, and what it finds is the draft", async () => {
  const before = await owner.ok(readPlan);
  await owner.ok(startSearch, { body: { seconds: 5 } });
  expect(await owner.refused(startSearch, { body: { seconds: 5 } })).toMatchObject({
    detail: "A search is under way already. Wait for it, or stop it first.",
  });
  const over = await until(isOver);
  expect(over).toMatchObject({ state: "done", by: "Maren Holt", spent: 1 });
  const { outcome } = over;
  if (!outcome) throw new Error("it has no outcome");
  // Fewer are late as things go, or as many and it costs less.
  expect(outcome.after.lateAsThingsGo).toBeLessThan(outcome.before.lateAsThingsGo + 0.3);
  if (!outcome.isTaken) expect(outcome.after).toEqual(outcome.before);
  expect(over.lowerBound).toBeLessThanOrEqual(outcome.after.cost);
  // The day's minutes go on between the two: what was found is kept in its order, not to the last minute.
  await room.source.query("UPDATE outlook SET change = change - 1");
  const after = await owner.ok(readPlan);
  if (outcome.isTaken) expect(after.revision).toBeGreaterThan(before.revision);
  expect(after.violations).toEqual([]);
});

describe("a search that goes on", () => {
  let other: TestRoom;
  let person: Client;
  const worth = { cost: 900, late: 1, lateAsThingsGo: 1.4, left: 0, changeOverMinutes: 30 };
  beforeAll(async () => {
    /** Goes on until it is told to stop, as a thread beside the server does. */
    const search = async (_seconds: number, control: SearchControl) => {
      control.tell({ spent: 0.25, late: 1.5, lateBefore: 4, lowerBound: 600 });
      while (!control.isStopped) await new Promise((resolve) => setTimeout(resolve, 20));
      return { isTaken: true, before: { ...worth, cost: 1000 }, after: worth };
    };
    other = await openTestRoom({ search });
    person = await other.signedIn("owner");
  });
  afterAll(() => other.stop());

  test("tells how far it is, and ends when it is stopped, with the best that it has", async () => {
    await person.ok(startSearch, { body: { seconds: 600 } });
    expect(await until((s) => s.spent > 0, person)).toMatchObject({ state: "running", late: 1.5, lateBefore: 4 });
    await person.ok(stopSearch);
    expect(await until(isOver, person)).toMatchObject({ state: "stopped", spent: 0.25, outcome: { after: worth } });
    expect(await person.refused(stopSearch)).toMatchObject({ status: 404 });
  });
  test("of which nothing is heard any more is told as failed, and another may begin", async () => {
    await other.source.query(
      "UPDATE plan_search SET state = 'running', at = at - interval '1 hour', seconds = 5, stop = false",
    );
    expect((await person.ok(readSearch)).search?.state).toBe("failed");
    await person.ok(startSearch, { body: { seconds: 5 } });
    await person.ok(stopSearch);
    expect((await until(isOver, person)).state).toBe("stopped");
  });
});

test("the shop does not start one, and nobody one of a day", async () => {
  const shop = await room.signedIn("shop");
  expect(await shop.refused(startSearch, { body: { seconds: 5 } })).toMatchObject({ status: 403 });
  expect(await owner.refused(startSearch, { body: { seconds: 86_400 } })).toMatchObject({ status: 400 });
});

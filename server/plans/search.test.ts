import { afterAll, beforeAll, expect, test } from "vitest";
import { readPlan, readSearch, startSearch, stopSearch, type PlanSearch } from "@kasten/contract/schedule";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

async function until(is: (s: PlanSearch) => boolean): Promise<PlanSearch> {
  for (;;) {
    const { search } = await owner.ok(readSearch);
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

test("a search that is stopped ends at once, with the best that it has", async () => {
  await owner.ok(startSearch, { body: { seconds: 600 } });
  await owner.ok(stopSearch);
  const over = await until(isOver);
  expect(over.state).toBe("stopped");
  expect(over.spent).toBeLessThan(0.5);
  expect(over.outcome).not.toBeNull();
});

test("one of which nothing is heard any more is told as failed, and another may begin", async () => {
  await room.source.query("UPDATE plan_search SET state = 'running', at = at - interval '1 hour', seconds = 5");
  expect((await owner.ok(readSearch)).search?.state).toBe("failed");
  await owner.ok(startSearch, { body: { seconds: 5 } });
  await owner.ok(stopSearch);
  expect((await until(isOver)).state).toBe("stopped");
});

test("the shop does not start one, and nobody one of a day", async () => {
  const shop = await room.signedIn("shop");
  expect(await shop.refused(startSearch, { body: { seconds: 5 } })).toMatchObject({ status: 403 });
  expect(await owner.refused(startSearch, { body: { seconds: 86_400 } })).toMatchObject({ status: 400 });
});

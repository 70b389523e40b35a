import { fileURLToPath } from "node:url";
import { afterAll, expect, test } from "vitest";
import { threads } from "./pool";

const stuck = fileURLToPath(new URL("../testing/stuckThread.mjs", import.meta.url));
const SOON_MS = 300;
const work = threads(stuck, { databaseUrl: "", effort: 1 }, ({ do: what }) => (what === "promise" ? SOON_MS : 60_000));
afterAll(() => work.close());

test("what takes longer than it may is ended with its thread, and it is said that the server has too much to do", async () => {
  // More than there are threads: an ended one makes room for the next.
  const asked = await Promise.allSettled([1, 2, 3, 4, 5].map(() => work.promise([])));
  for (const answer of asked) {
    expect(answer).toMatchObject({
      status: "rejected",
      reason: { type: "busy", title: "More is asked than can be computed just now" },
    });
  }
});

test("more than can wait is refused at once, before its time is over", async () => {
  const waiting = Array.from({ length: 60 }, () => work.reckon().catch((error: unknown) => error));
  const refused = await Promise.race(waiting);
  expect(refused).toMatchObject({ type: "busy" });
});

import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { cancelOrder, promise } from "@kasten/contract/orders";
import { readPlan, readProblem } from "@kasten/contract/schedule";
import { readSettings, saveSettings } from "@kasten/contract/settings";
import { editPerson, listPeople, type Person } from "@kasten/contract/team";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { orderedBatch } from "../testing/orders";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

const change = async (p: Person, edit: Partial<Person>) => {
  const now = (await owner.ok(listPeople)).people.find((x) => x.id === p.id) ?? p;
  const { id, login: _login, ...rest } = now;
  await owner.ok(editPerson, { params: { id }, body: { ...rest, ...edit } });
};

describe("the plan", () => {
  test("works nobody twice at once, nobody outside their hours, and nothing before now", async () => {
    const plan = await owner.ok(readPlan);
    expect(plan.violations).toEqual([]);
    for (const p of plan.people) {
      const own = plan.work.filter((w) => w.person === p.id).sort((a, b) => a.start - b.start);
      for (const [i, w] of own.entries()) {
        expect(w.setupStart).toBeGreaterThanOrEqual(plan.now);
        expect(w.setupStart, `batch ${w.number}`).toBeGreaterThanOrEqual(own[i - 1]?.end ?? 0);
        expect(
          p.windows.some(([a, b]) => a <= w.start && w.start < b),
          `batch ${w.number}`,
        ).toBe(true);
      }
    }
  });
  test("ties each batch after it is prepared, and it is ready only after it has dried", async () => {
    const plan = await owner.ok(readPlan);
    for (const b of plan.batches.filter((x) => x.readyAt !== null)) {
      const own = plan.work.filter((w) => w.batch === b.id);
      expect(own.filter((w) => w.kind === "tie")).toHaveLength(1);
      expect(b.readyAt, `batch ${b.number}`).toBeGreaterThanOrEqual(Math.max(...own.map((w) => w.dryUntil ?? w.end)));
    }
  });
  test("follows people: whoever has no hours has no work, and it is back with the hours", async () => {
    const { people } = await owner.ok(listPeople);
    const before = await owner.ok(readPlan);
    const busiest = people
      .map((p) => ({ p, n: before.work.filter((w) => w.person === p.id).length }))
      .sort((a, b) => b.n - a.n)[0]?.p;
    if (!busiest) throw new Error("nobody works");
    await change(busiest, { hours: [] });
    const without = await owner.ok(readPlan);
    expect(without.work.filter((w) => w.person === busiest.id)).toEqual([]);
    expect(without.violations).toEqual([]);
    await change(busiest, { hours: busiest.hours });
    const after = await owner.ok(readPlan);
    expect(after.work.filter((w) => w.person === busiest.id).length).toBeGreaterThan(0);
    // What counts is that no more is late than before, in the plan and as things go.
    const late = (p: typeof after) => p.batches.reduce((sum, b) => sum + 1 - (b.odds ?? 0), 0);
    expect(after.cost.tardiness).toBeLessThan(before.cost.tardiness * 1.05);
    expect(late(after)).toBeLessThan(late(before) + 0.5);
  });
  test("has a tool that there is one of in one hand at a time, and holds what needs it while it is broken", async () => {
    const { version: _v, ...settings } = await owner.ok(readSettings);
    const set = async (down: string | null) => {
      const { version } = await owner.ok(readSettings);
      const sharedTools = [{ name: "Scissors for feather", places: 1, down }];
      await owner.ok(saveSettings, { body: { ...settings, sharedTools, version } });
    };
    await set(null);
    const { problem, assignments } = await owner.ok(readProblem);
    const needing = new Set(
      problem.jobs.flatMap((j) => j.operations).flatMap((o) => (o.station?.startsWith("tool: ") ? [o.id] : [])),
    );
    expect(needing.size).toBeGreaterThan(3);
    const held = assignments.filter((a) => needing.has(a.operation)).sort((a, b) => a.start - b.start);
    for (const [i, a] of held.entries()) expect(a.start).toBeGreaterThanOrEqual(held[i - 1]?.end ?? 0);
    await set("a blade is bent");
    const broken = (await owner.ok(readPlan)).batches.filter((b) => b.held?.includes("a blade is bent"));
    expect(broken.length).toBe(needing.size);
    const { version } = await owner.ok(readSettings);
    await owner.ok(saveSettings, { body: { ...settings, version } });
  });
  test("takes longer at a slower pace", async () => {
    const { people } = await owner.ok(listPeople);
    /** What tying takes by the clock depends on when it is done; what it takes of work does not. */
    const minutes = async () => {
      const { problem } = await owner.ok(readProblem);
      const ties = problem.jobs.flatMap((j) => j.operations.filter((o) => o.kind === "tie"));
      return ties.reduce((sum, o) => sum + Math.min(...o.choices.map((c) => c.minutes)), 0);
    };
    const before = await minutes();
    for (const p of people) await change(p, { pace: Math.min(4, p.pace * 2) });
    expect(await minutes()).toBeGreaterThan(before);
    for (const p of people) await change(p, { pace: p.pace });
  });
});

test("a promise is kept by the plan that saving the order makes, and leaves no trace when it is not", async () => {
  const sku = { pattern: "slate-wisp", variant: "slate", form: "standard", size: "16", flies: 24 };
  const ask = async () => (await owner.ok(promise, { body: { lines: [sku] } })).lines[0];
  const asked = await ask();
  expect(await ask()).toEqual(asked);
  expect(asked?.day).not.toBeNull();
  const { order, batch } = await orderedBatch(owner, `2dz Slate Wisp 16 slate; Ida Pellworth, ${asked?.day ?? ""}`);
  const planned = (await owner.ok(readPlan)).batches.find((b) => b.id === batch.id);
  expect(planned?.lateDays).toBe(0);
  expect(planned?.ready).toMatch(/^\d{4}-\d\d-\d\d$/);
  // Promised in nine of ten cases by a plan of its own: the one that is kept holds it too.
  expect(planned?.odds).toBeGreaterThan(0.6);
  await owner.ok(cancelOrder, { params: { id: order.id }, body: { version: order.version } });
  expect((await owner.ok(readPlan)).batches.some((b) => b.id === batch.id)).toBe(false);
  expect((await ask())?.day).not.toBeNull();
});

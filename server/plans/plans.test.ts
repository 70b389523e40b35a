import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { readPromises } from "@kasten/contract/book";
import { finishBatch, sendTallies } from "@kasten/contract/bench";
import { listBatches, readBatch } from "@kasten/contract/batches";
import { addOrder, promise } from "@kasten/contract/orders";
import {
  endCalendarKey,
  listPlanVersions,
  makeCalendarKey,
  pinBatch,
  publishPlan,
  readCalendarKey,
  readOdds,
  readPlan,
  readPlanVersion,
  readProblem,
  splitTying,
  unpinBatch,
  type Plan,
} from "@kasten/contract/schedule";
import { readSettings, saveSettings } from "@kasten/contract/settings";
import { addExtraHours, editPerson, endAccess, listPeople, me, type Person } from "@kasten/contract/team";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { orderedBatch, pulled, typedOrder } from "../testing/orders";

let room: TestRoom;
let owner: Client;
let tier: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
  tier = await room.signedIn("tier");
});
afterAll(() => room.stop());

const draft = () => owner.ok(readPlan);
const tieOf = (plan: Plan, batch: string) => plan.work.find((w) => w.batch === batch && w.kind === "tie");
const instant = (plan: Plan, minute: number) => new Date(Date.parse(plan.origin) + minute * 60_000).toISOString();
const people = async () => (await owner.ok(listPeople)).people;
const edit = async (p: Person, of: Partial<Person>) => {
  const now = (await people()).find((x) => x.id === p.id) ?? p;
  const { id, login: _login, endedAt: _ended, ...rest } = now;
  await owner.ok(editPerson, { params: { id }, body: { ...rest, ...of } });
};
/** Batches that somebody else could tie too, with who. */
async function movable(plan: Plan) {
  const { problem } = await owner.ok(readProblem);
  return plan.batches.flatMap((b) => {
    const tie = tieOf(plan, b.id);
    const o = problem.jobs.flatMap((j) => j.operations).find((x) => x.id === tie?.id);
    const other = o?.choices.find((c) => c.person !== tie?.person);
    return tie && other && tie.start > plan.now ? [{ batch: b, tie, other: other.person }] : [];
  });
}

describe("a published plan", () => {
  test("is there from when it is published, once, and only of the draft that was looked at", async () => {
    expect((await draft()).published).toBeNull();
    expect((await owner.refused(readPlan, { query: { which: "published" } })).status).toBe(404);
    const { revision } = await draft();
    const stale = { revision: revision + 1, note: "" };
    expect((await owner.refused(publishPlan, { body: stale })).type).toBe("changed-meanwhile");
    const { number } = await tier.ok(publishPlan, { body: { revision, note: "for the week" } });
    const plan = await draft();
    expect(plan.published).toMatchObject({ number, note: "for the week", broken: [] });
    expect(plan.differences).toEqual([]);
    const published = await owner.ok(readPlan, { query: { which: "published" } });
    expect(published.work.map((w) => w.id).sort()).toEqual(plan.work.map((w) => w.id).sort());
    expect(published.violations).toEqual([]);
  });

  test("stays when the draft changes, and the difference is told batch by batch", async () => {
    const before = await owner.ok(readPlan, { query: { which: "published" } });
    const [first] = await movable(before);
    if (!first) throw new Error("nothing can be moved");
    await owner.ok(pinBatch, { params: { id: first.batch.id }, body: { person: first.other, at: null } });
    const plan = await draft();
    const name = plan.people.find((p) => p.id === first.other)?.name ?? "";
    expect(plan.differences.find((d) => d.batch === first.batch.id)?.sentence).toContain(`${name} ties it instead of`);
    await owner.ok(publishPlan, { body: { revision: plan.revision, note: "" } });
    const { versions } = await owner.ok(listPlanVersions);
    expect(versions.map((v) => v.number)).toEqual([...versions.map((v) => v.number)].sort((a, b) => b - a));
    const one = await owner.ok(readPlanVersion, { params: { number: versions[0]?.number ?? 0 } });
    expect(one.differences.find((d) => d.batch === first.batch.id)?.sentence).toContain(name);
    expect((await owner.refused(readPlanVersion, { params: { number: 9999 } })).status).toBe(404);
    await owner.ok(unpinBatch, { params: { id: first.batch.id } });
  });

  test("says so when it no longer holds: whoever was to tie is away", async () => {
    const plan = await draft();
    const byPerson = new Map<string, number>();
    for (const w of plan.work.filter((x) => x.kind === "tie"))
      byPerson.set(w.person, (byPerson.get(w.person) ?? 0) + 1);
    const [busiest] = [...byPerson].sort((a, b) => b[1] - a[1])[0] ?? [""];
    const person = (await people()).find((p) => p.id === busiest);
    if (!person) throw new Error("nobody ties");
    const from = plan.days[0]?.date ?? "";
    await edit(person, { absences: [{ from, to: plan.days[20]?.date ?? "", reason: "" }] });
    const after = await draft();
    expect(after.published?.broken.length).toBeGreaterThan(0);
    expect(after.published?.broken[0]?.sentence).toMatch(/Ready .* instead of|no place/);
    await edit(person, { absences: [] });
  });
});

describe("a batch that is moved by hand", () => {
  test("is tied by whom it is given to, until it is left to the plan again", async () => {
    const before = await draft();
    const [first] = await movable(before);
    if (!first) throw new Error("nothing can be moved");
    const params = { id: first.batch.id };
    await tier.ok(pinBatch, { params, body: { person: first.other, at: null } });
    const after = await draft();
    expect(after.violations).toEqual([]);
    expect(tieOf(after, first.batch.id)?.person).toBe(first.other);
    expect(after.batches.find((b) => b.id === first.batch.id)?.pin).toEqual({
      person: first.other,
      at: null,
      shares: [],
      fault: null,
    });
    await tier.ok(unpinBatch, { params });
    expect((await draft()).batches.find((b) => b.id === first.batch.id)?.pin).toBeNull();
  });

  test("is tied just when it is set to, and its place is kept when others come", async () => {
    const before = await draft();
    const found = await movable(before);
    const late = found.at(-1);
    if (!late) throw new Error("nothing can be moved");
    const { windows } = before.people.find((p) => p.id === late.other) ?? { windows: [] };
    const [opens = 0] = windows.find(([a]) => a > late.tie.start + 2 * 1440) ?? [];
    const at = instant(before, opens + 5);
    await owner.ok(pinBatch, { params: { id: late.batch.id }, body: { person: late.other, at } });
    const start = async () => tieOf(await draft(), late.batch.id)?.start;
    expect(await start()).toBe(opens + 5);
    await orderedBatch(owner, "2dz Slate Wisp 16 slate; Ida Pellworth, in 9 weeks");
    expect(await start()).toBe(opens + 5);
    await owner.ok(unpinBatch, { params: { id: late.batch.id } });
  });

  test("is refused to whoever cannot tie it, to times that have passed, and to days beyond the plan", async () => {
    const plan = await draft();
    const [first] = await movable(plan);
    if (!first) throw new Error("nothing can be moved");
    const params = { id: first.batch.id };
    const everybody = await people();
    const shop = everybody.find((p) => p.role === "shop");
    const person = first.tie.person;
    const refused = async (body: { person: string; at: string | null }) => [
      ...new Set((await owner.refused(pinBatch, { params, body })).errors?.map((e) => e.path)),
    ];
    expect(await refused({ person: shop?.id ?? "", at: null })).toEqual(["person"]);
    expect(await refused({ person, at: instant(plan, -60) })).toEqual(["at"]);
    expect(await refused({ person, at: "2099-01-01T00:00:00Z" })).toEqual(["at"]);
    expect(await refused({ person, at: "tomorrow" })).toEqual(["at"]);
    const tied = everybody.find((p) => p.id === person);
    if (!tied) throw new Error("nobody ties it");
    await edit(tied, { skills: [] });
    expect(await refused({ person, at: null })).toEqual(["person"]);
    await edit(tied, { skills: tied.skills });
  });

  test("is split between two, who tie it at the same time; what comes next waits for both", async () => {
    const [first] = await movable(await draft());
    if (!first) throw new Error("nothing can be moved");
    const { batch, tie, other } = first;
    const params = { id: batch.id };
    const shares = [
      { person: tie.person, flies: batch.left - 12 },
      { person: other, flies: 12 },
    ];
    await tier.ok(splitTying, { params, body: { shares } });
    const plan = await draft();
    expect(plan.violations).toEqual([]);
    const ties = plan.work.filter((w) => w.batch === batch.id && w.kind === "tie");
    expect(ties.map((w) => w.person).sort()).toEqual([tie.person, other].sort());
    const next = plan.work.filter((w) => w.batch === batch.id && ["coat", "inspect"].includes(w.kind));
    for (const w of next) for (const t of ties) expect(w.start).toBeGreaterThanOrEqual(t.end);
    expect(plan.batches.find((b) => b.id === batch.id)?.pin?.shares).toEqual(shares);
    const wrong = [{ person: tie.person, flies: 1 }, shares[1]!];
    expect((await tier.refused(splitTying, { params, body: { shares: wrong } })).errors?.[0]?.path).toBe("shares");
    const twice = [shares[0]!, { ...shares[1]!, person: tie.person }];
    expect((await tier.refused(splitTying, { params, body: { shares: twice } })).status).toBe(400);
    await tier.ok(unpinBatch, { params });
  });

  test("whose tier has left is named, with what is the matter", async () => {
    // Not whoever is signed in here: their session would end.
    const self = (await tier.ok(me)).person?.id;
    const tiers = new Set((await people()).filter((p) => p.role === "tier" && p.id !== self).map((p) => p.id));
    const first = (await movable(await draft())).find((m) => tiers.has(m.tie.person));
    if (!first) throw new Error("nothing can be moved");
    await owner.ok(pinBatch, { params: { id: first.batch.id }, body: { person: first.tie.person, at: null } });
    await owner.ok(endAccess, { params: { id: first.tie.person } });
    const b = (await draft()).batches.find((x) => x.id === first.batch.id);
    expect(b?.pin?.fault).toMatch(/does not work here/);
    expect(b?.held).toMatch(/Nobody in the room can tie it/);
    await room.source.query("UPDATE person SET ended_at = NULL WHERE id = $1", [first.tie.person]);
    await owner.ok(unpinBatch, { params: { id: first.batch.id } });
  });
});

describe("odds", () => {
  test("of batches and orders lie between never and always, and fall when people are often away", async () => {
    const before = await draft();
    const orders = (await owner.ok(readOdds)).orders;
    expect(orders.length).toBeGreaterThan(5);
    for (const b of [...before.batches, ...orders]) if (b.odds !== null) expect(b.odds).toBeGreaterThanOrEqual(0);
    const settings = await owner.ok(readSettings);
    await owner.ok(saveSettings, { body: { ...settings, awayPercent: 40 } });
    const after = await draft();
    const mean = (p: Plan) => p.batches.reduce((sum, b) => sum + (b.odds ?? 0), 0) / p.batches.length;
    expect(mean(after)).toBeLessThan(mean(before));
    expect(after.batches.some((b) => /away/.test(b.breaks))).toBe(true);
    const { version } = await owner.ok(readSettings);
    await owner.ok(saveSettings, { body: { ...settings, version } });
  });

  test("of a promise grow with the day that is asked for; a surer room promises later", async () => {
    const sku = { pattern: "copper-lodger", variant: "olive", form: "weighted", size: "14", flies: 240 };
    const ask = async (due?: string) => (await owner.ok(promise, { body: { lines: [{ ...sku, due }] } })).lines[0];
    const free = await ask();
    expect(free?.day && free.planned && free.day >= free.planned).toBe(true);
    const on = (await ask(free?.day ?? ""))?.odds ?? 0;
    expect(on).toBeGreaterThanOrEqual(0.9);
    const day = new Date(Date.parse(free?.planned ?? "") - 3 * 86_400_000).toISOString().slice(0, 10);
    expect((await ask(day))?.odds).toBeLessThan(on);
    const settings = await owner.ok(readSettings);
    await owner.ok(saveSettings, { body: { ...settings, promiseLevel: 0.99 } });
    const surer = await ask();
    expect(surer?.day && free?.day && surer.day >= free.day).toBe(true);
    const { version } = await owner.ok(readSettings);
    await owner.ok(saveSettings, { body: { ...settings, version } });
  });

  test("are kept with the line for which they were shown", async () => {
    const typed = await typedOrder(owner, "1dz Slate Wisp 16 slate; Ida Pellworth, in 8 weeks");
    const lines = typed.lines.map((l) => ({ ...l, odds: 0.93 }));
    const order = await owner.ok(addOrder, { body: { ...typed, lines } });
    expect(order.lines[0]).toMatchObject({ promisedFor: order.due, promisedOdds: 0.93 });
    const wrong = { ...typed, lines: typed.lines.map((l) => ({ ...l, odds: 1.2 })) };
    expect((await owner.refused(addOrder, { body: wrong })).status).toBe(400);
  });

  test("of months past are told by what was kept", async () => {
    const { months } = await owner.ok(readPromises);
    expect(months.length).toBeGreaterThan(0);
    for (const m of months) expect(m.kept + m.late.reduce((n, c) => n + c.lines, 0)).toBe(m.lines);
  });
});

test("hours of one day are worked once, by whoever they were given to", async () => {
  const plan = await draft();
  const free = plan.people.find((p) => !p.windows.some(([a]) => a >= 6 * 1440 && a < 7 * 1440));
  if (!free) throw new Error("everybody works on Sunday");
  const day = plan.days[6]?.date ?? "";
  await owner.ok(addExtraHours, { params: { id: free.id }, body: { day, from: 540, to: 780 } });
  await owner.ok(addExtraHours, { params: { id: free.id }, body: { day, from: 600, to: 780 } });
  const minutes = (p: Plan) =>
    (p.people.find((x) => x.id === free.id)?.windows ?? [])
      .filter(([a]) => a >= 6 * 1440 && a < 7 * 1440)
      .reduce((sum, [a, b]) => sum + b - a, 0);
  // Four hours, the last rest of which nobody sees.
  expect(minutes(await draft())).toBe(230);
  const wrong = { day, from: 780, to: 540 };
  expect((await owner.refused(addExtraHours, { params: { id: free.id }, body: wrong })).status).toBe(400);
  expect((await tier.refused(addExtraHours, { params: { id: free.id }, body: wrong })).status).toBe(403);
});

test("minutes that a batch took are reckoned with from then on: for its pattern, and for whoever tied it", async () => {
  const text = "3dz Tar Pupa 18 black; Ida Pellworth, in 9 weeks";
  const { batch } = await orderedBatch(owner, text);
  const { batch: other } = await orderedBatch(owner, "2dz Tar Pupa 16 red; Ida Pellworth, in 9 weeks");
  const minutesOf = async (id: string) => {
    const { problem } = await owner.ok(readProblem);
    const tie = problem.jobs.flatMap((j) => j.operations).find((o) => o.id === `${id}:tie`);
    return new Map(tie?.choices.map((c) => [c.person, c.minutes]));
  };
  const before = await minutesOf(other.id);
  const { version: _v, ...kit } = await pulled(owner, batch.id);
  const tallies = Array.from({ length: kit.starts }, (_, i) => ({
    id: `00000000-0000-4000-8000-${String(9000 + i).padStart(12, "0")}`,
    batch: batch.id,
    kind: "good" as const,
    at: new Date().toISOString(),
  }));
  await tier.ok(sendTallies, { body: { tallies } });
  const { version } = await owner.ok(readBatch, { params: { id: batch.id } });
  const slow = kit.minutes * 2;
  await owner.ok(finishBatch, { params: { id: batch.id }, body: { version, uses: [], minutes: slow } });
  const after = await minutesOf(other.id);
  expect(after.size).toBeGreaterThan(1);
  for (const [person, minutes] of after) expect(minutes, person).toBeGreaterThan(before.get(person) ?? Infinity);
  const { tiers } = await owner.ok(readBatch, { params: { id: other.id } });
  expect(tiers.map((t) => t.person).sort()).toEqual([...after.keys()].sort());
  for (const t of tiers) {
    expect(t.batches).toBeGreaterThan(0);
    expect(t.low < t.perFly && t.perFly < t.high).toBe(true);
  }
  expect((await owner.ok(listBatches)).batches.some((b) => b.id === batch.id)).toBe(false);
});

describe("a calendar", () => {
  const get = (path: string) => fetch(`${room.base}${path}`);
  test("is followed at a secret address without signing in, until it is ended or renewed", async () => {
    expect((await tier.ok(readCalendarKey)).madeAt).toBeNull();
    const { path } = await tier.ok(makeCalendarKey);
    const reply = await get(path);
    expect(reply.headers.get("content-type")).toContain("text/calendar");
    const text = await reply.text();
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\n/);
    expect(text).toMatch(/SUMMARY:Tie: /);
    const again = await tier.ok(makeCalendarKey);
    expect((await get(path)).status).toBe(404);
    expect((await get(again.path)).status).toBe(200);
    const [{ hash }] = await room.source.query("SELECT hash FROM calendar_key");
    expect(again.path).not.toContain(hash);
    await tier.ok(endCalendarKey);
    expect((await get(again.path)).status).toBe(404);
  });
  test("holds a person's own work, in instants that fall into their hours", async () => {
    const { path } = await owner.ok(makeCalendarKey);
    const text = (await (await get(path)).text()).replace(/\r\n /g, "");
    const plan = await owner.ok(readPlan, { query: { which: "published" } });
    const maren = plan.people.find((p) => p.name === "Maren Holt");
    const own = plan.work.filter((w) => w.person === maren?.id);
    const starts = [...text.matchAll(/DTSTART:(\d{8}T\d{6}Z)/g)].map(([, s]) => s ?? "");
    expect(starts.length).toBeGreaterThanOrEqual(own.length);
    const first = Math.min(...own.map((w) => w.start));
    const compact = instant(plan, first).replace(/[-:]/g, "").replace(/\.\d+/, "");
    expect(starts).toContain(compact);
  });
  test("of nobody, or of somebody who has gone, is not there", async () => {
    expect((await get("/api/calendars/guessed.ics")).status).toBe(404);
    expect((await get("/api/calendars/%00.ics")).status).toBe(404);
  });
});

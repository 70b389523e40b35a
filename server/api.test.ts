import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, test, vi } from "vitest";
import { finishBatch, sendTallies } from "@kasten/contract/bench";
import {
  donePrep,
  editBatch,
  listBatches,
  mergeBatches,
  pullBatch,
  readBatch,
  releaseBatch,
  reserveBatch,
  splitBatch,
} from "@kasten/contract/batches";
import { listFinished, waiting } from "@kasten/contract/book";
import { boxFlies, listBox, sendParcel } from "@kasten/contract/box";
import { measureHook } from "@kasten/contract/hooks";
import { listNeeds } from "@kasten/contract/materials";
import { addOrder, cancelOrder, editOrder, listOrders, promise, readOrderById } from "@kasten/contract/orders";
import { catalogue } from "@kasten/contract/catalogue";
import { readSettings, saveSettings } from "@kasten/contract/settings";
import { readPlan } from "@kasten/contract/schedule";
import { countLot, listStock, readStock, receiveStock } from "@kasten/contract/stock";
import { addPerson, editPerson, listPeople, me, signIn } from "@kasten/contract/team";
import type { BodyOf } from "@kasten/contract/http";
import { Client, openTestRoom, type TestRoom } from "./testing/app";
import { batchesOf as batchesOfLine, typedOrder } from "./testing/orders";

let room: TestRoom;
let owner: Client;
let shop: Client;
let tier: Client;
beforeAll(async () => {
  room = await openTestRoom();
  [owner, shop, tier] = await Promise.all([room.signedIn("owner"), room.signedIn("shop"), room.signedIn("tier")]);
});
afterAll(() => room.stop());

const typed = (text: string) => typedOrder(shop, text);
const batchesOf = (line: { pattern: string; size: string; variant: string }) => batchesOfLine(owner, line);

describe("the demo room", () => {
  test("is as large as a room is", async () => {
    const c = await owner.ok(catalogue);
    expect(c.patterns.length).toBeGreaterThanOrEqual(10);
    expect(c.hooks.flatMap((h) => h.rows).length).toBeGreaterThanOrEqual(25);
    expect(c.materials.filter((m) => m.form !== "hook").length).toBeGreaterThanOrEqual(80);
    expect(c.customers).toHaveLength(12);
    expect((await owner.ok(listPeople)).people).toHaveLength(5);
    expect((await owner.ok(listOrders, { query: { limit: 100 } })).orders.length).toBeGreaterThanOrEqual(25);
    expect((await owner.ok(listFinished)).batches.length).toBeGreaterThanOrEqual(10);
    expect(c.patterns.filter((p) => p.missing.length > 0).map((p) => p.name)).toEqual(["Old Pilot"]);
  });

  test("has a plan that can be worked and says what waits for what", async () => {
    const plan = await owner.ok(readPlan);
    expect(plan.violations).toEqual([]);
    expect(plan.lowerBound).toBeLessThanOrEqual(plan.cost.total);
    expect(plan.batches.every((b) => b.ready !== null || b.held !== null)).toBe(true);
    expect(plan.batches.some((b) => b.lateDays > 0 && b.waitsFor?.includes("Pupa Curve"))).toBe(true);
  });
});

test("from the typed order to the box, each station with its own numbers", async () => {
  const order = await shop.ok(addOrder, {
    body: await typed("4dz Lead Line 10 tan, no flash; Oxbow and Daughters, in 6 weeks"),
  });
  const line = order.lines[0];
  if (!line) throw new Error("no line");
  expect(line.inBatches).toBe(48);
  const [batch] = await batchesOf(line);
  if (!batch) throw new Error("no batch");
  expect(batch.starts).toBeGreaterThan(48);

  const before = await owner.ok(readBatch, { params: { id: batch.id } });
  expect(before.claims.find((c) => c.line === line.id)?.wishes).toBe("no flash");
  expect(before.held_back.length).toBeGreaterThan(0);
  expect(await owner.send(releaseBatch, { params: { id: batch.id }, body: { version: before.version } })).toBe(422);
  expect((await owner.ok(reserveBatch, { params: { id: batch.id } })).short).toEqual([]);
  const reserved = await owner.ok(readBatch, { params: { id: batch.id } });
  for (const r of reserved.requirements)
    expect(
      r.reserved.reduce((n, x) => n + x.quantity, 0),
      r.key,
    ).toBe(r.issue);
  const wire = reserved.requirements.find((r) => r.component === "rib");
  expect(wire?.working.parts?.[0]?.parts?.[0]?.formula).toBe("Wind");

  await owner.ok(releaseBatch, { params: { id: batch.id }, body: { version: reserved.version } });
  const tally = (kind: "good" | "reject", more = {}) => ({
    id: randomUUID(),
    batch: batch.id,
    kind,
    at: new Date().toISOString(),
    ...more,
  });
  const early = await tier.ok(sendTallies, { body: { tallies: [tally("good")] } });
  expect(early.refused[0]?.detail).toMatch(/has not been pulled/);
  const hooksBefore = (await owner.ok(readStock, { params: { id: "N1-10" } })).quantity;
  await tier.ok(pullBatch, { params: { id: batch.id }, body: { keys: reserved.requirements.map((r) => r.key) } });
  const hookIssue = reserved.requirements.find((r) => r.key === "hook")?.issue ?? 0;
  expect((await owner.ok(readStock, { params: { id: "N1-10" } })).quantity).toBe(hooksBefore - hookIssue);

  const tallies = [
    ...Array.from({ length: 50 }, () => tally("good")),
    tally("reject", { reason: "thread cut" }),
    tally("reject", { reason: "crowded eye" }),
  ];
  await Promise.all([tier.ok(sendTallies, { body: { tallies } }), tier.ok(sendTallies, { body: { tallies } })]);
  const undone = tallies[51];
  const counts = await tier.ok(sendTallies, {
    body: {
      tallies: [
        { id: randomUUID(), batch: batch.id, kind: "undo", undoes: undone?.id, at: new Date().toISOString() },
        ...tallies.slice(0, 5),
      ],
    },
  });
  expect(counts.counts).toEqual([{ batch: batch.id, good: 50, rejected: 1 }]);

  const tying = await owner.ok(readBatch, { params: { id: batch.id } });
  expect(tying.state).toBe("tying");
  const tooMuch = await tier.refused(finishBatch, {
    params: { id: batch.id },
    body: { version: tying.version, uses: [{ key: "hook", used: hookIssue, scrapped: 1 }] },
  });
  expect(tooMuch.detail).toMatch(/more than/);
  await tier.ok(finishBatch, {
    params: { id: batch.id },
    body: { version: tying.version, uses: [{ key: "hook", used: 51, scrapped: 1 }], minutes: 280 },
  });
  expect((await owner.ok(readStock, { params: { id: "N1-10" } })).quantity).toBe(hooksBefore - 52);

  const ready = await owner.ok(readOrderById, { params: { id: order.id } });
  expect(ready.lines[0]).toMatchObject({ ready: 48, inBatches: 0, boxed: 0 });
  const { fliesOnShelf } = await owner.ok(listStock);
  expect(fliesOnShelf.find((f) => f.pattern === "lead-line" && f.size === "10")).toMatchObject({
    quantity: 50,
    reserved: 48,
  });
  expect((await shop.refused(boxFlies, { body: { lines: [{ line: line.id, flies: 49 }] } })).detail).toMatch(
    /48 flies .* are ready/,
  );
  expect((await shop.ok(listBox)).customers.flatMap((c) => c.lines).find((l) => l.line === line.id)?.wishes).toBe(
    "no flash",
  );
  const { parcel } = await shop.ok(boxFlies, { body: { lines: [{ line: line.id, flies: 24 }] } });
  await shop.ok(boxFlies, { body: { lines: [{ line: line.id, flies: 24 }] } });
  expect((await shop.ok(listBox)).customers.find((c) => c.customer === "oxbow")?.parcel?.contents).toMatchObject([
    { flies: 48 },
  ]);
  await shop.ok(sendParcel, { params: { id: parcel } });
  const closed = await owner.ok(readOrderById, { params: { id: order.id } });
  expect(closed.closedAt).not.toBeNull();
  expect(closed.history.map((h) => [h.person, h.kind])).toEqual([
    ["Petra Lund", "sent"],
    ["Petra Lund", "boxed"],
    ["Petra Lund", "boxed"],
    ["Ilse Farran", "ready"],
    ["Petra Lund", "written"],
  ]);

  const next = await shop.ok(addOrder, { body: await typed("1dz Lead Line 10 tan; Oxbow and Daughters, in 8 weeks") });
  expect(next.lines[0]).toMatchObject({ ready: 2, inBatches: 10 });
});

describe("orders", () => {
  test("the same key makes one order; another change under it is refused", async () => {
    const body = await typed("1dz Slate Wisp 16 slate; Ida Pellworth, in 5 weeks");
    const key = randomUUID();
    const [a, b] = await Promise.all([shop.ok(addOrder, { body, key }), shop.ok(addOrder, { body, key })]);
    expect(a.number).toBe(b.number);
    expect((await shop.refused(addOrder, { body: { ...body, note: "other" }, key })).type).toBe("key-reused");
    expect(
      (
        await shop.raw("POST", "/api/orders", {
          body: JSON.stringify(body),
          headers: { "Content-Type": "application/json" },
        })
      ).status,
    ).toBe(400);
  });

  test("two people at one order: the second is told what changed", async () => {
    const order = await shop.ok(addOrder, {
      body: await typed("2dz Net Loft 12 grey; Mallow Strand Hotel, in 7 weeks"),
    });
    const line = order.lines[0];
    const change = {
      text: order.text,
      customer: order.customer,
      due: order.due,
      note: "",
      version: order.version,
    };
    const lines = (flies: number) => [
      { id: line?.id, pattern: "net-loft", variant: "grey", form: "standard", size: "12", flies },
    ];
    const first = await shop.ok(editOrder, { params: { id: order.id }, body: { ...change, lines: lines(36) } });
    expect(first.lines[0]?.inBatches).toBe(36);
    const second = await owner.refused(editOrder, { params: { id: order.id }, body: { ...change, lines: lines(60) } });
    expect(second.status).toBe(409);
    expect(second.changes).toEqual([
      { field: "lines", yours: "5 dz net-loft 12 grey", theirs: "3 dz net-loft 12 grey" },
    ]);
    await owner.ok(editOrder, {
      params: { id: order.id },
      body: { ...change, version: second.version ?? 0, lines: lines(12) },
    });
    await shop.ok(cancelOrder, { params: { id: order.id }, body: { version: first.version + 1 } });
    const after = (await batchesOf({ pattern: "net-loft", size: "12", variant: "grey" }))
      .flatMap((b) => b.claims)
      .filter((c) => c.orderId === order.id);
    expect(after).toEqual([]);
  });

  const bad: [string, (b: BodyOf<typeof addOrder>) => object, number, RegExp][] = [
    [
      "a pattern that is not there",
      (b) => ({ lines: [{ ...b.lines[0], pattern: "nothing" }] }),
      422,
      /not in the book/,
    ],
    [
      "a pattern that is incomplete",
      (b) => ({ lines: [{ ...b.lines[0], pattern: "old-pilot" }] }),
      422,
      /cannot be promised yet: the hook is not named/,
    ],
    ["a size outside the pattern", (b) => ({ lines: [{ ...b.lines[0], size: "4" }] }), 422, /10 to 16/],
    ["a size that is none", (b) => ({ lines: [{ ...b.lines[0], size: "4/7" }] }), 422, /not a hook size/],
    ["half a fly", (b) => ({ lines: [{ ...b.lines[0], flies: 1.5 }] }), 400, /whole/],
    ["no flies", (b) => ({ lines: [{ ...b.lines[0], flies: 0 }] }), 400, /At least one/],
    ["10,000 dozen", (b) => ({ lines: [{ ...b.lines[0], flies: 120_000 }] }), 400, /500 dozen/],
    ["no lines", () => ({ lines: [] }), 400, /At least one line/],
    ["a customer who is not there", () => ({ customer: "nobody" }), 422, /not known/],
    ["a day that has passed", () => ({ due: "2020-01-01" }), 422, /has passed/],
  ];
  test.each(bad)("refuses %s, in a sentence", async (_what, change, status, sentence) => {
    const good = await typed("1dz Slate Wisp 16 slate; Ida Pellworth, in 5 weeks");
    const r = await shop.refused(addOrder, { body: { ...good, ...change(good) } as BodyOf<typeof addOrder> });
    expect([r.status, r.detail]).toEqual([status, expect.stringMatching(sentence)]);
  });

  test("what the destination forbids is told before saving", async () => {
    const body = await typed("1dz Lead Line 12 pink; Hollow Mere Lodge, in 5 weeks");
    const refusal = await shop.refused(addOrder, { body });
    expect(refusal).toMatchObject({ type: "destination-forbids", detail: expect.stringContaining("lead") });
    const barbed = await shop.refused(addOrder, {
      body: await typed("1dz Slate Wisp 12 slate; Sedge Point Lodge, in 5 weeks"),
    });
    expect(barbed.detail).toContain("barbed hook");
    expect(await shop.send(addOrder, { body: { ...body, exception: { reason: "they fish it abroad" } } })).toBe(200);
  });

  test("promises the earliest day of each line with what holds it", async () => {
    const { lines } = await shop.ok(promise, {
      body: {
        lines: [
          { pattern: "copper-lodger", variant: "rust", form: "weighted", size: "12", flies: 24 },
          { pattern: "tar-pupa", variant: "black", form: "standard", size: "16", flies: 120 },
          { pattern: "old-pilot", variant: "claret", form: "standard", size: "12", flies: 12 },
        ],
      },
    });
    const { today } = await shop.ok(catalogue);
    expect(lines[0]?.day && lines[0].day > today).toBe(true);
    expect(["hours", "drying"]).toContain(lines[0]?.holds);
    expect(lines[1]).toMatchObject({ holds: "material" });
    expect(lines[2]).toMatchObject({ day: null, holds: "nothing" });
  });
});

describe("batches", () => {
  test("split by hand and merged again, no claim is lost and nothing is added to them", async () => {
    await shop.ok(addOrder, { body: await typed("5dz Mole Pier 10 black; Stonecrop Outfitters, in 7 weeks") });
    const sku = { pattern: "mole-pier", size: "10", variant: "black" };
    const [batch] = await batchesOf(sku);
    if (!batch) throw new Error("no batch");
    const { id } = await owner.ok(splitBatch, {
      params: { id: batch.id },
      body: { flies: 24, version: batch.version },
    });
    expect((await batchesOf(sku)).map((b) => [b.owed, b.held])).toEqual([
      [36, true],
      [24, true],
    ]);
    expect(
      await owner.send(splitBatch, { params: { id: batch.id }, body: { flies: 12, version: batch.version } }),
    ).toBe(409);
    await shop.ok(addOrder, { body: await typed("1dz Mole Pier 10 black; Quayhead Tackle, in 7 weeks") });
    expect((await batchesOf(sku)).map((b) => b.owed).sort()).toEqual([12, 24, 36]);
    const now = await batchesOf(sku);
    await owner.ok(mergeBatches, {
      body: {
        batches: now.filter((b) => b.id === id || b.id === batch.id).map((b) => ({ id: b.id, version: b.version })),
      },
    });
    expect((await batchesOf(sku)).map((b) => b.owed).sort()).toEqual([12, 60]);
    const other = (await owner.ok(listBatches, { query: { limit: 200 } })).batches.find(
      (b) => b.state === "planned" && b.pattern !== "mole-pier",
    );
    const mixed = await owner.refused(mergeBatches, {
      body: {
        batches: [...(await batchesOf(sku)).slice(0, 1), ...(other ? [other] : [])].map((b) => ({
          id: b.id,
          version: b.version,
        })),
      },
    });
    expect(mixed.detail).toMatch(/same pattern/);
  });

  test("making or buying a part changes material and work; tying step by step changes the minutes", async () => {
    const [batch] = await batchesOf({ pattern: "rope-walker", size: "10", variant: "tan" });
    if (!batch) throw new Error("no batch");
    const made = await owner.ok(readBatch, { params: { id: batch.id } });
    await owner.ok(editBatch, {
      params: { id: batch.id },
      body: { version: made.version, buy: ["legs"], mode: "step by step" },
    });
    const bought = await owner.ok(readBatch, { params: { id: batch.id } });
    const legs = (b: typeof made) => b.requirements.find((r) => r.component === "legs")?.material;
    expect([legs(made), legs(bought)]).toEqual(["FE-PHT", "LG-KNOT"]);
    expect(made.prep.some((p) => p.kind === "make parts")).toBe(true);
    expect(bought.prep.some((p) => p.kind === "make parts")).toBe(false);
    expect(bought.minutes).toBeCloseTo(made.minutes * 0.88, 6);
  });

  test("a station that is down holds back only the batches that need it", async () => {
    const held = async (pattern: string, size: string, variant: string) =>
      (
        await owner.ok(readBatch, { params: { id: (await batchesOf({ pattern, size, variant }))[0]?.id ?? "" } })
      ).held_back.join(" ");
    const before = await owner.ok(readSettings);
    const down = before.stations.map((s) => (s.name === "finishing" ? { ...s, down: "the lamp’s switch sticks" } : s));
    const { version } = await owner.ok(saveSettings, { body: { ...before, stations: down } });
    expect(await held("tar-pupa", "14", "black")).toContain("The finishing station is down");
    expect(await held("dawn-bollard", "18", "grey")).not.toContain("is down");
    await owner.ok(saveSettings, { body: { ...before, version } });
  });

  test("a blend is milled for the batch with a reserve, parts out and one lot in", async () => {
    const [batch] = await batchesOf({ pattern: "rope-walker", size: "8", variant: "dark" });
    if (!batch) throw new Error("no batch");
    expect((await owner.ok(reserveBatch, { params: { id: batch.id } })).short.join()).toContain("peat blend");
    const hare = async () => (await owner.ok(readStock, { params: { id: "DU-HARE" } })).quantity;
    const before = await hare();
    await tier.ok(donePrep, { params: { id: batch.id }, body: { kind: "mill blend", component: "thorax" } });
    const blend = await owner.ok(readStock, { params: { id: "BL-PEAT" } });
    expect(blend.lotList).toHaveLength(1);
    expect(before - (await hare())).toBeCloseTo(0.7 * blend.quantity, -4);
    expect((await owner.ok(reserveBatch, { params: { id: batch.id } })).short).toEqual([]);
    const need = (await owner.ok(readBatch, { params: { id: batch.id } })).requirements.find(
      (r) => r.component === "thorax",
    );
    expect(blend.quantity).toBeGreaterThan(need?.issue ?? Infinity);
  });
});

describe("stock", () => {
  test("a delivery is a new lot, a count puts right by a movement, and a shortage goes", async () => {
    const short = async () => (await owner.ok(listNeeds)).needs.find((n) => n.material === "EY-DB-50")?.short ?? 0;
    expect(await short()).toBeGreaterThan(0);
    await shop.ok(receiveStock, {
      params: { id: "EY-DB-50" },
      body: {
        quantity: 50,
        lot: "late delivery",
        dyeLot: "",
        grade: "",
        side: null,
        barb: null,
        priceCents: 0,
        note: "",
      },
    });
    expect(await short()).toBe(0);
    const lot = (await owner.ok(readStock, { params: { id: "EY-DB-50" } })).lotList.find(
      (l) => l.code === "late delivery",
    );
    await shop.ok(countLot, {
      params: { id: lot?.id ?? "" },
      body: { place: lot?.placeId ?? 0, counted: 47, how: "counted", note: "three broken in the bag" },
    });
    const after = await owner.ok(readStock, { params: { id: "EY-DB-50" } });
    expect(after.lotList.find((l) => l.code === "late delivery")?.quantity).toBe(47);
    expect(after.movements[0]).toMatchObject({ reason: "count corrected", quantity: 3, person: "Petra Lund" });
    const twice = await shop.refused(receiveStock, {
      params: { id: "EY-DB-50" },
      body: {
        quantity: 5,
        lot: "late delivery",
        dyeLot: "",
        grade: "",
        side: null,
        barb: null,
        priceCents: 0,
        note: "",
      },
    });
    expect(twice).toMatchObject({ status: 409, type: "taken" });
  });

  test("measuring a hook changes the quantities of its batches", async () => {
    const [batch] = await batchesOf({ pattern: "slate-wisp", size: "10", variant: "amber" });
    const floss = async () =>
      (await owner.ok(readBatch, { params: { id: batch?.id ?? "" } })).requirements.find((r) => r.component === "body")
        ?.issue ?? 0;
    const before = await floss();
    await tier.ok(measureHook, { params: { id: "W1" }, body: { rows: [{ size: "10", shank: 12.6 }] } });
    expect(await floss()).toBeGreaterThan(before);
  });
});

describe("who may", () => {
  test("nobody without signing in, and not everybody everything", async () => {
    const stranger = new Client(room.base);
    const out = await stranger.refused(listOrders);
    expect([out.status, out.type]).toEqual([401, "not-signed-in"]);
    const [batch] = (await owner.ok(listBatches, { query: { limit: 200 } })).batches;
    const no = await shop.refused(reserveBatch, { params: { id: batch?.id ?? "" } });
    expect([no.status, no.detail]).toEqual([403, expect.stringContaining("the owner or a tier")]);
    expect(await tier.send(addOrder, { body: await typed("1dz Slate Wisp 16 slate; Ida Pellworth, in 5 weeks") })).toBe(
      403,
    );
  });

  test("a password signs in, wrong ones are slowed down", async () => {
    await owner.ok(addPerson, {
      body: {
        name: "Nele Brandt",
        login: "nele",
        password: "a long enough one",
        role: "tier",
        skills: [],
        hours: [],
        pace: 1,
        handed: "left",
        numberWords: {},
      },
    });
    const nele = new Client(room.base);
    expect((await nele.ok(signIn, { body: { login: "NELE", password: "a long enough one" } })).person?.name).toBe(
      "Nele Brandt",
    );
    expect((await nele.ok(me)).person?.name).toBe("Nele Brandt");
    const guess = new Client(room.base);
    const statuses = [];
    for (let i = 0; i < 7; i++)
      statuses.push(await guess.send(signIn, { body: { login: "nele", password: `guess ${i}` } }));
    expect(statuses).toEqual([401, 401, 401, 401, 401, 429, 429]);
  });

  test("a person changed by two at once", async () => {
    const p = (await owner.ok(listPeople)).people.find((x) => x.login === "jonas");
    if (!p) throw new Error("no jonas");
    const { id, login: _login, methods: _methods, ...rest } = p;
    await owner.ok(editPerson, { params: { id }, body: { ...rest, pace: 1.1 } });
    expect((await owner.refused(editPerson, { params: { id }, body: { ...rest, pace: 1.4 } })).changes).toEqual([
      { field: "pace", yours: "1.4", theirs: "1.1" },
    ]);
  });
});

describe("over the wire", () => {
  test("a change from another site is refused, and so is what is no JSON or too much of it", async () => {
    const headers = { "Content-Type": "application/json", "Idempotency-Key": "k" };
    expect(
      (
        await shop.raw("POST", "/api/orders", {
          body: "{}",
          headers: { ...headers, Origin: "http://elsewhere.example" },
        })
      ).status,
    ).toBe(403);
    expect((await shop.raw("POST", "/api/orders", { body: "{", headers })).status).toBe(400);
    expect(
      (await shop.raw("POST", "/api/orders", { body: JSON.stringify({ text: "x".repeat(600_000) }), headers })).status,
    ).toBe(413);
    expect((await shop.raw("GET", "/api/nowhere")).headers.get("Content-Type")).toContain("application/problem+json");
  });

  test("the description is OpenAPI 3.1 with every request in it, and can be read as a page", async () => {
    const document = (await (await shop.raw("GET", "/api/openapi.json")).json()) as {
      openapi: string;
      paths: Record<string, Record<string, { operationId: string }>>;
      components: { schemas: Record<string, unknown> };
    };
    expect(document.openapi).toBe("3.1.0");
    const ids = Object.values(document.paths).flatMap((p) => Object.values(p).map((o) => o.operationId));
    expect(ids).toContain("addOrder");
    expect(new Set(ids).size).toBe(ids.length);
    const references = [...JSON.stringify(document).matchAll(/"#\/components\/schemas\/(\w+)"/g)].map(
      (m) => m[1] ?? "",
    );
    expect(references.length).toBeGreaterThan(0);
    for (const name of references) expect(document.components.schemas[name], name).toBeDefined();
    expect(await (await shop.raw("GET", "/api/docs")).text()).toContain("POST /api/orders");
  });

  test("pages are safe by default, and health tells database and version", async () => {
    const response = await shop.raw("GET", "/api/health");
    expect(response.headers.get("Content-Security-Policy")).toContain("script-src 'self'");
    expect(response.headers.get("X-Powered-By")).toBeNull();
    expect(await response.json()).toMatchObject({
      ok: true,
      database: "up",
      version: "test",
      databaseMs: expect.any(Number),
      eventLoopDelayMs: expect.any(Number),
      migration: expect.stringContaining("Sixteenth"),
    });
  });

  test("materials come as CSV that no spreadsheet takes for a formula", async () => {
    const [batch] = (await owner.ok(listBatches, { query: { limit: 200 } })).batches;
    const text = await (await owner.raw("GET", `/api/batches/${batch?.id}/materials.csv`)).text();
    expect(text.split("\r\n")[0]).toBe("batch,role,material,name,side,per_fly,unit,net,issue,words,lots");
    expect(
      text
        .split("\r\n")
        .slice(1)
        .every((l) => !/(^|,)[=+@]/.test(l)),
    ).toBe(true);
  });

  test("each read takes as many queries with more orders as with few", async () => {
    const spy = vi.spyOn(room.source.manager, "query");
    const count = async () => {
      const counts: Record<string, number> = {};
      for (const e of [listOrders, listBatches, listNeeds, listStock, readPlan, listBox, waiting, catalogue]) {
        spy.mockClear();
        await owner.ok(e);
        counts[e.id] = spy.mock.calls.length;
      }
      return counts;
    };
    const few = await count();
    for (const text of [
      "2dz Slate Wisp 16 amber, 3dz Tar Pupa 18 red, 2dz Net Loft 14 cream; Quayhead Tackle, in 9 weeks",
      "3dz Mole Pier 8 natural, 2dz Lead Line 14 pink; Oxbow and Daughters, in 9 weeks",
    ])
      await shop.ok(addOrder, { body: await typed(text) });
    expect(await count()).toEqual(few);
    spy.mockRestore();
    expect(Math.max(...Object.values(few))).toBeLessThanOrEqual(20);
  });
});

import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { readBatch, type BatchDetail } from "@kasten/contract/batches";
import { finishBatch, sendTallies, type Tally } from "@kasten/contract/bench";
import type { z } from "zod";
import { listFinished } from "@kasten/contract/book";
import { boxFlies, listBox, sendParcel } from "@kasten/contract/box";
import { listNeeds } from "@kasten/contract/materials";
import { readOrderById } from "@kasten/contract/orders";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { orderedBatch, pulled } from "../testing/orders";

let room: TestRoom;
let owner: Client;
let tier: Client;
let shop: Client;
let batch: BatchDetail;
let order: string;
beforeAll(async () => {
  room = await openTestRoom();
  [owner, tier, shop] = await Promise.all([room.signedIn("owner"), room.signedIn("tier"), room.signedIn("shop")]);
  const made = await orderedBatch(owner, "2dz Lead Line 10 tan; Oxbow and Daughters, in 6 weeks");
  order = made.order.id;
  batch = await pulled(owner, made.batch.id);
});
afterAll(() => room.stop());

const tally = (kind: Tally["kind"], more: Partial<Tally> = {}): Tally => ({
  id: randomUUID(),
  batch: batch.id,
  kind,
  at: new Date().toISOString(),
  ...more,
});
const send = (...tallies: Tally[]) => tier.ok(sendTallies, { body: { tallies } });
const finish = (body: Partial<z.input<typeof finishBatch.body>> = {}) => ({
  params: { id: batch.id },
  body: { version: batch.version, uses: [], ...body },
});

describe("what is needed", () => {
  test("no longer counts what lies in a kit", async () => {
    const { needs } = await owner.ok(listNeeds);
    const ofBatch = needs.flatMap((n) => n.batches.filter((b) => b.number === batch.number));
    expect(batch.requirements.every((r) => r.pulled === r.issue)).toBe(true);
    expect(ofBatch).toEqual([]);
  });
});

describe("tallies", () => {
  test("of a batch that is not there, and of one that is not pulled, are told back one by one", async () => {
    const planned = (await orderedBatch(owner, "1dz Net Loft 12 grey; Mallow Strand Hotel, in 8 weeks")).batch;
    const said = await send(
      tally("good", { batch: randomUUID() }),
      tally("good", { batch: planned.id }),
      tally("good"),
    );
    expect(said.refused.map((r) => r.detail)).toEqual(
      expect.arrayContaining(["That batch is not there.", expect.stringContaining("has not been pulled")]),
    );
    expect(said.counts.find((c) => c.batch === batch.id)).toMatchObject({ good: 1, rejected: 0 });
  });

  test("sent twice, in another order and along with others, count once", async () => {
    const some = [tally("good"), tally("good"), tally("reject", { reason: "thread cut", loss: "hook kept" })];
    await send(...some);
    const [again] = (await send(...some.toReversed(), ...some)).counts;
    expect(again).toMatchObject({ good: 3, rejected: 1 });
  });

  test("are taken back once, also by two benches at the same moment; an undo cannot be undone", async () => {
    const slip = tally("good");
    await send(slip);
    const undo = () => tally("undo", { undoes: slip.id });
    const [a, b] = await Promise.all([send(undo()), send(undo())]);
    expect([a, b].flatMap((r) => r.refused)).toHaveLength(0);
    const kept = undo();
    const [counts] = (await send(kept)).counts;
    expect(counts).toMatchObject({ good: 3, rejected: 1 });
    const ofUndo = await send(tally("undo", { undoes: kept.id }), tally("undo", { undoes: randomUUID() }));
    expect(ofUndo.refused.map((r) => r.detail)).toEqual(Array(2).fill("There is nothing to take back."));
  });

  test("of a device whose clock is wrong count, within the time of the batch", async () => {
    const odd = [tally("good", { at: "0000-01-01T00:00:00Z" }), tally("good", { at: "9999-12-31T23:59:59Z" })];
    const before = (await owner.ok(readBatch, { params: { id: batch.id } })).good;
    const said = await send(...odd);
    expect(said.refused).toEqual([]);
    expect(said.counts[0]?.good).toBe(before + 2);
    const times = await room.source.query("SELECT at FROM tally WHERE id = ANY($1)", [odd.map((t) => t.id)]);
    for (const { at } of times) expect(Math.abs(at.getTime() - Date.now())).toBeLessThan(86_400_000);
    await send(...odd.map((t) => tally("undo", { undoes: t.id })));
  });

  test("that name what they do not take back block nobody", async () => {
    const named = tally("good", { undoes: randomUUID() });
    expect((await send(named)).refused).toEqual([]);
    await send(tally("undo", { undoes: named.id }));
  });

  test("of what no bench sends are refused as a whole, by their path", async () => {
    const many = Array.from({ length: 501 }, () => tally("good"));
    expect((await tier.refused(sendTallies, { body: { tallies: many } })).errors?.[0]?.path).toBe("tallies");
    expect((await tier.refused(sendTallies, { body: { tallies: [] } })).status).toBe(400);
    const wrong = { ...tally("good"), at: "yesterday" };
    expect((await tier.refused(sendTallies, { body: { tallies: [wrong] } })).errors?.[0]?.path).toBe("tallies.0.at");
    expect((await shop.refused(sendTallies, { body: { tallies: [tally("good")] } })).status).toBe(403);
  });
});

describe("finishing", () => {
  test("needs the version that is there now, no more than was taken, and who may", async () => {
    await send(...Array.from({ length: 21 }, () => tally("good")));
    batch = await owner.ok(readBatch, { params: { id: batch.id } });
    expect(batch).toMatchObject({ state: "tying", good: 24, rejected: 1 });
    expect((await shop.refused(finishBatch, finish())).status).toBe(403);
    expect((await tier.refused(finishBatch, finish({ version: batch.version - 1 }))).type).toBe("changed-meanwhile");
    const over = { key: "hook", used: batch.requirements.find((r) => r.key === "hook")?.issue ?? 0, scrapped: 1 };
    expect((await tier.refused(finishBatch, finish({ uses: [over] }))).detail).toMatch(/more than the .* in the kit/);
    expect((await tier.refused(finishBatch, finish({ uses: [{ ...over, used: -1 }] }))).status).toBe(400);
  });

  test("closes the kit so that it adds up, puts the flies by for their order, and is in the book", async () => {
    const wire = batch.requirements.find((r) => r.component === "rib");
    const uses = [
      { key: "hook", used: 24, scrapped: 1 },
      { key: wire?.key ?? "", used: 500_000.4, scrapped: 1000 },
    ];
    await tier.ok(finishBatch, finish({ uses, minutes: 130 }));
    const kept: { key: string; taken: number; used: number; scrapped: number; returned: number }[] =
      await room.source.query(`SELECT key, taken, used, scrapped, returned FROM batch_use WHERE batch_id = $1`, [
        batch.id,
      ]);
    expect(kept).toHaveLength(batch.requirements.length);
    for (const u of kept) expect(u.used + u.scrapped + u.returned, u.key).toBe(u.taken);
    expect(kept.find((u) => u.key === wire?.key)).toMatchObject({ used: 500_000, scrapped: 1000 });
    const done = (await owner.ok(listFinished)).batches.find((b) => b.number === batch.number);
    expect(done).toMatchObject({
      good: 24,
      rejected: 1,
      minutesPerFly: 5.2,
      reasons: [{ reason: "thread cut", count: 1 }],
    });
    expect((await owner.ok(readOrderById, { params: { id: order } })).lines[0]).toMatchObject({ ready: 24 });
  });

  test("is done once; nothing is tallied after it", async () => {
    expect((await tier.refused(finishBatch, finish())).detail).toMatch(/finished already/);
    expect((await send(tally("good"))).refused[0]?.detail).toMatch(/is finished already/);
  });
});

describe("the box", () => {
  test("takes what is ready and no more, and a parcel goes once", async () => {
    const customer = async () => (await shop.ok(listBox)).customers.find((c) => c.customer === "oxbow");
    const line = (await customer())?.lines.find((l) => l.orderId === order)?.line ?? "";
    expect((await shop.refused(boxFlies, { body: { lines: [{ line, flies: 25 }] } })).detail).toMatch(/24 flies/);
    expect((await shop.refused(boxFlies, { body: { lines: [{ line: randomUUID(), flies: 1 }] } })).status).toBe(404);
    const [a, b] = await Promise.all(
      [12, 12].map((flies) => shop.ok(boxFlies, { body: { lines: [{ line, flies }] } })),
    );
    expect(a?.parcel).toBe(b?.parcel);
    expect((await customer())?.parcel?.contents).toMatchObject([{ flies: 24 }]);
    const params = { id: a?.parcel ?? "" };
    const sent = await Promise.all([shop.send(sendParcel, { params }), shop.send(sendParcel, { params })]);
    expect(sent.sort()).toEqual([200, 409]);
    expect((await owner.ok(readOrderById, { params: { id: order } })).closedAt).not.toBeNull();
  });
});

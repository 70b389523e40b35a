import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import {
  editBatch,
  exceptBatch,
  listBatches,
  mergeBatches,
  readBatch,
  releaseBatch,
  reserveBatch,
  splitBatch,
  type BatchDetail,
} from "@kasten/contract/batches";
import { finishBatch, sendTallies } from "@kasten/contract/bench";
import { listBox } from "@kasten/contract/box";
import { catalogue } from "@kasten/contract/catalogue";
import { editCustomer } from "@kasten/contract/customers";
import { addOrder, cancelOrder, editOrder, readOrderById, type Order } from "@kasten/contract/orders";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { pulled, typedOrder } from "../testing/orders";

let room: TestRoom;
let owner: Client;
let tier: Client;
beforeAll(async () => {
  room = await openTestRoom();
  [owner, tier] = await Promise.all([room.signedIn("owner"), room.signedIn("tier")]);
});
afterAll(() => room.stop());

const ordered = async (text: string, more: object = {}): Promise<Order> =>
  owner.ok(addOrder, { body: { ...(await typedOrder(owner, text)), ...more } });
const read = (id: string) => owner.ok(readBatch, { params: { id } });
async function batchOf(order: Order): Promise<BatchDetail> {
  const { batches } = await owner.ok(listBatches, { query: { limit: 200 } });
  const batch = batches.find((b) => b.claims.some((c) => c.orderId === order.id));
  if (!batch) throw new Error("no batch");
  return read(batch.id);
}
const cancel = (order: Order) => owner.ok(cancelOrder, { params: { id: order.id }, body: { version: order.version } });
const choose = async (b: BatchDetail, change: object): Promise<BatchDetail> => {
  await owner.ok(editBatch, { params: { id: b.id }, body: { version: b.version, ...change } });
  return read(b.id);
};
const pass = async (b: BatchDetail, reason: string, rules = b.breaches): Promise<BatchDetail> => {
  await owner.ok(exceptBatch, { params: { id: b.id }, body: { version: b.version, rules, reason } });
  return read(b.id);
};

describe("a customer who wants the original materials", () => {
  test("is kept to it: another material holds the batch back until somebody lets it pass by name and with a reason", async () => {
    const order = await ordered("1dz Mole Pier 6 natural; Ida Pellworth, in 9 weeks");
    const plain = await batchOf(order);
    expect(plain.breaches).toEqual([]);
    expect(plain.claims.map((c) => c.policy)).toEqual(["original"]);
    const other = await choose(plain, { use: { wing: "HA-HL" } });
    expect(other.breaches).toHaveLength(1);
    expect(other.breaches[0]).toMatch(
      new RegExp(`^Ida Pellworth, order ${order.number}: Mole Pier 6 takes .+ for the wing`),
    );
    expect(other.held_back).toContain(other.breaches[0]);
    await owner.ok(reserveBatch, { params: { id: other.id } });
    const held = await owner.refused(releaseBatch, { params: { id: other.id }, body: { version: other.version } });
    expect(held.detail).toContain("original materials");

    const passed = await pass(other, "She agreed by telephone");
    expect(passed.breaches).toEqual([]);
    expect(passed.exceptions).toEqual([
      {
        rules: other.breaches,
        reason: "She agreed by telephone",
        by: expect.stringMatching(/\w+ \w+/),
        at: expect.any(String),
      },
    ]);
    expect(passed.history.some((e) => e.sentence.includes("She agreed by telephone"))).toBe(true);

    const batch = await pulled(owner, passed.id);
    const tallies = Array.from({ length: 12 }, () => ({
      id: randomUUID(),
      batch: batch.id,
      kind: "good" as const,
      at: new Date().toISOString(),
    }));
    await tier.ok(sendTallies, { body: { tallies } });
    const { version } = await read(batch.id);
    await owner.ok(finishBatch, { params: { id: batch.id }, body: { version, uses: [] } });
    const boxed = (await owner.ok(listBox)).customers.flatMap((c) => c.lines).find((l) => l.orderId === order.id);
    expect(
      boxed?.exceptions.map((e) => e.reason),
      "seen up to the box",
    ).toEqual(["She agreed by telephone"]);
  });
  test("who asks for it in the order gets it; who leaves the choice to the tier is not asked", async () => {
    const asks = { asked: { use: { wing: "HA-HL" } } };
    const body = await typedOrder(owner, "1dz Mole Pier 8 natural; Ida Pellworth, in 9 weeks");
    const own = await owner.ok(addOrder, { body: { ...body, lines: body.lines.map((l) => ({ ...l, ...asks })) } });
    expect((await batchOf(own)).breaches).toEqual([]);
    const free = await ordered("1dz Mole Pier 10 natural; Northlight Guides, in 9 weeks");
    expect((await choose(await batchOf(free), { use: { wing: "HA-HL" }, leave: ["flash"] })).breaches).toEqual([]);
    await cancel(own);
    await cancel(free);
  });
  test("is told what is left out as well; what was not read is not let pass; a part split off keeps what was", async () => {
    const order = await ordered("2dz Mole Pier 4 natural; Mallow Strand Hotel, in 20 weeks");
    const one = await choose(await batchOf(order), { leave: ["flash"] });
    expect(one.breaches).toEqual([expect.stringContaining("without its flash")]);
    const passed = await pass(one, "No flash came");
    const two = await choose(passed, { use: { wing: "HA-HL" } });
    expect(two.breaches).toEqual([expect.stringContaining("for the wing")]);
    const stale = await owner.refused(exceptBatch, {
      params: { id: two.id },
      body: { version: two.version, rules: one.breaches, reason: "again" },
    });
    expect(stale.detail).toContain("Nothing of that");
    const { id } = await owner.ok(splitBatch, { params: { id: two.id }, body: { version: two.version, flies: 12 } });
    const [off, stay] = [await read(id), await read(two.id)];
    expect(off.exceptions).toEqual(stay.exceptions);
    expect(off.breaches).toEqual(two.breaches);
    const { id: whole } = await owner.ok(mergeBatches, {
      body: { batches: [off, stay].map((b) => ({ id: b.id, version: b.version })) },
    });
    expect((await read(whole)).breaches).toEqual(two.breaches);
    await cancel(order);
  });
});

describe("what a destination forbids", () => {
  test("saved all the same, is kept with name and reason on the order, and does not hold its batch", async () => {
    const body = await typedOrder(owner, "1dz Lead Line 12 pink; Lantern Cove Camp, in 8 weeks");
    for (const reason of ["", "  ", "x"]) {
      const refused = await owner.refused(addOrder, { body: { ...body, exception: { reason } } });
      expect(refused.status, `“${reason}”`).toBe(400);
    }
    const order = await owner.ok(addOrder, {
      body: { ...body, exception: { reason: "For a show case, never fished" } },
    });
    expect(order.exception).toMatchObject({
      reason: "For a show case, never fished",
      rules: [expect.stringContaining("lead")],
      by: expect.stringMatching(/\w+ \w+/),
    });
    const batch = await batchOf(order);
    expect(batch.claims[0]?.exception).toEqual(order.exception);
    expect(batch.breaches).toEqual([]);
    const history = (await owner.ok(readOrderById, { params: { id: order.id } })).history;
    expect(history.some((e) => e.sentence.includes("For a show case"))).toBe(true);
    const mended = await owner.ok(editOrder, {
      params: { id: order.id },
      body: {
        ...(await typedOrder(owner, "1dz Slate Wisp 12 slate; Lantern Cove Camp, in 8 weeks")),
        version: order.version,
      },
    });
    expect(mended.exception, "nothing has to be let pass any more").toBeNull();
    await cancel(mended);
  });
  test("when it is learned of after the order, holds the batch that was planned", async () => {
    const order = await ordered("1dz Lead Line 10 pink; Quayhead Tackle, in 8 weeks");
    expect((await batchOf(order)).breaches).toEqual([]);
    const quayhead = (await owner.ok(catalogue)).customers.find((c) => c.id === "quayhead");
    if (!quayhead) throw new Error("no customer");
    const { id, ...known } = quayhead;
    await owner.ok(editCustomer, {
      params: { id },
      body: { ...known, destination: { ...known.destination, noLead: true } },
    });
    const batch = await batchOf(order);
    expect(batch.breaches).toEqual([expect.stringMatching(/Quayhead Tackle.*lead/)]);
    expect(batch.held_back).toEqual(expect.arrayContaining(batch.breaches));
    await cancel(order);
  });
});

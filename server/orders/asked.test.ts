import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import type { Asked } from "@kasten/core/recipe";
import { listBatches, mergeBatches, readBatch, splitBatch, type BatchDetail } from "@kasten/contract/batches";
import { finishBatch, sendTallies } from "@kasten/contract/bench";
import { listBox } from "@kasten/contract/box";
import { addOrder, cancelOrder, editOrder, promise, type Order } from "@kasten/contract/orders";
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

const noFlash: Asked = { leave: ["flash"] };
const MOLE = "Mole Pier 6 natural; Northlight Guides, in 9 weeks";

/** An order of one line that asks something beside its pattern. */
const body = async (text: string, asked?: Asked) => {
  const typed = await typedOrder(owner, text);
  return { ...typed, lines: typed.lines.map((l) => ({ ...l, ...(asked && { asked }) })) };
};
const ordered = async (text: string, asked?: Asked): Promise<Order> =>
  owner.ok(addOrder, { body: await body(text, asked) });
const lineOf = (order: Order) => {
  const [line] = order.lines;
  if (!line) throw new Error("an order without lines");
  return line;
};
async function batchOf(order: Order): Promise<BatchDetail> {
  const { batches } = await owner.ok(listBatches, { query: { limit: 200 } });
  const batch = batches.find((b) => b.claims.some((c) => c.orderId === order.id));
  if (!batch) throw new Error("no batch");
  return owner.ok(readBatch, { params: { id: batch.id } });
}
const cancel = (order: Order) => owner.ok(cancelOrder, { params: { id: order.id }, body: { version: order.version } });

describe("what a line asks beside its pattern", () => {
  test("sets its price, and its batch is tied so: fewer minutes, no flash on the pull sheet", async () => {
    const [plain, asked] = [await ordered(`2dz ${MOLE}`), await ordered(`2dz ${MOLE}`, noFlash)];
    expect(lineOf(plain).pricePerDozenCents - lineOf(asked).pricePerDozenCents).toBe(120);
    expect(lineOf(asked).asked).toEqual(noFlash);
    const [own, without] = [await batchOf(plain), await batchOf(asked)];
    expect(without.id).not.toBe(own.id);
    expect(without).toMatchObject({ leave: ["flash"], asked: noFlash });
    expect(without.minutes / without.starts).toBeLessThan(own.minutes / own.starts);
    expect(own.requirements.map((r) => r.component)).toContain("flash");
    expect(without.requirements.map((r) => r.component)).not.toContain("flash");
    await cancel(plain);
    await cancel(asked);
  });
  test("gathers it with others that ask the same, however they said it", async () => {
    const first = await ordered(`1dz ${MOLE}`, { ...noFlash, use: { wing: "HA-HL" } });
    const second = await ordered(`1dz Mole Pier 6 natural; Ida Pellworth, in 9 weeks`, {
      use: { wing: "HA-HL" },
      leave: ["flash"],
      methods: {},
    });
    expect((await batchOf(first)).id).toBe((await batchOf(second)).id);
    expect((await batchOf(first)).requirements.find((r) => r.component === "wing")?.material).toBe("HA-HL");
    await cancel(first);
    await cancel(second);
  });
  test("changed, takes the line out of its batch and prices it anew; unchanged, its price stays", async () => {
    const order = await ordered(`2dz ${MOLE}`);
    const before = await batchOf(order);
    const line = { ...lineOf(order), policy: undefined };
    const put = async (o: Order, more: object) =>
      owner.ok(editOrder, {
        params: { id: o.id },
        body: {
          ...(await body(`2dz ${MOLE}`)),
          version: o.version,
          lines: [
            {
              id: line.id,
              pattern: line.pattern,
              variant: line.variant,
              form: line.form,
              size: line.size,
              flies: 36,
              ...more,
            },
          ],
        },
      });
    const more = await put(order, {});
    expect(lineOf(more)).toMatchObject({ id: line.id, pricePerDozenCents: lineOf(order).pricePerDozenCents });
    const changed = await put(more, { asked: noFlash });
    expect(lineOf(changed).pricePerDozenCents).toBe(lineOf(order).pricePerDozenCents - 120);
    const after = await batchOf(changed);
    expect(after.id).not.toBe(before.id);
    expect(after.leave).toEqual(["flash"]);
    await cancel(changed);
  });
});

describe("what cannot be asked is refused at its field", () => {
  test.each<[string, Asked, RegExp]>([
    ["a part that the pattern cannot do without", { leave: ["rib"] }, /cannot be left out/],
    ["a part that it does not have", { leave: ["antlers"] }, /no part “antlers”/],
    ["a material that nobody allowed", { use: { wing: "YA-DK" } }, /may not stand in for the wing/],
    ["a way that there is not", { methods: { "wing/tips": "ironed" } }, /no way “ironed”/],
    ["a hook that is nothing like it", { use: { hook: "D1" } }, /may not stand in for the hook/],
  ])("%s", async (_, asked, detail) => {
    const refused = await owner.refused(addOrder, { body: await body(`2dz ${MOLE}`, asked) });
    expect(refused.type).toBe("invalid");
    expect(JSON.stringify(refused)).toMatch(detail);
    expect(JSON.stringify(refused)).toContain("lines.0.asked");
  });
});

describe("a batch of what is asked", () => {
  test("keeps it when it is split, and is merged only with its like", async () => {
    const [plain, asked] = [await ordered(`2dz ${MOLE}`), await ordered(`2dz ${MOLE}`, noFlash)];
    const [own, without] = [await batchOf(plain), await batchOf(asked)];
    const refused = await owner.refused(mergeBatches, {
      body: { batches: [own, without].map(({ id, version }) => ({ id, version })) },
    });
    expect(refused.detail).toMatch(/ask for different flies/);
    const { id } = await owner.ok(splitBatch, {
      params: { id: without.id },
      body: { version: without.version, flies: 12 },
    });
    expect(await owner.ok(readBatch, { params: { id } })).toMatchObject({ leave: ["flash"], asked: noFlash });
    await cancel(plain);
    await cancel(asked);
  });
  test("leaves overs that fill only lines that ask the same", async () => {
    const order = await ordered(`1dz ${MOLE}`, noFlash);
    const batch = await pulled(owner, (await batchOf(order)).id);
    const tallies = Array.from({ length: 14 }, () => ({
      id: randomUUID(),
      batch: batch.id,
      kind: "good" as const,
      at: new Date().toISOString(),
    }));
    await tier.ok(sendTallies, { body: { tallies } });
    const now = await owner.ok(readBatch, { params: { id: batch.id } });
    await owner.ok(finishBatch, { params: { id: batch.id }, body: { version: now.version, uses: [] } });
    const boxed = (await owner.ok(listBox)).customers.flatMap((c) => c.lines).find((l) => l.orderId === order.id);
    expect(boxed).toMatchObject({ ready: 12, asked: noFlash });
    const [plain, alike] = [await ordered(`1dz ${MOLE}`), await ordered(`1dz ${MOLE}`, noFlash)];
    expect(lineOf(plain).ready).toBe(0);
    expect(lineOf(alike).ready).toBe(2);
  });
});

/** A fly that the demo room ties. */
const lodger = { pattern: "copper-lodger", variant: "olive", form: "weighted", size: "14" };

describe("a promise", () => {
  test("of several lines shares the room's hours among them, and a line larger than a tray has a day too", async () => {
    const line = (dozens: number) => ({ ...lodger, flies: dozens * 12 });
    const days = async (dozens: number[]) =>
      (await owner.ok(promise, { body: { lines: dozens.map(line) } })).lines.map((l) => l.day);
    const [alone] = await days([30]);
    const [first, , third] = await days([30, 30, 30]);
    // Both are found by search, which may leave others their time for some days more: within two weeks of each other.
    const day = (iso: string | null | undefined) => Date.parse(iso ?? "") / 86_400_000;
    expect(Math.abs(day(first) - day(alone))).toBeLessThanOrEqual(14);
    expect((third ?? "") > (first ?? "9"), "what was typed first is served first").toBe(true);
    expect((await days([40]))[0]).not.toBeNull();
  });
  test("counts the minutes and the shelf of the fly that is asked", async () => {
    const { lines } = await body(`6dz ${MOLE}`, noFlash);
    const asks = lines.map(({ pattern, variant, form, size, flies, asked }) => ({
      pattern,
      variant,
      form,
      size,
      flies,
      asked,
    }));
    const [own, without] = await Promise.all([
      owner.ok(promise, { body: { lines: asks.map(({ asked: _asked, ...l }) => l) } }),
      owner.ok(promise, { body: { lines: asks } }),
    ]);
    expect(own.lines[0]?.day).not.toBeNull();
    expect(without.lines[0]?.day).not.toBeNull();
    expect(without.lines[0]?.day ?? "9").not.toBe("9");
    // Less is to be tied; both are found by search, within so many days of each other.
    const day = (iso: string | null | undefined) => Date.parse(iso ?? "") / 86_400_000;
    expect(day(without.lines[0]?.day) - day(own.lines[0]?.day)).toBeLessThanOrEqual(10);
  });
});

describe("a line with a day of its own", () => {
  test("is batched, listed and promised by that day; one that has passed is refused", async () => {
    const typed = await typedOrder(
      owner,
      "2dz Slate Wisp 10 slate by 1 May 2027, 2dz Slate Wisp 10 slate by 20 June 2027; Ida Pellworth",
    );
    expect(typed.due).toBe("2027-05-01");
    const order = await owner.ok(addOrder, { body: typed });
    expect(order.lines.map((l) => l.due)).toEqual([null, "2027-06-20"]);
    const { batches } = await owner.ok(listBatches, { query: { limit: 200 } });
    const mine = batches.filter((b) => b.claims.some((c) => c.orderId === order.id));
    expect(mine.map((b) => b.due).sort()).toEqual(["2027-05-01", "2027-06-20"]);
    expect(mine.map((b) => b.claims.map((c) => c.due))).toEqual(mine.map((b) => [b.due]));
    const past = await owner.refused(addOrder, {
      body: { ...typed, lines: typed.lines.map((l) => ({ ...l, due: "2020-01-01" })) },
    });
    expect(JSON.stringify(past)).toContain("lines.0.due");
    await cancel(order);
  });
});

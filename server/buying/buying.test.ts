import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { listNeeds } from "@kasten/contract/materials";
import {
  cancelPurchase,
  confirmPurchase,
  editPurchase,
  editSupplier,
  listPurchases,
  listSuppliers,
  planBuying,
  readDeliveryNote,
  readPurchase,
  receivePurchase,
  sendPurchase,
  setSources,
  writePurchase,
  type Purchase,
} from "@kasten/contract/purchasing";
import { readPlan } from "@kasten/contract/schedule";
import { readLot, readOutlook, readStock } from "@kasten/contract/stock";
import { simulatedSupplier, type SentOrder } from "../standins";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";

let room: TestRoom;
let owner: Client;
let shop: Client;
beforeAll(async () => {
  room = await openTestRoom();
  [owner, shop] = await Promise.all([room.signedIn("owner"), room.signedIn("shop")]);
});
afterAll(() => room.stop());

const line = (material: string, packs: number, pack = 100, packCents = 1100) => ({ material, packs, pack, packCents });
const written = async (supplierId: string, lines: ReturnType<typeof line>[]): Promise<Purchase> => {
  const { id } = await shop.ok(writePurchase, { body: { supplierId, lines } });
  return owner.ok(readPurchase, { params: { id } });
};
const sent = async (supplierId: string, lines: ReturnType<typeof line>[]): Promise<Purchase> => {
  const { id, version } = await written(supplierId, lines);
  await shop.ok(sendPurchase, { params: { id }, body: { version } });
  return owner.ok(readPurchase, { params: { id } });
};
const supplierOf = async (material: string): Promise<{ supplierId: string; pack: number; priceCents: number }> => {
  const [source] = (await owner.ok(readStock, { params: { id: material } })).sources;
  if (!source) throw new Error(`nobody sells ${material}`);
  return source;
};

describe("what to buy", () => {
  test("covers every shortage of the open batches at the least price, proved", async () => {
    const { needs } = await owner.ok(listNeeds);
    const plan = await owner.ok(planBuying, { query: { stock: "no" } });
    expect(plan.proved).toBe(true);
    expect(plan.totalCents).toBe(plan.orders.reduce((sum, o) => sum + o.goodsCents + o.freightCents, 0));
    const short = needs.filter((n) => n.toOrder > 0 && !n.milled);
    expect(short.length).toBeGreaterThan(0);
    for (const code of new Set(short.map((n) => n.material))) {
      const wanted = short.filter((n) => n.material === code).reduce((sum, n) => sum + n.toOrder, 0);
      const bought = plan.orders.flatMap((o) => o.lines).filter((l) => l.material === code);
      const missing = plan.uncovered.some((u) => u.material === code);
      const had = bought.reduce((sum, l) => sum + l.packs * l.pack, 0);
      expect(had >= wanted || missing, `${code}: ${had} of ${wanted}`).toBe(true);
    }
  });
  test("also keeps what is used every week above the point at which it is ordered", async () => {
    const [bare, full] = [
      await owner.ok(planBuying, { query: { stock: "no" } }),
      await owner.ok(planBuying, { query: { stock: "yes" } }),
    ];
    expect(bare.wanted.every((w) => w.forStock === 0)).toBe(true);
    expect(full.totalCents).toBeGreaterThanOrEqual(bare.totalCents);
  });
  test("a source out of its season is not asked", async () => {
    const { needs } = await owner.ok(listNeeds);
    const one = needs.find((n) => n.toOrder > 0 && !n.milled && n.proposal);
    const source = await supplierOf(one?.material ?? "");
    const at = (season: { from: number; to: number } | null) =>
      owner.ok(setSources, {
        params: { id: one?.material ?? "" },
        body: {
          sources: [
            { supplier: source.supplierId, pack: source.pack, priceCents: source.priceCents, leadDays: 5, season },
          ],
        },
      });
    const now = new Date().getUTCMonth() + 1;
    const other = (now % 12) + 1;
    await at({ from: other, to: other });
    const without = await owner.ok(planBuying, { query: { stock: "no" } });
    expect(without.uncovered.map((u) => u.material)).toContain(one?.material);
    // From the month after this one round the year to this one: a season over the turn of the year.
    await at({ from: ((now + 1) % 12) + 1, to: now });
    const within = await owner.ok(planBuying, { query: { stock: "no" } });
    expect(within.uncovered.map((u) => u.material)).not.toContain(one?.material);
    await at(null);
  });
});

describe("a purchase order", () => {
  test("is written, sent, and its day is what the work counts on", async () => {
    const { needs } = await owner.ok(listNeeds);
    const need = needs.find((n) => n.toOrder > 0 && !n.milled && n.proposal && n.batches.length > 0);
    if (!need) throw new Error("nothing is short in the demo room");
    const source = await supplierOf(need.material);
    // Two packs more than are short: below its least order a supplier sends nothing.
    const packs = Math.ceil(need.toOrder / source.pack) + 2;
    const order = await sent(source.supplierId, [line(need.material, packs, source.pack, source.priceCents)]);
    expect(order).toMatchObject({ state: "confirmed", goodsCents: packs * source.priceCents });
    expect(order.confirmedOn).not.toBeNull();
    const after = (await owner.ok(listNeeds)).needs.find((n) => n.material === need.material);
    expect(after).toMatchObject({ toOrder: 0, comesOn: order.confirmedOn, proposal: null });
    const outlook = await owner.ok(readOutlook, { params: { id: need.material } });
    expect(outlook.arrivals).toMatchObject([{ number: order.number, day: order.confirmedOn, confirmed: true }]);
    const { version } = await owner.ok(readPurchase, { params: { id: order.id } });
    await owner.ok(confirmPurchase, {
      params: { id: order.id },
      body: { version, day: "2027-02-01", answer: "the mill is broken" },
    });
    const moved = (await owner.ok(listNeeds)).needs.find((n) => n.material === need.material);
    expect(moved?.comesOn).toBe("2027-02-01");
    const plan = await owner.ok(readPlan);
    const waiting = plan.batches.filter((b) => b.waitsFor && need.batches.some((n) => n.number === b.number));
    expect(waiting.length).toBeGreaterThan(0);
    expect(waiting.every((b) => b.ready === null || b.ready >= "2027-02-01")).toBe(true);
  });
  test("is checked against what comes: a part is kept, a part goes back, the rest stays open", async () => {
    const { supplierId } = await supplierOf("N1-14");
    const order = await sent(supplierId, [line("N1-14", 3), line("N1-12", 1)]);
    const [hook12, hook14] = ["N1-12", "N1-14"].map((m) => order.lines.find((l) => l.material === m)?.id ?? "");
    const params = { id: order.id };
    const first = await shop.ok(receivePurchase, {
      params,
      body: {
        version: order.version,
        lines: [
          { line: hook14 ?? "", accepted: 180, returned: 20, reason: "bent in the bag", lot: "late box" },
          { line: hook12 ?? "", accepted: 100 },
        ],
      },
    });
    expect(first.lots.map((l) => l.code)).toEqual(["late box", `N1-12-P${order.number}-1`]);
    const lot = await owner.ok(readLot, { params: { id: first.lots[0]?.id ?? "" } });
    expect(lot).toMatchObject({ supplierId, priceCents: 1980, priceFor: 180 });
    const half = await owner.ok(readPurchase, { params });
    expect(half.state).toBe("confirmed");
    expect(half.lines.map((l) => [l.material, l.received, l.closed])).toEqual([
      ["N1-12", 100, true],
      ["N1-14", 180, false],
    ]);
    const outlook = await owner.ok(readOutlook, { params: { id: "N1-14" } });
    expect(outlook.arrivals.map((a) => a.quantity)).toContain(120);
    await shop.ok(receivePurchase, {
      params,
      body: { version: half.version, lines: [{ line: hook14 ?? "", accepted: 0, close: true }] },
    });
    expect((await owner.ok(readPurchase, { params })).state).toBe("received");
    const late = await owner.refused(receivePurchase, {
      params,
      body: { version: half.version + 1, lines: [{ line: hook14 ?? "", accepted: 1 }] },
    });
    expect(late.detail).toMatch(/is received/);
  });
  test("a lot that is another's by name, another order's line, or ten times too much is refused, and nothing is taken in", async () => {
    const { supplierId } = await supplierOf("N1-14");
    const [a, b] = [await sent(supplierId, [line("N1-14", 2)]), await sent(supplierId, [line("N1-12", 2)])];
    const params = { id: a.id };
    const own = a.lines[0]?.id ?? "";
    const other = b.lines[0]?.id ?? "";
    const refuse = (lines: { line: string; accepted: number; lot?: string; returned?: number }[]) =>
      owner.refused(receivePurchase, { params, body: { version: a.version, lines } });
    expect(
      (
        await refuse([
          { line: own, accepted: 10 },
          { line: other, accepted: 10 },
        ])
      ).detail,
    ).toMatch(/another order/);
    expect((await refuse([{ line: own, accepted: 1000 }])).errors?.[0]?.path).toBe("lines.0.accepted");
    expect(await refuse([{ line: own, accepted: 10, lot: "N1-14-A" }])).toMatchObject({ type: "taken" });
    expect((await refuse([{ line: own, accepted: 10, returned: 5 }])).status).toBe(400);
    expect((await refuse([{ line: own, accepted: -5 }])).status).toBe(400);
    expect((await owner.ok(readPurchase, { params })).lines[0]?.received).toBe(0);
  });
  test("below a supplier's least order is not sent; by letter it waits for their word", async () => {
    const { supplierId } = await supplierOf("N1-14");
    const supplier = (await owner.ok(listSuppliers)).suppliers.find((s) => s.id === supplierId);
    if (!supplier) throw new Error("no supplier");
    const { id: _id, materials: _m, ...terms } = supplier;
    const change = async (more: Partial<typeof terms>) => {
      const { version } = (await owner.ok(listSuppliers)).suppliers.find((s) => s.id === supplierId) ?? terms;
      await owner.ok(editSupplier, { params: { id: supplierId }, body: { ...terms, ...more, version } });
    };
    await change({ minimumCents: 5000, freightCents: 490, freeFromCents: 9000, byLetter: true });
    const small = await written(supplierId, [line("N1-14", 2)]);
    expect(small.freightCents).toBe(490);
    const low = await owner.refused(sendPurchase, { params: { id: small.id }, body: { version: small.version } });
    expect(low.detail).toMatch(/nothing below 50.00; this comes to 22.00/);
    await owner.ok(editPurchase, {
      params: { id: small.id },
      body: { version: small.version, lines: [line("N1-14", 9)] },
    });
    const more = await owner.ok(readPurchase, { params: { id: small.id } });
    expect(more.freightCents).toBe(0);
    await owner.ok(sendPurchase, { params: { id: small.id }, body: { version: more.version } });
    const posted = await owner.ok(readPurchase, { params: { id: small.id } });
    expect(posted).toMatchObject({ state: "sent", confirmedOn: null });
    const twice = await owner.refused(sendPurchase, { params: { id: small.id }, body: { version: posted.version } });
    expect(twice.status).toBe(409);
    await owner.ok(cancelPurchase, {
      params: { id: small.id },
      body: { version: posted.version, reason: "bought elsewhere" },
    });
    const { purchases } = await owner.ok(listPurchases);
    expect(purchases.find((p) => p.id === small.id)?.state).toBe("cancelled");
    await change({});
  });
  test("goes out as a file that no spreadsheet runs", async () => {
    const { supplierId } = await supplierOf("N1-14");
    const order = await written(supplierId, [line("N1-14", 2)]);
    await room.source.query("UPDATE material SET name = '=1+1' WHERE code = 'N1-14'");
    const csv = await (await owner.raw("GET", `/api/purchases/${order.id}/order.csv`)).text();
    expect(csv.split("\r\n")[0]).toBe("order,supplier,material,name,packs,pack,price_of_a_pack,dye_lot");
    expect(csv).toContain("'=1+1");
    await room.source.query("UPDATE material SET name = 'Yard Nymph hook, size 14' WHERE code = 'N1-14'");
  });
});

describe("the supplier who ships with the program", () => {
  const order = (number: number): SentOrder => ({
    number,
    supplier: "plume-wharf",
    sentOn: "2027-01-04",
    usualDays: 7,
    lines: [{ id: "a", material: "YA-1", packs: 3, pack: 50, dyeLot: "D7" }],
  });
  const orders = Array.from({ length: 400 }, (_, i) => order(i + 1));
  test("always says the same of the same order", () =>
    expect(orders.map(simulatedSupplier.answer)).toEqual(orders.map(simulatedSupplier.answer)));
  test("is late, short or in another dye lot now and then", () => {
    const share = (is: (o: SentOrder) => boolean) => orders.filter(is).length / orders.length;
    const late = share((o) => simulatedSupplier.answer(o).confirmedOn !== "2027-01-11");
    const short = share((o) => simulatedSupplier.parcel(o).lines[0]?.quantity === 100);
    const other = share((o) => simulatedSupplier.parcel(o).lines[0]?.dyeLot !== "D7");
    for (const [is, wanted] of [
      [late, 0.2],
      [short, 0.1],
      [other, 0.1],
    ] as const)
      expect(Math.abs(is - wanted)).toBeLessThan(0.06);
  });
  test("its note names what is in the parcel, and the rest in the next", async () => {
    const { supplierId } = await supplierOf("N1-14");
    const p = await sent(supplierId, [line("N1-14", 2)]);
    const note = await owner.ok(readDeliveryNote, { params: { id: p.id } });
    expect(note.lines.map((l) => [l.line, l.quantity])).toEqual([[p.lines[0]?.id, p.lines[0]?.ordered]]);
    await owner.ok(receivePurchase, {
      params: { id: p.id },
      body: { version: p.version, lines: [{ line: p.lines[0]?.id ?? "", accepted: 60 }] },
    });
    expect((await owner.ok(readDeliveryNote, { params: { id: p.id } })).lines[0]?.quantity).toBe(140);
  });
});

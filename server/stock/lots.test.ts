import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { reserveAllAnew, reserveBatch, unreserveBatch, readBatch, releaseBatch } from "@kasten/contract/batches";
import {
  countIn,
  countLot,
  describeLot,
  findStock,
  gradeLot,
  letGoLot,
  readLot,
  readOutlook,
  readStock,
  receiveStock,
  scrapLot,
  splitLot,
  transferLot,
  type LotPage,
} from "@kasten/contract/stock";
import { Client, openTestRoom, type TestRoom } from "../testing/app";
import { orderedBatch, pulled } from "../testing/orders";

let room: TestRoom;
let owner: Client;
let shop: Client;
beforeAll(async () => {
  room = await openTestRoom();
  [owner, shop] = await Promise.all([room.signedIn("owner"), room.signedIn("shop")]);
});
afterAll(() => room.stop());

const lotNamed = async (material: string, code: string): Promise<LotPage> => {
  const found = (await owner.ok(readStock, { params: { id: material } })).lotList.find((l) => l.code === code);
  return owner.ok(readLot, { params: { id: found?.id ?? "" } });
};
const drawerOf = (lot: LotPage): number => lot.places.find((p) => p.kind === "drawer")?.placeId ?? 0;
const facts = (lot: LotPage) => ({
  soldAs: lot.soldAs,
  supplierId: lot.supplierId,
  dyeLot: lot.dyeLot,
  grade: lot.grade,
  priceCents: lot.priceCents,
  priceFor: lot.priceFor,
  openedOn: lot.openedOn,
  expiresOn: lot.expiresOn,
  apartUntil: lot.apartUntil,
  origin: lot.origin,
  papers: lot.papers,
  note: lot.note,
  version: lot.version,
});
/** Every movement of the ledger, summed over all places: nothing comes from nowhere. */
const ledgerSum = async (): Promise<number> => {
  const [{ sum }] = await room.source.query("SELECT sum(quantity)::bigint AS sum FROM balance");
  return Number(sum);
};

describe("a lot", () => {
  test("keeps what a person says of it, from the version that was seen", async () => {
    const lot = await lotNamed("HK-DRY-BN", "HK-DRY-BN-A");
    const said = { ...facts(lot), soldAs: "cape" as const, origin: "Fen farm", note: "neck of the old cock" };
    await shop.ok(describeLot, { params: { id: lot.id }, body: said });
    const after = await owner.ok(readLot, { params: { id: lot.id } });
    expect(after).toMatchObject({ soldAs: "cape", origin: "Fen farm", version: lot.version + 1 });
    const stale = await owner.refused(describeLot, { params: { id: lot.id }, body: { ...said, note: "other" } });
    expect(stale).toMatchObject({ type: "changed-meanwhile" });
    expect(stale.changes).toContainEqual({ field: "note", yours: "other", theirs: "neck of the old cock" });
  });
  test.each([
    ["a price without saying for how much", { priceCents: 500, priceFor: null }, /how much it was/],
    ["expired before it was opened", { openedOn: "2026-05-02", expiresOn: "2026-05-01" }, /before it was opened/],
    ["a day that is none", { expiresOn: "2026-02-30" }, /calendar/],
    ["a supplier who is gone", { supplierId: "nobody" }, /no such supplier/],
  ])("%s is refused", async (_what, wrong, sentence) => {
    const lot = await lotNamed("HK-DRY-BN", "HK-DRY-BN-B");
    const refused = await owner.refused(describeLot, { params: { id: lot.id }, body: { ...facts(lot), ...wrong } });
    expect([400, 422]).toContain(refused.status);
    expect(JSON.stringify(refused)).toMatch(sentence);
  });
  test("goes to another drawer, to the bin and into a lot of its own, and the ledger still adds up to nothing", async () => {
    const sum = await ledgerSum();
    const lot = await lotNamed("HK-DRY-CR", "HK-DRY-CR-C");
    const params = { id: lot.id };
    const place = drawerOf(lot);
    await owner.ok(transferLot, { params, body: { place, drawer: "Z9", quantity: 20, note: "" } });
    await owner.ok(scrapLot, { params, body: { place, quantity: 3, note: "moth" } });
    const made = await owner.ok(splitLot, {
      params,
      body: { place, quantity: 10, lot: "", note: "the best", grade: "A" },
    });
    const after = await owner.ok(readLot, { params });
    const held = (code: string) => after.places.find((p) => p.code === code)?.quantity;
    expect([held("Z9"), held("C31")]).toEqual([20, 60 - 20 - 3 - 10]);
    expect(after.movements.map((m) => m.reason).slice(0, 3)).toEqual(["split", "scrapped", "transferred"]);
    const own = await owner.ok(readLot, { params: { id: made.id } });
    expect(own).toMatchObject({ code: "HK-DRY-CR-C-1", grade: "A", barb: [7.5, 8.5], supplierId: lot.supplierId });
    expect(own.places.map((p) => p.quantity)).toEqual([10]);
    expect(await ledgerSum()).toBe(sum);
    const much = await owner.refused(scrapLot, { params, body: { place, quantity: 28, note: "all" } });
    expect(much).toMatchObject({ status: 409 });
    expect(much.detail).toMatch(/only 27/);
    const same = await owner.refused(transferLot, { params, body: { place, drawer: "C31", quantity: 1, note: "" } });
    expect(same.errors?.[0]?.path).toBe("drawer");
  });
  test("is counted by weight with how sure that is, and never below what batches have put by", async () => {
    const lot = await lotNamed("N1-14", "N1-14-A");
    const params = { id: lot.id };
    const place = drawerOf(lot);
    await owner.ok(countLot, { params, body: { place, counted: 986, plusMinus: 12, how: "weighed", note: "" } });
    const after = await owner.ok(readLot, { params });
    expect(after.counts[0]).toMatchObject({ how: "weighed", counted: 986, plusMinus: 12, expected: 1000 });
    expect(after.places[0]?.quantity).toBe(986);
    const { batch } = await orderedBatch(owner, "3dz Copper Lodger 14 olive; Quayhead Tackle, 12 Mar");
    await owner.ok(reserveBatch, { params: { id: batch.id } });
    const low = await owner.refused(countLot, { params, body: { place, counted: 1, how: "counted", note: "" } });
    expect(low).toMatchObject({ status: 409 });
    expect(low.detail).toMatch(/put by for batches/);
    expect((await owner.ok(readLot, { params })).places[0]?.claims.map((c) => c.number)).toContain(batch.number);
    await owner.ok(unreserveBatch, { params: { id: batch.id } });
  });
});

describe("a lot that is kept apart or past its day", () => {
  test("is not given to a batch until somebody has looked at it", async () => {
    const receive = { lot: "new skin", quantity: 500, apartUntil: "2026-12-24", soldAs: "cape" as const };
    await shop.ok(receiveStock, { params: { id: "HK-SFT-BN" }, body: { ...receive, barb: [8.5, 10.5] } });
    const there = async () => (await owner.ok(readOutlook, { params: { id: "HK-SFT-BN" } })).there;
    const before = await there();
    const lot = await lotNamed("HK-SFT-BN", "new skin");
    const kept = await owner.refused(describeLot, {
      params: { id: lot.id },
      body: { ...facts(lot), apartUntil: null },
    });
    expect(kept.errors?.[0]?.detail).toMatch(/Let it go/);
    await owner.ok(letGoLot, {
      params: { id: lot.id },
      body: { version: lot.version, note: "no moth, frozen a week" },
    });
    expect(await there()).toBe(before + 500);
    const twice = await owner.refused(letGoLot, {
      params: { id: lot.id },
      body: { version: lot.version + 1, note: "x" },
    });
    expect(twice.detail).toMatch(/not kept apart/);
  });
  test("resin past its day is there and not to be tied with", async () => {
    await shop.ok(receiveStock, {
      params: { id: "HK-SFT-BN" },
      body: { lot: "old", quantity: 7, expiresOn: "2020-01-01", barb: [8.5, 10.5] },
    });
    expect((await owner.ok(readStock, { params: { id: "HK-SFT-BN" } })).lotList.map((l) => l.code)).toContain("old");
    const share = (await owner.ok(readOutlook, { params: { id: "HK-SFT-BN" } })).share;
    expect(share?.classes.map((c) => c.code) ?? []).not.toContain("old");
  });
});

describe("a skin sorted by a sample", () => {
  test("becomes classes that add up to it; what cannot be tied with is scrapped", async () => {
    await shop.ok(receiveStock, {
      params: { id: "HK-DRY-CR" },
      body: { lot: "cape 7", quantity: 300, soldAs: "cape" },
    });
    const skin = await lotNamed("HK-DRY-CR", "cape 7");
    await owner.ok(gradeLot, {
      params: { id: skin.id },
      body: {
        place: drawerOf(skin),
        total: 320,
        classes: [
          { fromMm: 5.5, toMm: 6.5, sampled: 10, spoilt: 1 },
          { fromMm: 6.5, toMm: 7.5, sampled: 20, spoilt: 0 },
          { fromMm: 7.5, toMm: 8.5, sampled: 10, spoilt: 5 },
        ],
      },
    });
    const after = await owner.ok(readLot, { params: { id: skin.id } });
    expect(after.classes.map((c) => [c.barb?.[0], c.quantity])).toEqual([
      [5.5, 72],
      [6.5, 160],
      [7.5, 40],
    ]);
    expect(after.places.filter((p) => p.kind === "drawer")).toEqual([]);
    expect(after.movements.map((m) => m.reason)).toContain("culled");
    const one = await owner.ok(readLot, { params: { id: after.classes[0]?.id ?? "" } });
    expect(one.skin).toEqual({ id: skin.id, code: "cape 7" });
    const again = await owner.refused(gradeLot, {
      params: { id: one.id },
      body: { place: drawerOf(one), total: 5, classes: [{ fromMm: 5, toMm: 6, sampled: 1, spoilt: 0 }] },
    });
    expect(again.detail).toMatch(/one class of a skin already/);
  });
  test.each([
    ["more spoilt than looked at", { fromMm: 5, toMm: 6, sampled: 2, spoilt: 3 }],
    ["a class the wrong way round", { fromMm: 9, toMm: 6, sampled: 2, spoilt: 0 }],
    ["half a feather", { fromMm: 5, toMm: 6, sampled: 2.5, spoilt: 0 }],
    ["nothing sampled", { fromMm: 5, toMm: 6, sampled: 0, spoilt: 0 }],
    ["more sampled than there are", { fromMm: 5, toMm: 6, sampled: 999, spoilt: 0 }],
  ])("%s is refused", async (_what, wrong) => {
    const skin = await lotNamed("HK-DRY-CR", "HK-DRY-CR-A");
    const refused = await owner.refused(gradeLot, {
      params: { id: skin.id },
      body: { place: drawerOf(skin), total: 60, classes: [wrong] },
    });
    expect([400, 422]).toContain(refused.status);
  });
});

describe("feathers of a class", () => {
  test("that one batch holds and could do without go to the batch that has no other", async () => {
    // Nothing else may be in the way: all brown hackle of the demo room is counted out.
    const stock = await owner.ok(readStock, { params: { id: "HK-DRY-BN" } });
    const first = await orderedBatch(owner, "1dz Harbour Fleck 14 brown; Quayhead Tackle, 2 Mar");
    const later = await orderedBatch(owner, "1dz Harbour Fleck 16 brown; Three Weirs Fly Club, 20 Mar");
    const need = async (id: string) =>
      (await owner.ok(readBatch, { params: { id } })).requirements.find((r) => r.material === "HK-DRY-BN");
    expect((await need(first.batch.id))?.key).toBeDefined();
    const outlook = await owner.ok(readOutlook, { params: { id: "HK-DRY-BN" } });
    const share = outlook.share;
    expect(share?.classes.length).toBe(stock.lotList.filter((l) => l.barb && l.apartUntil === null).length);
    const mine = share?.demands.find((d) => d.batch === later.batch.id);
    expect(mine?.met).toBe(mine?.wanted);
    for (const c of share?.classes ?? []) {
      const taken = (share?.demands ?? []).flatMap((d) => d.takes).filter((t) => t.class === c.id);
      expect(taken.reduce((sum, t) => sum + t.feathers, 0) + c.left).toBe(c.there - c.reserved);
    }
  });
  test("are exchanged between reservations, so that nobody has fewer than before", async () => {
    // Each has a palmer and a front hackle. Of all four only the palmer of the 16 has to be of the small class.
    const batches = [
      await orderedBatch(owner, "1dz Harbour Fleck 14 barred grey; Quayhead Tackle, 3 Mar"),
      await orderedBatch(owner, "1dz Harbour Fleck 16 barred grey; Three Weirs Fly Club, 25 Mar"),
    ];
    const ids = batches.map((b) => b.batch.id);
    const demands = (await owner.ok(readOutlook, { params: { id: "HK-DRY-GZ" } })).share?.demands ?? [];
    const all = demands.filter((d) => ids.includes(d.batch));
    const [small, large] = [5.58, 6.8];
    const fits = (mm: number) => all.filter((d) => d.barb && d.barb[0] <= mm && mm <= d.barb[1]);
    expect([fits(small).length, fits(large).length, all.length]).toEqual([3, 3, 4]);
    const palmer = all.find((d) => !fits(large).includes(d));
    // Count everything out, then put in what makes the two compete.
    for (const l of (await owner.ok(readStock, { params: { id: "HK-DRY-GZ" } })).lotList) {
      const lot = await owner.ok(readLot, { params: { id: l.id } });
      for (const p of lot.places.filter((x) => x.kind === "drawer")) {
        for (const c of p.claims) await owner.ok(unreserveBatch, { params: { id: c.id } });
        await owner.ok(countLot, { params: { id: l.id }, body: { place: p.placeId, counted: 0, how: "counted" } });
      }
    }
    const total = all.reduce((sum, d) => sum + d.wanted, 0);
    const receive = (lot: string, quantity: number, middle: number) =>
      shop.ok(receiveStock, {
        params: { id: "HK-DRY-GZ" },
        body: { lot, quantity, barb: [middle - 0.1, middle + 0.1] },
      });
    await receive("small", palmer?.wanted ?? 0, small);
    await receive("large", total - (palmer?.wanted ?? 0), large);
    const hackles = async (id: string) =>
      (await owner.ok(readBatch, { params: { id } })).requirements.filter((x) => x.material === "HK-DRY-GZ");
    const lotsOf = async (id: string) => [
      ...new Set((await hackles(id)).flatMap((r) => r.reserved.map((x) => x.lotCode))),
    ];
    await owner.ok(reserveBatch, { params: { id: ids[0] ?? "" } });
    expect(await lotsOf(ids[0] ?? ""), "the smaller is taken first").toContain("small");
    await owner.ok(reserveBatch, { params: { id: ids[1] ?? "" } });
    expect(await lotsOf(ids[0] ?? ""), "and given up for the one that has no other").toEqual(["large"]);
    for (const id of ids)
      for (const r of await hackles(id)) expect(r.reserved.reduce((sum, x) => sum + x.quantity, 0)).toBe(r.issue);
    const { history } = await owner.ok(readBatch, { params: { id: ids[0] ?? "" } });
    expect(history[0]?.sentence).toMatch(/comes from other lots now, so that batch \d+ has its class/);
    const anew = await owner.ok(reserveAllAnew);
    expect(anew.batches).toBeGreaterThan(1);
  });
});

describe("a controlled species", () => {
  test("is not released without papers on the lot that is put by", async () => {
    await room.source.query("UPDATE material SET controlled_species = 'marsh heron' WHERE code = 'HK-DRY-CR'");
    await room.source.query("SELECT nextval('room_changes')");
    await shop.ok(countIn, { params: { id: "HK-DRY-CR" }, body: { quantity: 1, lot: "no papers" } });
    const { batch } = await orderedBatch(owner, "1dz Net Loft 12 cream; Quayhead Tackle, 12 Mar");
    await owner.ok(reserveBatch, { params: { id: batch.id } });
    const detail = await owner.ok(readBatch, { params: { id: batch.id } });
    const hackle = detail.requirements.find((r) => r.material === "HK-DRY-CR");
    expect(hackle?.reserved.length).toBeGreaterThan(0);
    expect(detail.held_back.join(" ")).toMatch(/controlled species \(marsh heron\)/);
    const held = await owner.refused(releaseBatch, { params: { id: batch.id }, body: { version: detail.version } });
    expect(held.detail).toMatch(/what papers it has/);
    for (const x of hackle?.reserved ?? []) {
      const lot = await owner.ok(readLot, { params: { id: x.lot } });
      await owner.ok(describeLot, { params: { id: x.lot }, body: { ...facts(lot), papers: "permit 11/2026" } });
    }
    const after = await owner.ok(readBatch, { params: { id: batch.id } });
    expect(after.held_back.join(" ")).not.toMatch(/controlled species/);
  });
});

describe("finding", () => {
  const find = async (q: string) => (await owner.ok(findStock, { query: { q } })).found;
  test.each([
    ["a material by two words in any order", "hackle brown stiff", "material", "stiff dry hackle, brown"],
    ["a lot by its code", "HK-DRY-BN-C", "lot", "stiff dry hackle, brown"],
    ["a drawer by its code", "C31", "drawer", "Drawer C31"],
    ["a lot by a word of its note", "old cock", "lot", "stiff dry hackle, brown"],
  ])("%s", async (_what, q, kind, name) => {
    expect((await find(q)).some((f) => f.kind === kind && f.name === name)).toBe(true);
  });
  test("a sign of a pattern is only a sign, and nothing found is nothing", async () => {
    expect(await find("100%_")).toEqual([]);
    expect(await find("'; DROP TABLE lot; --")).toEqual([]);
  });
});

test("what is pulled from a spool opens it, and the open one is used up first", async () => {
  const { batch } = await orderedBatch(owner, "1dz Copper Lodger 14 olive; Quayhead Tackle, 15 Mar");
  const detail = await pulled(owner, batch.id);
  const wire = detail.requirements.find((r) => r.component === "rib");
  const { lotList } = await owner.ok(readStock, { params: { id: wire?.material ?? "" } });
  const open = lotList.filter((l) => l.openedOn !== null);
  expect(open.length).toBeGreaterThan(0);
  const hook = detail.requirements.find((r) => r.component === "hook");
  const hooks = await owner.ok(readStock, { params: { id: hook?.material ?? "" } });
  expect(
    hooks.lotList.every((l) => l.openedOn === null),
    "a packet of hooks is counted, not opened",
  ).toBe(true);
});

describe("open files", () => {
  const csv = async (path: string) => (await owner.raw("GET", path)).text();
  test("lots go out with the heads and units that come in", async () => {
    await shop.ok(countIn, { params: { id: "WI-BR-CU" }, body: { quantity: 64_100_000, lot: "=1+1 wire" } });
    const text = await csv("/api/lots.csv");
    const [head, ...lines] = text.trim().split("\r\n");
    expect(head?.split(",").slice(0, 5)).toEqual(["material", "name", "lot", "drawer", "quantity"]);
    expect(lines.length).toBeGreaterThan(100);
    expect(lines.find((l) => l.includes("N1-16-A"))).toContain(",A14,1000,pieces,");
    expect(text).not.toMatch(/(^|,)=1\+1/m);
    expect(text).toMatch(/'=1\+1 wire,B11,64\.1,m,/);
    expect((await new Client(room.base).raw("GET", "/api/lots.csv")).status).toBe(401);
  });
  test("movements of some days, and no other number of days than one", async () => {
    const [head, ...lines] = (await csv("/api/movements.csv?days=1")).trim().split("\r\n");
    expect(head).toMatch(/^movement,at,person,reason,note,item,lot,quantity,from_place,to_place,batch$/);
    expect(lines.some((l) => l.includes("scrapped,moth"))).toBe(true);
    expect((await owner.raw("GET", "/api/movements.csv?days=-4")).status).toBe(400);
  });
});

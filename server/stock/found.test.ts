import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { readBatch, releaseBatch, reserveBatch } from "@kasten/contract/batches";
import { catalogue } from "@kasten/contract/catalogue";
import {
  describeLot,
  findStock,
  forgetPhoto,
  identifyFound,
  keepFound,
  mergeLot,
  photographLot,
  readLot,
  readStock,
  receiveStock,
  salvage,
} from "@kasten/contract/stock";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { invariants } from "../testing/attack/races";
import { orderedBatch } from "../testing/orders";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

const stockOf = (id: string) => owner.ok(readStock, { params: { id } });
const lotOf = (id: string) => owner.ok(readLot, { params: { id } });
const receive = async (material: string, lot: string, more: object = {}): Promise<string> => {
  await owner.ok(receiveStock, { params: { id: material }, body: { quantity: 40, lot, ...more } });
  return (await stockOf(material)).lotList.find((l) => l.code === lot)?.id ?? "";
};
// One white pixel.
const PNG = "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==";

describe("something that nobody can name", () => {
  test("is kept with its picture, found again, and its lots become lots of what it is", async () => {
    const { material, lot } = await owner.ok(keepFound, {
      body: { looks: "stiff barred tail feathers", form: "hackle", quantity: 30, origin: "attic box", drawer: "Z1" },
    });
    expect(await stockOf(material)).toMatchObject({ name: "stiff barred tail feathers", quantity: 30, drawer: "Z1" });
    expect(await lotOf(lot)).toMatchObject({ material: { standing: "unidentified" }, origin: "attic box" });
    await owner.ok(photographLot, { params: { id: lot }, body: { image: PNG } });
    const shown = await owner.raw("GET", `/api/lots/${lot}/photo`);
    expect(shown.headers.get("content-type")).toBe("image/png");
    expect((await owner.ok(findStock, { query: { q: "attic" } })).found.map((f) => f.id)).toContain(lot);

    await owner.ok(identifyFound, { params: { id: material }, body: { as: "HK-DRY-BN", note: "by the quill" } });
    const now = await lotOf(lot);
    expect(now).toMatchObject({ material: { code: "HK-DRY-BN" }, note: "found as “stiff barred tail feathers”" });
    expect(now.movements.map((m) => m.reason)).toEqual(["found"]);
    expect(now.photoAt).not.toBeNull();
    expect((await owner.refused(readStock, { params: { id: material } })).status).toBe(404);
    for (const [rule, sql] of Object.entries(invariants)) expect(await room.source.query(sql), rule).toEqual([]);
  });

  test("is not promised, and not merged into what is counted otherwise or is known already", async () => {
    const { material } = await owner.ok(keepFound, {
      body: { looks: "grey fluff", form: "dubbing", quantity: 5_000_000 },
    });
    expect((await owner.ok(catalogue)).materials.find((m) => m.code === material)?.standing).toBe("unidentified");
    const as = (to: string, from = material) =>
      owner.refused(identifyFound, { params: { id: from }, body: { as: to } });
    expect((await as("HK-DRY-BN")).errors?.[0]?.detail).toMatch(/another unit/);
    expect((await as(material)).errors?.[0]?.path).toBe("as");
    expect((await as("MOON")).errors?.[0]?.path).toBe("as");
    expect((await as("HK-DRY-BN", "HK-DRY-BN")).detail).toMatch(/identified already/);
    const refused = await owner.refused(keepFound, { body: { looks: " ", form: "hair", quantity: 0 } });
    expect(refused.errors?.map((e) => e.path).sort()).toEqual(["looks", "quantity"]);
  });
});

describe("a picture of a lot", () => {
  test("is a picture by its first bytes, whatever it is called, and can be taken away", async () => {
    const lot = await receive("HK-DRY-BN", "PIC-1");
    const params = { id: lot };
    const html = Buffer.from("<svg onload=alert(1)>").toString("base64");
    expect((await owner.refused(photographLot, { params, body: { image: html } })).errors?.[0]?.detail).toMatch(
      /no picture/,
    );
    expect((await owner.refused(photographLot, { params, body: { image: "no base64 at all!" } })).status).toBe(400);
    await owner.ok(photographLot, { params, body: { image: PNG } });
    await owner.ok(forgetPhoto, { params });
    expect((await owner.raw("GET", `/api/lots/${lot}/photo`)).status).toBe(404);
    expect((await owner.refused(forgetPhoto, { params })).status).toBe(404);
  });
});

describe("two lots put together", () => {
  test("keep their history on both sides; dye lots, classes and other materials are kept apart", async () => {
    const [a, b] = [await receive("HK-DRY-BN", "MG-1"), await receive("HK-DRY-BN", "MG-2", { dyeLot: "77" })];
    const classed = await receive("HK-DRY-BN", "MG-3", { barb: [5, 6] });
    const merge = (into: string, more: object = {}) => ({ params: { id: a }, body: { into, ...more } });
    const apart = await receive("HK-DRY-BN", "MG-4", { apartUntil: "2031-01-01" });
    const expires = await receive("HK-DRY-BN", "MG-5", { expiresOn: "2031-01-01" });
    expect((await owner.refused(mergeLot, merge(apart))).detail).toMatch(/MG-4 is kept apart/);
    expect((await owner.refused(mergeLot, merge(expires))).detail).toMatch(/different days/);
    await room.source.query("UPDATE material SET controlled_species = 'Grey Wader' WHERE code = 'HK-DRY-BN'");
    const papered = await receive("HK-DRY-BN", "MG-6", { papers: "permit 12" });
    expect((await owner.refused(mergeLot, merge(papered))).detail).toMatch(/different papers/);
    await room.source.query("UPDATE material SET controlled_species = NULL WHERE code = 'HK-DRY-BN'");
    expect((await owner.refused(mergeLot, merge(b))).detail).toMatch(/dye lot/);
    expect((await owner.refused(mergeLot, merge(classed))).detail).toMatch(/sides or classes/);
    expect((await owner.refused(mergeLot, merge(a))).errors?.[0]?.path).toBe("into");
    await owner.ok(mergeLot, merge(b, { mixDyeLots: true, note: "one skin" }));
    const [from, into] = [await lotOf(a), await lotOf(b)];
    expect(from.places).toEqual([]);
    expect(into.places.map((p) => p.quantity)).toEqual([80]);
    expect([from.movements[0]?.reason, into.movements[0]?.reason]).toEqual(["put together", "put together"]);
    expect((await owner.refused(mergeLot, merge(b, { mixDyeLots: true }))).detail).toMatch(/Nothing of lot/);
  });
});

describe("hooks stripped of a spoilt dressing", () => {
  test("come back as used, and feathers do not", async () => {
    const { batch } = await orderedBatch(owner, "1dz Lead Line 10 tan; Oxbow and Daughters, in 6 weeks");
    const hook = (await owner.ok(readBatch, { params: { id: batch.id } })).requirements.find((r) => r.key === "hook");
    const params = { id: hook?.material ?? "" };
    const { quantity } = await stockOf(params.id);
    const { lot } = await owner.ok(salvage, { params, body: { quantity: 7, note: "a crooked dozen" } });
    expect(await lotOf(lot)).toMatchObject({ traits: { used: true }, note: "a crooked dozen" });
    expect((await stockOf(params.id)).quantity).toBe(quantity + 7);
    expect(
      (await owner.refused(salvage, { params: { id: "HK-DRY-BN" }, body: { quantity: 1, note: "x" } })).detail,
    ).toMatch(/cannot be stripped/);
  });
});

describe("what a lot has of its own", () => {
  test("is said on its page and on the pull sheet of the batch that has it", async () => {
    const { batch } = await orderedBatch(owner, "1dz Lead Line 10 tan; Oxbow and Daughters, in 7 weeks");
    const params = { id: batch.id };
    await owner.ok(reserveBatch, { params });
    const planned = await owner.ok(readBatch, { params });
    const [taken] = planned.requirements.find((r) => r.key === "hook")?.reserved ?? [];
    const lot = await lotOf(taken?.lot ?? "");
    const { soldAs, supplierId, dyeLot, grade, priceCents, priceFor, openedOn, expiresOn, apartUntil } = lot;
    const { origin, papers, note, version } = lot;
    const known = { soldAs, supplierId, dyeLot, grade, priceCents, priceFor, openedOn, expiresOn, apartUntil };
    const body = { ...known, origin, papers, note, version, traits: { finish: "blued", unusable: 0.5 } };
    await owner.ok(describeLot, { params: { id: lot.id }, body });
    const after = await lotOf(lot.id);
    expect(after.traits).toEqual({ finish: "blued", unusable: 0.5 });
    if (lot.priceCents !== null && lot.priceFor !== null)
      expect(after.centsPerUsable).toBeCloseTo(lot.priceCents / (lot.priceFor * 0.5), 6);
    await owner.ok(releaseBatch, { params, body: { version: (await owner.ok(readBatch, { params })).version } });
    const sheet = await owner.ok(readBatch, { params });
    const about = sheet.requirements.find((r) => r.key === "hook")?.reserved.flatMap((x) => x.about);
    expect(about).toEqual(expect.arrayContaining(["blued", "50 % of no use"]));
    const wrong = { ...body, version: after.version, traits: { unusable: 2, fibreMm: -1 } };
    expect(
      (await owner.refused(describeLot, { params: { id: lot.id }, body: wrong })).errors?.map((e) => e.path),
    ).toEqual(["traits.unusable", "traits.fibreMm"]);
  });
});

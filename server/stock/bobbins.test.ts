import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { readBatch, reserveBatch, unreserveBatch } from "@kasten/contract/batches";
import { finishBatch, sendTallies } from "@kasten/contract/bench";
import {
  addBobbin,
  listBobbins,
  listDrawers,
  loadBobbin,
  readStock,
  removeBobbin,
  unloadBobbin,
  type Bobbin,
} from "@kasten/contract/stock";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { invariants } from "../testing/attack/races";
import { orderedBatch, pulled } from "../testing/orders";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

const bobbin = async (code: string): Promise<Bobbin> => {
  const found = (await owner.ok(listBobbins)).bobbins.find((b) => b.code === code);
  if (!found) throw new Error(`no bobbin ${code}`);
  return found;
};
const lotIn = async (material: string) => {
  const { lotList } = await owner.ok(readStock, { params: { id: material } });
  const lot = lotList.find((l) => !l.inKit && !l.bobbin && l.quantity > l.reserved);
  if (!lot) throw new Error(`none of ${material}`);
  return lot;
};

describe("a bobbin", () => {
  test("holds one lot, is used before another spool is opened, and takes back what was not tied", async () => {
    const planned = (await orderedBatch(owner, "1dz Lead Line 10 tan; Oxbow and Daughters, in 6 weeks")).batch;
    const thread = (await owner.ok(readBatch, { params: { id: planned.id } })).requirements.find(
      (r) => r.role === "thread",
    );
    const material = thread?.material ?? "";
    const { id } = await owner.ok(addBobbin, { body: { code: "BT1" } });
    const lot = await lotIn(material);
    const free = lot.quantity - lot.reserved;
    await owner.ok(loadBobbin, { params: { id }, body: { lot: lot.id, place: lot.placeId } });
    expect((await bobbin("BT1")).load).toMatchObject({ material, lot: lot.id, quantity: free });

    const batch = await pulled(owner, planned.id);
    expect(batch.bobbins).toContainEqual(expect.objectContaining({ material, loaded: ["BT1"] }));
    const need = batch.requirements.find((r) => r.role === "thread")?.pulled ?? 0;
    expect((await bobbin("BT1")).load?.quantity).toBe(free - need);
    const at = new Date().toISOString();
    const tallies = Array.from({ length: batch.starts }, () => ({
      id: randomUUID(),
      batch: batch.id,
      kind: "good" as const,
      at,
    }));
    await owner.ok(sendTallies, { body: { tallies } });
    const { version } = await owner.ok(readBatch, { params: { id: batch.id } });
    const uses = [{ key: thread?.key ?? "", used: need - 1_000_000, scrapped: 0 }];
    await owner.ok(finishBatch, { params: { id: batch.id }, body: { version, uses } });
    expect((await bobbin("BT1")).load?.quantity).toBe(free - need + 1_000_000);
    await owner.ok(unloadBobbin, { params: { id } });
    expect((await bobbin("BT1")).load).toBeNull();
    expect((await lotIn(material)).quantity).toBeGreaterThanOrEqual(free - need + 1_000_000);
    for (const [rule, sql] of Object.entries(invariants)) expect(await room.source.query(sql), rule).toEqual([]);
  });

  test("what is not possible is told, and nothing moves", async () => {
    const { id } = await owner.ok(addBobbin, { body: { code: "BT2" } });
    const params = { id };
    expect((await owner.refused(addBobbin, { body: { code: "BT2" } })).detail).toMatch(/code of another bobbin/);
    expect((await owner.refused(addBobbin, { body: { code: "C31" } })).status).toBe(409);
    expect((await owner.refused(unloadBobbin, { params })).detail).toMatch(/is empty/);
    const cape = await lotIn("HK-DRY-BN");
    const wound = await owner.refused(loadBobbin, { params, body: { lot: cape.id, place: cape.placeId } });
    expect(wound.detail).toMatch(/not wound on a bobbin/);
    const [{ code }] = await room.source.query(
      `SELECT m.code FROM material m JOIN lot l ON l.material_code = m.code JOIN balance b ON b.lot_id = l.id
       JOIN place p ON p.id = b.place_id WHERE m.form = 'floss' AND p.kind = 'drawer' AND b.quantity > b.reserved LIMIT 1`,
    );
    const floss = await lotIn(code);
    const load = (quantity?: number) => ({
      params,
      body: { lot: floss.id, place: floss.placeId, ...(quantity && { quantity }) },
    });
    expect((await owner.refused(loadBobbin, load(floss.quantity + 1))).detail).toMatch(/are put by for nobody/);
    expect((await owner.refused(loadBobbin, { params: { id: floss.placeId }, body: load().body })).status).toBe(404);
    await owner.ok(loadBobbin, load(1_000_000));
    expect((await owner.refused(loadBobbin, load(1_000_000))).detail).toMatch(/Unload it first/);
    expect((await owner.refused(removeBobbin, { params })).detail).toMatch(/is loaded/);
    await owner.ok(unloadBobbin, { params });
    expect((await owner.refused(removeBobbin, { params })).detail).toMatch(/stands in the ledger/);
    const { id: other } = await owner.ok(addBobbin, { body: { code: "BT3" } });
    await owner.ok(removeBobbin, { params: { id: other } });
    expect((await owner.ok(listDrawers)).drawers.some((d) => d.code.startsWith("BT"))).toBe(false);
  });

  test("two who load one bobbin at the same moment: one does, and is not overwritten", async () => {
    const { id } = await owner.ok(addBobbin, { body: { code: "BT4" } });
    const lot = await lotIn("HK-DRY-BN").then(() =>
      room.source.query(
        `SELECT l.id AS lot, b.place_id AS place FROM lot l JOIN material m ON m.code = l.material_code AND m.form = 'thread'
         JOIN balance b ON b.lot_id = l.id JOIN place p ON p.id = b.place_id AND p.kind = 'drawer' AND NOT p.bobbin
         WHERE b.quantity - b.reserved > 2000000 LIMIT 1`,
      ),
    );
    const body = { ...(lot[0] as { lot: string; place: number }), quantity: 1_000_000 };
    const both = await Promise.all([1, 2].map(() => owner.send(loadBobbin, { params: { id }, body })));
    expect(both.sort()).toEqual([200, 409]);
    expect((await bobbin("BT4")).load?.quantity).toBe(1_000_000);
  });

  test("what a batch has put by stays on it until it is given back", async () => {
    const { id } = await owner.ok(addBobbin, { body: { code: "BT5" } });
    const { batch } = await orderedBatch(owner, "1dz Lead Line 10 tan; Oxbow and Daughters, in 12 weeks");
    const params = { id: batch.id };
    const thread = (await owner.ok(readBatch, { params })).requirements.find((r) => r.role === "thread");
    const lot = await lotIn(thread?.material ?? "");
    await owner.ok(loadBobbin, { params: { id }, body: { lot: lot.id, place: lot.placeId } });
    await owner.ok(reserveBatch, { params });
    const put = (await owner.ok(readBatch, { params })).requirements.find((r) => r.role === "thread");
    expect(put?.reserved.map((r) => r.place)).toContain("BT5");
    expect((await owner.refused(unloadBobbin, { params: { id } })).detail).toMatch(/put by/);
    await owner.ok(unreserveBatch, { params });
    await owner.ok(unloadBobbin, { params: { id } });
  });
});

import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { readBatch, reserveBatch, releaseBatch, takeBackBatch, type BatchDetail } from "@kasten/contract/batches";
import { drawMore, finishBatch, sendTallies, type Tally } from "@kasten/contract/bench";
import { readLot, readStock } from "@kasten/contract/stock";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { invariants } from "../testing/attack/races";
import { orderedBatch, pulled } from "../testing/orders";

let room: TestRoom;
let owner: Client;
let tier: Client;
let shop: Client;
beforeAll(async () => {
  room = await openTestRoom();
  [owner, tier, shop] = await Promise.all([room.signedIn("owner"), room.signedIn("tier"), room.signedIn("shop")]);
});
afterAll(() => room.stop());

const read = (id: string) => owner.ok(readBatch, { params: { id } });
const atBench = async (text: string): Promise<BatchDetail> => pulled(owner, (await orderedBatch(owner, text)).batch.id);
const tally = (batch: string, count: number, more: Partial<Tally> = {}) =>
  tier.ok(sendTallies, {
    body: {
      tallies: Array.from({ length: count }, () => ({
        id: randomUUID(),
        batch,
        kind: "good" as const,
        at: new Date().toISOString(),
        ...more,
      })),
    },
  });
const of = (batch: BatchDetail, component: string) => {
  const r = batch.requirements.find((x) => x.component === component);
  if (!r) throw new Error(`no ${component}`);
  return r;
};
const holds = async () => {
  for (const [rule, sql] of Object.entries(invariants)) expect(await room.source.query(sql), rule).toEqual([]);
};

describe("a kit and its flies", () => {
  test("more flies than hooks are not believed until the hooks are drawn", async () => {
    const batch = await atBench("1dz Lead Line 10 tan; Oxbow and Daughters, in 6 weeks");
    const params = { id: batch.id };
    const hook = of(batch, "hook");
    await tally(batch.id, hook.pulled + 2);
    const finish = async (uses: { key: string; used: number; scrapped: number; why?: string }[] = []) => ({
      params,
      body: { version: (await read(batch.id)).version, uses },
    });
    const told = await tier.refused(finishBatch, await finish());
    expect(told.detail).toContain(`${hook.pulled + 2} flies were tied and only ${hook.pulled} hooks`);
    const why = { key: "hook", used: hook.pulled, scrapped: 0, why: "I am sure" };
    expect((await tier.refused(finishBatch, await finish([why]))).detail).toContain("Draw the hooks");

    await tier.ok(drawMore, { params, body: { key: "hook", quantity: 2, note: "dropped two" } });
    expect(of(await read(batch.id), "hook").pulled).toBe(hook.pulled + 2);
    // Two flies of the others were not in the kit either: it is asked, and somebody says why.
    const asked = await tier.refused(finishBatch, await finish());
    expect(asked.detail).toMatch(/took at least .* say why/);
    const now = await read(batch.id);
    const herl = now.requirements.filter((r) => asked.detail.includes(r.materialName));
    await tier.ok(
      finishBatch,
      await finish(herl.map((r) => ({ key: r.key, used: r.pulled, scrapped: 0, why: "from my own box" }))),
    );
    const kept = await room.source.query("SELECT why FROM batch_use WHERE batch_id = $1 AND why <> ''", [batch.id]);
    expect(kept).toHaveLength(herl.length);
    await holds();
  });

  test("what is drawn more is not beyond what is free, and leaves its drawer", async () => {
    const batch = await atBench("1dz Net Loft 12 grey; Mallow Strand Hotel, in 8 weeks");
    const params = { id: batch.id };
    const hook = of(batch, "hook");
    const much = await tier.refused(drawMore, { params, body: { key: "hook", quantity: 1_000_000 } });
    expect(much.detail).toMatch(/is not free in the drawers/);
    expect((await tier.refused(drawMore, { params, body: { key: "hook", quantity: 0 } })).status).toBe(400);
    expect((await tier.refused(drawMore, { params, body: { key: "none", quantity: 1 } })).status).toBe(404);
    const species = (name: string | null) =>
      room.source.query("UPDATE material SET controlled_species = $2 WHERE code = $1", [hook.material, name]);
    await species("Grey Wader");
    const without = await tier.refused(drawMore, { params, body: { key: "hook", quantity: 3 } });
    expect(without.detail).toContain("with papers, is not free");
    await species(null);
    const before = (await owner.ok(readStock, { params: { id: hook.material } })).quantity;
    await tier.ok(drawMore, { params, body: { key: "hook", quantity: 3 } });
    expect((await owner.ok(readStock, { params: { id: hook.material } })).quantity).toBe(before - 3);
    await holds();
  });

  test("untouched figures teach nothing, counted ones teach how many pieces break", async () => {
    const batch = await atBench("2dz Lead Line 10 tan; Oxbow and Daughters, in 7 weeks");
    const params = { id: batch.id };
    const good = of(batch, "hook").pulled - 1;
    await tally(batch.id, good);
    await tally(batch.id, 1, { kind: "reject", reason: "hook failed", loss: "hook kept" });
    const known = (): Promise<{ sound: number; spoilt: number }[]> =>
      room.source.query("SELECT sound, spoilt FROM material_outcome WHERE material_code = $1", [
        of(batch, "hook").material,
      ]);
    const before = await known();
    const { version } = await read(batch.id);
    const uses = [{ key: "hook", used: good, scrapped: 1 }];
    await tier.ok(finishBatch, { params, body: { version, uses } });
    const [now] = await known();
    expect(now).toEqual({ sound: (before[0]?.sound ?? 0) + good, spoilt: (before[0]?.spoilt ?? 0) + 1 });
    const kept: { key: string; computed: number | null }[] = await room.source.query(
      "SELECT key, computed FROM batch_use WHERE batch_id = $1",
      [batch.id],
    );
    expect(kept.filter((u) => u.computed !== null).map((u) => u.key)).toEqual(["hook"]);
    // A hook ties a fly: what is left of the lot is so many flies, less what fails.
    const { quantity, fliesLeft } = await owner.ok(readStock, { params: { id: of(batch, "hook").material } });
    expect(fliesLeft?.likely).toBeGreaterThan(quantity * 0.7);
    expect(fliesLeft?.likely).toBeLessThan(quantity * 1.2);
  });

  test("lengths worth keeping come back as remnants of their own, and no longer than what is left", async () => {
    const batch = await atBench("1dz Lead Line 10 tan; Oxbow and Daughters, in 9 weeks");
    const params = { id: batch.id };
    const rib = of(batch, "rib");
    expect(rib.unit).toBe("um");
    await tally(batch.id, 12);
    const { version } = await read(batch.id);
    const used = rib.pulled - 150_000;
    const long = { key: rib.key, used, scrapped: 0, offcutsMm: [90, 90] };
    expect((await tier.refused(finishBatch, { params, body: { version, uses: [long] } })).detail).toMatch(
      /remnant of 90 mm .* cannot be among/,
    );
    const uses = [{ ...long, offcutsMm: [80, 60.5] }];
    await tier.ok(finishBatch, { params, body: { version, uses } });
    const { lotList } = await owner.ok(readStock, { params: { id: rib.material } });
    const remnants = lotList.filter((l) => l.remnant).map((l) => l.quantity);
    expect(remnants).toEqual(expect.arrayContaining([80_000, 60_500]));
    const remnant = lotList.find((l) => l.quantity === 60_500);
    const page = await owner.ok(readLot, { params: { id: remnant?.id ?? "" } });
    expect(page.movements[0]).toMatchObject({ reason: "kept as a remnant", batch: batch.number });
    await holds();
  });
});

describe("a release taken back", () => {
  test("puts the kit into its drawers, keeps what is put by, and can be released again", async () => {
    const made = (await orderedBatch(owner, "1dz Lead Line 10 tan; Oxbow and Daughters, in 10 weeks")).batch;
    const batch = await pulled(owner, made.id);
    const params = { id: batch.id };
    const hook = of(batch, "hook");
    const { quantity: drawers } = await owner.ok(readStock, { params: { id: hook.material } });
    expect((await shop.refused(takeBackBatch, { params, body: { version: batch.version } })).status).toBe(403);
    await owner.ok(takeBackBatch, { params, body: { version: batch.version } });
    const planned = await read(batch.id);
    expect(planned).toMatchObject({ state: "planned", starts: batch.starts });
    expect(planned.requirements.map((r) => r.pulled)).toEqual(planned.requirements.map(() => 0));
    expect((await owner.ok(readStock, { params: { id: hook.material } })).quantity).toBe(drawers + hook.pulled);
    await owner.ok(reserveBatch, { params });
    await owner.ok(releaseBatch, { params, body: { version: (await read(batch.id)).version } });
    await holds();
  });

  test("is not possible once flies have been tallied", async () => {
    const batch = await atBench("1dz Lead Line 10 tan; Oxbow and Daughters, in 11 weeks");
    await tally(batch.id, 1);
    const params = { id: batch.id };
    const { version } = await read(batch.id);
    expect((await owner.refused(takeBackBatch, { params, body: { version } })).detail).toMatch(/have been tallied/);
  });
});

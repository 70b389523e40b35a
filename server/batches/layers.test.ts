import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, expect, test } from "vitest";
import { readBatch } from "@kasten/contract/batches";
import { finishBatch, sendTallies } from "@kasten/contract/bench";
import { catalogue } from "@kasten/contract/catalogue";
import { listNeeds, saveMaterial } from "@kasten/contract/materials";
import { readStock } from "@kasten/contract/stock";
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

const blend = "BL-LODGER";
const parts = ["DU-HARE-OL", "DU-SYN-OL"];
const inDrawers = async (id: string): Promise<number> =>
  (await owner.ok(readStock, { params: { id } })).lotList
    .filter((l) => !l.inKit)
    .reduce((sum, l) => sum + l.quantity, 0);

test("layers of a loop are needed, pulled and used from their own drawers, and nothing is milled", async () => {
  const known = (await owner.ok(catalogue)).materials.find((m) => m.code === blend);
  if (!known?.blend) throw new Error("no blend");
  const { version: was, ...material } = known;
  const laid = { ...material, blend: { ...known.blend, laid: true } };
  await owner.ok(saveMaterial, { params: { id: blend }, body: { version: was, material: laid } });
  const before = await Promise.all([blend, ...parts].map(inDrawers));
  const { batch } = await orderedBatch(owner, "2dz Copper Lodger 12 olive; Hollow Mere Lodge, in 9 weeks");
  const planned = await owner.ok(readBatch, { params: { id: batch.id } });
  const layers = planned.requirements.filter((r) => r.key.includes("/"));
  expect(layers.map((r) => r.material).sort()).toEqual(parts);
  expect(planned.requirements.some((r) => r.material === blend)).toBe(false);
  expect(planned.prep.map((p) => p.kind)).not.toContain("mill blend");
  // 60 and 40 of a hundred.
  const [hare, synthetic] = parts.map((code) => layers.find((r) => r.material === code)?.net);
  expect((hare ?? 0) / ((hare ?? 0) + (synthetic ?? 0))).toBeCloseTo(0.6, 2);
  const needs = (await owner.ok(listNeeds)).needs.filter((n) => n.batches.some((b) => b.number === batch.number));
  expect(needs.map((n) => n.material)).toEqual(expect.arrayContaining(parts));
  expect(needs.map((n) => n.material)).not.toContain(blend);

  const kit = await pulled(owner, batch.id);
  for (const r of kit.requirements.filter((r) => r.key.includes("/"))) expect(r.pulled).toBe(r.issue);
  const flies = 24;
  const tallies = Array.from({ length: flies }, () => ({
    id: randomUUID(),
    batch: batch.id,
    kind: "good" as const,
    at: new Date().toISOString(),
  }));
  await owner.ok(sendTallies, { body: { tallies } });
  const { version } = await owner.ok(readBatch, { params: { id: batch.id } });
  await owner.ok(finishBatch, { params: { id: batch.id }, body: { version, uses: [] } });
  const after = await Promise.all([blend, ...parts].map(inDrawers));
  expect(after[0]).toBe(before[0]);
  for (const k of [1, 2]) expect(after[k]).toBeLessThan(before[k] ?? 0);
  for (const [rule, sql] of Object.entries(invariants)) expect(await room.source.query(sql), rule).toEqual([]);
});

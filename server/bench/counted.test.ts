import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, expect, test } from "vitest";
import { readBatch } from "@kasten/contract/batches";
import { finishBatch, sendTallies } from "@kasten/contract/bench";
import { countLot, readStock } from "@kasten/contract/stock";
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

test.each([
  ["short", -1],
  ["over", 1],
])("a kit that was counted one %s can be finished, and adds up", async (_how, by) => {
  const made = await orderedBatch(owner, "1dz Lead Line 10 tan; Oxbow and Daughters, in 6 weeks");
  const batch = await pulled(owner, made.batch.id);
  const hook = batch.requirements.find((r) => r.component === "hook");
  const material = hook?.material ?? "";
  const { lotList } = await owner.ok(readStock, { params: { id: material } });
  const inKit = lotList.find((l) => l.place === `Kit of batch ${batch.number}`);
  if (!inKit) throw new Error("no hooks in the kit");
  const counted = { place: inKit.placeId, counted: inKit.quantity + by, note: "counted on the tray" };
  await owner.ok(countLot, { params: { id: inKit.id }, body: { ...counted, how: "counted" } });
  const at = new Date().toISOString();
  const tallies = Array.from({ length: 12 }, () => ({ id: randomUUID(), batch: batch.id, kind: "good" as const, at }));
  await owner.ok(sendTallies, { body: { tallies } });
  const { version } = await owner.ok(readBatch, { params: { id: batch.id } });
  await owner.ok(finishBatch, { params: { id: batch.id }, body: { version, uses: [] } });
  const [use] = await room.source.query("SELECT taken FROM batch_use WHERE batch_id = $1 AND component = 'hook'", [
    batch.id,
  ]);
  expect(use.taken).toBe(inKit.quantity + by);
  const left = await room.source.query(
    "SELECT 1 FROM balance b JOIN place p ON p.id = b.place_id WHERE p.kind = 'kit' AND p.code = $1 AND b.quantity <> 0",
    [`KIT-${batch.number}`],
  );
  expect(left).toEqual([]);
  for (const [rule, sql] of Object.entries(invariants)) expect(await room.source.query(sql), rule).toEqual([]);
});

import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, expect, test } from "vitest";
import {
  listBatches,
  pullBatch,
  readBatch,
  releaseBatch,
  reserveBatch,
  takeBackBatch,
  unreserveBatch,
} from "@kasten/contract/batches";
import { drawMore } from "@kasten/contract/bench";
import {
  addBobbin,
  countLot,
  loadBobbin,
  mergeLot,
  readStock,
  scrapLot,
  splitLot,
  transferLot,
  unloadBobbin,
} from "@kasten/contract/stock";
import { Chance } from "../testing/attack/random";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom({ requestsPerMinute: 100_000 });
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

const THREAD = "TH-70-GY";
const CLIENTS = 100;
const ACTS_EACH = 5;

test("a hundred at once reserve, pull, move, split, count and scrap: nothing negative, nothing lost, nothing twice", async () => {
  const chance = new Chance(20_261_126);
  const lots = (
    await Promise.all(["HK-DRY-BN", "N1-14", "HE-PK"].map((id) => owner.ok(readStock, { params: { id } })))
  ).flatMap((s) => s.lotList);
  const batches = (await owner.ok(listBatches, { query: { limit: 20 } })).batches.filter((b) => b.state === "planned");
  const [spool] = (await owner.ok(readStock, { params: { id: THREAD } })).lotList;
  if (!spool) throw new Error("no thread");
  const { id: bobbin } = await owner.ok(addBobbin, { body: { code: "CROWD" } });
  const [{ sum: before }] = await room.source.query("SELECT sum(quantity)::bigint AS sum FROM balance");
  /** Notes of changes that were acknowledged, and of those that were refused. */
  const kept: string[] = [];
  const refused: string[] = [];
  const statuses = new Map<number, number>();
  const act = async (): Promise<void> => {
    const note = `crowd ${randomUUID()}`;
    const lot = chance.pick(lots);
    const params = { id: lot.id };
    const quantity = 1 + chance.below(30);
    const place = lot.placeId;
    const which = chance.below(11);
    const b = chance.pick(batches);
    const of = { params: { id: b.id } };
    const release = async (): Promise<number> => {
      const { version, requirements } = await owner.ok(readBatch, of);
      const status = await owner.send(releaseBatch, { ...of, body: { version } });
      return status === 200
        ? owner.send(pullBatch, { ...of, body: { keys: requirements.map((r) => r.key).slice(0, 3) } })
        : status;
    };
    const key = randomUUID();
    const drawer = chance.pick(["Z1", "Z2"]);
    const moving = [
      () => owner.send(transferLot, { params, key, body: { place, drawer, quantity, note } }),
      () => owner.send(scrapLot, { params, key, body: { place, quantity, note } }),
      () => owner.send(splitLot, { params, key, body: { place, quantity, note } }),
      () =>
        owner.send(countLot, { params, key, body: { place, counted: 200 + quantity, how: "counted" as const, note } }),
    ];
    /** What is told by its status alone: what becomes of it depends on what the others have done. */
    const others = [
      () => owner.send(reserveBatch, of),
      () => owner.send(unreserveBatch, of),
      () => owner.send(mergeLot, { params, body: { into: chance.pick(lots).id, mixDyeLots: true, note: "as one" } }),
      async () => owner.send(takeBackBatch, { ...of, body: { version: (await owner.ok(readBatch, of)).version } }),
      () => owner.send(drawMore, { ...of, body: { key: "hook", quantity: 1 + chance.below(3) } }),
      () =>
        chance.percent(50)
          ? owner.send(unloadBobbin, { params: { id: bobbin } })
          : owner.send(loadBobbin, { params: { id: bobbin }, body: { lot: spool.id, place: spool.placeId } }),
    ];
    const move = moving[which];
    if (!move) {
      const status = await (others[which - moving.length] ?? release)();
      statuses.set(status, (statuses.get(status) ?? 0) + 1);
      return;
    }
    const status = await move();
    statuses.set(status, (statuses.get(status) ?? 0) + 1);
    // Sent again with the same key, as a browser does that has lost the answer: it is done once.
    if (status === 200 && chance.percent(30)) expect(await move()).toBe(200);
    (status === 200 ? kept : refused).push(note);
  };
  const client = async (): Promise<void> => {
    for (let i = 0; i < ACTS_EACH; i++) await act();
  };
  await Promise.all(Array.from({ length: CLIENTS }, client));
  expect(
    [...statuses.keys()].filter((s) => s >= 500),
    "no deadlock and no fault is shown to a person",
  ).toEqual([]);
  expect(kept.length).toBeGreaterThan(100);
  const negative = await room.source.query("SELECT 1 FROM balance b WHERE b.bounded AND b.quantity < 0");
  expect(negative).toEqual([]);
  const overbooked = await room.source.query("SELECT 1 FROM balance WHERE reserved > GREATEST(quantity, 0)");
  expect(overbooked).toEqual([]);
  const [{ sum: after }] = await room.source.query("SELECT sum(quantity)::bigint AS sum FROM balance");
  expect(after, "all movements together are nothing").toBe(before);
  const wrong = await room.source.query(
    `SELECT b.lot_id FROM balance b LEFT JOIN (
       SELECT lot_id, place, sum(q) AS q FROM (
         SELECT lot_id, to_place AS place, quantity AS q FROM movement
         UNION ALL SELECT lot_id, from_place, -quantity FROM movement) m GROUP BY 1, 2) m
     ON m.lot_id = b.lot_id AND m.place = b.place_id WHERE b.quantity <> COALESCE(m.q, 0)`,
  );
  expect(wrong, "every balance is the sum of its movements").toEqual([]);
  const counts = new Map<string, number>();
  for (const { note, n } of await room.source.query(
    `SELECT substring(note FROM 'crowd [0-9a-f-]+') AS note, count(DISTINCT reason || quantity)::int AS n,
       count(*)::int AS rows FROM movement WHERE note LIKE '%crowd %' GROUP BY 1`,
  ))
    counts.set(note, n);
  const counted = await room.source.query("SELECT note FROM stock_count WHERE note LIKE 'crowd %'");
  for (const { note } of counted) counts.set(note, 1);
  expect(
    kept.filter((note) => counts.get(note) !== 1),
    "each acknowledged change is there, once",
  ).toEqual([]);
  expect(
    refused.filter((note) => counts.has(note)),
    "no refused one is",
  ).toEqual([]);
  expect(new Set(counted.map((c: { note: string }) => c.note)).size, "no count twice").toBe(counted.length);
}, 120_000);

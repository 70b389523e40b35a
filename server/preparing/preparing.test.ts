import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { editBatch, listBatches, readBatch, reserveBatch, type BatchDetail } from "@kasten/contract/batches";
import { catalogue } from "@kasten/contract/catalogue";
import { listPreparations, makeStock, prepareTogether } from "@kasten/contract/preparing";
import { readLot, readStock } from "@kasten/contract/stock";
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

const read = (id: string): Promise<BatchDetail> => owner.ok(readBatch, { params: { id } });
const stockOf = (id: string) => owner.ok(readStock, { params: { id } });
const lotOf = async (material: string) => {
  const lot = (await stockOf(material)).lotList.find((l) => !l.inKit && !l.bobbin && l.quantity > l.reserved);
  if (!lot) throw new Error(`none of ${material}`);
  return lot;
};
const materialOf = async (form: string): Promise<string> => {
  const [row] = await room.source.query(
    `SELECT m.code FROM material m JOIN lot l ON l.material_code = m.code JOIN balance b ON b.lot_id = l.id
     JOIN place p ON p.id = b.place_id AND p.kind = 'drawer' WHERE m.form = $1 AND b.quantity - b.reserved > 60
     ORDER BY m.code LIMIT 1`,
    [form],
  );
  return (row as { code: string }).code;
};
const holds = async () => {
  for (const [rule, sql] of Object.entries(invariants)) expect(await room.source.query(sql), rule).toEqual([]);
};

describe("what the open batches want prepared", () => {
  test("stands together by what is done to what, and together takes less than apart", async () => {
    const { open } = await owner.ok(listPreparations);
    expect(open.length).toBeGreaterThan(3);
    const shared = open.filter((g) => g.tasks.length > 1);
    expect(shared.length).toBeGreaterThan(0);
    for (const g of shared) expect(g.minutes, g.title).toBeLessThan(g.apart);
  });

  test("is logged for several batches at once, with its minutes, and teaches the room's pace", async () => {
    const { open } = await owner.ok(listPreparations);
    const group = open.find((g) => g.kind !== "mill blend" && g.tasks.length > 1);
    if (!group) throw new Error("no group");
    const batches = group.tasks.map((t) => t.batch);
    const before = await read(batches[0] ?? "");
    const { kind, material } = group;
    const body = { kind, material, batches, minutes: group.minutes * 3, note: "with music" };
    const { run } = await owner.ok(prepareTogether, { body });
    const after = await read(batches[0] ?? "");
    const task = (b: BatchDetail) => b.prep.find((t) => t.kind === kind && t.title.length > 0);
    expect(after.prep.filter((t) => t.kind === kind).some((t) => t.done)).toBe(true);
    expect(task(after)?.minutes).toBeGreaterThan(task(before)?.minutes ?? 0);
    const now = await owner.ok(listPreparations);
    expect(now.runs[0]).toMatchObject({ id: run, minutes: group.minutes * 3, note: "with music" });
    expect(now.runs[0]?.batches.map((b) => b.id).sort()).toEqual([...batches].sort());
    expect(now.open.some((g) => g.kind === kind && g.material === material)).toBe(false);
    expect((await owner.refused(prepareTogether, { body })).detail).toMatch(/logged that .* already/);
    const nothing = { kind, material: "MOON", batches };
    expect((await owner.refused(prepareTogether, { body: nothing })).status).toBe(404);
  });

  test("of a blend is one charge for all, no less than the mill's least; what is lost in the mill is noted", async () => {
    const { open } = await owner.ok(listPreparations);
    const group = open.find((g) => g.kind === "mill blend");
    if (!group) throw new Error("nothing to mill");
    const batches = group.tasks.map((t) => t.batch);
    const { kind, material } = group;
    const known = (await owner.ok(catalogue)).materials.find((m) => m.code === material);
    const least = (known?.blend?.leastChargeMg ?? 0) * 1000;
    const before = (await stockOf(material)).quantity;
    const all = { kind, material, batches };
    const over = await owner.refused(prepareTogether, { body: { ...all, out: least * 50 } });
    expect(over.errors?.[0]).toMatchObject({ path: "out", detail: expect.stringContaining("Weigh it again") });
    const out = least - 40_000;
    const { run } = await owner.ok(prepareTogether, { body: { ...all, out, how: { passes: 3 } } });
    expect((await stockOf(material)).quantity).toBe(before + out);
    const made = (await owner.ok(listPreparations)).runs.find((r) => r.id === run);
    expect(made?.how.passes).toBe(3);
    expect(made?.how.lostMg).toBeGreaterThan(30);
    expect(made?.lots).toHaveLength(1);
    await holds();
  });
});

describe("what is left of earlier charges", () => {
  test("goes into the next one, and so much less is milled afresh", async () => {
    const { order } = await orderedBatch(owner, "70dz Copper Lodger 12 olive; Hollow Mere Lodge, in 9 weeks");
    const batches = (await owner.ok(listBatches, { query: { limit: 200 } })).batches
      .filter((b) => b.claims.some((c) => c.orderId === order.id))
      .map((b) => b.id);
    const details = await Promise.all(batches.map(read));
    const issue = details
      .flatMap((b) => b.requirements.filter((r) => r.material === "BL-LODGER"))
      .reduce((sum, r) => sum + r.issue, 0);
    const parts = ["DU-HARE-OL", "DU-SYN-OL"];
    const all = async () => Promise.all(["BL-LODGER", ...parts].map(async (c) => (await stockOf(c)).quantity));
    const [left = 0, ...before] = await all();
    expect(left).toBeGreaterThan(0);
    expect(left).toBeLessThan(issue);
    const work = { kind: "mill blend" as const, material: "BL-LODGER", batches, leftovers: true };
    const { run } = await owner.ok(prepareTogether, { body: work });
    const [made = 0, ...after] = await all();
    // Nothing is lost and nothing is milled twice: what lies there now is what was left, and what left the drawers.
    const fresh = before.reduce((sum, q, i) => sum + q - (after[i] ?? 0), 0);
    expect(made).toBe(left + fresh);
    expect(made).toBeGreaterThanOrEqual(issue);
    expect(made).toBeLessThan(issue * 1.2);
    const lots = (await owner.ok(listPreparations)).runs.find((r) => r.id === run)?.lots;
    const own = await owner.ok(readLot, { params: { id: lots?.[0]?.id ?? "" } });
    // Some batches are served whole by what lies there; what is left beside them went in, too.
    const others = (await stockOf("BL-LODGER")).lotList.filter((l) => l.id !== lots?.[0]?.id);
    const stays = others.reduce((sum, l) => sum + l.quantity, 0);
    expect(own.movements[0]?.quantity).toBe(left - stays + fresh);
    expect(stays).toBeLessThan(left);
    await holds();
  });
});

describe("stock made of stock", () => {
  test("beads go on hooks: a part of its own, which a batch can take in place of both", async () => {
    const { batch } = await orderedBatch(owner, "1dz Copper Lodger 14 olive; Hollow Mere Lodge, in 9 weeks").catch(() =>
      orderedBatch(owner, "1dz Lead Line 10 tan; Oxbow and Daughters, in 9 weeks"),
    );
    const planned = await read(batch.id);
    const beads = planned.requirements.find((r) => r.role === "bead" || r.materialName.includes("bead"));
    if (!beads) throw new Error("no bead on it");
    const hook = planned.requirements.find((r) => r.key === "hook");
    const [hooks, bead] = [await lotOf(hook?.material ?? ""), await lotOf(beads.material)];
    const take = (lot: { id: string; placeId: number }, quantity: number, culled = 0) => ({
      lot: lot.id,
      place: lot.placeId,
      quantity,
      culled,
    });
    const body = (quantity: number) => ({
      kind: "bead hooks" as const,
      inputs: [take(hooks, 26, 1), take(bead, 25)],
      output: { quantity },
      minutes: 6,
    });
    const uneven = await owner.refused(makeStock, { body: body(26) });
    expect(uneven.errors?.[0]?.path).toBe("output.quantity");
    const { material, lot } = await owner.ok(makeStock, { body: body(25) });
    expect(await stockOf(material)).toMatchObject({ quantity: 25, form: "made part" });
    const page = await owner.ok(readLot, { params: { id: lot } });
    expect(page.movements[0]).toMatchObject({ reason: "prepared", quantity: 25 });

    const offered = await read(batch.id);
    expect(offered.kitOffers).toEqual([expect.objectContaining({ material, free: 25, taken: false })]);
    const params = { id: batch.id };
    const change = { version: offered.version, kitParts: [material] };
    await owner.ok(editBatch, { params, body: change });
    const now = await read(batch.id);
    expect(now.requirements.find((r) => r.key === "hook")).toMatchObject({ material, issue: hook?.issue });
    expect(now.requirements.some((r) => r.key === beads.key)).toBe(false);
    expect(now.prep.some((t) => t.kind === "bead hooks")).toBe(false);
    await owner.ok(reserveBatch, { params });
    expect((await read(batch.id)).requirements.find((r) => r.key === "hook")?.reserved[0]?.lot).toBe(lot);
    await holds();
  });

  test("weight is wound on beforehand: a part that spares the winding, where the turns are the same", async () => {
    const { batch } = await orderedBatch(owner, "1dz Copper Lodger 12 olive; Hollow Mere Lodge, in 9 weeks");
    const planned = await read(batch.id);
    const of = (key: string) => planned.requirements.find((r) => r.key === key)?.material ?? "";
    const [hooks, bead, wire] = [await lotOf(of("hook")), await lotOf(of("bead")), await lotOf(of("weight"))];
    const take = (lot: { id: string; placeId: number }, quantity: number) => ({
      lot: lot.id,
      place: lot.placeId,
      quantity,
      culled: 0,
    });
    const body = (turns: number | undefined) => ({
      kind: "weight hooks" as const,
      inputs: [take(hooks, 20), take(bead, 20), take(wire, 600_000)],
      output: { quantity: 20 },
      ...(turns !== undefined && { turns }),
    });
    expect((await owner.refused(makeStock, { body: body(undefined) })).errors?.[0]?.path).toBe("inputs");
    const seven = await owner.ok(makeStock, { body: body(7) });
    const six = await owner.ok(makeStock, { body: body(6) });
    expect(six.material).not.toBe(seven.material);
    expect((await owner.ok(makeStock, { body: body(6) })).material).toBe(six.material);
    const offered = await read(batch.id);
    expect(offered.kitOffers.map((k) => [k.material, k.free])).toEqual([[six.material, 40]]);
    const params = { id: batch.id };
    await owner.ok(editBatch, { params, body: { version: offered.version, kitParts: [six.material] } });
    const now = await read(batch.id);
    expect(now.requirements.map((r) => r.key)).not.toContain("weight");
    expect(now.requirements.find((r) => r.key === "hook")?.material).toBe(six.material);
    expect(now.minutes).toBeLessThan(planned.minutes);
    await holds();
  });

  test("dyed: plain lot out, dyed lot in, apart until it is dry, with what it cost and how it was done", async () => {
    const code = await materialOf("hackle");
    const plain = await lotOf(code);
    const before = (await stockOf(code)).quantity;
    const body = {
      kind: "dye" as const,
      inputs: [{ lot: plain.id, place: plain.placeId, quantity: 20, culled: 2 }],
      output: { material: code, quantity: 18, dyeLot: "olive bath 3" },
      apartUntil: "2031-01-01",
      how: { bath: "olive, 70 degrees, ten minutes" },
    };
    const { lot, run } = await owner.ok(makeStock, { body });
    const made = await owner.ok(readLot, { params: { id: lot } });
    const from = await owner.ok(readLot, { params: { id: plain.id } });
    expect(made).toMatchObject({ dyeLot: "olive bath 3", apartUntil: "2031-01-01", origin: from.origin });
    if (from.priceCents !== null && from.priceFor !== null)
      expect(made).toMatchObject({ priceCents: Math.round((from.priceCents * 20) / from.priceFor), priceFor: 18 });
    expect((await stockOf(code)).quantity).toBe(before - 2);
    const { runs } = await owner.ok(listPreparations);
    expect(runs.find((r) => r.id === run)?.how).toEqual({ bath: "olive, 70 degrees, ten minutes" });
    const again = { ...body, inputs: [{ lot, place: made.places[0]?.placeId ?? 0, quantity: 5 }] };
    expect((await owner.refused(makeStock, { body: again })).errors?.[0]?.path).toBe("inputs.0.lot");
    await holds();
  });

  test("what cannot be is told by its field, and nothing moves", async () => {
    const code = await materialOf("dubbing");
    const fur = await lotOf(code);
    const count = await room.source.query("SELECT count(*)::int AS n FROM movement");
    const body = (more: object) => ({
      kind: "other" as const,
      inputs: [{ lot: fur.id, place: fur.placeId, quantity: 50 }],
      output: { material: code, quantity: 50 },
      ...more,
    });
    const path = async (more: object) => (await owner.refused(makeStock, { body: body(more) })).errors?.[0]?.path;
    expect(await path({ output: { material: "MOON", quantity: 1 } })).toBe("output.material");
    expect(await path({ output: { quantity: 1 } })).toBe("output.material");
    expect(await path({ output: { material: code, quantity: 60 } })).toBe("output.quantity");
    expect(await path({ inputs: [{ lot: fur.id, place: fur.placeId, quantity: 5, culled: 6 }] })).toBe(
      "inputs.0.culled",
    );
    expect(await path({ inputs: [{ lot: fur.id, place: fur.placeId, quantity: 5, culled: 5 }] })).toBe("inputs");
    expect(await path({ kind: "bead hooks" })).toBe("inputs");
    const much = [{ lot: fur.id, place: fur.placeId, quantity: 900_000_000_000 }];
    expect((await owner.refused(makeStock, { body: body({ inputs: much }) })).detail).toMatch(/put by for nobody/);
    const lead = await materialOf("weight wire");
    await room.source.query("UPDATE material SET lead = true WHERE code = $1", [lead]);
    const wire = await lotOf(lead);
    const leaded = { inputs: [{ lot: wire.id, place: wire.placeId, quantity: 50 }] };
    expect(await path(leaded)).toBe("output.material");
    expect(await room.source.query("SELECT count(*)::int AS n FROM movement")).toEqual(count);
  });
});

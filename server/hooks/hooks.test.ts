import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { editBatch, listBatches, readBatch, reserveBatch } from "@kasten/contract/batches";
import { catalogue } from "@kasten/contract/catalogue";
import { forgetHookSize, measureHook, saveHook } from "@kasten/contract/hooks";
import { addOrder } from "@kasten/contract/orders";
import { exportPatterns, savePattern, type PatternFile } from "@kasten/contract/patterns";
import { readStock, receiveStock } from "@kasten/contract/stock";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { orderedBatch, typedOrder } from "../testing/orders";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

const model = {
  name: "Slipway Grub",
  family: "nymph" as const,
  bend: "curved" as const,
  shankSteps: 0,
  wireSteps: 0,
  gapeSteps: 0,
  barbless: false,
  points: 1 as const,
  eyeForm: "straight" as const,
  finish: "black",
  wireReason: "",
  near: [],
};

describe("a hook model", () => {
  const absurd: [string, object, string][] = [
    ["a shank of nothing", { size: "12", shank: 0 }, "rows.0.shank"],
    ["a shank of −4 mm", { size: "12", shank: -4 }, "rows.0.shank"],
    ["a wire as thick as a finger", { size: "12", wire: 15 }, "rows.0.wire"],
    ["what is no number", { size: "12", gape: Number.NaN }, "rows.0.gape"],
    ["a field that nobody knows", { size: "12", length: 4 }, "rows.0"],
  ];
  test.each(absurd)("%s is refused by its path", async (_what, row, path) => {
    const refusal = await owner.refused(measureHook, {
      params: { id: "N1" },
      body: { rows: [row as { size: string }] },
    });
    expect(refusal.errors?.map((e) => e.path)).toContain(path);
  });

  test("that is measured in fewer sizes than the pattern has is not promised in the others", async () => {
    await owner.ok(saveHook, { params: { id: "G7" }, body: model });
    await owner.ok(measureHook, { params: { id: "G7" }, body: { rows: [{ size: "12", shank: 9 }] } });
    const c = await owner.ok(catalogue);
    expect(c.hooks.find((h) => h.id === "G7")?.rows.map((r) => r.size)).toEqual(["12"]);
    const text = "1dz Lead Line 10 tan; Oxbow and Daughters, in 6 weeks";
    const { batch } = await orderedBatch(owner, text);
    const params = { id: batch.id };
    const { version } = await owner.ok(readBatch, { params });
    const refusal = await owner.refused(editBatch, { params, body: { version, use: { hook: "G7" } } });
    expect(refusal.detail).toMatch(/10/);
    expect((await owner.ok(readBatch, { params })).use).toEqual({});
  });

  test("taken back size by size is nominal again; a size that was never there is told", async () => {
    await owner.ok(forgetHookSize, { params: { id: "G7", size: "12" } });
    expect((await owner.refused(forgetHookSize, { params: { id: "G7", size: "8" } })).status).toBe(404);
    expect(
      (await owner.refused(measureHook, { params: { id: "NONE" }, body: { rows: [{ size: "12", shank: 9 }] } })).status,
    ).toBe(404);
  });
});

describe("a class of feathers", () => {
  test("whose ends are reversed is refused with the right way round; a proper one is kept", async () => {
    const hackle = (await owner.ok(catalogue)).materials.find((m) => m.form === "hackle")?.code ?? "";
    const send = (barb: [number, number]) => ({ params: { id: hackle }, body: { quantity: 20, lot: "R-1", barb } });
    const refusal = await owner.refused(receiveStock, send([9, 5]));
    expect(refusal.errors).toEqual([{ path: "barb", detail: expect.stringContaining("shorter barb comes first") }]);
    await owner.ok(receiveStock, send([5, 9]));
    const lots = (await owner.ok(readStock, { params: { id: hackle } })).lotList;
    expect(lots.find((l) => l.code === "R-1")?.barb).toEqual([5, 9]);
  });
});

describe("pieces that are not a whole millimetre", () => {
  test.each([64.1, 128.45, 77.7])("cut to %s mm are issued and reserved in whole micrometres", async (mm) => {
    const file = structuredClone(await patternOf("lead-line"));
    const rib = file.recipe.steps.find((s) => s.component === "rib" && s.do === "wind");
    if (rib?.do !== "wind") throw new Error("no rib");
    rib.take = { from: "pieces", pieceMm: mm, gripMm: 5, trimMm: 5 };
    const base = (await owner.ok(catalogue)).patterns.find((p) => p.id === "lead-line")?.version ?? 0;
    await owner.ok(savePattern, {
      params: { id: "lead-line" },
      body: { base, note: `pieces of ${mm}`, pattern: file },
    });
    const order = await owner.ok(addOrder, {
      body: await typedOrder(owner, "7dz Lead Line 14 tan; Oxbow and Daughters, in 9 weeks"),
    });
    const batch = (await owner.ok(listBatches, { query: { limit: 200 } })).batches.find((b) =>
      b.claims.some((c) => c.orderId === order.id),
    );
    const params = { id: batch?.id ?? "" };
    const planned = await owner.ok(readBatch, { params });
    if (planned.patternVersion < planned.newestVersion)
      await owner.ok(editBatch, { params, body: { version: planned.version, renew: true } });
    await owner.ok(reserveBatch, { params });
    const r = (await owner.ok(readBatch, { params })).requirements.find((x) => x.component === "rib");
    expect(r?.issue).toBeGreaterThan(0);
    expect((r?.issue ?? 0) % Math.round(mm * 1000)).toBe(0);
    expect(r?.reserved.reduce((n, x) => n + x.quantity, 0)).toBe(
      Math.min(r?.issue ?? 0, (r?.issue ?? 0) - (r?.short ?? 0)),
    );
  });
  async function patternOf(id: string): Promise<PatternFile> {
    const [file] = (await owner.ok(exportPatterns, { query: { of: [id] } })).patterns;
    if (!file) throw new Error(`no ${id}`);
    return file;
  }
});

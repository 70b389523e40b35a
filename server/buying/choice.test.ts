import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { catalogue } from "@kasten/contract/catalogue";
import { listNeeds, saveMaterial } from "@kasten/contract/materials";
import { planBuying, setSources, type BuyingPlan } from "@kasten/contract/purchasing";
import { gradeLot, readOutlook, readStock, receiveStock, scrapLot } from "@kasten/contract/stock";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { orderedBatch } from "../testing/orders";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

const plan = (stock: "yes" | "no"): Promise<BuyingPlan> => owner.ok(planBuying, { query: { stock } });
const stockOf = (id: string) => owner.ok(readStock, { params: { id } });
/** Changes what is known of a material, as its form would. */
async function know(code: string, more: object): Promise<void> {
  const known = (await owner.ok(catalogue)).materials.find((m) => m.code === code);
  if (!known) throw new Error(`no ${code}`);
  const { version, ...material } = known;
  await owner.ok(saveMaterial, { params: { id: code }, body: { material: { ...material, ...more }, version } });
}

describe("what is bought", () => {
  test("of feathers follows the length that is scarcest on a skin, not their number", async () => {
    await orderedBatch(owner, "6dz Harbour Fleck 14 brown; Hollow Mere Lodge, in 9 weeks");
    const code = "HK-DRY-BN";
    const { share } = await owner.ok(readOutlook, { params: { id: code } });
    const barb = share?.demands.find((d) => d.barb)?.barb;
    if (!barb) throw new Error("nobody asks for a length");
    const middle = (barb[0] + barb[1]) / 2;
    await owner.ok(receiveStock, { params: { id: code }, body: { quantity: 200, lot: "skin 9" } });
    const skin = (await stockOf(code)).lotList.find((l) => l.code === "skin 9");
    if (!skin) throw new Error("no skin");
    const few = { fromMm: middle - 0.1, toMm: middle + 0.1, sampled: 10 };
    const many = { fromMm: barb[1] + 5, toMm: barb[1] + 6, sampled: 90 };
    const body = { place: skin.placeId, total: 200, classes: [few, many] };
    await owner.ok(gradeLot, { params: { id: skin.id }, body });
    for (const l of (await stockOf(code)).lotList)
      if (!l.inKit && l.barb && (l.barb[0] + l.barb[1]) / 2 < barb[1] + 4 && l.quantity > l.reserved)
        await owner.ok(scrapLot, {
          params: { id: l.id },
          body: { place: l.placeId, quantity: l.quantity - l.reserved, note: "moth" },
        });
    const need = (await owner.ok(listNeeds)).needs.find((n) => n.material === code);
    expect(need?.classes.length).toBeGreaterThan(0);
    const wanted = (await plan("no")).wanted.find((w) => w.material === code);
    expect(wanted?.scarce?.asked).toBe(need?.toOrder);
    // A tenth of a skin is as long as is wanted: ten feathers are bought for each.
    expect(wanted?.forBatches).toBeGreaterThan((need?.toOrder ?? 0) * 5);
  });

  test("by its level is ordered once it falls below, whether any was booked or not", async () => {
    const [row] = await room.source.query("SELECT code FROM material WHERE form = 'liquid' ORDER BY code LIMIT 1");
    const { code } = row as { code: string };
    const { quantity } = await stockOf(code);
    await know(code, { orderBelow: quantity + 5_000_000 });
    const wanted = (await plan("yes")).wanted.find((w) => w.material === code);
    expect(wanted?.forStock).toBeGreaterThanOrEqual(5_000_000);
    expect(wanted?.reorderAt).toBeGreaterThanOrEqual(quantity + 5_000_000);
    expect((await plan("no")).wanted.find((w) => w.material === code)?.forStock ?? 0).toBe(0);
  });

  test("is not what nobody makes any more: that is told, and the fly is promised until it is gone", async () => {
    const { needs } = await owner.ok(listNeeds);
    const short = needs.find((n) => n.toOrder > 0 && !n.milled && n.proposal);
    const code = short?.material ?? "";
    await know(code, { standing: "discontinued" });
    const told = await plan("no");
    expect(told.wanted.find((w) => w.material === code)).toMatchObject({ discontinued: true });
    expect(told.uncovered.map((u) => u.material)).toContain(code);
    expect(told.orders.flatMap((o) => o.lines).some((l) => l.material === code)).toBe(false);
  });

  test("of dyed colours is, where that is wished, all that is used until a day, of one dye lot from one supplier", async () => {
    const DAYS = 2000;
    const far = new Date(Date.now() + DAYS * 86_400_000).toISOString().slice(0, 10);
    const near = await plan("no");
    const dyed = new Set(
      (await room.source.query("SELECT DISTINCT material_code AS code FROM lot WHERE dye_lot <> ''")).map(
        (r: { code: string }) => r.code,
      ),
    );
    const season = await owner.ok(planBuying, { query: { stock: "no", dyedUntil: far } });
    const bought = season.wanted.filter((w) => w.until === far);
    expect(bought.length).toBeGreaterThan(0);
    for (const w of bought) {
      expect(dyed.has(w.material), w.material).toBe(true);
      const there = (await stockOf(w.material)).quantity;
      const coming = season.wanted.find((x) => x.material === w.material)?.forBatches ?? 0;
      // So many days at the usual use: what is there and what is bought covers it, and hardly more.
      expect(w.forStock).toBeLessThanOrEqual(Math.ceil(((DAYS + 1) / 7) * (w.perWeek + 1)));
      expect(there + coming + w.forStock).toBeGreaterThanOrEqual(Math.floor(((DAYS + 1) / 7) * (w.perWeek - 1)));
      const from = season.orders.filter((o) => o.lines.some((l) => l.material === w.material));
      expect(from.length, w.material).toBeLessThanOrEqual(1);
    }
    // Everything else is bought as before.
    const plain = (p: BuyingPlan) =>
      p.wanted.filter((w) => !dyed.has(w.material)).map((w) => [w.material, w.forBatches]);
    expect(plain(season)).toEqual(plain(near));
    const past = await owner.ok(planBuying, { query: { stock: "no", dyedUntil: "2020-01-01" } });
    expect(past.wanted.every((w) => w.until === null)).toBe(true);
  });

  test("in some months only is told before they are over, with what the usual use takes until the next", async () => {
    const code = "HK-DRY-BN";
    const [source] = (await stockOf(code)).sources;
    if (!source) throw new Error("nobody sells it");
    const month = new Date().getUTCMonth() + 1;
    const { supplierId: supplier, pack, priceCents, leadDays } = source;
    const season = { from: month, to: month };
    const body = { sources: [{ supplier, pack, priceCents, leadDays, season }] };
    await owner.ok(setSources, { params: { id: code }, body });
    const found = (await plan("yes")).seasons.find((s) => s.material === code);
    expect(found?.again.slice(5, 7)).toBe(String(month).padStart(2, "0"));
    expect((found?.until ?? "") < (found?.again ?? "")).toBe(true);
  });
});

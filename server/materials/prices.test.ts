import { afterAll, beforeAll, expect, test } from "vitest";
import { materialPrices, saveMaterial } from "@kasten/contract/materials";
import { setSources } from "@kasten/contract/purchasing";
import { readStock, receiveStock } from "@kasten/contract/stock";
import { newMaterial } from "@kasten/core/materials";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

const priceOf = async (code: string) => (await owner.ok(materialPrices)).prices.find((p) => p.material === code);

test("what a material costs: nothing that is known, then its cheapest usable source, then what was last paid", async () => {
  const code = "HERL-NEW";
  const material = newMaterial(code, "rust herl", "herl");
  await owner.ok(saveMaterial, { params: { id: code }, body: { material, drawer: "C41", version: 0 } });
  expect(await priceOf(code)).toBeUndefined();

  const [source] = (await owner.ok(readStock, { params: { id: "HK-DRY-BN" } })).sources;
  if (!source) throw new Error("nobody sells it");
  const sold = { supplier: source.supplierId, pack: 50, priceCents: 400, leadDays: 5, usable: 80 };
  await owner.ok(setSources, { params: { id: code }, body: { sources: [sold] } });
  // Fifty for 4.00, of which forty are of use.
  expect(await priceOf(code)).toEqual({ material: code, cents: 10, by: "source" });

  await owner.ok(receiveStock, { params: { id: code }, body: { quantity: 20, lot: "a gift" } });
  expect(await priceOf(code)).toMatchObject({ by: "source" });
  await owner.ok(receiveStock, { params: { id: code }, body: { quantity: 20, lot: "paid", priceCents: 300 } });
  expect(await priceOf(code)).toEqual({ material: code, cents: 15, by: "delivery" });
  await owner.ok(receiveStock, { params: { id: code }, body: { quantity: 10, lot: "free", priceCents: 0 } });
  expect((await owner.ok(materialPrices)).prices.every((p) => p.cents >= 0)).toBe(true);
});

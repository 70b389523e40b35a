import { afterAll, beforeAll, expect, test } from "vitest";
import { readBatch, reserveBatch } from "@kasten/contract/batches";
import { catalogue } from "@kasten/contract/catalogue";
import { listNeeds } from "@kasten/contract/materials";
import { readRecipes, savePattern } from "@kasten/contract/patterns";
import { describeLot, readLot, readStock, receiveStock, scrapLot } from "@kasten/contract/stock";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { orderedBatch } from "../testing/orders";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

const quill = "QU-GY";
const lots = async () => (await owner.ok(readStock, { params: { id: quill } })).lotList.filter((l) => !l.inKit);

/** A left wing lot that is known to come from somewhere. */
async function received(lot: string, area: string): Promise<string> {
  await owner.ok(receiveStock, { params: { id: quill }, body: { quantity: 40, lot, side: "left" } });
  const id = (await lots()).find((l) => l.code === lot)?.id ?? "";
  const page = await owner.ok(readLot, { params: { id } });
  await owner.ok(describeLot, { params: { id }, body: { ...page, traits: { area } } });
  return id;
}

/** The newest version of a pattern with the wing taken from somewhere. */
async function askFor(area: string): Promise<void> {
  const id = "chandlers-slip";
  const [found] = (await owner.ok(readRecipes, { query: { of: id as never } })).recipes;
  const entry = (await owner.ok(catalogue)).patterns.find((p) => p.id === id);
  const wing = found?.recipe.components.find((c) => c.role === "wing");
  if (!found || !entry || !wing) throw new Error("no wing");
  wing.area = area;
  const { name, style, origin, species } = entry;
  const pattern = { id, name, style, origin, species, recipe: found.recipe };
  await owner.ok(savePattern, { params: { id }, body: { base: found.version, note: "", pattern } });
}

test("what a recipe takes from one part of the wing is needed, reserved and short apart from the rest", async () => {
  await orderedBatch(owner, "3dz Chandler's Slip 12 grey and yellow; Hollow Mere Lodge, in 9 weeks");
  await askFor("the Lower Wing");
  const { batch } = await orderedBatch(owner, "5dz Chandler's Slip 14 grey and yellow; Hollow Mere Lodge, in 10 weeks");
  const upper = await received("upper 1", "upper wing");
  const lower = await received("lower 1", "lower wing");
  for (const l of await lots())
    if (l.side === "left" && l.id !== upper && l.id !== lower && l.quantity > l.reserved)
      await owner.ok(scrapLot, {
        params: { id: l.id },
        body: { place: l.placeId, quantity: l.quantity - l.reserved, note: "moth" },
      });

  const rows = (await owner.ok(listNeeds)).needs.filter((n) => n.material === quill && n.side === "left");
  const [any, ofLower] = [rows.find((n) => n.area === null), rows.find((n) => n.area === "lower wing")];
  expect(any?.batches.map((b) => b.pattern)).toContain("Chandler's Slip 12");
  expect(ofLower?.batches.map((b) => b.number)).toEqual([batch.number]);
  // The lot of the upper wing is none of what that need can draw on.
  expect(ofLower?.inDrawers).toBe(40);

  const left = (await owner.ok(readBatch, { params: { id: batch.id } })).requirements.find(
    (r) => r.key === "wing:left",
  );
  expect(left?.words).toContain("left feather");
  expect(left?.words).toContain("from the lower wing");
  await owner.ok(reserveBatch, { params: { id: batch.id } });
  const claimed = await Promise.all([upper, lower].map((id) => owner.ok(readLot, { params: { id } })));
  const own = claimed.map((l) =>
    l.places
      .flatMap((p) => p.claims)
      .filter((c) => c.number === batch.number)
      .map((c) => c.quantity),
  );
  expect(own[0]).toEqual([]);
  expect(own[1]?.length).toBe(1);

  await owner.ok(scrapLot, {
    params: { id: lower },
    body: { place: claimed[1]?.places[0]?.placeId ?? 0, quantity: 40 - (own[1]?.[0] ?? 0), note: "moth" },
  });
  const { batch: next } = await orderedBatch(
    owner,
    "4dz Chandler's Slip 14 grey and yellow; Hollow Mere Lodge, in 11 weeks",
  );
  const short = (await owner.ok(listNeeds)).needs.find((n) => n.area === "lower wing" && n.side === "left");
  expect(short?.short).toBeGreaterThan(0);
  expect(short?.toOrder).toBe(short?.short);
  expect(await owner.ok(reserveBatch, { params: { id: next.id } })).toMatchObject({
    short: [expect.stringContaining("grey wing quill, from the lower wing")],
  });
});

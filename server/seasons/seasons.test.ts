import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { listNeeds, listSeasonNeeds, type SeasonNeed } from "@kasten/contract/materials";
import { addOrder, endStanding, setStanding } from "@kasten/contract/orders";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { typedOrder } from "../testing/orders";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

const seasons = () => owner.ok(listSeasonNeeds);
const stands = async (text: string, aheadDays = 60): Promise<string> => {
  const { id } = await owner.ok(addOrder, { body: await typedOrder(owner, text) });
  await owner.ok(setStanding, { params: { id }, body: { aheadDays } });
  return id;
};
const of = (needs: SeasonNeed[], material: string, side: string | null = null) =>
  needs.find((n) => n.material === material && n.side === side);

describe("what standing orders will need", () => {
  test("nothing stands, nothing is asked for", async () => expect((await seasons()).needs).toEqual([]));

  test("is summed apart from the open batches, against what they leave, with the day to order by", async () => {
    const first = await stands("60dz Copper Lodger 12 olive; Hollow Mere Lodge, in 5 weeks", 90);
    const before = (await seasons()).needs;
    const wire = before.find((n) => n.short > 0 && n.proposal);
    if (!wire?.proposal) throw new Error("nothing is short");
    expect(wire.short).toBe(wire.need - wire.free);
    expect(wire.orders.map((o) => o.id)).toEqual([first]);
    // Here on the day on which the order comes up: 90 days ahead of its day.
    const days = (a: string, b: string) => (Date.parse(a) - Date.parse(b)) / 86_400_000;
    expect(days(wire.firstFor, wire.orderBy ?? "")).toBe(90 + wire.proposal.leadDays);

    const second = await stands("60dz Copper Lodger 12 olive; Ida Pellworth, in 3 weeks");
    const after = of((await seasons()).needs, wire.material, wire.side);
    // Twice the flies, in two orders: the earlier one stands first. What is open takes its own before.
    expect(after?.need).toBe(wire.need * 2);
    expect(after?.orders.map((o) => o.id)).toEqual([second, first]);
    expect(after?.free).toBeLessThan(wire.free + 1);
    await owner.ok(endStanding, { params: { id: second } });
    expect(of((await seasons()).needs, wire.material, wire.side)?.need).toBe(wire.need);
    await owner.ok(endStanding, { params: { id: first } });
    expect((await seasons()).needs).toEqual([]);
  });

  test("a blend is milled, and its parts are asked for, where it is not there", async () => {
    const id = await stands("200dz Copper Lodger 12 olive; Hollow Mere Lodge, in 5 weeks");
    const { needs } = await seasons();
    expect(of(needs, "BL-LODGER")).toMatchObject({ milled: true, proposal: null });
    const [hare, synthetic] = [of(needs, "DU-HARE-OL"), of(needs, "DU-SYN-OL")];
    const short = of(needs, "BL-LODGER")?.short ?? 0;
    expect(short).toBeGreaterThan(0);
    // 60 and 40 of a hundred, and a tenth more than is missing.
    expect((hare?.need ?? 0) / short).toBeCloseTo(0.66, 2);
    expect((synthetic?.need ?? 0) / short).toBeCloseTo(0.44, 2);
    await owner.ok(endStanding, { params: { id } });
  });

  test("a line that cannot be reckoned is told, and the others are", async () => {
    const id = await stands("2dz Copper Lodger 12 olive, 3dz Slate Wisp 16 slate; Hollow Mere Lodge, in 5 weeks");
    await room.source.query(
      "UPDATE order_line SET variant = 'moonlight' WHERE order_id = $1 AND pattern_id = 'slate-wisp'",
      [id],
    );
    const { needs, unknown } = await seasons();
    expect(unknown).toEqual([expect.objectContaining({ id, line: "3 dz Slate Wisp 16" })]);
    expect(unknown[0]?.why).toContain("moonlight");
    expect(needs.length).toBeGreaterThan(4);
  });
});

test("a batch waits for the parts of a blend that nobody has", async () => {
  await room.source.query("UPDATE lot SET apart_until = '2035-01-01' WHERE material_code = 'DU-HARE-OL'");
  const text = "90dz Copper Lodger 12 olive; Hollow Mere Lodge, in 9 weeks";
  await owner.ok(addOrder, { body: await typedOrder(owner, text) });
  const { needs } = await owner.ok(listNeeds);
  const hare = needs.find((n) => n.material === "DU-HARE-OL");
  expect(hare?.short).toBeGreaterThan(0);
  expect(hare?.proposal?.supplier).toBeDefined();
});

import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { arrangeDrawers, countLot, findStock, listDrawers, listStock, readStock } from "@kasten/contract/stock";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

const drawers = async () => (await owner.ok(listDrawers)).drawers;

describe("the wall", () => {
  test("stands as a person says, all of it at once, and a drawer is found by its code", async () => {
    const [a, b, c] = await drawers();
    if (!a || !b || !c) throw new Error("no drawers");
    const spot = (d: { id: number }, row: number | null, position: number | null, cabinet = "by the window") => ({
      id: d.id,
      cabinet: row === null ? "" : cabinet,
      row,
      position,
    });
    await owner.ok(arrangeDrawers, { body: { drawers: [spot(a, 1, 2), spot(b, 1, 1), spot(c, 2, 1)] } });
    const now = new Map((await drawers()).map((d) => [d.id, [d.cabinet, d.row, d.position]]));
    expect([now.get(a.id), now.get(b.id), now.get(c.id)]).toEqual([
      ["by the window", 1, 2],
      ["by the window", 1, 1],
      ["by the window", 2, 1],
    ]);
    await owner.ok(arrangeDrawers, { body: { drawers: [spot(a, null, null)] } });
    expect((await drawers()).find((d) => d.id === a.id)).toMatchObject({ cabinet: "", row: null, position: null });
    const { found } = await owner.ok(findStock, { query: { q: a.code } });
    expect(found.some((f) => f.kind === "drawer" && f.id === a.code)).toBe(true);
    const path = async (...wrong: object[]) =>
      (await owner.refused(arrangeDrawers, { body: { drawers: wrong as ReturnType<typeof spot>[] } })).errors?.[0]
        ?.path;
    expect(await path({ ...spot(a, 1, 1), position: null })).toBe("drawers.0.position");
    expect(await path(spot(a, 1, 1, ""))).toBe("drawers.0.cabinet");
    expect(await path(spot(a, 0, 1))).toBe("drawers.0.row");
    expect(await path(spot(a, 1, 1), spot(a, 1, 2))).toBe("drawers");
    const gone = { drawers: [spot(b, 3, 3), spot({ id: 2_000_000 }, 1, 1)] };
    expect((await owner.refused(arrangeDrawers, { body: gone })).detail).toMatch(/taken out meanwhile/);
    expect((await drawers()).find((d) => d.id === b.id)?.row, "nothing was moved").toBe(1);
  });

  test("says how much of what came is left", async () => {
    const full = async () => (await owner.ok(listStock)).items.find((i) => i.code === "HK-DRY-BN")?.full ?? 0;
    expect(await full()).toBeGreaterThan(0.3);
    const { lotList, quantity } = await owner.ok(readStock, { params: { id: "HK-DRY-BN" } });
    const lot = lotList.find((l) => !l.inKit && l.reserved === 0);
    if (!lot) throw new Error("no lot");
    const before = await full();
    const body = { place: lot.placeId, counted: 1, how: "counted" as const };
    await owner.ok(countLot, { params: { id: lot.id }, body });
    const after = await full();
    expect(after).toBeLessThan(before);
    const most = (quantity / before) | 0;
    expect(after).toBeCloseTo((quantity - lot.quantity + 1) / most, 1);
    await owner.ok(countLot, { params: { id: lot.id }, body: { ...body, counted: lot.quantity } });
    expect(await full(), "found again is as full as before").toBeCloseTo(before, 6);
  });
});

import { afterAll, beforeAll, expect, test } from "vitest";
import { endAccess, listPeople, signOut } from "@kasten/contract/team";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";
import { deafStreams } from "../testing/attack/hostile";

let room: TestRoom;
beforeAll(async () => {
  room = await openTestRoom();
});
afterAll(() => room.stop());

/** Until it holds: what comes over the wire takes a moment. */
async function until(holds: () => boolean): Promise<boolean> {
  for (let i = 0; i < 1000 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
  return holds();
}
/** An open stream, and whether it has ended. */
async function listen(client: Client): Promise<{ ended: () => boolean }> {
  const response = await client.raw("GET", "/api/live");
  let ended = false;
  const reader = response.body?.getReader();
  const read = async () => {
    while (reader && !(await reader.read()).done);
    ended = true;
  };
  read().catch(() => (ended = true));
  return { ended: () => ended };
}

test("a stream that does not read what it is sent is closed at a megabyte", async () => {
  const sockets = await deafStreams(room.base, 3);
  expect(await until(() => room.live.isHeard())).toBe(true);
  const much = "SELECT tell_change(0, 'batch', repeat('x', 7000) || g, 'told') FROM generate_series(1, 100) g";
  for (let i = 0; i < 60; i++) await room.source.query(much);
  expect(await until(() => !room.live.isHeard())).toBe(true);
  for (const s of sockets) s.destroy();
});

test("a stream ends with its session, and with its person's access", async () => {
  const [owner, tier, shop] = [await room.signedIn("owner"), await room.signedIn("tier"), await room.signedIn("shop")];
  const [ofOwner, ofTier, ofShop] = [await listen(owner), await listen(tier), await listen(shop)];
  await tier.ok(signOut);
  expect(await until(ofTier.ended)).toBe(true);
  const id = (await owner.ok(listPeople)).people.find((p) => p.role === "shop")?.id ?? "";
  await owner.ok(endAccess, { params: { id } });
  expect(await until(ofShop.ended)).toBe(true);
  expect(ofOwner.ended()).toBe(false);
});

test("of too many pages of one person the oldest gives way", async () => {
  const owner = await room.signedIn("owner");
  const pages: { ended: () => boolean }[] = [];
  for (let i = 0; i < 14; i++) pages.push(await listen(owner));
  expect(await until(() => pages[0]?.ended() === true)).toBe(true);
  expect(pages[13]?.ended()).toBe(false);
});

test("what is told and is no change stops nobody", async () => {
  const owner = await room.signedIn("owner");
  const page = await listen(owner);
  await room.source.query("SELECT pg_notify('kasten', 'nonsense'), pg_notify('kasten', '{\"subject\":1}')");
  expect((await owner.raw("GET", "/api/session")).status).toBe(200);
  expect(page.ended()).toBe(false);
});

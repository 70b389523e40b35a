import type { Page } from "@playwright/test";
import { enterAs, expect, test } from "./room";
import { asAdmin } from "./serve.mjs";

/** As if the database server went away: no new connection is let in, those that are open are cut. */
async function sendAway(database: string): Promise<() => Promise<void>> {
  await asAdmin(
    `ALTER DATABASE ${database} ALLOW_CONNECTIONS false`,
    `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '${database}'`,
  );
  return () => asAdmin(`ALTER DATABASE ${database} ALLOW_CONNECTIONS true`);
}
/** Until the page has asked so often and been told that the database is away. */
async function turnedAway(page: Page, path: string, times: number): Promise<void> {
  for (let i = 0; i < times; i++) await page.waitForResponse((r) => r.url().endsWith(path) && r.status() === 503);
}

test.afterEach(({ room }) => asAdmin(`ALTER DATABASE ${room.database} ALLOW_CONNECTIONS true`));

test("the database goes away for a while: the screens say so, and nothing typed or tallied is lost", async ({
  page,
  request,
  room,
}) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/bench");
  await page.getByRole("link", { name: /Lead Line 12/ }).click();
  await expect(page.getByTestId("good")).toHaveText("0");
  const heard = page.waitForResponse((r) => r.url().endsWith("/api/bench/tallies") && r.ok());
  await page.keyboard.press("Space");
  await heard;
  await expect(page.getByText("on the way to the server")).toBeHidden();

  const bringBack = await sendAway(room.database);
  await expect(page.getByRole("status").filter({ hasText: "is away" })).toBeVisible();
  expect((await request.get("/api/health")).status()).toBe(503);
  for (let i = 0; i < 5; i++) await page.keyboard.press("Space");
  await expect(page.getByTestId("good")).toHaveText("6");
  await expect(page.getByText(/5 tallies are kept here/)).toBeVisible();
  await page.reload();
  await turnedAway(page, "/api/session", 4);
  await bringBack();

  await expect(page.getByTestId("good")).toHaveText("6", { timeout: 20_000 });
  await expect(page.getByText("on the way to the server")).toBeHidden({ timeout: 20_000 });
  await expect(page.getByRole("status").filter({ hasText: "is away" })).toBeHidden();

  await page.goto("/orders");
  const text = page.getByRole("textbox", { name: "Write an order" });
  await text.fill("3dz Slate Wisp 16 amber; Ida Pellworth, in 9 weeks");
  // A promise leans on the plan, which a busy machine makes in its own time.
  await expect(page.getByText(/held by/).first()).toBeVisible({ timeout: 60_000 });
  const back = await sendAway(room.database);
  const twice = turnedAway(page, "/api/orders", 2);
  await page.getByRole("button", { name: "Save the order" }).click();
  await twice;
  await expect(text).toHaveText(/Slate Wisp 16 amber/);
  await back();
  await expect(page.getByText("Order saved")).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole("row", { name: /Ida Pellworth.*Slate Wisp 16/ })).toHaveCount(1);
});

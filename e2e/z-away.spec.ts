import { expect, test } from "@playwright/test";
import pg from "pg";
import { enterAs } from "./room";

/** As if the database server went away: no new connection is let in, those that are open are cut. */
async function sendAway(admin: pg.Client): Promise<() => Promise<void>> {
  await admin.query("ALTER DATABASE e2e_room ALLOW_CONNECTIONS false");
  await admin.query("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = 'e2e_room'");
  return async () => void (await admin.query("ALTER DATABASE e2e_room ALLOW_CONNECTIONS true"));
}

test.afterEach(async () => {
  const admin = new pg.Client({ connectionString: process.env.TEST_POSTGRES });
  await admin.connect();
  await admin.query("ALTER DATABASE e2e_room ALLOW_CONNECTIONS true");
  await admin.end();
});

test("the database goes away for ten seconds: the screens say so, and nothing typed or tallied is lost", async ({
  page,
  request,
}) => {
  expect(process.env.TEST_POSTGRES, "npm test starts the PostgreSQL that this test sends away").toBeDefined();
  const admin = new pg.Client({ connectionString: process.env.TEST_POSTGRES });
  await admin.connect();
  await enterAs(page, "Maren Holt");
  await page.goto("/bench");
  await page.getByRole("link", { name: /Lead Line 12/ }).click();
  await expect(page.getByTestId("good")).toHaveText("0");
  await page.keyboard.press("Space");
  await expect(page.getByText("on the way to the server")).toBeHidden();

  const bringBack = await sendAway(admin);
  await expect(page.getByRole("status").filter({ hasText: "is away" })).toBeVisible();
  expect((await request.get("/api/health")).status()).toBe(503);
  for (let i = 0; i < 5; i++) await page.keyboard.press("Space");
  await expect(page.getByTestId("good")).toHaveText("6");
  await expect(page.getByText(/5 tallies are kept here/)).toBeVisible();
  await page.reload();
  await page.waitForTimeout(10_000);
  await bringBack();

  await expect(page.getByTestId("good")).toHaveText("6", { timeout: 20_000 });
  await expect(page.getByText("on the way to the server")).toBeHidden({ timeout: 20_000 });
  await expect(page.getByRole("status").filter({ hasText: "is away" })).toBeHidden();

  await page.goto("/orders");
  const text = page.getByLabel("Write an order in one line, or paste several");
  await text.fill("3dz Slate Wisp 16 amber; Ida Pellworth, in 9 weeks");
  await expect(page.getByText(/held by/).first()).toBeVisible();
  const back = await sendAway(admin);
  await page.getByRole("button", { name: "Save the order" }).click();
  await page.waitForTimeout(3000);
  await expect(text).toHaveValue(/Slate Wisp 16 amber/);
  await back();
  await expect(page.getByText("Order saved")).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole("row", { name: /Ida Pellworth.*Slate Wisp 16/ })).toHaveCount(1);
  await admin.end();
});

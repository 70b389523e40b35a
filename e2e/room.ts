import { expect, type Page } from "@playwright/test";

/** Signs in by the demo's buttons. */
export async function enterAs(page: Page, name: string): Promise<void> {
  await page.goto("/");
  await page.getByRole("button", { name: new RegExp(name) }).click();
  await expect(page.getByRole("navigation", { name: "Along the bench" })).toBeVisible();
}

/** Once the view has its heading and its data: the live stream never ends, so the network is never idle. */
export async function settled(page: Page): Promise<void> {
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  await expect(page.locator("main table tbody tr, main figure svg, main li, main form").first()).toBeAttached();
  await page.waitForTimeout(250);
}

export const station = (page: Page, name: string) =>
  page
    .getByRole("navigation", { name: "Along the bench" })
    .getByRole("link", { name: new RegExp(name) })
    .click();
export async function leave(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByText("Enter the demo room as")).toBeVisible();
}

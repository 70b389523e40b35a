import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "@playwright/test";
import { enterAs, settled } from "./room";

const screens = [
  "/orders",
  "/batches",
  "/materials",
  "/plan",
  "/bench",
  "/box",
  "/patterns",
  "/patterns/copper-lodger",
  "/patterns/old-pilot",
  "/patterns/rope-walker/edit",
  "/patterns/new",
  "/stock",
  "/stock/HK-DRY-GZ",
  "/hooks",
  "/people",
  "/book",
];

test("every main screen passes WCAG 2.2 AA checks, in light and in dark", async ({ page }) => {
  test.setTimeout(600_000);
  const wrong = (violations: { id: string; nodes: { target: unknown[] }[] }[]) =>
    violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(" "))
          .slice(0, 3)
          .join(" | ")}`,
    );
  /** Every rule in light; in dark what dark can change. */
  const check = async (name: string) => {
    await page.emulateMedia({ colorScheme: "light" });
    expect
      .soft(
        wrong(
          (await new AxeBuilder({ page }).withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]).analyze())
            .violations,
        ),
        name,
      )
      .toEqual([]);
    await page.emulateMedia({ colorScheme: "dark" });
    expect
      .soft(
        wrong(
          (await new AxeBuilder({ page }).withRules(["color-contrast", "link-in-text-block"]).analyze()).violations,
        ),
        `${name}, dark`,
      )
      .toEqual([]);
  };
  await page.goto("/");
  await expect(page.getByText("Enter the demo room as")).toBeVisible();
  await check("sign-in");
  await enterAs(page, "Maren Holt");
  for (const screen of screens) {
    await page.goto(screen);
    await settled(page);
    await check(screen);
  }
  await page.goto("/batches");
  await page
    .getByRole("row", { name: /Slate Wisp 12 slate/ })
    .getByRole("link")
    .first()
    .click();
  await page
    .getByRole("button", { name: /Working of/ })
    .first()
    .waitFor();
  await check("a batch");
  await page
    .getByRole("button", { name: /Working of/ })
    .first()
    .click();
  await check("the working panel");
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: "Bench card" }).click();
  await expect(page.getByRole("heading", { name: "Steps" })).toBeVisible();
  await check("the bench card");
  await page.goBack();
  await page.getByRole("link", { name: "Pull sheet" }).click();
  await expect(page.getByRole("heading", { name: /Pull sheet/ })).toBeVisible();
  await check("the pull sheet");
  await page.goto("/hooks");
  await page.getByRole("button", { name: "Measure it" }).click();
  await check("measuring a hook");
  await page.goto("/bench");
  await page.getByRole("link", { name: /Slate Wisp 12/ }).click();
  await expect(page.getByTestId("good")).toBeVisible();
  await check("the tally");
});

test("no screen stumbles while the answers are still on their way, with an order half typed", async ({ page }) => {
  const errors: string[] = [];
  page.on("pageerror", (e) => errors.push(`${page.url()} ${e.message}`));
  page.on("console", (m) => {
    if (m.type() === "error") errors.push(`${page.url()} ${m.text()}`);
  });
  await enterAs(page, "Maren Holt");
  await page.goto("/orders");
  const text = page.getByLabel("Write an order in one line, or paste several");
  await text.fill("1dz Copper Lodger 12 rust; Hollow Mere Lodge, in 6 weeks");
  await page.route("**/api/**", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 500));
    await route.continue();
  });
  for (const screen of screens) {
    await page.goto(screen);
    await settled(page);
  }
  await page.goto("/orders");
  await expect(text).toHaveValue(/in 6 weeks/);
  await expect(page.getByText("Answer what is asked above")).toBeHidden();
  await expect(page.getByRole("row", { name: /1 dz Copper Lodger/ })).toBeVisible();
  await text.fill("");
  await page.unrouteAll({ behavior: "ignoreErrors" });
  expect(errors).toEqual([]);
});

test("bench and stock work on a phone", async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await enterAs(page, "Tobias Reek");
  for (const screen of [
    "/bench",
    "/stock",
    "/stock/TH-70-OL",
    "/orders",
    "/batches",
    "/patterns",
    "/patterns/copper-lodger",
    "/patterns/rope-walker/edit",
    "/hooks",
  ]) {
    await page.goto(screen);
    await settled(page);
    expect(await page.evaluate("document.documentElement.scrollWidth"), screen).toBeLessThanOrEqual(390);
  }
  await page.goto("/bench");
  await page.getByRole("link", { name: /Slate Wisp 12/ }).click();
  const before = Number(await page.getByTestId("good").textContent());
  await page.getByRole("button", { name: /Good fly/ }).tap();
  await expect(page.getByTestId("good")).toHaveText(String(before + 1));
  for (const name of [/Good fly/, /^Reject/, /^Undo/, /Next/])
    expect((await page.getByRole("button", { name }).boundingBox())?.height).toBeGreaterThanOrEqual(44);
  await context.close();
});

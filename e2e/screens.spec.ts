import type { Page } from "@playwright/test";
import AxeBuilder from "@axe-core/playwright";
import { enterAs, expect, settled, test } from "./room";
import { notWhole } from "./whole";

const screens = [
  "/orders",
  "/batches",
  "/batches/preparations",
  "/materials",
  "/materials?side=order",
  "/plan",
  "/plan/week",
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
  "/room",
  "/room?side=days",
  "/room?side=stations",
  "/room?side=drawers",
  "/room?side=suppliers",
  "/room?side=customers",
  "/room?side=files",
];

const wrong = (violations: { id: string; nodes: { target: unknown[]; failureSummary?: string }[] }[]) =>
  violations.map((v) => {
    const where = v.nodes.map((n) => `${n.target.join(" ")} (${n.failureSummary ?? ""})`).slice(0, 3);
    return `${v.id}: ${where.join(" | ")}`;
  });
/**
 * Rows are made alike, and the strokes of a drawing have no name of their own: the first few stand for the rest,
 * which takes minutes to look at.
 */
const FEW = 4;
const prune = `{
  for (const stroke of document.querySelectorAll("svg path")) stroke.remove();
  for (const list of document.querySelectorAll("main *"))
    for (const more of [...list.children].slice(${FEW})) if (more.tagName === list.children[0].tagName) more.remove();
}`;
/** No screen has a frame within: one pass does, without a second page to gather what several found. */
const look = (page: Page) => new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ["violations"] });
const rules = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"];
/** What another theme can change. */
const ofColour = ["color-contrast", "link-in-text-block"];
/** What another width can change: how large and how near things are, and what is stacked or folded away. */
const ofWidth = [
  ...ofColour,
  "target-size",
  "scrollable-region-focusable",
  "label",
  "button-name",
  "link-name",
  "aria-hidden-focus",
  "aria-valid-attr-value",
  "aria-required-children",
  "list",
  "listitem",
];
/** High enough that no bar stands before what is looked at: what scrolls beneath one is not out of reach. */
const PHONE = { width: 390, height: 4000 };

/** Whole at every width; then all of WCAG in light, on a phone what a width can change, in dark what dark can. */
async function check(page: Page): Promise<void> {
  await page.emulateMedia({ colorScheme: "light" });
  expect.soft(await notWhole(page)).toEqual({});
  const usual = page.viewportSize();
  await page.evaluate(prune);
  expect.soft(wrong((await look(page).withTags(rules).analyze()).violations)).toEqual([]);
  await page.setViewportSize(PHONE);
  // A long list shows more of its rows where there is more room: they come a moment later.
  await page.evaluate("new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))");
  await page.evaluate(prune);
  expect.soft(wrong((await look(page).withRules(ofWidth).analyze()).violations), "on a phone").toEqual([]);
  await page.emulateMedia({ colorScheme: "dark" });
  if (usual) await page.setViewportSize(usual);
  expect.soft(wrong((await look(page).withRules(ofColour).analyze()).violations), "dark").toEqual([]);
}
/** A screen that stands behind another: how a person gets there. */
const behind: Record<string, (page: Page) => Promise<void>> = {
  "a batch": async (page) => {
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
  },
  "the working panel": async (page) => {
    await behind["a batch"]?.(page);
    await page
      .getByRole("button", { name: /Working of/ })
      .first()
      .click();
    await expect(page.getByRole("heading", { name: /^The working/ })).toBeVisible();
  },
  "the bench card": async (page) => {
    await behind["a batch"]?.(page);
    await page.getByRole("link", { name: "Bench card" }).click();
    await expect(page.getByRole("heading", { name: "Steps" })).toBeVisible();
  },
  "the pull sheet": async (page) => {
    await behind["a batch"]?.(page);
    await page.getByRole("link", { name: "Pull sheet" }).click();
    await expect(page.getByRole("heading", { name: /Pull sheet/ })).toBeVisible();
  },
  "a lot that is sorted": async (page) => {
    await page.goto("/stock/HK-DRY-BN");
    await page.getByRole("link", { name: "HK-DRY-BN-A" }).click();
    await page.getByRole("tab", { name: "Sort by size" }).click();
    await page.getByLabel("Class 1 from, mm").waitFor();
  },
  "a stock-take": async (page) => {
    await page.goto("/stock-take");
    await page
      .getByRole("button", { name: "Begin a stock-take" })
      .or(page.getByText(/lots counted\./))
      .first()
      .waitFor();
    const begin = page.getByRole("button", { name: "Begin a stock-take" });
    if (await begin.isVisible()) await begin.click();
    await page.getByRole("button", { name: "Next drawer" }).waitFor();
  },
  "an order to a supplier": async (page) => {
    await page.goto("/materials?side=sent");
    await page
      .getByRole("row", { name: /Plume Wharf/ })
      .getByRole("link")
      .first()
      .click();
    await page.getByRole("button", { name: "Take it in" }).waitFor();
  },
  "measuring a hook": async (page) => {
    await page.goto("/hooks");
    await page.getByRole("button", { name: "Measure it" }).click();
  },
  "the tally": async (page) => {
    await page.goto("/bench");
    await page.getByRole("link", { name: /Slate Wisp 12/ }).click();
    await expect(page.getByTestId("good")).toBeVisible();
  },
};

/** They only look, so they may be looked at side by side. */
test.describe.configure({ mode: "parallel" });

test("sign-in: WCAG 2.2 AA, in light and in dark", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByText("Enter the demo room as")).toBeVisible();
  await check(page);
});

test.describe("does not stumble while answers are on their way, with an order half typed, and is WCAG 2.2 AA:", () => {
  /** One browser window for all, as a person has: what it has loaded stays loaded. */
  let page: Page;
  const errors: string[] = [];
  let held: Promise<void> = Promise.resolve();
  test.beforeAll(async ({ browser, room }) => {
    page = await (await browser.newContext({ baseURL: room.base })).newPage();
    page.on("pageerror", (e) => errors.push(`${page.url()} ${e.message}`));
    page.on("console", (m) => {
      if (m.type() === "error") errors.push(`${page.url()} ${m.text()}`);
    });
    await enterAs(page, "Maren Holt");
    await page.goto("/orders");
    // The plain field that holds its place while the editor loads is not typed into: the editor would come over it.
    const text = page.locator(".cm-content[aria-label='Write an order']");
    await text.fill("1dz Copper Lodger 12 rust; Hollow Mere Lodge, in 6 weeks");
    await expect
      .poll(() => page.evaluate<string>("localStorage.getItem(`kasten.order.new`) ?? ``"))
      .toContain("in 6 weeks");
    await page.route("**/api/**", async (route) => {
      if (!route.request().url().endsWith("/api/session")) await held;
      await route.continue();
    });
  });
  test.afterAll(async () => {
    await page.unrouteAll({ behavior: "ignoreErrors" });
    await page.context().close();
  });

  for (const screen of screens)
    test(screen, async () => {
      errors.length = 0;
      let release: () => void = () => {};
      held = new Promise((resolve) => (release = resolve));
      await page.goto(screen);
      await expect(page.getByRole("main")).toBeVisible();
      release();
      await settled(page);
      if (screen === "/orders") {
        await expect(page.getByRole("textbox", { name: "Write an order" })).toHaveText(/in 6 weeks/);
        await expect(page.getByText("to answer above, then save")).toBeHidden();
        await expect(page.getByRole("row", { name: /1 dz Copper Lodger/ })).toBeVisible();
      }
      expect(errors).toEqual([]);
      await check(page);
    });
  for (const [name, go] of Object.entries(behind))
    test(name, async () => {
      errors.length = 0;
      await go(page);
      await settled(page);
      expect(errors).toEqual([]);
      await check(page);
    });
});

test("the bench works on a phone, in one hand", async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await enterAs(page, "Tobias Reek");
  await page.goto("/bench");
  await page.getByRole("link", { name: /Slate Wisp 12/ }).click();
  const before = Number(await page.getByTestId("good").textContent());
  await page.getByRole("button", { name: /Good fly/ }).tap();
  await expect(page.getByTestId("good")).toHaveText(String(before + 1));
  for (const name of [/Good fly/, /^Reject/, /^Undo/, /Next/])
    expect((await page.getByRole("button", { name }).boundingBox())?.height).toBeGreaterThanOrEqual(44);
  await context.close();
});

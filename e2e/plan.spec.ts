import type { Locator, Page } from "@playwright/test";
import { enterAs, expect, station, test } from "./room";

/** The plan is made anew beside the server: on a busy machine that takes a while. */
const SLOW = { timeout: 60_000 };
/** The first tying in the lanes that can be moved. */
const firstTie = (page: Page): Locator => page.getByRole("button", { name: /: tie, / }).first();
/**
 * The one whose first piece is widest, so that a hand can take hold of it: a few minutes before a pause are a hair
 * wide, and which ties those are depends on the day of the week and on how far the search for the plan came.
 */
async function widestTie(page: Page): Promise<{ number: string; tie: Locator }> {
  await expect(firstTie(page)).toBeVisible();
  // In one look: the plan may be drawn anew, with fewer of them, between two.
  const drawn = await page.getByRole("button", { name: /: tie, / }).evaluateAll((ties) =>
    ties.map((tie) => ({
      label: tie.getAttribute("aria-label") ?? "",
      px: tie.querySelector(".plan-piece")?.getBoundingClientRect().width ?? 0,
    })),
  );
  const { label } = drawn.reduce((a, b) => (b.px > a.px ? b : a));
  const number = /Batch (\d+)/.exec(label)?.[1] ?? "";
  return { number, tie: page.getByRole("button", { name: new RegExp(`Batch ${number},.*: tie, `) }) };
}
const moving = (page: Page): Locator => page.getByRole("region", { name: "Move a batch" });

test("a batch is moved by hand, its cost seen before, and the plan is published", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await station(page, "Plan");
  const standing = page.getByRole("region", { name: "Draft and published plan" });
  let number = "";
  await test.step("drag it: it is tried where the hand is, and what that costs is said", async () => {
    const widest = await widestTie(page);
    const { tie } = widest;
    number = widest.number;
    // What drags it comes after the lanes: until then the hand shows none.
    await expect(tie).toHaveClass(/is-movable/);
    const box = await tie.locator(".plan-piece").first().boundingBox();
    if (!box) throw new Error("nothing is drawn");
    await page.mouse.move(box.x + 4, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + 180, box.y + box.height / 2, { steps: 6 });
    await page.mouse.up();
    await expect(moving(page)).toContainText(`Batch ${number}`);
    await expect(
      moving(page)
        .getByText(/change-over|of 100 cases|Nothing else|Late by|On time/)
        .first(),
    ).toBeVisible();
  });
  await test.step("the arrow keys move it as well, and Escape leaves it", async () => {
    const tie = page.getByRole("button", { name: new RegExp(`Batch ${number},.*: tie, `) });
    await tie.focus();
    const said = moving(page).getByText(/, from .* on:/);
    const before = await said.textContent();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowRight");
    await expect(said).not.toHaveText(before ?? "");
    await page.keyboard.press("Escape");
    await expect(moving(page)).toHaveCount(0);
    await page.keyboard.press("Enter");
    await expect(moving(page)).toContainText(`Batch ${number}`);
  });
  await test.step("given to somebody it is pinned, until it is left to the plan again", async () => {
    await moving(page).getByRole("button", { name: "later" }).click();
    await moving(page).getByRole("button", { name: "Tie it just then" }).click();
    const row = page.getByRole("row", { name: new RegExp(`^${number} `) });
    await expect(row).toContainText("at its time", SLOW);
    // Work that goes on after a pause is drawn in pieces; between them there is nothing to press.
    await page
      .getByRole("button", { name: new RegExp(`Batch ${number},.*pinned`) })
      .locator(".plan-piece")
      .first()
      .click();
    await moving(page).getByRole("button", { name: "Leave it to the plan" }).click();
    await expect(row).not.toContainText("pinned", SLOW);
  });
  await test.step("what is published stays, and says what the next draft would change", async () => {
    await expect(standing).toContainText("No plan is published yet");
    await standing.getByLabel("What it is about, if you like").fill("this week");
    // The draft may just have become another one: then it is looked at once more.
    await expect(async () => {
      await standing.getByRole("button", { name: "Publish the draft" }).click();
      await expect(standing.getByText(/Plan \d+, published|is another one now/).first()).toBeVisible({
        timeout: 60_000,
      });
      await expect(standing).toContainText(/Plan \d+, published/, { timeout: 100 });
    }).toPass();
    await expect(standing).toContainText("this week");
    await page.getByRole("radio", { name: "as published, now" }).click();
    await expect(page.getByRole("button", { name: /: tie, / })).toHaveCount(0);
    await page.getByRole("link", { name: "Week on paper" }).click();
    await expect(page.getByRole("heading", { name: /plan \d+, as it now runs/ })).toBeVisible();
  });
});

test("what if somebody is away is tried without changing anything; a late batch has ways out", async ({ page }) => {
  await enterAs(page, "Ilse Farran");
  await station(page, "Plan");
  await page.getByRole("button", { name: "What if…" }).click();
  await page.getByRole("button", { name: "Try it" }).click();
  await expect(page.getByText(/is away from/)).toBeVisible();
  await expect(page.getByText(/of 100 cases|Late by|Nothing else|change-over\./).first()).toBeVisible();
  await page.getByRole("button", { name: "Ways out" }).first().click();
  await expect(page.getByText(/on time|late by|Nothing that was tried/i).last()).toBeVisible();
});

test("one's own plan is followed from a calendar, at an address that can be ended", async ({ page, request }) => {
  await enterAs(page, "Tobias Reek");
  await page.goto("/people");
  await page.getByRole("button", { name: "Make an address" }).click();
  const address = await page.locator("code").textContent();
  expect(address).toMatch(/\/api\/calendars\/.+\.ics$/);
  const reply = await request.get(address ?? "");
  expect(await reply.text()).toContain("BEGIN:VEVENT");
  await page.getByRole("button", { name: "End it" }).click();
  await expect(page.getByText("no address yet")).toBeVisible();
  expect((await request.get(address ?? "")).status()).toBe(404);
});

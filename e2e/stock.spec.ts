import { enterAs, expect, station, test } from "./room";

test("a skin is found by its code, let go, sorted by a sample, and its classes are shared out", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await test.step("the cabinet asks for what was kept apart; a scanner's code and Enter open it", async () => {
    await page.getByRole("navigation", { name: "Into the cabinet" }).getByRole("link", { name: "Stock" }).click();
    await expect(page.getByText(/kept apart until now/)).toBeVisible();
    const field = page.getByLabel("Find anything, or scan a code");
    await field.fill("moth paper");
    await expect(page.getByRole("list", { name: "Found" }).getByRole("link", { name: /Cape 9/ })).toBeVisible();
    await field.fill("Cape 7");
    await field.press("Enter");
    await expect(page.getByRole("heading", { name: "Lot Cape 7" })).toBeVisible();
  });
  await test.step("it joins its drawer once somebody has looked at it", async () => {
    await page.getByLabel("What you looked at").fill("no moth, a week in the freezer");
    await page.getByRole("button", { name: "Let it join its drawer" }).click();
    await expect(page.getByLabel("What you looked at")).toHaveCount(0);
  });
  await test.step("its feathers become classes with one hand on the ruler", async () => {
    await page.getByRole("tab", { name: "Sort by size" }).click();
    await page.getByLabel("Class 1 from, mm").fill("4.5");
    await page.getByLabel("Class 1 to, mm").fill("5.5");
    await page.getByLabel("No good of class 1").fill("2");
    const sample = page.getByLabel("Feathers of class 1 in the sample");
    await sample.fill("14");
    await sample.press("Enter");
    await page.getByLabel("Feathers of class 2 in the sample").fill("22");
    await page.getByRole("button", { name: "Sort the skin" }).click();
    const classes = page.getByRole("region", { name: "Its classes" });
    await expect(classes.getByRole("link")).toHaveText([/4.5–5.5 mm/, /5.5–6.5 mm/]);
    await expect(page.getByText("Nothing of it is left.")).toBeVisible();
  });
  await test.step("and the material's page shows who gets which", async () => {
    await page.getByRole("link", { name: "stiff dry hackle, brown" }).click();
    const share = page.getByRole("region", { name: "Who gets which feathers" });
    await expect(share.getByRole("link", { name: /Harbour Fleck 14/ }).first()).toBeVisible();
    await expect(page.getByRole("link", { name: "Cape 7 5.5–6.5" })).toBeVisible();
  });
});

test("what is short is ordered, confirmed, taken in, and no longer short", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await station(page, "Materials");
  await expect(page.getByRole("row", { name: /dumbbell eyes/ })).toContainText("short");
  await page.getByRole("tab", { name: "To order" }).click();
  // How far the least price is proved hangs on how much time there was.
  await expect(page.getByText(/in all: no cheaper way to buy it|in all; at best/)).toBeVisible();
  await page.getByRole("button", { name: "Write this order to Anvil Row Hooks" }).click();
  await expect(page.getByRole("heading", { name: /to Anvil Row Hooks/ })).toBeVisible();
  await page.getByRole("button", { name: "Send it" }).click();
  await expect(page.getByText(/as they say/)).toBeVisible();
  await page.getByRole("button", { name: "Read the delivery note" }).click();
  await expect(page.getByLabel("Kept, in pieces").first()).not.toHaveValue("");
  await page.getByRole("button", { name: "Take it in" }).click();
  await expect(page.getByText("received", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "dumbbell eyes, 5 mm" }).first().click();
  await expect(page.getByText("It lasts for all of the coming work.")).toBeVisible();
});

test("a lot is weighed by figures that are typed, and put right with its ±", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/stock/N1-16");
  await page.getByRole("link", { name: "N1-16-A" }).click();
  await page.getByRole("radio", { name: "weighed" }).click();
  await page.getByLabel("In the sample").fill("5");
  await page.getByLabel("It weighs").fill("0.26");
  await page.getByLabel("Empty dish").fill("12");
  await page.getByLabel("All of it").fill("63.5");
  await page.getByLabel("All of it").press("Tab");
  await expect(page.getByRole("status").filter({ hasText: "±" })).toContainText("990");
  await expect(page.getByText(/instead of\s+5\s+in the sample/)).toBeVisible();
  await page.getByRole("button", { name: "Put it right" }).click();
  await expect(page.getByRole("table", { name: "Counts" })).toContainText("weighed");
});

test("a stock-take is begun, stopped in the middle, gone on with, and puts the ledger right at its end", async ({
  page,
}) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/stock-take");
  await page.getByRole("button", { name: "Begin a stock-take" }).click();
  const hooks = page.getByLabel("Yard Nymph hook, size 10, lot N1-10-A, in pieces");
  await hooks.fill("996");
  await hooks.press("Enter");
  await expect(page.getByText("1 of")).toBeVisible();
  await expect(page.getByRole("region", { name: "Drawer A11" })).toContainText("−4");
  await page.reload();
  await expect(page.getByRole("region", { name: "Drawer A12" }), "it goes on where it was left").toBeVisible();
  await page.getByRole("button", { name: "Close it and put the ledger right" }).click();
  await expect(page.getByText("1 put right")).toBeVisible();
  await page.goto("/stock/N1-10");
  await expect(page.getByRole("row", { name: /N1-10-A/ }).first()).toContainText("996");
});

test("a bobbin is loaded, the wall is arranged, and what nobody can name is kept and named later", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await page.getByRole("navigation", { name: "Into the cabinet" }).getByRole("link", { name: "Stock" }).click();
  await test.step("a bobbin", async () => {
    const rack = page.getByRole("region", { name: "Bobbins" });
    await rack.getByLabel("Another bobbin").fill("BB1");
    await rack.getByRole("button", { name: "Add" }).click();
    await rack.getByRole("button", { name: /^Load.*BB1/ }).click();
    await rack.getByRole("combobox").fill("thread 70 denier, grey");
    await page.getByRole("option", { name: /thread 70 denier, grey/ }).click();
    await rack.getByRole("button", { name: /From lot/ }).click();
    await page.getByRole("option").first().click();
    await rack.locator("form button.btn-main").click();
    await expect(rack.getByRole("button", { name: /^Unload.*BB1/ })).toBeVisible();
    await expect(rack.getByRole("link", { name: "thread 70 denier, grey" })).toBeVisible();
  });
  await test.step("the wall", async () => {
    const first = page.getByRole("region", { name: "Cabinet by the door" }).locator("section").first();
    await expect(first).toHaveAccessibleName("Drawer A11");
    await page.getByRole("button", { name: "Arrange the wall" }).click();
    const chip = page.getByRole("button", { name: "A11", exact: true });
    await chip.focus();
    await page.keyboard.press("ArrowRight");
    await page.getByRole("button", { name: "Keep the wall so" }).click();
    await expect(first).toHaveAccessibleName("Drawer A12");
  });
  await test.step("something unidentified", async () => {
    await page.getByRole("button", { name: "Something unidentified" }).click();
    await page.getByLabel("What it looks like").fill("stiff brown neck feathers");
    await page.getByLabel("How much, in pieces").fill("24");
    await page.getByRole("button", { name: "Keep it" }).click();
    await expect(page.getByText("Nobody has said what this is")).toBeVisible();
    await page.getByRole("link", { name: "Say what it is" }).click();
    await page.getByRole("combobox", { name: "It is" }).fill("stiff dry hackle, brown");
    await page.getByRole("option", { name: /stiff dry hackle, brown/ }).click();
    await page.getByRole("button", { name: "Say so" }).click();
    await expect(page.getByRole("heading", { name: /stiff dry hackle, brown/ })).toBeVisible();
    await expect(page.getByRole("link", { name: "FOUND-1-1" })).toBeVisible();
  });
});

test("like preparation is logged once for several batches, and beads go on hooks for the drawer", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await station(page, "Batches");
  await page.getByRole("link", { name: "Prepare several at once" }).click();
  await expect(page.getByRole("heading", { name: "Preparation", level: 1 })).toBeVisible();
  const row = page.getByRole("row", { name: /lengths of copper wire, fine/ });
  await row.getByRole("button", { name: /^Log/ }).click();
  await page.getByLabel("Minutes it took, if known").fill("40");
  await page.getByRole("button", { name: "Log as done" }).click();
  await expect(row).toHaveCount(0);
  await page.getByRole("tab", { name: "Done" }).click();
  await expect(page.getByRole("row", { name: /lengths of copper wire, fine/ })).toContainText("40");
});

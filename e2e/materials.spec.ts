import { choose, enterAs, expect, find, recipeText, test } from "./room";

test("a recipe that comes with a material nobody has: it is put in the cabinet from where it is missing", async ({
  page,
}) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/patterns/new");
  await page.getByLabel("Name", { exact: true }).fill("Tern Reef");
  await page.getByLabel("Style", { exact: true }).fill("wet");
  const told = recipeText(page);

  await test.step("what is not given comes from a parent", async () => {
    await page.getByText("Colours, weights, finish and the rest").click();
    await find(page, "Pattern that it comes from", "slate wisp");
    await page.getByRole("button", { name: "Take from it what is not given here" }).click();
    await expect(page.getByRole("status").filter({ hasText: "Taken from Slate Wisp: " })).toContainText(
      /hook, sizes, finish, minutes a fly/,
    );
    await expect(page.getByLabel("Hook", { exact: true })).toHaveText(/^W1 /);
    await expect(told.line(6)).toBeVisible();
    await expect(page.getByText("Not complete")).toHaveCount(0);
  });

  await test.step("a tail of a material that is not there", async () => {
    const tail = await told.insertBefore("whip finish", "tail: sea moss, 6 fibres, = half shank");
    await expect(page.getByRole("group", { name: "Question" }).getByText(/What is “sea moss”\?/)).toBeVisible();
    await told.setLine(tail, "tail: grey goose fibre, 6 fibres, = half shank");
    await expect(page.getByTestId("new-materials")).toContainText("grey goose fibre");
    await told.line(tail).click();
    await page.getByRole("button", { name: "Ways and details" }).click();
    // The nominal figures of a feather fibre: nobody has counted this one.
    await expect(page.getByRole("definition").filter({ hasText: /6 fibres a fly, 180 a feather/ })).toBeVisible();
  });

  await test.step("what is in doubt holds it back until it is confirmed", async () => {
    const doubt = page.getByRole("group", { name: "The part" }).getByLabel(/^Not sure/);
    await doubt.fill("down or fibre?");
    await doubt.blur();
    await expect(page.getByText("the tail was given with doubt: down or fibre?")).toBeVisible();
    await page.getByRole("button", { name: "Confirmed" }).click();
    await expect(page.getByText("the tail was given with doubt")).toHaveCount(0);
  });

  await test.step("a stretch kept bare, and the step that covers it", async () => {
    await page.getByRole("button", { name: "a bare stretch" }).click();
    await page.getByLabel("bare from").fill("somewhere");
    await page.getByLabel("bare from").blur();
    await expect(page.getByText("Say eye, 1.5 eyes, mid-shank")).toBeVisible();
    await page.getByLabel("bare from").fill("mid-shank");
    await page.getByLabel("bare to").fill("0.7 shank");
    await page.getByLabel("bare to").blur();
    await expect(
      page.getByText(/“floss body” covers \d\.\d mm of the stretch from mid-shank to 0\.7 of the shank/),
    ).toBeVisible();
    await page.getByRole("button", { name: "Take this stretch out" }).click();
    await expect(page.getByText(/covers \d\.\d mm of the stretch/)).toHaveCount(0);
  });

  await page.getByRole("button", { name: "Save the pattern" }).click();
  await expect(page).toHaveURL(/\/patterns\/tern-reef$/);
  await expect(page.getByText(/inherited from its version \d+: steps, hook, sizes/)).toBeVisible();
  await page.goto("/stock/FE-GREGOOFIB");
  await expect(page.getByRole("heading", { name: /grey goose fibre/ })).toBeVisible();
  await page.getByRole("button", { name: "Change what is known" }).click();
  await choose(page, "May it be promised?", "no: custom");
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByLabel("May it be promised?")).toHaveCount(0);
  await page.goto("/patterns/tern-reef");
  await expect(
    page.getByText("grey goose fibre is custom: identify or replace it before this is promised."),
  ).toBeVisible();

  await test.step("and takes no orders meanwhile: told while the order is typed", async () => {
    await page.goto("/orders");
    const text = page.getByRole("textbox", { name: "Write an order" });
    await text.fill("1dz Tern Reef 12; Ida Pellworth, in 9 weeks");
    await expect(page.getByText("grey goose fibre is custom: identify or replace it")).toBeVisible();
    await expect(page.getByRole("button", { name: "Save the order" })).toBeDisabled();
    await text.fill("");
  });
});

test("a blend is mixed by parts, and never from itself", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/stock/BL-LODGER");
  await page.getByRole("button", { name: "Change what is known" }).click();
  const part = page.getByRole("combobox", { name: "Another part of the blend" });
  await part.fill("fine fur, pink");
  await page.getByRole("option", { name: /fine fur, pink/ }).click();
  await expect(page.getByLabel("Parts of fine fur, pink")).toHaveValue("1");
  await page.getByLabel("Parts of fine fur, pink").fill("0.25");
  await page.getByLabel("Parts of fine fur, pink").blur();
  await expect(page.getByText("20%")).toBeVisible();
  await part.fill("Lodger olive blend");
  await page.getByRole("option", { name: /Lodger olive blend/ }).click();
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByRole("alert")).toContainText("would be mixed from itself");
  await page.getByRole("button", { name: "Without Lodger olive blend" }).click();
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(part).toHaveCount(0);
});

test("dressed fuller, on another hook, of another material: quantities, weight and drawing follow", async ({
  page,
}) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/patterns/mole-pier?size=6");
  const weight = page.getByRole("button", { name: "Working of the weight" });
  const mass = async () => Number(await weight.textContent());
  const before = await mass();
  await choose(page, "Dressed", "full");
  await expect.poll(mass).toBeGreaterThan(before);
  await weight.click();
  await expect(page.getByRole("dialog")).toContainText("what is wound and laid");
  await page.keyboard.press("Escape");
  await choose(page, "Dressed", "standard");
  await expect.poll(mass).toBe(before);

  await page.getByRole("button", { name: "Tie it with wool yarn, peat" }).click();
  await expect(page.getByRole("button", { name: "Tie it with wool yarn, peat" })).toHaveText("Taken");
  await expect(page.getByRole("row", { name: /^body wool yarn, peat/ })).toBeVisible();

  await page.goto("/patterns/copper-lodger?size=12");
  await page.getByText(/other hooks? would do at this size/).click();
  await page
    .getByRole("button", { name: /See it on Yard Long Nymph|See it on/ })
    .first()
    .click();
  await expect(page.getByText(/in place of Yard Nymph/)).toBeVisible();
  await page.getByRole("button", { name: "Back to N1" }).click();
  await expect(page.getByText(/in place of Yard Nymph/)).toHaveCount(0);
  const price = page.locator("dt", { hasText: "Price" }).locator("xpath=following-sibling::dd");
  await expect(price).toContainText("29.00");
  await page.getByLabel("with weight").uncheck();
  await expect(price).toContainText("27.50");
});

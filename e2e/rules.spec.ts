import { enterAs, expect, station, test } from "./room";

test("a customer's rule is let pass only by name and with a reason, and that is seen at every later station", async ({
  page,
}) => {
  await enterAs(page, "Maren Holt");
  await test.step("an order that its destination forbids is saved once it is said why", async () => {
    const text = page.getByRole("textbox", { name: "Write an order" });
    await text.fill("1dz Lead Line 12 pink; Lantern Cove Camp, in 20 weeks");
    await expect(page.getByText("has lead in it")).toBeVisible();
    const save = page.getByRole("button", { name: "Save the order" });
    await expect(save).toBeDisabled();
    await page.getByLabel(/Why it is let pass/).fill("For a show case, never fished");
    await save.click();
    await expect(page.getByText("Order saved")).toBeVisible();
    await expect(text).not.toHaveText(/Lantern/);
  });
  await test.step("its batch is not held by it, and tells it", async () => {
    await station(page, "Batches");
    await page
      .getByRole("row", { name: /Lead Line 12.*Lantern Cove Camp/ })
      .getByRole("link")
      .first()
      .click();
    await expect(page.getByText(/Let pass by Maren Holt.*/)).toBeVisible();
    await expect(page.getByText("For a show case, never fished")).toBeVisible();
    await expect(page.getByRole("region", { name: "Against a customer’s rules" })).toHaveCount(0);
  });
  await test.step("a part left out of the flies of one who wants originals holds them, until it is let pass", async () => {
    await station(page, "Batches");
    await page
      .getByRole("row", { name: /Mole Pier 4.*Mallow Strand Hotel/ })
      .getByRole("link")
      .first()
      .click();
    await expect(page.getByText("originals only")).toBeVisible();
    await page.getByRole("checkbox", { name: "with flash" }).uncheck();
    const against = page.getByRole("region", { name: "Against a customer’s rules" });
    await expect(against).toContainText("tied without its flash");
    await expect(page.getByRole("button", { name: "Release to the bench" })).toBeDisabled();
    await against.getByRole("button", { name: "Let it pass" }).click();
    await expect(against).toContainText("Say why, in a few words");
    await against.getByLabel(/Why it is let pass/).fill("They agreed by letter");
    await against.getByRole("button", { name: "Let it pass" }).click();
    await expect(against).toHaveCount(0);
    await expect(page.getByText("They agreed by letter").first()).toBeVisible();
  });
  for (const sheet of ["Pull sheet", "Bench card"])
    await test.step(`it stands on the ${sheet.toLowerCase()}`, async () => {
      await page.getByRole("link", { name: sheet }).click();
      await expect(page.getByRole("heading", { name: "History" })).toHaveCount(0);
      await expect(page.getByText("They agreed by letter")).toBeVisible();
      await page.goBack();
    });
});

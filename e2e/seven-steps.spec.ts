import { enterAs, expect, leave, station, test } from "./room";

test("from a typed order to a boxed dozen", async ({ page }) => {
  const errors: string[] = [];
  page.on("pageerror", (e) => errors.push(e.message));
  page.on("console", (m) => {
    if (m.type() === "error") errors.push(m.text());
  });

  await test.step("1 write the order in one line, mend what was not understood, save it", async () => {
    await enterAs(page, "Petra Lund");
    const text = page.getByRole("textbox", { name: "Write an order" });
    await text.fill("2dz Kopr Logger 12 rust, 1dz 16; Hollow Meer Lodg, in 6 weeks");
    await page.getByRole("button", { name: "Copper Lodger" }).first().click();
    await expect(text).toHaveText(/2dz Copper Lodger 12 rust/);
    await page.getByRole("button", { name: "Hollow Mere Lodge" }).click();
    await expect(text).toHaveText(/Hollow Mere Lodge, in 6 weeks/);
    await expect(page.getByRole("row", { name: /2 dz Copper Lodger weighted 12 rust/ })).toBeVisible();
    await expect(page.getByText(/held by/).first()).toBeVisible();
    await page.getByRole("button", { name: "Save the order" }).click();
    await expect(text).not.toHaveText(/in 6 weeks/);
    await expect(page.getByText("Order saved")).toBeVisible();
    await leave(page);
  });

  await test.step("2 see the batches, split one and merge it again", async () => {
    await enterAs(page, "Maren Holt");
    await station(page, "Batches");
    const rows = page.getByRole("row", { name: /Copper Lodger 12 rust/ });
    await expect(rows).toHaveCount(1);
    await expect(rows.first()).toContainText("Hollow Mere Lodge");
    await rows
      .first()
      .getByRole("button", { name: /^Split/ })
      .click();
    await page.getByRole("button", { name: "Split off" }).click();
    await expect(rows).toHaveCount(2);
    for (const row of await rows.all()) await row.getByRole("checkbox").check();
    await page.getByRole("button", { name: "Merge 2" }).click();
    await expect(rows).toHaveCount(1);
  });

  await test.step("3 open it: materials, the working of a number, the fly to scale", async () => {
    await page
      .getByRole("row", { name: /Copper Lodger 12 rust/ })
      .getByRole("link")
      .first()
      .click();
    await expect(page.getByRole("heading", { level: 1, name: /^Batch \d+/ })).toBeVisible();
    await expect(page.getByRole("img", { name: "Copper Lodger, size 12, side view to scale" })).toBeVisible();
    await page.getByRole("button", { name: /Working of rib/ }).click();
    const panel = page.getByRole("dialog");
    await expect(panel).toContainText("L / σ + bound + trim");
    await expect(panel).toContainText("wound length");
    await page.keyboard.press("Escape");
    await expect(panel).toBeHidden();
  });

  await test.step("4 reserve what is there, release, pull the kit from the sheet", async () => {
    await page.getByRole("button", { name: "Reserve what is there" }).click();
    await expect(page.getByText("ready", { exact: true })).toHaveCount(9);
    await page.getByRole("button", { name: "Release to the bench" }).click();
    await expect(page.getByRole("button", { name: "Take the release back" })).toBeVisible();
    await page.getByRole("link", { name: "Pull sheet" }).click();
    await expect(page.getByRole("heading", { name: /Pull sheet/ })).toBeVisible();
    const pdf = await page.pdf({ format: "A4", printBackground: true });
    expect(pdf.byteLength).toBeGreaterThan(10_000);
    expect(pdf.toString("latin1").match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
    await page.getByRole("button", { name: "Tick all" }).click();
    await page.getByRole("button", { name: /Move \d+ of \d+ into the kit/ }).click();
    await expect(page.getByRole("link", { name: "To the bench" })).toBeVisible();
  });

  await test.step("5 the plan over people's hours, with what is late named", async () => {
    await station(page, "Plan");
    await expect(page.getByText(/does not keep the day promised|do not keep the day promised/)).toBeVisible();
    await expect(page.getByRole("row", { name: /Copper Lodger 12/ }).first()).toBeVisible();
    await expect(page.getByText("breaks a rule")).toHaveCount(0);
  });

  await test.step("6 tally with keys and touch, finish the batch", async () => {
    await station(page, "Bench");
    // Its kit is at the bench: not the next of the same pattern in the plan.
    await page.locator("a[href^='/bench/']").filter({ hasText: "Copper Lodger 12" }).click();
    const good = page.getByTestId("good");
    await expect(good).toHaveText("0");
    for (let i = 0; i < 24; i++) await page.keyboard.press("Space");
    await page.getByRole("button", { name: /Good fly/ }).click();
    await expect(good).toHaveText("25");
    await page.getByRole("heading", { level: 1 }).click();
    await page.keyboard.press("r");
    await page.keyboard.press("2");
    await expect(page.getByTestId("rejected")).toHaveText("1");
    await page.keyboard.press("u");
    await expect(page.getByTestId("rejected")).toHaveText("0");
    await page.getByRole("button", { name: /Undo/ }).click();
    await expect(good).toHaveText("24");
    await page.getByRole("button", { name: "Finish the batch" }).click();
    await expect(page.getByLabel("Used of Yard Nymph, 12, hook")).toHaveValue("24");
    await page.getByRole("button", { name: "Finish the batch" }).click();
    await expect(page.getByRole("heading", { name: "Box", level: 1 })).toBeVisible();
  });

  await test.step("7 box it; the order's history shows who did what", async () => {
    const customer = page.locator("section", { has: page.getByRole("heading", { name: "Hollow Mere Lodge" }) });
    await customer.getByRole("button", { name: "Box Copper Lodger 12", exact: true }).click();
    await expect(customer.getByText("Copper Lodger 12 rust")).toBeVisible();
    await customer.getByRole("button", { name: /Send parcel/ }).click();
    await station(page, "Orders");
    const row = page.getByRole("row", { name: /Copper Lodger 12, Copper Lodger 16/ });
    await row.getByRole("link").click();
    for (const sentence of [
      /Petra Lund.*Wrote order/,
      /Ilse Farran|Maren Holt.*Flies of batch/,
      /Maren Holt.*Boxed 2 dz Copper Lodger 12/,
      /Sent parcel .* 1 dz of order/,
    ])
      await expect(page.getByRole("listitem").filter({ hasText: sentence }).first()).toBeVisible();
  });
  expect(errors).toEqual([]);
});

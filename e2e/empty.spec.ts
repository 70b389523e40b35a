import { expect, test as base, type Locator, type Page } from "@playwright/test";
import { asAdmin, openEmptyRoom } from "./serve.mjs";

/** A hand that counts what it does: each click, each field that is filled, each choice. */
class Hand {
  actions = 0;
  constructor(readonly page: Page) {}
  private async one(deed: () => Promise<unknown>): Promise<void> {
    this.actions++;
    await deed();
  }
  click = (what: Locator) => this.one(() => what.click());
  fill = (what: Locator, text: string) => this.one(() => what.fill(text));
  press = (what: Locator, key: string) => this.one(() => what.press(key));
  /** A line typed where the cursor is. */
  async line(text: string): Promise<void> {
    await this.one(() => this.page.keyboard.insertText(text));
    await this.one(() => this.page.keyboard.press("Enter"));
  }
  button = (name: string | RegExp) => this.click(this.page.getByRole("button", { name }).first());
  link = (name: string | RegExp) => this.click(this.page.getByRole("link", { name }).first());
  label = (name: string, text: string) => this.fill(this.page.getByLabel(name, { exact: true }), text);
  async choose(label: string, option: string | RegExp): Promise<void> {
    await this.click(this.page.getByLabel(label, { exact: true }));
    await this.click(this.page.getByRole("option", { name: option }).first());
  }
  /** A file of one's own: chosen, looked at, taken in. */
  async takeIn(kind: string, name: string, text: string): Promise<void> {
    await this.click(this.page.getByRole("radio", { name: kind }));
    this.actions++;
    const [chooser] = await Promise.all([
      this.page.waitForEvent("filechooser"),
      this.page.getByRole("button", { name: "Choose a CSV file" }).click(),
    ]);
    await chooser.setFiles({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
    await this.button(/^Take in \d+ line/);
    await expect(this.page.getByRole("status").filter({ hasText: `Taken in from ${name}` })).toBeVisible();
  }
}

const materials = `\uFEFFMaterial;Art;Fach;Lieferant;Packung;Preis;Lieferzeit
thread 70 denier olive;thread;A2;Weir Wools;100;2,40;5
pheasant fibre olive;feather fibre;A3;Weir Wools;10;4,50;5
copper wire fine;wire;A2;Weir Wools;25;3,20;5
hare fur olive;dubbing;A4;Weir Wools;2;2,80;5`;
const lots = `material,quantity,lot
thread 70 denier olive,200,T-1
pheasant fibre olive,12,P-1
copper wire fine,10,W-1
hare fur olive,2.5,H-1
R1-12,100,R-1`;

/** An empty room, ended with the test, however that ends. */
const test = base.extend<{ room: Awaited<ReturnType<typeof openEmptyRoom>> }>({
  room: async ({ playwright: _playwright }, use) => {
    const room = await openEmptyRoom("e2e_empty");
    await use(room);
    await room.stop();
    await asAdmin(`DROP DATABASE IF EXISTS ${room.database} WITH (FORCE)`);
  },
});
test.setTimeout(240_000);
test("a small room is set up from nothing, and boxes its first dozen", async ({ browser, room }) => {
  const page = await (await browser.newContext({ baseURL: room.base, acceptDownloads: true })).newPage();
  const errors: string[] = [];
  page.on("pageerror", (e) => errors.push(e.message));
  page.setDefaultTimeout(30_000);
  const hand = new Hand(page);
  /** Goes somewhere and waits until it is there: the page before stays on the screen until then. */
  const goBy = (way: string) => async (name: string) => {
    const link = page.getByRole("navigation", { name: way }).getByRole("link", { name });
    const path = await link.getAttribute("href");
    await hand.click(link);
    await expect(page).toHaveURL((url) => url.pathname === path);
  };
  const drawer = goBy("Into the cabinet");
  const station = goBy("Along the bench");

  await test.step("the link makes the first owner, once", async () => {
    await page.goto(room.link);
    await hand.label("Your name", "Ada Quarry");
    await hand.label("Sign-in name", "ada");
    await hand.label("Password, at least 10 characters", "a long enough one");
    await hand.button("Begin");
    await expect(page.getByText(/No open orders/)).toBeVisible();
    expect(page.url()).not.toContain("begin");
  });

  await test.step("settings and drawers", async () => {
    await drawer("Room");
    await expect(page.getByRole("heading", { name: "To the first batch" })).toBeVisible();
    await hand.label("Name of the room", "Weir Room");
    await hand.button("Keep the settings");
    await expect(page.getByText("what depends on it is made anew")).toBeVisible();
    await hand.click(page.getByRole("tab", { name: "Drawers" }));
    await hand.label("Put up drawers", "A1 to A4");
    await hand.button("Put up");
    await expect(page.getByRole("row", { name: /A4/ })).toBeVisible();
  });

  await test.step("hours", async () => {
    await drawer("People");
    await hand.button(/^Change Ada/);
    await hand.button("Monday to Friday alike");
    await hand.button("Keep");
    await expect(page.getByText("09:00–12:00").first()).toBeVisible();
  });

  await test.step("a hook, with its size in a drawer", async () => {
    await drawer("Hooks");
    await hand.button("New hook model");
    await hand.label("Short code", "R1");
    await hand.label("Name", "River hook");
    await hand.label("Sizes to keep, by comma", "12");
    await hand.label("Drawer of the new sizes", "A1");
    await hand.button("Keep it");
    await expect(page.getByRole("heading", { name: "R1 River hook" })).toBeVisible();
  });

  await test.step("materials, what lies in the drawers, and a customer, from files and by hand", async () => {
    await drawer("Room");
    await hand.click(page.getByRole("tab", { name: "Files" }));
    await hand.takeIn("materials", "materials.csv", materials);
    await hand.takeIn("lots", "lots.csv", lots);
    await hand.click(page.getByRole("tab", { name: "Customers" }));
    await hand.button("New customer");
    await hand.fill(page.getByRole("dialog").getByLabel("Name", { exact: true }), "Mill Pool Lodge");
    await hand.button("Keep the customer");
    await expect(page.getByRole("row", { name: /Mill Pool Lodge/ })).toBeVisible();
  });

  await test.step("a pattern, written as it is said", async () => {
    await drawer("Patterns");
    await hand.link("New pattern");
    await hand.label("Name", "Weir Nymph");
    await hand.label("Style", "nymph");
    await hand.choose("Hook", /^R1 /);
    await hand.label("From size", "12");
    await hand.label("To size", "12");
    await hand.label("Minutes a fly", "4");
    await hand.fill(page.getByLabel(/^Price a dozen/), "24");
    await hand.click(page.locator("#recipe-text.cm-content"));
    for (const line of [
      "thread base: thread 70 denier olive, touching",
      "tail: pheasant fibre olive, 6 fibres, = half shank",
      "rib: copper wire fine, 5 turns",
      "body: hare fur olive, noodle 40 mm sparse",
      "whip finish, 5 turns",
    ])
      await hand.line(line);
    await expect(page.getByText("Every line is understood.")).toBeVisible();
    await hand.button("Colours, weights, finish and the rest");
    await hand.choose("Finish", "none, on purpose");
    await expect(page.getByText("Not complete")).toHaveCount(0);
    await hand.button("Save the pattern");
    await expect(page).toHaveURL(/\/patterns\/weir-nymph$/);
  });

  await test.step("the first order makes the first batch", async () => {
    await station("Orders");
    await hand.fill(
      page.getByRole("textbox", { name: "Write an order" }),
      "1dz Weir Nymph 12; Mill Pool Lodge, in 5 weeks",
    );
    await expect(page.getByRole("row", { name: /1 dz Weir Nymph/ })).toBeVisible();
    await hand.button("Save the order");
    await expect(page.getByText("Order saved")).toBeVisible();
    await station("Batches");
    await expect(page.getByRole("row", { name: /Weir Nymph 12/ })).toBeVisible();
  });
  test.info().annotations.push({ type: "actions to the first batch", description: String(hand.actions) });
  console.log(`From an empty room to its first batch: ${hand.actions} actions`);
  expect(hand.actions).toBeLessThan(90);

  await test.step("it is reserved, released, pulled, tied and boxed", async () => {
    await hand.click(
      page
        .getByRole("row", { name: /Weir Nymph 12/ })
        .getByRole("link")
        .first(),
    );
    await hand.button("Reserve what is there");
    await hand.button("Release to the bench");
    await expect(page.getByRole("button", { name: "Take the release back" })).toBeVisible();
    await hand.link("Pull sheet");
    await hand.button("Tick all");
    await hand.button(/Move \d+ of \d+ into the kit/);
    await hand.link("To the bench");
    for (let i = 0; i < 12; i++) await hand.button(/Good fly/);
    await hand.button("Finish the batch");
    await hand.button("Finish the batch");
    await expect(page.getByRole("heading", { name: "Box", level: 1 })).toBeVisible();
    await hand.button(/^Box Weir Nymph 12/);
    await hand.button(/Send parcel/);
    await expect(page.getByText("Sent", { exact: true })).toBeVisible();
  });
  expect(errors).toEqual([]);
  await page.context().close();
});

import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { ensureChromium } from "./lib/chromium.mjs";
import { ensureModules, root } from "./lib/run.mjs";
import { startPostgres } from "./lib/postgres.mjs";
import { ensureBuilt } from "./lib/serve.mjs";

/** npm run shots: remakes docs/screenshots/ from a fresh demo room, one picture of each main view. */
ensureModules();
ensureChromium("for the pictures");
ensureBuilt();
const { chromium } = await import("@playwright/test");
const folder = join(root, "docs/screenshots");
mkdirSync(folder, { recursive: true });
const database = await startPostgres("test-postgres", { fast: true });
process.env.TEST_POSTGRES = database.url("postgres");
const { asAdmin, makeTemplate, openRoom } = await import("../e2e/serve.mjs");
await makeTemplate("shots_template");
const { base, stop } = await openRoom("shots_room", "shots_template");
const { launchOptions, windowOptions } = await import("../e2e/browser.mjs");
const browser = await chromium.launch(launchOptions);

async function enter(options) {
  const page = await (await browser.newContext({ ...windowOptions, ...options })).newPage();
  await page.goto(base);
  await page.getByRole("button", { name: /Maren Holt/ }).click();
  await page.getByRole("navigation", { name: "Along the bench" }).waitFor();
  return page;
}
async function shot(page, path, name, before) {
  if (path) await page.goto(base + path);
  await page.locator("h1").first().waitFor();
  await before?.();
  await page.waitForTimeout(900);
  // What was typed is shown as it is understood, once that has settled.
  await page.getByText("Reading what is written").waitFor({ state: "hidden" });
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  console.log(`${name}.png`);
}

/** As somebody would send it; one word in it is loose. */
const pasted = `Pier Warden, wet
Hook: W1 10 to 14
Thread: olive 70 denier
Tail: six pheasant tail fibres, half the shank long
Rib: fine copper wire
Body: hare fur dubbed in a tight noodle 45 mm long, from the bend to a third of the shank behind the eye
Counter-wind the rib 5 turns and tie it off
Hackle: a few turns of soft hen hackle, barbs just past the point
[turn the fly and look for gaps]
Whip finish, 5 turns
Finish: clear lacquer, 1 coat`;

async function all() {
  const stranger = await (await browser.newContext(windowOptions)).newPage();
  await stranger.goto(base);
  await stranger.locator("figure svg").waitFor();
  await shot(stranger, undefined, "sign-in");
  const page = await enter({});
  const order = page.getByRole("textbox", { name: "Write an order" });
  await shot(page, "/orders", "orders", async () => {
    await page.locator("#order-text.cm-content").waitFor();
    await order.fill("6dz Copper Lodger 14 olive, 4dz 16; a couple dozen Tar Pupa 14 red; Hollow Mere Lodge, 12 Mar");
    await page.keyboard.press("Escape");
  });
  await order.fill("");
  await shot(page, "/batches", "batches");
  await page
    .getByRole("row", { name: /Copper Lodger 14 olive/ })
    .getByRole("link")
    .first()
    .click();
  await shot(page, undefined, "batch");
  await page.getByRole("button", { name: /Working of rib/ }).click();
  await shot(page, undefined, "working");
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: "Bench card" }).click();
  await page.locator(".bench-card svg").waitFor();
  await shot(page, undefined, "card");
  await page.goBack();
  await page.getByRole("link", { name: "Pull sheet" }).click();
  await page.getByRole("heading", { name: /Pull sheet/ }).waitFor();
  await shot(page, undefined, "pull-sheet");
  for (const [path, name] of [
    ["/materials", "materials"],
    ["/plan", "plan"],
    ["/box", "box"],
    ["/patterns", "patterns"],
    ["/stock", "stock"],
    ["/hooks", "hooks"],
    ["/room?side=stations", "room"],
    ["/book", "book"],
  ])
    await shot(page, path, name);
  await page.goto(`${base}/patterns/new`);
  await page.locator("#recipe-text.cm-content").click();
  await page.keyboard.insertText(pasted);
  await page.keyboard.press("Escape");
  await shot(page, undefined, "editor");
  await page.goto(`${base}/bench`);
  await page.getByRole("link", { name: /Slate Wisp 12/ }).click();
  await page.getByTestId("good").waitFor();
  await shot(page, undefined, "bench");
  const dark = await enter({ colorScheme: "dark" });
  await shot(dark, "/patterns/mole-pier", "pattern-dark");
  const phone = await enter({ viewport: { width: 390, height: 844 } });
  await phone.goto(`${base}/bench`);
  await phone.getByRole("link", { name: /Slate Wisp 12/ }).click();
  await phone.getByTestId("good").waitFor();
  await shot(phone, undefined, "bench-phone");
}

try {
  await all();
} finally {
  await browser.close();
  await stop();
  await asAdmin("DROP DATABASE shots_room", "DROP DATABASE shots_template");
  await database.stop();
}

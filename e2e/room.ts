import { expect, test as base, type Locator, type Page } from "@playwright/test";
import { asAdmin, openRoom, type Room } from "./serve.mjs";
import { TEMPLATE } from "./template";

/** Each file of tests has a demo room of its own: what one does to it another does not see. */
export const test = base.extend<{ room: Room }, { rooms: (file: string) => Promise<Room> }>({
  rooms: [
    async ({ playwright: _playwright }, use, worker) => {
      let open: { file: string; room: Room } | undefined;
      const close = async () => {
        if (!open) return;
        await open.room.stop();
        await asAdmin(`DROP DATABASE IF EXISTS ${open.room.database} WITH (FORCE)`);
      };
      await use(async (file) => {
        if (open?.file === file) return open.room;
        await close();
        open = { file, room: await openRoom(`e2e_room_${worker.parallelIndex}`, TEMPLATE) };
        return open.room;
      });
      await close();
    },
    { scope: "worker", timeout: 60_000 },
  ],
  room: async ({ rooms }, use, info) => use(await rooms(info.file)),
  baseURL: async ({ room }, use) => use(room.base),
});
export { expect } from "@playwright/test";

/** Signs in by the demo's buttons. */
export async function enterAs(page: Page, name: string): Promise<void> {
  await page.goto("/");
  await page.getByRole("button", { name: new RegExp(name) }).click();
  await expect(page.getByRole("navigation", { name: "Along the bench" })).toBeVisible();
}

/** Once the view has its heading, its data and its letters; the live stream never ends, so no network goes idle. */
export async function settled(page: Page): Promise<void> {
  await expect(page.locator("h1").first()).toBeVisible();
  await expect(
    page.locator("main table tbody tr, main figure svg, main li, main form, main [role=radiogroup]").first(),
  ).toBeAttached();
  // Asked anew each time: a predicate that polls inside the page is stopped by the content policy at its second try.
  const still =
    "document.fonts.status === 'loaded' && document.getAnimations().every((a) => a.playState !== 'running')";
  await expect.poll(() => page.evaluate<boolean>(still)).toBe(true);
}

/** Goes to a station and waits until it is there: the one before stays on the screen until then. */
export async function station(page: Page, name: string): Promise<void> {
  await page
    .getByRole("navigation", { name: "Along the bench" })
    .getByRole("link", { name: new RegExp(name) })
    .click();
  await expect(page.getByRole("heading", { level: 1, name: new RegExp(`^${name}`) })).toBeVisible();
}
/** Chooses from a list that opens beside its button, by its label. */
export async function choose(scope: Page | Locator, label: string | RegExp, option: string | RegExp): Promise<void> {
  const page = "page" in scope ? scope.page() : scope;
  await scope.getByLabel(label, { exact: typeof label === "string" }).click();
  await page
    .getByRole("option", { name: option, exact: typeof option === "string" })
    .first()
    .click();
}
/** Finds one in a long list by words of its name. */
export async function find(scope: Page | Locator, label: string, words: string): Promise<void> {
  const page = "page" in scope ? scope.page() : scope;
  await scope.getByRole("combobox", { name: label }).fill(words);
  await page.getByRole("option").first().click();
}
export async function leave(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByText("Enter the demo room as")).toBeVisible();
}

/** The text of a recipe in the editor, its lines, and writing it anew; a line is counted from 1. */
export function recipeText(page: Page) {
  const content = page.locator("#recipe-text.cm-content");
  const lines = async (): Promise<string[]> => content.locator(".cm-line").allInnerTexts();
  const write = async (text: readonly string[]): Promise<void> => {
    await content.click();
    await page.keyboard.press("Control+A");
    await page.keyboard.insertText(text.join("\n"));
    await page.keyboard.press("Escape");
  };
  return {
    content,
    write,
    setLine: async (n: number, text: string) => write((await lines()).with(n - 1, text)),
    /** Puts a line before the one that begins so; the new one's number. */
    insertBefore: async (begin: string, text: string): Promise<number> => {
      const now = await lines();
      const at = now.findIndex((l) => l.startsWith(begin));
      await write(now.toSpliced(at, 0, text));
      return at + 1;
    },
    line: (n: number) => content.locator(".cm-line").nth(n - 1),
  };
}

import { chromium } from "@playwright/test";
import { launchOptions, windowOptions } from "../../e2e/browser.mjs";

const screens = ["/orders", "/batches", "/materials", "/plan", "/bench", "/box", "/patterns", "/stock", "/book"];
const QUIET_MS = 1200;

/** Each screen of a room as a browser has it: its nodes and longest task, and the memory that is held after all. */
export async function measurePages(base) {
  const browser = await chromium.launch(launchOptions);
  const page = await (await browser.newContext({ ...windowOptions, baseURL: base })).newPage();
  await page.addInitScript(() => {
    globalThis.longest = 0;
    new PerformanceObserver((list) => {
      for (const e of list.getEntries()) globalThis.longest = Math.max(globalThis.longest, e.duration);
    }).observe({ type: "longtask", buffered: true });
  });
  await page.goto("/");
  await page.getByRole("button", { name: /Owner: everything/ }).click();
  await page.getByRole("navigation", { name: "Along the bench" }).waitFor();
  const visit = async (path) => {
    await page.goto(path);
    await page.locator("h1").first().waitFor();
    await page.waitForLoadState("load");
    await page.waitForTimeout(QUIET_MS);
    return page.evaluate(() => ({ nodes: document.querySelectorAll("*").length, longest: globalThis.longest }));
  };
  const rows = [];
  for (const path of screens) rows.push({ path, ...(await visit(path)) });
  const heapMb = await memoryOverRounds(page);
  await browser.close();
  return { rows, heapMb };
}

/** The page's memory after each of some rounds through the stations, without loading it anew. */
async function memoryOverRounds(page) {
  const session = await page.context().newCDPSession(page);
  const nav = page.getByRole("navigation", { name: "Along the bench" });
  const heap = [];
  for (let round = 0; round < 4; round++) {
    for (const link of await nav.getByRole("link").all()) {
      await link.click();
      await page.waitForTimeout(400);
    }
    await session.send("HeapProfiler.collectGarbage");
    heap.push((await session.send("Runtime.getHeapUsage")).usedSize / 1e6);
  }
  return heap;
}

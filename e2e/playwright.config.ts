import { defineConfig } from "@playwright/test";
import { launchOptions, windowOptions } from "./browser.mjs";

export default defineConfig({
  testDir: ".",
  // A window waits for its server now and then: one more than the two cores of a small machine fills them.
  workers: 3,
  globalSetup: "./template.ts",
  // Generous: a busy machine may be five times as slow; what hangs is still ended.
  timeout: 240_000,
  expect: { timeout: 60_000 },
  // Only for a browser that hangs by itself: see stalled.ts.
  retries: 1,
  reporter: [["list"], ["./stalled.ts"]],
  outputDir: "../test-results",
  use: {
    ...windowOptions,
    // A trace draws every step twice; a picture of where it failed, and what the page held, is enough.
    screenshot: "only-on-failure",
    launchOptions,
  },
});

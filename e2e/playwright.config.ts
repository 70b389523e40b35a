import { defineConfig } from "@playwright/test";
import { launchOptions, windowOptions } from "./browser.mjs";

export default defineConfig({
  testDir: ".",
  workers: 2,
  globalSetup: "./template.ts",
  // Generous: a busy machine may be three times as slow; what hangs is still ended.
  timeout: 240_000,
  expect: { timeout: 20_000 },
  reporter: [["list"]],
  outputDir: "../test-results",
  use: {
    ...windowOptions,
    // A trace draws every step twice; a picture of where it failed, and what the page held, is enough.
    screenshot: "only-on-failure",
    launchOptions,
  },
});

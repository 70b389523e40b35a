import { defineConfig } from "@playwright/test";

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
    viewport: { width: 1280, height: 800 },
    timezoneId: "Europe/Berlin",
    // A trace draws every step twice; a picture of where it failed, and what the page held, is enough.
    screenshot: "only-on-failure",
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
});

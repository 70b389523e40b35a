import { defineConfig } from "@playwright/test";

const PORT = 4690;

export default defineConfig({
  testDir: ".",
  workers: 1,
  // Generous: a busy machine may be three times as slow; what hangs is still ended.
  timeout: 240_000,
  expect: { timeout: 20_000 },
  reporter: [["list"]],
  outputDir: "../test-results",
  webServer: {
    command: "node e2e/serve.mjs",
    cwd: "..",
    url: `http://127.0.0.1:${PORT}/api/health`,
    timeout: 60_000,
    env: { PORT: String(PORT) },
    gracefulShutdown: { signal: "SIGTERM", timeout: 8000 },
  },
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: "Europe/Berlin",
    trace: "retain-on-failure",
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

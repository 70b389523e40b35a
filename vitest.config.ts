import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    projects: [
      { test: { name: "core", root: "core", include: ["**/*.test.ts"] } },
      { test: { name: "contract", root: "contract", include: ["**/*.test.ts"] } },
      { test: { name: "web", root: "web", include: ["**/*.test.ts"] } },
      {
        test: {
          name: "server",
          root: "server",
          include: ["**/*.test.ts"],
          globalSetup: ["./testing/database.ts"],
          testTimeout: 30_000,
          hookTimeout: 120_000,
          fileParallelism: false,
        },
      },
    ],
    coverage: { provider: "v8", include: ["core/**/*.ts"], exclude: ["**/*.test.ts", "**/*.perf.ts", "core/testing/**"], reporter: ["text-summary"], thresholds: { lines: 95 } },
  },
});

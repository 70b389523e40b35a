import { availableParallelism } from "node:os";
import { defineConfig } from "vitest/config";
import { components } from "./web/components.config.ts";

/**
 * A property test tries hundreds of cases: on a busy machine that may take longer than the five seconds that are usual.
 */
const testTimeout = 30_000;
const setupFiles = [new URL("tools/seeds.ts", import.meta.url).pathname];

export default defineConfig({
  test: {
    // By itself it would leave a core idle: on two that is half of the machine.
    maxWorkers: availableParallelism(),
    projects: [
      { test: { name: "core", root: "core", include: ["**/*.test.ts"], testTimeout, setupFiles, isolate: false } },
      {
        test: {
          name: "contract",
          root: "contract",
          include: ["**/*.test.ts"],
          testTimeout,
          setupFiles,
          isolate: false,
        },
      },
      { test: { name: "house", root: "tools", include: ["**/*.test.ts"], testTimeout, setupFiles } },
      {
        plugins: [components()],
        test: {
          name: "web",
          root: "web",
          include: ["**/*.test.ts"],
          testTimeout,
          setupFiles: [...setupFiles, "./testing/setup.ts"],
          isolate: false,
        },
      },
      {
        test: {
          name: "server",
          isolate: false,
          root: "server",
          include: ["**/*.test.ts"],
          globalSetup: ["./testing/database.ts"],
          testTimeout,
          hookTimeout: 120_000,
          setupFiles: [...setupFiles, "./testing/clock.ts"],
        },
      },
    ],
    coverage: {
      provider: "v8",
      include: ["core/**/*.ts"],
      exclude: ["**/*.test.ts", "**/*.perf.ts", "core/testing/**"],
      reporter: ["text-summary"],
      thresholds: { lines: 95 },
    },
  },
});

import { availableParallelism } from "node:os";
import { defineConfig } from "vitest/config";
import { BaseSequencer, type TestSpecification } from "vitest/node";
import { components } from "./web/components.config.ts";

/**
 * A property test tries hundreds of cases: on a busy machine that may take longer than the five seconds that are usual.
 */
const testTimeout = 30_000;
const setupFiles = [new URL("tools/seeds.ts", import.meta.url).pathname];

/** Files that take longest, by their ends: begun last, one of them would keep a single core busy for half a minute. */
const LONG = [
  "server/attack.test.ts",
  "plans/plans.test.ts",
  "stock/crowd.test.ts",
  "seasons/seasons.test.ts",
  "rehearsal/rehearsal.test.ts",
  "orders/corpus.test.ts",
  "words/corpus/corpus.test.ts",
  "words/sayings/sayings.test.ts",
  "words/phrases/phrases.test.ts",
  "schedule/solve.test.ts",
];
class LongFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const usual = await super.sort(files);
    const isLong = ({ moduleId }: TestSpecification): boolean => LONG.some((end) => moduleId.endsWith(end));
    return [...usual.filter(isLong), ...usual.filter((f) => !isLong(f))];
  }
}

export default defineConfig({
  test: {
    sequence: { sequencer: LongFirst },
    // By itself it would leave a core idle: on two that is half of the machine.
    maxWorkers: availableParallelism(),
    projects: [
      {
        test: {
          name: "core",
          root: "core",
          include: ["**/*.test.ts"],
          testTimeout,
          setupFiles,
          isolate: false,
          provide: { thorough: process.env.FUZZ_SEED !== undefined },
        },
      },
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
          // These wait for the database and for clocks a fifth of their time: one more than there are cores fills it.
          maxWorkers: availableParallelism() + 1,
          sequence: { groupOrder: 1 },
          root: "server",
          include: ["**/*.test.ts"],
          globalSetup: ["./testing/database.ts"],
          // Many rooms are made ready beside each other: one of a few seconds alone may wait long on a slow machine.
          testTimeout: 120_000,
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

import { stripVTControlCharacters } from "node:util";
import type { FullResult, Reporter, TestCase, TestResult } from "@playwright/test/reporter";

/** The end of the log of a click on a page that paints nothing any more: it waits for a second frame for ever. */
const NO_FRAMES = /waiting for element to be visible, enabled and stable\s*$/;

/**
 * A browser that paints no more frames, as happens once in many runs on a machine at its limit, says nothing of the
 * product: such a test is begun anew, once. Whatever else fails at first and holds at the second attempt fails the run.
 */
export default class Stalled implements Reporter {
  private readonly shaky: string[] = [];

  onTestEnd(test: TestCase, result: TestResult): void {
    const isFirst = result.retry === 0 && result.status !== "passed" && result.status !== "skipped";
    const logs = result.errors.map((e) => stripVTControlCharacters(e.message ?? "").trimEnd());
    if (isFirst && !logs.some((log) => NO_FRAMES.test(log)))
      this.shaky.push(test.titlePath().filter(Boolean).join(" › "));
  }

  onEnd({ status }: FullResult): Promise<{ status: FullResult["status"] }> {
    if (status !== "passed" || this.shaky.length === 0) return Promise.resolve({ status });
    console.log(`Failed at the first attempt, though not at the second:\n  ${this.shaky.join("\n  ")}`);
    return Promise.resolve({ status: "failed" });
  }
}

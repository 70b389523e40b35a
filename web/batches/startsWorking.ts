import type { BatchDetail } from "@kasten/contract/batches";
import type { Working } from "@kasten/contract/materials";

/** Why so many flies are started: what was owed, and what the log says of good and rejected ones. */
export function startsWorking(batch: BatchDetail): Working {
  const { owed, good, bad, level, chance, batches } = batch.startsWorking;
  const source = batches > 0 ? ({ from: "learned", batches } as const) : ({ from: "setting" } as const);
  return {
    formula: "Flies to start",
    written: "the smallest n with P(at least T of n are good) ≥ level, good ~ beta-binomial",
    inputs: [
      { name: "T, flies owed", value: owed, unit: "flies", source: { from: "order", where: "claims of the orders" } },
      { name: "good, prior and log", value: good, unit: "flies", source },
      { name: "rejected, prior and log", value: bad, unit: "flies", source },
      { name: "level", value: 100 * level, unit: "%", source: { from: "setting" } },
    ],
    through: [{ name: "chance that they suffice", value: 100 * chance, unit: "%" }],
    result: { name: "to start", value: batch.starts, unit: "flies" },
  };
}

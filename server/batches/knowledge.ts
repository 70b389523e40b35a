import { flyPrior, observe, posterior, type Calibration, type Outcomes } from "@kasten/core/learning";
import type { Knowledge } from "@kasten/core/needs";
import { groupBy } from "@kasten/core/numeric";
import type { Db } from "../database/rows";
import type { BatchUseRow } from "./entities";
import { addOutcome, componentOutcomes, finishedCounts } from "./queries";

/** What finished batches have taught, per pattern and per component. */
export interface Learned {
  outcomes: (pattern: string) => Outcomes & { batches: number };
  knowledge: (pattern: string, level: number) => Knowledge;
}

export async function readLearned(db: Db): Promise<Learned> {
  const byPattern = new Map((await finishedCounts(db)).map((f) => [f.pattern, f]));
  const calibrations = new Map(
    (await componentOutcomes(db)).map((o): [string, Calibration] => [`${o.patternId}|${o.component}`, posterior(o)]),
  );
  return {
    outcomes: (pattern) => {
      const f = byPattern.get(pattern);
      return {
        good: flyPrior.good + (f?.good ?? 0),
        bad: flyPrior.bad + (f?.rejected ?? 0),
        batches: f?.batches ?? 0,
      };
    },
    knowledge: (pattern, level) => ({
      level,
      calibration: (component) => calibrations.get(`${pattern}|${component}`),
    }),
  };
}

/** What a use teaches of the yield: what is measured, not counted, and was computed to begin with. */
export type TaughtUse = Pick<BatchUseRow, "component" | "used" | "computed">;

/** Keeps what a finished batch teaches: its rejects, and what it used of each component. */
export async function learn(
  db: Db,
  batch: { pattern: string; good: number; rejected: number },
  uses: TaughtUse[],
): Promise<void> {
  const flies = batch.good + batch.rejected;
  const taught = uses.filter((u) => u.used > 0 && u.computed !== null && u.computed > 0);
  const observed = [...groupBy(taught, (u) => u.component)].map(([component, list]) => {
    const sum = (of: (u: TaughtUse) => number) => list.reduce((total, u) => total + of(u), 0);
    return { component, ...observe({ flies, actual: sum((u) => u.used), computed: sum((u) => u.computed ?? 0) }) };
  });
  await addOutcome(db, batch.pattern, batch, observed);
}

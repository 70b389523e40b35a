import { calibrate, flyPrior, type Calibration, type Outcomes } from "@kasten/core/learning";
import type { Knowledge } from "@kasten/core/needs";
import { groupBy } from "@kasten/core/numeric";
import type { Db } from "../database/rows";
import { finishedCounts, measuredUses } from "./queries";

/** What finished batches have taught, per pattern and per component. */
export interface Learned {
  outcomes: (pattern: string) => Outcomes & { batches: number };
  knowledge: (pattern: string, level: number) => Knowledge;
}

export async function readLearned(db: Db): Promise<Learned> {
  const byPattern = new Map((await finishedCounts(db)).map((f) => [f.pattern, f]));
  const uses = groupBy(await measuredUses(db), (u) => `${u.pattern}|${u.component}`);
  const calibrations = new Map([...uses].map(([key, list]): [string, Calibration] => [key, calibrate(list)]));
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

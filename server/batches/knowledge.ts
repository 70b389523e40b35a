import { flyPrior, type Outcomes } from "@kasten/core/batches";
import { calibrate, type Calibration, type Knowledge } from "@kasten/core/materials";
import type { EntityManager } from "typeorm";
import { rows } from "../database/source";

/** What finished batches have taught, per pattern and per component. */
export interface Learned {
  outcomes: (pattern: string) => Outcomes & { batches: number };
  knowledge: (pattern: string, level: number) => Knowledge;
}

export async function readLearned(db: EntityManager): Promise<Learned> {
  const flies = await rows<{ pattern: string; good: number; rejected: number; batches: number }>(
    db,
    `SELECT b.pattern_id AS pattern, sum(t.good)::int AS good, sum(t.rejected)::int AS rejected, count(*)::int AS batches
     FROM batch b JOIN tally_count t ON t.batch_id = b.id WHERE b.state = 'finished' GROUP BY b.pattern_id`,
  );
  const uses = await rows<{ pattern: string; component: string; flies: number; actual: number; computed: number }>(
    db,
    `SELECT b.pattern_id AS pattern, u.component, u.flies, sum(u.used) AS actual, sum(u.computed) AS computed
     FROM batch_use u JOIN batch b ON b.id = u.batch_id JOIN material m ON m.code = u.material_code
     WHERE m.unit <> 'count' AND u.used > 0 AND u.computed > 0 GROUP BY b.pattern_id, u.component, b.id, u.flies`,
  );
  const byPattern = new Map(flies.map((f) => [f.pattern, f]));
  const batches = new Map<string, { flies: number; actual: number; computed: number }[]>();
  for (const u of uses)
    batches.set(`${u.pattern}|${u.component}`, [...(batches.get(`${u.pattern}|${u.component}`) ?? []), u]);
  const calibrations = new Map<string, Calibration>([...batches].map(([key, list]) => [key, calibrate(list)]));
  return {
    outcomes: (pattern) => {
      const f = byPattern.get(pattern);
      return { good: flyPrior.good + (f?.good ?? 0), bad: flyPrior.bad + (f?.rejected ?? 0), batches: f?.batches ?? 0 };
    },
    knowledge: (pattern, level) => ({ level, calibration: (component) => calibrations.get(`${pattern}|${component}`) }),
  };
}

import type { PrepPace } from "@kasten/core/batches";
import { flyPrior, observe, posterior, prepPace, type Calibration, type Outcomes } from "@kasten/core/learning";
import type { Knowledge } from "@kasten/core/needs";
import { groupBy } from "@kasten/core/numeric";
import type { Quantity } from "@kasten/core/units";
import type { Db } from "../database/rows";
import type { BatchUseRow } from "./entities";
import { addOutcome, addPieces, componentOutcomes, finishedCounts, loggedPrep, pieceOutcomes } from "./queries";

/** What finished batches have taught, per pattern and per component. */
export interface Learned {
  outcomes: (pattern: string) => Outcomes & { batches: number };
  knowledge: (pattern: string, level: number) => Knowledge;
  /** How much longer than reckoned the room takes for a kind of preparation. */
  prepPace: PrepPace;
}

export async function readLearned(db: Db): Promise<Learned> {
  const byPattern = new Map((await finishedCounts(db)).map((f) => [f.pattern, f]));
  const calibrations = new Map(
    (await componentOutcomes(db)).map((o): [string, Calibration] => [`${o.patternId}|${o.component}`, posterior(o)]),
  );
  const pieces = await pieceOutcomes(db);
  const paces = await loggedPrep(db);
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
      pieces: (material) => pieces.get(material),
    }),
    prepPace: (kind) => prepPace(paces.get(kind) ?? { sumOfLogs: 0, runs: 0 }),
  };
}

/** What a use teaches: of the yield where it is measured, of breakage where whole pieces were counted. */
export interface TaughtUse extends Pick<BatchUseRow, "component" | "used" | "scrapped"> {
  material: string;
  /** Empty where nobody said how much was used: a computed figure teaches nothing. */
  computed: Quantity | null;
  /** Of what is counted in pieces: how much of the stock unit one piece is. */
  piece?: Quantity;
  /** Whether it is measured, so that its yield is learned. */
  isMeasured: boolean;
}

/** Keeps what a finished batch teaches: its rejects, what it used of each component, and how many pieces broke. */
export async function learn(
  db: Db,
  batch: { pattern: string; good: number; rejected: number },
  uses: TaughtUse[],
): Promise<void> {
  const flies = batch.good + batch.rejected;
  const taught = uses.filter((u) => u.used > 0 && u.computed !== null && u.computed > 0);
  const measured = taught.filter((u) => u.isMeasured);
  const observed = [...groupBy(measured, (u) => u.component)].map(([component, list]) => {
    const sum = (of: (u: TaughtUse) => number) => list.reduce((total, u) => total + of(u), 0);
    return { component, ...observe({ flies, actual: sum((u) => u.used), computed: sum((u) => u.computed ?? 0) }) };
  });
  await addOutcome(db, batch.pattern, batch, observed);
  const pieces = taught.flatMap(({ piece, material, used, scrapped }) =>
    piece === undefined ? [] : [{ material, sound: Math.round(used / piece), spoilt: Math.round(scrapped / piece) }],
  );
  await addPieces(
    db,
    [...groupBy(pieces, (x) => x.material)].map(([material, list]) => ({
      material,
      sound: list.reduce((n, x) => n + x.sound, 0),
      spoilt: list.reduce((n, x) => n + x.spoilt, 0),
    })),
  );
}

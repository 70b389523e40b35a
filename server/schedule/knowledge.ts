import { chanceOfEnough } from "@kasten/core/learning";
import { groupBy } from "@kasten/core/numeric";
import { latenessKnown } from "@kasten/core/purchasing";
import type { Knowledge, ScheduleJob, ScheduleResult } from "@kasten/core/schedule";
import type { ComputedBatch, Learned, Timing } from "../batches";
import type { Shortage } from "../needs";
import type { Planning } from "./build";

/** Of preparation, coats, inspection and packing nobody notes minutes: the spread of a guess, in ln minutes. */
const GUESSED_SD = 0.25;
/** Fewer chances than this of so many flies missing are none. */
const LEAST_CHANCE = 0.002;
const MOST_MISSING = 24;

/** How uncertain everything in a plan is, from what finished batches, deliveries and settings tell. */
export function knowledgeOf(planning: Planning, result: ScheduleResult): Knowledge {
  const { learned } = planning.room;
  const who = new Map(result.assignments.map((a) => [a.operation, a.person]));
  const known: Knowledge = { minutes: {}, flies: {}, arrivals: {}, waits: {}, absence: {} };
  for (const p of planning.people) known.absence[p.id] = planning.room.world.settings.awayPercent / 100;
  const jobs = new Map(planning.problem.jobs.map((j) => [j.id, j]));
  for (const c of planning.room.batches) {
    const job = jobs.get(c.batch.id);
    if (job) addBatch(known, job, c, { timing: planning.timing, learned, who });
  }
  addDeliveries(known, planning);
  return known;
}

/** What is known beside a batch: minutes, rejects, and who does each operation. */
interface Around {
  timing: Timing;
  learned: Learned;
  who: ReadonlyMap<string, string>;
}

/** How uncertain the minutes and the flies of a batch are. */
export function addBatch(known: Knowledge, job: ScheduleJob, c: ComputedBatch, { timing, learned, who }: Around): void {
  const left = c.batch.starts - c.batch.good - c.batch.rejected;
  for (const o of job.operations) {
    const person = who.get(o.id);
    if (o.kind !== "tie" || person === undefined) {
      known.minutes[o.id] = { own: GUESSED_SD };
      continue;
    }
    const { own, shares, perFly } = timing.ahead(c, person, left);
    known.minutes[o.id] = { own, shares };
    known.flies[job.id] = { operation: o.id, minutesPerFly: perFly, missing: missingOf(c.batch, learned) };
  }
}

/** How probable it is that at least 1, 2, 3 … flies of a batch must be tied again. */
function missingOf(
  batch: { pattern: string; owed: number; starts: number; good: number; rejected: number },
  learned: Learned,
): number[] {
  const left = batch.starts - batch.good - batch.rejected;
  const owed = batch.owed - batch.good;
  const missing: number[] = [];
  for (let k = 1; k <= Math.min(owed, MOST_MISSING); k++) {
    const chance = 1 - chanceOfEnough(left, owed - k + 1, learned.outcomes(batch.pattern));
    if (chance < LEAST_CHANCE) break;
    missing.push(chance);
  }
  return missing;
}

/** The deliveries that batches wait for, each as late as its supplier has been. */
function addDeliveries(known: Knowledge, planning: Planning): void {
  const { shortages, frame } = planning;
  for (const [batch, waits] of groupBy(shortages, (s) => s.batch))
    known.waits[batch] = waits.flatMap((s) => {
      if (s.arrives === null) return [];
      const supplier = supplierOf(planning, s);
      const name = `${s.material} ${s.arrives}`;
      known.arrivals[name] = {
        at: frame.minuteOf(s.arrives),
        daysLate: latenessKnown(planning.lateness.get(supplier) ?? []),
      };
      return [name];
    });
}

/** Whose delivery it is: of what is on its way on that day, else of who would be asked. */
function supplierOf({ room }: Planning, { material, arrives }: Shortage): string {
  const coming = room.arrivals.get(material)?.find((a) => a.day === arrives);
  return coming?.supplier ?? room.sources.get(material)?.[0]?.supplier ?? "";
}

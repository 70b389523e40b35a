import { format, parseISO } from "date-fns";
import { groupBy } from "@kasten/core/numeric";
import type { ScheduleResult } from "@kasten/core/schedule";
import type { Plan } from "@kasten/contract/schedule";
import { isoInstant, type Db } from "../database/rows";
import { nameOf } from "../team";
import type { Planning } from "./build";
import { planVersionEntity, type PlanVersionRow, type PublishedPlan } from "./entities";

const dayWords = (day: string): string => format(parseISO(day), "EEE d MMM");

/** The plan that was published last. */
export const lastVersion = async (db: Db): Promise<PlanVersionRow | null> =>
  (await db.getRepository(planVersionEntity).find({ order: { number: "DESC" }, take: 1 }))[0] ?? null;

/** A plan as it is kept when it is published. */
export function publishedOf({ origin }: { origin: Date }, plan: Plan): PublishedPlan {
  return {
    origin: isoInstant(origin),
    work: plan.work.map(({ id, person, start, end, batch, kind }) => ({
      operation: id,
      person,
      start,
      end,
      batch,
      kind,
    })),
    batches: plan.batches.map(({ id, number, patternName, size, due, ready, lateDays }) => ({
      id,
      number,
      patternName,
      size,
      due,
      ready,
      lateDays,
    })),
  };
}

/** The published plan with what of it does not hold any more, as the work now runs. */
export async function standingOf(
  db: Db,
  version: PlanVersionRow | null,
  { room, frame }: Planning,
  runs: ScheduleResult | undefined,
): Promise<Plan["published"]> {
  if (!version) return null;
  const open = new Set(room.batches.map((c) => c.batch.id));
  const over = new Map((runs?.completions ?? []).map((c) => [c.job, c]));
  const broken = version.doc.batches.flatMap((b) => {
    if (!open.has(b.id) || b.ready === null) return [];
    const now = over.get(b.id);
    if (!now) return [{ batch: b.id, number: b.number, sentence: "It has no place in the plan any more." }];
    const day = frame.dayOf(now.at - 1);
    if (day <= b.ready) return [];
    const late = now.lateBy > 0 && b.lateDays === 0 ? `, after ${dayWords(b.due)} when it is due` : "";
    return [
      { batch: b.id, number: b.number, sentence: `Ready ${dayWords(day)} instead of ${dayWords(b.ready)}${late}.` },
    ];
  });
  const { number, publishedAt, personId, note } = version;
  return { number, at: isoInstant(publishedAt), by: await nameOf(db, personId), note, broken };
}

/** What publishing a draft would change. */
export function differencesOf({ frame, people }: Planning, { doc }: PlanVersionRow, plan: Plan): Plan["differences"] {
  const names = new Map(people.map((p) => [p.id, p.name]));
  const shift = frame.minuteAt(new Date(doc.origin));
  const after = publishedOf(frame, plan);
  const nameOfPerson = (id: string) => names.get(id) ?? "Somebody who has gone";
  return differencesBetween(doc, after, nameOfPerson, (m) => frame.dayOf(Math.max(0, m + shift)), frame.dayOf);
}

/** Each batch as two plans have it, and in which of them it is. */
interface Compared {
  id: string;
  number: number;
  ready: string | null;
  lateDays: number;
  tier: string | undefined;
  begins: string | undefined;
}

const comparedOf = (
  batches: Pick<Plan["batches"][number], "id" | "number" | "ready" | "lateDays">[],
  work: { batch: string; kind: string; person: string; start: number }[],
  dayOf: (minute: number) => string,
): Map<string, Compared> => {
  const ties = groupBy(
    work.filter((w) => w.kind === "tie"),
    (w) => w.batch,
  );
  const first = new Map<string, number>();
  for (const w of work) first.set(w.batch, Math.min(first.get(w.batch) ?? Infinity, w.start));
  return new Map(
    batches.map(({ id, number, ready, lateDays }) => {
      const minute = first.get(id);
      const begins = minute === undefined ? undefined : dayOf(minute);
      const tiers = ties
        .get(id)
        ?.map((w) => w.person)
        .sort()
        .join(" ");
      return [id, { id, number, ready, lateDays, tier: tiers, begins }];
    }),
  );
};

/** What one plan has otherwise than another, in a sentence for each batch. */
export function differencesBetween(
  before: PublishedPlan,
  after: Pick<PublishedPlan, "batches" | "work">,
  nameOfPerson: (id: string) => string,
  dayBefore: (minute: number) => string,
  dayAfter: (minute: number) => string,
): Plan["differences"] {
  const [was, is] = [
    comparedOf(before.batches, before.work, dayBefore),
    comparedOf(after.batches, after.work, dayAfter),
  ];
  return [...is.values()].flatMap((b) => {
    const a = was.get(b.id);
    const words = a ? changesOf(a, b, nameOfPerson) : ["It is new in the plan."];
    return words.length > 0 ? [{ batch: b.id, number: b.number, sentence: words.join(" ") }] : [];
  });
}

function changesOf(a: Compared, b: Compared, nameOfPerson: (id: string) => string): string[] {
  const named = (tiers: string): string => tiers.split(" ").map(nameOfPerson).join(" and ");
  const words: string[] = [];
  if (a.tier !== b.tier && b.tier !== undefined)
    words.push(
      a.tier === undefined ? `${named(b.tier)} ties it.` : `${named(b.tier)} ties it instead of ${named(a.tier)}.`,
    );
  if (a.ready !== b.ready)
    words.push(
      b.ready === null
        ? "It has no place any more."
        : `Ready ${dayWords(b.ready)}${a.ready === null ? "" : ` instead of ${dayWords(a.ready)}`}.`,
    );
  else if (a.begins !== b.begins && b.begins !== undefined && a.begins !== undefined)
    words.push(`Begun ${dayWords(b.begins)} instead of ${dayWords(a.begins)}.`);
  if (b.lateDays > 0 && a.lateDays === 0) words.push("Late with it.");
  if (b.lateDays === 0 && a.lateDays > 0) words.push("On time with it.");
  return words;
}

import type { PlanSearch } from "@kasten/contract/schedule";
import { In, type DataSource } from "typeorm";
import { isoInstant, type Db } from "../database/rows";
import { Problem } from "../http/problems";
import { logEvent } from "../log";
import { tellParts } from "../outlook";
import { planSearchEntity, SearchControl, type PlanSearchRow, type SearchOutcome } from "../schedule";
import { allPeople } from "../team";

type Who = { id: string };

/** Of a search of which nothing is heard so long after its time was over, nothing will be. */
const GRACE_MS = 120_000;
const TELL_EVERY_MS = 500;
const number = (x: number | string | null): number | null => (x === null ? null : Number(x));

const rowOf = (db: Db): Promise<PlanSearchRow | null> => db.getRepository(planSearchEntity).findOneBy({ one: true });

const isUnderWay = (row: PlanSearchRow): boolean =>
  (row.state === "waiting" || row.state === "running") && Date.now() - row.at.getTime() < row.seconds * 1000 + GRACE_MS;

export async function readSearch(db: Db): Promise<PlanSearch | null> {
  const row = await rowOf(db);
  if (!row) return null;
  const by = (await allPeople(db)).find((p) => p.id === row.personId)?.name ?? "";
  const state = row.state !== "done" && row.state !== "stopped" && !isUnderWay(row) ? "failed" : row.state;
  return {
    state,
    seconds: row.seconds,
    by,
    at: isoInstant(row.at),
    spent: Number(row.spent),
    late: number(row.late),
    lateBefore: number(row.lateBefore),
    lowerBound: number(row.lowerBound),
    outcome: row.outcome,
  };
}

/** Asks for a search. @param send puts it into the queue, in the same transaction */
export async function startSearch(
  db: Db,
  by: Who,
  seconds: number,
  send: (db: Db, seconds: number) => Promise<void>,
): Promise<void> {
  await db.query("SELECT pg_advisory_xact_lock(4686)");
  const row = await rowOf(db);
  if (row && isUnderWay(row))
    throw new Problem(
      "refused",
      "A search is under way",
      "A search is under way already. Wait for it, or stop it first.",
    );
  await db.getRepository(planSearchEntity).save({
    one: true,
    personId: by.id,
    at: new Date(),
    seconds,
    state: "waiting" as const,
    stop: false,
    spent: 0,
    late: null,
    lateBefore: null,
    lowerBound: null,
    outcome: null,
  });
  await send(db, seconds);
  await logEvent(db, by, "plan", "search", "searched", `Had a better plan looked for, for ${seconds} seconds`);
  await tellParts(db, ["search"]);
}

export async function stopSearch(db: Db): Promise<void> {
  const { affected } = await db
    .getRepository(planSearchEntity)
    .update({ one: true, state: In(["waiting", "running"]) }, { stop: true });
  if (!affected) throw new Problem("not-found", "Not found", "No search is under way.");
}

/**
 * Runs the search that was asked for, and keeps up how far it is: pages hear of it.
 * @param search does it, in a thread that shares the control's memory
 */
export async function runSearch(
  source: DataSource,
  search: (seconds: number, control: SearchControl) => Promise<SearchOutcome>,
  failed: (error: unknown) => void,
): Promise<void> {
  const db = source.manager;
  const searches = db.getRepository(planSearchEntity);
  const row = await rowOf(db);
  if (!row || !isUnderWay(row)) return;
  const control = new SearchControl();
  const keep = async (values: Partial<PlanSearchRow>): Promise<void> => {
    await searches.update({ one: true }, values as object);
    await tellParts(db, ["search"]);
  };
  const look = async (): Promise<void> => {
    if ((await rowOf(db))?.stop) control.stop();
    await keep({ ...control.progress });
  };
  if (row.stop) control.stop();
  await keep({ state: "running" });
  const timer = setInterval(() => void look().catch(failed), TELL_EVERY_MS);
  try {
    const outcome = await search(row.seconds, control);
    clearInterval(timer);
    const { isStopped, progress } = control;
    await keep({ ...progress, ...(isStopped ? { state: "stopped" } : { state: "done", spent: 1 }), outcome });
  } catch (error) {
    clearInterval(timer);
    await keep({ state: "failed" });
    throw error;
  }
}

import PgBoss from "pg-boss";
import type { Db } from "../database/rows";

/** Long work that is asked for, waits in the database, and is done by whichever server takes it first. */
export interface Jobs {
  /** Asks for a search; it waits from the moment that the transaction is over. */
  search: (db: Db, seconds: number) => Promise<void>;
  close: () => Promise<void>;
}

const SEARCH = "search-plan";
/** How long a job may wait where another server asked for it; what this one asks for is taken at once. */
const LOOK_EVERY_SECONDS = 2;
/** A job of which nothing is heard so long after its time was over is given to another server, once. */
const GRACE_SECONDS = 90;
const CONNECTIONS = 2;

/**
 * Opens the queue of long work, in a schema of its own beside the room's tables.
 *
 * @param work does a search; what it throws is told and not tried again, as it would fail again
 */
export async function openJobs(
  databaseUrl: string,
  work: { search: () => Promise<void> },
  failed: (error: unknown) => void,
): Promise<Jobs> {
  const boss = new PgBoss({ connectionString: databaseUrl, max: CONNECTIONS, schema: "jobs", schedule: false });
  boss.on("error", failed);
  await boss.start();
  // One at a time, on however many servers.
  await boss.createQueue(SEARCH, { name: SEARCH, policy: "singleton", retryLimit: 1 });
  const worker = await boss.work(SEARCH, { pollingIntervalSeconds: LOOK_EVERY_SECONDS, batchSize: 1 }, () =>
    work.search().catch(failed),
  );
  return {
    search: async (db, seconds) => {
      const executeSql = async (text: string, values: unknown[]) => ({
        rows: (await db.query(text, values)) as unknown[],
      });
      await boss.send(SEARCH, {}, { expireInSeconds: seconds + GRACE_SECONDS, db: { executeSql } });
      // Not before the transaction is over; should it take longer, the next look finds it.
      setTimeout(() => boss.notifyWorker(worker), SOON_MS).unref();
    },
    close: () => boss.stop({ graceful: false, wait: true }),
  };
}
const SOON_MS = 100;

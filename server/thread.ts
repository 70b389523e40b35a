import { setPriority } from "node:os";
import { workerData } from "node:worker_threads";
import type { DataSource } from "typeorm";
import { problemOf } from "./http/problems";
import { openDatabase } from "./source";
import { perform, type Done, type Task, type ThreadData } from "./threads";

const { databaseUrl, effort } = workerData as ThreadData;
/** Whoever asks the server comes before what is computed beside it. On Linux this is the thread's own priority. */
const LOWER = 10;
/** While others have the processor even the handshake with the database waits: that is no absent database. */
const CONNECT_MS = 30_000;
if (process.platform === "linux") setPriority(LOWER);

let opened: Promise<DataSource> | undefined;

/** Opened when it is asked first; where that failed, the next task tries again. */
function database(): Promise<DataSource> {
  opened ??= openDatabase(databaseUrl, { migrate: false, poolSize: 3, idleMs: 0, connectMs: CONNECT_MS }).catch(
    (error: unknown) => {
      opened = undefined;
      throw error;
    },
  );
  return opened;
}

/** What a thread beside the server is asked to compute. */
export default async function work(task: Task): Promise<Done> {
  try {
    return await perform(await database(), task, effort);
  } catch (error) {
    const problem = problemOf(error);
    if (!problem) throw error;
    return { problem };
  }
}

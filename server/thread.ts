import { workerData } from "node:worker_threads";
import type { DataSource } from "typeorm";
import { problemOf } from "./http/problems";
import { promised, reckon, type Done, type Task } from "./outlook";
import { openDatabase } from "./source";

const { databaseUrl } = workerData as { databaseUrl: string };
let opened: Promise<DataSource> | undefined;

/** Opened when it is asked first; where that failed, the next task tries again. */
function database(): Promise<DataSource> {
  opened ??= openDatabase(databaseUrl, { migrate: false, poolSize: 3, idleMs: 0 }).catch((error: unknown) => {
    opened = undefined;
    throw error;
  });
  return opened;
}

/** What a thread beside the server is asked to compute. */
export default async function work(task: Task): Promise<Done> {
  try {
    const source = await database();
    if (task.do === "promise") return { lines: await promised(source, task.lines) };
    await reckon(source);
    return { lines: [] };
  } catch (error) {
    const problem = problemOf(error);
    if (!problem) throw error;
    return { problem };
  }
}

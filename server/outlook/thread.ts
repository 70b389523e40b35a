import { workerData } from "node:worker_threads";
import type { ProblemDetails } from "@kasten/contract/http";
import { problemOf } from "../http/problems";
import type { Line, PromisedLine } from "../schedule";
import { openDatabase } from "../source";
import { promised, reckon } from "./reckon";

export type Task = { do: "reckon" } | { do: "promise"; lines: Line[] };
/** A refusal does not keep its class on the way between threads: it goes as data. */
export type Done = { lines: PromisedLine[] } | { problem: ProblemDetails };

const { databaseUrl } = workerData as { databaseUrl: string };
const opened = openDatabase(databaseUrl, { migrate: false, poolSize: 3, idleMs: 0 });

/** What a thread beside the server is asked to compute. */
export default async function work(task: Task): Promise<Done> {
  try {
    const source = await opened;
    if (task.do === "promise") return { lines: await promised(source, task.lines) };
    await reckon(source);
    return { lines: [] };
  } catch (error) {
    const problem = problemOf(error);
    if (!problem) throw error;
    return { problem };
  }
}

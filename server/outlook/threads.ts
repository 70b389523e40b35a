import { Piscina } from "piscina";
import { busy, Problem } from "../http/problems";
import type { PromisedLine } from "../schedule";
import type { Done, Task, Work } from "./work";

/** What takes longer is ended with its thread: the last plan stays, and a promise is asked for again. */
const MOST_RECKON_MS = 120_000;
const MOST_PROMISE_MS = 10_000;
const MOST_WAITING = 40;
const MOST_MEMORY_MB = 1500;

/** Threads beside the server: one makes the plan while the other promises. */
export function threads(filename: string, databaseUrl: string): Work {
  const pool = new Piscina<Task, Done>({
    filename,
    workerData: { databaseUrl },
    minThreads: 2,
    maxThreads: 2,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  const run = async (task: Task, mostMs: number): Promise<PromisedLine[]> => {
    if (pool.queueSize >= MOST_WAITING) throw busy();
    const done = await pool.run(task, { signal: AbortSignal.timeout(mostMs) }).catch((error: unknown) => {
      if (error instanceof Error && error.name === "AbortError") throw busy();
      throw error;
    });
    if ("problem" in done) {
      const { type, title, detail, ...extra } = done.problem;
      throw new Problem(type, title, detail, extra);
    }
    return done.lines;
  };
  return {
    reckon: async () => void (await run({ do: "reckon" }, MOST_RECKON_MS)),
    promise: (lines) => run({ do: "promise", lines }, MOST_PROMISE_MS),
    close: () => pool.destroy(),
  };
}

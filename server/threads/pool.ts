import { Piscina } from "piscina";
import { overloaded, Problem } from "../http/problems";
import type { Effort } from "../schedule";
import type { Done, Task, Work } from "./work";

/**
 * What takes longer is ended with its thread: the last plan stays, and the rest is asked for again. Many times what
 * each takes on an idle machine: the threads step back before everything else that the machine has to do.
 */
const MOST_MS: Record<Exclude<Task["do"], "search">, number> = {
  reckon: 120_000,
  promise: 60_000,
  buy: 60_000,
  "take in": 60_000,
  "preview file": 20_000,
  "take in file": 60_000,
};
/** How long a search may take to read the room and to keep what it found. */
const SEARCH_GRACE_MS = 60_000;
const mostMs = (task: Task): number =>
  task.do === "search" ? task.seconds * 1000 + SEARCH_GRACE_MS : MOST_MS[task.do];
const MOST_WAITING = 40;
const MOST_MEMORY_MB = 1500;

/** What each thread is told when it begins. */
export interface ThreadData {
  databaseUrl: string;
  effort: Effort;
}

/**
 * Threads beside the server: one makes the plan while another promises and a third looks for a better one.
 * @param limitOf how long a task may take in all, from when it is asked
 */
export function threads(filename: string, data: ThreadData, limitOf = mostMs): Work {
  const pool = new Piscina<Task, Done>({
    filename,
    workerData: data,
    minThreads: 2,
    maxThreads: 3,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  const run = async (task: Task): Promise<Done> => {
    if (pool.queueSize >= MOST_WAITING) throw overloaded();
    const done = await pool.run(task, { signal: AbortSignal.timeout(limitOf(task)) }).catch((error: unknown) => {
      if (error instanceof Error && error.name === "AbortError") throw overloaded();
      throw error;
    });
    if (!("problem" in done)) return done;
    const { type, title, detail, ...extra } = done.problem;
    throw new Problem(type, title, detail, extra);
  };
  const unfit = (task: Task): Error => new Error(`A thread answered something else than it was asked: ${task.do}.`);
  return {
    reckon: async () => void (await run({ do: "reckon" })),
    promise: async (lines) => {
      const task: Task = { do: "promise", lines };
      const done = await run(task);
      if ("promised" in done) return done.promised;
      throw unfit(task);
    },
    cheapest: async (problem) => {
      const task: Task = { do: "buy", problem };
      const done = await run(task);
      if ("mix" in done) return done.mix;
      throw unfit(task);
    },
    search: async (seconds, { memory }) => {
      const task: Task = { do: "search", seconds, memory };
      const done = await run(task);
      if ("found" in done) return done.found;
      throw unfit(task);
    },
    takeIn: async (change) => {
      const task: Task = { do: "take in", change };
      const done = await run(task);
      if ("taken" in done) return done.taken;
      throw unfit(task);
    },
    previewed: async (change) => {
      const task: Task = { do: "preview file", change };
      const done = await run(task);
      if ("preview" in done) return done.preview;
      throw unfit(task);
    },
    takenIn: async (change) => {
      const task: Task = { do: "take in file", change };
      const done = await run(task);
      if ("file" in done) return done.file;
      throw unfit(task);
    },
    close: () => pool.destroy(),
  };
}

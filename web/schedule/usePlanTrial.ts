import type { Remote } from "comlink";
import { onScopeDispose, ref, shallowRef, watch, type Ref } from "vue";
import type { Change, WayOut } from "@kasten/core/schedule";
import { readProblem, type Plan } from "@kasten/contract/schedule";
import type { ReplyOf } from "@kasten/contract/http";
import { call } from "../http";
import type { PlanWorker, Trial } from "./plan.worker";

export interface PlanTrial {
  /** What came of the changes that were asked for last; none while they are tried. */
  trial: Ref<Trial | undefined>;
  /** Why the changes cannot be tried, in a sentence. */
  refused: Ref<string>;
  busy: Ref<boolean>;
  /** Who may do an operation, by its name. */
  choicesOf: (operation: string) => Promise<string[]>;
  tryOut: (changes: Change[]) => Promise<void>;
  ways: (job: string) => Promise<WayOut[]>;
  clear: () => void;
}

/**
 * Changes of the plan, tried beside the page. While one is tried only the newest of those that come meanwhile is kept:
 * a hand that moves asks more often than can be answered.
 */
export function usePlanTrial(plan: Ref<Plan | undefined>): PlanTrial {
  const trial = shallowRef<Trial>();
  const refused = ref("");
  const busy = ref(false);
  let worker: { thread: Worker; api: Remote<PlanWorker> } | undefined;
  let data: Promise<ReplyOf<typeof readProblem>> | undefined;
  let waiting: Change[] | undefined;
  let asked = 0;

  watch(plan, () => (data = undefined));
  onScopeDispose(() => worker?.thread.terminate());

  async function ready(): Promise<Remote<PlanWorker>> {
    if (!worker) {
      const { wrap } = await import("comlink");
      const thread = new Worker(new URL("./plan.worker.ts", import.meta.url), { type: "module" });
      worker = { thread, api: wrap<PlanWorker>(thread) };
    }
    if (!data) {
      data = call(readProblem);
      const given = await data;
      await worker.api.load(given);
    }
    await data;
    return worker.api;
  }

  async function tryOut(changes: Change[]): Promise<void> {
    waiting = changes;
    if (busy.value) return;
    busy.value = true;
    try {
      while (waiting) {
        const now: Change[] = waiting;
        waiting = undefined;
        const mine = asked;
        const found = await (await ready()).tryOut(now);
        // What was cleared meanwhile is not shown; what was asked for since is tried next.
        if (mine !== asked) continue;
        trial.value = "refused" in found ? undefined : found;
        refused.value = "refused" in found ? found.refused : "";
      }
    } finally {
      busy.value = false;
    }
  }

  return {
    trial,
    refused,
    busy,
    tryOut,
    ways: async (job) => (await ready()).waysOut(job),
    choicesOf: async (operation) => {
      await ready();
      const given = await data;
      const o = given?.problem.jobs.flatMap((j) => j.operations).find((x) => x.id === operation);
      return (o?.choices ?? []).map((c) => c.person);
    },
    clear: () => {
      asked++;
      waiting = undefined;
      trial.value = undefined;
      refused.value = "";
    },
  };
}

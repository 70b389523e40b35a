// @vitest-environment happy-dom
import { beforeEach, describe, expect, test, vi } from "vitest";
import { defineComponent, h, shallowRef } from "vue";
import type { Change } from "@kasten/core/schedule";
import { readProblem, type Plan } from "@kasten/contract/schedule";
import { mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import { usePlanTrial, type PlanTrial } from "./usePlanTrial";

/** A thread that answers when it is told to. */
const thread = vi.hoisted(() => ({ asked: [] as { changes: unknown; answer: (found: unknown) => void }[], loaded: 0 }));
vi.mock("comlink", () => ({
  wrap: () => ({
    load: async () => void thread.loaded++,
    tryOut: (changes: unknown) => new Promise((answer) => thread.asked.push({ changes, answer })),
  }),
}));
vi.stubGlobal(
  "Worker",
  class {
    terminate(): void {}
  },
);
beforeEach(() => {
  thread.asked.length = 0;
  thread.loaded = 0;
});

const give = (person: string): Change => ({ do: "give", operation: "b:tie", person });
const found = (name: string) => ({ name, broken: [] });

async function open() {
  const plan = shallowRef<Plan | undefined>({ revision: 1 } as Plan);
  let trial: PlanTrial | undefined;
  const problem = {
    horizon: 10,
    people: [],
    stations: [],
    racks: [],
    jobs: [],
    setup: { pattern: 0, thread: 0, hook: 0 },
    objective: { tardiness: 1, setup: 0, flow: 0, makespan: 0 },
  };
  const knowledge = { minutes: {}, flies: {}, arrivals: {}, waits: {}, absence: {} };
  const server = things.server().answer(readProblem, { revision: 1, problem, assignments: [], knowledge });
  const Holder = defineComponent(() => {
    trial = usePlanTrial(plan);
    return () => h("p");
  });
  await mountIn(server, Holder);
  if (!trial) throw new Error("nothing is mounted");
  return { plan, trial, server };
}

describe("changes that come faster than they are tried", () => {
  test("are passed over but for the newest", async () => {
    const { trial } = await open();
    for (const person of ["a", "b", "c"]) void trial.tryOut([give(person)]);
    await settle();
    thread.asked[0]?.answer(found("a"));
    await settle();
    thread.asked[1]?.answer(found("c"));
    await settle();
    expect(thread.asked.map((x) => x.changes)).toEqual([[give("a")], [give("c")]]);
    expect([trial.trial.value, trial.busy.value]).toMatchObject([{ name: "c" }, false]);
  });
  test("are still tried when what was tried before is cleared meanwhile, and that is not shown", async () => {
    const { trial } = await open();
    void trial.tryOut([give("a")]);
    await settle();
    trial.clear();
    void trial.tryOut([give("b")]);
    thread.asked[0]?.answer(found("a"));
    await settle();
    expect(trial.trial.value).toBeUndefined();
    thread.asked[1]?.answer(found("b"));
    await settle();
    expect(trial.trial.value).toMatchObject({ name: "b" });
  });
  test("that cannot be are told in a sentence", async () => {
    const { trial } = await open();
    void trial.tryOut([give("a")]);
    await settle();
    thread.asked[0]?.answer({ refused: "Nobody works then." });
    await settle();
    expect([trial.refused.value, trial.trial.value]).toEqual(["Nobody works then.", undefined]);
  });
  test("are tried on the plan as it is now", async () => {
    const { plan, trial } = await open();
    for (const again of [1, 2]) {
      void trial.tryOut([give("a")]);
      await settle();
      thread.asked[again - 1]?.answer(found("a"));
      await settle();
    }
    expect(thread.loaded).toBe(1);
    plan.value = { revision: 1 } as Plan;
    await settle();
    void trial.tryOut([give("a")]);
    await settle();
    expect(thread.loaded).toBe(2);
  });
});

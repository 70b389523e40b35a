import { computed, ref, type ComputedRef, type Ref } from "vue";
import { Calendar } from "@kasten/core/schedule";
import { pinBatch, splitTying, unpinBatch, type Plan } from "@kasten/contract/schedule";
import type { Refusal } from "../http";
import { useChange } from "../parts/useChange";
import type { PlanTrial } from "./usePlanTrial";

type Work = Plan["work"][number];
const STEP_MINUTES = 30;

export interface Move {
  /** The tying that is moved. */
  work: ComputedRef<Work | undefined>;
  batch: ComputedRef<Plan["batches"][number] | undefined>;
  /** Who could do it. */
  able: Ref<string[]>;
  person: Ref<string>;
  /** From which minute on; undefined for whenever it fits. */
  start: Ref<number | undefined>;
  busy: Ref<boolean>;
  refusal: Ref<Refusal | null>;
  choose: (work: Work) => Promise<void>;
  /** Puts it there, and tries what that costs. */
  put: (person: string, start: number | undefined) => void;
  /** One step earlier or later, or to the next person. */
  step: (time: number, people: number) => void;
  leave: () => void;
  /** Whoever ties half of it, where it is split; empty where it is not. */
  other: Ref<string>;
  /** Splits it between whoever ties it now and another one, and tries that. */
  splitWith: (other: string) => void;
  /** Keeps the split, by whole dozens as far as that goes. */
  acceptSplit: () => Promise<void>;
  /** Keeps who does it, and from when on if `isTimed`. */
  accept: (isTimed: boolean) => Promise<void>;
  unpin: () => Promise<void>;
}

/** Two halves of some flies, the first in whole dozens where there are several. */
export function halvesOf(flies: number, [a, b]: [string, string]): { person: string; flies: number }[] {
  const half = flies >= 24 ? Math.round(flies / 24) * 12 : Math.ceil(flies / 2);
  const first = Math.min(flies - 1, half);
  return [
    { person: a, flies: first },
    { person: b, flies: flies - first },
  ];
}

/** A batch that is moved by hand: tried at every step, made when it is accepted. */
export function useMove(plan: Ref<Plan | undefined>, { trial, tryOut, clear, choicesOf }: PlanTrial): Move {
  const chosen = ref("");
  const able = ref<string[]>([]);
  /** While it is asked who could do it, what a hand does already is kept, and tried then. */
  let isAsking = false;
  let turn = 0;
  const person = ref("");
  const start = ref<number>();
  const other = ref("");
  const { busy, refusal, send } = useChange();
  const work = computed(() => plan.value?.work.find((w) => w.id === chosen.value));
  const batch = computed(() => plan.value?.batches.find((b) => b.id === work.value?.batch));

  function put(who: string, minute: number | undefined): void {
    if (!work.value) return;
    person.value = who;
    start.value = minute;
    other.value = "";
    if (isAsking) return;
    if (!able.value.includes(who)) {
      clear();
      return;
    }
    const { id: operation } = work.value;
    void tryOut([
      minute === undefined
        ? { do: "give", operation, person: who }
        : { do: "move", operation, person: who, start: Math.max(plan.value?.now ?? 0, Math.round(minute)) },
    ]);
  }

  function step(time: number, people: number): void {
    if (!work.value || !plan.value) return;
    const at = able.value.indexOf(person.value);
    const who = able.value[Math.min(able.value.length - 1, Math.max(0, at + people))] ?? person.value;
    put(who, time === 0 ? start.value : workedOn(who, time * STEP_MINUTES));
  }

  /** So many minutes of their work earlier or later than it is now: nights are stepped over. */
  function workedOn(who: string, minutes: number): number {
    const calendar = new Calendar(plan.value?.people.find((p) => p.id === who)?.windows ?? []);
    const tried = trial.value?.plan.assignments.find((a) => a.operation === chosen.value);
    const from = tried?.start ?? start.value ?? work.value?.start ?? 0;
    const index = Math.min(calendar.total - 1, Math.max(0, calendar.indexAt(from) + minutes));
    return calendar.clockAt(index) ?? from;
  }

  function splitWith(who: string): void {
    if (!work.value) return;
    person.value = work.value.person;
    start.value = undefined;
    other.value = who;
    const shares = [work.value.person, who].map((p) => ({ person: p, share: 0.5 }));
    void tryOut([{ do: "split", operation: work.value.id, shares }]);
  }

  function leave(): void {
    turn++;
    isAsking = false;
    chosen.value = "";
    other.value = "";
    clear();
  }

  return {
    work,
    batch,
    able,
    person,
    start,
    busy,
    refusal,
    put,
    step,
    leave,
    other,
    splitWith,
    acceptSplit: async () => {
      if (!batch.value || !other.value) return;
      const shares = halvesOf(batch.value.left, [person.value, other.value]);
      const said = `Batch ${batch.value.number} is shared out`;
      if (await send(splitTying, { params: { id: batch.value.id }, body: { shares } }, said)) leave();
    },
    choose: async (w) => {
      clear();
      refusal.value = null;
      chosen.value = w.id;
      person.value = w.person;
      start.value = undefined;
      other.value = "";
      able.value = [];
      isAsking = true;
      const mine = ++turn;
      try {
        const found = await choicesOf(w.id);
        if (mine !== turn) return;
        able.value = found;
      } finally {
        if (mine === turn) isAsking = false;
      }
      if (person.value !== w.person || start.value !== undefined) put(person.value, start.value);
    },
    accept: async (isTimed) => {
      if (!plan.value || !batch.value) return;
      const tried = trial.value?.plan.assignments.find((a) => a.operation === chosen.value);
      const minute = tried?.start ?? start.value ?? plan.value.now;
      const at = isTimed ? new Date(Date.parse(plan.value.origin) + minute * 60_000).toISOString() : null;
      const said = `Batch ${batch.value.number} is planned so`;
      if (await send(pinBatch, { params: { id: batch.value.id }, body: { person: person.value, at } }, said)) leave();
    },
    unpin: async () => {
      if (!batch.value) return;
      const said = `Batch ${batch.value.number} is left to the plan`;
      if (await send(unpinBatch, { params: { id: batch.value.id } }, said)) leave();
    },
  };
}

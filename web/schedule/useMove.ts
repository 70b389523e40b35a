import { computed, ref, type ComputedRef, type Ref } from "vue";
import { Calendar } from "@kasten/core/schedule";
import type { Plan } from "@kasten/contract/schedule";
import type { Refusal } from "../http";
import { useAble } from "./useAble";
import { useKeptMove } from "./useKeptMove";
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

/** So many minutes of somebody's work earlier or later: nights are stepped over. */
function workedOn({ people }: Plan, who: string, from: number, minutes: number): number {
  const calendar = new Calendar(people.find((p) => p.id === who)?.windows ?? []);
  const index = Math.min(calendar.total - 1, Math.max(0, calendar.indexAt(from) + minutes));
  return calendar.clockAt(index) ?? from;
}

/** A batch that is moved by hand: tried at every step, made when it is accepted. */
export function useMove(plan: Ref<Plan | undefined>, { trial, tryOut, clear, choicesOf }: PlanTrial): Move {
  const chosen = ref("");
  /** While it is asked who could do it, what a hand does already is kept, and tried then. */
  const { able, ask, drop, isAsking } = useAble(choicesOf);
  const person = ref("");
  const start = ref<number>();
  const other = ref("");
  const work = computed(() => plan.value?.work.find((w) => w.id === chosen.value));
  const batch = computed(() => plan.value?.batches.find((b) => b.id === work.value?.batch));
  const triedStart = (): number | undefined =>
    trial.value?.plan.assignments.find((a) => a.operation === chosen.value)?.start ?? start.value;
  const kept = useKeptMove({ plan, batch, person, other, minute: triedStart }, leave);

  function put(who: string, minute: number | undefined): void {
    if (!work.value) return;
    person.value = who;
    start.value = minute;
    other.value = "";
    if (isAsking()) return;
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
    const from = triedStart() ?? work.value.start;
    put(who, time === 0 ? start.value : workedOn(plan.value, who, from, time * STEP_MINUTES));
  }

  function splitWith(who: string): void {
    if (!work.value) return;
    person.value = work.value.person;
    start.value = undefined;
    other.value = who;
    const shares = [work.value.person, who].map((p) => ({ person: p, share: 0.5 }));
    void tryOut([{ do: "split", operation: work.value.id, shares }]);
  }

  async function choose(w: Work): Promise<void> {
    clear();
    kept.refusal.value = null;
    chosen.value = w.id;
    person.value = w.person;
    start.value = undefined;
    other.value = "";
    await ask(w.id);
    if (chosen.value === w.id && (person.value !== w.person || start.value !== undefined))
      put(person.value, start.value);
  }

  function leave(): void {
    drop();
    chosen.value = "";
    other.value = "";
    clear();
  }

  return { work, batch, able, person, start, other, ...kept, choose, put, step, splitWith, leave };
}

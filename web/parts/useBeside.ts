import { until, useTimeoutFn } from "@vueuse/core";
import { computed, ref, shallowRef, watch, type Ref, type ShallowRef } from "vue";

/** What comes of something that changes while somebody types. */
export interface Beside<Answer> {
  /** The last answer; while another is worked out, what came of what was asked before. */
  answer: Readonly<ShallowRef<Answer>>;
  /** Whether it is the answer to what is asked now. */
  isCurrent: Readonly<Ref<boolean>>;
  /** The answer is so long on its way that it is to be told, as the first always is. */
  isLate: Readonly<Ref<boolean>>;
  /** The last that was asked could not be worked out. */
  hasFailed: Readonly<Ref<boolean>>;
  /** The answer to what is asked now, once it is there. */
  current: () => Promise<Answer>;
}

const LATE_MS = 400;

/**
 * Works out beside the page what is asked: one thing at a time, and next only the newest of what was asked meanwhile,
 * since hands type faster than is answered.
 * @param asked another object whenever something else is asked
 * @param first what stands there until the first answer comes
 */
export function useBeside<Asked extends object, Answer>(
  asked: Readonly<Ref<Asked>>,
  work: (asked: Asked) => Promise<Answer>,
  first: Answer,
): Beside<Answer> {
  const answer = shallowRef(first) as ShallowRef<Answer>;
  const answered = shallowRef<Asked>();
  const isCurrent = computed(() => answered.value === asked.value);
  /** Why the last could not be worked out: told on the screen, and thrown at who waits for it. */
  const failure = shallowRef<Error>();
  const hasFailed = computed(() => failure.value !== undefined);
  let isBusy = false;

  async function workOn(): Promise<void> {
    if (isBusy) return;
    isBusy = true;
    failure.value = undefined;
    const now = asked.value;
    try {
      const found = await work(now);
      if (now !== asked.value) return;
      answer.value = found;
      answered.value = now;
    } catch (error) {
      failure.value = error instanceof Error ? error : new Error(String(error));
    } finally {
      isBusy = false;
      // What was asked meanwhile is worked out whatever came of this.
      if (now !== asked.value) void workOn();
    }
  }
  watch(asked, workOn, { immediate: true });

  const isLate = ref(true);
  const { start, stop } = useTimeoutFn(() => (isLate.value = true), LATE_MS, { immediate: false });
  watch(isCurrent, (now) => {
    stop();
    if (now) isLate.value = false;
    else start();
  });

  async function current(): Promise<Answer> {
    // What failed is tried once more; who waits hears of it where it fails again.
    if (hasFailed.value) await workOn();
    await until(() => isCurrent.value || hasFailed.value).toBe(true);
    if (failure.value) throw failure.value;
    return answer.value;
  }
  return { answer, isCurrent, isLate, hasFailed, current };
}

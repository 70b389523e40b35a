import { watchDebounced } from "@vueuse/core";
import { onScopeDispose, ref, type Ref } from "vue";
import { promise } from "@kasten/contract/orders";
import type { BodyOf, ReplyOf } from "@kasten/contract/http";
import { call, Refusal } from "../http";

type Wanted = BodyOf<typeof promise>["lines"];
const ASK_AFTER_MS = 400;
/** While the server is away or others are at the plan, it is asked again so often. */
const AGAIN_AFTER_MS = 2000;

/** What is known of the earliest days, and, as long as nothing is, why. */
export interface Promised extends ReplyOf<typeof promise> {
  /** A sentence that stands where the days will: that they are being worked out, or why they are not. */
  until: string;
}
const nothing = (until = ""): Promised => ({ lines: [], others: [], until });
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * The earliest day for each line, asked once the typing rests; late answers to what was typed before are dropped. A
 * promise is a help: while it cannot be had, the order is written all the same.
 */
export function usePromise(wanted: Ref<Wanted | undefined>): Ref<Promised> {
  const promised = ref(nothing());
  let asked = 0;
  // What rests is asked after a while, also where the screen has been left meanwhile.
  let isOpen = true;
  onScopeDispose(() => {
    isOpen = false;
  });
  watchDebounced(
    () => JSON.stringify(wanted.value ?? null),
    async () => {
      const mine = ++asked;
      const lines = wanted.value;
      const isWanted = () => isOpen && mine === asked;
      promised.value = nothing(lines && "being worked out …");
      while (lines && isWanted()) {
        const found = await earliest(lines);
        if (!isWanted()) return;
        promised.value = found;
        if (found.until !== AWAY) return;
        await pause(AGAIN_AFTER_MS);
      }
    },
    { debounce: ASK_AFTER_MS, immediate: true },
  );
  return promised;
}

const AWAY = "not known yet: the server is away, it is asked again";

async function earliest(lines: Wanted): Promise<Promised> {
  try {
    return { ...(await call(promise, { body: { lines }, once: true })), until: "" };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return nothing(error.problem.status === 503 ? AWAY : `not known: ${error.message}`);
  }
}

import { watchDebounced } from "@vueuse/core";
import { onScopeDispose, ref, type Ref } from "vue";
import { promise } from "@kasten/contract/orders";
import type { BodyOf, ReplyOf } from "@kasten/contract/http";
import { call, Refusal } from "../http";

type Wanted = BodyOf<typeof promise>["lines"];
const ASK_AFTER_MS = 400;

/** The earliest day for each line, asked once the typing rests; late answers to what was typed before are dropped. */
export function usePromise(wanted: Ref<Wanted | undefined>) {
  const promised = ref<ReplyOf<typeof promise>>({ lines: [], others: [] });
  let asked = 0;
  let isOpen = true;
  onScopeDispose(() => {
    isOpen = false;
  });
  watchDebounced(
    () => JSON.stringify(wanted.value ?? null),
    async () => {
      const mine = ++asked;
      promised.value = { lines: [], others: [] };
      if (!wanted.value || !isOpen) return;
      try {
        const found = await call(promise, { body: { lines: wanted.value }, once: true });
        if (mine === asked) promised.value = found;
      } catch (error) {
        // A promise is a help: while it cannot be had, the order is written all the same.
        if (!(error instanceof Refusal)) throw error;
      }
    },
    { debounce: ASK_AFTER_MS, immediate: true },
  );
  return promised;
}

import { ref, type Ref } from "vue";
import type { AnyEndpoint, ReplyOf } from "@kasten/contract/http";
import { call, Refusal, type CallInput } from "../http";
import { say } from "./say";

/** A change on its way: whether it runs, and why it was refused. */
export function useChange(): {
  busy: Ref<boolean>;
  refusal: Ref<Refusal | null>;
  send: <E extends AnyEndpoint>(e: E, input: CallInput<E>, said?: string) => Promise<ReplyOf<E> | undefined>;
} {
  const busy = ref(false);
  const refusal = ref<Refusal | null>(null);
  async function send<E extends AnyEndpoint>(
    endpoint: E,
    input: CallInput<E>,
    said?: string,
  ): Promise<ReplyOf<E> | undefined> {
    busy.value = true;
    refusal.value = null;
    try {
      const reply = await call(endpoint, input);
      if (said) say(said);
      return reply;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      refusal.value = error;
      return undefined;
    } finally {
      busy.value = false;
    }
  }
  return { busy, refusal: refusal as Ref<Refusal | null>, send };
}

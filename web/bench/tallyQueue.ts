import { useStorage } from "@vueuse/core";
import { computed, ref } from "vue";
import { sendTallies, type Tally } from "@kasten/contract/bench";
import { call, newKey, Refusal } from "../http";

/**
 * Tallies of this device. Each is kept here before anything else happens, and leaves only when the server has it;
 * every one has its own id, so that sending twice counts once.
 */
const waiting = useStorage<Tally[]>("kasten.tallies", []);
const refused = ref<{ id: string; detail: string }[]>([]);
const sending = ref(false);
const RETRY_MS = 1500;
const MOST_AT_ONCE = 200;
let timer: ReturnType<typeof setTimeout> | undefined;

async function send(): Promise<void> {
  clearTimeout(timer);
  if (sending.value || waiting.value.length === 0) return;
  sending.value = true;
  const lot = waiting.value.slice(0, MOST_AT_ONCE);
  try {
    const reply = await call(sendTallies, { body: { tallies: lot }, once: true });
    const gone = new Set(lot.map((t) => t.id));
    waiting.value = waiting.value.filter((t) => !gone.has(t.id));
    refused.value = [...refused.value, ...reply.refused];
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    if (error.problem.status !== 503) refused.value = [{ id: "", detail: error.message }];
    timer = setTimeout(() => void send(), RETRY_MS);
  } finally {
    sending.value = false;
  }
  if (waiting.value.length > 0 && !timer) void send();
}

export function useTallies(batch: string) {
  const mine = computed(() => waiting.value.filter((t) => t.batch === batch));
  /** Counts that the server does not have yet. */
  const pending = computed(() => {
    const undone = new Set(mine.value.flatMap((t) => (t.undoes ? [t.undoes] : [])));
    const known = new Set(mine.value.map((t) => t.id));
    const live = mine.value.filter((t) => t.kind !== "undo" && !undone.has(t.id));
    return { good: live.filter((t) => t.kind === "good").length, rejected: live.filter((t) => t.kind === "reject").length, takenBack: mine.value.filter((t) => t.kind === "undo" && !known.has(t.undoes ?? "")).length };
  });
  function tally(t: Pick<Tally, "kind" | "reason" | "loss" | "undoes">): string {
    const id = newKey();
    waiting.value = [...waiting.value, { ...t, id, batch, at: new Date().toISOString() }];
    timer = undefined;
    void send();
    return id;
  }
  return { pending, waiting: mine, refused, tally, send };
}

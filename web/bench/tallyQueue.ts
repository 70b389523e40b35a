import { useStorage } from "@vueuse/core";
import { computed, reactive, ref } from "vue";
import { sendTallies, type Tally } from "@kasten/contract/bench";
import { call, newKey, Refusal } from "../http";

/**
 * Tallies of this device. Each is kept here before anything else happens, and leaves only when the server has it;
 * every one has its own id, so that sending twice counts once.
 */
/**
 * A tally on its way; an undo also remembers what it takes back, so that the count shown is right before the server
 * knows.
 */
type Waiting = Tally & { undoesKind?: "good" | "reject" };
const waiting = useStorage<Waiting[]>("kasten.tallies", []);
/** The server's counts as last heard, in its reply or with the batch, whichever came last. */
const confirmed = reactive<Record<string, { good: number; rejected: number }>>({});
const refused = ref<{ id: string; detail: string }[]>([]);
const sending = ref(false);
const RETRY_MS = 1500;
const MOST_AT_ONCE = 200;
let timer: ReturnType<typeof setTimeout> | undefined;

async function send(): Promise<void> {
  clearTimeout(timer);
  timer = undefined;
  if (sending.value || waiting.value.length === 0) return;
  sending.value = true;
  const lot = waiting.value.slice(0, MOST_AT_ONCE);
  try {
    const reply = await call(sendTallies, { body: { tallies: lot }, once: true });
    const gone = new Set(lot.map((t) => t.id));
    waiting.value = waiting.value.filter((t) => !gone.has(t.id));
    for (const c of reply.counts) confirmed[c.batch] = { good: c.good, rejected: c.rejected };
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
  const of = (kind: "good" | "reject") =>
    mine.value.filter((t) => t.kind === kind).length -
    mine.value.filter((t) => t.kind === "undo" && t.undoesKind === kind).length;
  /** What the server has, and what is still on the way to it. */
  const counts = computed(() => ({
    good: (confirmed[batch]?.good ?? 0) + of("good"),
    rejected: (confirmed[batch]?.rejected ?? 0) + of("reject"),
  }));
  /** What a read of the batch says: only while nothing is on its way, which that read may hold already or not yet. */
  const heard = (good: number, rejected: number) => {
    if (confirmed[batch] === undefined || mine.value.length === 0) confirmed[batch] = { good, rejected };
  };
  function tally(t: Pick<Waiting, "kind" | "reason" | "loss" | "undoes" | "undoesKind">): string {
    const id = newKey();
    waiting.value = [...waiting.value, { ...t, id, batch, at: new Date().toISOString() }];
    void send();
    return id;
  }
  return { counts, heard, waiting: mine, refused, tally, send };
}

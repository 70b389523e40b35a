<script setup lang="ts">
import ExceptionNote from "../parts/ExceptionNote.vue";
import WishNote from "../parts/WishNote.vue";
import { onKeyStroke, until, useStorage } from "@vueuse/core";
import { computed, defineAsyncComponent, onMounted, ref, watch } from "vue";
import { drawMore, finishBatch, type KitUseSaid } from "@kasten/contract/bench";
import { readBatch } from "@kasten/contract/batches";
import { useRouter } from "vue-router";
import { call, useRead } from "../http";
import FoldOut from "../parts/FoldOut.vue";
import DozenCount from "../parts/DozenCount.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { tellKeys } from "../parts/keySheet";
import { useChange } from "../parts/useChange";
import { AskedNote, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";
import { isInField } from "./keys";
import KitList from "./KitList.vue";
import RejectChoice, { type Reject } from "./RejectChoice.vue";
import StepInHand from "./StepInHand.vue";
import { useTallies } from "./tallyQueue";

const FinishBatch = defineAsyncComponent(() => import("./FinishBatch.vue"));

const props = defineProps<{ id: string }>();
const { may } = useSession();
const { patterns } = useCatalogue();
const router = useRouter();
const batch = useRead({ key: () => ["batch", props.id], query: () => call(readBatch, { params: { id: props.id } }) });
const { counts, heard, waiting, refused, tally, send: sendWaiting } = useTallies(props.id);
const { busy, refusal, send } = useChange();
const choosing = ref(false);
const finishing = ref(false);
const opening = ref(false);
const last = useStorage<{ id: string; kind: "good" | "reject" }[]>(`kasten.tallied.${props.id}`, []);
onMounted(() => void sendWaiting());

const b = computed(() => batch.data.value);
watch(b, (now) => now && heard(now.good, now.rejected), { immediate: true });
// A read that was under way while tallies were sent may come back without them: once all are there, the batch is read
// again.
watch(
  () => waiting.value.length,
  (now, was) => {
    if (now === 0 && was > 0) void batch.refetch();
  },
);
const good = computed(() => counts.value.good);
const rejected = computed(() => counts.value.rejected);
const canTally = computed(
  () => may("tie and tally") && ["pulled", "tying"].includes(b.value?.state ?? "") && !finishing.value,
);

const MOST_UNDONE = 200;
function keep(kind: "good" | "reject", what: Partial<Reject> = {}): void {
  if (canTally.value) last.value = [...last.value.slice(-MOST_UNDONE), { id: tally({ kind, ...what }), kind }];
}
const one = (): void => keep("good");
function reject(what: Reject): void {
  choosing.value = false;
  keep("reject", what);
}
function undo(): void {
  const latest = last.value.at(-1);
  if (!latest || !canTally.value) return;
  last.value = last.value.slice(0, -1);
  tally({ kind: "undo", undoes: latest.id, undoesKind: latest.kind });
}
tellKeys([
  { keys: ["Space", "Enter"], does: "count a good fly; a foot switch sends one of these" },
  { keys: ["R"], does: "reject one; then 1 to 9 for the reason" },
  { keys: ["U"], does: "take the last one back" },
  { keys: ["←", "→"], does: "go to the step before or after" },
]);
onKeyStroke([" ", "Enter"], (e) => {
  if (isInField(e) || e.repeat || choosing.value) return;
  e.preventDefault();
  one();
});
onKeyStroke(["r", "R"], (e) => {
  if (!isInField(e) && canTally.value) choosing.value = true;
});
onKeyStroke(["u", "U"], (e) => {
  if (!isInField(e)) undo();
});

/**
 * A read that was under way while tallies were sent came back without them, or with the version from before. What is
 * finished is what the server has now: the batch is read once more before its figures are laid out. Where that read is
 * overtaken by another, it ends with what stood there before: the last one counts.
 */
async function openFinish(): Promise<void> {
  opening.value = true;
  await batch.refetch();
  await until(batch.isLoading).toBe(false);
  opening.value = false;
  finishing.value = batch.status.value === "success";
}
async function draw(key: string, much: number, note: string): Promise<void> {
  const body = { key, quantity: much, note };
  if (await send(drawMore, { params: { id: props.id }, body }, "In the kit")) await batch.refetch();
}
async function finish(uses: KitUseSaid[], minutes: number | undefined): Promise<void> {
  if (!b.value) return;
  const said = await send(
    finishBatch,
    { params: { id: props.id }, body: { version: b.value.version, uses, minutes } },
    "Finished: the flies are in the bins",
  );
  if (said) await router.push("/box");
  else await batch.refetch();
}
</script>

<template>
  <template v-if="b">
    <div class="mb-2 flex flex-wrap items-baseline justify-between gap-2">
      <h1>
        {{ b.patternName }} <span class="fig">{{ b.size }}</span>
        <span class="font-normal text-soft"
          >{{ variantName(patterns.get(b.pattern), b.variant) }} · batch {{ b.number }}</span
        >
      </h1>
      <WishNote v-for="c in b.claims" :key="c.line" :wishes="c.wishes" :of="c.customer" />
      <ExceptionNote :exceptions="[...b.exceptions, ...b.claims.flatMap((c) => c.exception ?? [])]" />
      <AskedNote
        :pattern="b.pattern"
        :version="b.patternVersion"
        :size="b.size"
        :variant="b.variant"
        :form="b.form"
        :asked="{ leave: b.leave, use: b.use, methods: b.methods, buy: b.buy }"
      />
      <RouterLink class="link" :to="`/batches/${b.id}`">The whole batch</RouterLink>
    </div>
    <RefusalNote :refusal="refusal" />
    <p v-for="(r, i) in refused" :key="i" class="callout mb-2">A tally was not counted: {{ r.detail }}</p>
    <FinishBatch
      v-if="finishing"
      :batch="b"
      :good="good"
      :rejected="rejected"
      :busy="busy"
      @leave="finishing = false"
      @finish="finish"
    />
    <div v-else class="grid gap-4 md:grid-cols-[minmax(0,1.3fr)_minmax(17rem,1fr)]">
      <StepInHand :batch="b" />
      <section aria-label="Tally" class="flex flex-col gap-3 max-md:order-first">
        <button class="tally" :disabled="!canTally" @click="one">
          <span class="block text-xl font-semibold 2xl:text-4xl">Good fly <span class="key">space</span></span
          ><span class="fig block text-8xl font-bold leading-none 2xl:text-[13rem]" data-testid="good">{{ good }}</span
          ><span class="block text-lg 2xl:text-3xl"
            >of {{ b.starts }} to start; <DozenCount :flies="b.owed" /> owed</span
          >
        </button>
        <div class="grid grid-cols-2 gap-3">
          <button
            class="btn min-h-16 justify-center text-lg"
            :disabled="!canTally"
            :aria-expanded="choosing"
            @click="choosing = !choosing"
          >
            Reject <span class="key">R</span> <span class="fig text-2xl" data-testid="rejected">{{ rejected }}</span>
          </button>
          <button class="btn min-h-16 justify-center text-lg" :disabled="!canTally || last.length === 0" @click="undo">
            Undo <span class="key">U</span>
          </button>
        </div>
        <RejectChoice v-if="choosing" @reject="reject" @leave="choosing = false" />
        <p v-if="waiting.length > 0" class="text-soft" role="status">
          <span class="fig">{{ waiting.length }}</span> {{ waiting.length === 1 ? "tally is" : "tallies are" }} kept
          here and on the way to the server.
        </p>
        <button
          class="btn min-h-[44px] justify-center"
          :class="{ 'btn-main': good >= b.owed }"
          :disabled="!canTally || opening || waiting.length > 0 || good + rejected === 0"
          @click="openFinish"
        >
          Finish the batch
        </button>
        <p v-if="!canTally" class="callout">
          {{
            b.state === "finished"
              ? "This batch is finished."
              : may("tie and tally")
                ? "Pull its kit first: then it can be tallied."
                : "Tallying is for tiers. Ask one of them."
          }}
        </p>
        <FoldOut class="text-[0.95rem]" title="In the kit">
          <KitList :batch="b" :can="canTally" :busy="busy" @draw="draw" />
        </FoldOut>
        <p class="text-[0.88rem] text-soft">Rest hands, neck and eyes ten minutes in every hour.</p>
      </section>
    </div>
  </template>
</template>

<style scoped>
@media (min-width: 1536px) {
  .tally {
    padding-block: 4.5rem;
  }
}
.tally {
  padding: 1.1rem;
  text-align: center;
  background: var(--deep);
  color: var(--deep-ink);
  border-radius: 2px;
}
.tally :deep(.unit) {
  color: inherit;
}
.tally:active:not(:disabled) {
  filter: brightness(1.2);
}
.tally:disabled {
  background: var(--well);
  color: var(--ink-soft);
}
</style>

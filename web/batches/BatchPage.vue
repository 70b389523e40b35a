<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, defineAsyncComponent, ref } from "vue";
import {
  donePrep,
  editBatch,
  exceptBatch,
  readBatch,
  releaseBatch,
  takeBackBatch,
  reserveBatch,
  unreserveBatch,
  type BatchDetail,
} from "@kasten/contract/batches";
import type { FlyChoice } from "@kasten/core/recipe";
import { call } from "../http";
import SwitchField from "../parts/SwitchField.vue";
import ExceptionNote from "../parts/ExceptionNote.vue";
import PassForm from "../parts/PassForm.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { day } from "../parts/format";
import { useChange } from "../parts/useChange";
import { FlyDrawing, HookNote, MethodTable, TakenAway, formName, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";
import BatchActions from "./BatchActions.vue";
import BatchChoices from "./BatchChoices.vue";
import BatchFacts from "./BatchFacts.vue";
import type { BatchChange } from "./change";
import MaterialRows from "./MaterialRows.vue";

const HistoryList = defineAsyncComponent(() => import("../parts/HistoryList.vue"));
const PrepTable = defineAsyncComponent(() => import("./PrepTable.vue"));

const props = defineProps<{ id: string }>();
const { may, askWhom } = useSession();
const { patterns, recipeOf, isComing } = useCatalogue();
const batch = useQuery({ key: () => ["batch", props.id], query: () => call(readBatch, { params: { id: props.id } }) });
const { busy, refusal, send } = useChange();
const inside = ref(false);
const b = computed(() => batch.data.value);
const recipe = computed(() => b.value && recipeOf(b.value.pattern, b.value.patternVersion));
/** What the recipe lets choose stands above the rows: they would move from under the pointer when it comes. */
const settled = computed(() => b.value !== undefined && !isComing(b.value.pattern, b.value.patternVersion));
const choice = computed<FlyChoice>(() => {
  const { size = "", variant = "", form = "", buy, methods, leave, use } = b.value ?? {};
  return { size, variant, form, buy, methods, leave, use };
});
const formWords = computed(() => (b.value ? formName(patterns.value.get(b.value.pattern), b.value.form) : ""));
const maker = computed(() => may("make up batches"));
/** What it is made of may be chosen until it is released. */
const open = computed(() => maker.value && b.value?.state === "planned");

const params = computed(() => ({ id: props.id }));
const again = async (said: unknown) => void (said && (await batch.refetch()));
const reserve = async () => again(await send(reserveBatch, { params: params.value }));
const giveBack = async () => again(await send(unreserveBatch, { params: params.value }, "Reservations given back"));
async function takeBack(): Promise<void> {
  if (!b.value) return;
  const body = { version: b.value.version };
  if (await send(takeBackBatch, { params: params.value, body }, "Planned again; its kit is in the drawers"))
    await batch.refetch();
}
async function release(): Promise<void> {
  if (b.value)
    await again(
      await send(releaseBatch, { params: params.value, body: { version: b.value.version } }, "Released: pull its kit"),
    );
}
async function choose(change: BatchChange): Promise<void> {
  if (b.value)
    await again(await send(editBatch, { params: params.value, body: { version: b.value.version, ...change } }));
}
async function letPass(reason: string): Promise<void> {
  if (!b.value) return;
  const { version, breaches: rules } = b.value;
  await again(
    await send(exceptBatch, { params: params.value, body: { version, rules, reason } }, "Let pass, and noted"),
  );
}
const prepared = async ({ kind, component }: BatchDetail["prep"][number]) =>
  again(await send(donePrep, { params: params.value, body: { kind, component } }, "Logged"));
</script>

<template>
  <template v-if="b">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
      <h1>
        Batch {{ b.number }} ·
        <RouterLink
          class="link"
          :to="{ path: `/patterns/${b.pattern}`, query: { size: b.size, variant: b.variant } }"
          >{{ b.patternName }}</RouterLink
        >
        <span class="fig">{{ b.size }}</span>
        <span class="font-normal text-soft"
          >{{ variantName(patterns.get(b.pattern), b.variant) }}{{ formWords ? `, ${formWords}` : "" }}</span
        >
      </h1>
      <p>
        due <b>{{ day(b.due) }}</b> <span class="tag ml-2">{{ b.state }}</span>
      </p>
    </div>
    <RefusalNote :refusal="refusal" />
    <div class="mb-4 grid gap-4 lg:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
      <div>
        <FlyDrawing
          :pattern="b.pattern"
          :version="b.patternVersion"
          :choice="choice"
          :size="b.size"
          :variant="b.variant"
          :form="b.form"
          :inside="inside"
          measures
          class="h-64 border border-rule"
        />
        <SwitchField v-model="inside" class="mt-1">See inside</SwitchField>
      </div>
      <div class="sheet p-4">
        <BatchFacts :batch="b" :open="open" @choose="choose" />
        <BatchActions
          class="mt-4"
          :batch="b"
          :busy="busy"
          :can="maker"
          @reserve="reserve"
          @give-back="giveBack"
          @release="release"
          @take-back="takeBack"
          @choose="choose"
        />
        <p v-if="!maker" class="mt-3 text-soft">{{ askWhom("make up batches") }}</p>
      </div>
    </div>
    <ExceptionNote :exceptions="b.exceptions" />
    <HookNote :pattern="b.pattern" :version="b.patternVersion" :choice="choice" />
    <section v-if="b.breaches.length > 0" class="callout mb-3" aria-label="Against a customer’s rules">
      <p v-for="r in b.breaches" :key="r">{{ r }}</p>
      <PassForm v-if="maker" :busy="busy" action="Let it pass" @pass="letPass" />
    </section>
    <p v-if="b.newestVersion > b.patternVersion" class="callout mb-3">
      This batch is bound to version <span class="fig">{{ b.patternVersion }}</span> of the pattern; there is a version
      <span class="fig">{{ b.newestVersion }}</span>.
      <RouterLink class="link" :to="`/patterns/${b.pattern}`">See what changed</RouterLink>
      <button v-if="open" class="btn ml-2 !min-h-7" @click="choose({ renew: true })">
        Tie it by version {{ b.newestVersion }}
      </button>
    </p>
    <template v-if="settled">
      <BatchChoices
        v-if="b.state === 'planned' && recipe"
        class="mb-4"
        :batch="b"
        :recipe="recipe"
        :choice="choice"
        :open="open"
        @choose="choose"
      />
      <TakenAway v-if="recipe" :recipe="recipe" :choice="choice" class="mb-4" />
      <div class="mb-1 flex items-baseline justify-between">
        <h2>Materials</h2>
        <a class="link no-print" :href="`/api/batches/${b.id}/materials.csv`">as CSV</a>
      </div>
      <MaterialRows :batch="b" class="mb-5" />
      <div class="grid gap-5 lg:grid-cols-2">
        <PrepTable :batch="b" :busy="busy" :can="may('tie and tally')" @done="prepared" />
        <section>
          <h2 class="mb-1">History</h2>
          <HistoryList :events="b.history" />
        </section>
      </div>
      <MethodTable
        v-if="recipe"
        :recipe="recipe"
        :choice="choice"
        :flies="b.starts"
        :fixed="!open"
        class="mt-5"
        @choose="choose({ methods: $event })"
      />
    </template>
  </template>
  <p v-else-if="batch.error.value" class="callout">
    {{ batch.error.value.message }} <RouterLink class="link" to="/batches">All batches</RouterLink>
  </p>
</template>

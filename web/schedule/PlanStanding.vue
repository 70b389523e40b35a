<script setup lang="ts">
import { computed, ref } from "vue";
import { publishPlan, type Plan } from "@kasten/contract/schedule";
import FoldOut from "../parts/FoldOut.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import TextField from "../parts/TextField.vue";
import { moment } from "../parts/format";
import { useChange } from "../parts/useChange";

/** How the draft stands to what everybody works by: what of that does not hold any more, what publishing would change. */
const props = defineProps<{ plan: Plan; can: boolean }>();
const published = computed(() => props.plan.published);
const broken = computed(() => published.value?.broken ?? []);
const note = ref("");
const { busy, refusal, send } = useChange();
const isNew = computed(() => !published.value || props.plan.differences.length > 0);
async function publish(): Promise<void> {
  const done = await send(publishPlan, { body: { revision: props.plan.revision, note: note.value } });
  if (done) note.value = "";
}
const batches = (n: number): string => `${n} ${n === 1 ? "batch" : "batches"}`;
</script>

<template>
  <section class="sheet mb-3 p-3" aria-label="Draft and published plan">
    <div class="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
      <p class="max-w-[64ch]" :class="{ 'text-call font-semibold': broken.length > 0 }">
        <template v-if="published"
          >Plan {{ published.number }}, published {{ moment(published.at) }} by {{ published.by
          }}<template v-if="published.note">: {{ published.note }}</template
          >. <template v-if="broken.length > 0">It no longer holds for {{ batches(broken.length) }}.</template
          ><template v-else>It still holds.</template></template
        ><template v-else
          >No plan is published yet: everybody sees the draft, which changes with the room. A published one stays until
          another is.</template
        >
      </p>
      <form v-if="can && isNew" class="flex flex-wrap items-end gap-2" @submit.prevent="publish">
        <TextField v-model="note" class="w-56" label="What it is about, if you like" />
        <button class="btn btn-main" :disabled="busy">Publish the draft</button>
      </form>
    </div>
    <RefusalNote :refusal="refusal" />
    <FoldOut v-if="broken.length > 0" class="mt-1" title="What does not hold" call>
      <ul>
        <li v-for="b in broken" :key="b.batch">
          <RouterLink class="link" :to="`/batches/${b.batch}`">Batch {{ b.number }}</RouterLink
          >: {{ b.sentence }}
        </li>
      </ul>
    </FoldOut>
    <FoldOut
      v-if="plan.differences.length > 0"
      class="mt-1"
      :title="`The draft has ${batches(plan.differences.length)} otherwise`"
    >
      <ul>
        <li v-for="d in plan.differences" :key="d.batch">
          <RouterLink class="link" :to="`/batches/${d.batch}`">Batch {{ d.number }}</RouterLink
          >: {{ d.sentence }}
        </li>
      </ul>
    </FoldOut>
    <p v-else-if="published" class="text-soft">The draft is the same, batch by batch.</p>
  </section>
</template>

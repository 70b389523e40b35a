<script setup lang="ts">
import type { BatchDetail } from "@kasten/contract/batches";

/** Work before the vise, logged by whoever did it, with the cautions of the batch beside it. */
defineProps<{ batch: BatchDetail; busy: boolean; can: boolean }>();
defineEmits<{ done: [task: BatchDetail["prep"][number]] }>();
</script>

<template>
  <section>
    <h2 class="mb-1">Preparation</h2>
    <table class="sheet">
      <thead class="sr-only">
        <tr>
          <th scope="col">Work</th>
          <th scope="col">Minutes</th>
          <th scope="col">Done</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="t in batch.prep" :key="t.kind + t.component">
          <td>
            {{ t.title }}<span v-if="t.station" class="tag ml-2">{{ t.station }}</span>
          </td>
          <td class="fig whitespace-nowrap text-right">{{ t.minutes }}<span class="unit">min</span></td>
          <td class="w-40 text-right">
            <span v-if="t.done" class="tag tag-done">done, {{ t.doneBy }}</span
            ><button v-else-if="can" class="btn !min-h-8" :disabled="busy" @click="$emit('done', t)">
              Log as done
            </button>
          </td>
        </tr>
        <tr v-if="batch.prep.length === 0">
          <td colspan="3" class="text-soft">Nothing to prepare away from the vise.</td>
        </tr>
      </tbody>
    </table>
    <h2 v-if="batch.cautions.length" class="mb-1 mt-4">Cautions</h2>
    <ul class="list-disc pl-5 text-[0.95rem]">
      <li v-for="c in batch.cautions" :key="c">{{ c }}</li>
    </ul>
    <p class="mt-1 text-[0.88rem] text-soft">
      Local law, the makers’ data sheets and professional advice go before anything said here.
    </p>
  </section>
</template>

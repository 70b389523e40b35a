<script setup lang="ts">
import { computed } from "vue";
import type { BatchDetail } from "@kasten/contract/batches";
import FoldOut from "../parts/FoldOut.vue";
import TickBox from "../parts/TickBox.vue";
import type { BatchChange } from "./change";

/** The next thing to do with a batch, and what still stands against it. */
const props = defineProps<{ batch: BatchDetail; busy: boolean; can: boolean }>();
defineEmits<{ reserve: []; giveBack: []; release: []; takeBack: []; choose: [change: BatchChange] }>();
const allReserved = computed(() =>
  props.batch.requirements.every((r) => r.reserved.reduce((n, x) => n + x.quantity, 0) + r.pulled >= r.issue),
);
const someReserved = computed(() => props.batch.requirements.some((r) => r.reserved.length > 0));
const isPlanned = computed(() => props.batch.state === "planned");
const isReleased = computed(() => props.batch.state === "released");
const atBench = computed(() => ["pulled", "tying"].includes(props.batch.state));
</script>

<template>
  <div>
    <!-- What is always there stands first: it must not move from under the pointer when the next thing to do changes. -->
    <div class="flex flex-wrap gap-2">
      <RouterLink class="btn" :class="{ 'btn-main': isReleased }" :to="`/batches/${batch.id}/sheet`"
        >Pull sheet</RouterLink
      >
      <RouterLink class="btn" :to="`/batches/${batch.id}/card`">Bench card</RouterLink>
      <button
        v-if="can && !allReserved && (isPlanned || isReleased)"
        class="btn btn-main"
        :disabled="busy"
        @click="$emit('reserve')"
      >
        Reserve what is there
      </button>
      <button
        v-if="can && isPlanned"
        class="btn"
        :class="{ 'btn-main': allReserved }"
        :disabled="busy || batch.held_back.length > 0"
        @click="$emit('release')"
      >
        Release to the bench
      </button>
      <RouterLink v-if="atBench" class="btn btn-main" :to="`/bench/${batch.id}`">To the bench</RouterLink>
      <button v-if="can && someReserved && isPlanned" class="btn" :disabled="busy" @click="$emit('giveBack')">
        Give reservations back
      </button>
      <button
        v-if="can && (isReleased || atBench) && batch.good + batch.rejected === 0"
        class="btn"
        :disabled="busy"
        @click="$emit('takeBack')"
      >
        Take the release back
      </button>
      <TickBox
        v-if="can && isPlanned"
        :model-value="batch.mixLots"
        @update:model-value="$emit('choose', { mixLots: $event ?? false })"
        >dye lots may be mixed</TickBox
      >
    </div>
    <FoldOut
      v-if="isPlanned && batch.held_back.length > 0"
      class="mt-3"
      call
      :title="`Not ready for the bench: ${batch.held_back.length} ${batch.held_back.length === 1 ? 'reason' : 'reasons'}`"
    >
      <ul class="list-disc pl-5">
        <li v-for="r in batch.held_back" :key="r">{{ r }}</li>
      </ul>
    </FoldOut>
  </div>
</template>

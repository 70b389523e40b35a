<script setup lang="ts">
import { onKeyStroke } from "@vueuse/core";
import { ref } from "vue";
import { losses, rejectReasons } from "@kasten/contract/bench";
import RadioSet from "../parts/RadioSet.vue";
import { optionsOf } from "../parts/option";

/** What was wrong, with one key; and what was lost with it. */
export type Reject = { reason: (typeof rejectReasons)[number]; loss: (typeof losses)[number] };
const emit = defineEmits<{ reject: [what: Reject]; leave: [] }>();
const loss = ref<Reject["loss"]>("whole fly");
const reject = (reason: Reject["reason"]): void => emit("reject", { reason, loss: loss.value });
onKeyStroke("Escape", () => emit("leave"));
onKeyStroke(
  (e) => rejectReasons[Number(e.key) - 1] !== undefined,
  (e) => reject(rejectReasons[Number(e.key) - 1] ?? "other"),
);
</script>

<template>
  <div class="sheet p-3">
    <p class="mb-1 font-semibold">What was wrong?</p>
    <RadioSet v-model="loss" class="mb-3" label="Lost with it" big :options="optionsOf(losses)" />
    <div class="grid grid-cols-2 gap-2">
      <button v-for="(r, i) in rejectReasons" :key="r" class="btn min-h-[44px] justify-start" @click="reject(r)">
        <span class="key">{{ i + 1 }}</span>{{ r }}
      </button>
    </div>
  </div>
</template>

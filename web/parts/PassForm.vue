<script setup lang="ts">
import { computed, ref, useId } from "vue";

/** Why a rule is let pass: nothing goes on without a reason that others will read. */
const props = defineProps<{ busy?: boolean; action?: string }>();
const reason = defineModel<string>({ default: "" });
const emit = defineEmits<{ pass: [reason: string] }>();
const id = useId();
const touched = ref(false);
const isEnough = computed(() => reason.value.trim().length >= LEAST);
const LEAST = 3;
function pass(): void {
  touched.value = true;
  if (isEnough.value && !props.busy) emit("pass", reason.value.trim());
}
</script>

<template>
  <div class="my-2">
    <label :for="id" class="label">Why it is let pass: everyone reads this, up to the box</label>
    <div class="flex flex-wrap items-center gap-2">
      <input
        :id="id"
        v-model="reason"
        class="field min-w-64 flex-1"
        maxlength="200"
        :aria-describedby="`${id}-law`"
        :aria-invalid="touched && !isEnough"
        @keydown.enter.prevent="action && pass()"
      />
      <button v-if="action" type="button" class="btn" :disabled="busy" @click="pass">{{ action }}</button>
    </div>
    <p :id="`${id}-law`" class="mt-1.5">
      {{ touched && !isEnough ? "Say why, in a few words." : "Local law decides, not this program." }}
    </p>
  </div>
</template>

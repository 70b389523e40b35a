<script setup lang="ts" generic="T extends string | number | boolean">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from "@headlessui/vue";
import type { Option } from "./option";

/** One of a few that are all in sight. */
defineProps<{ label: string; options: Option<T>[]; quiet?: boolean; disabled?: boolean; big?: boolean }>();
const taken = defineModel<T>({ required: true });
</script>

<template>
  <RadioGroup v-model="taken" :disabled="disabled">
    <RadioGroupLabel :class="quiet ? 'sr-only' : 'label'">{{ label }}</RadioGroupLabel>
    <div class="flex flex-wrap">
      <RadioGroupOption
        v-for="o in options"
        :key="String(o.value)"
        v-slot="{ checked }"
        as="template"
        :value="o.value"
        :disabled="o.disabled"
      >
        <button
          type="button"
          class="btn -ml-px -mt-px first:ml-0"
          :class="{ 'btn-main': checked, '!min-h-[44px]': big }"
        >
          {{ o.label }}
        </button>
      </RadioGroupOption>
    </div>
  </RadioGroup>
</template>

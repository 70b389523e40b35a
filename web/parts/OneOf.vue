<script setup lang="ts">
import { computed } from "vue";
import ListBox from "./ListBox.vue";
import { orNone } from "./option";

/** One of a list, or none of it. */
const props = defineProps<{
  label: string;
  none: string;
  options: { id: string; name: string }[];
  quiet?: boolean;
  disabled?: boolean;
  mono?: boolean;
}>();
const taken = defineModel<string | undefined>({ required: true });
const all = computed(() =>
  orNone(
    props.none,
    props.options.map((o) => ({ value: o.id, label: o.name })),
  ),
);
</script>

<template>
  <div class="min-w-0">
    <ListBox v-model="taken" :label="label" :options="all" :quiet="quiet" :disabled="disabled" :mono="mono" /><slot />
  </div>
</template>
